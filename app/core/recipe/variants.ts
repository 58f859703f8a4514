import { type Ingredient, starterPantry, wordsFor } from "~/core/pantry";
import { one } from "~/core/quantity";
import { isBatter, isCountedOut } from "./lines";
import type { Line, LineAmount, Recipe, Step, Variant } from "./types";

type Named = Pick<Ingredient, "id" | "name" | "role" | "pieceGrams">;
/** Where names and roles of ingredients are looked up. */
export type Names = ReadonlyMap<string, Named>;
const usualNames: Names = new Map(starterPantry.map((each) => [each.id, each]));

const escaped = (word: string): string => word.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");

/** The words a method may use for an ingredient, as one pattern; those that also mean something still on the list stay as they are. */
function pattern(ingredientId: string, names: Names, listed: readonly string[]): RegExp | undefined {
  const kept = new Set(listed.flatMap((id) => (id === ingredientId ? [] : wordsFor(id))));
  const own = [...wordsFor(ingredientId), names.get(ingredientId)?.name.toLowerCase() ?? ""];
  const words = [...new Set(own.filter((word) => word !== "" && !kept.has(word)))].sort((a, b) => b.length - a.length);
  return words.length === 0
    ? undefined
    : new RegExp(`\\b(?:(an?)\\s+)?(?:${words.map(escaped).join("|")})(?:s|es)?\\b`, "giu");
}

/** Cracking and beating are for eggs: what is put in for them is stirred in (the gel has swollen before). */
const eggWork =
  /\b(?:crack|break|beat|whisk|separate)\s+(?:in\s+|up\s+)?(?:(?:the|an?|each|one|two|three|\d+)\s+)?(?:\w+\s+)?eggs?\b(?:\s+(?:each\s+)?into\s+(?:its|their)\s+own\s+cups?)?/giu;
const isSeedGel = (id: string): boolean => id === "chia" || id === "linseed";

/**
 * The words of a step once one ingredient stands for another, or for none: the text names what the station really has. What hands do
 * may differ where the roles differ; then the old name is left among the step's mentions, where the ledger finds it and blocks until
 * the author has settled the words.
 */
export function retold(
  step: Step,
  fromId: string,
  toId: string | undefined,
  listed: readonly string[],
  names: Names = usualNames,
): Step {
  const [from, to] = [names.get(fromId), toId === undefined ? undefined : names.get(toId)];
  const named = pattern(fromId, names, listed);
  let text = step.text;
  const toName = to?.name.toLowerCase() ?? toId?.replaceAll("-", " ");
  if (toId !== undefined && isSeedGel(toId)) text = text.replace(eggWork, `stir in the soaked ${toName}`);
  if (toId === undefined && named) text = withoutListed(text, named);
  const isSettledAction = text !== step.text && !(named && text.search(named) >= 0);
  const isNamed = named !== undefined && text.search(named) >= 0;
  if (named)
    text = text.replace(named, (all: string, article: string | undefined) =>
      toName === undefined
        ? `(no ${all.slice(article ? article.length : 0).trim()})`
        : `${article ? "the " : ""}${toName}`,
    );
  const mentions = step.mentions.filter((id) => id !== fromId);
  // Ground nuts and other meals are measured and whisked in like the flour they stand for.
  const isMilled =
    from !== undefined &&
    ["flour", "starch"].includes(from.role) &&
    /\b(?:ground|flour|meal|starch)\b/i.test(to?.name ?? "");
  const isSameWork = to !== undefined && (from?.role === to.role || isMilled);
  const isOpen = !isSettledAction && isNamed && !isSameWork;
  // What comes in for it is said to come in: a mention of it holds as it is on the list now.
  return { ...step, text: capital(text, step.text), mentions: isOpen ? [...mentions, fromId] : mentions };
}

/** A text without what stands in a row of things: "flour, milk and sugar" without sugar is "flour and milk"; nothing else is touched. */
function withoutListed(text: string, named: RegExp): string {
  const n = `(?:the\\s+)?(?:${named.source})`;
  const item = "((?:the\\s+)?[\\p{L}'-]+(?:\\s[\\p{L}'-]+)?)";
  const rules: readonly (readonly [string, string])[] = [
    [`, ${item} and ${n}`, " and $1"],
    [`, ${n} and `, " and "],
    [`, ${n}(?=,)`, ""],
    [` and ${n}`, ""],
    [`${n}, (?=[^.;:]* and )`, ""],
    [`${n} and `, ""],
  ];
  return rules.reduce((so, [pattern, by]) => {
    // The noun's own group for its article shifts what comes after it, so the item stands first.
    const rule = new RegExp(pattern, "giu");
    return so.replace(rule, by);
  }, text);
}

