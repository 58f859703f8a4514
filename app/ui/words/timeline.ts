import { type RoomKind, adultsAtHeat, isAdult, isAtStation } from "~/core/people";
import type { ClassInput, SetTo, WayKind, WayOut, WishCost } from "~/core/plan";
import {
  type BellKind,
  type HoldUp,
  type Hop,
  type LinkReason,
  type RunEntry,
  type Timeline,
  instructorsOwn,
} from "~/core/schedule";
import { writeRatio } from "~/core/quantity";
import { howMany, list, minutes, temperature } from "~/ui/format/format";
import type { Names } from "./names";
import { bellInstruction, bellWords, sharedThingWords } from "./en";

/** What one thing of a class waited for. */
export const linkWords: Readonly<Record<LinkReason, string>> = {
  batter: "its batter",
  surface: "the surface",
  wash: "the surface to be washed and hot again",
  heating: "the surface to be hot",
  pouring: "a free pair of hands at its table",
  "held-back": "nothing: it is laid later so that its batter is fresher",
  adult: "an adult at the heat",
  hands: "the step before it",
  demo: "the demonstration",
  doors: "the doors",
  plate: "the last piece",
  room: "the last of the room",
  pour: "what it is poured with",
};

/** Where whoever leads the class stands when a bell is rung. */
const bellPlaces: Readonly<Record<BellKind, string>> = {
  doors: "at the door",
  "gather-mix": "at your own bowl",
  mix: "between the tables",
  rest: "between the tables",
  "gather-load": "at the demonstration’s surface",
  pour: "at the heat",
  swap: "at the heat",
  eat: "at the head of the table",
  clean: "at the sinks",
  close: "at the door",
};

const placeIn: Readonly<Record<Exclude<RoomKind, "tables">, string>> = {
  homes: "at the screen: ask to be shown it by the camera",
  shown: "at your own surface",
};
const firstLoadWords: Readonly<Record<RoomKind, string>> = {
  tables: "An adult is beside it. One pours, the others stand back.",
  homes: "An adult of the household is beside it. One pours, the others stand back.",
  shown: "Nobody else comes near the heat.",
};

/** Who looks after the heat, counted from 0: helpers first, then the grown-ups who cook along; the instructor where there is nobody else. */
export function adultName({ brief, people }: Pick<ClassInput, "brief" | "people">, index: number): string {
  if (adultsAtHeat(brief.helpers, people) === 0) return "You, by yourself";
  if (index < brief.helpers) return `Helper ${index + 1}`;
  const grownUps = people.filter((person) => isAtStation(person) && isAdult(person.ageBand));
  return grownUps[index - brief.helpers]?.name ?? `Adult ${index + 1}`;
}

/** What holds a class up, hop by hop from what ends last: surfaces, and what the loads there waited for. */
export function sayHoldUp(held: HoldUp, { unit, station, at, step }: HoldUpNames, locale: string): string | undefined {
  const things = held.things.filter((one) => one.minutes >= 1);
  const rows = [
    held.pinned?.bell === "eat"
      ? `All is ready at ${at(held.pinned.readyAt)}; the meal waits for its pinned bell.`
      : held.pinned
        ? `Batter is ready at ${at(held.pinned.readyAt)} and waits for the pinned bell to pour.`
        : "",
    held.last?.stepId
      ? `Last of all at ${station(held.last.stationId ?? "")}: ${step(held.last.stationId ?? "", held.last.stepId)}, until ${at(held.last.end)}.`
      : "",
    ...[...held.hops]
      .reverse()
      .slice(0, mostHops)
      .flatMap((hop, n) => sayHop(hop, n === 0, { unit, station, at, step })),
    things.length > 0
      ? `Waiting for what goes round: ${list(
          things.map((one) => `${minutes(one.minutes, locale)} for the ${sharedThingWords[one.thing]}`),
          locale,
        )}.`
      : "",
  ].filter((words) => words !== "");
  return rows.length === 0 ? undefined : rows.join(" ");
}

/** How the parts of a chain are called. */
export interface HoldUpNames {
  readonly unit: (id: string) => string;
  readonly station: (id: string) => string;
  readonly step: (stationId: string, stepId: string) => string;
  readonly at: (after: number) => string;
}

/** Hops that are told, from the last one back: more is a list nobody follows. */
const mostHops = 3;

function sayHop(hop: Hop, isLast: boolean, { unit, station, at }: HoldUpNames): string[] {
  const span = `${at(hop.from)} to ${at(hop.to)}`;
  const name = unit(hop.unitId);
  const what =
    hop.loads > 1
      ? `${hop.loads} loads one after the other`
      : hop.loads === 1
        ? "one load"
        : "what is tried or shown first";
  return [
    isLast ? `${name} is out last: ${what}, ${span}.` : `Before that ${name}: ${what}, ${span}.`,
    ...sayWait(hop, { unit, station, at }),
  ];
}

