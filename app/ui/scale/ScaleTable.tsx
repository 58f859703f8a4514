import { RuledTable } from "~/ui/parts/tables";
import { Box, Heading, Span, Text } from "@chakra-ui/react";
import { type ScaleOption, spiceEase } from "~/core/kit";
import { type Ratio, toNumber } from "~/core/quantity";
import type { BatchRule } from "~/core/scale";
import { drift, fraction, grams, howMany, list, number, thin } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import { Wide } from "~/ui/sheet/Wide";
import type { Names } from "~/ui/words/names";

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
          <Span layerStyle="needsYou">{list(option.unmeasurable.map(names.ingredient), locale)}</Span>
        ),
    ],
  ];
  return (
    <Box as="section" mb="6">
      <Heading as="h3" size="lg">
        {title}
      </Heading>
      <Text color="fg.muted" fontSize="sm">
        {howMany(wanted, "piece")} wanted. One factor for every line; pan fat goes by the load, garnish by the piece.
      </Text>
      <Wide label="Lines at this scale">
        <RuledTable kind="scales">
          <thead>
            <tr>
              <th scope="col">Way</th>
              {options.map((option) => (
                <th data-chosen={option.rule === chosen ? "" : undefined} scope="col" key={option.rule}>
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
                  <td data-chosen={option.rule === chosen ? "" : undefined} key={option.rule}>
                    {cell(option)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </RuledTable>
      </Wide>
      {wholeEggs && options.some((option) => option.rule === chosen && option.eggs?.beatenGrams !== undefined) ? (
        <Text fontSize="sm">
          With whole eggs only: {fraction(wholeEggs.factor, locale)} × the recipe, {howMany(wholeEggs.pieces, "piece")}.
        </Text>
      ) : null}
      {options.some((option) => option.rule === chosen && option.offersEase) ? (
        <Text fontSize="sm">
          More than {spiceEase.above} batches: the brief can take salt and strong spice ×{" "}
          {number(toNumber(spiceEase.share), locale, 1)}.
        </Text>
      ) : null}
    </Box>
  );
}
