import { readFileSync } from "node:fs";
import fc from "fast-check";
import { classes } from "../../../test/generators";
import { knownFood, starterPantry } from "~/core/pantry";
import { type ClassInput, type Mixing, plan } from "~/core/plan";
import { ratio } from "~/core/quantity";
import { demoClasses } from "~/demo/boathouse";
import { readClassFile } from "~/formats/class-file";
import { prepTasks, startBy } from "./prep";

const pantry = new Map(starterPantry.map((one) => [one.id, one]));
const { next, current } = demoClasses();
const tasksOf = (input: ClassInput) => prepTasks(input, plan(input), new Map(input.pantry.map((one) => [one.id, one])));
const caseOf = (name: string): ClassInput => {
  const read = readClassFile(readFileSync(`test/cases/${name}.json`, "utf8"));
  if (!read.ok) throw new Error(read.problems.join("\n"));
  return read.input;
};

describe("prep, worked backwards", () => {
  test("what has to begin first comes first, and nothing is begun so early that it does not keep", () => {
    const tasks = tasksOf(caseOf("c3-fritters-mended"));
    expect(tasks.map(startBy)).toEqual(tasks.map(startBy).sort((a, b) => b - a));
    for (const task of tasks) {
      expect(task.notBefore).toBeGreaterThanOrEqual(task.doneBy);
      expect(task.notBefore).toBeLessThanOrEqual(Math.max(task.doneBy, task.keepsHours * 60));
    }
  });

  test("C3: 2.25 kg of courgette to grate, to be salted and squeezed to its share", () => {
    const tasks = tasksOf(caseOf("c3-fritters-mended"));
    const squeeze = tasks.find((task) => task.kind === "squeeze");
    expect(squeeze?.grams).toBeCloseTo(2250, 3);
    expect(squeeze?.keptGrams).toBeCloseTo(2250 * 0.65, 3);
    expect(squeeze?.waitMinutes).toBe(12);
    expect(tasks.find((task) => task.id === "trim:courgette")?.keptGrams).toBeCloseTo(2250, 3);
  });

  test("C4: the seeds swell before they are mixed", () => {
    expect(tasksOf(caseOf("c4-fruit-gel-gluten-free")).filter((task) => task.kind === "soak-gel")).toHaveLength(1);
  });

  test("a bulk dry mix says what goes into each bag, and all bags are the mix", () => {
    const input = { ...current, brief: { ...current.brief, kitMode: "dry-mix" as const } };
    const mixes = tasksOf(input).filter((task) => task.kind === "dry-mix");
    expect(mixes.length).toBeGreaterThan(0);
    for (const mix of mixes) {
      expect(mix.bags.reduce((sum, bag) => sum + bag.grams * bag.count, 0)).toBeCloseTo(mix.grams ?? 0, 6);
      expect(mix.storage).toBe("dry");
    }
    expect(tasksOf(current).filter((task) => task.kind === "dry-mix")).toEqual([]);
  });

  test("frozen food is thawed overnight", () => {
    const frozen: ClassInput = {
      ...next,
      pantry: next.pantry.map((one) => (one.id === "blueberries" ? { ...one, storage: "frozen" as const } : one)),
    };
    const thaw = tasksOf(frozen).find((task) => task.kind === "thaw");
    expect(thaw).toMatchObject({ ingredientIds: ["blueberries"], storage: "chilled" });
    expect(startBy(thaw ?? tasksOf(frozen)[0] ?? never())).toBeGreaterThan(12 * 60);
  });

  test("fruit is thawed or drained, never salted; what is grated is squeezed, and waits only for salt", () => {
    const [dish] = next.dishes;
    if (!dish) throw new Error("the class has a dish");
    const kept = (ingredientId: string, note: string) => {
      const recipe = {
        ...dish.recipe,
        lines: [
          ...dish.recipe.lines,
          {
            id: "extra",
            partId: null,
            ingredientId,
            amount: { kind: "exact" as const, amount: { value: ratio(100n), unit: "g" as const } },
            bowl: "bowl" as const,
            keeps: 0.8,
            isOptional: false,
            note,
          },
        ],
      };
      const input = { ...next, dishes: [{ ...dish, recipe, stations: null }] };
      return tasksOf(input).flatMap((task) =>
        task.id.endsWith(":extra") ? [[task.kind, task.waitMinutes, task.isSalted ?? null]] : [],
      );
    };
    expect(kept("blueberries", "frozen, thawed and drained")).toEqual([["thaw", 720, null]]);
    expect(kept("blueberries", "")).toEqual([["drain", 15, null]]);
    expect(kept("sweetcorn", "")).toEqual([["drain", 15, null]]);
    expect(kept("courgette", "")).toEqual([["squeeze", 0, false]]);
    expect(tasksOf(caseOf("c3-fritters-mended")).find((task) => task.kind === "squeeze")?.isSalted).toBe(true);
  });

  test("no class without a cold box, unless nothing in it is chilled", () => {
    expect(tasksOf(next).some((task) => task.kind === "chill-down")).toBe(true);
    expect(prepTasks({ ...next, dishes: [] }, plan({ ...next, dishes: [] }), pantry)).toEqual([]);
  });
});

function never(): never {
  throw new Error("there is a task");
}

test("how a batter is mixed changes nothing of what is made beside it, or got ready for it", () => {
  fc.assert(
    fc.property(classes, (input) => {
      const { pantry } = knownFood(input);
      const beside = (mixing: Mixing | undefined) => {
        const mixed = { ...input, dishes: input.dishes.map((dish) => ({ ...dish, mixing })) };
        const made = plan(mixed);
        return {
          batches: made.stations.map((station) => station.scale.factor),
          parts: prepTasks(mixed, made, pantry).flatMap((task) => (task.kind === "make-part" ? [task.grams] : [])),
        };
      };
      const [once, halves] = [beside(undefined), beside("halves")];
      if (JSON.stringify(once.batches, text) !== JSON.stringify(halves.batches, text)) return;
      halves.parts.forEach((grams, at) => expect(grams ?? 0).toBeCloseTo(once.parts[at] ?? 0, 6));
      expect(halves.parts).toHaveLength(once.parts.length);
    }),
    { numRuns: 40 },
  );
});
const text = (_key: string, value: unknown) => (typeof value === "bigint" ? value.toString() : value);
