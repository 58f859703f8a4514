import { writeAmount, writeRatio } from "~/core/quantity";
import type { Line, LineAmount, Recipe, Step } from "./types";

/** One place in which two revisions differ; `undefined` where it is not there at all. */
export interface RecipeChange {
  readonly where: "recipe" | "line" | "step" | "variant" | "part";
  /** The line, step, variant or part; the name of the field for the recipe itself. */
  readonly id: string;
  readonly field: string;
  readonly from: string | undefined;
  readonly to: string | undefined;
}

/** An amount in one line of plain text, the same for the same amount. */
export function amountText(amount: LineAmount): string {
  switch (amount.kind) {
    case "exact":
      return writeAmount(amount.amount);
    case "range":
      return `${writeAmount(amount.from)} to ${writeAmount(amount.to)}`;
    case "top-up":
      return `${writeAmount(amount.start)}, up to ${writeAmount(amount.most)}`;
    case "hold-back":
      return `${writeAmount(amount.amount)}, hold back ${writeAmount(amount.back)}`;
    case "packs":
      return `${writeRatio(amount.packs)} ${amount.packName} of ${writeAmount(amount.each)}`;
    case "per-load":
      return `${writeAmount(amount.amount)} ${
        amount.every === undefined
          ? "each load"
          : amount.every === "first"
            ? "first load only"
            : `every ${amount.every} loads`
      }`;
    case "per-piece":
      return `${writeAmount(amount.amount)} each piece`;
    case "per-serving":
      return `${writeAmount(amount.amount)} each serving`;
    case "per-person":
      return `${writeAmount(amount.amount)} each person${amount.takes ? `, ${writeRatio(amount.takes)} of them` : ""}`;
    case "to-taste":
      return "to taste";
    case "unknown":
      return `“${amount.said}”`;
    default:
      return amount satisfies never;
  }
}

type Fields = Readonly<Record<string, string>>;
const span = (value: { low: number; likely: number; high: number } | null) =>
  value ? `${value.low} / ${value.likely} / ${value.high}` : "none";

const lineFields = (line: Line): Fields => ({
  ingredient: line.ingredientId,
  amount: amountText(line.amount),
  bowl: line.bowl,
  keeps: String(line.keeps),
  optional: line.isOptional ? "yes" : "no",
  note: line.note,
  part: line.partId ?? "",
  round: line.roundId ?? "",
  alternatives: (line.alternatives ?? [])
    .map(({ ingredientId, amount, isAdvised, reason }) =>
      [isAdvised ? "" : "not", amount ? writeAmount(amount) : "", ingredientId, reason].filter(Boolean).join(" "),
    )
    .join("; "),
});
const stepFields = (step: Step): Fields => ({
  text: step.text,
  kind: step.kind,
  draws: step.draws.map((draw) => `${writeRatio(draw.share)} ${draw.lineId}`).join(", "),
  minutes: span(step.minutes),
  tools: step.tools.join(", "),
  cautions: step.hazards.join(", "),
  who: step.who,
  stop: step.stop ?? "",
  "left out": (step.waived ?? []).map(({ hazard, reason }) => `${hazard}: ${reason}`).join(", "),
  point: step.point ?? "",
  question: step.question ?? "",
  avoid: step.avoid ?? "",
  shown: step.techniques?.join(", ") ?? "",
  gate: step.gate ? `${step.gate.kind} ${step.gate.value}` : "",
  warmth: step.warmth ? `${step.warmth.place} ${step.warmth.c} ${step.warmth.most ?? ""}` : "",
});
const ownFields = (recipe: Recipe): Fields => ({
  title: recipe.title,
  intro: recipe.intro,
  family: recipe.family,
  system: recipe.system,
  fill: recipe.fill,
  rest: `${recipe.rest.min} to ${recipe.rest.max ?? "no limit"}, ${recipe.rest.reason}`,
  surfaces: recipe.heat.surfaceKinds.join(", "),
  heat: `${recipe.heat.surfaceC.from} to ${recipe.heat.surfaceC.to}, ${recipe.heat.test}`,
  "first side": span(recipe.heat.side1),
  "second side": span(recipe.heat.side2),
  halves: recipe.heat.halves ? span(recipe.heat.halves) : "",
  "heat by surface": (recipe.heat.on ?? [])
    .map(({ surfaceKind, surfaceC, dial, test, side1, side2 }) =>
      [
        surfaceKind,
        surfaceC ? `${surfaceC.from} to ${surfaceC.to}` : "",
        dial ?? "",
        test ?? "",
        side1 ? span(side1) : "",
        side2 ? span(side2) : "",
      ]
        .filter(Boolean)
        .join(", "),
    )
    .join("; "),
  cues: recipe.heat.cues.join(", "),
  portion:
    recipe.portion.kind === "ml"
      ? `${recipe.portion.ml} ml`
      : recipe.portion.kind === "grams"
        ? `${recipe.portion.grams} g`
        : `${recipe.portion.pieces} a batch`,
  size: `${recipe.pieceDiameterCm} cm`,
  thickness: recipe.aimedLooseness === undefined ? "" : String(recipe.aimedLooseness),
  shapes: recipe.shapes?.join(", ") ?? "",
  serving: recipe.serving ? `${recipe.serving.as} of ${recipe.serving.pieces}` : "",
  rounds: [
    ...(recipe.rounds ?? []).map((round) => `${round.parts} ${round.name}`),
    ...(recipe.isRoundsOpen ? ["as each table decides"] : []),
  ].join(", "),
  claimed: recipe.claimedPieces === null ? "" : String(recipe.claimedPieces),
  unseen: recipe.blindNote,
});

