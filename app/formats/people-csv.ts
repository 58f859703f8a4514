import Papa from "papaparse";
import { writeCsv } from "./csv";
import { type Diet, type Substance, diets, substances } from "~/core/pantry";
import {
  type AgeBand,
  type Need,
  type Participant,
  type ParticipantRole,
  type Severity,
  ageBands,
  participantRoles,
  severities,
} from "~/core/people";

/**
 * People as CSV: `name, role, age, answered, avoids, diet`. `avoids` holds "milk: allergy; egg: intolerance (baked is fine)".
 * Comma, semicolon and tab are told apart by themselves; spreadsheet exports of any of them come in.
 */
export const peopleColumns = ["name", "role", "age", "answered", "avoids", "diet"] as const;

export interface RowProblem {
  readonly row: number;
  readonly column: string;
  readonly sentence: string;
}
export type PeopleRead =
  | { readonly ok: true; readonly people: readonly Omit<Participant, "id">[] }
  | { readonly ok: false; readonly problems: readonly RowProblem[] };

const mostRows = 400;
const yes = ["yes", "y", "true", "1", "x"];
const no = ["", "no", "n", "false", "0"];

const wordsOf = (values: readonly string[]) => values.join(", ");

function readAvoids(text: string): Need[] | string {
  const needs: Need[] = [];
  for (const part of text
    .split(";")
    .map((one) => one.trim())
    .filter(Boolean)) {
    const read = /^([a-z-]+)\s*(?::\s*([a-z-]+))?(?:\s*\(([^)]{0,300})\))?$/i.exec(part);
    const substance = substances.find((one) => one === read?.[1]?.toLowerCase());
    const severity = severities.find((one) => one === read?.[2]?.toLowerCase());
    if (!substance)
      return `“${part.slice(0, 40)}” is not understood. Write what is avoided and how bad it is, such as “milk: allergy”; what can be named: ${wordsOf(substances)}.`;
    if (!severity)
      return `“${part.slice(0, 40)}” does not say how bad it is. Write one of ${wordsOf(severities)} after a colon, such as “${substance}: allergy”.`;
    if (needs.some((need) => need.kind === "substance" && need.substance === substance))
      return `${substance} stands twice. Keep the graver one.`;
    needs.push({
      kind: "substance",
      substance: substance satisfies Substance,
      severity: severity satisfies Severity,
      touchOrAir: false,
      note: read?.[3] ?? "",
    });
  }
  return needs;
}

/** Reads people from CSV text, all or none: with any problem nobody comes in, and every problem is named with its row. */
export function readPeopleCsv(text: string): PeopleRead {
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^﻿/, "").trim(), {
    header: true,
    skipEmptyLines: "greedy",
    transformHeader: (header) => header.trim().toLowerCase(),
    transform: (value) => value.trim(),
  });
  const columns = parsed.meta.fields ?? [];
  const problems: RowProblem[] = [];
  if (!columns.includes("name"))
    return {
      ok: false,
      problems: [
        {
          row: 1,
          column: "name",
          sentence: `The first row should name the columns: ${wordsOf(peopleColumns)}. ${columns.length > 0 && columns[0] ? `It begins with “${columns[0].slice(0, 40)}”.` : "Nothing came."}`,
        },
      ],
    };
  if (parsed.data.length === 0)
    return {
      ok: false,
      problems: [{ row: 2, column: "name", sentence: "There is no person under the column names." }],
    };
  if (parsed.data.length > mostRows)
    return {
      ok: false,
      problems: [
        {
          row: mostRows + 2,
          column: "name",
          sentence: `${parsed.data.length} rows came; a class has at most ${mostRows} people.`,
        },
      ],
    };
  const people = parsed.data.flatMap((record, index): Omit<Participant, "id">[] => {
    const row = index + 2;
    const before = problems.length;
    const say = (column: string, sentence: string) => problems.push({ row, column, sentence });
    const get = (column: string) => (typeof record[column] === "string" ? record[column] : "");
    const name = get("name");
    if (name === "") say("name", "No name in this row.");
    if (name.length > 120) say("name", "This name is longer than 120 letters.");
    const role = get("role") === "" ? "cook" : participantRoles.find((one) => one === get("role").toLowerCase());
    if (!role) say("role", `“${get("role").slice(0, 40)}” is not one of ${wordsOf(participantRoles)}.`);
    const ageBand =
      get("age") === "" ? "adult" : ageBands.find((one) => one === get("age").toLowerCase().replace("–", "-"));
    if (!ageBand) say("age", `“${get("age").slice(0, 40)}” is not one of ${wordsOf(ageBands)}.`);
    const answered = get("answered").toLowerCase();
    if (!yes.includes(answered) && !no.includes(answered))
      say("answered", `“${answered.slice(0, 40)}” is neither yes nor no.`);
    const avoids = readAvoids(get("avoids"));
    if (typeof avoids === "string") say("avoids", avoids);
    const diet =
      get("diet") === "" ? undefined : (Object.keys(diets) as Diet[]).find((one) => one === get("diet").toLowerCase());
    if (get("diet") !== "" && !diet)
      say("diet", `“${get("diet").slice(0, 40)}” is not one of ${wordsOf(Object.keys(diets))}.`);
    if (problems.length > before || typeof avoids === "string") return [];
    const needs: Need[] = [...avoids, ...(diet ? [{ kind: "diet" as const, diet, note: "" }] : [])];
    // Whoever declared something has answered, whatever the column says; nobody is made to have answered "nothing".
    return [
      {
        name,
        role: role as ParticipantRole,
        ageBand: ageBand as AgeBand,
        hasAnswered: yes.includes(answered) || needs.length > 0,
        needs,
      },
    ];
  });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, people };
}

/** People as CSV that {@link readPeopleCsv} reads back. */
export const writePeopleCsv = (people: readonly Participant[]): string =>
  writeCsv(
    peopleColumns,
    people.map((person) => [
      person.name,
      person.role,
      person.ageBand,
      person.hasAnswered ? "yes" : "no",
      person.needs
        .flatMap((need) =>
          need.kind === "substance"
            ? [`${need.substance}: ${need.severity}${need.note ? ` (${need.note.replace(/[();]/g, ",")})` : ""}`]
            : [],
        )
        .join("; "),
      person.needs.flatMap((need) => (need.kind === "diet" ? [need.diet] : []))[0] ?? "",
    ]),
  );
