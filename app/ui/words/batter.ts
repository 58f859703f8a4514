import type { Correction, Feel, RemedyCode, SwapId, SwapNote } from "~/core/batter";
import type { FillMethod, Ingredient, MassRange, PantryFinding, Role, Storage } from "~/core/pantry";
import {
  type Amount,
  type MeasuringSystem,
  type QuantityQuestion,
  type Ratio,
  toNumber,
  writeAmount,
  inPieces,
} from "~/core/quantity";
import {
  type DraftProblem,
  type Gate,
  type GateKind,
  type Greasing,
  type Guess,
  type HeatOn,
  type LineAmount,
  type PartHeat,
  type PartKind,
  type Recipe,
  type ServingKind,
  type Span,
  type Step,
  type StepKind,
  type WarmPlace,
  betweenHalves,
  servingsOf,
  cooksPieces,
} from "~/core/recipe";
import { degrees, either, fraction, grams, list, minutes, number, temperature, thin } from "~/ui/format/format";
import { surfaceWords, testWords } from "./en";

/** The words of the batter book: recipes being written, the pantry, the bench. */
type Words<K extends string> = Readonly<Record<K, string>>;

export const systemWords: Words<MeasuringSystem> = {
  us: "US cups and spoons",
  metric: "metric cups (250 ml, tablespoon 15 ml)",
  au: "Australian cups (250 ml, tablespoon 20 ml)",
};
export const fillWords: Words<FillMethod> = {
  sifted: "sifted into the cup",
  spooned: "spooned in and levelled",
  dipped: "dipped and levelled",
};
export const amountKindWords: Words<LineAmount["kind"]> = {
  exact: "exactly",
  range: "from … to …",
  "top-up": "start with …, at most …",
  "hold-back": "…, of which hold back …",
  packs: "packs of …",
  "per-load": "for each load",
  "per-piece": "for each piece",
  "per-serving": "for each serving",
  "per-person": "for each person",
  "to-taste": "to taste",
  unknown: "not known yet",
};
/** "for 8 pieces": what a counted amount was taken times. */
export function sayTimes(kind: LineAmount["kind"], times: number): string {
  const one: Partial<Words<LineAmount["kind"]>> = {
    "per-load": "greasing",
    "per-piece": "piece",
    "per-serving": "serving",
    "per-person": "person",
  };
  const word = one[kind] ?? "";
  return `for ${times} ${times === 1 ? word : kind === "per-person" ? "people" : `${word}s`}`;
}
const ordinal = new Intl.PluralRules("en", { type: "ordinal" });
const ordinalEnd: Partial<Record<Intl.LDMLPluralRule, string>> = { one: "st", two: "nd", few: "rd" };
/** Before which loads a surface is greased. */
export function sayGreasing(every: Greasing | undefined): string {
  if (every === undefined) return "each load";
  if (every === "first") return "the first load of a surface only";
  return `the first load of a surface and every ${every}${ordinalEnd[ordinal.select(every)] ?? "th"}`;
}
/** "1½ batches, whatever is wanted". */
export const sayBowl = (bowl: Ratio | undefined, locale: string): string =>
  bowl ? `${fraction(bowl, locale)} ${toNumber(bowl) <= 1 ? "batch" : "batches"}, whatever is wanted` : "";
