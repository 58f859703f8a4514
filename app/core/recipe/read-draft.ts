import {
  type Amount,
  type MeasuringSystem,
  type Ratio,
  compare,
  isZero,
  one,
  readQuantity,
  readRatio,
  toNumber,
  inPieces,
  inGrams,
  inMinutes,
  inMillilitres,
  smallest,
  inCelsius,
  largest,
} from "~/core/quantity";
import type {
  DraftLine,
  DraftAlternative,
  DraftHeatOn,
  DraftSpan,
  RecipeDraft,
  DraftProblem,
  DraftRead,
} from "./draft-types";
import { reheatC } from "./safety";
import { roundLimits } from "./rounds";
import type { Alternative, HeatOn, Line, LineAmount, Part, Recipe, Round, Span, Step, Variant, Waiver } from "./types";

const isBlank = (span: DraftSpan): boolean => [span.low, span.likely, span.high].every((one) => one.trim() === "");

/** Words an instructor gave a step, where any are left of them. */
const said = <K extends "point" | "question" | "avoid">(
  key: K,
  words: string | undefined,
): Partial<Record<K, string>> => {
  const kept = words?.trim().slice(0, 300);
  return kept ? ({ [key]: kept } as Record<K, string>) : {};
};

const isGiven = ({ reason }: Waiver): boolean => reason.trim() !== "";

/** Collects problems while it reads, so that one pass says everything. */
class Reader {
  readonly problems: DraftProblem[] = [];
  constructor(
    private readonly system: MeasuringSystem | undefined,
    private readonly roundIds: ReadonlySet<string> = new Set(),
  ) {}

  number(path: string, said: string, least: number, most: number, fallback: number): number {
    const read = readRatio(said);
    const value = read && toNumber(read);
    if (value !== undefined && value >= least && value <= most) return value;
    this.problems.push({ path, said, code: "number", least, most });
    return value === undefined ? fallback : Math.min(most, Math.max(least, value));
  }

  span(path: string, said: DraftSpan): Span {
    const read = (key: keyof DraftSpan) => this.number(`${path}.${key}`, said[key], 0, 600, 0);
    const [low, likely, high] = [read("low"), read("likely"), read("high")];
    if (!(low <= likely && likely <= high)) {
      this.problems.push({ path: `${path}.likely`, said: said.likely, code: "span-order" });
      const [a = 0, b = 0, c = 0] = [low, likely, high].sort((x, y) => x - y);
      return { low: a, likely: b, high: c };
    }
    return { low, likely, high };
  }

  /** One amount; `undefined` when it is open, with the reason among the problems. */
  amount(path: string, said: string): Amount | undefined {
    const read = readQuantity(said, { system: this.system });
    const question = read?.questions.find((one) => one.code !== "which-system");
    if (question) this.problems.push({ path, said, code: "amount-asks", question });
    else if (read?.form.kind === "exact" && read.rest === "" && !isZero(read.form.amount.value))
      return read.form.amount;
    else this.problems.push({ path, said, code: "amount-not-read" });
    return undefined;
  }

  pair(path: string, line: DraftLine): [Amount, Amount] | undefined {
    const a = this.amount(`${path}.amount`, line.amount);
    // "80 to 120 ml": a second figure without a unit takes the first one's.
    const bare = a && readRatio(line.second.trim());
    const b = bare && a.unit !== "piece" ? { value: bare, unit: a.unit } : this.amount(`${path}.second`, line.second);
    if (!a || !b) return undefined;
    if (a.unit !== b.unit) {
      this.problems.push({ path: `${path}.second`, said: line.second, code: "different-units" });
      return undefined;
    }
    return [a, b];
  }

