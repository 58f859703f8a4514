import { spawnSync } from "node:child_process";
import { readFileSync, writeFileSync, mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { CalendarDate } from "@internationalized/date";
import fc from "fast-check";
import { z } from "zod";
import { canonical, plan } from "~/core/plan";
import { sealsOf } from "~/core/sheet";
import { demoClasses } from "~/demo/boathouse";
import { classes, people } from "../../test/generators";
import { calendarOf } from "./calendar";
import { classFileSchema, readClassFile, toPlain, writeClassFile } from "./class-file";
import { writeCsv } from "./csv";
import { matchColumns, readPeopleCsv, writePeopleCsv } from "./people-csv";
import { planFileOf, planFileSchema } from "./plan-file";

const { next, current } = demoClasses(new CalendarDate(2026, 11, 24));
const withoutPantry = ({ pantry: _pantry, ...rest }: typeof next) => canonical(rest);

test("a class file read back is the class that was written, and plans to the same", () => {
  fc.assert(
    fc.property(classes, (input) => {
      const read = readClassFile(writeClassFile(input));
      if (!read.ok) throw new Error(read.problems.join("\n"));
      expect(withoutPantry(read.input)).toBe(withoutPantry(input));
      expect(sealsOf(read.input, plan(read.input))).toEqual(sealsOf(input, plan(input)));
    }),
    { numRuns: 25 },
  );
});

test("what a plan prints keeps to its schema, whatever class it is of, and the schema in docs is that one", () => {
  const schema = JSON.parse(readFileSync("docs/plan.schema.json", "utf8"));
  expect(schema).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(planFileSchema, { io: "input" }))));
  fc.assert(
    fc.property(classes, (input) => {
      const printed = JSON.parse(JSON.stringify(planFileOf(input)));
      const read = planFileSchema.safeParse(printed);
      if (!read.success) throw new Error(JSON.stringify(read.error.issues.slice(0, 3)));
    }),
    { numRuns: 25 },
  );
});

test("a file with equal ids, two products for one ingredient, or an id of another kind is refused with a sentence", () => {
  const input = next;
  const changed = (
    change: (file: { class: Record<string, unknown[]> & { kitchen: { surfaces: unknown[] } } }) => void,
  ) => {
    const file = JSON.parse(writeClassFile(input));
    change(file);
    const read = readClassFile(JSON.stringify(file));
    return read.ok ? "" : read.problems.join(" ");
  };
  expect(changed((file) => void file.class.kitchen.surfaces.push(file.class.kitchen.surfaces[0]))).toMatch(
    /surface's id once/,
  );
  const pack = { ingredientId: "sugar", unitGrams: 500, unitsPerPack: 1, unitName: "bag" };
  expect(changed((file) => void (file.class.packs = [pack, { ...pack, unitGrams: 1000 }]))).toMatch(
    /one product per ingredient/,
  );
  const soda = { ...input.pantry.find((one) => one.id === "baking-powder"), id: "egg" };
  expect(changed((file) => void (file.class.pantry = [soda]))).toMatch(/cannot become/);
});

test("the JSON Schema in docs is the one of the schema that reads", () => {
  expect(JSON.parse(readFileSync("docs/class-file.schema.json", "utf8"))).toEqual(
    JSON.parse(JSON.stringify(z.toJSONSchema(classFileSchema, { io: "input" }))),
  );
});

