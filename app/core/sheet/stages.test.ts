import { surfaceIdOf } from "~/core/ids";
import { CalendarDate } from "@internationalized/date";
import fc from "fast-check";
import { mixings } from "~/core/plan";
import { pinnableBells } from "~/core/schedule";
import { type ClassInput, plan, stages } from "~/core/plan";
import { ratio, inMinutes } from "~/core/quantity";
import { type Recipe, tools } from "~/core/recipe";
import { demoClasses } from "~/demo/boathouse";
import { brief, classes, labels, people } from "../../../test/generators";
import { recipes } from "../../../test/recipes";
import { sealsOf, textOf } from "./contents";
import { changesBetween, stageInputs, stateOfStage } from "./stages";

const { next, current } = demoClasses(new CalendarDate(2026, 11, 24));
const seals = (input: ClassInput) => sealsOf(input, plan(input));

test("two more people go through everything, and only what depends on them is stale", () => {
  const more = { ...current, brief: { ...current.brief, people: current.brief.people + 2 } };
  const [before, after] = [seals(current), seals(more)];
  const stale = stages.filter((stage) => stateOfStage(before[stage], after[stage]) === "stale");
  expect(stale).toEqual(["brief", "allergies", "amounts", "kits", "gear", "timeline", "teach", "log"]);
  expect(changesBetween(stageInputs(current, "amounts"), stageInputs(more, "amounts"))).toEqual([
    { name: "brief:people", from: "12", to: "14" },
  ]);
  expect(stateOfStage(undefined, after.recipe)).toBe("open");
});

test("another brand of one ingredient makes the allergy table stale and nothing that is weighed", () => {
  const other = {
    ...current,
    labels: current.labels.map((label) =>
      label.ingredientId === "butter" ? { ...label, product: "another butter" } : label,
    ),
  };
  const changed = stages.filter((stage) => seals(current)[stage] !== seals(other)[stage]);
  expect(changed).toEqual(["allergies", "teach"]);
});

test("a stored stamp gives away nobody's needs", () => {
  const stored = JSON.stringify(stages.map((stage) => stageInputs(next, stage)));
  for (const word of ["hazelnut", "rescue", "hives", "pen in the red bag"]) expect(stored).not.toContain(word);
  for (const person of next.people) expect(stored).not.toContain(person.name);
});

test("the names a database gives to rows are no inputs: the same class written anew is not stale", () => {
  const anew = {
    ...next,
    dishes: next.dishes.map((dish, index) => ({ ...dish, id: `written-anew-${index}` })),
    kitchen: {
      ...next.kitchen,
      surfaces: next.kitchen.surfaces.map((one, index) => ({ ...one, id: surfaceIdOf(`s-${index}`) })),
    },
  };
  expect(seals(anew)).toEqual(seals(next));
});

/** One change of any kind to any part of a class, most of them small. */
const edit: fc.Arbitrary<(input: ClassInput) => ClassInput> = fc.oneof(
  fc.tuple(brief, fc.nat()).map(([other, at]) => (input: ClassInput): ClassInput => {
    const keys = Object.keys(other) as (keyof typeof other)[];
    const key = keys[at % keys.length] ?? "people";
    return { ...input, brief: { ...input.brief, [key]: other[key] } };
  }),
  fc.tuple(people, fc.nat()).map(([others, at]) => (input: ClassInput): ClassInput => {
    const [other] = others;
    return other && input.people.length > 0
      ? {
          ...input,
          people: input.people.map((one, index) =>
            index === at % input.people.length ? { ...other, id: one.id } : one,
          ),
        }
      : { ...input, people: others };
  }),
  labels.map((read) => (input: ClassInput) => ({ ...input, labels: read.slice(0, 3) })),
  fc.tuple(fc.nat(), fc.integer({ min: 1, max: 9 })).map(([at, places]) => (input: ClassInput): ClassInput => ({
    ...input,
    kitchen: {
      ...input.kitchen,
      surfaces: input.kitchen.surfaces.map((one, index) =>
        index === at % Math.max(1, input.kitchen.surfaces.length) ? { ...one, places } : one,
      ),
    },
  })),
  fc.tuple(fc.constantFrom(...tools), fc.nat({ max: 9 })).map(([tool, owned]) => (input: ClassInput): ClassInput => ({
    ...input,
    kitchen: {
      ...input.kitchen,
      gear: [...input.kitchen.gear.filter((one) => one.tool !== tool), { tool, owned }],
    },
  })),
  fc.nat().map((at) => (input: ClassInput): ClassInput => ({
    ...input,
    pantry: input.pantry.map((one, index) =>
      index === at % input.pantry.length ? { ...one, waterPercent: 100 - one.waterPercent } : one,
    ),
  })),
  fc.tuple(recipes, fc.nat()).map(([recipe, at]) => (input: ClassInput): ClassInput => ({
    ...input,
    dishes: input.dishes.map((dish, index) =>
      index === at % Math.max(1, input.dishes.length) ? { ...dish, variantId: null, recipe: recipe as Recipe } : dish,
    ),
  })),
  fc.constant((input: ClassInput): ClassInput => ({ ...input, arrangement: { seats: null, apart: [0] } })),
  fc
    .constantFrom(...pinnableBells)
    .map((bell) => (input: ClassInput): ClassInput => ({ ...input, pins: [{ bell, at: inMinutes(95) }] })),
  fc.nat(2).map((station) => (input: ClassInput): ClassInput => {
    const ingredientId = input.dishes[0]?.recipe.lines[0]?.ingredientId ?? "plain-flour";
    const own = { id: "own", name: "Their own", broughtBy: "them", label: null, instead: { station, ingredientId } };
    return { ...input, shared: [...(input.shared ?? []).filter((food) => !food.instead), own] };
  }),
  fc.constant((input: ClassInput): ClassInput => ({ ...input, dishes: input.dishes.slice(1) })),
  fc
    .record({
      bowl: fc.constantFrom(undefined, ratio(1n), ratio(3n, 2n)),
      cooks: fc.constantFrom(undefined, "wanted" as const),
      mixing: fc.constantFrom(undefined, ...mixings),
      isTaken: fc.boolean(),
    })
    .map(({ bowl, cooks, mixing, isTaken }) => (input: ClassInput): ClassInput => ({
      ...input,
      dishes: input.dishes.map((dish) => ({
        ...dish,
        bowl,
        cooks,
        mixing,
        takes: isTaken
          ? dish.recipe.lines.flatMap((line) =>
              (line.alternatives ?? []).slice(-1).map(({ ingredientId }) => ({ lineId: line.id, ingredientId })),
            )
          : undefined,
      })),
    })),
  fc.constantFrom("Saturday", "Sunday").map((title) => (input: ClassInput) => ({ ...input, title })),
  fc.constant((input: ClassInput): ClassInput => ({ ...input, kitchen: { ...input.kitchen, circuits: [] } })),
  fc.constant((input: ClassInput): ClassInput => structuredClone(input)),
);