export const servingWords: Words<ServingKind> = { pair: "pair", stack: "stack", stick: "stick", plate: "plate" };
/** "5 pairs, 1 piece over". */
export function sayServings(recipe: Pick<Recipe, "serving">, pieces: number): string {
  if (!recipe.serving) return "";
  const whole = servingsOf(recipe, inPieces(pieces));
  const over = pieces - whole * recipe.serving.pieces;
  const word = servingWords[recipe.serving.as];
  return `${whole} ${whole === 1 ? word : `${word}s`} of ${recipe.serving.pieces}${over > 0 ? `, ${over} over` : ""}`;
}
export const gateKindWords: Words<GateKind> = {
  "grams-at-most": "weighs at most, grams for one batch",
  "grams-at-least": "weighs at least, grams for one batch",
  "celsius-at-least": "reads at least, °C",
  "celsius-at-most": "reads at most, °C",
};
/** "Oven: 180–200 °C, 4 of 9, first side 3 to 5 min". */
export function sayHeatOn({ surfaceKind, surfaceC, dial, test, side1, side2 }: HeatOn, locale: string): string {
  const side = (name: string, span: Span | undefined) =>
    span ? `${name} ${minutes(span.low, locale)} to ${minutes(span.high, locale)}` : "";
  const parts = [
    surfaceC ? temperature(surfaceC.from, surfaceC.to, locale) : "",
    dial ? `dial: ${dial}` : "",
    test ? `ready when ${testWords[test]}` : "",
    side("first side", side1),
    side("second side", side2),
  ].filter(Boolean);
  const name = surfaceWords[surfaceKind];
  return `${name.charAt(0).toUpperCase()}${name.slice(1)}: ${parts.join(", ")}.`;
}
/** "Go on when it weighs at most 300 g." */
export function sayGate({ kind, value }: Gate, batches: number, locale: string): string {
  const most = kind.endsWith("at-most") ? "at most" : "at least";
  return kind.startsWith("grams")
    ? `Go on when it weighs ${most} ${grams(value * batches, locale)}.`
    : `Go on when the thermometer reads ${most} ${temperature(value, value, locale)}.`;
}
export const warmPlaceWords: Words<WarmPlace> = {
  oven: "in the oven",
  "hot-plate": "on a hot plate",
  "covered-dish": "in a covered dish",
  pan: "in the pan",
  microwave: "in the microwave",
  fridge: "in the fridge",
};
/** "Kept in the oven at 95 °C, 30 min at most; local food rules come first." Empty where nobody said. */
export function sayWarmth({ kind, warmth }: Pick<Step, "kind" | "warmth">, locale: string): string {
  if (!warmth) return "";
  const most = warmth.most === undefined ? "" : `, ${minutes(warmth.most, locale)} at most`;
  return kind === "reheat"
    ? `Reheated ${warmPlaceWords[warmth.place]}, once, until the middle has ${degrees(warmth.c, locale)}; local food rules come first.`
    : `Kept ${warmPlaceWords[warmth.place]} at ${degrees(warmth.c, locale)}${most}; local food rules come first.`;
}
/** "Half of it, 25 ml, first; after 1 min blueberries, then the other half." Empty where a piece is poured at once. */
export function sayHalves(
  recipe: Pick<Recipe, "heat" | "steps" | "lines" | "portion" | "parts">,
  ingredientName: (id: string) => string,
  locale: string,
): string {
  const { heat, portion } = recipe;
  if (!heat.halves) return "";
  const much =
    portion.kind === "ml"
      ? `, ${number(portion.ml / 2, locale)}${thin}ml,`
      : portion.kind === "grams"
        ? `, ${number(portion.grams / 2, locale)}${thin}g,`
        : "";
  const between = betweenHalves(recipe).map((line) => ingredientName(line.ingredientId));
  const then = between.length > 0 ? `${list([...new Set(between)], locale)}, then ` : "";
  return `Half of it${much} first; after ${minutes(heat.halves.likely, locale)} ${then}the other half.`;
}
/** What the second field of an amount is. */
export const secondWords: Partial<Words<LineAmount["kind"]>> = {
  range: "to",
  "top-up": "at most",
  "hold-back": "hold back",
  packs: "each holds",
  "per-person": "share of the people who take any",
};
export const stepKindWords: Words<StepKind> = {
  prepare: "prepare",
  mix: "mix",
  rest: "wait or rest",
  preheat: "heat up",
  cook: "cook",
  hold: "hold warm or cold",
  reheat: "reheat",
  serve: "serve",
};
export const partKindWords: Words<PartKind> = {
  sauce: "sauce",
  "dry-mix": "bulk dry mix",
  "flavoured-butter": "flavoured butter",
  filling: "filling",
  other: "something else",
};
export const partHeatWords: Words<PartHeat> = { none: "no heat", hob: "hob", oven: "oven", microwave: "microwave" };
export const roleNames: Words<Role> = {
  flour: "flour",
  starch: "starch",
  sugar: "sugar",
  powder: "baking powder",
  soda: "baking soda",
  salt: "salt",
  spice: "spice",
  vanilla: "vanilla",
  fat: "fat",
  egg: "egg",
  liquid: "liquid",
  acid: "acid",
  fruit: "fruit",
  vegetable: "vegetable",
  topping: "topping",
  spray: "spray",
  other: "something else",
};
export const storageWords: Words<Storage> = { dry: "dry", chilled: "cold, at most 5 °C", frozen: "frozen" };
export const labelKindWords: Words<Ingredient["label"]> = {
  whole: "a whole food without a label",
  packaged: "packaged: its label must be read",
};
export const guessWords: Words<Guess> = {
  ingredient: "which kind was taken for granted",
  amount: "the amount was taken for granted",
  bowl: "the bowl was taken for granted",
  kind: "what kind of step was taken for granted",
  note: "split from one line",
};
const options = (question: { readonly options: readonly Amount[] }, locale: string) =>
  either(
    question.options.map((one) => writeAmount(one)),
    locale,
  );

