import { plus, inGrams } from "~/core/quantity";
import fc from "fast-check";
import { plan } from "~/core/plan";
import { demoClasses } from "~/demo/boathouse";
import { allergensOn } from "./marks";
import { packingOfClass, roundsOf } from "./containers";
import { starterPantry } from "~/core/pantry";
import { classes } from "../../../test/generators";
import { type Recipe, cooksPieces } from "~/core/recipe";
import { takeHomeOf } from "./take-home";
import { toppingBarOf } from "./toppings";
import { readFileSync } from "node:fs";
import { readClassFile } from "~/formats/class-file";
import { type TickEvent, changesSince, contentsOf, foldTicks, stateOf, tickLists } from "./ticks";

/** What is made by itself and put on by whoever eats. */
const isSauce = (partId: string | null, { parts }: Pick<Recipe, "parts">) =>
  parts.some((part) => part.id === partId && (part.kind === "sauce" || part.kind === "flavoured-butter"));

const { next } = demoClasses();
const made = plan(next);
const packing = packingOfClass(next, made);

describe("the containers of a class", () => {
  test("each has a key of its own, the demonstration's come last", () => {
    expect(new Set(packing.containers.map((one) => one.key)).size).toBe(packing.containers.length);
    expect(packing.containers.at(-1)?.place.kind).toBe("demo");
  });

  test("a station kept apart is packed first and sealed, in rounds of its own before any other", () => {
    const input = { ...next, arrangement: { seats: null, apart: [2] } };
    const { containers } = packingOfClass(input, plan(input));
    expect(containers[0]).toMatchObject({ isSealed: true, place: { stationId: "s3" } });
    expect(containers.filter((one) => one.isSealed).every((one) => one.key.startsWith("s3/"))).toBe(true);
    const rounds = roundsOf(containers);
    const firstOpen = rounds.findIndex((round) => !round.isSealed);
    expect(rounds.slice(firstOpen).every((round) => !round.isSealed)).toBe(true);
    expect(rounds.flatMap((round) => round.containers)).toHaveLength(containers.length);
  });

  test("the label names what the product contains, what it may contain, and what nobody has read", () => {
    const oats = packing.containers.find((one) => one.contents.some((content) => content.ingredientId === "oat-drink"));
    expect(oats?.marks).toEqual([expect.objectContaining({ ingredientId: "oat-drink", isUnread: true })]);
    const flour = packing.containers.find((one) =>
      one.contents.some((content) => content.ingredientId === "plain-flour"),
    );
    expect(flour?.marks[0]).toMatchObject({ contains: ["wheat"], isUnread: false });
    const labels = new Map([
      [
        "oat-drink",
        {
          ingredientId: "oat-drink",
          product: "x",
          contains: [],
          mayContain: ["wheat"],
          readBy: "A",
          readOn: "2026-11-01",
        },
      ],
    ] as const);
    const known = new Map(next.pantry.map((one) => [one.id, one]));
    expect(allergensOn(["oat-drink", "nowhere"], known, labels)).toEqual([
      {
        ingredientId: "oat-drink",
        contains: ["oats"],
        mayContain: ["wheat"],
        foods: [],
        hasLabel: true,
        isUnread: false,
      },
      { ingredientId: "nowhere", contains: [], mayContain: [], foods: [], hasLabel: false, isUnread: true },
    ]);
  });
});

