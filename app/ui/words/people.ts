import { type Exposure, type Leg, type ThingKind, carrierOf, thingOf } from "~/core/contact";
import { foodMeanings } from "~/core/pantry";
import { stationId } from "~/core/people";
import type { Fault, FaultCode } from "~/core/seating";
import type { ClassInput, ClassPlan, Remedy, RemedyKind, DecisionKind, OpeningKind } from "~/core/plan";
import type { Doing, Job, LeftOut, May } from "~/core/turns";
import type { Tool } from "~/core/recipe";
import { clock, list } from "~/ui/format/format";
import { substanceWords, toolWords, verdictTitle } from "./en";
import type { Names } from "./names";

/** How a word for a food was understood, beside the field in which a person can say what it covers. */
export function sayMeaning(food: string): string {
  if (food.trim() === "") return "lemon, orange: for a word that means many foods, or that is not known";
  const told = foodMeanings(food).map(({ word, kind, nearest, members, foods, substances }) => {
    if (nearest !== null)
      return `“${word}” is not known. Is “${nearest}” meant? Correct it, or say here what it covers.`;
    if (kind === "unknown")
      return `“${word}” is not known: every plate stays unknown until you say here what it covers.`;
    if (members.length > 1)
      return `“${word}” is taken as ${members.slice(0, 8).join(", ")}${members.length > 8 ? " and the like" : ""}: all of them, unless you say which.`;
    const as = substances.map((one) => substanceWords[one].toLowerCase());
    return `“${word}” is understood as ${as.length > 0 ? as.join(" and ") : [...foods].join(", ")}.`;
  });
  return told.join(" ");
}

/** Words for what reaches a plate, for seats, remedies and turns. */
const thingWords: { readonly [K in ThingKind]: (id: string, plan: ClassPlan, names: Names) => string } = {
  unit: (id, plan) => {
    const unit = plan.timeline.units.find((one) => one.id === id);
    return unit ? `${unit.name} ${unit.number}` : id;
  },
  tool: (id) => `a ${toolWords[id as Tool] ?? id} that goes round`,
  fat: (id, _plan, names) => `the pot of ${names.ingredient(id)}`,
  topping: (id, _plan, names) => `the spoon in the ${names.ingredient(id)}`,
  tub: (id, _plan, names) => `the tub of ${names.ingredient(id)}`,
  packing: () => "the packing table",
  kit: () => "its kit",
  air: () => "the air of the room",
};

/** What cuts a leg over a thing of this kind. */
export const cutWords: Readonly<Record<ThingKind, string>> = {
  unit: "cook first, on a surface of their own, or wash it between dishes",
  tool: "a tool of their own",
  fat: "a pot of fat of their own",
  topping: "a pot and a spoon of their own",
  tub: "their amounts packed apart",
  packing: "their kit packed first and sealed",
  kit: "their kit packed first and sealed",
  air: "nothing but a class without it",
};

const carrier = (name: string, names: Names): string => {
  const { stationId, isKit } = carrierOf(name);
  return isKit ? `the kit of ${names.station(stationId)}` : names.station(stationId);
};

/** The way something takes: "Stroke at 10:20 on Long griddle 1 → Bow at 10:35". */
export function sayPath(legs: readonly Leg[], input: ClassInput, plan: ClassPlan, names: Names): string {
  const at = (minutes: number) =>
    minutes < 0 ? "while packing" : `at ${clock(input.startsAt, input.timeZone, minutes, names.locale)}`;
  return legs
    .filter((leg) => thingOf(leg.thing).kind !== "kit")
    .map((leg) => {
      const { kind, id } = thingOf(leg.thing);
      const thing = thingWords[kind](id, plan, names);
      const [from, to] = [carrier(leg.from, names), carrier(leg.to, names)];
      return kind === "air"
        ? `${from} → ${thing} → ${to}`
        : `${from} ${at(leg.leftAt)} on ${thing} → ${to} ${at(leg.pickedAt)}`;
    })
    .join(", then ");
}

