import fc from "fast-check";
import { verdictWords } from "~/core/allergen";
import { ageBands } from "~/core/people";
import {
  type Guest,
  type SeatingProblem,
  bestSeating,
  changedFaults,
  costOf,
  faultWeights,
  faultsOf,
  seatings,
} from "./seating";

const room = (most: number, stations: fc.Arbitrary<number>): fc.Arbitrary<SeatingProblem> =>
  stations.chain((count) =>
    fc
      .record({
        guests: fc.array(
          fc.record({
            ageBand: fc.constantFrom(...ageBands),
            needs: fc.uniqueArray(fc.constantFrom("milk", "egg", "sesame"), { maxLength: 2 }),
            grownUp: fc.option(fc.nat(most), { nil: undefined }),
            plates: fc.array(fc.constantFrom(...verdictWords), { minLength: count, maxLength: count }),
          }),
          { minLength: 1, maxLength: most },
        ),
        size: fc.integer({ min: 1, max: 4 }),
        helpers: fc.integer({ min: 0, max: 2 }),
        apart: fc.uniqueArray(fc.nat(count - 1), { maxLength: 1 }),
      })
      .map(({ guests, ...rest }) => ({
        ...rest,
        stations: count,
        plates: guests.map((guest) => guest.plates),
        guests: guests.map(({ ageBand, needs, grownUp }, index): Guest => ({
          id: `g${index}`,
          ageBand,
          needs,
          grownUpId:
            grownUp !== undefined && guests[grownUp]?.ageBand === "adult" && grownUp !== index
              ? `g${grownUp}`
              : undefined,
        })),
      })),
  );

/** Every seating there is, and what each costs by the rules written out again in the plainest way. */
function exhaustive(problem: SeatingProblem): number {
  const { guests, stations, size, helpers, plates, apart } = problem;
  const all: number[][] = guests.reduce<number[][]>(
    (so) => so.flatMap((seats) => Array.from({ length: stations }, (_, station) => [...seats, station])),
    [[]],
  );
  const costs = all.map((seats) => {
    let cost = 0;
    let uncovered = 0;
    const sizes: number[] = [];
    for (let station = 0; station < stations; station += 1) {
      const here = guests.filter((_, index) => seats[index] === station);
      const hasAdult = here.some((guest) => guest.ageBand === "adult");
      cost += 5000 * Math.max(0, here.length - size);
      if (!hasAdult) cost += 600 * here.filter((guest) => ["under-1", "under-6"].includes(guest.ageBand)).length;
      if (!hasAdult && here.some((guest) => !["12-17", "adult"].includes(guest.ageBand))) uncovered += 1;
      if (!apart.includes(station)) {
        sizes.push(here.length);
        if (here.length === 1) cost += 30;
      }
    }
    cost += 200 * Math.max(0, uncovered - 1 - helpers);
    if (sizes.length > 0) cost += 4 * Math.max(0, Math.max(...sizes) - Math.min(...sizes) - 1);
    guests.forEach((guest, index) => {
      const station = seats[index] ?? 0;
      cost += { contains: 1500, "may-contain": 60, unknown: 20, clear: 0 }[plates[index]?.[station] ?? "clear"];
      const grownUp = guests.findIndex((one) => one.id === guest.grownUpId);
      if (grownUp >= 0 && seats[grownUp] !== station) cost += 1000;
    });
    for (const need of ["milk", "egg", "sesame"]) {
      const where = new Set(guests.flatMap((guest, index) => (guest.needs.includes(need) ? [seats[index]] : [])));
      if (where.size > 1) cost += 50 * (where.size - 1);
    }
    return cost;
  });
  return Math.min(...costs);
}

test("on 250 random rooms of up to eight people nothing is better than what is found", () => {
  let rooms = 0;
  fc.assert(
    fc.property(room(8, fc.integer({ min: 2, max: 3 })), (problem) => {
      rooms += 1;
      const found = bestSeating(problem);
      expect(found.cost).toBe(exhaustive(problem));
      expect(costOf(problem, found.best)).toBe(found.cost);
    }),
    { numRuns: 250 },
  );
  expect(rooms).toBeGreaterThanOrEqual(200);
});

