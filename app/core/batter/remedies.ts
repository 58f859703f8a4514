import { twinsOf } from "~/core/pantry";
import {
  type Ratio,
  one,
  ratio,
  ratioOf,
  toStep,
  type Grams,
  inGrams,
  inMillilitres,
  largest,
  inPieces,
} from "~/core/quantity";
import {
  type Line,
  type LineAmount,
  type Recipe,
  type RecipeEdit,
  type Step,
  familyHeat,
  isBatter,
  stepTemplate,
  cooksPieces,
} from "~/core/recipe";
import { type Pantry, batterOf, lineGrams } from "./batter";
import { sodaSlackTsp } from "./leavening";
import type { AnyRecipeFinding } from "./types";

/** What can be done about a finding: a few changes to choose from, each a list of edits; none where only the author knows. */
export interface Remedy {
  readonly code: RemedyCode;
  readonly edits: readonly RecipeEdit[];
}
export const remedyCodes = [
  "say-the-twin",
  "list-the-twin",
  "add-line",
  "leave-out-of-method",
  "use-in-first-mix",
  "take-off-list",
  "level-shares",
  "forget-draw",
  "add-cook-step",
  "put-back-caution",
  "adult-only",
  "drop-part",
  "add-part-step",
  "less-soda",
  "add-soda",
  "usual-powder",
  "down-to-ceiling",
  "claim-what-volume-says",
  "pour-what-was-claimed",
  "pour-for-piece",
  "piece-of-pour",
  "usual-window",
  "cues-without-colour",
  "forget-in-variant",
  "raise-liquid",
  "lower-liquid",
  "sour-the-milk",
  "oil-per-load",
  "usual-heat",
  "test-with-water",
  "test-with-steam",
] as const;
export type RemedyCode = (typeof remedyCodes)[number];

type Finder<C extends AnyRecipeFinding["code"]> = (
  finding: Extract<AnyRecipeFinding, { code: C }>,
  recipe: Recipe,
  pantry: Pantry,
) => readonly Remedy[];

const none = () => [];
const firstMix = (recipe: Recipe): Step | undefined => recipe.steps.find((step) => step.kind === "mix");
const exactGrams = (grams: Grams): LineAmount => ({
  kind: "exact",
  amount: { value: ratioOf(toStep(grams, grams < 10 ? 0.1 : 1).shown), unit: "g" },
});
/** The amount of a line multiplied by `share`, for amounts with a single figure. */
function timesShare(line: Line | undefined, share: number): LineAmount | undefined {
  if (!line || line.amount.kind !== "exact" || !Number.isFinite(share)) return undefined;
  const { value, unit } = line.amount.amount;
  // Quarters of a spoon, whole grams: what can be measured.
  const step = unit === "tsp" || unit === "tbsp" ? 0.25 : unit === "cup" ? 0.125 : 1;
  const wanted = toStep((Number(value.num) / Number(value.den)) * share, step, "nearest").shown;
  return { kind: "exact", amount: { value: ratioOf(Math.max(step, wanted)), unit } };
}
/** A line that is measured by the cup, by the spoon: finer steps. */
function inSpoons(line: Line | undefined): Line | undefined {
  if (line?.amount.kind !== "exact" || line.amount.amount.unit !== "cup") return line;
  const { value } = line.amount.amount;
  return { ...line, amount: { kind: "exact", amount: { value: ratio(value.num * 16n, value.den), unit: "tbsp" } } };
}
const setAmount = (code: RemedyCode, lineId: string, amount: LineAmount | undefined): Remedy[] =>
  amount ? [{ code, edits: [{ kind: "set-amount", lineId, amount }] }] : [];

const newLine = (id: string, ingredientId: string, amount: LineAmount): Line => ({
  id,
  partId: null,
  ingredientId,
  amount,
  bowl: "dry",
  keeps: 1,
  isOptional: false,
  note: "",
});

/** An id that no line has yet, made from what the line is of. */
export function freshLineId(recipe: Recipe, from: string): string {
  const taken = new Set(recipe.lines.map((line) => line.id));
  const base = from.slice(0, 56);
  if (!taken.has(base)) return base;
  for (let n = 2; ; n += 1) if (!taken.has(`${base}-${n}`)) return `${base}-${n}`;
}

