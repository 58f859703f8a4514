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
  mostPeople,
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
  /** The rows that could be read, and what keeps the others out. */
  | { readonly ok: true; readonly people: readonly ReadPerson[]; readonly problems: readonly RowProblem[] }
  | { readonly ok: false; readonly problems: readonly RowProblem[] };

const mostRows = mostPeople;
const yes = ["yes", "y", "true", "1", "x"];
const no = ["", "no", "n", "false", "0"];

const wordsOf = (values: readonly string[]) => values.join(", ");

/**
 * What people write for a substance, each with how bad it is where the word says so. What may mean several ("nuts", "shellfish") is not
 * here: it stays as words, for somebody to read and ask.
 */
const substanceNames: Readonly<Record<string, readonly [Substance, Severity?]>> = {
  celiac: ["gluten", "coeliac"],
  coeliac: ["gluten", "coeliac"],
  "celiac disease": ["gluten", "coeliac"],
  "coeliac disease": ["gluten", "coeliac"],
  dairy: ["milk"],
  lactose: ["milk", "intolerance"],
  "lactose intolerant": ["milk", "intolerance"],
  "lactose intolerance": ["milk", "intolerance"],
  eggs: ["egg"],
  peanuts: ["peanut"],
  "tree nuts": ["tree-nut"],
  "tree nut": ["tree-nut"],
  almonds: ["almond"],
  hazelnuts: ["hazelnut"],
  walnuts: ["walnut"],
  cashews: ["cashew"],
  pecans: ["pecan"],
  pistachios: ["pistachio"],
  "pine nuts": ["pine-nut"],
  "pine nut": ["pine-nut"],
  "brazil nut": ["brazil-nut"],
  "brazil nuts": ["brazil-nut"],
  soya: ["soy"],
  "sesame seeds": ["sesame"],
  crustaceans: ["crustacean"],
  molluscs: ["mollusc"],
  sulphites: ["sulphite"],
  sulfites: ["sulphite"],
  oat: ["oats"],
  gelatin: ["gelatine"],
};
const severityNames: Readonly<Record<string, Severity>> = {
  anaphylaxis: "rescue-medicine",
  anaphylactic: "rescue-medicine",
  epipen: "rescue-medicine",
  severe: "rescue-medicine",
  allergic: "allergy",
  celiac: "coeliac",
  intolerant: "intolerance",
  preference: "choice",
  dislike: "choice",
};
/** An answer, and it is that there is nothing. A dash or "n/a" is none: it says that nobody asked, or that the field does not apply. */
/** Letters of a cell up to which it is read as a list of what somebody avoids. */
const longestAvoids = 1000;

const nothing = /^(?:none|no|nil|nothing|nope|no allergies|none known|nka)\.?$/i;

/**
 * What a cell says must be avoided. A substance without how bad it is counts as an allergy; what cannot be told stays as words that
 * somebody has to read.
 */