/** Applies one alternative of a line. */
export interface Take {
  readonly lineId: string;
  readonly ingredientId: string;
}

const asWritten: Omit<Variant, "standing" | "swaps"> = {
  id: "as-written",
  name: "",
  decidedAt: null,
  omit: [],
  add: [],
};

/** The swaps that alternatives are, each line once. */
function takenOf(recipe: Recipe, own: Variant | undefined, takes: readonly Take[]): Variant["swaps"] {
  return recipe.lines.flatMap((line) => {
    const take = takes.find((each) => each.lineId === line.id);
    const found = line.alternatives?.find((each) => each.ingredientId === take?.ingredientId);
    const isFree = !own?.omit.includes(line.id) && !own?.swaps.some((swap) => swap.lineId === line.id);
    if (!found || !isFree) return [];
    const amount: LineAmount | undefined =
      found.amount &&
      (isCountedOut(line.amount) ? { ...line.amount, amount: found.amount } : { kind: "exact", amount: found.amount });
    return [{ lineId: line.id, ingredientId: found.ingredientId, ...(amount ? { amount } : {}) }];
  });
}

/** A sentence that began with a capital begins with one. */
const capital = (text: string, before: string): string =>
  /^\p{Lu}/u.test(before) ? text.replace(/^\p{Ll}/u, (letter) => letter.toUpperCase()) : text;

/** "2" of an egg is not 2 of anything else: an amount by the piece is open for what has no pieces. */
function amountFor(line: Line, swap: Variant["swaps"][number], names: Names): LineAmount {
  if (swap.amount) return swap.amount;
  const isCounted = (line.amount.kind === "exact" || isCountedOut(line.amount)) && line.amount.amount.unit === "piece";
  const isCountedRange =
    (line.amount.kind === "range" && line.amount.to.unit === "piece") ||
    (line.amount.kind === "top-up" && line.amount.most.unit === "piece") ||
    (line.amount.kind === "hold-back" && line.amount.amount.unit === "piece");
  if ((isCounted || isCountedRange) && names.get(swap.ingredientId)?.pieceGrams === undefined)
    return { kind: "unknown", said: `in place of ${names.get(line.ingredientId)?.name.toLowerCase() ?? "pieces"}` };
  return line.amount;
}

const isWork = (step: Step): boolean => step.kind === "mix" || step.kind === "prepare";

/**
 * Where batter that a variant adds goes in: at the step where it is decided, or the next at which something is done; where the variant
 * is decided from the start, with the line it comes in for (the water of a gel with its seeds), else with what goes into the same bowl,
 * else at the first mixing.
 */
function batterStepFor(
  line: Line,
  recipe: Recipe,
  variant: Pick<Variant, "decidedAt" | "swaps" | "omit">,
): string | undefined {
  const steps = recipe.steps.filter((step) => line.partId === null || step.partId === line.partId);
  const decided = steps.findIndex((step) => step.id === variant.decidedAt);
  const later = decided < 0 ? undefined : (steps.slice(decided).find(isWork) ?? steps[decided]);
  if (later) return later.id;
  const drawnAt = (lineId: string) =>
    steps.find((step) => isWork(step) && step.draws.some((draw) => draw.lineId === lineId));
  const bowlOf = new Map(recipe.lines.map((each) => [each.id, each.bowl]));
  const replaced = [
    ...variant.swaps.filter((swap) => isSeedGel(swap.ingredientId)).map((swap) => swap.lineId),
    ...[...variant.swaps.map((swap) => swap.lineId), ...variant.omit].filter((id) => bowlOf.get(id) === line.bowl),
  ];
  const comesFor = replaced.map(drawnAt).find((step) => step !== undefined);
  const sameBowl = steps.find(
    (step) => isWork(step) && step.draws.some((draw) => bowlOf.get(draw.lineId) === line.bowl),
  );
  return (comesFor ?? sameBowl ?? steps.find((step) => step.kind === "mix") ?? steps.find(isWork))?.id;
}