/** The liquid line with the most in it: what a batter is loosened or stiffened by. */
const largestLiquid = (recipe: Recipe, pantry: Pantry): Line | undefined =>
  recipe.lines
    .filter((line) => pantry.get(line.ingredientId)?.role === "liquid" && line.amount.kind === "exact")
    .sort((a, b) => (lineGrams(b, recipe, pantry) ?? 0) - (lineGrams(a, recipe, pantry) ?? 0))[0];

/** What brings a batter to a looseness by its largest liquid alone: what is missing to the whole bowl's water, or too much of it. */
function asLooseAs(wanted: number, now: number, recipe: Recipe, pantry: Pantry): Remedy[] {
  const liquid = largestLiquid(recipe, pantry);
  if (!liquid) return [];
  const waterShare = (pantry.get(liquid.ingredientId)?.waterPercent ?? 0) / 100;
  const water = (lineGrams(liquid, recipe, pantry) ?? 0) * waterShare;
  const missing = (wanted - now) * batterOf(recipe, pantry).starchGrams;
  // Where even without this liquid there is too much water, another has to go.
  return water + missing > 0
    ? setAmount(
        missing > 0 ? "raise-liquid" : "lower-liquid",
        liquid.id,
        timesShare(inSpoons(liquid), 1 + missing / water),
      )
    : [];
}

