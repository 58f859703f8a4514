import fc from "fast-check";
import { verdictWords } from "~/core/allergen";
import type { LabelReading, Substance } from "~/core/pantry";
import type { Participant } from "~/core/people";
import { bestSeating, costOf } from "~/core/seating";
import { demoClasses } from "~/demo/boathouse";
import { starterRecipes } from "~/demo/recipes";
import { classes } from "../../../test/generators";
import { CalendarDate } from "@internationalized/date";
import { ratio } from "~/core/quantity";
import { plan } from "./plan";
import { listsOf, waysOutFor, seatLists, seatingOf } from "./remedies";
import type { ClassInput } from "./types";

const { next } = demoClasses(new CalendarDate(2026, 11, 25));
const grade = (word: (typeof verdictWords)[number]) => verdictWords.indexOf(word);
const label = (ingredientId: string, contains: Substance[] = []): LabelReading => ({
  ingredientId,
  product: ingredientId,
  contains,
  mayContain: [],
  readBy: "Tester",
  readOn: "2026-11-24",
});
const child = (id: string, needs: Participant["needs"] = []): Participant => ({
  id,
  name: id,
  role: "cook",
  ageBand: "6-11",
  hasAnswered: true,
  needs,
});
const noMilk: Participant["needs"] = [
  { kind: "substance", substance: "milk", severity: "allergy", touchOrAir: false, note: "" },
];
const pancakes = next.dishes[0]?.recipe;
if (!pancakes) throw new Error("the demonstration has a dish");
const everyLabel = [
  label("plain-flour", ["wheat"]),
  label("baking-powder"),
  label("sugar"),
  label("fine-salt"),
  label("whole-milk", ["milk"]),
  label("butter", ["milk"]),
  label("sunflower-oil"),
  label("oat-drink", ["oats"]),
  label("syrup"),
  label("jam"),
];
const room: ClassInput = {
  ...next,
  brief: { ...next.brief, people: 6, stationSize: 3, stationNames: ["Stroke", "Bow", "Rudder"] },
  people: [child("Ada", noMilk), ...["Bo", "Cal", "Dot", "Eva", "Fay"].map((id) => child(id))],
  dishes: [{ id: "plain", recipe: pancakes, variantId: null, stations: null }],
  labels: everyLabel,
  shared: [],
  packs: [],
};

test("milk in the batter: the whole class without it, an own station without it, and sitting out, in that order", () => {
  const remedies = waysOutFor(room, "Ada", []);
  expect(remedies.map((one) => one.kind)).toEqual(["whole-class", "own-station", "sit-out"]);
  const [all, own, out] = remedies;
  expect(all).toMatchObject({ before: "contains", after: "clear", variantId: "no-milk", worsens: [] });
  expect(all?.cost?.setApart).toEqual([]);
  expect(all?.cost?.stations).toBe(0);
  expect(own).toMatchObject({ before: "contains", after: "clear", variantId: "no-milk" });
  expect(own?.cost).toMatchObject({ setApart: ["Ada"], stations: 1 });
  expect(out?.change).toBeNull();
});

test("what the author offers comes before a draft: an advised alternative, and a round that is left out", () => {
  const rounds = [
    { id: "plain", name: "Plain", parts: 1 },
    { id: "nuts", name: "With walnuts", parts: 1 },
  ];
  const [first] = pancakes.lines;
  if (!first) throw new Error("the recipe has lines");
  const walnuts = { ...first, id: "walnuts-in", ingredientId: "walnuts", bowl: "bowl" as const, roundId: "nuts" };
  const recipe = { ...pancakes, variants: [], rounds, lines: [...pancakes.lines, walnuts] };
  const noNuts: Participant["needs"] = [
    { kind: "substance", substance: "tree-nut", severity: "allergy", touchOrAir: false, note: "" },
  ];
  const labels = [...everyLabel, label("walnuts", ["tree-nut"])];
  const here: ClassInput = {
    ...room,
    people: room.people.map((one) => (one.id === "Ada" ? { ...one, needs: noNuts } : one)),
    dishes: [{ id: "plain", recipe, variantId: null, stations: null }],
    labels,
  };
  const [all, own] = waysOutFor(here, "Ada", []);
  for (const way of [all, own])
    expect(way).toMatchObject({
      after: "clear",
      drafted: null,
      choice: { takes: [], rounds: [{ roundId: "nuts", parts: 0 }] },
    });
  const after = plan({ ...here, ...all?.change });
  expect(after.totals.some((total) => total.ingredientId === "walnuts")).toBe(false);
  expect(after.stations.flatMap((station) => station.rounds?.map((round) => round.roundId))).toEqual([
    "plain",
    "plain",
  ]);

  // Milk: the author names oat drink for it, and advises against water; nothing else in the recipe is of milk.
  const milky = {
    ...pancakes,
    variants: [],
    lines: pancakes.lines
      .filter((line) => line.ingredientId !== "butter")
      .map((line) =>
        line.ingredientId === "whole-milk"
          ? {
              ...line,
              alternatives: [
                { ingredientId: "water", isAdvised: false, reason: "it comes out flat" },
                { ingredientId: "oat-drink", isAdvised: true, reason: "" },
              ],
            }
          : line,
      ),
  };
  const dishes = [{ id: "plain", recipe: milky, variantId: null, stations: null, bowl: ratio(2n) }];
  const [taken] = waysOutFor({ ...room, dishes }, "Ada", []);
  expect(taken).toMatchObject({
    kind: "whole-class",
    after: "clear",
    drafted: null,
    choice: { takes: [{ ingredientId: "oat-drink" }], rounds: [] },
  });
  expect(taken?.change?.dishes).toMatchObject([{ takes: [{ ingredientId: "oat-drink" }], bowl: ratio(2n) }]);
});

