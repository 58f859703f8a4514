import type { VerdictWord } from "~/core/allergen";
import { type AgeBand, type Participant, isAdult, isChild, isSmall } from "~/core/people";

export interface Guest {
  readonly id: string;
  readonly ageBand: AgeBand;
  readonly grownUpId: string | undefined;
  /** What the person may not have, one word each; who shares a word is better off at one table. */
  readonly needs: readonly string[];
}

/** A room to be filled. Stations are numbered from 0. */
export interface SeatingProblem {
  readonly guests: readonly Guest[];
  readonly stations: number;
  /** The most people at one station. */
  readonly size: number;
  /** Adults beside the instructor who stand at whichever heat needs one. */
  readonly helpers: number;
  /** What each guest's plate would be at each station: `plates[guest][station]`. */
  readonly plates: readonly (readonly VerdictWord[])[];
  /** Stations kept apart, where sitting alone is intended. */
  readonly apart: readonly number[];
}

/** The station of each guest. */
export type Seating = readonly number[];

export const faultCodes = [
  "too-many",
  "plate-contains",
  "family-apart",
  "small-child-alone",
  "no-adult-at-heat",
  "plate-may-contain",
  "needs-spread",
  "alone",
  "plate-unknown",
  "uneven",
] as const;
export type FaultCode = (typeof faultCodes)[number];

/** How much one fault of each kind weighs against the others (starting values): what endangers somebody outweighs what is untidy. */
export const faultWeights: Readonly<Record<FaultCode, number>> = {
  "too-many": 5000,
  "plate-contains": 1500,
  "family-apart": 1000,
  "small-child-alone": 600,
  "no-adult-at-heat": 200,
  "plate-may-contain": 60,
  "needs-spread": 50,
  alone: 30,
  "plate-unknown": 20,
  uneven: 4,
};

/** One thing that is not as it should be, with who and where. */
export interface Fault {
  readonly code: FaultCode;
  /** How many of it. */
  readonly count: number;
  readonly people: readonly string[];
  readonly stations: readonly number[];
}

/** Everything that is wrong with a seating, gravest kind first; the sum of counts times weights is its cost. */
export function faultsOf(problem: SeatingProblem, seating: Seating): Fault[] {
  const { guests, stations, size, helpers, plates, apart } = problem;
  const at: number[][] = Array.from({ length: stations }, () => []);
  seating.forEach((station, guest) => at[station]?.push(guest));
  const faults: Fault[] = [];
  const id = (guest: number) => guests[guest]?.id ?? "";
  const age = (guest: number): AgeBand => guests[guest]?.ageBand ?? "adult";
  const add = (code: FaultCode, count: number, people: readonly number[], where: readonly number[]) => {
    if (count > 0) faults.push({ code, count, people: people.map(id), stations: where });
  };

  at.forEach((people, station) => add("too-many", people.length - size, people, [station]));
  const graded = (grade: VerdictWord, code: FaultCode) =>
    seating.forEach((station, guest) => {
      if (plates[guest]?.[station] === grade) add(code, 1, [guest], [station]);
    });
  graded("contains", "plate-contains");
  const place = new Map(guests.map((guest, index) => [guest.id, index]));
  guests.forEach((guest, index) => {
    const grownUp = guest.grownUpId === undefined ? undefined : place.get(guest.grownUpId);
    if (grownUp !== undefined && seating[grownUp] !== seating[index])
      add("family-apart", 1, [index, grownUp], [seating[index] ?? 0, seating[grownUp] ?? 0]);
  });
  at.forEach((people, station) => {
    const small = people.filter((guest) => isSmall(age(guest)));
    if (!people.some((guest) => isAdult(age(guest)))) add("small-child-alone", small.length, small, [station]);
  });
  const uncovered = at.flatMap((people, station) =>
    people.some((guest) => isChild(age(guest))) && !people.some((guest) => isAdult(age(guest))) ? [station] : [],
  );
  // The instructor and each helper stand at one such heat; the rest have nobody.
  add("no-adult-at-heat", uncovered.length - helpers - 1, [], uncovered);
  graded("may-contain", "plate-may-contain");
  for (const need of new Set(guests.flatMap((guest) => guest.needs))) {
    const bearers = guests.flatMap((guest, index) => (guest.needs.includes(need) ? [index] : []));
    const where = [...new Set(bearers.map((guest) => seating[guest] ?? 0))];
    add("needs-spread", where.length - 1, bearers, where);
  }
  at.forEach((people, station) => {
    if (people.length === 1 && !apart.includes(station)) add("alone", 1, people, [station]);
  });
  graded("unknown", "plate-unknown");
  const sizes = at.flatMap((people, station) => (apart.includes(station) ? [] : [people.length]));
  if (sizes.length > 0) add("uneven", Math.max(0, Math.max(...sizes) - Math.min(...sizes) - 1), [], []);
  return faults.sort((a, b) => faultCodes.indexOf(a.code) - faultCodes.indexOf(b.code));
}

