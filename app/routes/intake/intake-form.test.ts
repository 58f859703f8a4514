import { parseWithZod } from "@conform-to/zod/v4";
import fc from "fast-check";
import { substances } from "~/core/pantry";
import { ageBands, severities } from "~/core/people";
import { people } from "../../../test/generators";
import { answersOf, intakeSchema, needRows, valuesOf } from "./intake-form";

const formOf = (entries: readonly (readonly [string, string])[]) => {
  const form = new FormData();
  for (const [name, value] of entries) form.append(name, value);
  return form;
};
/** Nested values as a browser names the fields of a form. */
function entriesOf(value: unknown, name = ""): [string, string][] {
  if (Array.isArray(value)) return value.flatMap((one, index) => entriesOf(one, `${name}[${index}]`));
  if (typeof value === "object" && value !== null)
    return Object.entries(value).flatMap(([key, one]) => entriesOf(one, name ? `${name}.${key}` : key));
  return value === "" ? [] : [[name, String(value)]];
}
const read = (value: object) => parseWithZod(formOf(entriesOf(value)), { schema: intakeSchema });
const child = { name: "Ada", ageBand: "6-11", answer: "nothing" };

test.each<[string, object, string, RegExp]>([
  ["nobody's name", { people: [child] }, "by", /your own name/],
  ["no answer", { by: "B", people: [{ ...child, answer: "" }] }, "people[0].answer", /Say whether/],
  [
    "nothing, and yet something",
    { by: "B", people: [{ ...child, diet: "vegan" }] },
    "people[0].answer",
    /Something is written below/,
  ],
  [
    "something, and yet nothing",
    { by: "B", people: [{ ...child, answer: "something" }] },
    "people[0].answer",
    /Say below what it is/,
  ],
  [
    "an allergy without its gravity",
    { by: "B", people: [{ ...child, answer: "something", needs: [{ substance: "egg" }] }] },
    "people[0].needs[0].severity",
    /severity/,
  ],
  [
    "the same twice",
    {
      by: "B",
      people: [
        {
          ...child,
          answer: "something",
          needs: [
            { substance: "egg", severity: "allergy" },
            { substance: "egg", severity: "choice" },
          ],
        },
      ],
    },
    "people[0].needs[1].substance",
    /twice/,
  ],
  ["too many people", { by: "B", people: Array.from({ length: 7 }, () => child) }, "people", /./],
])("refused beside its field: %s", (_name, value, field, sentence) => {
  const submission = read(value);
  expect(submission.status).toBe("error");
  expect(submission.reply().error?.[field]?.[0]).toMatch(sentence);
});

test("free words are answers that nobody has read yet", () => {
  const submission = read({ by: "Her aunt", people: [{ ...child, answer: "something", words: "not good with nuts" }] });
  if (submission.status !== "success") throw new Error(JSON.stringify(submission.reply().error));
  expect(answersOf(submission.value, "2026-11-25")).toEqual([
    {
      name: "Ada",
      ageBand: "6-11",
      needs: [],
      words: { text: "not good with nuts", readBy: null },
      answered: { by: "Her aunt", on: "2026-11-25" },
    },
  ]);
});

test("anybody's last answer shown to be confirmed says no less than it did", () => {
  let many = 0;
  fc.assert(
    fc.property(people, (all) => {
      for (const person of all) {
        // A form says each thing once.
        const needs = person.needs.filter(
          (need, index) =>
            person.needs.findIndex((other) =>
              need.kind === "diet"
                ? other.kind === "diet"
                : need.kind === "substance"
                  ? other.kind === "substance" && other.substance === need.substance
                  : other.kind === "food" && other.food === need.food,
            ) === index,
        );
        const values = valuesOf({ ...person, needs });
        const submission = read({ by: "Guardian", people: [{ ...values, answer: values.answer || "nothing" }] });
        if (submission.status !== "success") throw new Error(JSON.stringify(submission.reply().error));
        const [answer] = answersOf(submission.value, "2026-11-25");
        const avoided = needs.filter((need) => need.kind !== "diet");
        const bare = ({ noteReadBy: _readBy, ...need }: (typeof needs)[number]) => ({ ...need, note: "" });
        if (avoided.length > needRows) many += 1;
        expect(new Set(answer?.needs)).toEqual(
          new Set([...avoided.slice(0, needRows), ...needs.filter((need) => need.kind === "diet")].map(bare)),
        );
        for (const need of avoided.slice(needRows))
          expect(answer?.words?.text).toContain(need.kind === "substance" ? need.substance : need.food);
        for (const need of needs) if (need.note !== "") expect(answer?.words?.text).toContain(need.note);
      }
    }),
    { numRuns: 200 },
  );
  expect(many).toBe(0);
  const four = valuesOf({
    id: "p",
    name: "P",
    role: "cook",
    ageBand: "adult",
    hasAnswered: true,
    needs: (["milk", "egg", "soy", "sesame"] as const).map((substance) => ({
      kind: "substance",
      substance,
      severity: "allergy",
      touchOrAir: false,
      note: "",
    })),
  });
  expect(four.words).toBe("Also avoids: sesame");
});

test("5,000 posts of any kind: each is read or refused beside its fields, none throws, none comes through in part", () => {
  const name = fc.oneof(
    fc.constantFrom(
      "by",
      "people",
      "people[0]",
      "people[0].name",
      "people[0].ageBand",
      "people[0].answer",
      "people[0].needs[0].substance",
      "people[0].needs[0].severity",
      "people[0].needs[0].touchOrAir",
      "people[0].needs[9].substance",
      "people[0].diet",
      "people[0].words",
      "people[1].name",
      "people[99999].name",
      "people[-1].name",
      "people.name",
      "__proto__.polluted",
      "constructor.prototype.x",
    ),
    fc.string({ maxLength: 12 }),
  );
  const value = fc.oneof(
    fc.string({ maxLength: 40 }),
    fc.constantFrom("", "nothing", "something", "on", ...substances, ...severities, ...ageBands),
    fc.string({ unit: "binary", maxLength: 20 }),
    fc.constant("x".repeat(3000)),
  );
  let taken = 0;
  let refused = 0;
  fc.assert(
    fc.property(fc.array(fc.tuple(name, value), { maxLength: 14 }), (entries) => {
      const submission = parseWithZod(formOf(entries), { schema: intakeSchema });
      if (submission.status === "success") {
        taken += 1;
        const answers = answersOf(submission.value, "2026-11-25");
        expect(answers.length).toBe(submission.value.people.length);
        expect(answers.every((answer) => answer.name.length > 0)).toBe(true);
      } else {
        refused += 1;
        expect(Object.keys(submission.reply().error ?? {}).length).toBeGreaterThan(0);
      }
    }),
    { numRuns: 5000 },
  );
  expect(taken + refused).toBeGreaterThanOrEqual(5000);
  expect(({} as Record<string, unknown>).polluted).toBeUndefined();
});
