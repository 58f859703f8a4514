import { spiceEase } from "~/core/kit";
import { useState } from "react";
import { measuringSets, scoopName, toNumber } from "~/core/quantity";
import { scoop, number } from "~/ui/format/format";
import { AreaField, CheckField, CheckGroup, NumberField, SelectField, TextField } from "~/ui/parts/fields";
import { optionsOf, type Option } from "~/ui/parts/options";
import { DateField, TimeField } from "~/ui/parts/DateField";
import { useLocale } from "~/ui/sheet/locale";
import {
  audienceWords,
  batchRuleWords,
  mealModeWords,
  containerPerWords,
  demoWords,
  eggRuleWords,
  kitModeWords,
} from "~/ui/words/en";
import { Fold, FoldTitle, Hidden } from "~/ui/parts/plain";
import { look } from "~/ui/theme/look";

/** A field with, where the form keeps count of it, what is chosen at the moment. */
type Field = Parameters<typeof TextField>[0]["field"] & { readonly value?: unknown };
type Names =
  | "title"
  | "date"
  | "time"
  | "timeZone"
  | "currency"
  | "kitchenId"
  | "people"
  | "tasters"
  | "audience"
  | "minutes"
  | "piecesEach"
  | "stationSize"
  | "helpers"
  | "hotPlacesPerAdult"
  | "kitMode"
  | "demo"
  | "testersPerSurface"
  | "batchRule"
  | "eggRule"
  | "containerPer"
  | "measuringSetId"
  | "missingScoops"
  | "strictTolerancePercent"
  | "usualTolerancePercent"
  | "easesSpice"
  | "regime"
  | "doorsMinutes"
  | "eatMinutes"
  | "mealMode"
  | "cleanMinutes"
  | "hasDemoBatch"
  | "hasSpareKit"
  | "isRemote"
  | "stationNames"
  | "aims";

/** What most classes leave as it is; it stands folded below the rest. */
export const laterNames = [
  "doorsMinutes",
  "eatMinutes",
  "mealMode",
  "cleanMinutes",
  "batchRule",
  "eggRule",
  "containerPer",
  "testersPerSurface",
  "tasters",
  "hasDemoBatch",
  "strictTolerancePercent",
  "usualTolerancePercent",
  "easesSpice",
  "hasSpareKit",
  "isRemote",
  "stationNames",
  "aims",
  "regime",
  "timeZone",
  "currency",
] as const satisfies readonly Names[];

interface Props {
  readonly fields: Readonly<Record<Names, Field>>;
  readonly dishes: readonly { readonly what: Field; readonly stations: Field }[];
  readonly kitchens: readonly Option[];
  readonly recipes: readonly Option[];
  /** What the form began with, by name. */
  readonly initially: Readonly<Record<string, unknown>>;
  /** The fields that stand folded are wanted at once: one of them was refused, or no script is there to bring them. */
  readonly isAsked: boolean;
  /** A class that is only being thought of begins with what it cooks. */
  readonly isNew: boolean;
}

const regimeOptions: readonly Option[] = [
  { value: "eu", label: "EU and UK, fourteen" },
  { value: "us", label: "US, nine" },
  { value: "anz", label: "Australia and New Zealand" },
];

/** The few facts that decide the rest, in the order an instructor is told them. */
export function BriefFields({ fields, dishes, kitchens, recipes, initially, isAsked, isNew }: Props) {
  const locale = useLocale();
  const chosen = fields.measuringSetId.value ?? fields.measuringSetId.initialValue;
  const set = measuringSets.find((one) => one.id === chosen);
  const what = (
    <fieldset>
      <legend>What they cook</legend>
      <div className={look("form")}>
        {dishes.map(({ what, stations }, index) => [
          <SelectField
            key={`${what.name}-what`}
            field={what}
            label={index === 0 ? "Recipe" : `Recipe ${index + 1}`}
            options={recipes}
            empty={index === 0 ? "Choose a recipe" : "none"}
            isFound
            className={look("c8")}
          />,
          <NumberField
            key={`${what.name}-stations`}
            field={stations}
            label="Stations"
            hint={index === 0 ? "empty: all that are left" : undefined}
            className={look("c4")}
          />,
        ])}
      </div>
    </fieldset>
  );
  return (
    <>
      {isNew ? what : null}
      <TextField field={fields.title} label="Class" />
      <DateField field={fields.date} label="Date" className={look("c6")} />
      <TimeField field={fields.time} label="Doors open" className={look("c6")} />
      <NumberField field={fields.people} label="People" hint="who cook" className={look("c3")} />
      <SelectField field={fields.audience} label="Ages" options={optionsOf(audienceWords)} className={look("c6")} />
      <NumberField field={fields.minutes} label="Minutes in all" className={look("c3")} />
      <TextField
        field={fields.piecesEach}
        label="Pieces each"
        className={look("c3")}
        inputMode="decimal"
        autoComplete="off"
      />
      <NumberField field={fields.stationSize} label="Station size" hint="people" className={look("c3")} />
      <NumberField field={fields.helpers} label="Helpers" hint="adults beside you" className={look("c3")} />
      <NumberField
        field={fields.hotPlacesPerAdult}
        label="Hot places per adult"
        hint="0: no rule"
        className={look("c3")}
      />
      {isNew ? null : what}
      <SelectField
        field={fields.kitchenId}
        label="Kitchen"
        options={kitchens}
        empty="Choose a kitchen"
        isFound
        className={look("c6")}
      />
      <SelectField field={fields.kitMode} label="Kits" options={optionsOf(kitModeWords)} className={look("c6")} />
      <SelectField field={fields.demo} label="Demonstration" options={optionsOf(demoWords)} className={look("c6")} />
      <SelectField
        field={fields.measuringSetId}
        label="Measuring set at the stations"
        options={measuringSets.map((set) => ({ value: set.id, label: set.name }))}
        className={look("c6")}
      />
      <CheckGroup
        field={fields.missingScoops}
        label="Missing from the set today"
        options={(set?.scoops ?? []).map((one) => ({ value: scoopName(one), label: scoop(one, locale) }))}
      />
      <LaterFields fields={fields} initially={initially} isAsked={isAsked} />
    </>
  );
}

