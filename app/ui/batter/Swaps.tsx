import { useState } from "react";
import { type Pantry, type SwapOffer, effectsOf, swapsFor } from "~/core/batter";
import type { Recipe } from "~/core/recipe";
import { grams, list, minutes, number } from "~/ui/format/format";
import { RowButton } from "~/ui/recipe/editor/cells";
import { useLocale } from "~/ui/sheet/locale";
import { saySwapNote, swapRefusal, swapWords } from "~/ui/words/batter";
import { substanceWords } from "~/ui/words/en";
import type { Names } from "~/ui/words/names";
import { PlainSelect } from "~/ui/parts/plain";
import { look } from "~/ui/theme/look";

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
    <section aria-label="Swaps">
      <h2>Swaps</h2>
      <label className={look("cell", "whole")}>
        <span className={look("cell-label")}>Try</span>
        <PlainSelect value={chosen} onChange={(event) => setChosen(event.target.value)}>
          <option value="">choose a swap</option>
          {offers.map((one) => (
            <option key={keyOf(one)} value={keyOf(one)}>
              {swapWords[one.swap]}: {names.ingredient(one.toIngredientId)} for {names.ingredient(one.fromIngredientId)}
              {one.way === "on-top" ? " and acid on top" : one.way === "made-up" ? ", made up to the mark" : ""}
            </option>
          ))}
        </PlainSelect>
      </label>
      {offers.length === 0 ? (
        <p className={look("quiet")}>No line of this recipe has a swap the program knows.</p>
      ) : null}
      {offer?.refused ? <p className={look("needs-you")}>{swapRefusal[offer.refused]}</p> : null}
      {offer && effects ? (
        <>
          <dl className={look("effects")}>
            <dt>Brings in</dt>
            <dd>
              {effects.introduced.length > 0 ? (
                <b className={look("needs-you")}>{substances(effects.introduced)}</b>
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
                    <span key={one.substance} className={look("needs-you")}>
                      {substanceWords[one.substance]}, from {list(one.ingredientIds.map(names.ingredient), locale)}
                      .{" "}
                    </span>
                  ))}
            </dd>
            <dt>Labels</dt>
            <dd>
              {effects.labelsToRead.length > 0
                ? `to be read: ${list(effects.labelsToRead.map(names.ingredient), locale)}. Unknown until then.`
                : "no new one"}
            </dd>
            <dt>Looseness</dt>
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
          </dl>
          {offer.notes.map((note) => (
            <p className={look("small")} key={note.code}>
              {saySwapNote(note, names.ingredient, locale)}
            </p>
          ))}
          <p className={look("small", "quiet")}>A swapped recipe is a draft until somebody has cooked it.</p>
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
    </section>
  );
}