/** The weighted sum of a seating's faults; 0 when nothing is wrong. */
export const costOf = (problem: SeatingProblem, seating: Seating): number =>
  faultsOf(problem, seating).reduce((sum, fault) => sum + fault.count * faultWeights[fault.code], 0);

/** How far a search has come. */
export interface SeatingProgress {
  readonly round: number;
  readonly rounds: number;
  readonly best: Seating;
  readonly cost: number;
}

/** A fixed sequence of numbers from 0 to below 1, so that the same room gives the same seating. */
function* numbersFrom(seed: number): Generator<number, never> {
  let state = seed >>> 0 || 1;
  for (;;) {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    yield (state >>> 0) / 2 ** 32;
  }
}

/** The cost again, by table lookups only: it is asked for thousands of times a second. Equal to `costOf` by a test. */
function fastCost(problem: SeatingProblem): (seating: readonly number[]) => number {
  const { guests, stations, size, helpers, plates, apart } = problem;
  const place = new Map(guests.map((guest, index) => [guest.id, index]));
  const grownUps = guests.map((guest) => (guest.grownUpId === undefined ? -1 : (place.get(guest.grownUpId) ?? -1)));
  const ages = guests.map(({ ageBand }) => (isAdult(ageBand) ? 1 : isSmall(ageBand) ? 8 : isChild(ageBand) ? 4 : 2));
  const words = [...new Set(guests.flatMap((guest) => guest.needs))];
  const bearers = words.map((word) => guests.flatMap((guest, index) => (guest.needs.includes(word) ? [index] : [])));
  const gradeCost: Readonly<Record<VerdictWord, number>> = {
    contains: faultWeights["plate-contains"],
    "may-contain": faultWeights["plate-may-contain"],
    unknown: faultWeights["plate-unknown"],
    clear: 0,
  };
  const plateCost = plates.map((row) => row.map((grade) => gradeCost[grade]));
  const isApart = Array.from({ length: stations }, (_, station) => apart.includes(station));
  const count = new Int32Array(stations);
  const small = new Int32Array(stations);
  const kinds = new Int32Array(stations);
  const seen = new Int32Array(stations).fill(-1);
  return (seating) => {
    count.fill(0);
    small.fill(0);
    kinds.fill(0);
    let cost = 0;
    for (let guest = 0; guest < seating.length; guest += 1) {
      const station = seating[guest] ?? 0;
      const age = ages[guest] ?? 1;
      count[station] = (count[station] ?? 0) + 1;
      kinds[station] = (kinds[station] ?? 0) | age;
      if (age === 8) small[station] = (small[station] ?? 0) + 1;
      cost += plateCost[guest]?.[station] ?? 0;
      const grownUp = grownUps[guest] ?? -1;
      if (grownUp >= 0 && seating[grownUp] !== station) cost += faultWeights["family-apart"];
    }
    let [uncovered, most, least] = [0, -1, Infinity];
    for (let station = 0; station < stations; station += 1) {
      const [people, kind] = [count[station] ?? 0, kinds[station] ?? 0];
      if (people > size) cost += (people - size) * faultWeights["too-many"];
      if ((kind & 1) === 0) {
        cost += (small[station] ?? 0) * faultWeights["small-child-alone"];
        if ((kind & 12) !== 0) uncovered += 1;
      }
      if (isApart[station]) continue;
      if (people === 1) cost += faultWeights.alone;
      if (people > most) most = people;
      if (people < least) least = people;
    }
    cost += Math.max(0, uncovered - helpers - 1) * faultWeights["no-adult-at-heat"];
    if (most >= 0) cost += Math.max(0, most - least - 1) * faultWeights.uneven;
    for (const own of bearers) {
      seen.fill(0);
      let spread = 0;
      for (const guest of own) {
        const station = seating[guest] ?? 0;
        if (seen[station] === 0) spread += 1;
        seen[station] = 1;
      }
      cost += (spread - 1) * faultWeights["needs-spread"];
    }
    return cost;
  };
}

/** Families as they are to be seated: a grown-up with every child of theirs; everybody else alone. */
function familiesOf(guests: readonly Guest[]): number[][] {
  const place = new Map(guests.map((guest, index) => [guest.id, index]));
  const groups = new Map<number, number[]>();
  guests.forEach((guest, index) => {
    const head = guest.grownUpId === undefined ? index : (place.get(guest.grownUpId) ?? index);
    groups.set(head, [...(groups.get(head) ?? []), index]);
  });
  return [...groups.values()];
}