test("a large room never gets worse, seats everybody, and comes out the same every time", () => {
  fc.assert(
    fc.property(room(24, fc.constant(6)), (problem) => {
      const before = problem.guests.map((_, index) => index % problem.stations);
      const search = seatings(problem, before, 3);
      let last = costOf(problem, before);
      for (let next = search.next(); ; next = search.next()) {
        expect(next.value.cost).toBeLessThanOrEqual(last);
        expect(costOf(problem, next.value.best)).toBe(next.value.cost);
        last = next.value.cost;
        if (next.done) break;
      }
      const found = bestSeating(problem, before);
      expect(found.best).toHaveLength(problem.guests.length);
      expect(found.best.every((station) => station >= 0 && station < problem.stations)).toBe(true);
      expect(bestSeating(problem, before)).toEqual(found);
    }),
    { numRuns: 25 },
  );
});

const guest = (id: string, ageBand: Guest["ageBand"], more: Partial<Guest> = {}): Guest => ({
  id,
  ageBand,
  grownUpId: undefined,
  needs: [],
  ...more,
});
const families: SeatingProblem = {
  guests: [
    guest("Noor", "adult"),
    guest("Pip", "under-6", { grownUpId: "Noor" }),
    guest("Quentin", "adult"),
    guest("Rosa", "6-11", { grownUpId: "Quentin", needs: ["egg"] }),
  ],
  stations: 2,
  size: 2,
  helpers: 0,
  plates: Array.from({ length: 4 }, () => ["clear", "clear"]),
  apart: [],
};

test("families sit together, and a hand move says what it breaks", () => {
  const { best, cost } = bestSeating(families);
  expect(cost).toBe(0);
  expect(best[0]).toBe(best[1]);
  expect(best[2]).toBe(best[3]);
  expect(best[0]).not.toBe(best[2]);
  const swapped = [best[0] ?? 0, best[2] ?? 0, best[2] ?? 0, best[0] ?? 0];
  const { broken, mended } = changedFaults(families, best, swapped);
  expect(mended).toEqual([]);
  expect(broken.map((fault) => [fault.code, fault.people])).toEqual([
    ["family-apart", ["Pip", "Noor"]],
    ["family-apart", ["Rosa", "Quentin"]],
  ]);
});

test("needs at fewer tables than before are mended, not broken; at more they are broken", () => {
  const room_: SeatingProblem = {
    ...families,
    guests: ["Ada", "Bo", "Cal"].map((id) => guest(id, "adult", { needs: ["egg"] })),
    plates: Array.from({ length: 3 }, () => ["clear", "clear", "clear"]),
    stations: 3,
    size: 3,
  };
  const { broken, mended } = changedFaults(room_, [0, 1, 2], [0, 0, 1]);
  expect(broken.map((fault) => fault.code)).not.toContain("needs-spread");
  expect(mended.find((fault) => fault.code === "needs-spread")?.count).toBe(2);
  expect(changedFaults(room_, [0, 0, 1], [0, 1, 2]).broken.map((fault) => fault.code)).toContain("needs-spread");
});

test("a small child with nobody grown up at the table is named, and a full table too", () => {
  const faults = faultsOf(families, [0, 1, 0, 0]);
  expect(faults.map((fault) => fault.code)).toEqual([
    "too-many",
    "family-apart",
    "small-child-alone",
    "alone",
    "uneven",
  ]);
  expect(faults.find((fault) => fault.code === "small-child-alone")?.people).toEqual(["Pip"]);
  expect(Object.values(faultWeights).every((weight) => weight > 0)).toBe(true);
});

test("a fault that stays as it is is told on neither side of a move", () => {
  const alone = families.guests.map((_, index) => index % families.stations);
  const { broken, mended } = changedFaults(families, alone, alone);
  expect([broken, mended]).toEqual([[], []]);
  fc.assert(
    fc.property(room(8, fc.constant(3)), fc.array(fc.nat(2), { minLength: 8, maxLength: 8 }), (problem, moved) => {
      const before = problem.guests.map((_, index) => index % problem.stations);
      const after = problem.guests.map((_, index) => (moved[index] ?? 0) % problem.stations);
      const key = (fault: { code: string; people: readonly string[] }) => `${fault.code} ${fault.people.join()}`;
      const [was, is] = [before, after].map(
        (seating) => new Map(faultsOf(problem, seating).map((one) => [key(one), one.count])),
      );
      const found = changedFaults(problem, before, after);
      for (const fault of found.mended) expect(fault.count).toBeGreaterThan(is?.get(key(fault)) ?? 0);
      for (const fault of found.broken) expect(fault.count).toBeGreaterThan(was?.get(key(fault)) ?? 0);
    }),
    { numRuns: 100 },
  );
});