/** Where what a variant adds goes in: batter where it is decided or with what it replaces, what is for the plate at serving, pan fat at the heat. */
function stepFor(
  line: Line,
  recipe: Recipe,
  variant: Pick<Variant, "decidedAt" | "swaps" | "omit">,
): string | undefined {
  if (isBatter(line, recipe)) {
    const step = batterStepFor(line, recipe, variant);
    if (step !== undefined) return step;
  }
  for (const kind of line.bowl === "pan" ? (["cook"] as const) : (["serve", "cook"] as const)) {
    const step = recipe.steps.find(
      (each) => each.kind === kind && (line.partId === null || each.partId === line.partId),
    );
    if (step) return step.id;
  }
  return recipe.steps.find((each) => each.kind === "mix")?.id;
}

/**
 * The recipe as one of its variants makes it, and with the alternatives that were taken: lines left out with their draws, ingredients
 * swapped, lines added, and the words of the method with them; what the author has written for a step of the variant stands as it is.
 * The recipe itself for `null` or an id it does not have, where no alternative is taken either. An alternative that the recipe does not
 * name, or of a line that the variant leaves out or swaps itself, is not taken.
 */
export function asVariant(
  recipe: Recipe,
  variantId: string | null,
  names: Names = usualNames,
  takes: readonly Take[] = [],
): Recipe {
  const own: Variant | undefined = recipe.variants.find((each) => each.id === variantId);
  const taken = takenOf(recipe, own, takes);
  if (!own && taken.length === 0) return recipe;
  const variant: Variant = own
    ? { ...own, swaps: [...own.swaps, ...taken] }
    : { ...asWritten, standing: recipe.standing, swaps: taken };
  const omitted = new Set(variant.omit);
  const swapOf = new Map(variant.swaps.map((swap) => [swap.lineId, swap]));
  const kept = recipe.lines
    .filter((line) => !omitted.has(line.id))
    .map((line) => {
      const swap = swapOf.get(line.id);
      if (!swap) return line;
      // What would have done for the ingredient says nothing of the one that came for it.
      const { alternatives: _spent, ...rest } = line;
      return { ...rest, ingredientId: swap.ingredientId, amount: amountFor(line, swap, names) };
    });
  const lines = [...kept, ...variant.add];
  const listed = [...new Set(lines.map((line) => line.ingredientId))];
  const gone = new Map<string, string | undefined>();
  for (const line of recipe.lines) {
    const to = omitted.has(line.id) ? undefined : swapOf.get(line.id)?.ingredientId;
    const isGone = omitted.has(line.id) || (to !== undefined && to !== line.ingredientId);
    // The same food may stand in another line that stays: then its name is still right.
    if (isGone && !listed.includes(line.ingredientId)) gone.set(line.ingredientId, gone.get(line.ingredientId) ?? to);
  }
  const settled = new Map((variant.steps ?? []).map((each) => [each.stepId, each.text]));
  const steps = recipe.steps.map((step): Step => {
    const drawn = { ...step, draws: step.draws.filter((draw) => !omitted.has(draw.lineId)) };
    const own = settled.get(step.id);
    if (own !== undefined) return { ...drawn, text: own, mentions: drawn.mentions.filter((id) => !gone.has(id)) };
    let told: Step = drawn;
    for (const [from, to] of gone) told = retold(told, from, to, listed, names);
    return told;
  });
  const addedTo = new Map<string, Line[]>();
  for (const line of variant.add) {
    const stepId = stepFor(line, recipe, variant);
    if (stepId !== undefined) addedTo.set(stepId, [...(addedTo.get(stepId) ?? []), line]);
  }
  return {
    ...recipe,
    lines,
    steps: steps.map((step) => {
      const added = addedTo.get(step.id);
      if (!added) return step;
      const unsaid = settled.has(step.id)
        ? []
        : added.filter((line) => {
            const named = pattern(line.ingredientId, names, []);
            return !named || step.text.search(named) < 0;
          });
      const nameOf = (line: Line) => names.get(line.ingredientId)?.name.toLowerCase() ?? line.ingredientId;
      return {
        ...step,
        text: unsaid.length === 0 ? step.text : `${step.text.trimEnd()} Add ${unsaid.map(nameOf).join(" and ")}.`,
        draws: [...step.draws, ...added.map((line) => ({ lineId: line.id, share: one }))],
      };
    }),
    // A variant of a variant is not a thing: what the others leave out may be gone already.
    variants: own ? [] : recipe.variants,
    standing: variant.standing,
  };
}