test("an own station is planned as one: alone, with its own kit, cooking first on a surface nobody used", () => {
  const own = waysOutFor(room, "Ada", []).find((one) => one.kind === "own-station");
  if (!own?.change) throw new Error("an own station was expected");
  const after = plan({ ...room, ...own.change });
  const station = after.stations.find((one) => one.people.includes("Ada"));
  expect(station).toMatchObject({ isApart: true, size: 1 });
  expect(after.stations.flatMap((one) => one.people).sort()).toEqual(room.people.map((one) => one.id).sort());
  const loads = after.timeline.tasks.filter((task) => task.kind === "load" || task.kind === "demo-load");
  const first = loads.find((task) => task.stationId === station?.id);
  expect(first).toBeDefined();
  const earlier = loads.filter((task) => task.surfaceId === first?.surfaceId && task.start < (first?.start ?? 0));
  const washed = after.timeline.tasks.some((task) => task.kind === "wash" && task.surfaceId === first?.surfaceId);
  expect(earlier.length === 0 || washed).toBe(true);
  expect(after.plates.find((plate) => plate.participantId === "Ada")?.exposures).toEqual([]);
});

test("late comers and people who leave take nobody's own dish away: the place keeps what it was arranged for", () => {
  const own = waysOutFor(room, "Ada", []).find((one) => one.kind === "own-station");
  if (!own?.change) throw new Error("an own station was expected");
  const changed: ClassInput = { ...room, ...own.change };
  const variantAt = (input: ClassInput, person: string) => {
    const made = plan(input);
    const station = made.stations.find((one) => one.people.includes(person));
    return made.dishes.find((dish) => dish.id === station?.dishId)?.variantName ?? null;
  };
  const many = [...room.people, ...["Gil", "Hal", "Ida", "Jo"].map((id) => child(id))];
  const later: ClassInput = { ...changed, people: many, brief: { ...room.brief, people: many.length } };
  expect(plan(later).stations.length).toBeGreaterThan(plan(changed).stations.length);
  expect(variantAt(later, "Ada")).toBe("Without milk");
  for (const person of many.slice(1)) expect(variantAt(later, person.id)).toBeNull();
  const without: ClassInput = {
    ...changed,
    people: room.people.slice(1),
    brief: { ...room.brief, people: room.people.length - 1 },
  };
  for (const person of without.people) expect(variantAt(without, person.id)).toBeNull();
});

test("a plate that is right but reached over the griddle is mended by order alone", () => {
  const reachedOnly: ClassInput = {
    ...room,
    dishes: [
      { id: "plain", recipe: pancakes, variantId: null, stations: null },
      { id: "own", recipe: pancakes, variantId: "no-milk", stations: 1 },
    ],
    arrangement: {
      seats: [
        ["Bo", "Cal", "Dot"],
        ["Ada", "Eva", "Fay"],
      ],
      apart: [],
    },
  };
  const now = plan(reachedOnly).plates.find((plate) => plate.participantId === "Ada");
  expect(now?.items.every((item) => item.verdict === "clear")).toBe(true);
  expect(now?.verdict).toBe("contains");
  const [leg] = now?.exposures.find((one) => one.substance === "milk")?.legs ?? [];
  expect(leg?.pickedAt).toBeGreaterThanOrEqual(leg?.leftAt ?? Infinity);
  const order = waysOutFor(reachedOnly, "Ada", []).find((one) => one.kind === "order");
  expect(order).toMatchObject({ before: "contains", after: "clear", variantId: null });
});