describe("ticks", () => {
  const flour = packing.containers.find((one) => one.id === "dry/flour");
  if (!flour) throw new Error("the kit has flour");
  const now = contentsOf(flour);
  const tick = (more: Partial<TickEvent> = {}): TickEvent => ({
    id: "a",
    at: 1000,
    list: "packing",
    key: flour.key,
    isOn: true,
    contents: now,
    ...more,
  });

  test("packed while it holds what is wanted, reopened with the difference when the plan changes", () => {
    expect(stateOf(now, undefined)).toEqual({ kind: "open" });
    expect(stateOf(now, foldTicks([tick()]).packing.get(flour.key))).toMatchObject({ kind: "packed" });
    const more = now.map((one) => ({ ...one, grams: inGrams((one.grams ?? 0) + 50) }));
    expect(stateOf(more, foldTicks([tick()]).packing.get(flour.key))).toMatchObject({
      kind: "reopened",
      changes: [{ ingredientId: "plain-flour", byGrams: expect.closeTo(50, 6) }],
    });
  });

  test("a change of the plan reopens exactly the containers it touches", () => {
    const events = packing.containers.map((one, index) =>
      tick({ id: `t${index}`, key: one.key, contents: contentsOf(one) }),
    );
    const ticks = foldTicks(events).packing;
    const fewer = { ...next, brief: { ...next.brief, hasDemoBatch: true, people: next.brief.people - 3 } };
    const later = packingOfClass(fewer, plan(fewer));
    for (const one of later.containers) {
      const before = packing.containers.find((each) => each.key === one.key);
      const isSame = before && changesSince(contentsOf(before), contentsOf(one)).length === 0;
      expect([one.key, stateOf(contentsOf(one), ticks.get(one.key)).kind]).toEqual([
        one.key,
        isSame ? "packed" : before ? "reopened" : "open",
      ]);
    }
    const kinds = later.containers.map((one) => stateOf(contentsOf(one), ticks.get(one.key)).kind);
    expect(kinds).toContain("packed");
    expect(kinds).toContain("reopened");
  });

  test("another ingredient is a change without grams; less than a scale shows is none", () => {
    const [first] = now;
    if (!first) throw new Error("flour is in it");
    expect(changesSince(now, [{ ...first, ingredientId: "rice-flour" }])).toEqual([
      { ingredientId: "plain-flour", from: first, to: undefined, byGrams: undefined },
      { ingredientId: "rice-flour", from: undefined, to: { ...first, ingredientId: "rice-flour" }, byGrams: undefined },
    ]);
    expect(changesSince(now, [{ ...first, grams: plus(first.grams ?? inGrams(0), inGrams(0.01)) }])).toEqual([]);
    expect(changesSince([{ ...first, grams: null }], [{ ...first, grams: null }])).toEqual([]);
    expect(
      changesSince([{ ...first, grams: null, amount: "1 piece" }], [{ ...first, grams: null, amount: "2 piece" }]),
    ).toHaveLength(1);
  });

  test("order, repetition and the device they came from do not matter", () => {
    const event: fc.Arbitrary<TickEvent> = fc.record({
      id: fc.uuid(),
      at: fc.integer({ min: 0, max: 5 }),
      list: fc.constantFrom(...tickLists),
      key: fc.constantFrom("a", "b", "c"),
      isOn: fc.boolean(),
      by: fc.constantFrom("Ada", "Bo"),
    });
    fc.assert(
      fc.property(fc.array(event, { maxLength: 12 }), fc.infiniteStream(fc.nat()), (events, stream) => {
        const shuffled = [...events, ...events]
          .map((one) => ({ one, by: stream.next().value as number }))
          .sort((a, b) => a.by - b.by)
          .map(({ one }) => one);
        expect(foldTicks(shuffled)).toEqual(foldTicks(events));
      }),
    );
  });

  test("taken back is open again, and a later tick counts", () => {
    expect(foldTicks([tick(), tick({ id: "b", at: 2000, isOn: false })]).packing.size).toBe(0);
    expect(
      foldTicks([tick({ at: 3000, weighed: 312 }), tick({ id: "b", at: 2000, isOn: false })]).packing.get(flour.key),
    ).toMatchObject({
      weighed: 312,
    });
  });
});

describe("what goes home", () => {
  test("a label names everything that was cooked, heaviest first, and nothing is left out that it contains", () => {
    fc.assert(
      fc.property(classes, (input) => {
        const ofClass = plan(input);
        const labels = takeHomeOf(input, ofClass);
        // One for each round, where a dish has them.
        expect(labels.map((label) => [label.dishId, label.roundId])).toEqual(
          ofClass.dishes
            .filter((dish) => dish.stations > 0)
            .flatMap((dish) => (dish.recipe.rounds ?? [null]).map((round) => [dish.id, round?.id ?? null])),
        );
        const contained = new Set(labels.flatMap((label) => label.ingredients.flatMap((one) => [...one.contains])));
        for (const label of labels) {
          const dish = ofClass.dishes.find((one) => one.id === label.dishId);
          const cooked = dish?.recipe.lines
            .filter((line) => (line.roundId ?? label.roundId) === label.roundId)
            .filter(
              ({ id, bowl, amount, partId }) =>
                (bowl !== "topping" && !isSauce(partId, dish.recipe)) ||
                amount.kind === "per-piece" ||
                amount.kind === "per-serving" ||
                dish.recipe.parts.some((part) => part.id === partId && part.kind === "filling") ||
                dish.recipe.steps.some(
                  (step) => cooksPieces(step, dish.recipe) && step.draws.some((draw) => draw.lineId === id),
                ),
            )
            .map((line) => line.ingredientId);
          expect(new Set(label.ingredients.map((one) => one.ingredientId))).toEqual(new Set(cooked));
          const grams = label.ingredients.map((one) => one.grams ?? -1);
          expect(grams).toEqual([...grams].sort((a, b) => b - a));
          for (const one of label.ingredients)
            for (const substance of input.pantry.find((each) => each.id === one.ingredientId)?.contains ?? [])
              expect(one.contains).toContain(substance);
          // What another dish contains and this one does not was in the room.
          const own = new Set(label.ingredients.flatMap((one) => [...one.contains]));
          for (const substance of contained)
            expect(own.has(substance) || label.alsoHandled.includes(substance)).toBe(true);
          expect(label.alsoHandled.some((one) => own.has(one))).toBe(false);
        }
      }),
      { numRuns: 60 },
    );
  });

  test("of the demonstration's pancakes: flour and milk before powder, an unread label said as unknown", () => {
    const [label] = takeHomeOf(next, made);
    const ids = label?.ingredients.map((one) => one.ingredientId) ?? [];
    expect(ids.indexOf("plain-flour")).toBeLessThan(ids.indexOf("baking-powder"));
    expect(ids.length).toBeGreaterThan(4);
    expect(ids).not.toContain("breakfast-syrup");
    const packaged = new Set(starterPantry.filter((one) => one.label === "packaged").map((one) => one.id));
    const read = new Set(next.labels.map((one) => one.ingredientId));
    for (const one of label?.ingredients ?? [])
      if (one.isUnread) expect(packaged.has(one.ingredientId) && !read.has(one.ingredientId)).toBe(true);
  });
});

