import { avoidedBy, isObliged, regimes } from "~/core/allergen";
import { type LabelReading, type Substance, isUnderstood } from "~/core/pantry";
import type { ClassInput } from "~/core/plan";
import { CheckField, SelectField, TextField } from "~/ui/parts/fields";
import { optionsOf } from "~/ui/parts/options";
import { marketWords } from "~/ui/words/en";
import { SubstanceBoxes } from "./SubstanceBoxes";

type Field = Parameters<typeof TextField>[0]["field"] & { readonly initialValue?: unknown };

interface Props {
  readonly fields: Readonly<
    Record<"contains" | "mayContain" | "market" | "isGlutenFree" | "lookedFor" | "foods", Field>
  >;
  readonly label: Partial<LabelReading> | null | undefined;
  readonly input: Pick<ClassInput, "brief" | "people">;
  /** The form came back with what was typed in it. */
  readonly isBack: boolean;
}

/** What a label says: ticked, and what was looked for in the whole list because no law makes it stand out. */
export function LabelFields({ fields, label, input, isBack }: Props) {
  const regime: readonly Substance[] = regimes[input.brief.regime];
  const market = label?.market ?? input.brief.regime;
  // What people of this class avoid and no law makes this label name.
  const asked = [
    ...new Set(
      input.people.flatMap(avoidedBy).flatMap((one) => {
        if (one.substance !== undefined) return isObliged(one.substance, market) ? [] : [one.substance];
        // What the word means is asked first; a word for listed substances is answered by them.
        return isUnderstood(one.meaning) && !one.meaning.isListed ? [one.food] : [];
      }),
    ),
  ];
  const typed = (field: Field, fallback: readonly Substance[]) =>
    isBack ? ([field.initialValue ?? []].flat() as Substance[]) : fallback;
  return (
    <>
      <SubstanceBoxes
        name="contains"
        title="It says it contains"
        ticked={typed(fields.contains, label?.contains ?? [])}
        regime={regime}
      />
      <SubstanceBoxes
        name="mayContain"
        title="It says it may contain"
        ticked={typed(fields.mayContain, label?.mayContain ?? [])}
        regime={regime}
      />
      <SelectField
        span={6}
        field={fields.market}
        label="Made for the market of"
        options={optionsOf(marketWords)}

        hint="whose law says what must be named"
      />
      <CheckField span={6} field={fields.isGlutenFree} label="It claims to be gluten-free" />
      <TextField
        span={6}
        field={fields.lookedFor}
        label="Looked for in the whole list and not found"
        hint={asked.length > 0 ? `this class asks about: ${asked.join(", ")}` : "with commas: rye, mustard, corn"}

        autoComplete="off"
      />
      <TextField
        span={6}
        field={fields.foods}
        label="Other foods the list names"
        hint="with commas: corn, banana"

        autoComplete="off"
      />
    </>
  );
}
