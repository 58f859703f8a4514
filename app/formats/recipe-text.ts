import { type Ingredient, clearWords, readIngredientName, wordsFor } from "~/core/pantry";
import { type MeasuringSystem, millilitresIn, multiply, readQuantity, toNumber, isVolumeUnit } from "~/core/quantity";
import {
  type DraftLine,
  type DraftPart,
  type DraftStep,
  type Family,
  type Hazard,
  type PartKind,
  type RecipeDraft,
  type Tool,
  emptyDraft,
  familyHeat,
  familyPiece,
  isForPlate,
  stepTemplate,
} from "~/core/recipe";
import { readIngredientLine } from "./recipe-line";
import { celsiusIn, cuesIn, isStep, sidesIn, startsMethod, stepsOfRow, toolsOfStep } from "./recipe-method";

/**
 * A recipe as text, as it is pasted from anywhere: title, list, method, in whatever order and style. Comes back as a draft in which
 * every guess is marked; what nobody can know is open.
 */
export interface TextRead {
  readonly draft: RecipeDraft;
  /** Hints at whose cups are meant, for the question about it. */
  readonly systemHint: MeasuringSystem | undefined;
  /** Fields of the recipe as a whole that were taken for granted. */
  readonly guessed: readonly ("family" | "portion" | "heat" | "rest" | "title")[];
}

