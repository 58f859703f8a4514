import type { Ingredient } from "./types";

/** Percent of water below which a fat is oil: it does not foam, and it spits only where water meets it (starting value). */
const oilBelow = 5;
export const isOil = (one: Pick<Ingredient, "role" | "waterPercent">): boolean =>
  one.role === "fat" && one.waterPercent < oilBelow;

/** Percent of water below which what is kept in a cupboard counts as dry: it pours, and it leaves dust (starting value). */
const dryBelow = 30;
export const isStoredDry = (one: Pick<Ingredient, "storage" | "waterPercent">): boolean =>
  one.storage === "dry" && one.waterPercent < dryBelow;
