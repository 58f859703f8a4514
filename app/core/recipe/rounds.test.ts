import fc from "fast-check";
import { recipes } from "../../../test/recipes";
import { one, ratio, toNumber, writeRatio, inPieces, plus } from "~/core/quantity";
import { starterRecipes } from "~/demo/recipes";
import { linesOfRound, mostLoads, mostOfRound, piecesByRound, withRounds } from "./rounds";
import { isBatter } from "./lines";
import type { Recipe } from "./types";

const [plain] = starterRecipes;
if (!plain) throw new Error("the starter recipes are gone");
const rounds = [
  { id: "plain", name: "Plain", parts: 1 },
  { id: "berries", name: "With berries", parts: 1 },
  { id: "nuts", name: "With nuts", parts: 2 },
];
const amount = (grams: bigint) => ({ kind: "exact" as const, amount: { value: ratio(grams), unit: "g" as const } });
const added = (id: string, ingredientId: string, roundId: string) => ({
  id,
  partId: null,
  ingredientId,
  amount: amount(60n),
  bowl: "bowl" as const,
  keeps: 1,
  isOptional: false,
  note: "",
  roundId,
});
const mixed: Recipe = {
  ...plain,
  rounds,
  lines: [...plain.lines, added("berries-in", "blueberries", "berries"), added("nuts-in", "walnuts", "nuts")],
  steps: plain.steps.map((step) =>
    step.kind === "cook"
      ? { ...step, draws: [...step.draws, { lineId: "berries-in", share: one }, { lineId: "nuts-in", share: one }] }
      : step,
  ),
};

test("pieces are dealt out whole, by the parts, what is over to the largest remainder and of equal ones to the earlier", () => {
  expect(piecesByRound(mixed, inPieces(8))).toEqual([2, 2, 4]);
  expect(piecesByRound(mixed, inPieces(9))).toEqual([2, 2, 5]);
  expect(piecesByRound(mixed, inPieces(1))).toEqual([0, 0, 1]);
  expect(piecesByRound({ rounds: rounds.slice(0, 2) }, inPieces(7))).toEqual([4, 3]);
  expect(piecesByRound(plain, inPieces(7))).toEqual([7]);
  fc.assert(
    fc.property(recipes, fc.integer({ min: 0, max: 300 }), (recipe, pieces) => {
      const dealt = piecesByRound(recipe, inPieces(pieces));
      expect(dealt.reduce((sum, count) => sum + count, 0)).toBe(pieces);
      const parts = (recipe.rounds ?? []).reduce((sum, round) => sum + round.parts, 0);
      for (const [at, round] of (recipe.rounds ?? []).entries())
        expect(Math.abs((dealt[at] ?? 0) - (pieces * round.parts) / parts)).toBeLessThan(1);
    }),
  );
});

test("another share of a round takes its lines along by that share; a round nobody makes goes with its lines and draws", () => {
  const asked = withRounds(mixed, [
    { roundId: "plain", parts: 0 },
    { roundId: "berries", parts: 3 },
    { roundId: "nuts", parts: 1 },
  ]);
  expect(asked.rounds?.map(({ id, parts }) => [id, parts])).toEqual([
    ["berries", 3],
    ["nuts", 1],
  ]);
  const gramsOf = (id: string) => {
    const amountOf = asked.lines.find((each) => each.id === id)?.amount;
    return amountOf?.kind === "exact" ? writeRatio(amountOf.amount.value) : undefined;
  };
  // A quarter of the bowl was berries, three quarters are now; of nuts half as many.
  expect(gramsOf("berries-in")).toBe("180");
  expect(gramsOf("nuts-in")).toBe("30");
  const without = withRounds(mixed, [{ roundId: "nuts", parts: 0 }]);
  expect(without.lines.some((line) => line.id === "nuts-in")).toBe(false);
  expect(without.steps.flatMap((step) => step.draws).some((draw) => draw.lineId === "nuts-in")).toBe(false);
  expect(withRounds(mixed, [])).toBe(mixed);
  expect(withRounds(plain, [{ roundId: "nuts", parts: 3 }])).toBe(plain);
  // Nobody makes none of them: then it is as the recipe says.
  expect(
    withRounds(
      mixed,
      rounds.map((round) => ({ roundId: round.id, parts: 0 })),
    ),
  ).toBe(mixed);
});

