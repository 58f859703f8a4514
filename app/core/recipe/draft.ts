import {
  type Amount,
  type NumberStyle,
  pointStyle,
  writeAmount,
  writeRatio,
  inPieces,
  inMinutes,
} from "~/core/quantity";
import { familyHeat, familyPiece } from "./templates";
import type { DraftLine, DraftSpan, RecipeDraft } from "./draft-types";
import type { Family, Line, Recipe, Span } from "./types";

const text = (value: number): string => String(Math.round(value * 1000) / 1000);
export const spanText = (value: Span): DraftSpan => ({
  low: text(value.low),
  likely: text(value.likely),
  high: text(value.high),
});

const noSpan: DraftSpan = { low: "", likely: "", high: "" };

function draftLine(line: Line, style: NumberStyle): DraftLine {
  const { amount } = line;
  const write = (value: Amount) => writeAmount(value, style);
  const [first, second, packName] = ((): [string, string, string] => {
    switch (amount.kind) {
      case "exact":
      case "per-piece":
      case "per-serving":
        return [write(amount.amount), "", ""];
      case "per-load":
        return [write(amount.amount), amount.every === undefined ? "" : String(amount.every), ""];
      case "per-person":
        return [write(amount.amount), amount.takes ? writeRatio(amount.takes) : "", ""];
      case "range":
        return [write(amount.from), write(amount.to), ""];
      case "top-up":
        return [write(amount.start), write(amount.most), ""];
      case "hold-back":
        return [write(amount.amount), write(amount.back), ""];
      case "packs":
        return [writeRatio(amount.packs), write(amount.each), amount.packName];
      case "to-taste":
        return ["", "", ""];
      case "unknown":
        return [amount.said, "", ""];
      default:
        return amount satisfies never;
    }
  })();
  return {
    id: line.id,
    partId: line.partId ?? "",
    ingredientId: line.ingredientId,
    said: "",
    kind: amount.kind,
    amount: first,
    second,
    packName,
    bowl: line.bowl,
    keepsPercent: text(line.keeps * 100),
    isOptional: line.isOptional,
    note: line.note,
    ...(line.alternatives
      ? {
          alternatives: line.alternatives.map(({ ingredientId, amount: own, isAdvised, reason }) => ({
            ingredientId,
            amount: own ? write(own) : "",
            isAdvised,
            reason,
          })),
        }
      : {}),
    ...(line.roundId ? { roundId: line.roundId } : {}),
    choices: [],
    guesses: [],
  };
}