/**
 * The fields that stand folded. Until somebody opens them their values travel in the form without being drawn: half of a brief's fields
 * are never looked at, and drawing them costs a third of the page.
 */
function LaterFields({ fields, initially, isAsked }: Pick<Props, "fields" | "initially" | "isAsked">) {
  // Once opened they stay: what was typed there must not go when it is folded again.
  const [wasOpened, setOpened] = useState(isAsked);
  const isDrawn = wasOpened || isAsked;
  return (
    <Fold
      className={look("c12")}
      open={isAsked || undefined}
      onToggle={({ currentTarget }) => {
        if (currentTarget.open) setOpened(true);
      }}
    >
      <FoldTitle className={look("tall", "pressed", "strong")}>Times, batches, names</FoldTitle>
      {isDrawn ? (
        <DrawnLater fields={fields} />
      ) : (
        <>
          {laterNames.map((name) => {
            const value = asSent(initially[name]);
            return value === undefined ? null : <Hidden key={name} name={name} defaultValue={value} />;
          })}
          <noscript>
            <a className={look("text")} href="?all">
              Show these fields
            </a>
          </noscript>
        </>
      )}
    </Fold>
  );
}

/** What a field that is not drawn sends: the same as one that is. */
const asSent = (value: unknown): string | undefined =>
  value === undefined || value === null || value === false ? undefined : value === true ? "on" : String(value);

/** Only what also travels folded may be drawn here: another field would be lost with every save that leaves it folded. */
function DrawnLater({ fields }: { fields: Readonly<Record<(typeof laterNames)[number], Field>> }) {
  const locale = useLocale();
  return (
    <div className={look("form", "filled-above")}>
      <NumberField field={fields.doorsMinutes} label="Doors and hands" hint="minutes" className={look("c4")} />
      <NumberField field={fields.eatMinutes} label="Eating" hint="minutes" className={look("c4")} />
      <NumberField field={fields.cleanMinutes} label="Cleaning" hint="minutes" className={look("c4")} />
      <SelectField field={fields.mealMode} label="They eat" options={optionsOf(mealModeWords)} className={look("c6")} />
      <SelectField
        field={fields.batchRule}
        label="Batches"
        options={optionsOf(batchRuleWords)}
        className={look("c6")}
      />
      <SelectField
        field={fields.eggRule}
        label="Half an egg"
        options={optionsOf(eggRuleWords)}
        className={look("c6")}
      />
      <SelectField
        field={fields.containerPer}
        label="Containers"
        options={optionsOf(containerPerWords)}
        className={look("c6")}
      />
      <NumberField
        field={fields.testersPerSurface}
        label="Testers a surface"
        hint="throw-away first pieces, 0 to 2"
        className={look("c6")}
      />
      <NumberField field={fields.tasters} label="Tasters" hint="who eat and do not cook" className={look("c6")} />
      <CheckField field={fields.hasDemoBatch} label="a batch for the demonstration" className={look("c6")} />
      <NumberField
        field={fields.strictTolerancePercent}
        label="Scoops of leavener and salt, at most off by"
        hint="percent"
        className={look("c6")}
      />
      <NumberField
        field={fields.usualTolerancePercent}
        label="Other scoops, at most off by"
        hint="percent"
        className={look("c6")}
      />
      <CheckField
        field={fields.easesSpice}
        label={`salt and spice × ${number(toNumber(spiceEase.share), locale, 1)} above ${spiceEase.above} batches`}
        className={look("c6")}
      />
      <CheckField field={fields.hasSpareKit} label="a spare kit" className={look("c6")} />
      <CheckField field={fields.isRemote} label="remote: every station a household of its own" className={look("c6")} />
      <TextField
        field={fields.stationNames}
        label="Station names"
        hint="with commas between; names that can be shouted"
      />
      <AreaField
        field={fields.aims}
        label="Teaching aims"
        hint="what they can do or say afterwards, a line each; on the run sheet, ticked in the log"
        rows={3}
      />
      <SelectField field={fields.regime} label="Allergen list" options={regimeOptions} className={look("c6")} />
      <TextField field={fields.timeZone} label="Time zone" className={look("c6")} />
      <TextField
        field={fields.currency}
        label="Prices are in"
        hint="three letters, such as EUR"
        className={look("c6")}
      />
    </div>
  );
}
