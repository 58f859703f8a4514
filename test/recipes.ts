import fc from "fast-check";
import { starterPantry } from "~/core/pantry";
import { type Amount, ratio, units, inMinutes, inCelsius, inMillilitres, inGrams, inPieces } from "~/core/quantity";
import {
  type Line,
  type LineAmount,
  type Recipe,
  type Variant,
  bowls,
  cues,
  families,
  familyHeat,
  gateKinds,
  warmPlaces,
  hazards,
  mixingStops,
  partHeats,
  partKinds,
  servingKinds,
  shapeIds,
  stepKinds,
  techniques,
  readinessTests,
  surfaceKinds,
  tools,
  windowReasons,
} from "~/core/recipe";
import { positiveRatio } from "./ratios";

/** Random recipes of every shape the model has, for what must hold of any of them. */
const unit = fc.constantFrom(...units.filter((one) => one !== "piece" && one !== "pinch" && one !== "spray"));
/** Counted, loose and measured amounts: every unit there is. */
const anyUnit = fc.oneof({ weight: 5, arbitrary: unit }, { weight: 2, arbitrary: fc.constantFrom(...units) });
const amount: fc.Arbitrary<Amount> = fc.record({ value: positiveRatio, unit: anyUnit });
const net: fc.Arbitrary<Amount> = fc.record({ value: positiveRatio, unit });
const pair = fc.tuple(positiveRatio, positiveRatio, anyUnit).map(([a, b, one]): [Amount, Amount] =>
  a.num * b.den <= b.num * a.den
    ? [
        { value: a, unit: one },
        { value: b, unit: one },
      ]
    : [
        { value: b, unit: one },
        { value: a, unit: one },
      ],
);
const lineAmount: fc.Arbitrary<LineAmount> = fc.oneof(
  amount.map((one): LineAmount => ({ kind: "exact", amount: one })),
  pair.map(([from, to]): LineAmount => ({ kind: "range", from, to })),
  pair.map(([start, most]): LineAmount => ({ kind: "top-up", start, most })),
  pair.map(([back, whole]): LineAmount => ({ kind: "hold-back", amount: whole, back })),
  fc.tuple(positiveRatio, net).map(([packs, each]): LineAmount => ({ kind: "packs", packs, each, packName: "sachet" })),
  fc
    .tuple(amount, fc.option(fc.constantFrom("first" as const, 2, 3, 20), { nil: undefined }))
    .map(([one, every]): LineAmount => ({ kind: "per-load", amount: one, ...(every ? { every } : {}) })),
  amount.map((one): LineAmount => ({ kind: "per-piece", amount: one })),
  amount.map((one): LineAmount => ({ kind: "per-serving", amount: one })),
  fc
    .tuple(amount, fc.constantFrom(undefined, ratio(1n, 2n), ratio(1n, 3n)))
    .map(([one, takes]): LineAmount => ({ kind: "per-person", amount: one, ...(takes ? { takes } : {}) })),
  fc.constant<LineAmount>({ kind: "to-taste" }),
  fc.constantFrom("some", "a few").map((said): LineAmount => ({ kind: "unknown", said })),
);
const minutes = fc
  .tuple(fc.integer({ min: 0, max: 20 }), fc.integer({ min: 0, max: 20 }), fc.integer({ min: 0, max: 20 }))
  .map(([a, b, c]) => ({ low: a / 2, likely: (a + b) / 2, high: (a + b + c) / 2 }));

const lineOf = (index: number, partIds: readonly string[]): fc.Arbitrary<Line> =>
  fc.record({
    id: fc.constant(`l${index}`),
    partId: partIds.length > 0 ? fc.option(fc.constantFrom(...partIds)) : fc.constant(null),
    ingredientId: fc.constantFrom(...starterPantry.map((one) => one.id)),
    amount: lineAmount,
    bowl: fc.constantFrom(...bowls),
    keeps: fc.constantFrom(1, 0.6, 0.85),
    isOptional: fc.boolean(),
    note: fc.constantFrom("", "melted"),
    alternatives: fc.option(
      fc.uniqueArray(
        fc
          .record({
            ingredientId: fc.constantFrom(...starterPantry.map((one) => one.id)),
            amount: fc.option(amount, { nil: undefined }),
            isAdvised: fc.boolean(),
            reason: fc.constantFrom("", "it browns sooner"),
          })
          .map(({ amount: own, ...rest }) => ({ ...rest, ...(own ? { amount: own } : {}) })),
        { selector: (one) => one.ingredientId, minLength: 1, maxLength: 2 },
      ),
      { nil: undefined, freq: 3 },
    ),
  });

