import { z } from "zod";
import { type Diet, diets, substances } from "~/core/pantry";
import { type Need, type Participant, ageBands, participantRoles, severities } from "~/core/people";
import { choice, optionalWords, words } from "../form";

/** Substances a person can avoid, on one form. */
export const needRows = 4;
const dietNames = Object.keys(diets) as [Diet, ...Diet[]];

export const personFormSchema = z
  .object({
    version: z.int().optional(),
    name: words(120, "a name"),
    role: choice(participantRoles, "what they do"),
    ageBand: choice(ageBands, "an age"),
    answered: choice(["no", "yes"], "whether they answered"),
    diet: z.enum(dietNames, { error: "Choose a diet from the list." }).optional(),
    needs: z
      .array(
        z.object({
          substance: z.enum(substances, { error: "Choose from the list." }).optional(),
          severity: z.enum(severities, { error: "Choose how bad it is." }).optional(),
          touchOrAir: z.boolean().default(false),
          note: optionalWords(300),
        }),
      )
      .max(needRows)
      .default([]),
  })
  .superRefine((form, context) => {
    form.needs.forEach((need, index) => {
      if (need.substance && !need.severity)
        context.addIssue({
          code: "custom",
          path: ["needs", index, "severity"],
          message: "Say how bad it is; it decides whether “may contain” counts.",
        });
      if (!need.substance && (need.severity || need.note))
        context.addIssue({
          code: "custom",
          path: ["needs", index, "substance"],
          message: "Say what they avoid, or empty this row.",
        });
    });
    const avoided = form.needs.flatMap((need) => need.substance ?? []);
    avoided.forEach((substance, index) => {
      if (avoided.indexOf(substance) !== index)
        context.addIssue({
          code: "custom",
          path: ["needs", index, "substance"],
          message: "This stands twice. Keep the graver one.",
        });
    });
    if (form.answered === "no" && (avoided.length > 0 || form.diet))
      context.addIssue({
        code: "custom",
        path: ["answered"],
        message: "Something is declared below, so somebody did answer. Choose “answered”, or empty the rows.",
      });
  });

/** The person a form describes. */
export function personOf(form: z.output<typeof personFormSchema>): Omit<Participant, "id"> {
  const needs: Need[] = [
    ...form.needs.flatMap((need): Need[] =>
      need.substance && need.severity
        ? [
            {
              kind: "substance",
              substance: need.substance,
              severity: need.severity,
              touchOrAir: need.touchOrAir,
              note: need.note,
            },
          ]
        : [],
    ),
    ...(form.diet ? [{ kind: "diet" as const, diet: form.diet, note: "" }] : []),
  ];
  return { name: form.name, role: form.role, ageBand: form.ageBand, hasAnswered: form.answered === "yes", needs };
}

/** A person as a form's first values. */
export function personValues(person: Participant | undefined, version: number | undefined) {
  const avoided = person?.needs.flatMap((need) => (need.kind === "substance" ? [need] : [])) ?? [];
  return {
    version,
    name: person?.name ?? "",
    role: person?.role ?? "cook",
    ageBand: person?.ageBand ?? "6-11",
    answered: person?.hasAnswered ? "yes" : "no",
    diet: person?.needs.find((need) => need.kind === "diet")?.diet ?? "",
    needs: Array.from({ length: needRows }, (_, index) => ({
      substance: avoided[index]?.substance ?? "",
      severity: avoided[index]?.severity ?? "",
      touchOrAir: avoided[index]?.touchOrAir ? "on" : "",
      note: avoided[index]?.note ?? "",
    })),
  };
}
