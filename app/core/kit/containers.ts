import {
  type Amount,
  type Grams,
  type Millilitres,
  type Ratio,
  isWhole,
  toNumber,
  inMillilitres,
  sumKnown,
} from "~/core/quantity";
import { type Ingredient, gramsPerMl, isOil, isStoredDry } from "~/core/pantry";
import type { Pantry } from "~/core/batter";
import type { Bowl, Recipe } from "~/core/recipe";
import { type KitLine, type Measured, inBowlOrder } from "./kit";

/** What goes together in a kit, in the order it is unpacked at the station. */
export const containerGroups = ["dry", "wet", "chilled", "hold-back", "topping"] as const;
export type ContainerGroup = (typeof containerGroups)[number];

export const containerKinds = ["pot", "tub", "bag", "bottle", "jar", "egg-box", "as-sold"] as const;
export type ContainerKind = (typeof containerKinds)[number];

/** One amount in a container. */
export interface Content {
  readonly lineId: string;
  readonly ingredientId: string;
  readonly measured: Measured;
  /** The possible top-up or what is held back, not the main amount of its line. */
  readonly isApart: boolean;
  /** Part of an egg: it is beaten and weighed, as nobody packs half a shell. */
  readonly isBeaten: boolean;
  /** Sachets and tins go as they are sold. */
  readonly packs: KitLine["packs"];
}

/** A labelled container of one kit. */
export interface Container {
  /** Within the kit: stays the same however the amounts change. */
  readonly id: string;
  readonly group: ContainerGroup;
  readonly kind: ContainerKind;
  /** What one of them holds to the brim, in ml; `undefined` for what is counted. */
  readonly sizeMl: Millilitres | undefined;
  /** How many of them; more than one where no size is large enough. */
  readonly count: number;
  /** How full each of them is, as a share of its brim, 0 to `fullest`; `undefined` for what is counted. */
  readonly filled: number | undefined;
  readonly contents: readonly Content[];
  /** All of it in grams, unrounded; `undefined` while the weight of a content is not known. */
  readonly grams: Grams | undefined;
  /** Which steps of the recipe draw on it, from 1, in order. */
  readonly steps: readonly number[];
}

export interface Packing {
  readonly containers: readonly Container[];
  /** What stands on the shared table for everybody: sprays, and what goes on to taste. */
  readonly shared: readonly KitLine[];
  /** Lines whose amount nobody knows: they cannot be packed. */
  readonly open: readonly KitLine[];
}

/** How a kit is put into containers. */
export interface PackingRule {
  /** A container for each line, or one for all of a bowl that the same step takes at once. */
  readonly per: "line" | "bowl";
  /** All dry lines come as one mix, made for the whole class at once. */
  readonly isDryMixed: boolean;
  /** All of it comes as one batter, made before the doors and kept cold. */
  readonly isBatter?: boolean;
}

/** Sizes a kitchen usually has, in ml to the brim (starting values). */
export const containerSizes: Readonly<Record<Exclude<ContainerKind, "egg-box" | "as-sold">, readonly number[]>> = {
  pot: [30, 60, 125],
  tub: [250, 500, 1000, 2000],
  jar: [125, 250, 500],
  bag: [500, 1000, 3000, 6000],
  bottle: [100, 250, 500, 1000, 2000],
};

/** Eggs to a box. */
export const eggsPerBox = 6;

/** How full a container is filled: the rest is room for a spoon, and for froth on a bottle (starting value). */
export const fullest = 0.85;

const powders = ["powder", "soda", "salt", "spice"];
const isDryRole = (one: Ingredient) => isStoredDry(one) && one.role !== "fat" && one.role !== "topping";

function groupOf(one: Ingredient, bowl: Bowl, isApart: boolean): ContainerGroup {
  if (isApart) return "hold-back";
  if (bowl === "topping") return "topping";
  if (one.storage !== "dry") return "chilled";
  return isDryRole(one) ? "dry" : "wet";
}

/** Does a line of a kit go into the bag of a dry mix? What is dry, goes into the dry bowl, and is not sold in portions. */
export const isInDryMix = (line: KitLine, one: Ingredient | undefined): boolean =>
  one !== undefined &&
  line.bowl === "dry" &&
  line.main !== undefined &&
  !line.packs &&
  line.round === undefined &&
  line.part === undefined &&
  groupOf(one, line.bowl, false) === "dry";

/** The kind of container a thing goes in, before its size is known. */
function kindOf(one: Ingredient, amount: Amount, volume: number): ContainerKind {
  if (one.role === "egg" && amount.unit === "piece") return "egg-box";
  const isLiquid = ["liquid", "acid", "vanilla"].includes(one.role) || isOil(one);
  const smallest = containerSizes.pot[containerSizes.pot.length - 1] ?? 0;
  if (volume <= smallest * fullest) return "pot";
  if (isLiquid) return "bottle";
  if (one.role === "topping") return "jar";
  if (isDryRole(one) && !powders.includes(one.role)) return "bag";
  return "tub";
}