/** What an amount leaves open: what came, what it could be, how to say it. */
export const questionWords: {
  readonly [C in QuantityQuestion["code"]]: (
    question: Extract<QuantityQuestion, { code: C }>,
    locale: string,
  ) => string;
} = {
  "which-ounce": (q, l) => `“${q.said}”: by weight or fluid? Write ${options(q, l)}.`,
  "which-country": (q, l) => `“${q.said}”: US or imperial? Write ${options(q, l)}.`,
  "which-system": (q) => `“${q.said}”: whose cups and spoons? Say it once, at the top of the recipe.`,
  "which-spoon": (q, l) => `“${q.said}”: which spoon? Write ${options(q, l)}.`,
  "thousand-or-decimal": (q, l) => `“${q.said}”: a thousand or a decimal? Write ${options(q, l)}.`,
  "pack-size": (q) => `“${q.said}”: how much is in one? Write, for example, 1 sachet of 8 g.`,
  "not-level": (q, l) => `“${q.said}” is not a level measure. Level it and write ${options(q, l)}, or more or less.`,
  vague: (q) => `“${q.said}” is not a number yet. Say how much, or leave it open as “not known yet”.`,
};
export const sayQuestion = (question: QuantityQuestion, locale: string): string =>
  (questionWords[question.code] as (question: QuantityQuestion, locale: string) => string)(question, locale);

/** What is wrong with one field of a recipe being written. */
export function sayProblem(problem: DraftProblem, locale: string): string {
  const came = problem.said.trim() === "" ? "Nothing stands here." : `“${problem.said.slice(0, 40)}” came.`;
  switch (problem.code) {
    case "title-missing":
      return "Give the recipe a name.";
    case "system-open":
      return "Which country’s cups and spoons does it mean? A tablespoon is a third more in Australia.";
    case "no-lines":
      return "Nothing is on the list yet. Type a line, such as 125 g plain flour.";
    case "ingredient-open":
      return "Which ingredient is this? Choose one from the pantry, or add it there first.";
    case "amount-not-read":
      return `${came} Wanted: a number and a unit, such as 1 1/2 cups, 250 ml or 2.`;
    case "amount-asks":
      return sayQuestion(problem.question, locale);
    case "wrong-order":
      return `${came} The second figure must go with the first: at most above the start, held back below the whole.`;
    case "different-units":
      return `${came} Use the same unit for both.`;
    case "number":
      return `${came} Wanted: a number from ${problem.least} to ${problem.most}.`;
    case "span-order":
      return "Shortest, likely, longest: each at least as long as the one before.";
    case "share":
      return `${came} Wanted: a share such as 1, 1/2 or 2/3.`;
    case "surface-missing":
      return "Choose at least one kind of surface it can be cooked on.";
    case "name-missing":
      return "Give it a name.";
    default:
      return problem satisfies never;
  }
}

/** What a remedy's button says. */
export const remedyWords: Words<RemedyCode> = {
  "say-the-twin": "Use what is listed in this step",
  "list-the-twin": "Put what the method says on the list",
  "add-line": "Add a line for it",
  "leave-out-of-method": "Take it out of the method",
  "use-in-first-mix": "Use it in the first mixing step",
  "take-off-list": "Take it off the list",
  "level-shares": "Make the shares come to 1",
  "forget-draw": "Forget it",
  "add-cook-step": "Add a cooking step",
  "put-back-caution": "Show the caution again",
  "adult-only": "Make it an adult's",
  "drop-part": "Drop the empty part",
  "add-part-step": "Add a step for it",
  "less-soda": "As much soda as the acid takes",
  "add-soda": "Add that much soda",
  "usual-powder": "As much baking powder as usual",
  "down-to-ceiling": "Down to the usual most",
  "claim-what-volume-says": "Claim what the volume gives",
  "pour-what-was-claimed": "Change the portion to match",
  "pour-for-piece": "A pour that covers this piece",
  "piece-of-pour": "A piece as wide as this pour makes",
  "usual-window": "Set the usual window",
  "cues-without-colour": "Cues without colour, and a note",
  "forget-in-variant": "Forget it in the variant",
  "raise-liquid": "More liquid, into the band",
  "lower-liquid": "Less liquid, into the band",
  "sour-the-milk": "Sour the milk with a spoon of acid to the cup",
  "oil-per-load": "A teaspoon of oil for each load",
  "test-with-water": "Test with a drop of water",
  "test-with-steam": "Test with a drop that steams away",
  "usual-heat": "Heat and surfaces usual for its family",
};

export const swapWords: Words<SwapId> = {
  milk: "Another milk",
  sour: "Cultured or soured",
  egg: "Egg or seed gel",
  flour: "Another flour",
  raising: "Self-raising or plain",
  fat: "Another fat",
};

