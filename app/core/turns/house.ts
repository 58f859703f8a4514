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

const byAge = (small: May, school: May, teen: May, young: May = school): Readonly<Record<AgeBand, May>> => ({
  "under-1": "no",
  "under-6": small,
  "6-8": young,
  "9-11": school,
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
  heat: byAge("no", "beside", "beside", "no"),
  turn: byAge("no", "beside", "beside", "no"),
  fry: byAge("no", "no", "beside"),
  stick: byAge("no", "alone", "alone"),
};

const ruleOf = (rules: readonly HouseRule[], doing: Doing, band: AgeBand): May | undefined =>
  rules.find((rule) => rule.doing === doing && rule.band === band)?.may;

/** What a class says of somebody of an age: its own rule, for both halves of six to eleven the one of the whole, else the usual one. */
export const mayOf = (rules: readonly HouseRule[], doing: Doing, band: AgeBand): May =>
  ruleOf(rules, doing, band) ??
  (band === "6-8" || band === "9-11" ? ruleOf(rules, doing, "6-11") : undefined) ??
  usualRules[doing][band];

/** Rules that say something else than would be said without them, each once, in the order in which a table shows them. */
export const ownRules = (chosen: (doing: Doing, band: AgeBand) => May | undefined): HouseRule[] =>
  doings.flatMap((doing) => {
    const ruled = (band: AgeBand, before: readonly HouseRule[]): HouseRule[] => {
      const may = chosen(doing, band);
      return may === undefined || may === mayOf(before, doing, band) ? [] : [{ doing, band, may }];
    };
    // The whole of six to eleven first: its halves follow it where they say nothing of their own.
    const whole = ruled("6-11", []);
    return ageBands.flatMap((band) => (band === "6-11" ? whole : ruled(band, whole)));
  });

/** Activities a step involves besides its job; a table knife is not a blade. */
export function doingsOf(step: Step, recipe: Pick<Recipe, "family">): Doing[] {
  const has = (...some: readonly Step["hazards"][number][]) => some.some((one) => step.hazards.includes(one));
  const found = new Set<Doing>();
  const isGrated = step.tools.includes("grater") || step.tools.includes("zester");
  if (isGrated) found.add("grate");
  if (step.tools.includes("knife") || step.tools.includes("peeler") || (has("blades") && !isGrated)) found.add("cut");
  if (step.tools.includes("mixer")) found.add("machine");
  if (has("hot-surface", "hot-fat", "steam", "spitting")) found.add("heat");
  if (has("boiling-sauce", "oven-dish", "spray-flame", "oil-fire") || (has("hot-fat") && recipe.family === "fritter"))
    found.add("fry");
  if (step.tools.includes("stick") && step.kind === "serve") found.add("stick");
  return [...found];
}