/** What the first load of a hop waited for. */
function sayWait(
  { because, before, stationId, unitId }: Hop,
  { unit, station, at }: Omit<HoldUpNames, "step">,
): string[] {
  const until = before ? ` until ${at(before.end)}` : "";
  const other = before?.unitId ? unit(before.unitId) : undefined;
  const whose = stationId === null ? "It" : station(stationId);
  switch (because) {
    case "adult":
      return [`It waited for an adult, who was at ${other ?? "the heat"}${until}.`];
    case "wash":
      return [`${unit(unitId)} was washed and heated again before it.`];
    case "heating":
      return [`It waited until ${unit(unitId)} was hot.`];
    case "batter":
      return [`It waited for the batter of ${whose}.`];
    case "pouring":
      return [`It waited for hands at ${whose}, which were pouring${other ? ` on ${other}` : ""}.`];
    case "pour":
      return [`It waited for what it is poured with${other ? `, which was at ${other}` : ""}.`];
    case "demo":
      return ["It waited for the demonstration."];
    case "room":
      return ["It waited until everybody had mixed."];
    case "held-back":
      return ["It is held back so that its batter is fresher."];
    case "surface":
    case "hands":
    case "plate":
    case "doors":
      return [];
  }
}

export const wayWords = (way: WayKind): { readonly what: string; readonly costs: string } => {
  switch (way.kind) {
    case "better-order":
      return { what: "The loads in another order", costs: "nothing" };
    case "fewer-testers":
      return { what: "One tester less on each surface", costs: "the first piece has to prove the heat" };
    case "half-mixes":
      return { what: `${way.title}: mix in two halves`, costs: "a second bowl at each table, and its mixing" };
    case "make-ahead":
      return {
        what: `${way.title}: make the batter before the doors`,
        costs: "an evening’s work, a cold place, and nobody learns to mix",
      };
    case "pre-measured":
      return { what: "Kits measured beforehand", costs: "preparation for you, measuring for nobody" };
    case "no-shown-load":
      return { what: "Show the mixing only, no load", costs: "the turn is learned at the own surface" };
    case "one-more-adult":
      return { what: "One more adult beside you", costs: "somebody to find" };
    case "fewer-pieces":
      return { what: `${writeRatio(way.pieces)} pieces each`, costs: "less to eat" };
    case "longer":
      return { what: `A class of ${way.minutes} minutes`, costs: "the room and everybody’s time" };
    case "one-more-thing":
      return { what: `One more ${sharedThingWords[way.thing]}`, costs: "to borrow, and its place" };
    case "one-more-surface":
      return { what: `One more of “${way.name}”`, costs: "to borrow, with its socket and its place" };
  }
};

/**
 * What a way does to the class, as one sentence.
 * @param isSearched with the best order that was found; otherwise by the usual rules, so it gains so much at the least.
 */
export function sayWay({ gained, over, late, lateNow }: WayOut, locale: string, isSearched: boolean): string {
  const batters = (count: number) => howMany(count, "batter");
  const then =
    over > 0
      ? `still ${minutes(over, locale)} over`
      : late > 0
        ? `it fits, though ${batters(late)} ${late === 1 ? "is" : "are"} poured too late`
        : "it fits";
  const broken = late > lateNow ? `; ${batters(late - lateNow)} more poured too late` : "";
  const time =
    gained > 1 / 60
      ? `${isSearched ? "" : "at least "}${minutes(gained, locale)} sooner; `
      : gained < -1 / 60
        ? `${minutes(-gained, locale)} later; `
        : "";
  return `${time}${then}${broken}`;
}

/** Surfaces by their names and numbers; with whose they are, where each table has its own and one name would stand for several. */
export function unitNames({ units }: Pick<Timeline, "units">, { station }: Pick<Names, "station">) {
  const unit = (id: string) => {
    const found = units.find((one) => one.id === id);
    return found ? `${found.name} ${found.number}` : id;
  };
  const unitAt = (id: string) => {
    const whose = units.find((one) => one.id === id)?.stationId;
    if (whose === instructorsOwn) return `${unit(id)}, your own`;
    return whose ? `${unit(id)} at ${station(whose)}` : unit(id);
  };
  return { unit, unitAt };
}

/** "At 175–200 °C, dial: 4 of 9." Each heat once, where several are switched on together. */
const sayHeats = (unitIds: readonly string[], heats: ReadonlyMap<string, SetTo>, locale: string): string[] => [
  ...new Set(
    unitIds.flatMap((id) => {
      const heat = heats.get(id);
      if (!heat) return [];
      const { from, to } = heat.surfaceC;
      return [`At ${temperature(from, to, locale)}${heat.dial === null ? "" : `, dial: ${heat.dial}`}.`];
    }),
  ),
];