/** What else is to be known of a swap. */
export function saySwapNote(note: SwapNote, ingredient: (id: string) => string, locale: string): string {
  switch (note.code) {
    case "fat-made-up":
      return `${grams(note.grams, locale)} ${ingredient(note.ingredientId)} a batch makes up the fat it lacks.`;
    case "fat-not-made-up":
      return `${grams(note.grams, locale)} more fat a batch than before; nothing is taken out for it.`;
    case "acid-on-top":
      return `${number(note.ml, locale)}${thin}ml acid on top of the milk, five minutes to thicken.`;
    case "acid-made-up":
      return `${number(note.ml, locale)}${thin}ml acid, made up to the mark with ${number(note.milkMl, locale, 0)}${thin}ml milk; five minutes to thicken.`;
    case "no-lift":
      return "Binds but does not lift: expect it flatter.";
    case "binder":
      return `${grams(note.grams, locale)} binder a batch, or a blend that has its own.`;
    case "gel-for-many":
      return "Gel for more than two eggs: a draft until somebody has cooked it.";
    case "thickens-on-standing":
      return "Goes on thickening in the bowl: keep a splash by for the second load.";
    case "more-liquid":
      return `Liquids × ${number(1 + note.share, locale, 3)}.`;
    case "powder-added":
      return `${number(note.tsp, locale, 2)}${thin}tsp baking powder added, by the ${{ uk: "UK", us: "US", au: "Australian" }[note.rule]} rule.`;
    case "powder-reduced":
      return note.tsp > 0
        ? `Its own powder counts: ${number(note.tsp, locale, 2)}${thin}tsp stays.`
        : "Its own powder is enough: the line goes.";
    default:
      return note satisfies never;
  }
}
export const swapRefusal = { "no-lift-for-oven": "Not here: an oven-puffed pancake is lifted by its eggs." } as const;

export const feelWords: Words<Feel> = {
  "far-too-thick": "far too thick",
  "too-thick": "too thick",
  right: "right",
  "too-thin": "too thin",
  "far-too-thin": "far too thin",
};

/** The correction for a bowl, as one sentence. */
export function sayCorrection(correction: Correction, liquid: string, spoons: string, locale: string): string {
  switch (correction.kind) {
    case "liquid":
      return `Stir in ${number(correction.ml, locale, 0)}${thin}ml ${liquid}${spoons ? ` (${spoons})` : ""}, then look again.`;
    case "flour":
      return `Sift in ${grams(correction.grams, locale)} flour${spoons ? ` (${spoons})` : ""}, then wait two minutes: it goes on drinking.`;
    case "none":
      return "Nothing to add.";
    default:
      return correction satisfies never;
  }
}

export const massBecause: Words<MassRange["because"]> = {
  weighed: "weighed",
  "fill-method": "by how the cup is filled",
  brand: "by the brand",
  "cup-figure": "a general cup figure",
  "piece-size": "pieces differ",
};

/** What is odd about an ingredient's figures. */
export function sayPantryFinding(finding: PantryFinding, locale: string): string {
  switch (finding.code) {
    case "parts-over-hundred":
      return `Water, fat and sugar come to ${number(finding.sum, locale)} %. Together they are at most 100.`;
    case "fills-out-of-order":
      return `A sifted cup (${grams(finding.sifted, locale)}) cannot be heavier than a dipped one (${grams(finding.dipped, locale)}).`;
    case "spread-out-of-order":
      return `The lightest spoon (${grams(finding.low, locale)}) is heavier than the heaviest (${grams(finding.high, locale)}).`;
    case "cup-heavier-than-itself":
      return `A cup of ${grams(finding.gramsPerCup, locale)} is more than it weighs without air (${grams(finding.most, locale)} at its true density). One of the two is off.`;
    case "cup-and-spoon-disagree":
      return `48 teaspoons make a cup: by the spoon it weighs ${grams(finding.spoons, locale)}, by the cup ${grams(finding.cup, locale)}.`;
    case "no-measure":
      return "Neither cup, spoon nor piece weight: it can only be used by weight.";
    case "density-unlikely":
      return `True density ${number(finding.density, locale, 2)}; its water and fat would make about ${number(finding.expected, locale, 2)}.`;
    default:
      return finding satisfies never;
  }
}

/** What a step's own text does not say of it, for one batch: two half pours, rounds, a heat of its own, when to go on. */
export function sayStep(step: Step, recipe: Recipe, ingredientName: (id: string) => string, locale: string): string[] {
  const { rounds = [] } = recipe;
  const parts = rounds.map((round) => `${number(round.parts, locale, 0)} ${round.name.toLowerCase()}`).join(" to ");
  return [
    cooksPieces(step, recipe) ? sayHalves(recipe, ingredientName, locale) : "",
    cooksPieces(step, recipe) && rounds.length > 0
      ? `In rounds, ${parts}, each by itself${recipe.isRoundsOpen ? ", or as each table decides" : ""}.`
      : "",
    sayWarmth(step, locale),
    step.gate ? sayGate(step.gate, 1, locale) : "",
  ].filter((words) => words !== "");
}