test("what is for one round only is no batter, and lies on the plates of that round alone", () => {
  expect(mixed.lines.filter((line) => isBatter(line, mixed))).toEqual(
    plain.lines.filter((line) => isBatter(line, plain)),
  );
  expect(linesOfRound(mixed, "berries").map((line) => line.id)).toEqual([
    ...plain.lines.map((line) => line.id),
    "berries-in",
  ]);
});

test("of any recipe the batch amounts of its rounds keep to the pieces of those rounds", () => {
  fc.assert(
    fc.property(recipes, fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 3, maxLength: 3 }), (recipe, parts) => {
      const before = recipe.rounds ?? [];
      const asked = before.map((round, at) => ({ roundId: round.id, parts: parts[at] ?? 1 }));
      const made = withRounds(recipe, asked);
      const share = (all: typeof before, id: string) =>
        (all.find((round) => round.id === id)?.parts ?? 0) / all.reduce((sum, round) => sum + round.parts, 0);
      const known = new Set(made.lines.map((line) => line.id));
      expect(made.steps.every((step) => step.draws.every((draw) => known.has(draw.lineId)))).toBe(
        recipe.steps.every((step) => step.draws.every((draw) => recipe.lines.some((line) => line.id === draw.lineId))),
      );
      for (const line of recipe.lines) {
        const now = made.lines.find((each) => each.id === line.id);
        if (line.roundId === undefined) expect(now).toBe(line);
        else if (now && line.amount.kind === "exact" && now.amount.kind === "exact" && made !== recipe)
          expect(toNumber(now.amount.amount.value) / share(made.rounds ?? [], line.roundId)).toBeCloseTo(
            toNumber(line.amount.amount.value) / share(before, line.roundId),
            6,
          );
        else if (!now) expect(asked.find((one) => one.roundId === line.roundId)?.parts).toBe(0);
      }
    }),
  );
});

test("the most loads that tables can decide for, against every way to share the pieces out", () => {
  const loadsOf = (pieces: number, places: number, rounds: number): number =>
    rounds === 1
      ? Math.ceil(pieces / places)
      : Math.max(
          ...Array.from(
            { length: pieces + 1 },
            (_, first) => Math.ceil(first / places) + loadsOf(pieces - first, places, rounds - 1),
          ),
        );
  for (let pieces = inPieces(0); pieces <= 13; pieces = plus(pieces, inPieces(1)))
    for (let places = 1; places <= 6; places += 1)
      for (let count = 1; count <= 3; count += 1)
        expect([pieces, places, count, mostLoads(pieces, places, count)]).toEqual([
          pieces,
          places,
          count,
          loadsOf(pieces, places, count),
        ]);
});

test("what is open is settled by how many a class says, not by a round that it leaves out", () => {
  const open = { ...mixed, isRoundsOpen: true as const };
  expect(toNumber(mostOfRound(open, rounds[0]?.id ?? ""))).toBeGreaterThan(1);
  expect(toNumber(mostOfRound(mixed, rounds[0]?.id ?? ""))).toBe(1);
  const [first, ...others] = rounds;
  expect(withRounds(open, []).isRoundsOpen).toBe(true);
  expect(
    withRounds(
      open,
      rounds.map((round) => ({ roundId: round.id, parts: round.parts })),
    ).isRoundsOpen,
  ).toBeUndefined();
  const without = withRounds(open, [{ roundId: first?.id ?? "", parts: 0 }]);
  expect(without.rounds).toHaveLength(others.length);
  expect(without.isRoundsOpen).toBe(others.length > 1 ? true : undefined);
});