  lineAmount(path: string, line: DraftLine): LineAmount {
    const open: LineAmount = {
      kind: "unknown",
      said: line.amount.slice(0, 200) || line.said.slice(0, 200) || "not said",
    };
    switch (line.kind) {
      case "exact": {
        const amount = this.amount(`${path}.amount`, line.amount);
        return amount ? { kind: "exact", amount } : open;
      }
      case "per-load": {
        const amount = this.amount(`${path}.amount`, line.amount);
        const said = line.second.trim();
        const every =
          said === "" || said === "1"
            ? undefined
            : said === "first"
              ? said
              : Math.round(this.number(`${path}.second`, said, 2, 20, 2));
        return amount ? { kind: "per-load", amount, ...(every === undefined ? {} : { every }) } : open;
      }
      case "per-person": {
        const amount = this.amount(`${path}.amount`, line.amount);
        const takes = line.second.trim() === "" ? one : this.share(`${path}.second`, line.second);
        if (compare(takes, one) > 0) this.problems.push({ path: `${path}.second`, said: line.second, code: "share" });
        return amount ? { kind: "per-person", amount, ...(compare(takes, one) < 0 ? { takes } : {}) } : open;
      }
      case "per-piece":
      case "per-serving": {
        const amount = this.amount(`${path}.amount`, line.amount);
        return amount ? { kind: line.kind, amount } : open;
      }
      case "range":
      case "top-up":
      case "hold-back": {
        const pair = this.pair(path, line);
        if (!pair) return open;
        const [a, b] = pair;
        const isInOrder = line.kind === "hold-back" ? compare(b.value, a.value) <= 0 : compare(a.value, b.value) <= 0;
        if (!isInOrder) {
          this.problems.push({ path: `${path}.second`, said: line.second, code: "wrong-order" });
          return open;
        }
        if (line.kind === "range") return { kind: "range", from: a, to: b };
        return line.kind === "top-up"
          ? { kind: "top-up", start: a, most: b }
          : { kind: "hold-back", amount: a, back: b };
      }
      case "packs": {
        const packs = readRatio(line.amount);
        const each = this.amount(`${path}.second`, line.second);
        if (!packs || packs.num <= 0n)
          this.problems.push({ path: `${path}.amount`, said: line.amount, code: "amount-not-read" });
        return packs && packs.num > 0n && each
          ? { kind: "packs", packs, each, packName: line.packName.trim().slice(0, 30) || "packet" }
          : open;
      }
      case "to-taste":
        return { kind: "to-taste" };
      case "unknown":
        return { kind: "unknown", said: line.amount.slice(0, 200) || "not said" };
      default:
        return line.kind satisfies never;
    }
  }

  line(path: string, line: DraftLine): Line {
    if (line.ingredientId === "")
      this.problems.push({ path: `${path}.ingredientId`, said: line.said, code: "ingredient-open" });
    return {
      id: line.id,
      partId: line.partId || null,
      ingredientId: line.ingredientId,
      amount: this.lineAmount(path, line),
      bowl: line.bowl,
      keeps: this.number(`${path}.keepsPercent`, line.keepsPercent, 1, 100, 100) / 100,
      isOptional: line.isOptional,
      note: line.note.slice(0, 2000),
      ...(line.roundId && this.roundIds.has(line.roundId) ? { roundId: line.roundId } : {}),
      ...(line.alternatives && line.alternatives.length > 0
        ? { alternatives: line.alternatives.map((each) => this.alternative(path, each)) }
        : {}),
    };
  }

  alternative(path: string, each: DraftAlternative): Alternative {
    const at = `${path}.alternatives.${each.ingredientId}`;
    if (each.ingredientId === "") this.problems.push({ path: at, said: "", code: "ingredient-open" });
    const amount = each.amount.trim() === "" ? undefined : this.amount(`${at}.amount`, each.amount);
    return {
      ingredientId: each.ingredientId,
      ...(amount ? { amount } : {}),
      isAdvised: each.isAdvised,
      reason: each.reason.slice(0, 200),
    };
  }

  heatOn(each: DraftHeatOn): HeatOn {
    const at = `heatOn.${each.surfaceKind}`;
    const dial = each.dial.trim().slice(0, 120);
    const degrees =
      each.from.trim() === "" && each.to.trim() === ""
        ? undefined
        : [
            this.number(`${at}.from`, each.from.trim() || each.to, 50, 350, 180),
            this.number(`${at}.to`, each.to.trim() || each.from, 50, 350, 200),
          ];
    return {
      surfaceKind: each.surfaceKind,
      ...(degrees
        ? { surfaceC: { from: smallest(...degrees.map(inCelsius)), to: largest(...degrees.map(inCelsius)) } }
        : {}),
      ...(dial ? { dial } : {}),
      ...(each.test ? { test: each.test } : {}),
      ...(isBlank(each.side1) ? {} : { side1: this.span(`${at}.side1`, each.side1) }),
      ...(isBlank(each.side2) ? {} : { side2: this.span(`${at}.side2`, each.side2) }),
    };
  }

  share(path: string, said: string): Ratio {
    const read = readRatio(said);
    if (read && read.num > 0n) return read;
    this.problems.push({ path, said, code: "share" });
    return one;
  }
}

