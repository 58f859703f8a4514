import fc from "fast-check";
import { classes } from "../../../test/generators";
import { starterPantry } from "~/core/pantry";
import { plan } from "~/core/plan";
import { measuringSetOf, ratio, scoopTolerance, toNumber, inPieces } from "~/core/quantity";
import { starterRecipes } from "~/demo/recipes";
import { containerSizes, fullest, packingOf, sizeFor } from "./containers";
import { kitOf } from "./kit";

const [pancakes, crepes] = starterRecipes;
if (!pancakes || !crepes) throw new Error("the starter recipes are there");
const pantry = new Map(starterPantry.map((one) => [one.id, one]));
const options = { set: measuringSetOf("us-usual"), tolerance: scoopTolerance, easesSpice: false };
const kit = kitOf(pancakes, pantry, ratio(2n), { loads: 4, pieces: inPieces(16) }, options);
const perLine = { per: "line", isDryMixed: false } as const;
const byId = (packing: ReturnType<typeof packingOf>, id: string) => packing.containers.find((one) => one.id === id);

describe("containers of a kit", () => {
  const packing = packingOf(kit, pancakes, pantry, perLine);

  test("flour in a bag, powder in a pot, milk in a bottle, eggs in their box, each with the step it belongs to", () => {
    expect(byId(packing, "dry/flour")).toMatchObject({ kind: "bag", group: "dry", count: 1 });
    expect(byId(packing, "dry/flour")?.steps.length).toBeGreaterThan(0);
    expect(byId(packing, "dry/powder")).toMatchObject({ kind: "pot" });
    expect(byId(packing, "chilled/milk")).toMatchObject({ kind: "bottle", group: "chilled" });
    expect(byId(packing, "chilled/egg")).toMatchObject({ kind: "egg-box", sizeMl: undefined, count: 1 });
  });

  test("part of an egg is beaten, part of a lemon is not", () => {
    const [egg] = pancakes.lines.filter((line) => line.ingredientId === "egg");
    if (!egg) throw new Error("there is an egg in it");
    const lemon = { ...egg, id: "lemon", ingredientId: "lemon", bowl: "topping" as const };
    const own = { ...pancakes, lines: [...pancakes.lines, lemon] };
    const half = packingOf(
      kitOf(own, pantry, ratio(3n, 2n), { loads: 4, pieces: inPieces(12) }, options),
      own,
      pantry,
      perLine,
    );
    const isBeaten = (lineId: string) =>
      half.containers.flatMap((one) => one.contents).find((content) => content.lineId === lineId)?.isBeaten;
    expect([isBeaten(egg.id), isBeaten("lemon")]).toEqual([true, false]);
    const whole = packingOf(
      kitOf(own, pantry, ratio(2n), { loads: 4, pieces: inPieces(16) }, options),
      own,
      pantry,
      perLine,
    );
    expect(whole.containers.flatMap((one) => one.contents).some((content) => content.isBeaten)).toBe(false);
  });

  test("a bag is filled by as much as lies in it", () => {
    const bag = byId(packing, "dry/flour");
    expect((bag?.filled ?? 0) * (bag?.sizeMl ?? 0) * (bag?.count ?? 0)).toBeCloseTo(591, -1);
    expect(byId(packing, "chilled/egg")?.filled).toBeUndefined();
  });

  test("a top-up is a small container of its own, kept back", () => {
    const crepeKit = kitOf(crepes, pantry, ratio(1n), { loads: 10, pieces: inPieces(10) }, options);
    const own = packingOf(crepeKit, crepes, pantry, perLine);
    const apart = byId(own, "hold-back/milk");
    expect(apart?.contents).toEqual([expect.objectContaining({ lineId: "milk", isApart: true })]);
    expect(toNumber(apart?.contents[0]?.measured.amount.value ?? ratio(0n))).toBe(50);
    expect(own.shared.map((line) => line.kind)).toContain("to-taste");
  });

  test("a dry mix is one bag of all that is dry, and by the bowl takes together what a step takes at once", () => {
    const mixed = packingOf(kit, pancakes, pantry, { per: "line", isDryMixed: true });
    const bag = byId(mixed, "dry/mix");
    expect(bag?.contents.map((content) => content.ingredientId)).toEqual(
      expect.arrayContaining(["plain-flour", "baking-powder", "sugar", "fine-salt"]),
    );
    const bowls = packingOf(kit, pancakes, pantry, { per: "bowl", isDryMixed: false });
    expect(bowls.containers.length).toBeLessThan(packing.containers.length);
    const grams = (made: typeof packing) => made.containers.reduce((sum, one) => sum + (one.grams ?? 0), 0);
    expect(grams(bowls)).toBeCloseTo(grams(packing), 6);
    expect(grams(mixed)).toBeCloseTo(grams(packing), 6);
  });

  test("the smallest size that leaves headroom, and several of the largest beyond it", () => {
    expect(sizeFor("bag", 100)).toEqual({ sizeMl: 500, count: 1 });
    expect(sizeFor("bag", 425)).toEqual({ sizeMl: 500, count: 1 });
    expect(sizeFor("bag", 426)).toEqual({ sizeMl: 1000, count: 1 });
    expect(sizeFor("bottle", 1701)).toEqual({ sizeMl: 2000, count: 2 });
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(containerSizes) as (keyof typeof containerSizes)[])),
        fc.double({ min: 0.1, max: 30_000, noNaN: true }),
        (kind, ml) => {
          const { sizeMl, count } = sizeFor(kind, ml);
          expect(sizeMl * count * fullest).toBeGreaterThanOrEqual(ml - 1e-6);
          const smaller = containerSizes[kind].filter((size) => size < sizeMl);
          expect(smaller.every((size) => size * fullest < ml)).toBe(true);
        },
      ),
    );
  });
});

