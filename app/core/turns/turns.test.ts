import fc from "fast-check";
import { starterPantry } from "~/core/pantry";
import { starterRecipes } from "~/demo/recipes";
import { people as someone } from "../../../test/generators";
import { type AgeBand, type Participant, ageBands } from "~/core/people";
import { doings, mayOf, mays, ownRules, usualRules } from "./house";
import { turnsOf } from "./turns";

const pantry = new Map(starterPantry.map((one) => [one.id, one]));
const labels = new Map();
const child = (id: string, more: Partial<Participant> = {}): Participant => ({
  id,
  name: id,
  role: "cook",
  ageBand: "6-11",
  hasAnswered: true,
  needs: [],
  ...more,
});
const pancakes = starterRecipes.find((one) => one.id === "slipway-pancakes") ?? starterRecipes[0];
if (!pancakes) throw new Error("no recipe");
const rota = (people: Participant[], loads = 4) => turnsOf({ people, recipe: pancakes, loads, pantry, labels });
const eggAllergy: Participant["needs"] = [
  { kind: "substance", substance: "egg", severity: "allergy", touchOrAir: false, note: "" },
];

test("nobody egg-allergic cracks an egg, stirs it in or pours it; and it says why", () => {
  const turns = rota([child("Ada", { needs: eggAllergy }), child("Bo"), child("Cal")]);
  const withEgg = turns.filter((turn) => turn.leftOut.some(({ participantId }) => participantId === "Ada"));
  expect(withEgg.some((turn) => turn.job === "crack")).toBe(true);
  for (const turn of withEgg) expect(turn.hands).not.toContain("Ada");
  expect(withEgg[0]?.leftOut[0]?.reason).toEqual({ why: "avoids", ingredientId: "egg" });
});

test("everyone who may stirs at every mixing step, and another begins each time", () => {
  const stirs = rota([child("Ada"), child("Bo"), child("Cal")]).filter((turn) => turn.job === "stir");
  expect(stirs.length).toBeGreaterThan(0);
  for (const turn of stirs) expect([...turn.hands].sort()).toEqual(["Ada", "Bo", "Cal"]);
  expect(new Set(stirs.map((turn) => turn.hands[0])).size).toBe(Math.min(3, stirs.length));
});

test("a small child is kept from the heat, and what nobody may do is left to the instructor", () => {
  const turns = rota([child("Pip", { ageBand: "under-6" })]);
  const heat = turns.filter((turn) => turn.job === "pour" || turn.job === "turn");
  expect(heat.length).toBeGreaterThan(0);
  for (const turn of heat) {
    expect(turn.hands).toEqual([]);
    expect(turn.leftOut.map((one) => one.participantId)).toEqual(["Pip"]);
  }
});

test("whoever has not answered is not given what is allergenic by nature", () => {
  const turns = rota([child("Ada", { hasAnswered: false }), child("Bo")]);
  for (const turn of turns.filter((one) => one.job === "crack")) expect(turn.hands).toEqual(["Bo"]);
});

test("for any people and recipe: nobody has a job they are left out of, and the able share the rest within one turn", () => {
  fc.assert(
    fc.property(
      someone,
      fc.constantFrom(...starterRecipes),
      fc.integer({ min: 0, max: 6 }),
      (people, recipe, loads) => {
        const turns = turnsOf({ people, recipe, loads, pantry, labels });
        const counts = new Map(people.map((person) => [person.id, 0]));
        for (const turn of turns) {
          const out = new Set(turn.leftOut.map((one) => one.participantId));
          expect(turn.hands.filter((id) => out.has(id))).toEqual([]);
          if (turn.job === "stir") expect(turn.hands.length + out.size).toBe(people.length);
          else {
            expect(turn.hands.length).toBe(out.size === people.length ? 0 : 1);
            for (const id of turn.hands) counts.set(id, (counts.get(id) ?? 0) + 1);
          }
        }
        const never = new Set(turns.flatMap((turn) => turn.leftOut.map((one) => one.participantId)));
        const free = people.filter((person) => !never.has(person.id)).map((person) => counts.get(person.id) ?? 0);
        if (free.length > 1) expect(Math.max(...free) - Math.min(...free)).toBeLessThanOrEqual(1);
      },
    ),
    { numRuns: 1000 },
  );
});

