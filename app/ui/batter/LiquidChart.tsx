import { ChartFigure } from "~/ui/parts/bench";
import { Box, Text } from "@chakra-ui/react";
import { useEffect, useMemo, useRef } from "react";
import { type Pantry, batterOf, lineGrams, liquidCurve, mainLiquid } from "~/core/batter";
import { toMillilitres } from "~/core/pantry";
import { toNumber, inMillilitres } from "~/core/quantity";
import { type Recipe, expectedOf, familyFacts } from "~/core/recipe";
import { number } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";

/** The colours of the page the chart stands on, so that it is drawn in the theme's. */
function coloursOf(element: Element) {
  const style = getComputedStyle(element);
  const of = (role: string) => style.getPropertyValue(`--chakra-colors-${role}`).trim();
  return { ink: of("fg"), quiet: of("fg-muted"), accent: of("accent-solid"), room: of("bg-muted") };
}

/** Looseness and pieces as the main liquid grows or shrinks, with the family's band behind. */
export function LiquidChart({ recipe, pantry }: { recipe: Recipe; pantry: Pantry }) {
  const locale = useLocale();
  const canvas = useRef<HTMLCanvasElement>(null);
  const liquid = mainLiquid(recipe, pantry, (lineId) => {
    const line = recipe.lines.find((one) => one.id === lineId);
    return line && lineGrams(line, recipe, pantry);
  });
  const line = recipe.lines.find((one) => one.id === liquid?.lineId);
  const amount = line && expectedOf(line.amount);
  const ml = amount && liquid && toMillilitres(amount, liquid.ingredient, recipe.system, recipe.fill);
  const total = ml ? toNumber(ml) : 0;
  const points = useMemo(
    () =>
      liquid && total > 0 ? liquidCurve(recipe, batterOf(recipe, pantry), liquid.ingredient, inMillilitres(total)) : [],
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the main liquid and its millilitres follow from the two
    [recipe, pantry],
  );
  const band = familyFacts[recipe.family].looseness;
  const liquidName = liquid?.ingredient.name ?? "";

  useEffect(() => {
    let isGone = false;
    let chart: { destroy: () => void } | undefined;
    // Only where it is shown: the library stays out of every other page.
    void import("./chart").then(({ drawLiquid }) => {
      if (isGone || !canvas.current || points.length === 0) return;
      chart = drawLiquid(canvas.current, {
        points,
        total,
        band,
        words: { liquid: `${liquidName}, ml`, looseness: "water-to-flour ratio", pieces: "pieces" },
        number: (value) => number(value, locale, 2),
        colours: coloursOf(canvas.current),
      });
    });
    return () => {
      isGone = true;
      chart?.destroy();
    };
  }, [points, total, band, liquidName, locale]);

  if (points.length === 0) return null;
  return (
    <ChartFigure>
      <Box position="relative" h="230px">
        <canvas
          ref={canvas}
          role="img"
          aria-label={`Water-to-flour ratio from ${number(points[0]?.looseness ?? 0, locale, 2)} to ${number(points.at(-1)?.looseness ?? 0, locale, 2)} as the ${liquid?.ingredient.name} goes from ${number(total * 0.6, locale, 0)} to ${number(total * 1.4, locale, 0)} ml`}
        />
      </Box>
      <Text as="figcaption" fontSize="sm" color="fg.muted">
        Water-to-flour ratio (line) and pieces (dashes) as the {liquid?.ingredient.name} changes; the grey band is the
        family’s, the dot is now.
      </Text>
    </ChartFigure>
  );
}