const ingredientHeading =
  /^(?:ingredients?(?: list)?|what you need|you(?:'|’)?ll need|you need|shopping list|what goes in|you will need)\b[^a-z]*$/i;
const methodHeading =
  /^(?:method|directions?|instructions?|steps?|preparation|how to(?: make (?:it|them)| cook (?:it|them)| do it)?|what to do|to make(?: it| them)?|procedure|making them)\b[^a-z]*$/i;
const noteHeading = /^(?:notes?|tips?|storage|nutrition|variations?)\b[^a-z]*$/i;
const sectionHeading =
  /^(?:for|to make) (?:the )?([a-zé' -]{3,40}?)\s*:?$|^(?:the )?([a-zé' -]{3,40}):$|^(to serve|for serving|to finish|toppings?|garnish(?:es)?|for the table)$/i;
const yieldLine =
  /\b(?:makes|yields?|yield:|gives|enough for)\b:?\s*(?:about|around|approx\.?|roughly|some)?\s*(\d{1,3})(?:\s*(?:-|–|to)\s*\d{1,3})?\b(?!\s*(?:people|persons|servings|portions))/i;
const serves = /^(?:serves|servings?|for)\b\s*:?\s*\d+/i;
const stepNumber = /^\s*(?:step\s*)?\d{1,2}\s*[.):-]\s*(?=\S)/i;

const families: readonly (readonly [RegExp, Family])[] = [
  [/\b(?:oven|baked|puff(?:ed|y)?)\b.*\bpancake|\boven-?puff|\bpuffed\b|\bpopover/i, "oven-puffed"],
  [/\bridged\b.*\bwaffle|\bpan waffle/i, "ridged-waffle"],
  [/\bwaffles?\b/i, "waffle"],
  [/\bcr[eê]pes?\b|\bthin pancakes?\b|\bgalettes?\b/i, "crepe"],
  [/\bfritters?\b|\brösti\b|\blatkes?\b/i, "fritter"],
  [/\bdrawn\b|\bpancake art\b|\bshapes?\b/i, "drawn"],
  [/\bdrop\b|\bdropped\b|\bgriddle scones?\b|\bsilver dollar/i, "drop"],
];
export const familyOfText = (text: string): Family | undefined => families.find(([pattern]) => pattern.test(text))?.[1];

const partKinds: readonly (readonly [RegExp, PartKind])[] = [
  [/sauce|compote|coulis|syrup|custard|caramel/i, "sauce"],
  [/dry mix|mix\b/i, "dry-mix"],
  [/butter/i, "flavoured-butter"],
  [/filling/i, "filling"],
];

/** Whose cups: sticks, all-purpose and °F say US; grams with caster sugar and plain flour say metric. */
function systemHintOf(text: string): MeasuringSystem | undefined {
  if (/\b(?:sticks? of butter|stick butter|all-purpose|powdered sugar|heavy cream|\d{3}\s*°?\s*F)\b/i.test(text))
    return "us";
  if (/\b(?:20 ml tablespoon|20ml tablespoon|caster sugar.*\bcup)\b/i.test(text)) return "au";
  if (/\b(?:caster sugar|plain flour|self-raising|\d+ ?g\b|\d+ ?ml\b)/i.test(text)) return "metric";
  return undefined;
}

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");

/** Draws of the steps, in order: the first step that names a line takes it whole; "half" and "the rest" share it. */
function drawSteps(
  steps: readonly DraftStep[],
  lines: readonly DraftLine[],
  pantry: readonly Ingredient[],
): DraftStep[] {
  const left = new Map(lines.map((line) => [line.id, 1]));
  const names = new Map(
    lines.map((line) => [
      line.id,
      line.ingredientId === ""
        ? line.choices.flatMap(wordsFor)
        : [...wordsFor(line.ingredientId), pantry.find((one) => one.id === line.ingredientId)?.name ?? ""],
    ]),
  );
  return steps.map((step) => {
    let text = ` ${step.text.toLowerCase()} `;
    const draws: { lineId: string; share: string }[] = [];
    const take = (line: DraftLine, share: number) => {
      const has = left.get(line.id) ?? 0;
      const taken = Math.min(has, share);
      if (taken <= 0 || draws.some((draw) => draw.lineId === line.id)) return;
      left.set(line.id, has - taken);
      draws.push({ lineId: line.id, share: taken === 1 ? "1" : taken === 0.5 ? "1/2" : String(taken) });
    };
    const named = [...lines]
      .flatMap((line) => (names.get(line.id) ?? []).filter(Boolean).map((word) => ({ line, word })))
      .sort((a, b) => b.word.length - a.word.length);
    const seen = new Set<string>();
    for (const { line, word } of named) {
      const pattern = new RegExp(
        `(half (?:of )?(?:the )?|remaining |rest of the |the other half of the )?\\b${escaped(word)}(?:s|es)?\\b`,
        "g",
      );
      const found = pattern.exec(text);
      if (!found) continue;
      if (!seen.has(line.id)) take(line, found[1]?.startsWith("half") ? 0.5 : 1);
      seen.add(line.id);
      // Masked, so that "self-raising flour" is not "flour" once more; other lines of the same word still match below.
      if (!named.some((other) => other.word === word && other.line !== line && !seen.has(other.line.id)))
        text = text.replace(new RegExp(`\\b${escaped(word)}(?:s|es)?\\b`, "g"), " · ");
    }
    const group = (pattern: RegExp, holds: (line: DraftLine) => boolean) => {
      if (pattern.test(step.text))
        for (const line of lines) if (holds(line) && line.partId === step.partId) take(line, 1);
    };
    group(
      /\b(?:all (?:the |of the )?(?:batter )?ingredients|everything)\b/i,
      (line) => line.bowl !== "pan" && line.bowl !== "topping",
    );
    group(/\bdry (?:ingredients|things|mix|bowl|lot)\b/i, (line) => line.bowl === "dry");
    group(/\b(?:wet|liquid) (?:ingredients|things|mix|bowl|lot)\b/i, (line) => line.bowl === "wet");
    if (step.kind === "cook") group(/./, (line) => line.bowl === "pan");
    if (step.kind === "serve") group(/./, (line) => line.bowl === "topping");
    const listed = new Set(lines.flatMap((line) => [line.ingredientId, ...line.choices]));
    const mentions = new Set<string>();
    for (const [word, id] of clearWords) {
      if (word.length < 4 || listed.has(id) || id === "water" || id === "butter") continue;
      const pattern = new RegExp(`\\b${escaped(word)}\\b`, "g");
      if (pattern.test(text) && pantry.some((one) => one.id === id)) {
        mentions.add(id);
        text = text.replace(pattern, " · ");
      }
    }
    return { ...step, draws, mentions: [...mentions] };
  });
}

interface Sorted {
  title: string;
  intro: string[];
  lines: DraftLine[];
  parts: DraftPart[];
  steps: DraftStep[];
  claimed: string;
}

/**
 * Reads a whole recipe.
 * @param family what it is, where somebody said so; else it is taken from the words and marked.
 */
export function readRecipeText(
  text: string,
  options: { pantry: readonly Ingredient[]; system?: MeasuringSystem | undefined; family?: Family | undefined },
): TextRead {
  const { pantry, system } = options;
  const rows = text
    .replace(/\r\n?/g, "\n")
    .split("\n")
    // Runs of spaces say nothing, and are what patterns go back and forth over.
    .map((row) => row.trim().replace(/[ \t\u00a0]{2,}/g, " "));
  const family = options.family ?? familyOfText(text) ?? "pancake";
  const base = emptyDraft(family);
  const heatOf = { steps: [], heat: familyHeat(family) };
  const sorted: Sorted = { title: "", intro: [], lines: [], parts: [], steps: [], claimed: "" };
  const hasIngredientHeading = rows.some((row) => ingredientHeading.test(row));
  const hasMethodHeading = rows.some((row) => methodHeading.test(row));
  let mode: "head" | "list" | "method" | "notes" = "head";
  let partId = "";
  let isTopping = false;

  const addLine = (row: string) => {
    for (const read of readIngredientLine(row, { pantry, system, partId, isTopping }))
      sorted.lines.push({ ...read, id: `l${sorted.lines.length + 1}` });
  };
  const addStep = (row: string) => {
    const said = row
      .replace(stepNumber, "")
      .replace(/^[-*•]\s*/, "")
      .trim();
    if (said === "") return;
    for (const { kind, text, wait } of stepsOfRow(said)) {
      const template = stepTemplate(kind, heatOf);
      const hazards = new Set<Hazard>(template.hazards);
      if (/\beggs?\b|\bflour\b/i.test(text) && kind === "mix") hazards.add("raw-batter");
      if (/\b(?:grate|chop|slice|knife|peel)\b/i.test(text)) hazards.add("blades");
      sorted.steps.push({
        id: `s${sorted.steps.length + 1}`,
        partId,
        kind,
        text,
        draws: [],
        mentions: [],
        minutes: wait
          ? { low: String(wait.low), likely: String(wait.low), high: String(Math.min(wait.high, 600)) }
          : {
              low: String(template.minutes.low),
              likely: String(template.minutes.likely),
              high: String(template.minutes.high),
            },
        tools: toolsOfStep(text, kind, family),
        hazards: [...hazards],
        who: template.who,
        guesses: ["kind"],
      });
    }
  };
  const startPart = (name: string) => {
    isTopping = /\b(?:serve|topping|toppings|finish|garnish|plate|decorate)\b/i.test(name);
    const isBatter =
      /\b(?:batter|pancakes?|cr[eê]pes?|waffles?|fritters?|dough)\b/i.test(name) && !/\bmix$/i.test(name);
    const isBowl = /\b(?:dry|wet)\b/i.test(name) && !/mix/i.test(name);
    if (isTopping || isBatter || isBowl) partId = "";
    else {
      const kind = partKinds.find(([pattern]) => pattern.test(name))?.[1] ?? "other";
      partId = `p${sorted.parts.length + 1}`;
      sorted.parts.push({
        id: partId,
        name: name.charAt(0).toUpperCase() + name.slice(1),
        kind,
        heat: kind === "sauce" ? "hob" : "none",
        minutes: { low: "3", likely: "5", high: "10" },
        makesGrams: "",
      });
      isTopping = isForPlate(kind);
    }
  };
  const isListRow = (row: string) => {
    // "Half pour, berries, half pour." is a sentence, not half of anything.
    if (/[.!]$/.test(row) && !/[\d½⅓⅔¼¾⅛]/u.test(row)) return false;
    if (stepNumber.test(row) && !hasIngredientHeading && row.length > 40) return false;
    const bare = row.replace(/^\s*[-*•·–—▢□☐●○◦+]\s*/u, "");
    const read = readQuantity(bare, { system });
    const isShort = row.length <= 90 && !/[.!]\s+[A-Z]/.test(row);
    return (
      isShort &&
      (read !== undefined ||
        /^(?:juice|zest) of\b/i.test(bare) ||
        /\b(?:to taste|optional)\b/i.test(bare) ||
        (/^\s*[-*•▢□]/u.test(row) && row.length < 60) ||
        /[:=]\s*\d/.test(bare) ||
        (/\s\d+ ?(?:g|ml|tbsp|tsp|cups?)\b/i.test(bare) && row.length < 50))
    );
  };

  /** "BATTER", "DRY INGREDIENTS": a row in capitals without a figure that names no ingredient is a heading. */
  const isCapitals = (row: string) =>
    /^[A-Z][A-Z &'’/-]{2,38}:?$/.test(row) &&
    !/TO TASTE|OPTIONAL/.test(row) &&
    readIngredientName(row.toLowerCase().replace(/:$/, ""), pantry).kind === "none";

  for (const row of rows) {
    if (row === "") continue;
    const claimed = yieldLine.exec(row);
    if (ingredientHeading.test(row)) mode = "list";
    else if (methodHeading.test(row)) {
      mode = "method";
      partId = "";
    } else if (noteHeading.test(row)) mode = "notes";
    else if (mode === "notes") sorted.intro.push(row);
    else if (sorted.title === "" && mode === "head" && (!isListRow(row) || !/[\d½⅓⅔¼¾⅛]/u.test(row)))
      sorted.title = row
        .replace(/^#+\s*/, "")
        .replace(/\*\*/g, "")
        .trim();
    else if (claimed && row.length < 80 && (mode !== "method" || /^(?:makes|yield)/i.test(row))) {
      sorted.claimed = claimed[1] ?? "";
      if (!/^(?:makes|yields?)/i.test(row)) sorted.intro.push(row);
    } else if (serves.test(row) && mode !== "method") sorted.intro.push(row);
    else if (/^(?:prep|cook|total|rest(?:ing)?|active)(?:ing)? time\b|^(?:prep|cook|total):/i.test(row))
      sorted.intro.push(row);
    else {
      const section =
        sectionHeading.exec(row.replace(/\*\*/g, "")) ??
        (mode !== "method" && isCapitals(row)
          ? [
              row,
              row
                .toLowerCase()
                .replace(/:$/, "")
                .replace(/^for (?:the )?/, ""),
            ]
          : null);
      if (section && (mode !== "method" || /:$/.test(row)) && row.length < 46 && !isListRow(row)) {
        startPart((section[1] ?? section[2] ?? section[3] ?? "").trim());
        if (mode === "head") mode = "list";
      } else if (mode === "method") addStep(row);
      else if (mode === "list") {
        if (
          !hasMethodHeading &&
          !isListRow(row) &&
          (stepNumber.test(row) || row.length > 60 || /[.!]$/.test(row) || startsMethod.test(row))
        ) {
          mode = "method";
          partId = "";
          addStep(row);
        } else addLine(row);
      } else if (isListRow(row)) {
        mode = "list";
        addLine(row);
      } else if (
        !hasIngredientHeading &&
        (stepNumber.test(row) || (isStep(row) && /[.!]$/.test(row))) &&
        sorted.lines.length > 0
      ) {
        mode = "method";
        addStep(row);
      } else sorted.intro.push(row);
    }
  }

  const isServed = sorted.steps.some((step) => step.kind === "serve");
  const eaten = sorted.steps.map((step) =>
    // Nobody writes "eat it": the plates belong to the step after which it is eaten.
    step.kind === "cook" && !isServed ? { ...step, tools: [...new Set<Tool>([...step.tools, "plate", "fork"])] } : step,
  );
  const steps = drawSteps(eaten, sorted.lines, pantry);
  const method = steps.map((step) => step.text).join(" ");
  const guessed: TextRead["guessed"][number][] = [...(options.family ? [] : ["family" as const]), "heat"];
  if (sorted.title === "") guessed.push("title");
  const celsius = celsiusIn(method);
  const rest = steps.find((step) => step.kind === "rest" && step.partId === "");
  const within = /\bwithin (\d{1,3}) ?min/i.exec(method);
  const cook = steps.find((step) => step.kind === "cook");
  const sides = cook && sidesIn(cook.text);
  const side = sides?.side1;
  const second = sides?.side2;
  const cues = cook ? cuesIn(cook.text) : [];
  const isTurned = base.hasSide2;
  const portion = portionIn(method, system);
  if (!portion) guessed.push("portion");
  if (!rest && !within) guessed.push("rest");
  const restMin = rest ? Number(rest.minutes.likely) : 0;
  const hasLeavener = sorted.lines.some((line) =>
    ["baking-powder", "baking-soda", "self-raising-flour"].includes(line.ingredientId),
  );
  const usualMax = sorted.lines.some((line) => line.ingredientId === "baking-soda") ? 15 : 30;
  const restMax = within ? Number(within[1]) : hasLeavener ? Math.max(usualMax, restMin) : undefined;
  const number = (value: number) => String(Math.round(value * 100) / 100);
  return {
    systemHint: systemHintOf(text),
    guessed,
    draft: {
      ...base,
      title: sorted.title.slice(0, 120),
      intro: sorted.intro.join("\n").slice(0, 2000),
      system: system ?? "",
      lines: sorted.lines,
      steps,
      parts: sorted.parts,
      claimedPieces: sorted.claimed,
      restMin: String(restMin),
      restMax: restMax === undefined ? "" : String(restMax),
      restReason: hasLeavener ? (usualMax === 15 ? "soda-and-acid" : "double-acting") : "relax-gluten",
      ...(celsius ? { surfaceFrom: String(celsius.from), surfaceTo: String(celsius.to) } : {}),
      ...(side && side.low > 0 && side.low <= 40
        ? { side1: { low: number(side.low), likely: number((side.low + side.high) / 2), high: number(side.high) } }
        : {}),
      ...(second && isTurned && second.low > 0 && second.low <= 40
        ? {
            side2: {
              low: number(second.low),
              likely: number((second.low + second.high) / 2),
              high: number(second.high),
            },
          }
        : {}),
      ...(cues.length > 0 ? { cues } : {}),
      ...(portion
        ? { portionKind: "ml" as const, portion: number(portion) }
        : { portion: family === "oven-puffed" ? "1" : String(familyPiece[family].ml) }),
    },
  };
}

/** "¼ cup of batter each", "60 ml per pancake", "a 50 ml ladle": the pour, in millilitres. */
function portionIn(method: string, system: MeasuringSystem | undefined): number | undefined {
  const pattern =
    /(?:[\d½⅓⅔¼¾⅛/.,]+\s?)(?:ml|cups?|tbsp|tablespoons?)\b(?=[^.]{0,24}\b(?:batter|per|each|for each|a piece|ladle|scoop)\b)/giu;
  for (const found of method.matchAll(pattern)) {
    const read = readQuantity(found[0], { system: system ?? "metric" });
    if (read?.form.kind !== "exact" || !isVolumeUnit(read.form.amount.unit)) continue;
    const ml = toNumber(multiply(read.form.amount.value, millilitresIn(read.form.amount.unit, system ?? "metric")));
    if (ml >= 5 && ml <= 400) return ml;
  }
  return undefined;
}
