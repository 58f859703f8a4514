import fc from "fast-check";
import { CalendarDate } from "@internationalized/date";
import { type Leg, thingKinds, thingOf } from "~/core/contact";
import { faultCodes } from "~/core/seating";
import { plan, remedyKinds, waysOutFor } from "~/core/plan";
import { demoClasses } from "~/demo/boathouse";
import { starterRecipes } from "~/demo/recipes";
import { classes } from "../../../test/generators";
import { emergencyNumber } from "./emergency";
import { namesOf } from "./names";
import { reminderLetter } from "./letters";
import { cutWords, cutsOf, remedyTitles, sayExposure, sayFault, sayFaults, sayPath, sayRemedy } from "./people";

const { next } = demoClasses(new CalendarDate(2026, 11, 25));
const made = plan(next);
const names = namesOf(next, made, "en-GB");
const leg = (thing: string, more: Partial<Leg> = {}): Leg => ({
  from: "s1",
  thing,
  leftAt: 20,
  to: "s2",
  pickedAt: 35,
  ...more,
});
const unit = made.timeline.units[0]?.id ?? "";

test.each<[string, readonly Leg[], string]>([
  ["a surface", [leg(`unit:${unit}`)], "Stroke at 09:50 on Carried griddle 1 → Bow at 10:05"],
  ["a tool", [leg("tool:ladle")], "Stroke at 09:50 on a ladle that goes round → Bow at 10:05"],
  ["the pot of fat", [leg("fat:butter")], "Stroke at 09:50 on the pot of butter → Bow at 10:05"],
  ["a topping", [leg("topping:syrup")], "Stroke at 09:50 on the spoon in the breakfast syrup → Bow at 10:05"],
  ["a tub", [leg("tub:sugar")], "Stroke at 09:50 on the tub of granulated sugar → Bow at 10:05"],
  ["the air", [leg("air:", { from: "demo" })], "the instructor’s bowl → the air of the room → Bow"],
  [
    "a kit from the packing table",
    [
      leg("packing:", { from: "kit s1", leftAt: -14, to: "kit s2", pickedAt: -13 }),
      leg("kit:s2", { from: "kit s2", leftAt: -2, to: "s2", pickedAt: -1 }),
    ],
    "the kit of Stroke while packing on the packing table → the kit of Bow while packing",
  ],
  [
    "two legs",
    [leg("fat:butter"), leg(`unit:${unit}`, { from: "s2", leftAt: 35, to: "s3", pickedAt: 40 })],
    "Stroke at 09:50 on the pot of butter → Bow at 10:05, then Bow at 10:05 on Carried griddle 1 → Rudder at 10:10",
  ],
])("the way over %s in one sentence", (_name, legs, sentence) => {
  expect(sayPath(legs, next, made, names)).toBe(sentence);
});

test("every kind of thing has a name, a word for what cuts it, and each cut is said once", () => {
  for (const kind of thingKinds) expect(cutWords[kind].length).toBeGreaterThan(3);
  expect(thingOf("unit:griddle-1")).toEqual({ kind: "unit", id: "griddle-1" });
  expect(cutsOf([leg("fat:butter"), leg("fat:sunflower-oil"), leg("air:")])).toEqual([
    "a pot of fat of their own",
    "nothing but a class without it",
  ]);
});

test("for any class whatever reaches a plate is said whole: no id, no gap, and never that it is safe", () => {
  let said = 0;
  fc.assert(
    fc.property(classes, (input) => {
      const each = plan(input);
      const own = namesOf(input, each, "en-GB");
      for (const plate of each.plates)
        for (const exposure of plate.exposures) {
          const sentence = sayExposure(exposure, input, each, own);
          said += 1;
          expect(sentence).toMatch(/→/);
          expect(sentence).not.toMatch(/undefined|NaN|\bsafe\b|\bs\d+\b|unit:|tool:/);
        }
    }),
    { numRuns: 80 },
  );
  expect(said).toBeGreaterThan(20);
});

test("every remedy has a title and a sentence, and what it proposes is named", () => {
  for (const kind of remedyKinds) expect(remedyTitles[kind]).toBeTruthy();
  const milk = next.people.find((person) => person.name === "Ottoline Brask");
  const ways = waysOutFor(next, milk?.id ?? "", starterRecipes);
  expect(ways.length).toBeGreaterThan(2);
  for (const way of ways) {
    expect(sayRemedy(way)).not.toMatch(/undefined|null|\bsafe\b/);
    if (way.title) expect(sayRemedy(way)).toContain(`“${way.title}”`);
  }
});

test("every fault is said with who and where; what is only not known yet is said together", () => {
  const nameOf = (id: string) => ({ a: "Ada", b: "Bo" })[id] ?? id;
  for (const code of faultCodes) {
    const sentence = sayFault({ code, count: 2, people: ["a", "b"], stations: [0, 1] }, nameOf, names);
    expect(sentence).toMatch(/^[A-Z0-9].*\.$/);
    expect(sentence).not.toMatch(/undefined/);
  }
  expect(
    sayFaults(
      [
        { code: "plate-contains", count: 1, people: ["a"], stations: [0] },
        { code: "plate-unknown", count: 1, people: ["a"], stations: [1] },
        { code: "plate-unknown", count: 1, people: ["b"], stations: [0] },
      ],
      nameOf,
      names,
    ),
  ).toEqual([
    "Ada cannot eat what is made at Stroke.",
    "Ada and Bo: not known yet for what is made at Stroke and Bow.",
  ]);
});

test.each([
  ["Europe/London", "999 or 112"],
  ["Europe/Berlin", "112"],
  ["America/New_York", "911"],
  ["Australia/Sydney", "000"],
  ["Pacific/Auckland", "111"],
  ["Antarctica/Troll", "write the local number here: ______"],
])("the emergency number in %s: %s", (zone, number) => {
  expect(emergencyNumber(zone)).toBe(number);
});

test("a reminder names the class and the link, and nothing of anybody's health", () => {
  const { subject, body } = reminderLetter({
    name: "Fay",
    title: "Breakfast",
    when: "Saturday",
    place: "Hall",
    from: "Lead",
    address: "http://127.0.0.1/intake/x",
    until: "Friday",
  });
  expect(subject).toBe("Breakfast: what must Fay avoid?");
  expect(body).toContain("http://127.0.0.1/intake/x");
  expect(body).toContain("by Friday");
});