/**
 * What a draft says, as a recipe and the list of what it leaves open.
 * @param base the id and revision number the recipe gets.
 */
export function readDraft(
  draft: RecipeDraft,
  base: Pick<Recipe, "id" | "revision"> & Partial<Pick<Recipe, "variants">>,
): DraftRead {
  const read = new Reader(
    draft.system || undefined,
    new Set((draft.rounds ?? []).length > 1 ? draft.rounds?.map((round) => round.id) : []),
  );
  const { problems } = read;
  if (draft.title.trim() === "") problems.push({ path: "title", said: draft.title, code: "title-missing" });
  if (draft.system === "") problems.push({ path: "system", said: "", code: "system-open" });
  if (draft.lines.length === 0) problems.push({ path: "lines", said: "", code: "no-lines" });
  if (draft.surfaceKinds.length === 0) problems.push({ path: "surfaceKinds", said: "", code: "surface-missing" });
  const from = read.number("surfaceFrom", draft.surfaceFrom, 50, 350, 180);
  const to = read.number("surfaceTo", draft.surfaceTo, 50, 350, 200);
  const restMin = read.number("restMin", draft.restMin, 0, 2880, 0);
  const restMax = draft.restMax.trim() === "" ? null : read.number("restMax", draft.restMax, 0, 2880, 30);
  if (restMax !== null && restMin > restMax)
    problems.push({ path: "restMax", said: draft.restMax, code: "wrong-order" });
  const portionMost = draft.portionKind === "batch" ? 200 : 2000;
  const portion = read.number("portion", draft.portion, 1, portionMost, 60);
  const recipe: Recipe = {
    id: base.id,
    revision: base.revision,
    title: draft.title.trim().slice(0, 120),
    intro: draft.intro.slice(0, 2000),
    family: draft.family,
    system: draft.system || "metric",
    fill: draft.fill,
    standing: draft.standing,
    lines: draft.lines.map((line) => read.line(`lines.${line.id}`, line)),
    steps: draft.steps.map((step): Step => ({
      id: step.id,
      partId: step.partId || null,
      kind: step.kind,
      text: step.text.slice(0, 2000),
      draws: step.draws.map((draw) => ({
        lineId: draw.lineId,
        share: read.share(`steps.${step.id}.draws.${draw.lineId}`, draw.share),
      })),
      mentions: step.mentions,
      minutes: read.span(`steps.${step.id}.minutes`, step.minutes),
      tools: step.tools,
      hazards: step.hazards,
      // Left out without a reason is not left out.
      ...(step.waived?.some(isGiven) ? { waived: step.waived.filter(isGiven) } : {}),
      who: step.who,
      ...(step.stop ? { stop: step.stop } : {}),
      ...said("point", step.point),
      ...said("question", step.question),
      ...said("avoid", step.avoid),
      ...(step.gateKind
        ? {
            gate: {
              kind: step.gateKind,
              value: read.number(`steps.${step.id}.gateValue`, step.gateValue ?? "", 1, 20_000, 1),
            },
          }
        : {}),
      ...(step.techniques ? { techniques: step.techniques } : {}),
      ...(step.warmPlace
        ? {
            warmth: {
              place: step.warmPlace,
              c: inCelsius(read.number(`steps.${step.id}.warmC`, step.warmC ?? "", -25, 250, reheatC)),
              ...(step.warmMost?.trim()
                ? { most: inMinutes(read.number(`steps.${step.id}.warmMost`, step.warmMost, 1, 1440, 30)) }
                : {}),
            },
          }
        : {}),
    })),
    rest: {
      min: restMax === null ? inMinutes(restMin) : smallest(inMinutes(restMin), inMinutes(restMax)),
      max: restMax === null ? null : inMinutes(restMax),
      reason: draft.restReason,
    },
    heat: {
      surfaceKinds: draft.surfaceKinds,
      surfaceC: { from: smallest(inCelsius(from), inCelsius(to)), to: largest(inCelsius(from), inCelsius(to)) },
      test: draft.test,
      side1: read.span("side1", draft.side1),
      side2: draft.hasSide2 ? read.span("side2", draft.side2) : null,
      turnaround: inMinutes(read.number("turnaround", draft.turnaround, 0, 60, 0.5)),
      pourPerPiece: inMinutes(read.number("pourPerPiece", draft.pourPerPiece, 0, 60, 0.1)),
      recover: inMinutes(read.number("recover", draft.recover, 0, 60, 0)),
      cues: draft.cues,
      ...(draft.halves ? { halves: read.span("halves", draft.halves) } : {}),
      ...(draft.heatOn && draft.heatOn.length > 0 ? { on: draft.heatOn.map((each) => read.heatOn(each)) } : {}),
    },
    portion:
      draft.portionKind === "ml"
        ? { kind: "ml", ml: inMillilitres(portion) }
        : draft.portionKind === "grams"
          ? { kind: "grams", grams: inGrams(portion) }
          : { kind: "batch", pieces: inPieces(Math.round(portion)) },
    pieceDiameterCm: read.number("pieceDiameterCm", draft.pieceDiameterCm, 1, 60, 10),
    ...(draft.aimedLooseness.trim() === ""
      ? {}
      : { aimedLooseness: read.number("aimedLooseness", draft.aimedLooseness, 0.1, 10, 1.5) }),
    claimedPieces:
      draft.claimedPieces.trim() === ""
        ? null
        : inPieces(Math.round(read.number("claimedPieces", draft.claimedPieces, 1, 400, 1))),
    ...(draft.shapes && draft.shapes.length > 0 ? { shapes: draft.shapes } : {}),
    ...(draft.servingPieces.trim() === ""
      ? {}
      : {
          serving: {
            pieces: inPieces(Math.round(read.number("servingPieces", draft.servingPieces, 2, 20, 2))),
            as: draft.servingAs,
          },
        }),
    ...(draft.rounds && draft.rounds.length > 1
      ? {
          ...(draft.isRoundsOpen ? { isRoundsOpen: true } : {}),
          rounds: draft.rounds.map((round): Round => {
            const at = `rounds.${round.id}`;
            if (round.name.trim() === "") problems.push({ path: `${at}.name`, said: "", code: "name-missing" });
            return {
              id: round.id,
              name: round.name.trim().slice(0, 120) || "?",
              parts: Math.round(read.number(`${at}.parts`, round.parts, 1, roundLimits.parts, 1)),
            };
          }),
        }
      : {}),
    blindNote: draft.blindNote.slice(0, 300),
    parts: draft.parts.map((part): Part => {
      if (part.name.trim() === "") problems.push({ path: `parts.${part.id}.name`, said: "", code: "name-missing" });
      return {
        id: part.id,
        name: part.name.trim().slice(0, 120),
        kind: part.kind,
        heat: part.heat,
        minutes: read.span(`parts.${part.id}.minutes`, part.minutes),
        makesGrams:
          part.makesGrams.trim() === ""
            ? null
            : inGrams(read.number(`parts.${part.id}.makesGrams`, part.makesGrams, 1, 100_000, 1)),
      };
    }),
    variants: draft.variants.map((variant): Variant => {
      if (variant.name.trim() === "")
        problems.push({ path: `variants.${variant.id}.name`, said: "", code: "name-missing" });
      return {
        id: variant.id,
        name: variant.name.trim().slice(0, 120),
        standing: variant.standing,
        decidedAt: variant.decidedAt || null,
        omit: variant.omit,
        swaps: variant.swaps.map((swap) => {
          const path = `variants.${variant.id}.swaps.${swap.lineId}`;
          if (swap.ingredientId === "") problems.push({ path, said: "", code: "ingredient-open" });
          const amount = swap.amount.trim() === "" ? undefined : read.amount(`${path}.amount`, swap.amount);
          // An amount of another kind than one can type here stays as it was while the swap does.
          const before = base.variants
            ?.find((one) => one.id === variant.id)
            ?.swaps.find((one) => one.lineId === swap.lineId && one.ingredientId === swap.ingredientId)?.amount;
          const kept = swap.amount.trim() === "" && before?.kind !== "exact" ? before : undefined;
          return {
            lineId: swap.lineId,
            ingredientId: swap.ingredientId,
            ...(amount ? { amount: { kind: "exact" as const, amount } } : kept ? { amount: kept } : {}),
          };
        }),
        add: variant.add.map((line) => read.line(`variants.${variant.id}.add.${line.id}`, line)),
        ...(variant.steps.some((step) => step.text.trim() !== "")
          ? { steps: variant.steps.filter((step) => step.text.trim() !== "") }
          : {}),
      };
    }),
  };
  return { recipe, problems };
}
