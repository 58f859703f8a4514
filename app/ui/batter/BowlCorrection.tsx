import { Answer } from "~/ui/parts/bench";
import { InlineField, InlineFields, InlineLabel } from "~/ui/parts/forms";
import { Box, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";
import {
  type Feel,
  type Pantry,
  batterOf,
  correctBowl,
  feels,
  lineGrams,
  loosenessByFeel,
  loosenessWanted,
  mainLiquid,
} from "~/core/batter";
import { gramsPerMl } from "~/core/pantry";
import { measuringSets, ratioOf, readRatio, toNumber, toScoops } from "~/core/quantity";
import type { Recipe } from "~/core/recipe";
import { number, scoops } from "~/ui/format/format";
import { Cell } from "~/ui/recipe/editor/cells";
import { useLocale } from "~/ui/sheet/locale";
import { feelWords, sayCorrection } from "~/ui/words/batter";
import { PlainSelect } from "~/ui/parts/plain";

/** "Too thick now": what to stir into what is left of a bowl, as millilitres and as spoons. */
export function BowlCorrection({ recipe, pantry }: { recipe: Recipe; pantry: Pantry }) {
  const locale = useLocale();
  const [feel, setFeel] = useState<Feel>("too-thick");
  const [batches, setBatches] = useState("1");
  const [left, setLeft] = useState("100");
  const batter = batterOf(recipe, pantry);
  const liquid = mainLiquid(recipe, pantry, (lineId) => {
    const line = recipe.lines.find((one) => one.id === lineId);
    return line && lineGrams(line, recipe, pantry);
  });
  const share = readRatio(left);
  const many = readRatio(batches);
  const planned = batter.looseness;
  const wanted = planned === undefined ? undefined : loosenessWanted(recipe, planned, feel);
  const isRead =
    share && many && toNumber(share) >= 0 && toNumber(share) <= 100 && toNumber(many) > 0 && toNumber(many) <= 20;
  const starchLeft = isRead ? (batter.starchGrams * toNumber(many) * toNumber(share)) / 100 : 0;
  const now = planned === undefined ? undefined : loosenessByFeel(planned, feel, recipe.family);
  const correction =
    wanted !== undefined && now !== undefined && liquid && isRead
      ? correctBowl(now, wanted, starchLeft, liquid.ingredient)
      : undefined;
  const spoonSet = measuringSets.find((set) => set.system === recipe.system) ?? measuringSets[0];
  const flour = recipe.lines.map((line) => pantry.get(line.ingredientId)).find((one) => one?.role === "flour");
  const density = flour && gramsPerMl(flour, recipe.fill);
  const ml =
    correction?.kind === "liquid"
      ? correction.ml
      : correction?.kind === "flour" && density
        ? correction.grams / density
        : 0;
  const spoons =
    spoonSet && ml >= 1 ? scoops(toScoops(ratioOf(Number(ml.toFixed(1))), spoonSet, 0.12).counts, locale) : "";
  return (
    <Box as="section" aria-label="Correct a bowl">
      <Heading as="h2" size="xl">
        A bowl that is not right
      </Heading>
      <InlineFields isTight>
        <InlineField>
          <InlineLabel>It is</InlineLabel>
          <PlainSelect value={feel} onChange={(event) => setFeel(event.target.value as Feel)}>
            {feels.map((one) => (
              <option key={one} value={one}>
                {feelWords[one]}
              </option>
            ))}
          </PlainSelect>
        </InlineField>
        <Cell label="The bowl holds" isLabelled unit="batches" value={batches} onText={setBatches} />
        <Cell label="Still in it" isLabelled unit="%" value={left} onText={setLeft} />
      </InlineFields>
      <Answer role="status">
        {!isRead
          ? "Give batches from 0.1 to 20 and a share from 0 to 100."
          : correction && liquid
            ? sayCorrection(correction, liquid.ingredient.name, spoons, locale)
            : "There is no flour or no liquid in this bowl to reckon with."}
      </Answer>
      {wanted !== undefined && now !== undefined && isRead ? (
        <Text fontSize="sm" color="fg.muted">
          Water wanted = ({number(wanted, locale, 2)} − {number(now, locale, 2)}) × {number(starchLeft, locale, 0)} g
          flour left. A step of “too thick” is a fifth of the family’s band; flour drinks more on some days, and goes on
          drinking.
        </Text>
      ) : null}
    </Box>
  );
}