/** The smallest size that leaves headroom, or as many of the largest as it takes. */
export function sizeFor(
  kind: keyof typeof containerSizes,
  millilitres: number,
): { sizeMl: Millilitres; count: number } {
  const sizes = containerSizes[kind];
  const fits = sizes.find((size) => millilitres <= size * fullest + 1e-9);
  if (fits !== undefined) return { sizeMl: inMillilitres(fits), count: 1 };
  const largest = sizes[sizes.length - 1] ?? 1;
  return { sizeMl: inMillilitres(largest), count: Math.ceil(millilitres / (largest * fullest) - 1e-9) };
}

/** How much room a content takes, in ml as it lies in the container. */
function millilitresOf({ measured }: Content, one: Ingredient, recipe: Recipe): number {
  const { grams } = measured;
  if (grams === undefined) return 0;
  return grams / (gramsPerMl(one, recipe.fill) ?? one.trueDensity);
}

function contained(
  id: string,
  group: ContainerGroup,
  contents: readonly Content[],
  recipe: Recipe,
  pantry: Pantry,
): Container {
  const volume = contents.reduce((sum, content) => {
    const one = pantry.get(content.ingredientId);
    return one ? sum + millilitresOf(content, one, recipe) : sum;
  }, 0);
  const [first] = contents;
  const ingredient = first && pantry.get(first.ingredientId);
  const kind =
    contents.length > 1
      ? group === "dry"
        ? "bag"
        : "bottle"
      : first?.packs
        ? "as-sold"
        : ingredient && first
          ? kindOf(ingredient, first.measured.amount, volume)
          : "tub";
  const steps = recipe.steps.flatMap((step, index) =>
    step.draws.some((draw) => contents.some((content) => content.lineId === draw.lineId)) ? [index + 1] : [],
  );
  const grams = sumKnown(contents.map(({ measured }) => measured.grams));
  const common = { id, group, kind, contents, grams, steps };
  if (kind === "egg-box")
    return {
      ...common,
      sizeMl: undefined,
      filled: undefined,
      count: Math.max(1, Math.ceil(toNumber(first?.measured.amount.value ?? oneRatio) / eggsPerBox - 1e-9)),
    };
  if (kind === "as-sold") return { ...common, sizeMl: undefined, filled: undefined, count: first?.packs?.whole ?? 1 };
  const { sizeMl, count } = sizeFor(kind, volume);
  return { ...common, sizeMl, count, filled: volume / (sizeMl * count) };
}

const oneRatio: Ratio = { num: 1n, den: 1n };

/**
 * A kit as labelled containers, in the order of the bowl within each group; what everybody takes from one place is no part of it.
 * Nothing is left out: every line is in a container, on the shared table, open, or what its household has of its own.
 */
export function packingOf(kit: readonly KitLine[], recipe: Recipe, pantry: Pantry, rule: PackingRule): Packing {
  const ordered = inBowlOrder(kit, recipe);
  const shared: KitLine[] = [];
  const open: KitLine[] = [];
  const single: { key: string; group: ContainerGroup; content: Content }[] = [];
  const drawnBy = (lineId: string) => recipe.steps.findIndex((step) => step.draws.some((one) => one.lineId === lineId));
  for (const line of ordered) {
    if (line.own !== undefined) continue;
    const one = pantry.get(line.ingredientId);
    if (line.kind === "to-taste" || one?.role === "spray") {
      shared.push(line);
      continue;
    }
    if (!one || !line.main) {
      open.push(line);
      continue;
    }
    const content = (measured: Measured, isApart: boolean): Content => ({
      lineId: line.lineId,
      ingredientId: line.ingredientId,
      measured,
      isApart,
      isBeaten:
        one.role === "egg" &&
        measured.amount.unit === "piece" &&
        !isWhole(measured.amount.value) &&
        measured.grams !== undefined,
      packs: isApart ? undefined : line.packs,
    });
    const group = groupOf(one, line.bowl, false);
    const isMixed = rule.isDryMixed && isInDryMix(line, one);
    const isTogether =
      rule.per === "bowl" &&
      (group === "dry" || group === "wet") &&
      line.bowl !== "pan" &&
      line.main.amount.unit !== "piece" &&
      !line.packs;
    const key = rule.isBatter
      ? "chilled/batter"
      : isMixed
        ? "dry/mix"
        : isTogether
          ? `${group}/${line.bowl}-${drawnBy(line.lineId)}`
          : `${group}/${line.lineId}`;
    single.push({ key, group: rule.isBatter ? "chilled" : group, content: content(line.main, false) });
    if (line.apart && line.apart.amount.value.num > 0n)
      single.push({ key: `hold-back/${line.lineId}`, group: "hold-back", content: content(line.apart, true) });
  }
  const keys = [...new Set(single.map((one) => one.key))];
  const containers = keys.map((key) => {
    const parts = single.filter((one) => one.key === key);
    return contained(
      key,
      parts[0]?.group ?? "dry",
      parts.map((one) => one.content),
      recipe,
      pantry,
    );
  });
  return {
    containers: containerGroups.flatMap((group) => containers.filter((one) => one.group === group)),
    shared,
    open,
  };
}
