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
 * People as CSV. `avoids` holds "milk: allergy; hazelnut: rescue-medicine touch; egg: intolerance (baked is fine)", where `touch`
 * says that touch or air matters; `with` holds the name of the grown-up in the same file; `words` are kept as they are, unread.
 * Comma, semicolon and tab are told apart by themselves; spreadsheet exports of any of them come in.
 */
export const peopleColumns = [
  "name",
  "role",
  "age",
  "answered",
  "avoids",
  "diet",
  "with",
  "email",
  "emergency",
  "words",
  "note",
] as const;
export type PeopleColumn = (typeof peopleColumns)[number];

/** What columns are called elsewhere, in lower case; the first that stands in a file is taken. */
const otherNames: Readonly<Record<PeopleColumn, readonly string[]>> = {
  name: ["full name", "participant", "child", "first and last name", "who"],
  role: ["does", "kind"],
  age: ["age band", "age group", "ages"],
  answered: ["has answered", "replied", "response"],
  avoids: ["allergies", "allergy", "allergens", "must avoid"],
  diet: ["dietary", "eats"],
  with: ["guardian", "parent", "grown-up", "adult", "carer"],
  email: ["e-mail", "mail", "e-mail address", "email address"],
  emergency: ["medicine", "emergency plan", "medication"],
  words: ["free text", "comment", "comments", "remarks", "other"],
  note: ["notes"],
};

/** The headers of a file and which of them seems to be each of our columns; a header is taken once. */
export function matchColumns(text: string): {
  readonly headers: readonly string[];
  readonly match: Readonly<Partial<Record<PeopleColumn, string>>>;
} {
  const parsed = Papa.parse<string[]>(clean(text), { preview: 1 });
  const headers = [...new Set((parsed.data[0] ?? []).map((header) => header.trim()).filter((header) => header !== ""))];
  const taken = new Set<string>();
  const match: Partial<Record<PeopleColumn, string>> = {};
  for (const names of [peopleColumns.map((column) => [column]), peopleColumns.map((column) => otherNames[column])])
    peopleColumns.forEach((column, index) => {
      const found = headers.find((header) => !taken.has(header) && names[index]?.includes(header.toLowerCase()));
      if (match[column] !== undefined || found === undefined) return;
      match[column] = found;
      taken.add(found);
    });
  return { headers, match };
}

const clean = (text: string): string => text.replace(/^\uFEFF/, "").trim();

export interface RowProblem {
  readonly row: number;
  readonly column: string;
  readonly sentence: string;
}
/** A person of a file; the id is the row's own and names nobody outside the file. */
export type ReadPerson = Participant & { readonly email?: string };
export type PeopleRead =
  | { readonly ok: true; readonly people: readonly ReadPerson[] }
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
    const read = /^([a-z-]+)\s*(?::\s*([a-z-]+))?(\s+touch)?(?:\s*\(([^)]{0,300})\))?$/i.exec(part);
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
      touchOrAir: read?.[3] !== undefined,
      note: read?.[4] ?? "",
    });
  }
  return needs;
}

const longest: Readonly<Partial<Record<PeopleColumn, number>>> = { emergency: 500, words: 2000, note: 500 };
const isAddress = (text: string): boolean => /^[^@\s]+@[^@\s]+\.[^@\s]+$/.test(text) && text.length <= 200;

/**
 * Reads people from CSV text, all or none: with any problem nobody comes in, and every problem is named with its row.
 * @param chosen which header is which column, where somebody said so; else as {@link matchColumns} finds.
 */