function readAvoids(cell: string): { readonly needs: Need[]; readonly unread: string[]; readonly isNothing: boolean } {
  const needs: Need[] = [];
  const unread: string[] = [];
  // What is longer is no list of foods; and reading it by these patterns takes the square of its length.
  if (cell.length > longestAvoids) return { needs, unread: [cell], isNothing: false };
  const text = cell.replace(/[^\S\n]+/g, " ");
  if (nothing.test(text)) return { needs, unread, isNothing: true };
  for (const part of text
    .split(/;|,(?![^(]*\))|\n/)
    .map((one) => one.trim())
    .filter(Boolean)) {
    const read = /^(food\s+)?([\p{L}][\p{L}' -]*?)\s*(?::\s*([a-z-]+))?(\s+touch)?(?:\s*\(([^)]{0,300})\))?$/iu.exec(
      part,
    );
    const word = read?.[2]?.toLowerCase().replace(/\s+(?:allergy|allergic|intolerance|intolerant)$/, "") ?? "";
    const told = /\s+(allergy|allergic|intolerance|intolerant)$/i.exec(read?.[2] ?? "")?.[1]?.toLowerCase();
    const named = substanceNames[word] ?? substanceNames[read?.[2]?.toLowerCase() ?? ""];
    const substance = substances.find((one) => one === word) ?? named?.[0];
    const said = read?.[3]?.toLowerCase() ?? told;
    const severity =
      said === undefined ? (named?.[1] ?? "allergy") : (severities.find((one) => one === said) ?? severityNames[said]);
    if (!read || !severity || (!substance && !read[1])) {
      unread.push(part);
      continue;
    }
    const common = { severity, touchOrAir: read[4] !== undefined, note: read[5] ?? "" };
    const isThere = needs.some((need) =>
      need.kind === "substance"
        ? need.substance === substance
        : need.kind === "food" && read[1] && need.food === read[2],
    );
    if (isThere) unread.push(part);
    else if (read[1]) needs.push({ kind: "food", food: read[2] ?? "", ...common });
    else if (substance) needs.push({ kind: "substance", substance, ...common });
  }
  return { needs, unread, isNothing: false };
}

const roleNames: Readonly<Record<string, ParticipantRole>> = {
  child: "cook",
  kid: "cook",
  student: "cook",
  pupil: "cook",
  participant: "cook",
  learner: "cook",
  attendee: "cook",
  parent: "grown-up",
  guardian: "grown-up",
  adult: "grown-up",
  carer: "grown-up",
  volunteer: "helper",
  assistant: "helper",
};
const ageNames: Readonly<Record<string, AgeBand>> = {
  baby: "under-1",
  infant: "under-1",
  toddler: "under-6",
  child: "6-11",
  kid: "6-11",
  teen: "12-17",
  teenager: "12-17",
  youth: "12-17",
  "grown-up": "adult",
  "18+": "adult",
};
const dietNames: Readonly<Record<string, Diet>> = {
  veggie: "vegetarian",
  veg: "vegetarian",
  "plant-based": "vegan",
  halal: "faith",
  kosher: "faith",
  "no alcohol": "no-alcohol",
};

/** An age as a band: by its own word, another word for it, or years. */
function readAge(text: string): AgeBand | undefined {
  const word = text.toLowerCase().replace("–", "-");
  const years = /^(\d{1,3})(?:\s*(?:y|yrs?|years?)(?: old)?)?$/.exec(word)?.[1];
  if (years === undefined) return ageBands.find((one) => one === word) ?? ageNames[word];
  const age = Number(years);
  if (age > 120) return undefined;
  return age < 1 ? "under-1" : age < 6 ? "under-6" : age < 9 ? "6-8" : age < 12 ? "9-11" : age < 18 ? "12-17" : "adult";
}

const longest: Readonly<Partial<Record<PeopleColumn, number>>> = { emergency: 500, words: 2000, note: 500 };
const isAddress = (text: string): boolean => /^[^@\s]+@[^@\s]+\.[^@\s]+$/.test(text) && text.length <= 200;

/**
 * Reads people from CSV text: the rows that can be read, and every problem of the others with its row. What a file calls otherwise
 * ("celiac", "8", "child", "none") is taken for what it means; what is not understood of needs is kept as words to be read.
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
    const roleWord = get("role").toLowerCase();
    const role = roleWord === "" ? "cook" : (participantRoles.find((one) => one === roleWord) ?? roleNames[roleWord]);
    if (!role) say("role", `“${get("role").slice(0, 40)}” is not one of ${wordsOf(participantRoles)}.`);
    const ageBand = get("age") === "" ? "adult" : readAge(get("age"));
    if (!ageBand) say("age", `“${get("age").slice(0, 40)}” is not one of ${wordsOf(ageBands)}.`);
    const answered = get("answered").toLowerCase();
    if (!yes.includes(answered) && !no.includes(answered))
      say("answered", `“${answered.slice(0, 40)}” is neither yes nor no.`);
    const avoids = readAvoids(get("avoids"));
    const dietWord = get("diet").toLowerCase();
    const diet = (Object.keys(diets) as Diet[]).find((one) => one === dietWord) ?? dietNames[dietWord];
    // What cannot be told is kept as it was written, for somebody to read.
    const unread = [
      get("words"),
      ...avoids.unread,
      ...(dietWord === "" || diet || nothing.test(dietWord) ? [] : [get("diet")]),
    ].filter((one) => one !== "");
    const words = unread.join("\n").slice(0, 2000);
    const grownUpId = get("with") === "" ? undefined : rowOf.get(get("with").toLowerCase());
    if (get("with") !== "" && (grownUpId === undefined || grownUpId === `row-${row}`))
      say("with", `“${get("with").slice(0, 40)}” is no other person in this list. Write the name as it stands there.`);
    if (get("email") !== "" && !isAddress(get("email")))
      say("email", `“${get("email").slice(0, 40)}” is no e-mail address.`);
    for (const [column, most] of Object.entries(longest) as [PeopleColumn, number][])
      if (get(column).length > most) say(column, `This is longer than ${most} letters.`);
    if (problems.length > before) return [];
    const needs: Need[] = [...avoids.needs, ...(diet ? [{ kind: "diet" as const, diet, note: "" }] : [])];
    // Whoever declared something has answered, whatever the column says; nobody is made to have answered "nothing".
    return [
      {
        name,
        role: role as ParticipantRole,
        ageBand: ageBand as AgeBand,
        hasAnswered: yes.includes(answered) || avoids.isNothing || needs.length > 0 || words !== "",
        needs,
        id: `row-${row}`,
        ...(grownUpId === undefined ? {} : { grownUpId }),
        ...(get("email") === "" ? {} : { email: get("email").toLowerCase() }),
        ...(get("emergency") === "" ? {} : { emergency: get("emergency") }),
        ...(words === "" ? {} : { words: { text: words, readBy: null } }),
        ...(get("note") === "" ? {} : { note: get("note") }),
      },
    ];
  });
  return people.length === 0 && problems.length > 0 ? { ok: false, problems } : { ok: true, people, problems };
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
          need.kind !== "diet"
            ? [
                `${need.kind === "food" ? `food ${need.food.replace(/[^\p{L}' -]/gu, " ")}` : need.substance}: ${need.severity}${need.touchOrAir ? " touch" : ""}${need.note ? ` (${need.note.replace(/[();]/g, ",")})` : ""}`,
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