/** One entry per finding, so that a new finding does not compile until somebody has thought of its way out. */
const finders: { readonly [C in AnyRecipeFinding["code"]]: Finder<C> } = {
  "amount-unknown": none,
  "pack-size-missing": none,
  "ingredient-not-in-pantry": none,
  "density-unknown": none,
  "aim-outside-band": none,
  "units-mixed": none,
  "salt-depends-on-brand": none,
  "used-not-listed": (f, recipe) => [
    {
      code: "add-line",
      edits: [
        {
          kind: "add-line",
          line: newLine(freshLineId(recipe, f.ingredientId), f.ingredientId, { kind: "unknown", said: "not said" }),
          afterId: null,
          drawnBy: f.stepId,
        },
        { kind: "unmention", stepId: f.stepId, ingredientId: f.ingredientId },
      ],
    },
    { code: "leave-out-of-method", edits: [{ kind: "unmention", stepId: f.stepId, ingredientId: f.ingredientId }] },
  ],
  "wrong-twin": (f, recipe) => {
    const line = recipe.lines.find((one) => one.ingredientId === f.listed);
    return [
      { code: "say-the-twin", edits: [{ kind: "mention-instead", stepId: f.stepId, from: f.named, to: f.listed }] },
      ...(line && twinsOf(f.listed).includes(f.named)
        ? [
            {
              code: "list-the-twin" as const,
              edits: [
                { kind: "set-ingredient" as const, lineId: line.id, ingredientId: f.named },
                { kind: "mention-instead" as const, stepId: f.stepId, from: f.named, to: f.named },
              ],
            },
          ]
        : []),
    ];
  },
  "listed-not-used": (f, recipe) => {
    const step = firstMix(recipe) ?? recipe.steps[0];
    return [
      ...(step
        ? [
            {
              code: "use-in-first-mix" as const,
              edits: [{ kind: "draw" as const, stepId: step.id, lineId: f.lineId, share: one }],
            },
          ]
        : []),
      { code: "take-off-list", edits: [{ kind: "remove-line", lineId: f.lineId }] },
    ];
  },
  "draws-unknown-line": (f) => [
    { code: "forget-draw", edits: [{ kind: "undraw-unknown", stepId: f.stepId, lineId: f.lineId }] },
  ],
  "shares-do-not-add-up": (f) => [{ code: "level-shares", edits: [{ kind: "level-shares", lineId: f.lineId }] }],
  "no-cook-step": (_f, recipe) => [
    { code: "add-cook-step", edits: [{ kind: "add-step", step: stepTemplate("cook", recipe) }] },
  ],
  "caution-left-out": (f) => [
    { code: "put-back-caution", edits: [{ kind: "put-back-caution", stepId: f.stepId, hazard: f.hazard }] },
  ],
  "adult-not-named": (f) => [{ code: "adult-only", edits: [{ kind: "adult-only", stepId: f.stepId }] }],
  "part-empty": (f) => [{ code: "drop-part", edits: [{ kind: "remove-part", partId: f.partId }] }],
  "part-without-step": (f, recipe) => [
    {
      code: "add-part-step",
      edits: [
        {
          kind: "add-step",
          step: partStep(recipe, f.partId),
        },
      ],
    },
  ],
  "variant-without-line": (f) => [
    { code: "forget-in-variant", edits: [{ kind: "forget-in-variant", variantId: f.variantId, lineId: f.lineId }] },
  ],
  "soda-left-over": (f, recipe) =>
    setAmount(
      "less-soda",
      f.lineId,
      f.neutralisedTsp > sodaSlackTsp
        ? timesShare(
            recipe.lines.find((line) => line.id === f.lineId),
            f.neutralisedTsp / f.sodaTsp,
          )
        : undefined,
    ),
  "soda-without-acid": (f, recipe, pantry) => [
    ...sourTheMilk(f.lineId, f.sodaTsp, recipe, pantry),
    {
      code: "usual-powder",
      edits: [
        { kind: "set-ingredient", lineId: f.lineId, ingredientId: "baking-powder" },
        // Three times the soda is a powder's strength.
        {
          kind: "set-amount",
          lineId: f.lineId,
          amount: { kind: "exact", amount: { value: quarters(f.sodaTsp * 3), unit: "tsp" } },
        },
      ],
    },
  ],
  "acid-without-soda": (f, recipe) => [
    {
      code: "add-soda",
      edits: [
        {
          kind: "add-line",
          line: newLine(freshLineId(recipe, "soda"), "baking-soda", {
            kind: "exact",
            amount: { value: quarters(f.acidTsp), unit: "tsp" },
          }),
          afterId: null,
          drawnBy: firstMix(recipe)?.id ?? null,
        },
      ],
    },
  ],
  "powder-outside-band": (f, recipe) => {
    const line = recipe.lines.find((each) => each.id === f.lineId);
    const target = f.tspPer125g > f.to ? f.to : f.from;
    return setAmount("usual-powder", f.lineId, timesShare(line, target / f.tspPer125g));
  },
  "leavener-missing": (f, recipe) => [
    {
      code: "usual-powder",
      edits: [
        {
          kind: "add-line",
          line: newLine(freshLineId(recipe, "powder"), "baking-powder", {
            kind: "exact",
            amount: { value: quarters((f.grams / 125) * 1.5), unit: "tsp" },
          }),
          afterId: f.flourLineId,
          drawnBy: firstMix(recipe)?.id ?? null,
        },
      ],
    },
  ],
  "looseness-outside-band": (f, recipe, pantry) =>
    asLooseAs(f.looseness < f.from ? f.from * 1.02 : f.to * 0.98, f.looseness, recipe, pantry),
  "looseness-off-aim": (f, recipe, pantry) => asLooseAs(f.aim, f.looseness, recipe, pantry),
  "ceiling-passed": (f, recipe, pantry) => {
    const line = recipe.lines.find((each) => each.id === f.lineId);
    const grams = line && lineGrams(line, recipe, pantry);
    return grams === undefined || f.level === "blocks"
      ? []
      : setAmount("down-to-ceiling", f.lineId, exactGrams(inGrams((grams * f.most) / f.gramsPer100)));
  },
  "film-outside-band": (f) => [
    {
      code: "pour-for-piece",
      edits: [{ kind: "set-portion", portion: { kind: "ml", ml: largest(inMillilitres(1), f.pourMl) } }],
    },
    ...(f.acrossCm >= 1 && f.acrossCm <= 60
      ? [{ code: "piece-of-pour" as const, edits: [{ kind: "set-piece" as const, diameterCm: f.acrossCm }] }]
      : []),
  ],
  "yield-off": (f) => [
    { code: "claim-what-volume-says", edits: [{ kind: "claim-pieces", pieces: inPieces(f.computed) }] },
    ...(f.portion !== undefined && f.portion >= 1
      ? [
          {
            code: "pour-what-was-claimed" as const,
            edits: [
              {
                kind: "set-portion" as const,
                portion:
                  f.unit === "ml"
                    ? ({ kind: "ml", ml: inMillilitres(f.portion) } as const)
                    : ({ kind: "grams", grams: inGrams(f.portion) } as const),
              },
            ],
          },
        ]
      : []),
  ],
  "main-amount-open": none,
  "thirsty-flour": none,
  "variant-without-flour": none,
  "pan-fat-not-said": (_f, recipe, pantry) =>
    pantry.has("sunflower-oil")
      ? [
          {
            code: "oil-per-load",
            edits: [
              {
                kind: "add-line",
                line: {
                  ...newLine(freshLineId(recipe, "pan-oil"), "sunflower-oil", {
                    kind: "per-load",
                    amount: { value: one, unit: "tsp" },
                  }),
                  bowl: "pan",
                },
                afterId: null,
                drawnBy: recipe.steps.find((step) => cooksPieces(step, recipe))?.id ?? null,
              },
            ],
          },
        ]
      : [],
  "test-not-for-heat": (_f, recipe) => [
    { code: "test-with-water", edits: [{ kind: "set-heat", heat: { ...recipe.heat, test: "water-beads" } }] },
  ],
  "test-wants-hotter": (_f, recipe) => [
    { code: "test-with-steam", edits: [{ kind: "set-heat", heat: { ...recipe.heat, test: "drop-steams" } }] },
  ],
  "heat-of-another-family": (f) => [{ code: "usual-heat", edits: [{ kind: "set-heat", heat: familyHeat(f.family) }] }],
  "window-missing": (f) => [{ code: "usual-window", edits: [{ kind: "set-window", rest: f.wanted }] }],
  "cue-not-visible": (f, recipe) => {
    const left = recipe.heat.cues.filter((cue) => !f.cues.includes(cue));
    return [
      {
        code: "cues-without-colour",
        edits: [
          {
            kind: "set-cues",
            cues: left.length > 0 ? left : ["bubbles-stay-open", "dull-rim"],
            blindNote: "Dark batter: colour says nothing. Go by bubbles, rim and time.",
          },
        ],
      },
    ];
  },
};