export function readPeopleCsv(text: string, chosen?: Readonly<Partial<Record<PeopleColumn, string>>>): PeopleRead {
  const match = chosen ?? matchColumns(text).match;
  const parsed = Papa.parse<Record<string, string>>(clean(text), {
    header: true,
    skipEmptyLines: "greedy",
    // A header that stands twice is read once; the second keeps a name of its own.
    transformHeader: (header, index) => (index === undefined ? header.trim() : header.trim() || `column ${index + 1}`),
    transform: (value) => value.trim(),
  });
  const columns = parsed.meta.fields ?? [];
  const problems: RowProblem[] = [];
  if (match.name === undefined || !columns.includes(match.name))
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
  // A quotation mark that never closes swallows every row after it: none of them may be taken for a name.
  const quotes = parsed.errors.filter((error) => error.type === "Quotes");
  if (quotes.length > 0)
    return {
      ok: false,
      problems: quotes.slice(0, 30).map((error) => ({
        row: (error.row ?? 0) + 2,
        column: "name",
        sentence:
          "A quotation mark here is opened and not closed, or stands in the middle of a cell. Close it, or take it out.",
      })),
    };
  const headOf = (column: PeopleColumn) => match[column];
  const cell = (record: Record<string, string>, column: PeopleColumn): string => {
    const head = headOf(column);
    const value = head === undefined ? undefined : record[head];
    return typeof value === "string" ? value : "";
  };
  const rowOf = new Map(parsed.data.map((record, index) => [cell(record, "name").toLowerCase(), `row-${index + 2}`]));
  const people = parsed.data.flatMap((record, index): ReadPerson[] => {
    const row = index + 2;
    const before = problems.length;
    const say = (column: string, sentence: string) => problems.push({ row, column, sentence });
    const get = (column: PeopleColumn) => cell(record, column);
    const name = get("name");
    if (name === "") say("name", "No name in this row.");
    if (/\p{Cc}/u.test(name)) say("name", "This name has a line break or another sign in it that is no letter.");
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
    const grownUpId = get("with") === "" ? undefined : rowOf.get(get("with").toLowerCase());
    if (get("with") !== "" && (grownUpId === undefined || grownUpId === `row-${row}`))
      say("with", `“${get("with").slice(0, 40)}” is no other person in this list. Write the name as it stands there.`);
    if (get("email") !== "" && !isAddress(get("email")))
      say("email", `“${get("email").slice(0, 40)}” is no e-mail address.`);
    for (const [column, most] of Object.entries(longest) as [PeopleColumn, number][])
      if (get(column).length > most) say(column, `This is longer than ${most} letters.`);
    if (problems.length > before || typeof avoids === "string") return [];
    const needs: Need[] = [...avoids, ...(diet ? [{ kind: "diet" as const, diet, note: "" }] : [])];
    // Whoever declared something has answered, whatever the column says; nobody is made to have answered "nothing".
    return [
      {
        name,
        role: role as ParticipantRole,
        ageBand: ageBand as AgeBand,
        hasAnswered: yes.includes(answered) || needs.length > 0 || get("words") !== "",
        needs,
        id: `row-${row}`,
        ...(grownUpId === undefined ? {} : { grownUpId }),
        ...(get("email") === "" ? {} : { email: get("email").toLowerCase() }),
        ...(get("emergency") === "" ? {} : { emergency: get("emergency") }),
        ...(get("words") === "" ? {} : { words: { text: get("words"), readBy: null } }),
        ...(get("note") === "" ? {} : { note: get("note") }),
      },
    ];
  });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, people };
}

/** People as CSV that {@link readPeopleCsv} reads back. */
export const writePeopleCsv = (people: readonly Participant[], emails: Readonly<Record<string, string>> = {}): string =>
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
            ? [
                `${need.substance}: ${need.severity}${need.touchOrAir ? " touch" : ""}${need.note ? ` (${need.note.replace(/[();]/g, ",")})` : ""}`,
              ]
            : [],
        )
        .join("; "),
      person.needs.flatMap((need) => (need.kind === "diet" ? [need.diet] : []))[0] ?? "",
      people.find((one) => one.id === person.grownUpId)?.name ?? "",
      emails[person.id] ?? "",
      person.emergency ?? "",
      person.words?.text ?? "",
      person.note ?? "",
    ]),
  );
