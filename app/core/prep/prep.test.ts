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

  test("what the class grates and squeezes is not done before it; made ahead it is, and then all of it", () => {
    const inClass = tasksOf(caseOf("c3-fritters-mended"));
    expect(inClass.filter((task) => task.kind === "squeeze" || task.id === "trim:courgette")).toEqual([]);
    const written = caseOf("c3-fritters-mended");
    const tasks = tasksOf({
      ...written,
      dishes: written.dishes.map((dish) => ({ ...dish, mixing: "ahead" as const })),
    });
    const squeeze = tasks.find((task) => task.kind === "squeeze");
    expect(squeeze?.grams).toBeCloseTo(2250, 3);
    expect(squeeze?.keptGrams).toBeCloseTo(2250 * 0.65, 3);
    expect(squeeze?.waitMinutes).toBe(12);
    expect(squeeze?.isSalted).toBe(true);
    expect(tasks.find((task) => task.id === "trim:courgette")?.keptGrams).toBeCloseTo(2250, 3);
  });

  test("C4: the seeds swell before they are mixed: in class, where a step gives them their water", () => {
    const written = caseOf("c4-fruit-gel-gluten-free");
    const soaks = (input: typeof written) => tasksOf(input).filter((task) => task.kind === "soak-gel").length;
    const isSoaked = plan(written).dishes.some(({ recipe }) =>
      recipe.steps.some(
        (step) =>
          step.kind === "prepare" &&
          step.draws.some((draw) => recipe.lines.find((line) => line.id === draw.lineId)?.ingredientId === "chia"),
      ),
    );
    expect(soaks(written)).toBe(isSoaked ? 0 : 1);
    expect(soaks({ ...written, dishes: written.dishes.map((dish) => ({ ...dish, mixing: "ahead" as const })) })).toBe(
      1,
    );
  });

  test("no task of before the doors works on what a step of the class works on", () => {
    let looked = 0;
    fc.assert(
      fc.property(classes, (input) => {
        const made = plan(input);
        for (const task of prepTasks(input, made, knownFood(input).pantry)) {
          const dish = made.dishes.find((one) => one.id === task.dishId);
          const own = ["squeeze", "drain", "soak-gel", "melt"].includes(task.kind)
            ? task.id.split(":").at(-1)
            : undefined;
          if (!dish || own === undefined) continue;
          looked += 1;
          const steps = (dish.atTable ?? dish.recipe).steps.filter((step) => step.kind === "prepare");
          expect([task.id, steps.some((step) => step.draws.some((draw) => draw.lineId === own))]).toEqual([
            task.id,
            false,
          ]);
        }
      }),
      { numRuns: 60 },
    );
    expect(looked).toBeGreaterThan(10);
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
