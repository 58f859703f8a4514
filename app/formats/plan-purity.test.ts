import fc from "fast-check";
import { jest } from "@jest/globals";
import { substances } from "~/core/pantry";
import { classes } from "../../test/generators";
import { type ClassInput, plan } from "~/core/plan";

const text = (value: unknown): string =>
  JSON.stringify(value, (_key, each: unknown) => (typeof each === "bigint" ? `${each}n` : each));

/** Another class in which everything has the id it has here, and is something else: names, what is in it, amounts, labels, products. */
const twin = (input: ClassInput): fc.Arbitrary<ClassInput> =>
  fc
    .record({
      contains: fc.array(fc.constantFrom(...substances), { minLength: 1, maxLength: 2 }),
      raw: fc.constantFrom("lemon", "peanuts", "strawberries", "zork"),
      name: fc.constantFrom("egg white wash", "oat drink", "soft herbs", "rice flour"),
      lookedFor: fc.constantFrom(["rice", "flour"], ["rice flour"], ["corn"]),
      every: fc.integer({ min: 1, max: 4 }),
      pieces: fc.constantFrom(1n, 2n, 3n),
    })
    .map(({ contains, raw, name, lookedFor, every, pieces }) => ({
      ...input,
      brief: { ...input.brief, piecesEach: { num: pieces, den: 1n } },
      pantry: input.pantry.map((one, at) =>
        at % every === 0 ? { ...one, name: `${name} ${at}`, contains, raw: { name: raw, keeps: 0.5 } } : one,
      ),
      labels: input.labels.map((label) => ({ ...label, contains, lookedFor, foods: [raw] })),
      dishes: input.dishes.map((dish) => ({
        ...dish,
        recipe: {
          ...dish.recipe,
          lines: dish.recipe.lines.map((line, at) => (at % every === 1 ? { ...line, bowl: "wet" as const } : line)),
        },
      })),
      packs: input.packs.map((pack) => ({ ...pack, product: "Brand Z" })),
    }));

test("a class is planned after any other as a fresh process plans it", async () => {
  const pairs = fc.sample(
    classes.chain((first) => twin(first).map((second) => [first, second] as const)),
    { numRuns: 12, seed: 11 },
  );
  let differing = 0;
  for (const [first, second] of pairs) {
    const [before, after] = [text(plan(first)), text(plan(second))];
    if (before !== after) differing += 1;
    jest.resetModules();
    const fresh = await import("~/core/plan");
    expect(fresh.plan).not.toBe(plan);
    expect(after === text(fresh.plan(structuredClone(second)))).toBe(true);
    // And the first again, as an object nobody has planned yet.
    expect(text(plan(structuredClone(first))) === before).toBe(true);
  }
  expect(differing).toBeGreaterThan(9);
});
