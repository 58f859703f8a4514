import { type Minutes, inMinutes } from "~/core/quantity";
import type { Recipe, Tool } from "~/core/recipe";
import type { GearLine, Kitchen } from "./types";

/** What does instead, where a tool is short; the first that has enough to spare is offered (common kitchen practice). */
export const insteadOf: Partial<Readonly<Record<Tool, readonly Tool[]>>> = {
  whisk: ["fork"],
  ladle: ["measuring-set"],
  turner: ["spatula"],
  jug: ["mixing-bowl"],
  "small-bowl": ["mixing-bowl", "egg-cup"],
  "mixing-bowl": ["jug"],
  "egg-cup": ["small-bowl"],
  sieve: ["whisk"],
  brush: ["baking-paper"],
  board: ["tray"],
  tray: ["board"],
};

/** A way of getting by with too few of a tool. Minutes are added to the class; 0 where nothing waits. */
export type GearWay =
  | {
      readonly kind: "rotate";
      /** How many stations in a row share one, and the minutes the last of them waits. */
      readonly turns: number;
      readonly minutes: Minutes;
    }
  | { readonly kind: "borrow"; readonly from: string; readonly count: number; readonly minutes: 0 }
  | { readonly kind: "replace"; readonly by: Tool; readonly count: number; readonly minutes: 0 }
  | { readonly kind: "buy"; readonly count: number; readonly minutes: 0 };

/** Hands-on minutes in which a station holds a tool: the likely minutes of the steps that name it, without waiting. */
export const minutesHeld = (tool: Tool, recipes: readonly Recipe[]): number =>
  Math.max(
    0,
    ...recipes.map((recipe) =>
      recipe.steps
        .filter((step) => step.tools.includes(tool) && step.kind !== "rest" && step.kind !== "preheat")
        .reduce((sum, step) => sum + step.minutes.likely, 0),
    ),
  );

/**
 * Ways out of one shortage, those without waiting first.
 * @param lines the whole gear list, for what is left over of other tools.
 * @param others other kitchens whose gear could be carried over.
 */
export function waysFor(
  line: GearLine,
  lines: readonly GearLine[],
  recipes: readonly Recipe[],
  stations: number,
  others: readonly Pick<Kitchen, "name" | "gear">[],
): GearWay[] {
  if (line.short <= 0) return [];
  const ways: GearWay[] = [];
  for (const other of others) {
    const there = other.gear.find((one) => one.tool === line.tool)?.owned ?? 0;
    if (there > 0) ways.push({ kind: "borrow", from: other.name, count: Math.min(there, line.short), minutes: 0 });
  }
  for (const by of insteadOf[line.tool] ?? []) {
    const theirs = lines.find((one) => one.tool === by);
    // What the list does not name is not known to be there; what nobody counted neither.
    const spare = theirs?.owned === undefined ? 0 : theirs.owned - theirs.needed;
    if (spare > 0) ways.push({ kind: "replace", by, count: Math.min(spare, line.short), minutes: 0 });
  }
  const atStations = (line.owned ?? 0) - line.shared - line.instructor;
  const sets = line.perStation > 0 ? Math.floor(atStations / line.perStation) : 0;
  if (line.perStation > 0 && sets >= 1) {
    const turns = Math.ceil(stations / sets);
    ways.push({ kind: "rotate", turns, minutes: inMinutes((turns - 1) * minutesHeld(line.tool, recipes)) });
  }
  ways.push({ kind: "buy", count: line.short, minutes: 0 });
  return ways;
}
