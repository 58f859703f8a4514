import { EffectList } from "~/ui/parts/bench";
import { RowButton } from "~/ui/parts/keys";
import { InlineField, InlineLabel } from "~/ui/parts/forms";
import { Box, Heading, Span, Text } from "@chakra-ui/react";
import { useState } from "react";
import { type Pantry, type SwapOffer, effectsOf, swapsFor } from "~/core/batter";
import type { Recipe } from "~/core/recipe";
import { grams, list, minutes, number } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import { saySwapNote, swapRefusal, swapWords } from "~/ui/words/batter";
import { substanceWords } from "~/ui/words/en";
import type { Names } from "~/ui/words/names";
import { PlainSelect } from "~/ui/parts/plain";

interface Props {
  readonly recipe: Recipe;
  readonly pantry: Pantry;
  readonly names: Names;
  readonly onAccept: (recipe: Recipe) => void;
}

const keyOf = (offer: SwapOffer) => `${offer.swap} ${offer.lineId} ${offer.toIngredientId} ${offer.way}`;

/** Swaps with everything they change: allergens first, then looseness, fat and time; accepted only after that was seen. */
export function Swaps({ recipe, pantry, names, onAccept }: Props) {
  const locale = useLocale();
  const offers = swapsFor(recipe, pantry);
  const [chosen, setChosen] = useState("");
  const offer = offers.find((one) => keyOf(one) === chosen);
  const effects = offer && offer.refused === undefined ? effectsOf(recipe, offer, pantry) : undefined;
  const substances = (all: readonly (keyof typeof substanceWords)[]) =>
    list(
      all.map((one) => substanceWords[one]),
      locale,
    );
  const change = (before: string, after: string) => (before === after ? `${after}, as before` : `${before} → ${after}`);
  return (
    <Box as="section" aria-label="Swaps">
      <Heading as="h2" size="xl">
        Swaps
      </Heading>
      <InlineField span="whole">
        <InlineLabel>Try</InlineLabel>
        <PlainSelect value={chosen} onChange={(event) => setChosen(event.target.value)}>
          <option value="">choose a swap</option>
          {offers.map((one) => (
            <option key={keyOf(one)} value={keyOf(one)}>
              {swapWords[one.swap]}: {names.ingredient(one.toIngredientId)} for {names.ingredient(one.fromIngredientId)}
              {one.way === "on-top" ? " and acid on top" : one.way === "made-up" ? ", made up to the mark" : ""}
            </option>
          ))}
        </PlainSelect>
      </InlineField>
      {offers.length === 0 ? <Text color="fg.muted">No line of this recipe has a swap the program knows.</Text> : null}
      {offer?.refused ? <Text layerStyle="needsYou">{swapRefusal[offer.refused]}</Text> : null}
      {offer && effects ? (
        <>
          <EffectList>
            <dt>Brings in</dt>
            <dd>
              {effects.introduced.length > 0 ? (
                <Text as="b" layerStyle="needsYou">
                  {substances(effects.introduced)}
                </Text>
              ) : (
                "no allergen by nature"
              )}
            </dd>
            <dt>Takes out</dt>
            <dd>{effects.removed.length > 0 ? substances(effects.removed) : "none"}</dd>
            <dt>Still there</dt>
            <dd>
              {effects.residual.length === 0
                ? "nothing of what the old one had"
                : effects.residual.map((one) => (
                    <Span layerStyle="needsYou" key={one.substance}>
                      {substanceWords[one.substance]}, from {list(one.ingredientIds.map(names.ingredient), locale)}
                      .{" "}
                    </Span>
                  ))}
            </dd>
            <dt>Labels</dt>
            <dd>
              {effects.labelsToRead.length > 0
                ? `to be read: ${list(effects.labelsToRead.map(names.ingredient), locale)}. Unknown until then.`
                : "no new one"}
            </dd>
            <dt>Water to flour</dt>
            <dd>
              {change(
                number(effects.looseness.before ?? 0, locale, 2),
                number(effects.looseness.after ?? 0, locale, 2),
              )}
            </dd>
            <dt>Fat</dt>
            <dd>{change(grams(effects.fatGrams.before, locale), grams(effects.fatGrams.after, locale))}</dd>
            <dt>Pieces</dt>
            <dd>{change(String(effects.pieces.before), String(effects.pieces.after))}</dd>
            <dt>Time</dt>
            <dd>{effects.waitMinutes > 0 ? `${minutes(effects.waitMinutes, locale)} more to wait` : "none"}</dd>
          </EffectList>
          {offer.notes.map((note) => (
            <Text fontSize="sm" key={note.code}>
              {saySwapNote(note, names.ingredient, locale)}
            </Text>
          ))}
          <Text fontSize="sm" color="fg.muted">
            A swapped recipe is a draft until somebody has cooked it.
          </Text>
          <RowButton
            onClick={() => {
              onAccept(effects.recipe);
              setChosen("");
            }}
          >
            Put it on the bench
          </RowButton>
        </>
      ) : null}
    </Box>
  );
}
