import { readFileSync } from "node:fs";
import fc from "fast-check";
import { usedUpOf } from "~/core/gear";
import { takeHomeOf, toppingBarOf } from "~/core/pack";
import { knownFood } from "~/core/pantry";
import { prepTasks } from "~/core/prep";
import { type Bowl, type Recipe, isForPlate } from "~/core/recipe";
import { tareReadings } from "~/core/kit";
import { shoppingList } from "~/core/shop";
import { turnsOf } from "~/core/turns";
import { readClassFile } from "~/formats/class-file";
import { classes } from "../../../test/generators";
import { plan } from "./plan";
import type { ClassInput } from "./types";

/** A class whose sauces, fillings and flavoured butters are all made in one kind of bowl, as their author writes it down. */
const madeIn = (input: ClassInput, bowl: Bowl): ClassInput => ({
  ...input,
  dishes: input.dishes.map((dish) => {
    const isAside = (partId: string | null) =>
      dish.recipe.parts.some((part) => part.id === partId && isForPlate(part.kind));
    const recipe: Recipe = {
      ...dish.recipe,
      lines: dish.recipe.lines.map((line) => (isAside(line.partId) && line.bowl !== "pan" ? { ...line, bowl } : line)),
    };
    return { ...dish, recipe };
  }),
});

test("in whichever bowl a sauce is made it is no batter: batter, time, bags, bar and work ahead are the same", () => {
  let sauces = 0;
  fc.assert(
    fc.property(classes, fc.constantFrom<Bowl>("dry", "wet", "bowl"), (input, bowl) => {
      const [asTopping, inBowl] = [madeIn(input, "topping"), madeIn(input, bowl)];
      const seen = (made: ClassInput) => {
        const planned = plan(made);
        const { pantry } = knownFood(made);
        return {
          batter: planned.dishes.map((dish) => [dish.batter.grams, dish.batter.millilitres, dish.batchYield.pieces]),
          readings: planned.stations.map((station) => tareReadings(station.kit)),
          tasks: planned.timeline.tasks,
          bar: toppingBarOf(made, planned),
          prep: prepTasks(made, planned, pantry),
        };
      };
      const [before, after] = [seen(asTopping), seen(inBowl)];
      sauces += after.bar.filter((one) => "part" in one.food).length;
      expect(after).toEqual(before);
    }),
    { numRuns: 40 },
  );
  expect(sauces).toBeGreaterThan(1);
});

test("C22: butter from one microwave, a nut filling that is cooked beside, pairs spread with a table knife, who may by two ages", () => {
  const read = readClassFile(readFileSync("test/cases/c22-filled-pairs.json", "utf8"));
  if (!read.ok) throw new Error(read.problems.join("\n"));
  const made = plan(read.input);
  const [dish] = made.dishes;
  const recipe = dish?.recipe;
  if (!recipe) throw new Error("there is a dish");
  const tasks = (kind: string) => made.timeline.tasks.filter((task) => task.kind === kind);
  // Thirty-six seconds each in the one microwave, whatever the pace: the fourth table waits for three.
  const melts = tasks("prepare").filter((task) => task.stepId === "melt");
  expect(melts.map((task) => Math.round((task.start - 8.5) * 60)).sort((a, b) => a - b)).toEqual([0, 36, 72, 108]);
  expect(melts.every((task) => Math.round((task.end - task.start) * 60) === 36)).toBe(true);
  // The filling is made beside the batter, by one pair of hands, and cooks for its five minutes at any pace.
  const boiled = tasks("part").filter((task) => task.stepId === "boil-nuts");
  expect(boiled.map((task) => Math.round(task.end - task.start))).toEqual([5, 5, 5, 5]);
  // Cautions stand at the step that has them, and a table knife is none.
  const hazardsAt = (id: string) => recipe.steps.find((step) => step.id === id)?.hazards;
  expect(["melt", "stir-nuts", "boil-nuts", "cool", "fill", "serve"].map(hazardsAt)).toEqual([
    ["spitting"],
    ["small-pieces"],
    ["boiling-sauce"],
    [],
    [],
    [],
  ]);
  expect(hazardsAt("cook")).toContain("oil-smokes");
  // Nine to eleven pour with somebody beside; of six to eight nobody does, and who is left of a table takes the turns.
  const handsOf = (names: string[]) =>
    turnsOf({
      people: read.input.people.filter((person) => names.includes(person.name)),
      recipe,
      loads: 2,
      pantry: knownFood(read.input).pantry,
      labels: knownFood(read.input).labels,
    })
      .filter((turn) => turn.job === "pour")
      .map((turn) => [turn.hands.length, turn.beside.length]);
  expect(handsOf(["Ada Marl", "Bo Reed", "Cy Sedge"])).toEqual([
    [1, 1],
    [1, 1],
  ]);
  expect(handsOf(["Ada Marl", "Dot Wharf"])).toEqual([
    [0, 0],
    [0, 0],
  ]);
  // Gear: a saucepan and a rack a table, one knife each and one to show with; what is used up is bought, less what is there.
  const needed = (tool: string) => made.gear.find((line) => line.tool === tool)?.needed;
  expect(["saucepan", "rack", "table-knife", "microwave", "gloves", "kitchen-paper"].map(needed)).toEqual([
    5, 4, 5, 1, 14, 2,
  ]);
  const bought = shoppingList(
    [{ classId: "c22", totals: made.totals, packs: [], kitchenId: "room", usedUp: usedUpOf(made.gear) }],
    knownFood(read.input).pantry,
    new Map(),
    [],
  );
  expect(bought.flatMap((line) => (line.tool ? [[line.tool, line.buyPieces]] : []))).toEqual([
    ["gloves", 9],
    ["kitchen-paper", 1],
  ]);
  // The filling goes home between, and is on the label; the bar has the berries, each table its filling.
  const [label] = takeHomeOf(read.input, made);
  expect(label?.ingredients.find((one) => one.ingredientId === "walnuts")).toMatchObject({
    contains: ["walnut"],
    grams: 60,
  });
  expect(toppingBarOf(read.input, made).map((bowl) => [bowl.key, bowl.stands, bowl.grams])).toEqual([
    ["strawberries", "bar", 240],
    ["nut-pairs/filling", "table", 600],
  ]);
  // In one bowl on a scale only the batter adds up.
  expect(tareReadings(made.stations[0]?.kit ?? []).map((reading) => Math.round(reading.running))).toEqual([
    200, 208, 428, 478, 498,
  ]);
});
