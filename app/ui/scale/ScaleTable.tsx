import { type ScaleOption, spiceEase } from "~/core/kit";
import { type Ratio, toNumber } from "~/core/quantity";
import type { BatchRule } from "~/core/scale";
import { drift, fraction, grams, howMany, list, number, thin } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import { Wide } from "~/ui/sheet/Wide";
import type { Names } from "~/ui/words/names";
import { look } from "~/ui/theme/look";

const ruleNames: Readonly<Record<BatchRule, string>> = {
  whole: "Whole batches",
  half: "Half batches",
  quarter: "Quarter batches",
  exact: "Just enough",
};

interface Props {
  readonly title: string;
  readonly wanted: number;
  readonly options: readonly ScaleOption[];
  readonly chosen: BatchRule;
  readonly wholeEggs: { readonly factor: Ratio; readonly pieces: number } | undefined;
  readonly names: Names;
}

/** Whole, half, quarter and just enough, side by side: what each leaves over, asks of the eggs, and does to the spoons. */
export function ScaleTable({ title, wanted, options, chosen, wholeEggs, names }: Props) {
  const locale = useLocale();
  const eggs = (option: ScaleOption) => {
    if (!option.eggs) return "none";
    const { exact, whole, beatenGrams } = option.eggs;
    return beatenGrams === undefined
      ? fraction(exact, locale)
      : `${fraction(exact, locale)}: ${grams(beatenGrams, locale)} beaten, or ${whole} whole`;
  };
  const rows: readonly (readonly [string, (option: ScaleOption) => React.ReactNode])[] = [
    ["× the recipe", (option) => <b>{fraction(option.scale.factor, locale)}</b>],
    ["Pieces", (option) => `${option.scale.piecesMade}${option.scale.over < 0 ? `, ${-option.scale.over} short` : ""}`],
    [
      "Left over",
      (option) =>
        option.scale.over > 0
          ? `${option.scale.over} ${option.scale.over === 1 ? "piece" : "pieces"}${option.leftoverMl > 0 ? `, ${number(option.leftoverMl, locale, 0)}${thin}ml` : ""}`
          : "none",
    ],
    ["Eggs", eggs],
    ["Loads", (option) => String(option.loads)],
    ["Scoops to fill", (option) => String(option.scoops)],
    [
      "Farthest off",
      (option) =>
        option.worst
          ? `${drift(option.worst.error, locale) || "exact"}${drift(option.worst.error, locale) ? `, ${names.ingredient(option.worst.ingredientId)}` : ""}`
          : "nothing is scooped",
    ],
    [
      "Not with this set",
      (option) =>
        option.unmeasurable.length === 0 ? (
          "everything can be measured"
        ) : (
          <span className={look("needs-you")}>{list(option.unmeasurable.map(names.ingredient), locale)}</span>
        ),
    ],
  ];
  return (
    <section className={look("below-l")}>
      <h3>{title}</h3>
      <p className={look("quiet", "small")}>
        {howMany(wanted, "piece")} wanted. One factor for every line; pan fat goes by the load, garnish by the piece.
      </p>
      <Wide label="Lines at this scale">
        <table className={look("ruled", "scale-table")}>
          <thead>
            <tr>
              <th scope="col">Way</th>
              {options.map((option) => (
                <th scope="col" key={option.rule} className={option.rule === chosen ? look("is-chosen") : undefined}>
                  {ruleNames[option.rule]}
                  {option.rule === chosen ? " (the class’s)" : ""}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(([name, cell]) => (
              <tr key={name}>
                <th scope="row">{name}</th>
                {options.map((option) => (
                  <td key={option.rule} className={option.rule === chosen ? look("is-chosen") : undefined}>
                    {cell(option)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
      {wholeEggs && options.some((option) => option.rule === chosen && option.eggs?.beatenGrams !== undefined) ? (
        <p className={look("small")}>
          With whole eggs only: {fraction(wholeEggs.factor, locale)} × the recipe, {howMany(wholeEggs.pieces, "piece")}.
        </p>
      ) : null}
      {options.some((option) => option.rule === chosen && option.offersEase) ? (
        <p className={look("small")}>
          More than {spiceEase.above} batches: the brief can take salt and strong spice ×{" "}
          {number(toNumber(spiceEase.share), locale, 1)}.
        </p>
      ) : null}
    </section>
  );
}
