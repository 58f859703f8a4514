import { type Grams, inGrams, plus } from "~/core/quantity";
import type { SurfaceKind, Tool } from "~/core/recipe";
import type { GearLine, Surface } from "./types";

/** Where something stands in the car, in the order of loading: what is wanted first at the place goes in last. */
export const loadLayers = ["heat", "gear", "table", "dry-kits", "cold", "first-hand"] as const;
export type LoadLayer = (typeof loadLayers)[number];

/** A thing to carry: weight in grams, and the room it takes in litres. */
export interface Carried {
  readonly key: string;
  readonly layer: LoadLayer;
  readonly count: number;
  readonly gramsEach: number;
  readonly litresEach: number;
}

/** A usual folding crate, and what one person should lift without help (general manual-handling guidance; starting values). */
export const crate = { litres: 45, grams: 12_000 } as const;

/** Weight in grams and room in litres of a tool (typical kitchen ware, rounded; starting values). */
export const toolBulk: Readonly<Record<Tool, { readonly grams: Grams; readonly litres: number }>> = {
  "mixing-bowl": { grams: inGrams(450), litres: 1.5 },
  "small-bowl": { grams: inGrams(180), litres: 0.5 },
  whisk: { grams: inGrams(90), litres: 0.4 },
  spatula: { grams: inGrams(60), litres: 0.2 },
  ladle: { grams: inGrams(120), litres: 0.5 },
  turner: { grams: inGrams(100), litres: 0.3 },
  "measuring-set": { grams: inGrams(250), litres: 0.6 },
  scale: { grams: inGrams(700), litres: 1.5 },
  jug: { grams: inGrams(200), litres: 1.2 },
  grater: { grams: inGrams(250), litres: 1 },
  knife: { grams: inGrams(120), litres: 0.2 },
  board: { grams: inGrams(700), litres: 1 },
  "egg-cup": { grams: inGrams(60), litres: 0.1 },
  brush: { grams: inGrams(40), litres: 0.1 },
  tray: { grams: inGrams(500), litres: 1 },
  "oven-dish": { grams: inGrams(900), litres: 2 },
  "oven-gloves": { grams: inGrams(200), litres: 1 },
  towel: { grams: inGrams(70), litres: 0.4 },
  plate: { grams: inGrams(350), litres: 0.3 },
  fork: { grams: inGrams(40), litres: 0.03 },
  sieve: { grams: inGrams(150), litres: 1 },
  stick: { grams: inGrams(3), litres: 0.01 },
  "baking-paper": { grams: inGrams(20), litres: 0.05 },
  mixer: { grams: inGrams(1100), litres: 4 },
  zester: { grams: inGrams(90), litres: 0.2 },
  leveller: { grams: inGrams(20), litres: 0.02 },
  thermometer: { grams: inGrams(150), litres: 0.3 },
  "kitchen-paper": { grams: inGrams(250), litres: 3 },
  pen: { grams: inGrams(60), litres: 0.6 },
  "table-knife": { grams: inGrams(60), litres: 0.05 },
  peeler: { grams: inGrams(60), litres: 0.1 },
  rack: { grams: inGrams(350), litres: 2 },
  saucepan: { grams: inGrams(900), litres: 3 },
  microwave: { grams: inGrams(11_000), litres: 45 },
  gloves: { grams: inGrams(10), litres: 0.05 },
};
const onTheTable: readonly Tool[] = ["plate", "fork", "tray", "towel", "stick"];

/** Weight and volume of portable cooking surfaces; an oven stays where it is. */
export const surfaceBulk: Readonly<Record<SurfaceKind, { readonly grams: Grams; readonly litres: number } | null>> = {
  "electric-griddle": { grams: inGrams(4500), litres: 18 },
  "hob-pan": { grams: inGrams(1200), litres: 4 },
  "cast-iron-pan": { grams: inGrams(2800), litres: 4 },
  "crepe-pan": { grams: inGrams(1000), litres: 3 },
  "waffle-iron": { grams: inGrams(2600), litres: 9 },
  "ridged-pan": { grams: inGrams(1800), litres: 5 },
  oven: null,
};

/** What is carried at hand: sheets, labels, extinguisher, first aid, medicine (starting value). */
export const atHand: Carried = { key: "hand", layer: "first-hand", count: 1, gramsEach: 2000, litresEach: 8 };

/** The gear list and the surfaces used, as things to carry. */
export const carriedGear = (
  lines: readonly Pick<GearLine, "tool" | "needed" | "owned">[],
  surfaces: readonly { readonly surface: Surface; readonly count: number }[],
): Carried[] => [
  ...surfaces.flatMap(({ surface, count }): Carried[] => {
    const bulk = surfaceBulk[surface.kind];
    return bulk && count > 0
      ? [{ key: `surface:${surface.id}`, layer: "heat", count, gramsEach: bulk.grams, litresEach: bulk.litres }]
      : [];
  }),
  ...lines.map((line): Carried => {
    const bulk = toolBulk[line.tool];
    return {
      key: `tool:${line.tool}`,
      layer: onTheTable.includes(line.tool) ? "table" : "gear",
      // What is not there cannot be loaded; the shortage stands on the gear list.
      count: Math.min(line.needed, line.owned ?? line.needed),
      gramsEach: bulk.grams,
      litresEach: bulk.litres,
    };
  }),
];

/** A crate, or something too large for one. */
export interface Crate {
  /** Its layer and its number within it. */
  readonly key: string;
  readonly layer: LoadLayer;
  readonly items: readonly { readonly key: string; readonly count: number }[];
  readonly grams: Grams;
  readonly litres: number;
}

/**
 * Things into crates, layer by layer in the order of loading, the bulkiest first: a crate takes what still fits by room and by
 * weight. What is larger or heavier than a crate stands by itself.
 */
export function cratesOf(things: readonly Carried[]): Crate[] {
  interface Open {
    readonly layer: LoadLayer;
    readonly items: Map<string, number>;
    grams: Grams;
    litres: number;
  }
  const crates: Open[] = [];
  for (const layer of loadLayers) {
    const own: Open[] = [];
    const pieces = things
      .filter((one) => one.layer === layer && one.count > 0)
      .sort((a, b) => b.litresEach - a.litresEach || (a.key < b.key ? -1 : 1));
    for (const one of pieces)
      for (let n = 0; n < one.count; n += 1) {
        let into = own.find(
          (open) =>
            open.grams + one.gramsEach <= crate.grams + 1e-6 && open.litres + one.litresEach <= crate.litres + 1e-6,
        );
        if (!into) {
          into = { layer, items: new Map(), grams: inGrams(0), litres: 0 };
          own.push(into);
        }
        into.items.set(one.key, (into.items.get(one.key) ?? 0) + 1);
        into.grams = plus(into.grams, inGrams(one.gramsEach));
        into.litres += one.litresEach;
      }
    crates.push(...own);
  }
  return crates.map(({ items, ...rest }, index) => ({
    ...rest,
    key: `${rest.layer}:${crates.slice(0, index + 1).filter((one) => one.layer === rest.layer).length}`,
    items: [...items].map(([key, count]) => ({ key, count })),
  }));
}
