import fc from "fast-check";
import { starterPantry } from "~/core/pantry";
import { batterOf, yieldOf } from "~/core/batter";
import { compare, ratio, toNumber, inPieces } from "~/core/quantity";
import { batchRules, loadsFor, mostBatches, piecesWanted, scaleStation } from "~/core/scale";
import { starterRecipes } from "~/demo/recipes";
import { people } from "../../../test/generators";
import type { Participant } from "./types";
import {
  adultsAtHeat,
  eatersOf,
  isAtStation,
  nameOfStation,
  needsAdultAtHeat,
  seat,
  stationNames,
  stationSizes,
  bears,
  childrenPerAdult,
  fewestAdults,
  handwashMinutes,
  paceOf,
  usualHotPlaces,
} from "./stations";

const pantry = new Map(starterPantry.map((one) => [one.id, one]));

test.each([
  [13, 4, [4, 3, 3, 3]],
  [12, 4, [4, 4, 4]],
  [1, 4, [1]],
  [0, 4, []],
  [5, 1, [1, 1, 1, 1, 1]],
])("%d people at up to %d to a station: %j", (count, size, sizes) => {
  expect(stationSizes(count, size)).toEqual(sizes);
});

test("stations hold everyone, none is over its size, and they differ by one at most", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 1, max: 40 }), (count, size) => {
      const sizes = stationSizes(count, size);
      expect(sizes.reduce((sum, one) => sum + one, 0)).toBe(count);
      expect(sizes).toHaveLength(Math.ceil(count / size));
      if (sizes.length > 0) {
        expect(Math.max(...sizes)).toBeLessThanOrEqual(size);
        expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThanOrEqual(1);
      }
    }),
  );
});

test.each([
  [-1, 4],
  [2.5, 4],
  [4, 0],
  [4, 1.5],
])("refuses %d people at %d", (count, size) => {
  expect(() => stationSizes(count, size)).toThrow(/expected .* got/);
});

test("everybody at a station sits at one, in the order of the register, as long as there are seats", () => {
  fc.assert(
    fc.property(people, fc.integer({ min: 0, max: 30 }), fc.integer({ min: 1, max: 6 }), (register, count, size) => {
      const seated = seat(count, size, register, []).flatMap((station) => station.people);
      expect(seated).toEqual(
        register
          .filter(isAtStation)
          .slice(0, count)
          .map((person) => person.id),
      );
    }),
  );
});

test("names can be shouted: the class's own first, none twice, numbers only when all are used up", () => {
  const names = Array.from({ length: 60 }, (_, index) => nameOfStation(index, ["Stroke", "Heron"]));
  expect(names.slice(0, 3)).toEqual(["Stroke", "Heron", "Otter"]);
  expect(new Set(names).size).toBe(60);
  expect(names[59]).toBe("Station 60");
  expect(new Set(stationNames.map((name) => name.slice(0, 3))).size).toBeGreaterThanOrEqual(stationNames.length - 1);
});

test("an adult stands at the heat wherever children cook", () => {
  expect((["small-children", "school-age", "mixed"] as const).every(needsAdultAtHeat)).toBe(true);
  expect((["teens", "adults"] as const).some(needsAdultAtHeat)).toBe(false);
});

test("a station makes the least its rule allows that is enough", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...starterRecipes),
      fc.constantFrom(...batchRules),
      fc.integer({ min: 0, max: 40 }),
      (recipe, rule, wanted) => {
        const batter = batterOf(recipe, pantry);
        const { factor, piecesMade, over } = scaleStation(recipe, batter, wanted, rule);
        expect(over).toBe(piecesMade - wanted);
        if (wanted === 0) expect(toNumber(factor)).toBe(0);
        else if (over < 0) expect(toNumber(factor)).toBe(mostBatches);
        else {
          const parts = { whole: 1n, half: 2n, quarter: 4n, exact: 24n }[rule];
          expect((factor.num * parts) % factor.den).toBe(0n);
          expect(yieldOf(recipe, batter, toNumber(factor) - 1 / Number(parts)).pieces).toBeLessThan(wanted);
        }
        expect(compare(factor, ratio(BigInt(mostBatches)))).toBeLessThanOrEqual(0);
      },
    ),
  );
});