/** A step that makes a sub-recipe of what no other step draws yet; boiling sauce is an adult's, and says so. */
function partStep(recipe: Recipe, partId: string): Step {
  const part = recipe.parts.find((each) => each.id === partId);
  const isDrawn = (lineId: string) => recipe.steps.some((step) => step.draws.some((draw) => draw.lineId === lineId));
  return {
    ...stepTemplate("prepare", recipe),
    partId,
    draws: recipe.lines
      .filter((line) => line.partId === partId && !isDrawn(line.id))
      .map((line) => ({ lineId: line.id, share: one })),
    minutes: part?.minutes ?? { low: 3, likely: 5, high: 10 },
    ...(part?.kind === "sauce" && part.heat === "hob" ? { hazards: ["boiling-sauce"], who: "adult" } : {}),
  };
}

/** Milk turned into soured milk, where there is enough of it for the soda: acid to each cup, ten minutes earlier. */
function sourTheMilk(sodaLineId: string, sodaTsp: number, recipe: Recipe, pantry: Pantry): Remedy[] {
  const soured = pantry.get("soured-milk");
  const milk = recipe.lines
    .filter((line) => sourable.includes(line.ingredientId) && isBatter(line, recipe))
    .sort((a, b) => (lineGrams(b, recipe, pantry) ?? 0) - (lineGrams(a, recipe, pantry) ?? 0))[0];
  if (!soured || !milk) return [];
  const cups =
    (lineGrams(milk, recipe, pantry) ?? 0) / (typeof soured.gramsPerCup === "number" ? soured.gramsPerCup : 244);
  const takes = cups * soured.neutralisesTsp;
  if (takes <= 0) return [];
  const line = recipe.lines.find((each) => each.id === sodaLineId);
  const less = sodaTsp - takes > sodaSlackTsp ? timesShare(line, takes / sodaTsp) : undefined;
  return [
    {
      code: "sour-the-milk",
      edits: [
        { kind: "set-ingredient", lineId: milk.id, ingredientId: "soured-milk" },
        ...(less ? [{ kind: "set-amount" as const, lineId: sodaLineId, amount: less }] : []),
      ],
    },
  ];
}
const sourable: readonly string[] = ["whole-milk", "semi-skimmed-milk", "skimmed-milk"];

/** A number of teaspoons as quarters, at least one. */
function quarters(tsp: number): Ratio {
  return ratioOf(Math.max(0.25, toStep(tsp, 0.25).shown));
}

/** The ways out of a finding that the program can take by itself. */
export const remediesFor = (finding: AnyRecipeFinding, recipe: Recipe, pantry: Pantry): readonly Remedy[] =>
  // The table has for each code the finder of that code, which an index does not show.
  (finders[finding.code] as Finder<AnyRecipeFinding["code"]>)(finding as never, recipe, pantry);