test.each<[string, (file: ReturnType<typeof plain>) => void, RegExp]>([
  ["another version", (file) => void (file.version = 2), /version/],
  ["half a person", (file) => void (file.class.brief.people = 2.5), /class › brief › people/],
  [
    "an amount without a unit",
    (file) => void (file.class.dishes[0].recipe.lines[0].amount = { kind: "exact", amount: "12" }),
    /expected a number above 0 and a unit .* got "12"/,
  ],
  ["a word nobody knows", (file) => void (file.class.colour = "red"), /colour/],
  [
    "one id for two people",
    (file) => void (file.class.people[1].id = file.class.people[0].id),
    /every person's id once/,
  ],
  ["a time zone that is none", (file) => void (file.class.timeZone = "Galley/Table"), /time zone such as/],
  [
    "a top-up that takes away",
    (file) => void (file.class.dishes[0].recipe.lines[5].amount = { kind: "top-up", start: "2 cup", most: "1 cup" }),
    /smaller amount first/,
  ],
])("says what is wrong: %s", (_name, spoil, sentence) => {
  const file = plain();
  spoil(file);
  const read = readClassFile(JSON.stringify(file));
  expect(read.ok ? "read" : read.problems.join("\n")).toMatch(sentence);
});

// Deliberately loose: the tests above break it in ways its type forbids.
type Loose = {
  version: unknown;
  class: {
    colour?: string;
    timeZone: string;
    brief: { people: number };
    people: { id: string }[];
    dishes: { recipe: { lines: { amount: unknown }[] } }[];
  } & Record<string, unknown>;
};
function plain() {
  const file = JSON.parse(writeClassFile(next)) as Loose;
  const [dish, first, second] = [file.class.dishes[0], file.class.people[0], file.class.people[1]];
  if (!dish || !first || !second) throw new Error("the demonstration class has a dish and people");
  return file as Loose & { class: { dishes: [typeof dish]; people: [typeof first, typeof second] } } & {
    class: {
      dishes: [
        { recipe: { lines: Record<number, { amount: unknown }> & { 0: { amount: unknown }; 5: { amount: unknown } } } },
      ];
    };
  };
}

test("whatever text comes as a class file, an answer comes back, never an exception", () => {
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string(),
        fc.json(),
        fc.jsonValue().map((value) => JSON.stringify({ format: "apron-bell-class", version: 1, class: value })),
      ),
      (text) => {
        const read = readClassFile(text);
        expect(read.ok || read.problems.length > 0).toBe(true);
      },
    ),
  );
});

test("people written as CSV are read back the same, all of them", () => {
  fc.assert(
    fc.property(people, (all) => {
      fc.pre(all.length > 0);
      const once = all.map((person) => ({
        ...person,
        needs: person.needs
          .filter(
            (need, index) =>
              person.needs.findIndex((other) =>
                need.kind === "diet"
                  ? other.kind === "diet"
                  : need.kind === "substance"
                    ? other.kind === "substance" && other.substance === need.substance
                    : other.kind === "food" && other.food === need.food,
              ) === index,
          )
          .sort((a, b) => Number(a.kind === "diet") - Number(b.kind === "diet"))
          // Who has read a note is not in a file: whoever brings it in reads it again.
          .map(({ noteReadBy: _readBy, ...need }) => need),
      }));
      const read = readPeopleCsv(writePeopleCsv(once));
      expect(read).toEqual({
        ok: true,
        people: once.map((person, index) => ({ ...person, id: `row-${index + 2}` })),
        problems: [],
      });
    }),
    { numRuns: 60 },
  );
});

test("semicolons, tabs and a byte-order mark from a spreadsheet come in; who declared something has answered", () => {
  const read = readPeopleCsv("\uFEFFName;Age;Avoids\nAda;6-11;egg: allergy (hives)\nBo;adult;\n");
  expect(read).toMatchObject({
    ok: true,
    people: [
      { name: "Ada", hasAnswered: true, needs: [{ substance: "egg", severity: "allergy", note: "hives" }] },
      { name: "Bo", hasAnswered: false, needs: [] },
    ],
  });
});

test("good rows come in, every problem of the others is named with its row, and what is not understood stays words", () => {
  const read = readPeopleCsv(
    "name,age,avoids,answered\nAda,6-11,,yes\n,old,milk,maybe\nCy,adult,moonlight: allergy,no",
  );
  if (!read.ok) throw new Error("two rows are good");
  expect(read.problems.map((problem) => [problem.row, problem.column])).toEqual([
    [3, "name"],
    [3, "age"],
    [3, "answered"],
  ]);
  expect(read.people.map((person) => [person.name, person.words?.text])).toEqual([
    ["Ada", undefined],
    ["Cy", "moonlight: allergy"],
  ]);
});