/** What an exposure is about, and the whole way, in one sentence. */
export function sayExposure(exposure: Exposure, input: ClassInput, plan: ClassPlan, names: Names): string {
  const { trace } = exposure;
  const avoided = exposure.substance ? substanceWords[exposure.substance] : (exposure.food ?? "");
  const what =
    trace.certainty === "unread"
      ? `${names.ingredient(trace.ingredientId)}, whose label nobody has read`
      : trace.certainty === "silent"
        ? `${names.ingredient(trace.ingredientId)}, whose label need not name ${avoided} and was not looked through for it`
        : trace.certainty === "food"
          ? `${trace.names.id ? names.ingredient(trace.ingredientId) : trace.names.name}, which bears on ${avoided}`
          : trace.substance === exposure.substance
            ? substanceWords[trace.substance]
            : `${substanceWords[trace.substance]}, which bears on ${avoided}`;
  const traces = trace.certainty === "may-contain" ? " (as a trace)" : "";
  return `${verdictTitle[exposure.verdict]}: ${what}${traces} reaches the plate. ${sayPath(exposure.legs, input, plan, names)}`;
}

/** What cuts a path, each way once. */
export const cutsOf = (legs: readonly Leg[]): string[] => [
  ...new Set(legs.map((leg) => cutWords[thingOf(leg.thing).kind])),
];

/** What stands open of a person when the allergy table is signed. */
export const openingWords: Readonly<Record<OpeningKind, string>> = {
  contains: "their plate contains what they must not have",
  reached: "what they must not have reaches their plate over the room",
  "may-contain": "their plate may contain what they avoid",
  unknown: "it is not known whether their plate has what they avoid",
  "not-answered": "has not answered; that is not “none”",
  "words-not-read": "wrote something that nobody has turned into needs",
  "second-answer": "a second answer came in that nobody has compared",
  "coeliac-as-cereal": "coeliac disease written down as one cereal",
};

/** What the lead decided of it. */
export const decisionWords: Readonly<Record<DecisionKind, string>> = {
  "sits-out": "does not eat of it",
  "own-food": "eats what they bring",
  "other-plate": "gets another plate, made apart",
  "asked-agreed": "asked, and agreed with them or their guardian",
  "will-ask": "asked at the door before anything is opened",
};

export const remedyTitles: Readonly<Record<RemedyKind, string>> = {
  "whole-class": "The whole class without it",
  "own-station": "A station of their own",
  order: "Their station apart: own gear, cooks first",
  wash: "Wash surfaces between dishes",
  "other-dish": "Another dish at a station of their own",
  "sit-out": "Sit this part out",
};

export const sayRemedy = (remedy: Pick<Remedy, "kind" | "title" | "touches">): string =>
  ({
    "whole-class": remedy.touches.some((one) => one.dish !== null)
      ? `Everybody makes “${remedy.title}”. Others lose the dish they have now: see beside it whose, and what it does to their plates.`
      : `Everybody makes “${remedy.title}”. Nobody is set apart; what somebody else avoids is still to be looked at beside it.`,
    "own-station": `They make “${remedy.title}” with a kit packed first and sealed and gear of their own, and cook first on a clean surface.`,
    order:
      "What they make stays. Their kit is packed first and sealed, their gear is their own, and they cook first on a clean surface.",
    wash: "What everybody makes stays. Whenever a shared surface passes from one dish to another it is scraped, washed, dried and heated again.",
    "other-dish": `They make “${remedy.title}”, with kit and gear of their own, and cook first on a clean surface.`,
    "sit-out": "Ask them, and offer something else to do and to eat. Nothing in the plan changes.",
  })[remedy.kind];

