import { type AgeBand, ageBands } from "~/core/people";
import type { Recipe, Step } from "~/core/recipe";

/** What children ask to do, and what not everybody may. */
export const doings = ["stir", "crack", "cut", "grate", "machine", "heat", "turn", "fry", "stick"] as const;
export type Doing = (typeof doings)[number];

/** By oneself; with an adult beside who does nothing else; not at all. */
export const mays = ["alone", "beside", "no"] as const;
export type May = (typeof mays)[number];

/** One house rule that differs from the usual: who of which age may do what. */
export interface HouseRule {
  readonly doing: Doing;
  readonly band: AgeBand;
  readonly may: May;
}

const byAge = (small: May, school: May, teen: May): Readonly<Record<AgeBand, May>> => ({
  "under-1": "no",
  "under-6": small,
  "6-11": school,
  "12-17": teen,
  adult: "alone",
});

/**
 * Who may do what where nobody said otherwise (starting values from teaching practice: three to five pour cold, stir and mash; six to
 * eight crack, grate, cut with bridge and claw; nine to eleven turn with an adult beside; from twelve at the heat, supervised).
 */
export const usualRules: Readonly<Record<Doing, Readonly<Record<AgeBand, May>>>> = {
  stir: byAge("alone", "alone", "alone"),
  crack: byAge("beside", "alone", "alone"),
  cut: byAge("no", "beside", "alone"),
  grate: byAge("no", "beside", "alone"),
  machine: byAge("no", "beside", "alone"),
  heat: byAge("no", "beside", "beside"),
  turn: byAge("no", "beside", "beside"),
  fry: byAge("no", "no", "beside"),
  stick: byAge("no", "alone", "alone"),
};

/** What a class says of somebody of an age: its own rule, else the usual one. */
export const mayOf = (rules: readonly HouseRule[], doing: Doing, band: AgeBand): May =>
  rules.find((rule) => rule.doing === doing && rule.band === band)?.may ?? usualRules[doing][band];

/** Rules that differ from the usual, each once, in the order in which a table shows them. */
export const ownRules = (chosen: (doing: Doing, band: AgeBand) => May | undefined): HouseRule[] =>
  doings.flatMap((doing) =>
    ageBands.flatMap((band) => {
      const may = chosen(doing, band);
      return may === undefined || may === usualRules[doing][band] ? [] : [{ doing, band, may }];
    }),
  );

/** What a step asks of whoever does it, besides the job itself; a table knife on soft fruit is no blade, and no step names it so. */
export function doingsOf(step: Step, recipe: Pick<Recipe, "family">): Doing[] {
  const has = (...some: readonly Step["hazards"][number][]) => some.some((one) => step.hazards.includes(one));
  const found = new Set<Doing>();
  const isGrated = step.tools.includes("grater") || step.tools.includes("zester");
  if (isGrated) found.add("grate");
  if (step.tools.includes("knife") || (has("blades") && !isGrated)) found.add("cut");
  if (step.tools.includes("mixer")) found.add("machine");
  if (has("hot-surface", "hot-fat", "steam", "spitting")) found.add("heat");
  if (has("boiling-sauce", "oven-dish", "spray-flame", "oil-fire") || (has("hot-fat") && recipe.family === "fritter"))
    found.add("fry");
  if (step.tools.includes("stick") && step.kind === "serve") found.add("stick");
  return [...found];
}