test("what others call it is taken for what it means: celiac, peanuts, 8, Child, None", () => {
  const read = readPeopleCsv(
    'name,role,age,avoids,diet\nAda,Child,8,celiac,None\nBo,Parent,41,"peanuts, dairy",veggie\nCy,student,teen,None,halal\nDi,,5,food kiwi: allergy,',
  );
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  expect(read.problems).toEqual([]);
  expect(read.people).toMatchObject([
    { role: "cook", ageBand: "6-8", needs: [{ substance: "gluten", severity: "coeliac" }], hasAnswered: true },
    {
      role: "grown-up",
      ageBand: "adult",
      needs: [{ substance: "peanut", severity: "allergy" }, { substance: "milk" }, { diet: "vegetarian" }],
    },
    { ageBand: "12-17", needs: [{ diet: "faith" }], hasAnswered: true },
    { ageBand: "under-6", needs: [{ kind: "food", food: "kiwi", severity: "allergy" }] },
  ]);
});

test("whatever comes as CSV, an answer comes back, never an exception", () => {
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string(),
        fc.string({ unit: "binary" }),
        fc
          .array(fc.array(fc.string()))
          .map((rows) => `name,age,avoids\n${rows.map((row) => row.join(",")).join("\n")}`),
      ),
      (text) => {
        const read = readPeopleCsv(text);
        expect(read.ok ? read.people.length : read.problems.length).toBeGreaterThan(0);
      },
    ),
    { numRuns: 5000 },
  );
});

test("a child is brought in with its grown-up, address, medicine and words; the words stay unread", () => {
  const read = readPeopleCsv(
    "name,age,with,email,emergency,words,note\nNoor,adult,,,,,\nPip,under-6,noor,Noor@House.example,blue bag,no bits please,shy",
  );
  if (!read.ok) throw new Error(read.problems[0]?.sentence);
  expect(read.people[1]).toMatchObject({
    grownUpId: read.people[0]?.id,
    email: "noor@house.example",
    emergency: "blue bag",
    words: { text: "no bits please", readBy: null },
    note: "shy",
    hasAnswered: true,
  });
});

test.each([
  ["a grown-up who is not in the list", "name,with\nPip,Nobody", "with"],
  ["oneself as one's grown-up", "name,with\nPip,Pip", "with"],
  ["a quotation mark that never closes", 'name,age\n"Ada,adult\nBo,adult', "name"],
  ["a name over two lines", 'name,age\n"Ada\nLove",adult', "name"],
  ["an address that is none", "name,email\nPip,not-an-address", "email"],
  ["words without end", `name,words\nPip,${"x".repeat(2001)}`, "words"],
])("refused: %s", (_name, text, column) => {
  const read = readPeopleCsv(text);
  expect(read.ok ? [] : read.problems.map((problem) => problem.column)).toEqual([column]);
});

test("a class file whose child names a grown-up that is not in it is refused with a sentence", () => {
  const file = JSON.parse(writeClassFile(next)) as { class: { people: { grownUpId?: string }[] } };
  const [child] = file.class.people;
  if (!child) throw new Error("the demonstration has people");
  child.grownUpId = "nobody";
  const read = readClassFile(JSON.stringify(file));
  expect(read.ok ? [] : read.problems).toEqual([
    "class › people: expected every grown-up that is named to be another person of the file.",
  ]);
});

