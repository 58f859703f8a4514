import { z } from "zod";
import { type Participant, ageBands, participantRoles } from "~/core/people";
import { choice, optionalWords, words } from "../../form";
import {
  checkNeedRows,
  coversFields,
  coversOf,
  dietField,
  foodOf,
  isOnlyThis,
  needRow,
  needsOf,
  substanceOf,
} from "../../need-rows";

/** Substances a person can avoid, on one form. */
export const needRows = 4;

export const personFormSchema = z
  .object({
    version: z.int().optional(),
    name: words(120, "a name"),
    role: choice(participantRoles, "what they do"),
    ageBand: choice(ageBands, "an age"),
    grownUpId: z.uuid({ error: "Choose a grown-up from the list." }).optional(),
    email: z.email({ error: "Give an e-mail address such as name@house.example, or none." }).max(200).optional(),
    note: optionalWords(500),
    words: optionalWords(2000),
    areWordsRead: z.boolean().default(false),
    wordsSayNothing: z.boolean().default(false),
    emergency: optionalWords(500),
    answered: choice(["no", "yes"], "whether they answered"),
    diet: dietField,
    needs: z
      .array(needRow.extend({ note: optionalWords(300), ...coversFields }))
      .max(needRows)
      .default([]),
  })
  .superRefine((form, context) => {
    checkNeedRows(form.needs, (row, field, message) =>
      context.addIssue({ code: "custom", path: ["needs", row, field], message }),
    );
    if (form.areWordsRead && form.words !== "" && needsOf(form.needs, form.diet).length === 0 && !form.wordsSayNothing)
      context.addIssue({
        code: "custom",
        path: ["areWordsRead"],
        message:
          "Read, and nothing is ticked above. Turn the words into what they avoid, or sign that they name nothing.",
      });
    if (form.answered === "no" && needsOf(form.needs, form.diet).length > 0)
      context.addIssue({
        code: "custom",
        path: ["answered"],
        message: "Something is declared below, so somebody did answer. Choose “answered”, or empty the rows.",
      });
  });

/**
 * The person a form describes.
 * @param by who typed it, for words that were turned into needs; @param before what is kept where the form does not ask again.
 */
export function personOf(
  form: z.output<typeof personFormSchema>,
  by: string,
  before?: Participant,
): Omit<Participant, "id"> & { readonly email: string } {
  return {
    name: form.name,
    role: form.role,
    ageBand: form.ageBand,
    hasAnswered: form.answered === "yes",
    // A note that has not changed was read by whoever read it first.
    needs: needsOf(form.needs, form.diet, form.areWordsRead ? by : undefined, by).map((need) => {
      const same = before?.needs.find((one) => one.note === need.note && one.noteReadBy);
      const read = need.noteReadBy && same ? { ...need, noteReadBy: same.noteReadBy } : need;
      // What a word covers was said by whoever said it first, as long as it is the same.
      const said = before?.needs.find(
        (one) =>
          one.kind === "food" && read.kind === "food" && one.food === read.food && coversOf(one) === coversOf(read),
      );
      return read.kind === "food" && read.covers && said?.kind === "food" && said.covers
        ? { ...read, covers: said.covers }
        : read;
    }),
    email: form.email ?? "",
    ...(form.grownUpId === undefined ? {} : { grownUpId: form.grownUpId }),
    ...(form.note === "" ? {} : { note: form.note }),
    ...(form.words === ""
      ? {}
      : {
          words: {
            text: form.words,
            readBy: form.areWordsRead ? (before?.words?.readBy ?? by) : null,
            ...(form.areWordsRead && form.wordsSayNothing ? { isNothing: true } : {}),
          },
        }),
    ...(form.emergency === "" ? {} : { emergency: form.emergency }),
    ...(before?.answered ? { answered: before.answered } : {}),
  };
}

/** A person as a form's first values. */
export function personValues(person: Participant | undefined, version: number | undefined, email: string | undefined) {
  const avoided = person?.needs.flatMap((need) => (need.kind === "diet" ? [] : [need])) ?? [];
  const noted = avoided.filter((need) => need.note !== "");
  const areNotesRead = noted.length > 0 && noted.every((need) => need.noteReadBy);
  return {
    version,
    name: person?.name ?? "",
    role: person?.role ?? "cook",
    ageBand: person?.ageBand ?? "6-11",
    answered: person?.hasAnswered ? "yes" : "no",
    grownUpId: person?.grownUpId ?? "",
    email: email ?? "",
    note: person?.note ?? "",
    words: person?.words?.text ?? "",
    areWordsRead: (person?.words ? person.words.readBy !== null : areNotesRead) ? "on" : "",
    wordsSayNothing: person?.words?.isNothing ? "on" : "",
    emergency: person?.emergency ?? "",
    diet: person?.needs.find((need) => need.kind === "diet")?.diet ?? "",
    needs: Array.from({ length: needRows }, (_, index) => ({
      substance: substanceOf(avoided[index]),
      food: foodOf(avoided[index]),
      severity: avoided[index]?.severity ?? "",
      touchOrAir: avoided[index]?.touchOrAir ? "on" : "",
      note: avoided[index]?.note ?? "",
      covers: coversOf(avoided[index]),
      isOnlyThis: isOnlyThis(avoided[index]) ? "on" : "",
    })),
  };
}