test("pieces wanted are rounded up for each station, testers on top", () => {
  expect(piecesWanted(3, ratio(3n, 2n), 0)).toBe(5);
  expect(piecesWanted(4, ratio(1n, 2n), 2)).toBe(4);
  expect(piecesWanted(0, ratio(3n), 1)).toBe(1);
});

test("loads never leave a piece behind, and a round is what all surfaces hold together", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 200 }), fc.integer({ min: 1, max: 12 }), (pieces, places) => {
      const loads = loadsFor(inPieces(pieces), places);
      expect(loads * places).toBeGreaterThanOrEqual(pieces);
      expect((loads - 1) * places).toBeLessThan(Math.max(pieces, 1));
    }),
  );
  expect(() => loadsFor(inPieces(3), 0)).toThrow(RangeError);
});

test("tasters are fed by the stations that are not apart, as evenly as whole people go", () => {
  const stations = [4, 3, 3].map((size, index) => ({ id: `s${index + 1}`, size }));
  expect([...eatersOf(stations, 5).values()]).toEqual([6, 5, 4]);
  expect([...eatersOf(stations, 5, [1]).values()]).toEqual([7, 3, 5]);
  expect([...eatersOf(stations, 2, [0, 1, 2]).values()]).toEqual([5, 4, 3]);
  expect([...eatersOf([], 3).values()]).toEqual([]);
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 6 }), { minLength: 1, maxLength: 9 }),
      fc.integer({ min: 0, max: 60 }),
      fc.array(fc.nat({ max: 8 }), { maxLength: 3 }),
      (sizes, tasters, apart) => {
        const all = sizes.map((size, index) => ({ id: `s${index + 1}`, size }));
        const fed = eatersOf(all, tasters, apart);
        const more = all.map(({ id, size }) => (fed.get(id) ?? 0) - size);
        expect(more.reduce((sum, one) => sum + one, 0)).toBe(tasters);
        const open = more.filter((_one, index) => !apart.includes(index));
        if (open.length > 0) expect(Math.max(...open) - Math.min(...open)).toBeLessThanOrEqual(1);
      },
    ),
  );
});

test("only grown-ups who work at a station stand at the heat: tasters and helpers of the register do not count twice", () => {
  const adult = (id: string, role: Participant["role"]): Participant => ({
    id,
    name: id,
    role,
    ageBand: "adult",
    hasAnswered: true,
    needs: [],
  });
  const register = [adult("a", "grown-up"), adult("b", "taster"), adult("c", "helper"), adult("d", "cook")];
  expect(adultsAtHeat(0, register)).toBe(2);
  expect(adultsAtHeat(3, register)).toBe(5);
});

test("figures by age are those of practice, and the younger the audience, the slower it is and the more adults it wants", () => {
  const young = ["small-children", "school-age", "teens"] as const;
  expect(young.map((one) => childrenPerAdult[one])).toEqual([6, 8, 10]);
  expect(young.map((one) => usualHotPlaces[one])).toEqual([1, 2, 0]);
  expect(young.map((one) => handwashMinutes[one] * 60)).toEqual([60, 45, 30]);
  const all = [...young, "adults"] as const;
  expect(all.map((one) => bears[one].idle)).toEqual([4, 6, 8, 12]);
  expect(all.map((one) => bears[one].demo)).toEqual([6, 8, 10, 15]);
  // A mixed class goes by its school-age children.
  for (const figures of [paceOf, usualHotPlaces, handwashMinutes, bears, childrenPerAdult])
    expect(figures.mixed).toEqual(figures["school-age"]);
  expect(all.map((one) => paceOf[one])).toEqual([1.5, 1.2, 1, 0.8]);
  expect(fewestAdults).toBe(2);
});
