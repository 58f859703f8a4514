import { type Pieces, inMinutes, inPieces } from "~/core/quantity";
import fc from "fast-check";
import type { Recipe, SurfaceKind } from "~/core/recipe";
import type { Amounts, ScheduleInput } from "~/core/schedule";
import type { Gene } from "~/core/schedule/laid";
import { networksOf } from "~/core/schedule/network";
import { type Candidate, byGenes } from "~/core/schedule/rules";
import { compareScores } from "~/core/schedule/windows";
import { surface } from "./rooms";
import { dishes } from "./small-classes";

const kinds = ["electric-griddle", "hob-pan"] as const satisfies readonly SurfaceKind[];

const rooms = fc
  .record({
    rows: fc.array(
      fc.record({
        dish: fc.nat(2),
        pieces: fc.integer({ min: 1, max: 4 }),
        hands: fc.constantFrom(1, 2, 4),
        isApart: fc.constantFrom(false, false, true),
        mixes: fc.constantFrom(undefined, undefined, 2 as const),
        window: fc.option(fc.integer({ min: 5, max: 40 })),
        eggs: fc.nat(3),
      }),
      { minLength: 1, maxLength: 3 },
    ),
    surfaces: fc.array(
      fc.record({
        kind: fc.constantFrom(...kinds),
        places: fc.integer({ min: 1, max: 3 }),
        count: fc.constantFrom(1, 1, 2),
        at: fc.constantFrom("shared" as const, "shared" as const, "station" as const),
        preheat: fc.integer({ min: 0, max: 12 }),
      }),
      { minLength: 1, maxLength: 2 },
    ),
    hotPlaces: fc.option(fc.integer({ min: 1, max: 2 })),
    testers: fc.constantFrom(0, 1, 1),
    batch: fc.constantFrom(1, 1, 2),
    washesBetween: fc.boolean(),
    demo: fc.constantFrom("mix" as const, "mix-and-load" as const),
    ladles: fc.constantFrom(undefined, undefined, 1),
  })
  .filter(
    ({ rows, surfaces }) =>
      rows.reduce((sum, one) => sum + one.pieces, 0) <= 5 &&
      surfaces.reduce((sum, one) => sum + one.count * (one.at === "station" ? rows.length : 1), 0) <= 4,
  );

/**
 * Classes small enough to lay them in every order: tables apart, one pair of hands, a shared ladle, washing, two halves, windows, adults,
 * and testers on top of what is eaten, made by whole batches.
 */
export const roomsOfEveryKind = rooms.map((room): ScheduleInput => {
  const made = (testers: readonly Pieces[]): Amounts[] =>
    room.rows.map(({ pieces, eggs }, index) => {
      const whole = (count: number) => inPieces(Math.ceil(count / room.batch) * room.batch);
      const least = { pieces: whole(pieces), eaten: inPieces(pieces), eggs };
      return { pieces: whole(pieces + (testers[index] ?? 0)), eggs, sachets: 0, least };
    });
  const first = made([]);
  return {
    stations: room.rows.map(({ dish, hands, isApart, mixes, window, eggs }, index) => ({
      stationId: `s${index}`,
      recipe: dishes[dish] as Recipe,
      pieces: first[index]?.pieces ?? inPieces(0),
      measuredLines: 0,
      eggs,
      hands,
      isApart,
      ...(mixes ? { mixes } : {}),
      cookBy: window === null ? null : { max: inMinutes(window), why: "window" },
    })),
    surfaces: room.surfaces.map(({ kind, places, count, at, preheat }, index) => ({
      ...surface(`u${index}`, kind, places, count, at),
      preheatMinutes: inMinutes(preheat),
      coating: "non-stick",
    })),
    people: 0,
    sinks: 1,
    pace: 1,
    demo: room.demo,
    kitMode: "pre-measured",
    doorsMinutes: inMinutes(10),
    eatMinutes: inMinutes(0),
    cleanMinutes: inMinutes(0),
    testersPerSurface: inPieces(room.testers),
    ...(room.testers > 0 ? { amountsFor: made } : {}),
    hotPlaces: room.hotPlaces,
    washesBetween: room.washesBetween,
    ...(room.ladles === undefined ? {} : { goesRound: [{ thing: "ladle", count: room.ladles }] }),
  };
});

/**
 * The best of all orders of a class: every sequence of loads, every surface, every size of load, every surface for a table apart, both
 * moments for the load that is shown. Undefined where there are more than `most` of them, or a table that nothing suits.
 */
export function bestOfEveryOrder(input: ScheduleInput, most: number): Candidate | undefined {
  const nets = networksOf(input);
  const net = nets.first;
  if (net.nodes.some((node) => node.units.length === 0)) return undefined;
  let best: Candidate | undefined;
  let count = 0;
  const left = net.nodes.map((node): number => node.pieces);
  const claims = net.nodes.map(() => -1);
  const loads: Gene[] = [];
  const visit = (used: ReadonlySet<number>, demoUnit: number, showsFirst: boolean): void => {
    if (count > most) return;
    if (left.every((pieces) => pieces < 1)) {
      count += 1;
      const copied = loads.map((gene) => ({ ...gene, stations: [...gene.stations], pieces: [...gene.pieces] }));
      const laid = byGenes(nets, { loads: copied, demoUnit, showsFirst });
      if (!best || compareScores(laid.score, best.score) < 0) best = laid;
      return;
    }
    for (const node of net.nodes) {
      const open = left[node.index] ?? 0;
      const claim = claims[node.index] ?? -1;
      if (open < 1) continue;
      // Units of one surface that nobody has used yet are alike.
      const seen = new Set<string>();
      for (const unit of node.isApart && claim >= 0 ? [claim] : node.units) {
        const name = used.has(unit) ? `${unit}` : `new ${net.units[unit]?.surfaceId ?? ""}`;
        if (seen.has(name)) continue;
        seen.add(name);
        const least = !used.has(unit) && net.testers > 0 ? 0 : 1;
        for (let size = Math.min(node.places[unit] ?? 0, open); size >= least; size -= 1) {
          left[node.index] = open - size;
          if (node.isApart) claims[node.index] = unit;
          loads.push({ unit, stations: [node.index], pieces: [inPieces(size)] });
          visit(new Set([...used, unit]), demoUnit, showsFirst);
          loads.pop();
          left[node.index] = open;
          claims[node.index] = claim;
        }
      }
    }
  };
  const demoUnits = net.shown ? net.shown.units.map((_, index) => index) : [0];
  for (const demoUnit of demoUnits)
    for (const showsFirst of net.shown ? [false, true] : [false])
      visit(new Set(net.shown ? [net.shown.units[demoUnit] ?? -1] : []), demoUnit, showsFirst);
  return count > most ? undefined : best;
}
