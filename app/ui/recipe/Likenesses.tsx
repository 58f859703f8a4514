import { LikenessFigure } from "~/ui/parts/drawings";
import { afterStanding, likenessOf } from "~/core/look";
import type { Recipe } from "~/core/recipe";
import { minutes } from "~/ui/format/format";
import { Pour } from "~/ui/draw/Pour";
import { useLocale } from "~/ui/sheet/locale";
import { likenessWords } from "~/ui/words/looks";

interface Props {
  readonly recipe: Recipe;
  /** Grams of water to a gram of flour, as mixed; undefined for what has no flour. */
  readonly looseness: number | undefined;
}

/** What the batter falls like as mixed, and after its rest where that is another thing. */
export function Likenesses({ recipe, looseness }: Props) {
  const locale = useLocale();
  if (looseness === undefined || recipe.family === "fritter") return null;
  const [mixed, rested] = [likenessOf(looseness), likenessOf(afterStanding(looseness, recipe.rest.min, recipe))];
  return (
    <LikenessFigure>
      <span>
        <Pour likeness={mixed} />
        {mixed === rested && recipe.rest.min > 0 ? "as mixed and as poured: " : "as mixed: "}
        {likenessWords[mixed]}
      </span>
      {mixed === rested ? null : (
        <span>
          <Pour likeness={rested} />
          after {minutes(recipe.rest.min, locale)}: {likenessWords[rested]}
        </span>
      )}
    </LikenessFigure>
  );
}

/** A batter as it falls now, between the thickest and the thinnest its family is made. */
export function Pours({
  looseness,
  band,
  aim,
}: {
  looseness: number | undefined;
  band: { from: number; to: number };
  /** What its author aims at, where they said. */
  aim: number | undefined;
}) {
  if (looseness === undefined || !Number.isFinite(band.to)) return null;
  const shown: readonly (readonly [string, number])[] = [
    ["thickest usual", band.from],
    ["now", looseness],
    ...(aim === undefined ? [] : [["aimed at", aim] as const]),
    ["thinnest usual", band.to],
  ];
  return (
    <LikenessFigure>
      {shown.map(([name, value]) => (
        <span key={name}>
          <Pour likeness={likenessOf(value)} />
          <span>
            {name}:<br />
            {likenessWords[likenessOf(value)]}
          </span>
        </span>
      ))}
    </LikenessFigure>
  );
}
