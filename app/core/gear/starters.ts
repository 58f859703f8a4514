import { surfaceIdOf } from "~/core/ids";
import type { Kitchen, Surface } from "./types";

/** Kinds of room to begin a kitchen from; everything in them is there to be changed. */
export const starterKinds = ["hall", "fitted", "irons", "ovens", "homes"] as const;
export type StarterKind = (typeof starterKinds)[number];

const surface = (
  one: Pick<Surface, "id" | "name" | "kind" | "places" | "count" | "at"> & Partial<Surface>,
): Surface => ({ preheatMinutes: null, watts: 0, ...one });

/** What a room for four stations usually owns (starting values). */
const usualGear: Kitchen["gear"] = [
  { tool: "mixing-bowl", owned: 6 },
  { tool: "small-bowl", owned: 6 },
  { tool: "whisk", owned: 6 },
  { tool: "spatula", owned: 6 },
  { tool: "ladle", owned: 5 },
  { tool: "turner", owned: 5 },
  { tool: "measuring-set", owned: 5 },
  { tool: "jug", owned: 5 },
  { tool: "plate", owned: 24 },
  { tool: "fork", owned: 24 },
];

const griddleSize = { kind: "rect", widthCm: 48, depthCm: 26 } as const;

/** Starting values: usual sizes and powers of household appliances. What nobody has measured or looked at is left open. */
export const starterKitchens: Readonly<Record<StarterKind, Omit<Kitchen, "id">>> = {
  hall: {
    name: "Hall with two griddles",
    sinks: 1,
    surfaces: [
      surface({
        id: surfaceIdOf("griddle"),
        name: "Griddle",
        kind: "electric-griddle",
        places: 8,
        count: 2,
        at: "shared",
        watts: 2000,
        size: griddleSize,
      }),
    ],
    gear: usualGear,
  },
  fitted: {
    name: "Fitted kitchen",
    sinks: 2,
    surfaces: [
      surface({
        id: surfaceIdOf("pan"),
        name: "Pan",
        kind: "hob-pan",
        places: 4,
        count: 4,
        at: "shared",
        size: { kind: "round", diameterCm: 28 },
      }),
      surface({ id: surfaceIdOf("oven"), name: "Oven", kind: "oven", places: 4, count: 1, at: "shared" }),
    ],
    gear: usualGear,
  },
  irons: {
    name: "Room with waffle irons",
    sinks: 1,
    surfaces: [
      surface({
        id: surfaceIdOf("iron"),
        name: "Iron",
        kind: "waffle-iron",
        places: 2,
        count: 4,
        at: "shared",
        watts: 1000,
      }),
    ],
    gear: usualGear,
  },
  ovens: {
    name: "Kitchen with ovens",
    sinks: 2,
    surfaces: [surface({ id: surfaceIdOf("oven"), name: "Oven", kind: "oven", places: 6, count: 2, at: "shared" })],
    gear: [...usualGear, { tool: "oven-dish", owned: 8 }, { tool: "oven-gloves", owned: 4 }],
  },
  homes: {
    name: "Homes on video",
    sinks: 1,
    surfaces: [
      surface({
        id: surfaceIdOf("pan"),
        name: "Pan at home",
        kind: "hob-pan",
        places: 3,
        count: 1,
        at: "station",
        size: { kind: "round", diameterCm: 26 },
      }),
    ],
    gear: [],
  },
};