describe("the topping bar", () => {
  test("has every topping once, with what all tables take of it, for no more people than are fed", () => {
    fc.assert(
      fc.property(classes, (input) => {
        const made = plan(input);
        const bar = toppingBarOf(input, made);
        const recipeOf = (dishId: string) => made.dishes.find((dish) => dish.id === dishId)?.recipe;
        // What the cook step takes stands at the heat, in a bowl of its own.
        const cookedIn = (dishId: string, lineId: string) => {
          const recipe = recipeOf(dishId);
          return recipe?.steps.some(
            (step) => cooksPieces(step, recipe) && step.draws.some((draw) => draw.lineId === lineId),
          );
        };
        const topped = made.stations.flatMap((station) => station.kit.filter((line) => line.bowl === "topping"));
        const lines = made.stations.flatMap((station) =>
          station.kit.flatMap((line) =>
            line.bowl === "topping" && line.part === undefined
              ? [{ ...line, key: `${cookedIn(station.dishId, line.lineId) ? "heat/" : ""}${line.ingredientId}` }]
              : [],
          ),
        );
        // A sauce is one bowl with all that its ingredients contain; a filling stands with those who fill.
        for (const one of bar) {
          if (!("part" in one.food)) continue;
          const name = one.food.part;
          const made = one.dishIds.flatMap((id) => recipeOf(id) ?? []);
          const inIt = made.flatMap((recipe) => {
            const partIds = recipe.parts.filter((part) => part.name === name).map((part) => part.id);
            expect(partIds.length).toBeGreaterThan(0);
            return recipe.lines.filter((line) => one.key === `${recipe.id}/${line.partId ?? ""}`);
          });
          expect(inIt.length).toBeGreaterThan(0);
          for (const line of inIt)
            for (const substance of input.pantry.find((each) => each.id === line.ingredientId)?.contains ?? [])
              expect(one.mark.contains).toContain(substance);
        }
        const foods = bar.filter((one) => !("part" in one.food));
        expect(foods.map((one) => one.key).sort()).toEqual([...new Set(lines.map((line) => line.key))].sort());
        expect(foods.every((one) => (one.stands === "heat") === one.key.startsWith("heat/"))).toBe(true);
        const fed = made.stations.reduce((sum, station) => sum + station.eaters, 0);
        for (const one of bar) {
          expect(one.takers).toBeLessThanOrEqual(one.people);
          expect(one.people).toBeLessThanOrEqual(fed);
        }
        for (const one of foods) {
          const own = lines.filter((line) => line.key === one.key);
          const grams = own.reduce((sum, line) => sum + (line.buyGrams ?? NaN), 0);
          if (one.grams === null) expect(grams).toBeNaN();
          else expect(one.grams).toBeCloseTo(grams, 6);
          if (one.bowl && one.grams !== null) expect(one.bowl.count * one.bowl.sizeMl).toBeGreaterThan(0);
        }
        // What is to taste has no amount, and it is said.
        const toTaste = new Set(topped.filter((line) => line.kind === "to-taste").map((line) => line.ingredientId));
        const told = made.findings.flatMap((one) => (one.code === "topping-to-taste" ? one.ingredientIds : []));
        expect([...told].sort()).toEqual([...toTaste].sort());
      }),
      { numRuns: 60 },
    );
  });

  test("C10: jam for the pairs, cream for the share that takes any", () => {
    const read = readClassFile(readFileSync("test/cases/c10-pairs-from-a-fixed-bowl.json", "utf8"));
    if (!read.ok) throw new Error(read.problems.join("\n"));
    expect(
      toppingBarOf(read.input, plan(read.input)).map(({ key, people, takers, grams }) => [key, people, takers, grams]),
    ).toEqual([
      ["jam", 10, 10, 240],
      ["cream", 10, 6, 90],
    ]);
  });
});
