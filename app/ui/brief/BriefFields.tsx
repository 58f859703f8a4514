import { Fieldset, Link } from "@chakra-ui/react";
import { FormGrid } from "~/ui/parts/forms";
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
    <Fieldset.Root>
      <Fieldset.Legend>What they cook</Fieldset.Legend>
      <FormGrid>
        {dishes.map(({ what, stations }, index) => [
          <SelectField
            span={8}
            key={`${what.name}-what`}
            field={what}
            label={index === 0 ? "Recipe" : `Recipe ${index + 1}`}
            options={recipes}
            empty={index === 0 ? "Choose a recipe" : "none"}
            isFound
          />,
          <NumberField
            span={4}
            key={`${what.name}-stations`}
            field={stations}
            label="Stations"
            hint={index === 0 ? "empty: all that are left" : undefined}
          />,
        ])}
      </FormGrid>
    </Fieldset.Root>
  );
  return (
    <>
      {isNew ? what : null}
      <TextField field={fields.title} label="Class" />
      <DateField span={6} field={fields.date} label="Date" />
      <TimeField span={6} field={fields.time} label="Doors open" />
      <NumberField span={3} field={fields.people} label="People" hint="who cook" />
      <SelectField span={6} field={fields.audience} label="Ages" options={optionsOf(audienceWords)} />
      <NumberField span={3} field={fields.minutes} label="Minutes in all" />
      <TextField
        span={3}
        field={fields.piecesEach}
        label="Pieces each"

        inputMode="decimal"
        autoComplete="off"
      />
      <NumberField span={3} field={fields.stationSize} label="Station size" hint="people" />
      <NumberField span={3} field={fields.helpers} label="Helpers" hint="adults beside you" />
      <NumberField span={3} field={fields.hotPlacesPerAdult} label="Hot places per adult" hint="0: no rule" />
      {isNew ? null : what}
      <SelectField
        span={6}
        field={fields.kitchenId}
        label="Kitchen"
        options={kitchens}
        empty="Choose a kitchen"
        isFound
      />
      <SelectField span={6} field={fields.kitMode} label="Kits" options={optionsOf(kitModeWords)} />
      <SelectField span={6} field={fields.demo} label="Demonstration" options={optionsOf(demoWords)} />
      <SelectField
        span={6}
        field={fields.measuringSetId}
        label="Measuring set at the stations"
        options={measuringSets.map((set) => ({ value: set.id, label: set.name }))}
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
      gridColumn="span 12"

      open={isAsked || undefined}
      onToggle={({ currentTarget }) => {
        if (currentTarget.open) setOpened(true);
      }}
    >
      <FoldTitle minH="11" cursor="pointer" fontWeight="600">
        Times, batches, names
      </FoldTitle>
      {isDrawn ? (
        <DrawnLater fields={fields} />
      ) : (
        <>
          {laterNames.map((name) => {
            const value = asSent(initially[name]);
            return value === undefined ? null : <Hidden key={name} name={name} defaultValue={value} />;
          })}
          <noscript>
            <Link href="?all">Show these fields</Link>
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
    <FormGrid pt="2">
      <NumberField span={4} field={fields.doorsMinutes} label="Doors and hands" hint="minutes" />
      <NumberField span={4} field={fields.eatMinutes} label="Eating" hint="minutes" />
      <NumberField span={4} field={fields.cleanMinutes} label="Cleaning" hint="minutes" />
      <SelectField span={6} field={fields.mealMode} label="They eat" options={optionsOf(mealModeWords)} />
      <SelectField span={6} field={fields.batchRule} label="Batches" options={optionsOf(batchRuleWords)} />
      <SelectField span={6} field={fields.eggRule} label="Half an egg" options={optionsOf(eggRuleWords)} />
      <SelectField span={6} field={fields.containerPer} label="Containers" options={optionsOf(containerPerWords)} />
      <NumberField
        span={6}
        field={fields.testersPerSurface}
        label="Testers a surface"
        hint="throw-away first pieces, 0 to 2"
      />
      <NumberField span={6} field={fields.tasters} label="Tasters" hint="who eat and do not cook" />
      <CheckField span={6} field={fields.hasDemoBatch} label="a batch for the demonstration" />
      <NumberField
        span={6}
        field={fields.strictTolerancePercent}
        label="Largest measuring error, leavener and salt"
        hint="percent"
      />
      <NumberField
        span={6}
        field={fields.usualTolerancePercent}
        label="Largest measuring error, other scoops"
        hint="percent"
      />
      <CheckField
        span={6}
        field={fields.easesSpice}
        label={`salt and spice × ${number(toNumber(spiceEase.share), locale, 1)} above ${spiceEase.above} batches`}
      />
      <CheckField span={6} field={fields.hasSpareKit} label="a spare kit" />
      <CheckField span={6} field={fields.isRemote} label="remote: every station a household of its own" />
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
      <SelectField span={6} field={fields.regime} label="Allergen list" options={regimeOptions} />
      <TextField span={6} field={fields.timeZone} label="Time zone" />
      <TextField span={6} field={fields.currency} label="Prices are in" hint="three letters, such as EUR" />
    </FormGrid>
  );
}
