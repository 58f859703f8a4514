import { readFileSync, readdirSync } from "node:fs";
import { starterPantry } from "~/core/pantry";
import type { MeasuringSystem } from "~/core/quantity";
import { type DraftLine, type RecipeDraft, keepsFromSaving, readDraft } from "~/core/recipe";
import { readRecipeText } from "./recipe-text";

/**
 * Recipes of our own in many styles; what each line means stands behind "=>" as amount @ ingredient. "asked" and "?" are lines whose
 * amount or ingredient nobody can know from the text; "open" an amount that was never said.
 */
interface Written {
  readonly place: string;
  readonly system: MeasuringSystem;
  readonly text: string;
  readonly wanted: readonly { readonly line: string; readonly means: string }[];
}

const corpus: readonly Written[] = readdirSync("test/corpus")
  .filter((file) => file.endsWith(".txt"))
  .flatMap((file) =>
    readFileSync(`test/corpus/${file}`, "utf8")
      .split(/^=== /m)
      .slice(1)
      .map((block, index) => {
        const [system = "", ...rows] = block.trimEnd().split("\n");
        const marked = rows.filter((row) => row.includes(" => ")).map((row) => row.split(" => "));
        return {
          place: `${file} ${index + 1}: ${rows[0]}`,
          system: system.trim() as MeasuringSystem,
          text: rows.map((row) => row.split(" => ")[0]).join("\n"),
          wanted: marked.map(([line = "", means = ""]) => ({ line, means })),
        };
      }),
  );

/** What a draft line came to, in the corpus's own words. */
function meaningOf(line: DraftLine, draft: RecipeDraft): string {
  const { problems } = readDraft(draft, { id: "x", revision: 1 });
  const asksAmount = problems.some(
    (problem) => problem.path.startsWith(`lines.${line.id}.`) && problem.code === "amount-asks",
  );
  const amount = asksAmount
    ? "asked"
    : line.kind === "unknown"
      ? "open"
      : line.kind === "to-taste"
        ? "to taste"
        : line.kind === "exact"
          ? line.amount
          : line.kind === "packs"
            ? `packs ${line.amount} x ${line.second}`
            : line.kind === "per-load" || line.kind === "per-piece"
              ? `${line.kind} ${line.amount}`
              : `${line.kind} ${line.amount}..${line.second}`;
  return `${amount} @ ${line.ingredientId || "?"}`;
}

const read = corpus.map((one) => ({
  ...one,
  draft: readRecipeText(one.text, { pantry: starterPantry, system: one.system }).draft,
}));
const rows = read.flatMap((one) => {
  const wanted = one.wanted.flatMap(({ line, means }) => means.split(" & ").map((part) => ({ line, means: part })));
  return wanted.map((want, index) => {
    const line = one.draft.lines[index];
    return { ...want, place: one.place, came: line ? meaningOf(line, one.draft) : "nothing" };
  });
});
/** Open in a way somebody will see: no ingredient, a question about the amount, or no amount. */
const isAsked = (meaning: string) =>
  meaning.includes("@ ?") || meaning.startsWith("asked") || meaning.startsWith("open");

test("the corpus is large and varied enough to mean something", () => {
  expect(corpus.length).toBeGreaterThanOrEqual(60);
  expect(rows.length).toBeGreaterThan(640);
});

test("of every recipe the lines of its list are read as lines, and nothing of its method is", () => {
  const off = read.filter(
    (one) => one.draft.lines.length !== one.wanted.flatMap(({ means }) => means.split(" & ")).length,
  );
  expect(off.map((one) => `${one.place}: ${one.draft.lines.map((line) => line.said).join(" | ")}`)).toEqual([]);
});

test("a method's cooking paragraph is a cooking step after its heating up, in every text that has one", () => {
  const cooked = read.filter((one) => one.place.startsWith("cooking-paragraphs"));
  expect(cooked.length).toBeGreaterThanOrEqual(3);
  for (const { place, draft } of cooked) {
    const kinds = draft.steps.map((step) => step.kind);
    expect([
      place,
      kinds.includes("cook"),
      kinds.indexOf("preheat") < kinds.indexOf("cook"),
      kinds.includes("mix"),
    ]).toEqual([place, true, true, true]);
  }
});

test("no line is silently wrong: what differs from what is meant is asked about", () => {
  const wrong = rows.filter((row) => row.came !== row.means && !isAsked(row.came));
  expect(wrong.map((row) => `${row.place}: “${row.line}” means ${row.means}, read as ${row.came}`)).toEqual([]);
});

test("at least 95 % of the lines are right without help", () => {
  // A line that nobody can know from its words is right when it is asked about, and counts for neither side.
  const known = rows.filter((row) => !isAsked(row.means));
  const right = known.filter((row) => row.came === row.means);
  const help = known.filter((row) => !right.includes(row)).map((row) => `${row.line} → ${row.came}`);
  // The list of what needed help is what one wants to see when this fails.
  if (right.length / known.length < 0.95) expect([`${right.length} of ${known.length}`, ...help]).toEqual([]);
  expect(right.length / known.length).toBeGreaterThanOrEqual(0.95);
});

test("each becomes a recipe that can be kept as soon as its questions are answered", () => {
  for (const one of read) {
    const answered: RecipeDraft = {
      ...one.draft,
      title: one.draft.title || "Untitled",
      lines: one.draft.lines.map((line) => ({ ...line, ingredientId: line.ingredientId || "plain-flour" })),
    };
    const { problems } = readDraft(answered, { id: "x", revision: 1 });
    expect({
      place: one.place,
      problems: problems.filter((problem) => keepsFromSaving.includes(problem.code)),
    }).toEqual({ place: one.place, problems: [] });
  }
});