const usualRounds = 24;

/** Up to this many seatings every one is tried, and the best of them is proven. */
const mostTried = 70_000;

/**
 * The best seating found for a room, improving with every round; the caller decides when it is enough. Small rooms are searched
 * whole. Larger ones by moving families, then persons and pairs, until no such move makes it better, from several beginnings.
 * Deterministic. @yields after each round; @returns the best.
 */
export function* seatings(
  problem: SeatingProblem,
  start: Seating | undefined,
  rounds = usualRounds,
): Generator<SeatingProgress, SeatingProgress> {
  const { guests, stations } = problem;
  const cost = fastCost(problem);
  let best: number[] = start?.length === guests.length ? [...start] : guests.map((_, index) => index % stations);
  let bestCost = cost(best);
  const done = (round: number): SeatingProgress => ({ round, rounds, best: [...best], cost: bestCost });
  if (guests.length === 0 || stations < 2) return done(rounds);

  if (stations ** guests.length <= mostTried) {
    const tried = guests.map(() => 0);
    for (let at = 0; at >= 0;) {
      const now = cost(tried);
      if (now < bestCost) [best, bestCost] = [[...tried], now];
      at = guests.length - 1;
      while (at >= 0 && tried[at] === stations - 1) tried[at--] = 0;
      if (at >= 0) tried[at] = (tried[at] ?? 0) + 1;
    }
    return done(rounds);
  }

  const families = familiesOf(guests);
  const chance = numbersFrom(guests.length * 1009 + stations);
  for (let round = 1; round <= rounds && bestCost > 0; round += 1) {
    const now = [...best];
    // From the second round on a few families change places first, so that another valley is searched.
    for (let shake = 0; round > 1 && shake < Math.max(2, families.length / 4); shake += 1) {
      const family = families[Math.floor(chance.next().value * families.length)] ?? [];
      const to = Math.floor(chance.next().value * stations);
      for (const guest of family) now[guest] = to;
    }
    let nowCost = cost(now);
    for (let isBetter = true; isBetter;) {
      isBetter = false;
      const attempt = (moved: readonly number[], to: readonly number[]) => {
        const before = moved.map((guest) => now[guest] ?? 0);
        moved.forEach((guest, index) => (now[guest] = to[index] ?? 0));
        const after = cost(now);
        if (after < nowCost) {
          nowCost = after;
          isBetter = true;
        } else moved.forEach((guest, index) => (now[guest] = before[index] ?? 0));
      };
      for (const family of families)
        for (let to = 0; to < stations; to += 1)
          attempt(
            family,
            family.map(() => to),
          );
      for (let one = 0; one < families.length; one += 1)
        for (let two = one + 1; two < families.length; two += 1) {
          const [a, b] = [families[one] ?? [], families[two] ?? []];
          const [from, to] = [now[a[0] ?? 0] ?? 0, now[b[0] ?? 0] ?? 0];
          if (from !== to) attempt([...a, ...b], [...a.map(() => to), ...b.map(() => from)]);
        }
      for (let guest = 0; guest < guests.length; guest += 1)
        for (let to = 0; to < stations; to += 1) attempt([guest], [to]);
    }
    if (nowCost < bestCost) [best, bestCost] = [now, nowCost];
    yield done(round);
  }
  return done(rounds);
}

/** The best seating of a room, all rounds at once. */
export function bestSeating(problem: SeatingProblem, start?: Seating): SeatingProgress {
  const search = seatings(problem, start);
  for (;;) {
    const next = search.next();
    if (next.done) return next.value;
  }
}

/** What a change of seats breaks and what it mends: faults that are new or graver, and faults that are gone or less. */
export function changedFaults(
  problem: SeatingProblem,
  before: Seating,
  after: Seating,
): { readonly broken: readonly Fault[]; readonly mended: readonly Fault[] } {
  // One fault about the same people that only grew or shrank is told on the side it went to.
  const key = (fault: Fault) => `${fault.code} ${fault.people.join()}`;
  const counts = (faults: readonly Fault[]) => new Map(faults.map((fault) => [key(fault), fault.count]));
  const [was, is] = [faultsOf(problem, before), faultsOf(problem, after)];
  const [then, now] = [counts(was), counts(is)];
  return {
    broken: is.filter((fault) => fault.count > (then.get(key(fault)) ?? 0)),
    mended: was.filter((fault) => fault.count > (now.get(key(fault)) ?? 0)),
  };
}

/** A participant as a guest; `needs` are what may not reach them at all, a choice of diet is not among them. */
export const guestOf = (person: Participant, needs: readonly string[]): Guest => ({
  id: person.id,
  ageBand: person.ageBand,
  grownUpId: person.grownUpId,
  needs,
});
