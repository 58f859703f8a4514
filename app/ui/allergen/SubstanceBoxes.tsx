import { Fieldset } from "@chakra-ui/react";
import { TickRow } from "~/ui/parts/forms";
import { type Substance, substances } from "~/core/pantry";
import { substanceWords } from "~/ui/words/en";
import { Fold, FoldTitle, Tick } from "~/ui/parts/plain";

/** Boxes for what a label says: what the region's law asks for first, the rest below. Works without script. */
export function SubstanceBoxes({
  name,
  title,
  ticked,
  regime,
}: {
  name: string;
  title: string;
  ticked: readonly Substance[];
  regime: readonly Substance[];
}) {
  const rest = substances.filter((one) => !regime.includes(one));
  const box = (value: Substance) => (
    <label key={value}>
      <Tick name={name} value={value} defaultChecked={ticked.includes(value)} /> {substanceWords[value]}
    </label>
  );
  return (
    <Fieldset.Root>
      <Fieldset.Legend>{title}</Fieldset.Legend>
      <TickRow>{regime.map(box)}</TickRow>
      <Fold open={ticked.some((one) => rest.includes(one))}>
        <FoldTitle color="fg.muted" minH="11" cursor="pointer">
          More than the list asks for
        </FoldTitle>
        <TickRow>{rest.map(box)}</TickRow>
      </Fold>
    </Fieldset.Root>
  );
}