type FaultWords = { readonly [C in FaultCode]: (fault: Fault, people: string, stations: string) => string };
const faultWords: FaultWords = {
  "too-many": (fault, _people, stations) => `${stations}: ${fault.count} too many.`,
  "plate-contains": (_fault, people, stations) => `${people} cannot eat what is made at ${stations}.`,
  "family-apart": (_fault, people, stations) => `${people} belong together, and sit at ${stations}.`,
  "small-child-alone": (_fault, people, stations) => `${people}: under 6, and no grown-up at ${stations}.`,
  "no-adult-at-heat": (fault, _people, stations) =>
    `${fault.count} more ${fault.count === 1 ? "adult is" : "adults are"} wanted at the heat: children cook at ${stations} with no grown-up at the table.`,
  "plate-may-contain": (_fault, people, stations) =>
    `${people}: what is made at ${stations} may contain what they avoid.`,
  "needs-spread": (_fault, people, stations) =>
    `${people} avoid the same and sit at ${stations}. At one table one kit does for them.`,
  alone: (_fault, people, stations) => `Alone at a table: ${people} (${stations}).`,
  "plate-unknown": (_fault, people, stations) => `${people}: not known yet for what is made at ${stations}.`,
  uneven: () => "The tables differ by more than one person.",
};

export const sayFault = (fault: Fault, nameOf: (id: string) => string, names: Names): string =>
  faultWords[fault.code](
    fault,
    list(fault.people.map(nameOf), names.locale),
    list(
      [...new Set(fault.stations)].map((station) => names.station(stationId(station))),
      names.locale,
    ),
  );

/** Faults of one kind about single people are said in one sentence; the others one by one. */
export function sayFaults(faults: readonly Fault[], nameOf: (id: string) => string, names: Names): string[] {
  const together: readonly FaultCode[] = ["plate-unknown", "plate-may-contain", "alone"];
  const merged = faults.flatMap((fault, index) => {
    if (!together.includes(fault.code)) return [fault];
    const same = faults.filter((one) => one.code === fault.code);
    return faults.findIndex((one) => one.code === fault.code) === index
      ? [
          {
            ...fault,
            people: same.flatMap((one) => one.people),
            stations: [...new Set(same.flatMap((one) => one.stations))].sort((a, b) => a - b),
          },
        ]
      : [];
  });
  return merged.map((fault) => sayFault(fault, nameOf, names));
}

export const jobWords: Readonly<Record<Job, string>> = {
  do: "does it",
  crack: "cracks the eggs",
  stir: "stir in turn",
  pour: "pours",
  turn: "turns",
};

/** What is asked for, as a table names it and as a sentence says it, and why not everybody may. */
export const doingWords: Readonly<
  Record<Doing, { readonly name: string; readonly does: string; readonly why: string }>
> = {
  stir: { name: "Stir, mash, pour what is cold", does: "stir", why: "Nothing in it is hot or sharp." },
  crack: {
    name: "Crack eggs",
    does: "crack eggs",
    why: "Over a cup, hands washed after; small ones with somebody beside.",
  },
  cut: {
    name: "Cut with a sharp knife",
    does: "cut",
    why: "Bridge and claw are shown first. A table knife on soft fruit is no sharp knife.",
  },
  grate: { name: "Grate", does: "grate", why: "The last piece stays on the board: knuckles are at its height." },
  machine: {
    name: "Use a mixer",
    does: "use the mixer",
    why: "Hair, sleeves, fingers and cord are in reach of what turns.",
  },
  heat: {
    name: "Stand at the heat and pour",
    does: "stand at the heat",
    why: "Arms have to reach over a rim that burns, without leaning.",
  },
  turn: {
    name: "Turn a piece",
    does: "turn",
    why: "It takes a steady wrist; usual from nine on with an adult beside.",
  },
  fry: {
    name: "Fry, boil sauce, carry an oven dish",
    does: "handle hot fat, boiling sauce or an oven dish",
    why: "Hot fat and sugar stick, and a dish drops: for hands that were shown how.",
  },
  stick: {
    name: "Eat from a stick",
    does: "eat from a stick",
    why: "Sitting down, the stick taken out first; none for small ones.",
  },
};
export const mayWords: Readonly<Record<May, string>> = {
  alone: "alone",
  beside: "adult beside",
  no: "no",
};

export function sayLeftOut(reason: LeftOut, names: Names): string {
  switch (reason.why) {
    case "adult-only":
      return "for an adult";
    case "house-rule":
      return `by the house rules does not ${doingWords[reason.doing].does}`;
    case "avoids":
      return `hands off the ${names.ingredient(reason.ingredientId)}`;
    case "not-answered":
      return `has not answered yet: hands off the ${names.ingredient(reason.ingredientId)}`;
  }
}
