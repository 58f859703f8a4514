import { type Minutes, inMinutes } from "~/core/quantity";
import type { AgeBand, Arrangement, Audience, Participant, Station } from "./types";

/** Names that can be shouted across a room and not be mistaken for one another; used in order when the class has none of its own. */
export const stationNames: readonly string[] = [
  "Heron",
  "Otter",
  "Willow",
  "Kingfisher",
  "Bulrush",
  "Dragonfly",
  "Pebble",
  "Swan",
  "Minnow",
  "Alder",
  "Teal",
  "Lantern",
  "Jetty",
  "Moorhen",
  "Osprey",
  "Sedge",
  "Curlew",
  "Ripple",
  "Grebe",
  "Iris",
];

/** How much longer or shorter this audience takes over the same handwork (starting values). */
export const paceOf: Readonly<Record<Audience, number>> = {
  "small-children": 1.5,
  "school-age": 1.2,
  teens: 1,
  adults: 0.8,
  mixed: 1.2,
};

/** Audiences for whom an adult must be at the hot place. */
export const needsAdultAtHeat = (audience: Audience): boolean =>
  audience === "small-children" || audience === "school-age" || audience === "mixed";

/**
 * Hot places one adult watches where nobody set a rule (starting values: under 8 one to one, 8 to 11 one to two); 0 for no rule.
 */
export const usualHotPlaces: Readonly<Record<Audience, number>> = {
  "small-children": 1,
  "school-age": 2,
  teens: 0,
  adults: 0,
  mixed: 2,
};

/** The most people of a class, and with one at each the most tables. */
export const mostPeople = 400;

/** Minutes one pair of hands takes at the sink, by audience (starting values: 30, 45 or 60 seconds). */
export const handwashMinutes: Readonly<Record<Audience, Minutes>> = {
  "small-children": inMinutes(1),
  "school-age": inMinutes(0.75),
  teens: inMinutes(0.5),
  adults: inMinutes(0.5),
  mixed: inMinutes(0.75),
};

/** Minutes with empty hands that this audience bears, and minutes it watches a demonstration (starting values by age: 3/4/6/8/12 and 3/6/8/10/15). */
export const bears: Readonly<Record<Audience, { readonly idle: Minutes; readonly demo: Minutes }>> = {
  "small-children": { idle: inMinutes(4), demo: inMinutes(6) },
  "school-age": { idle: inMinutes(6), demo: inMinutes(8) },
  teens: { idle: inMinutes(8), demo: inMinutes(10) },
  adults: { idle: inMinutes(12), demo: inMinutes(15) },
  mixed: { idle: inMinutes(6), demo: inMinutes(8) },
};

/** Children to an adult in the room, where children cook (starting values: 1 to 6 from four to eight, 8 to twelve, 10 for teens; never under two adults). */
export const childrenPerAdult: Partial<Readonly<Record<Audience, number>>> = {
  "small-children": 6,
  "school-age": 8,
  teens: 10,
  mixed: 8,
};
export const fewestAdults = 2;

/** Adults beside the heat: the helpers, and the grown-ups who stand at the stations. The instructor walks the room and does not count. */
export const adultsAtHeat = (helpers: number, register: readonly Participant[]): number =>
  helpers + register.filter((person) => isAtStation(person) && isAdult(person.ageBand)).length;

/**
 * Station sizes for `people` at up to `stationSize` each, as even as can be: 13 at 4 makes 4, 3, 3, 3.
 * @param people whole, 0 or more.  @param stationSize whole, 1 or more.
 * @throws {RangeError} outside that.
 */
export function stationSizes(people: number, stationSize: number): number[] {
  if (!Number.isInteger(people) || people < 0)
    throw new RangeError(`expected a whole number of people, 0 or more, got ${people}.`);
  if (!Number.isInteger(stationSize) || stationSize < 1)
    throw new RangeError(`expected a station size of 1 or more, got ${stationSize}.`);
  const count = Math.ceil(people / stationSize);
  return Array.from({ length: count }, (_, index) => Math.floor(people / count) + (index < people % count ? 1 : 0));
}

/** The name of the station with this index: the class's own names first, then the usual ones, then numbers. */
export function nameOfStation(index: number, own: readonly string[]): string {
  return own[index] ?? stationNames.filter((name) => !own.includes(name))[index - own.length] ?? `Station ${index + 1}`;
}

export const isAdult = (age: AgeBand): boolean => age === "adult";
/** Not to be at a table without a grown-up. */
export const isSmall = (age: AgeBand): boolean => age === "under-1" || age === "under-6";
/** Not to be at the heat without an adult. */
export const isChild = (age: AgeBand): boolean => isSmall(age) || age === "6-8" || age === "9-11" || age === "6-11";

/**
 * How many each station feeds: its own people, and those who only taste, spread as evenly as whole people go over the stations that are
 * not apart (over all, where all are).
 * @param tasters 0 and more.
 */