test("nothing unread becomes clear by a remedy", () => {
  const unread = { ...room, labels: everyLabel.filter((one) => one.ingredientId !== "oat-drink") };
  for (const one of waysOutFor(unread, "Ada", [])) expect(one.after).not.toBe("clear");
});

test("who has not answered, or may have everything, needs no remedy", () => {
  expect(waysOutFor(room, "Bo", starterRecipes)).toEqual([]);
  const silent = { ...room, people: [{ ...child("Ada"), hasAnswered: false }, ...room.people.slice(1)] };
  expect(waysOutFor(silent, "Ada", starterRecipes)).toEqual([]);
});

test("for any class: every remedy that is proposed makes the plate better, loses nobody, and is what its change plans to", () => {
  let proposed = 0;
  fc.assert(
    fc.property(classes, (random) => {
      const input: ClassInput = {
        ...random,
        labels: everyLabel,
        dishes: [{ id: "first", recipe: pancakes, variantId: null, stations: null }, ...random.dishes],
        people: [child("Ada", noMilk), ...random.people],
      };
      for (const person of input.people.slice(0, 3))
        for (const remedy of waysOutFor(input, person.id, [])) {
          if (!remedy.change) continue;
          proposed += 1;
          const after = plan({ ...input, ...remedy.change });
          const plate = after.plates.find((one) => one.participantId === person.id);
          expect(plate?.verdict).toBe(remedy.after);
          expect(grade(remedy.after)).toBeGreaterThan(grade(remedy.before));
          const seated = (made: typeof after) => made.stations.flatMap((one) => one.people).sort();
          expect(seated(after)).toEqual(expect.arrayContaining(seated(plan(input))));
        }
    }),
    { numRuns: 20 },
  );
  expect(proposed).toBeGreaterThan(10);
});

test("the room as the optimiser sees it: everybody once, and an optimised room loses nobody", () => {
  fc.assert(
    fc.property(classes, (input) => {
      const made = plan(input);
      const { problem, now } = seatingOf(input, made);
      const seated = made.stations.flatMap((one) => one.people);
      if (seated.length !== problem.guests.length || problem.stations === 0) return;
      expect(listsOf(problem, now).flat().sort()).toEqual([...seated].sort());
      const search = bestSeating({ ...problem }, now);
      expect(search.cost).toBeLessThanOrEqual(costOf(problem, now));
      const after = plan({ ...input, arrangement: { seats: listsOf(problem, search.best), apart: [] } });
      expect(seatLists(after).flat().sort()).toEqual([...seated].sort());
    }),
    { numRuns: 14 },
  );
});

test("where no variant clears a plate, the swaps the program knows are drafted into one, and it stays a draft", () => {
  const noEgg = child("c", [{ kind: "substance", substance: "egg", severity: "allergy", touchOrAir: false, note: "" }]);
  const bare = { ...pancakes, variants: [] };
  const input: ClassInput = {
    ...next,
    brief: { ...next.brief, people: 2, stationSize: 1 },
    people: [noEgg, child("d")],
    dishes: [{ id: "d0", recipe: bare, variantId: null, stations: null }],
    labels: everyLabel,
    arrangement: undefined,
    shared: [],
  };
  const ways = waysOutFor(input, "c", []);
  const way = ways.find((one) => one.kind === "whole-class" && one.drafted);
  if (!way?.drafted || !way.change) throw new Error("a drafted variant was expected");
  expect(way.before).toBe("contains");
  expect(way.after).not.toBe("contains");
  expect(way.drafted.swaps).toContainEqual({ from: "egg", to: expect.stringMatching(/chia|linseed/) });
  const variant = way.drafted.recipe.variants.find((one) => one.id === way.variantId);
  expect(variant?.standing).toBe("draft");
  const made = plan({ ...input, ...way.change });
  expect(made.findings.map((finding) => finding.code)).toContain("recipe-is-draft");
  expect(made.dishes[0]?.recipe.steps.map((step) => step.text).join(" ")).not.toMatch(
    /\b(crack|beat) (the |an )?eggs?\b/i,
  );
  expect(bare.variants).toEqual([]);
});