function changed(
  where: RecipeChange["where"],
  id: string,
  from: Fields | undefined,
  to: Fields | undefined,
): RecipeChange[] {
  if (!from && to)
    return [{ where, id, field: "", from: undefined, to: Object.values(to).filter(Boolean).slice(0, 2).join(", ") }];
  if (from && !to)
    return [{ where, id, field: "", from: Object.values(from).filter(Boolean).slice(0, 2).join(", "), to: undefined }];
  return Object.keys({ ...from, ...to }).flatMap((field): RecipeChange[] =>
    from?.[field] === to?.[field] ? [] : [{ where, id, field, from: from?.[field], to: to?.[field] }],
  );
}

function changedRows<T extends { readonly id: string }>(
  where: RecipeChange["where"],
  before: readonly T[],
  after: readonly T[],
  fields: (row: T) => Fields,
): RecipeChange[] {
  const ids = [...new Set([...before, ...after].map((row) => row.id))];
  return ids.flatMap((id) => {
    const [a, b] = [before.find((row) => row.id === id), after.find((row) => row.id === id)];
    return changed(where, id, a && fields(a), b && fields(b));
  });
}

/** Where two revisions of a recipe differ, in the order of the page. Ids name rows, so a moved line is not a change. */
export function compareRecipes(before: Recipe, after: Recipe): RecipeChange[] {
  return [
    ...changed("recipe", "", ownFields(before), ownFields(after)),
    ...changedRows("line", before.lines, after.lines, lineFields),
    ...changedRows("step", before.steps, after.steps, stepFields),
    ...changedRows("part", before.parts, after.parts, (part) => ({
      name: part.name,
      kind: part.kind,
      heat: part.heat,
      minutes: span(part.minutes),
      makes: String(part.makesGrams ?? ""),
    })),
    ...changedRows("variant", before.variants, after.variants, (variant) => ({
      name: variant.name,
      leaves: variant.omit.join(", "),
      swaps: variant.swaps
        .map((swap) => `${swap.lineId} → ${swap.ingredientId}${swap.amount ? ` ${amountText(swap.amount)}` : ""}`)
        .join(", "),
      adds: variant.add.map((line) => `${amountText(line.amount)} ${line.ingredientId}`).join(", "),
    })),
  ];
}