test("no line of any kit is missing: it is in a container, on the shared table, open, or the household’s own; and no gram is lost", () => {
  fc.assert(
    fc.property(classes, fc.boolean(), fc.constantFrom("line" as const, "bowl" as const), (input, isDryMixed, per) => {
      const made = plan(input);
      for (const station of made.stations) {
        const dish = made.dishes.find((one) => one.id === station.dishId);
        if (!dish) throw new Error("a station makes a dish of its class");
        const packing = packingOf(station.kit, dish.recipe, pantry, { per, isDryMixed });
        for (const { kind, sizeMl, filled, contents } of packing.containers) {
          // What has a size is filled to a height that leaves headroom; what is counted has none.
          expect(filled === undefined).toBe(sizeMl === undefined);
          if (filled !== undefined) {
            expect(filled).toBeGreaterThanOrEqual(0);
            expect(filled).toBeLessThanOrEqual(fullest + 1e-9);
          }
          // Only an egg is ever beaten.
          if (contents.some((content) => content.isBeaten)) expect(kind).toBe("egg-box");
        }
        const held = packing.containers.flatMap((one) => one.contents.map((content) => content.lineId));
        const named = [
          ...held,
          ...packing.shared.map((line) => line.lineId),
          ...packing.open.map((line) => line.lineId),
        ];
        // What a household has of its own is there already.
        const packed = station.kit.filter((line) => line.own === undefined);
        expect(new Set(named)).toEqual(new Set(packed.map((line) => line.lineId)));
        for (const line of station.kit) {
          if (!held.includes(line.lineId) || line.buyGrams === undefined) continue;
          const grams = packing.containers
            .flatMap((one) => one.contents)
            .filter((content) => content.lineId === line.lineId)
            .reduce((sum, content) => sum + (content.measured.grams ?? 0), 0);
          expect(Math.abs(grams - line.buyGrams)).toBeLessThan(1e-6);
        }
      }
    }),
    { numRuns: 60 },
  );
});
