import { z } from "zod";
import { type Participant, ageBands } from "~/core/people";
import { choice, optionalWords, words } from "../form";
import { checkNeedRows, dietField, foodOf, needRow, needsOf, substanceOf } from "../need-rows";
import type { Answer } from "~/services/intake.server";

/** Children one guardian can answer for on one form, and substances for each. */
export const mostPeople = 6;
export const needRows = 3;

const personSchema = z
  .object({
    name: words(120, "the name, as on the register"),
    ageBand: choice(ageBands, "an age"),
    answer: z.enum(["nothing", "something"], { error: "Say whether there is anything to avoid." }),
    needs: z.array(needRow).max(needRows).default([]),
    diet: dietField,
    words: optionalWords(2000),
    emergency: optionalWords(500),
  })
  .superRefine((person, context) => {
    const say = (path: (string | number)[], message: string) => context.addIssue({ code: "custom", path, message });
    checkNeedRows(person.needs, (row, field, message) => say(["needs", row, field], message));
    const says =
      person.needs.some((need) => need.substance || need.food) || person.diet !== undefined || person.words !== "";
    if (person.answer === "nothing" && says)
      say(["answer"], "Something is written below. Choose “there is something”, or empty the fields.");
    if (person.answer === "something" && !says)
      say(["answer"], "Say below what it is, in the lists or in your own words.");
  });

export const intakeSchema = z.object({
  by: words(120, "your own name"),
  people: z.array(personSchema).min(1, { error: "Answer for at least one person." }).max(mostPeople),
});

/** What a form says of each person; free words stay what they are until somebody has read them. */
export function answersOf(form: z.output<typeof intakeSchema>, on: string): Answer[] {
  return form.people.map((person) => ({
    name: person.name,
    ageBand: person.ageBand,
    needs: needsOf(person.needs, person.diet),
    ...(person.words === "" ? {} : { words: { text: person.words, readBy: null } }),
    ...(person.emergency === "" ? {} : { emergency: person.emergency }),
    answered: { by: form.by, on },
  }));
}

const emptyNeeds = () =>
  Array.from({ length: needRows }, () => ({ substance: "", food: "", severity: "", touchOrAir: "" }));
export const emptyPerson = () => ({
  name: "",
  ageBand: "",
  answer: "",
  needs: emptyNeeds(),
  diet: "",
  words: "",
  emergency: "",
});

/** What was typed, in the shape of the form whatever was sent: fields that are none are dropped, missing ones are empty. */
export function typedOf(payload: Readonly<Record<string, unknown>>): {
  by: string;
  people: ReturnType<typeof emptyPerson>[];
} {
  const text = (value: unknown): string => (typeof value === "string" ? value.slice(0, 4000) : "");
  const part = (value: unknown): Readonly<Record<string, unknown>> =>
    typeof value === "object" && value !== null ? (value as Record<string, unknown>) : {};
  const people = Array.isArray(payload.people) ? payload.people.slice(0, mostPeople) : [];
  return {
    by: text(payload.by),
    people: (people.length > 0 ? people : [{}]).map((one) => {
      const person = part(one);
      const needs = Array.isArray(person.needs) ? person.needs : [];
      return {
        name: text(person.name),
        ageBand: text(person.ageBand),
        answer: text(person.answer),
        needs: emptyNeeds().map((_, index) => {
          const need = part(needs[index]);
          return {
            substance: text(need.substance),
            food: text(need.food),
            severity: text(need.severity),
            touchOrAir: text(need.touchOrAir),
          };
        }),
        diet: text(person.diet),
        words: text(person.words),
        emergency: text(person.emergency),
      };
    }),
  };
}

/** A person's last answer as a form's first values, to be confirmed or corrected. */
export function valuesOf(person: Participant) {
  const avoided = person.needs.flatMap((need) => (need.kind === "diet" ? [] : [need]));
  const hasMore = avoided.length > needRows;
  const words = [
    person.words?.text ?? "",
    // Notes have no field of their own here.
    ...avoided.flatMap((need) => (need.note === "" ? [] : [`${substanceOf(need) || foodOf(need)}: ${need.note}`])),
    // What the rows do not hold must not get lost on the way through the form.
    hasMore
      ? `Also avoids: ${avoided
          .slice(needRows)
          .map((need) => substanceOf(need) || foodOf(need))
          .join(", ")}`
      : "",
  ].filter((text) => text !== "");
  const has = person.needs.length > 0 || words.length > 0;
  return {
    name: person.name,
    ageBand: person.ageBand,
    answer: has ? "something" : "",
    needs: emptyNeeds().map((empty, index) => {
      const need = avoided[index];
      return need
        ? {
            substance: substanceOf(need),
            food: foodOf(need),
            severity: need.severity,
            touchOrAir: need.touchOrAir ? "on" : "",
          }
        : empty;
    }),
    diet: person.needs.find((need) => need.kind === "diet")?.diet ?? "",
    words: words.join("\n"),
    emergency: person.emergency ?? "",
  };
}
