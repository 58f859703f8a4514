import type { Pantry } from "~/core/batter";
import { type Counted, type KitLine, type KitOptions, kitOf } from "~/core/kit";
import { type Ratio, measuringSetOf, withoutScoops, writeRatio } from "~/core/quantity";
import { type Line, type Recipe, isBatter, isCountedOut } from "~/core/recipe";
import type { ClassInput } from "./types";

/** What a station makes depends only on its dish and its size: remembered, as fifty stations have but a few of either. */
export function remembered<T>(make: (key: string) => T): (key: string) => T {
  const known = new Map<string, T>();
  return (key) => {
    const found = known.get(key);
    if (found !== undefined) return found;
    const made = make(key);
    known.set(key, made);
    return made;
  };
}

/** Kits by what they are made of: while a brief is typed most stations go on making the same. */
const knownKits = new WeakMap<
  Recipe,
  { readonly pantry: ClassInput["pantry"]; readonly kits: Map<string, KitLine[]> }
>();
const mostKits = 60;

export function kitFor(
  recipe: Recipe,
  ingredients: ClassInput["pantry"],
  pantry: Pantry,
  factor: Ratio,
  counted: Counted,
  options: KitOptions,
): KitLine[] {
  const before = knownKits.get(recipe);
  const { kits } = before?.pantry === ingredients ? before : { kits: new Map<string, KitLine[]>() };
  if (before?.pantry !== ingredients) knownKits.set(recipe, { pantry: ingredients, kits });
  const { set, tolerance, easesSpice } = options;
  const { loads, greased, pieces, rounds = [], people = 0 } = counted;
  // Only what a line asks for tells two kits apart.
  const asked = recipe.lines.flatMap(({ amount }) =>
    amount.kind === "per-load" && amount.every !== undefined
      ? [greased?.(amount.every) ?? loads]
      : amount.kind === "per-person"
        ? [people]
        : [],
  );
  const measured = [set.id, tolerance.strict, tolerance.usual, easesSpice];
  // As JSON, so that no name of a product can be read as two.
  const own = JSON.stringify([...(options.own ?? [])]);
  const key = [writeRatio(factor), loads, pieces, rounds.join("+"), ...asked, ...measured, own].join(" ");
  const known = kits.get(key) ?? kitOf(recipe, pantry, factor, counted, options);
  kits.set(key, known);
  return known;
}

/** Forgets the kits of a recipe once there are many: between two plans only, as within one the same kit must stay the same list. */
export function tidyKits(recipe: Recipe): void {
  const kits = knownKits.get(recipe)?.kits;
  if (kits && kits.size >= mostKits) kits.clear();
}

/** The measuring set that a station has to itself; undefined where it measures with the class's. */
export const ownSetAt = ({ arrangement }: Pick<ClassInput, "arrangement">, index: number): string | undefined =>
  arrangement?.sets?.find((one) => one.station === index)?.measuringSetId;

/**
 * Splits a kit into the lines that are halved with the batter and the lines that are not. Memoised by the kit’s identity, as packing
 * keeps its result by that list.
 */
const split = (wanted: boolean) => {
  const known = new WeakMap<readonly KitLine[], readonly KitLine[]>();
  return (kit: readonly KitLine[], recipe: Recipe): readonly KitLine[] => {
    const before = known.get(kit);
    if (before) return before;
    const isHalved = (line: Line) => isBatter(line, recipe) && !isCountedOut(line.amount);
    const batter = new Set(recipe.lines.filter(isHalved).map((line) => line.id));
    const made = kit.filter((line) => batter.has(line.lineId) === wanted);
    known.set(kit, made);
    return made;
  };
};
export const batterIn = split(true);
export const besideBatter = split(false);

/** How kits are measured in this class, or with a set of a station's own: nothing is missing from that. */
export const kitOptionsOf = ({ brief }: Pick<ClassInput, "brief">, ownSet?: string): KitOptions => ({
  set:
    ownSet === undefined
      ? withoutScoops(measuringSetOf(brief.measuringSetId), brief.missingScoops)
      : measuringSetOf(ownSet),
  tolerance: { strict: brief.strictTolerancePercent / 100, usual: brief.usualTolerancePercent / 100 },
  easesSpice: brief.easesSpice,
});
