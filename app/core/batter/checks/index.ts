import type { Recipe } from "~/core/recipe";
import type { Pantry } from "../batter";
import type { BatterFinding } from "../types";
import { ceilingsPassed } from "./ceilings";
import { cuesNotVisible } from "./cues";
import { filmOutsideBand } from "./film";
import { leavening } from "./leavening";
import { heatOfFamily, testOfHeat } from "./heat";
import { looseness } from "./looseness";
import { mainAmountOpen } from "./main-amounts";
import { panFat } from "./pan-fat";
import { saltByBrand } from "./salt";
import { thirstyFlour } from "./thirst";
import { variantWithoutFlour } from "./variant-flour";
import { windowMissing } from "./window";
import { yieldClaimed } from "./yield";

/** A new check of figures is a file and a line here. */
const checks: readonly ((recipe: Recipe, pantry: Pantry) => BatterFinding[])[] = [
  leavening,
  looseness,
  ceilingsPassed,
  yieldClaimed,
  windowMissing,
  cuesNotVisible,
  saltByBrand,
  mainAmountOpen,
  panFat,
  thirstyFlour,
  variantWithoutFlour,
  heatOfFamily,
  testOfHeat,
  filmOutsideBand,
];

/** Everything the figures of a batter say against it. */
export const checkBatter = (recipe: Recipe, pantry: Pantry): BatterFinding[] =>
  checks.flatMap((find) => find(recipe, pantry));