test("the house rules say who may: a class's own stand above the usual, and who needs somebody beside is named", () => {
  const own = [
    { doing: "heat", band: "6-11", may: "no" },
    { doing: "crack", band: "6-11", may: "beside" },
  ] as const;
  const at = (house: typeof own | undefined, job: string) =>
    turnsOf({ people: [child("Ada")], recipe: pancakes, loads: 1, pantry, labels, house }).filter(
      (turn) => turn.job === job,
    );
  expect(at(undefined, "pour").map(({ hands, beside }) => [hands, beside])).toEqual([[["Ada"], ["Ada"]]]);
  expect(at(own, "pour").map(({ hands, leftOut }) => [hands, leftOut])).toEqual([
    [[], [{ participantId: "Ada", reason: { why: "house-rule", doing: "heat" } }]],
  ]);
  expect(at(undefined, "crack").every((turn) => turn.beside.length === 0)).toBe(true);
  expect(at(own, "crack").every((turn) => turn.beside.includes("Ada"))).toBe(true);
  // Six to eight pour nothing hot by the usual rules; from nine on with somebody beside. A rule for the whole holds for its halves.
  const pours = (ageBand: AgeBand, house: typeof own | undefined) =>
    turnsOf({ people: [child("Ada", { ageBand })], recipe: pancakes, loads: 1, pantry, labels, house }).find(
      (turn) => turn.job === "pour",
    )?.hands;
  expect([pours("6-8", undefined), pours("9-11", undefined), pours("9-11", own)]).toEqual([[], ["Ada"], []]);
});

test("a sauce that is cooked is one job for one person, not poured and turned load by load", () => {
  const [mix, ...others] = pancakes.steps;
  if (!mix) throw new Error("no step");
  const saucy = {
    ...pancakes,
    parts: [
      { id: "sauce", name: "Sauce", kind: "sauce", heat: "hob", minutes: mix.minutes, makesGrams: null },
    ] as const,
    steps: [{ ...mix, id: "sauce-cook", partId: "sauce", kind: "cook" as const, draws: [] }, mix, ...others],
  };
  const turns = turnsOf({ people: [child("Ada", { ageBand: "adult" })], recipe: saucy, loads: 3, pantry, labels });
  expect(turns.filter((turn) => turn.stepId === "sauce-cook").map((turn) => turn.job)).toEqual(["do"]);
});

test("of any table of rules only what differs is kept, and read back it says the same; older may never less by the usual ones", () => {
  const halves: readonly AgeBand[] = ["6-8", "9-11"];
  const table = fc.array(fc.constantFrom(...mays, undefined), {
    minLength: doings.length * ageBands.length,
    maxLength: doings.length * ageBands.length,
  });
  fc.assert(
    fc.property(table, (cells) => {
      const chosen = (doing: (typeof doings)[number], band: (typeof ageBands)[number]) =>
        cells[doings.indexOf(doing) * ageBands.length + ageBands.indexOf(band)];
      const rules = ownRules(chosen);
      for (const doing of doings)
        for (const band of ageBands) {
          // What is as usual for the whole of six to eleven is no rule, and says nothing of its halves.
          const whole = chosen(doing, "6-11");
          const isRule = whole !== undefined && whole !== usualRules[doing]["6-11"];
          const inherited = halves.includes(band) && isRule ? whole : usualRules[doing][band];
          expect(mayOf(rules, doing, band)).toBe(chosen(doing, band) ?? inherited);
        }
      for (const rule of rules) {
        const others = rules.filter((one) => one !== rule);
        expect(rule.may).not.toBe(mayOf(others, rule.doing, rule.band));
      }
    }),
  );
  for (const doing of doings)
    for (const [at, band] of ageBands.entries()) {
      const next = ageBands[at + 1];
      if (next)
        expect(mays.indexOf(usualRules[doing][next])).toBeLessThanOrEqual(mays.indexOf(usualRules[doing][band]));
    }
});

test("who serves is kept off all that is on the plates, whatever the step itself draws", () => {
  const serving = pancakes.steps.find((step) => step.kind === "serve");
  const recipe = {
    ...pancakes,
    steps: pancakes.steps.map((step) => (step === serving ? { ...step, draws: [], who: "anyone" as const } : step)),
  };
  const turns = turnsOf({
    people: [child("Ada", { needs: eggAllergy }), child("Bo")],
    recipe,
    loads: 1,
    pantry,
    labels,
  });
  const served = turns.filter((turn) => turn.stepId === serving?.id);
  expect(served.length).toBeGreaterThan(0);
  for (const turn of served) expect([turn.hands, turn.leftOut[0]?.participantId]).toEqual([["Bo"], "Ada"]);
});

test("a child that may not have egg white handles no egg, nor one whose word nobody understands anything", () => {
  const needing = (food: string): Participant["needs"] => [
    { kind: "food", food, severity: "allergy", touchOrAir: false, note: "" },
  ];
  const handsOf = (food: string) =>
    new Set(rota([child("Ada", { needs: needing(food) }), child("Bo")]).flatMap((turn) => turn.hands));
  const cracks = rota([child("Ada", { needs: needing("egg white") }), child("Bo")]).filter(
    (turn) => turn.job === "crack",
  );
  expect(cracks.length).toBeGreaterThan(0);
  for (const turn of cracks) expect(turn.hands).toEqual(["Bo"]);
  expect(handsOf("xyzzy").has("Ada")).toBe(
    rota([child("Ada")]).some(({ stepId }) => pancakes.steps.find((step) => step.id === stepId)?.draws.length === 0),
  );
});