const variantOf = (
  lineIds: readonly string[],
  partIds: readonly string[],
  stepIds: readonly string[],
): fc.Arbitrary<Variant> =>
  fc
    .record({
      standing: fc.constantFrom("draft" as const, "rehearsed" as const),
      omit: fc.subarray([...lineIds], { maxLength: 1 }),
      swaps: fc.uniqueArray(
        fc.record({
          lineId: fc.constantFrom(...lineIds),
          ingredientId: fc.constantFrom(...starterPantry.map((one) => one.id)),
          amount: fc.option(lineAmount, { nil: undefined }),
        }),
        { selector: (swap) => swap.lineId, maxLength: 2 },
      ),
      add: fc.option(lineOf(90, partIds)),
      decidedAt: fc.constantFrom(null, ...stepIds),
    })
    .map(({ swaps, add, ...rest }) => ({
      ...rest,
      id: "other-way",
      name: "Another way",
      swaps: swaps.map(({ amount: swapped, ...swap }) => (swapped ? { ...swap, amount: swapped } : swap)),
      add: add ? [add] : [],
    }));

export const recipes: fc.Arbitrary<Recipe> = fc
  .record({
    lines: fc.integer({ min: 1, max: 7 }),
    steps: fc.integer({ min: 0, max: 4 }),
    parts: fc.integer({ min: 0, max: 2 }),
  })
  .chain(({ lines, steps, parts }) => {
    const partIds = Array.from({ length: parts }, (_, index) => `p${index}`);
    const lineIds = Array.from({ length: lines }, (_, index) => `l${index}`);
    return fc.record({
      id: fc.constant("random"),
      revision: fc.constant(1),
      title: fc.constant("A random recipe"),
      intro: fc.constantFrom("", "Stir."),
      family: fc.constantFrom(...families),
      system: fc.constantFrom("us" as const, "metric" as const, "au" as const),
      fill: fc.constantFrom("sifted" as const, "spooned" as const, "dipped" as const),
      standing: fc.constantFrom("draft" as const, "taught" as const),
      lines: fc.tuple(...lineIds.map((_, index) => lineOf(index, partIds))).map((all) => [...all]),
      steps: fc
        .tuple(
          ...Array.from({ length: steps }, (_, index) =>
            fc.record({
              id: fc.constant(`s${index}`),
              partId: partIds.length > 0 ? fc.option(fc.constantFrom(...partIds)) : fc.constant(null),
              kind: fc.constantFrom(...stepKinds),
              text: fc.constant("Do it."),
              draws: fc.uniqueArray(
                fc.record({
                  lineId: fc.constantFrom(...lineIds),
                  share: fc.constantFrom(ratio(1n), ratio(1n, 2n), ratio(1n, 3n)),
                }),
                { selector: (draw) => draw.lineId, maxLength: 3 },
              ),
              mentions: fc.uniqueArray(fc.constantFrom("baking-soda", "garlic"), { maxLength: 1 }),
              minutes,
              tools: fc.uniqueArray(fc.constantFrom(...tools), { maxLength: 3 }),
              hazards: fc.uniqueArray(fc.constantFrom(...hazards), { maxLength: 2 }),
              stop: fc.option(fc.constantFrom(...mixingStops), { nil: undefined }),
              point: fc.option(fc.constant("Bubbles are the lift."), { nil: undefined }),
              question: fc.option(fc.constant("What makes it rise?"), { nil: undefined }),
              avoid: fc.option(fc.constant("Not the flip."), { nil: undefined }),
              gate: fc.option(
                fc.record({ kind: fc.constantFrom(...gateKinds), value: fc.integer({ min: 1, max: 400 }) }),
                { nil: undefined },
              ),
              techniques: fc.option(fc.uniqueArray(fc.constantFrom(...techniques), { maxLength: 3 }), {
                nil: undefined,
                freq: 3,
              }),
              warmth: fc.option(
                fc.record(
                  {
                    place: fc.constantFrom(...warmPlaces),
                    c: fc.integer({ min: -20, max: 120 }).map(inCelsius),
                    most: fc.integer({ min: 1, max: 90 }).map(inMinutes),
                  },
                  { requiredKeys: ["place", "c"] },
                ),
                { nil: undefined },
              ),
              waived: fc.option(
                fc.array(fc.record({ hazard: fc.constantFrom(...hazards), reason: fc.constant("looked at") }), {
                  minLength: 1,
                  maxLength: 2,
                }),
                { nil: undefined },
              ),
              who: fc.constantFrom("anyone" as const, "adult" as const),
            }),
          ),
        )
        .map((all) => [...all]),
      rest: fc.record({
        min: fc.integer({ min: 0, max: 30 }).map(inMinutes),
        max: fc.option(fc.integer({ min: 30, max: 90 }).map(inMinutes)),
        reason: fc.constantFrom(...windowReasons),
      }),
      heat: fc
        .tuple(
          fc.constantFrom(...families.map(familyHeat)),
          fc.option(
            fc.uniqueArray(
              fc.record(
                {
                  surfaceKind: fc.constantFrom(...surfaceKinds),
                  surfaceC: fc.constant({ from: inCelsius(160), to: inCelsius(190) }),
                  dial: fc.constantFrom("4 of 9", "low for long"),
                  test: fc.constantFrom(...readinessTests),
                  side1: minutes,
                  side2: minutes,
                },
                { requiredKeys: ["surfaceKind"] },
              ),
              { selector: (one) => one.surfaceKind, minLength: 1, maxLength: 3 },
            ),
            { nil: undefined },
          ),
          fc.option(minutes, { nil: undefined, freq: 3 }),
        )
        .map(([heat, on, halves]) => ({ ...heat, ...(on ? { on } : {}), ...(halves ? { halves } : {}) })),
      portion: fc.oneof(
        fc.record({ kind: fc.constant("ml" as const), ml: fc.integer({ min: 10, max: 200 }).map(inMillilitres) }),
        fc.record({ kind: fc.constant("grams" as const), grams: fc.integer({ min: 10, max: 200 }).map(inGrams) }),
        fc.record({ kind: fc.constant("batch" as const), pieces: fc.integer({ min: 1, max: 12 }).map(inPieces) }),
      ),
      pieceDiameterCm: fc.integer({ min: 5, max: 30 }),
      aimedLooseness: fc.constantFrom(undefined, undefined, 0.8, 1.35, 2.5),
      shapes: fc.option(fc.uniqueArray(fc.constantFrom(...shapeIds), { minLength: 1 }), { nil: undefined, freq: 3 }),
      serving: fc.option(
        fc.record({ pieces: fc.integer({ min: 2, max: 4 }).map(inPieces), as: fc.constantFrom(...servingKinds) }),
        {
          nil: undefined,
          freq: 3,
        },
      ),
      rounds: fc.option(
        fc
          .array(fc.integer({ min: 1, max: 3 }), { minLength: 2, maxLength: 3 })
          .map((parts) => parts.map((count, index) => ({ id: `r${index}`, name: `Round ${index + 1}`, parts: count }))),
        { nil: undefined, freq: 3 },
      ),
      isRoundsOpen: fc.constantFrom(undefined, undefined, true as const),
      claimedPieces: fc.option(fc.integer({ min: 1, max: 40 }).map(inPieces)),
      blindNote: fc.constantFrom("", "Dark."),
      parts: fc
        .tuple(
          ...partIds.map((id) =>
            fc.record({
              id: fc.constant(id),
              name: fc.constant("Sauce"),
              kind: fc.constantFrom(...partKinds),
              heat: fc.constantFrom(...partHeats),
              minutes,
              makesGrams: fc.option(fc.integer({ min: 10, max: 900 }).map(inGrams)),
            }),
          ),
        )
        .map((all) => [...all]),
      variants: fc.oneof(
        fc.constant([]),
        variantOf(
          lineIds,
          partIds,
          Array.from({ length: steps }, (_, index) => `s${index}`),
        ).map((one) => [one]),
      ),
    });
  })
  .map(({ rounds, isRoundsOpen, ...recipe }): Recipe => ({
    ...recipe,
    ...(rounds
      ? {
          rounds,
          ...(isRoundsOpen ? { isRoundsOpen } : {}),
          // Every other line is for one round only.
          lines: recipe.lines.map((line, index) =>
            index % 2 === 1 ? { ...line, roundId: rounds[(index - 1) % rounds.length]?.id ?? "r0" } : line,
          ),
        }
      : {}),
    heat: { ...recipe.heat, cues: recipe.heat.cues.filter((cue) => cues.includes(cue)) },
  }));