export function eatersOf(
  stations: readonly { readonly id: string; readonly size: number }[],
  tasters: number,
  apart: readonly number[] = [],
): ReadonlyMap<string, number> {
  const open = stations.filter((station) => !apart.includes(stationIndex(station.id)));
  const feeding = open.length > 0 ? open : stations;
  const share = Math.floor(tasters / Math.max(1, feeding.length));
  const extra = tasters - share * feeding.length;
  const more = new Map(feeding.map((station, at) => [station.id, share + (at < extra ? 1 : 0)]));
  return new Map(stations.map((station) => [station.id, station.size + (more.get(station.id) ?? 0)]));
}

/** Stations are named by their place in the arrangement, from "s1": the same place keeps its name when others fall empty. */
export const stationId = (index: number): string => `s${index + 1}`;
export const stationIndex = (id: string): number => Number(id.slice(1)) - 1;

/** Everyone who works at a station; helpers and tasters do not. */
export const isAtStation = (person: Pick<Participant, "role">): boolean =>
  person.role === "cook" || person.role === "grown-up";

function seatAs(
  people: number,
  stationSize: number,
  cooks: readonly Participant[],
  own: readonly string[],
  seats: readonly (readonly string[])[],
  apart: readonly number[],
): Station[] {
  const there = new Set(cooks.map((person) => person.id));
  const given = new Set<string>();
  // Whoever stands in the arrangement twice sits where they stand first.
  const tables = seats.map((ids) => ids.filter((id) => there.has(id) && !given.has(id) && given.add(id).has(id)));
  const sizes = tables.map((ids) => ids.length);
  const nextTable = (): number => {
    const open = sizes.flatMap((size, index) => (apart.includes(index) || size >= stationSize ? [] : [index]));
    const found = open.reduce<number | undefined>(
      (least, index) => (least !== undefined && (sizes[least] ?? 0) <= (sizes[index] ?? 0) ? least : index),
      undefined,
    );
    if (found !== undefined) return found;
    sizes.push(0);
    return tables.push([]) - 1;
  };
  const put = (id: string | undefined) => {
    const table = nextTable();
    if (id !== undefined) tables[table]?.push(id);
    sizes[table] = (sizes[table] ?? 0) + 1;
  };
  for (const person of cooks) if (!given.has(person.id)) put(person.id);
  for (let named = cooks.length; named < people; named += 1) put(undefined);
  return tables.flatMap((ids, index) => {
    const size = sizes[index] ?? 0;
    return size === 0 ? [] : [{ id: stationId(index), name: nameOfStation(index, own), size, people: ids }];
  });
}

/**
 * What kind of room a class is: people at tables of one room; households apart, each with its own of everything; or the instructor alone
 * before those who taste.
 */
export const roomKinds = ["tables", "homes", "shown"] as const;
export type RoomKind = (typeof roomKinds)[number];
export const roomKindOf = (brief: {
  readonly people: number;
  readonly tasters: number;
  readonly isRemote: boolean;
}): RoomKind => (brief.isRemote ? "homes" : brief.people === 0 && brief.tasters > 0 ? "shown" : "tables");

/**
 * Tasters of a remote class by the station of their household: of the register, those who look after somebody there or are looked after
 * by somebody there. Nobody else can be fed.
 */
export function tastersAtHome(
  stations: readonly { readonly id: string; readonly people: readonly string[] }[],
  register: readonly Participant[],
): ReadonlyMap<string, string> {
  const homeOf = new Map(stations.flatMap((station) => station.people.map((id) => [id, station.id] as const)));
  return new Map(
    register.flatMap((person): [string, string][] => {
      if (person.role !== "taster") return [];
      const home =
        homeOf.get(person.grownUpId ?? "") ??
        register.flatMap((one) => (one.grownUpId === person.id ? (homeOf.get(one.id) ?? []) : []))[0];
      return home === undefined ? [] : [[person.id, home]];
    }),
  );
}

/**
 * The tables of a class. Where nobody cooks and some taste, the instructor cooks for all of them at one table, at which nobody sits: a
 * demonstration is a class of its own.
 */
export function tablesOf(
  { people, tasters, stationSize, stationNames: own }: TablesWanted,
  register: readonly Participant[],
  arrangement?: Arrangement,
): Station[] {
  const seated = seat(people, stationSize, register, own, arrangement);
  return seated.length > 0 || tasters < 1
    ? seated
    : [{ id: stationId(0), name: nameOfStation(0, own), size: 0, people: [] }];
}

/** What a brief says of tables. */
export interface TablesWanted {
  readonly people: number;
  readonly tasters: number;
  readonly stationSize: number;
  readonly stationNames: readonly string[];
}

/**
 * Seats the register: as arranged, where somebody arranged it; in its order otherwise, so that people entered together sit together.
 * An arrangement is never out of date: whoever left is left out, whoever came since goes where there is room, and places the register
 * does not name yet go to the smallest stations, apart ones aside.
 */
export function seat(
  people: number,
  stationSize: number,
  register: readonly Participant[],
  own: readonly string[],
  arrangement?: Arrangement,
): Station[] {
  const cooks = register.filter(isAtStation);
  if (arrangement?.seats) return seatAs(people, stationSize, cooks, own, arrangement.seats, arrangement.apart);
  let from = 0;
  return stationSizes(people, stationSize).map((size, index) => {
    const seated = cooks.slice(from, from + size).map((person) => person.id);
    from += size;
    return { id: stationId(index), name: nameOfStation(index, own), size, people: seated };
  });
}