test("columns are found under other names, and taken as somebody says", () => {
  const text = "Child;Guardian;Allergies;Age group\nNoor;;;adult\nPip;Noor;egg: allergy;under-6";
  const { headers, match } = matchColumns(text);
  expect(headers).toEqual(["Child", "Guardian", "Allergies", "Age group"]);
  expect(match).toEqual({ name: "Child", with: "Guardian", avoids: "Allergies", age: "Age group" });
  const read = readPeopleCsv(text);
  expect(read.ok && read.people[1]).toMatchObject({ name: "Pip", grownUpId: "row-2", ageBand: "under-6" });
  const other = readPeopleCsv("A,B\nx,Ada\ny,Bo", { name: "B" });
  expect(other.ok && other.people.map((person) => person.name)).toEqual(["Ada", "Bo"]);
  expect(readPeopleCsv("A,B\nx,Ada", { name: "C" }).ok).toBe(false);
});

test("a cell that a spreadsheet would run as a formula is kept as text", () => {
  expect(writeCsv(["a"], [["=1+1"], ["-2"], [-2]])).toBe("a\r\n'=1+1\r\n'-2\r\n-2\r\n");
  for (const cell of [" =1", "\u00a0@x", "\uff1d1", "+1", "\t=1"])
    expect(
      writeCsv(["a"], [[cell]])
        .split("\r\n")[1]
        ?.replace(/^"/, "")
        .startsWith("'"),
    ).toBe(true);
  expect(writeCsv(["a"], [["Bo = Ada"]])).toBe("a\r\nBo = Ada\r\n");
});

test("the calendar holds the class and its bells at the hours of its time zone", () => {
  const text = calendarOf(current, plan(current), (kind) => ({ name: kind, what: "…" })).replace(/\r\n /g, "");
  expect(text).toContain("BEGIN:VCALENDAR");
  expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(1 + plan(current).timeline.bells.length);
  expect(text).toContain("DTSTART:20261124T100000Z");
  // Each bell is said two minutes before it rings; the class as a whole is not.
  expect(text.match(/BEGIN:VALARM/g)).toHaveLength(plan(current).timeline.bells.length);
  expect(text.match(/TRIGGER:-PT2M/g)).toHaveLength(plan(current).timeline.bells.length);
});

test("the plan command prints a plan without a database, and says plainly what it cannot read", () => {
  const run = (file: string) =>
    spawnSync(process.execPath, ["node_modules/tsx/dist/cli.mjs", "scripts/plan.ts", file], {
      encoding: "utf8",
      env: { PATH: process.env.PATH },
    });
  const good = run("test/cases/c5-weighed-small-batch.json");
  expect(good.status).toBe(0);
  expect((JSON.parse(good.stdout) as { stations: unknown[] }).stations).toHaveLength(11);
  const folder = mkdtempSync(path.join(tmpdir(), "apron-bell-"));
  writeFileSync(path.join(folder, "bad.json"), "{ half");
  const bad = run(path.join(folder, "bad.json"));
  expect([bad.status, bad.stdout]).toEqual([2, ""]);
  expect(bad.stderr).toMatch(/not JSON/);
  expect(run(path.join(folder, "missing.json")).status).toBe(2);
});

test("numbers without end and missing values become plain JSON", () => {
  expect(toPlain({ a: Infinity, b: undefined, c: [1n, { num: 3n, den: 4n }] })).toEqual({ a: null, c: ["1", "3/4"] });
});

test("what is too wide, or no answer at all, comes in as words that somebody reads", () => {
  const read = readPeopleCsv(
    "name,age,avoids\nAda,adult,nuts\nBo,adult,shellfish\nCy,adult,-\nDi,adult,n/a\nEd,adult,none",
  );
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  expect(read.people.map((one) => [one.name, one.needs.length, one.words?.text])).toEqual([
    ["Ada", 0, "nuts"],
    ["Bo", 0, "shellfish"],
    ["Cy", 0, "-"],
    ["Di", 0, "n/a"],
    ["Ed", 0, undefined],
  ]);
  // Only the last has said that there is nothing.
  expect(read.people.map((one) => one.hasAnswered && one.words === undefined)).toEqual([
    false,
    false,
    false,
    false,
    true,
  ]);
});