test("a sheet's content changes exactly when its stamp does, and what is named as the reason is never nothing", () => {
  let changes = 0;
  fc.assert(
    fc.property(classes, fc.array(edit, { minLength: 1, maxLength: 12 }), (start, edits) => {
      const shownBy = (input: ClassInput) => {
        const made = plan(input);
        const texts = new Map(stages.map((stage) => [stage, textOf(stage, input, made)]));
        return { input, texts, seals: { ...sealsOf(input, made) } };
      };
      let before = shownBy(start);
      for (const change of edits) {
        const after = shownBy(change(before.input));
        for (const stage of stages) {
          const isOther = before.texts.get(stage) !== after.texts.get(stage);
          expect(before.seals[stage] !== after.seals[stage]).toBe(isOther);
          if (!isOther) continue;
          changes += 1;
          const named = changesBetween(stageInputs(before.input, stage), stageInputs(after.input, stage));
          if (named.length === 0)
            throw new Error(`${stage} changed and nothing is named: ${change.toString().slice(0, 300)}`);
        }
        before = after;
      }
    }),
    { numRuns: 26 },
  );
  expect(changes).toBeGreaterThan(150);
});

test("a role, a pantry figure of what a variant swaps in, and either of two foods of one name make their sheets stale", () => {
  const [person] = next.people;
  if (!person) throw new Error("the demonstration has people");
  const other = (input: ClassInput) => stages.filter((stage) => seals(next)[stage] !== seals(input)[stage]);
  const asTaster = {
    ...next,
    people: next.people.map((one) => (one === person ? { ...one, role: "taster" as const } : one)),
  };
  expect(other(asTaster)).toEqual(expect.arrayContaining(["brief", "allergies"]));
  const swapped = next.dishes.find((dish) => dish.variantId !== null);
  const swap = swapped?.recipe.variants.find((one) => one.id === swapped.variantId)?.swaps[0];
  if (!swap) throw new Error("a dish of the demonstration is made in a variant that swaps");
  const changed = {
    ...next,
    pantry: next.pantry.map((one) =>
      one.id === swap.ingredientId ? { ...one, contains: [...one.contains, "sesame" as const] } : one,
    ),
  };
  expect(other(changed)).toContain("allergies");
  expect(changesBetween(stageInputs(next, "allergies"), stageInputs(changed, "allergies"))).toEqual([
    expect.objectContaining({ name: `ingredient:${swap.ingredientId}` }),
  ]);
  const food = (id: string, contains: ("milk" | "egg")[]) => ({
    id,
    name: "Cake",
    broughtBy: "Someone",
    label: { product: "Cake", contains, mayContain: [], readBy: "Lead", readOn: "2026-11-20" },
  });
  const two = { ...next, shared: [food("a", ["milk"]), food("b", [])] };
  const second = { ...next, shared: [food("a", ["milk"]), food("b", ["egg"])] };
  expect(seals(two).allergies).not.toBe(seals(second).allergies);
});

test("what goes round a kitchen is among the inputs by what it is, not by how many kinds there are", () => {
  const [input] = fc.sample(classes, { numRuns: 1, seed: 3 });
  if (!input) throw new Error("a class");
  const round = (thing: "scale" | "grater", count: number) =>
    stageInputs({ ...input, kitchen: { ...input.kitchen, goesRound: [{ thing, count }] } }, "timeline");
  expect(round("scale", 1)).not.toEqual(round("grater", 1));
  expect(round("scale", 1)).not.toEqual(round("scale", 2));
});
