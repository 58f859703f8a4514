import { readFileSync } from "node:fs";
import { CalendarDate } from "@internationalized/date";
import { demoClasses } from "~/demo/boathouse";
import { readClassFile } from "~/formats/class-file";
import { plan } from "./plan";
import type { ClassInput } from "./types";

const caseOf = (name: string): ClassInput => {
  const read = readClassFile(readFileSync(`test/cases/${name}.json`, "utf8"));
  if (!read.ok) throw new Error(read.problems.join("\n"));
  return read.input;
};
const codes = (input: ClassInput) => plan(input).findings.map((one) => one.code);
const homes = caseOf("c8-remote-households");
const withBrief = (input: ClassInput, brief: Partial<ClassInput["brief"]>): ClassInput => ({
  ...input,
  brief: { ...input.brief, ...brief },
});

describe("households apart are each a room of their own", () => {
  test("nobody queues at one sink: a household washes its own hands whatever the others do", () => {
    const firstBell = (input: ClassInput) => plan(input).timeline.bells.find((one) => one.kind !== "doors")?.at;
    // Twice the households at one sink would wash for twice as long.
    expect(firstBell(withBrief(homes, { people: 24 }))).toBe(firstBell(homes));
    expect(firstBell(homes)).toBe(1.5);
  });

  test("a household of children alone wants an adult, and one adult of the others does not stand in", () => {
    expect(codes(homes)).not.toContain("home-without-adult");
    const alone = {
      ...homes,
      people: homes.people.map((one) =>
        one.id === "p0" ? { ...one, ageBand: "6-8" as const, role: "cook" as const } : one,
      ),
    };
    const said = plan(alone).findings.find((one) => one.code === "home-without-adult");
    expect(said).toMatchObject({ level: "warns", stationIds: [expect.any(String)] });
    // Adults among children are counted by household, never over the whole screen.
    expect(codes(alone)).not.toContain("adults-few");
  });

  test("who tastes and lives in none of the households can be fed by nobody", () => {
    expect(codes(homes)).not.toContain("tasters-far");
    expect(plan(withBrief(homes, { tasters: 3 })).findings).toContainEqual(
      expect.objectContaining({ code: "tasters-far", people: 3 }),
    );
    const lives = { ...homes.people[0], id: "t", name: "Taster", role: "taster" as const, grownUpId: "p0" };
    const atHome = {
      ...withBrief(homes, { tasters: 1 }),
      people: [...homes.people, lives as (typeof homes.people)[0]],
    };
    expect(codes(atHome)).not.toContain("tasters-far");
  });

  test("their sockets are not the kitchen's circuits", () => {
    // One weak circuit: a class in one room cannot plug its surfaces in there, homes are not asked about it.
    const weak = {
      ...homes,
      kitchen: {
        ...homes.kitchen,
        surfaces: homes.kitchen.surfaces.map((one) => ({ ...one, watts: 2000 })),
        circuits: [{ id: "c", name: "Wall", volts: 230, amps: 1, sockets: 1, plugAmps: null }],
      },
    };
    const ofCircuits = (input: ClassInput) => codes(input).filter((code) => code.startsWith("circuit"));
    expect(ofCircuits(withBrief(weak, { isRemote: false }))).not.toEqual([]);
    expect(ofCircuits(weak)).toEqual([]);
    expect(codes(weak)).toContain("home-sockets");
  });
});

describe("a batch that is only shown", () => {
  const shown = caseOf("c17-shown-to-tasters");
  test("wants no adult at a heat of its own and rings no bell to change", () => {
    const made = plan(shown);
    expect(made.findings.map((one) => one.code)).not.toContain("adults-few");
    expect(made.timeline.bells.map((one) => one.kind)).not.toContain("swap");
  });
});

describe("what is cooked waits on a tray", () => {
  const early = caseOf("c1-oven-puffed");
  test("for no longer than such pieces bear, unless they are eaten as they come", () => {
    const said = plan(early).findings.find((one) => one.code === "waits-on-tray");
    expect(said).toMatchObject({ level: "warns", keep: "at-once", most: 5 });
    if (said?.code !== "waits-on-tray") throw new Error("it waits");
    expect(said.minutes).toBeGreaterThan(said.most);
    expect(codes(withBrief(early, { mealMode: "as-it-comes" }))).not.toContain("waits-on-tray");
    expect(codes(withBrief(early, { mealMode: "together" }))).toContain("waits-on-tray");
  });
});

test("no line of the demonstration is laid out with nothing", () => {
  let lines = 0;
  const { next, current } = demoClasses(new CalendarDate(2026, 11, 24));
  for (const input of [
    next,
    current,
    ...["c9-landing-stage", "c17-shown-to-tasters", "c6-measuring-lesson", "c21-spoons-of-their-own"].map(caseOf),
  ]) {
    const { demoKit } = plan(input);
    lines += demoKit.length;
    expect(demoKit.filter((line) => line.main?.grams === 0 && !line.apart)).toEqual([]);
  }
  expect(lines).toBeGreaterThan(0);
});

test("a class that says nothing of how it eats plans as one that eats together", () => {
  const { next } = demoClasses(new CalendarDate(2026, 11, 24));
  expect(plan(withBrief(next, { mealMode: "together" }))).toEqual(plan(withBrief(next, { mealMode: undefined })));
});