/** A recipe as an editor shows it; {@link readDraft} reads it back unchanged. */
export function draftOf(recipe: Recipe, style: NumberStyle = pointStyle): RecipeDraft {
  const { heat, portion } = recipe;
  return {
    title: recipe.title,
    intro: recipe.intro,
    family: recipe.family,
    system: recipe.system,
    fill: recipe.fill,
    standing: recipe.standing,
    lines: recipe.lines.map((line) => draftLine(line, style)),
    steps: recipe.steps.map((step) => ({
      id: step.id,
      partId: step.partId ?? "",
      kind: step.kind,
      text: step.text,
      draws: step.draws.map((draw) => ({ lineId: draw.lineId, share: writeRatio(draw.share) })),
      mentions: step.mentions,
      minutes: spanText(step.minutes),
      tools: step.tools,
      hazards: step.hazards,
      ...(step.waived ? { waived: step.waived } : {}),
      who: step.who,
      ...(step.stop ? { stop: step.stop } : {}),
      ...(step.point ? { point: step.point } : {}),
      ...(step.question ? { question: step.question } : {}),
      ...(step.avoid ? { avoid: step.avoid } : {}),
      ...(step.gate ? { gateKind: step.gate.kind, gateValue: text(step.gate.value) } : {}),
      ...(step.techniques ? { techniques: step.techniques } : {}),
      ...(step.warmth
        ? {
            warmPlace: step.warmth.place,
            warmC: text(step.warmth.c),
            warmMost: step.warmth.most === undefined ? "" : text(step.warmth.most),
          }
        : {}),
      guesses: [],
    })),
    restMin: text(recipe.rest.min),
    restMax: recipe.rest.max === null ? "" : text(recipe.rest.max),
    restReason: recipe.rest.reason,
    surfaceKinds: heat.surfaceKinds,
    surfaceFrom: text(heat.surfaceC.from),
    surfaceTo: text(heat.surfaceC.to),
    test: heat.test,
    side1: spanText(heat.side1),
    hasSide2: heat.side2 !== null,
    side2: heat.side2 ? spanText(heat.side2) : { low: "", likely: "", high: "" },
    turnaround: text(heat.turnaround),
    pourPerPiece: text(heat.pourPerPiece),
    recover: text(heat.recover),
    ...(heat.halves ? { halves: spanText(heat.halves) } : {}),
    cues: heat.cues,
    ...(heat.on
      ? {
          heatOn: heat.on.map((each) => ({
            surfaceKind: each.surfaceKind,
            from: each.surfaceC ? text(each.surfaceC.from) : "",
            to: each.surfaceC ? text(each.surfaceC.to) : "",
            dial: each.dial ?? "",
            test: each.test ?? "",
            side1: each.side1 ? spanText(each.side1) : noSpan,
            side2: each.side2 ? spanText(each.side2) : noSpan,
          })),
        }
      : {}),
    blindNote: recipe.blindNote,
    portionKind: portion.kind,
    portion: text(portion.kind === "ml" ? portion.ml : portion.kind === "grams" ? portion.grams : portion.pieces),
    pieceDiameterCm: text(recipe.pieceDiameterCm),
    aimedLooseness: recipe.aimedLooseness === undefined ? "" : text(recipe.aimedLooseness),
    claimedPieces: recipe.claimedPieces === null ? "" : text(recipe.claimedPieces),
    ...(recipe.shapes ? { shapes: recipe.shapes } : {}),
    servingPieces: recipe.serving ? text(recipe.serving.pieces) : "",
    servingAs: recipe.serving?.as ?? "pair",
    ...(recipe.rounds
      ? {
          rounds: recipe.rounds.map(({ id, name, parts }) => ({ id, name, parts: text(parts) })),
          ...(recipe.isRoundsOpen ? { isRoundsOpen: true } : {}),
        }
      : {}),
    parts: recipe.parts.map((part) => ({
      id: part.id,
      name: part.name,
      kind: part.kind,
      heat: part.heat,
      minutes: spanText(part.minutes),
      makesGrams: part.makesGrams === null ? "" : text(part.makesGrams),
    })),
    variants: recipe.variants.map((variant) => ({
      id: variant.id,
      name: variant.name,
      standing: variant.standing,
      decidedAt: variant.decidedAt ?? "",
      omit: variant.omit,
      swaps: variant.swaps.map((swap) => ({
        lineId: swap.lineId,
        ingredientId: swap.ingredientId,
        amount: swap.amount?.kind === "exact" ? writeAmount(swap.amount.amount, style) : "",
      })),
      add: variant.add.map((line) => draftLine(line, style)),
      steps: variant.steps ?? [],
    })),
  };
}

export const emptyLine = (id: string): DraftLine => ({
  id,
  partId: "",
  ingredientId: "",
  said: "",
  kind: "exact",
  amount: "",
  second: "",
  packName: "",
  bowl: "dry",
  keepsPercent: "100",
  isOptional: false,
  note: "",
  choices: [],
  guesses: [],
});

/** A draft with nothing in it but what its family usually needs. */
export function emptyDraft(family: Family): RecipeDraft {
  const recipe: Recipe = {
    id: "new",
    revision: 1,
    title: "",
    intro: "",
    family,
    system: "metric",
    fill: "spooned",
    standing: "draft",
    lines: [],
    steps: [],
    rest: { min: inMinutes(0), max: inMinutes(30), reason: "author" },
    heat: familyHeat(family),
    portion:
      family === "oven-puffed" ? { kind: "batch", pieces: inPieces(1) } : { kind: "ml", ml: familyPiece[family].ml },
    pieceDiameterCm: familyPiece[family].cm,
    claimedPieces: null,
    blindNote: "",
    parts: [],
    variants: [],
  };
  return { ...draftOf(recipe), system: "" };
}