/** One line of the list by the minute: what happens, what is said or watched for, and where to stand. */
export function sayEntry(
  entry: RunEntry,
  {
    names,
    unit,
    unitAt,
    at,
    heats,
    room,
  }: {
    names: Names;
    room: RoomKind;
    unit: (id: string) => string;
    unitAt: (id: string) => string;
    at: (after: number) => string;
    heats: ReadonlyMap<string, SetTo>;
  },
): { readonly what: string; readonly say: string; readonly where: string } {
  const { locale, round: roundOf, step: stepOf } = names;
  // Nobody stands at another's stove over the screen, and who cooks alone stands at their own.
  const standing = (place: string) => (room === "tables" ? place : placeIn[room]);
  const stations = (ids: readonly string[]) => list(ids.map(names.station), locale);
  switch (entry.kind) {
    case "bell":
      return {
        what: `Bell: ${bellWords[entry.bell]}`,
        say: bellInstruction[room][entry.bell],
        where: room === "tables" ? bellPlaces[entry.bell] : placeIn[room],
      };
    case "switch-on":
      return {
        what: `${list(entry.unitIds.map(unitAt), locale)}: on`,
        say: [
          ...sayHeats(entry.unitIds, heats, locale),
          entry.unitIds.some((id) => heats.get(id)?.hasCord)
            ? "Nobody touches what heats up; cords along the wall."
            : "Nobody touches what heats up.",
        ].join(" "),
        where: standing("at the heat"),
      };
    case "mixes":
      return {
        what: `${stations(entry.stationIds)} ${entry.stationIds.length === 1 ? "begins" : "begin"} to mix`,
        say:
          entry.waitsFor === undefined
            ? "Not before: this batter does not keep."
            : `The ${sharedThingWords[entry.waitsFor]} comes to them now.`,
        where: standing("at their table"),
      };
    case "goes-on":
      return {
        what: `On together: ${stepOf(entry.stationIds[0] ?? "", entry.stepId)}`,
        say:
          entry.waited.length > 0
            ? `Once everybody is there: ${stations(entry.waited)} will have waited.`
            : "Once everybody is there.",
        where: standing("at your own bowl"),
      };
    case "mixes-again":
      return {
        what: `${stations(entry.stationIds)} ${entry.stationIds.length === 1 ? "mixes" : "mix"} the second half`,
        say: "The others go on at the heat. A clean bowl, the second set of containers.",
        where: standing("at their table"),
      };
    case "tester":
      return {
        what: `${unit(entry.unitId)}: the tester of ${stations([entry.stationId])}`,
        say: "Test the heat first. The first one is allowed to fail.",
        where: standing(`at ${unit(entry.unitId)}`),
      };
    case "load": {
      const round = entry.roundId === undefined ? undefined : roundOf(entry.stationIds[0] ?? "", entry.roundId);
      return {
        what: `${unit(entry.unitId)}: ${stations(entry.stationIds)}, ${entry.pieces === 1 ? "1 piece" : `${entry.pieces} pieces`}${round ? `, ${round.toLowerCase()}` : ""}${entry.loads > 1 ? ` in ${entry.loads} loads` : ""}, out at ${at(entry.until)}`,
        say: entry.isFirst ? firstLoadWords[room] : "",
        where: entry.isFirst ? standing(`at ${unit(entry.unitId)}`) : "",
      };
    }
    case "wash":
      return {
        what: `${unit(entry.unitId)}: cool, wash and dry, then heat it again`,
        say: "Nothing is cooked on it until it was washed.",
        where: standing(`at ${unit(entry.unitId)}`),
      };
    case "last-out":
      return {
        what: `${stations([entry.stationId])}: the last piece is out`,
        say: "Off with the heat nobody needs any more.",
        where: "",
      };
  }
}

/** What a wish by hand costs beside the usual order. */
export function sayWish({ minutes: later, late, uncleared }: WishCost, locale: string): string {
  const parts = [
    later > 1 / 60
      ? `everything is ready ${minutes(later, locale)} later than in the usual order`
      : later < -1 / 60
        ? `everything is ready ${minutes(-later, locale)} sooner than in the usual order`
        : "everything is ready as soon as in the usual order",
    ...(late > 0 ? [`${late === 1 ? "one batter" : `${late} batters`} more would stand too long`] : []),
    ...(uncleared > 0 ? [`${uncleared === 1 ? "one surface" : `${uncleared} surfaces`} more nothing clears`] : []),
  ];
  return `The order was wished by hand and is kept: ${list(parts, locale)}.`;
}
