import { type MeasuringSystem, readQuantity } from "~/core/quantity";
import { spanText } from "./draft";
import type { DraftLine, DraftStep, RecipeDraft } from "./draft-types";
import { familyHeat, familyPiece, stepTemplate } from "./templates";
import type { Family, Heat, LineAmount, StepKind } from "./types";

/** What follows from a choice in a draft: what came with the old one goes with it, what the author has set stays. */

/** What a family is usually cooked on, how hot, how long, and how wide a piece is, as fields of a draft. */
export function usualCooking(family: Family) {
  const heat = familyHeat(family);
  return {
    surfaceKinds: heat.surfaceKinds,
    surfaceFrom: String(heat.surfaceC.from),
    surfaceTo: String(heat.surfaceC.to),
    test: heat.test,
    side1: spanText(heat.side1),
    hasSide2: heat.side2 !== null,
    ...(heat.side2 ? { side2: spanText(heat.side2) } : {}),
    cues: heat.cues,
    turnaround: String(heat.turnaround),
    pourPerPiece: String(heat.pourPerPiece),
    recover: String(heat.recover),
    pieceDiameterCm: String(familyPiece[family].cm),
  } satisfies Partial<RecipeDraft>;
}

/**
 * A draft said to be of another family. Heat, surfaces and cues that were the old family's usual ones become the new one's; what the
 * author has set stays, and a finding says where it does not fit.
 */
export function withFamily(draft: RecipeDraft, family: Family): Partial<RecipeDraft> {
  const before = usualCooking(draft.family);
  const same = (key: keyof typeof before) => JSON.stringify(draft[key]) === JSON.stringify(before[key]);
  const isUsual = (["surfaceKinds", "surfaceFrom", "surfaceTo", "side1", "cues"] as const).every(same);
  return isUsual ? { family, ...usualCooking(family) } : { family };
}

/**
 * A step said to be of another kind: what came with the old kind alone (its caution, its tools, its usual minutes) goes with it, so
 * that a rest does not carry the burns of the cook step it was added as.
 */
export function withStepKind(step: DraftStep, kind: StepKind, heat: Heat): Partial<DraftStep> {
  const [was, is] = [step.kind, kind].map((one) => stepTemplate(one, { steps: [], heat }));
  if (!was || !is) return { kind };
  const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
  const kept = step.hazards.filter((hazard) => !was.hazards.includes(hazard));
  return {
    kind,
    hazards: [...new Set([...kept, ...is.hazards])],
    ...(same(step.tools, was.tools) ? { tools: is.tools } : {}),
    ...(same(step.minutes, spanText(was.minutes)) ? { minutes: spanText(is.minutes) } : {}),
    ...(step.who === was.who ? { who: is.who } : {}),
    ...(is.warmth
      ? {
          warmPlace: is.warmth.place,
          warmC: String(is.warmth.c),
          warmMost: is.warmth.most ? String(is.warmth.most) : "",
        }
      : step.warmPlace
        ? { warmPlace: "" as const }
        : {}),
  };
}

/** What a line's amount is once somebody has typed in it: an open amount that became a figure is one. */
export function kindOfTyped(
  line: Pick<DraftLine, "kind">,
  text: string,
  system: MeasuringSystem | undefined,
): LineAmount["kind"] {
  if (line.kind !== "unknown") return line.kind;
  const read = readQuantity(text, { system });
  return read?.form.kind === "exact" && read.rest === "" && read.form.amount.unit !== "piece" ? "exact" : line.kind;
}
