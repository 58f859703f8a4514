import { type Substance, substances } from "~/core/pantry";
import { substanceWords } from "~/ui/words/en";
import { Fold, FoldTitle, Tick } from "~/ui/parts/plain";
import { look } from "~/ui/theme/look";

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
    <fieldset>
      <legend>{title}</legend>
      <div className={look("checks")}>{regime.map(box)}</div>
      <Fold open={ticked.some((one) => rest.includes(one))}>
        <FoldTitle className={look("quiet", "tall", "pressed")}>More than the list asks for</FoldTitle>
        <div className={look("checks")}>{rest.map(box)}</div>
      </Fold>
    </fieldset>
  );
}
