import { type ClassContainer, type ContainerState } from "~/core/pack";
import { toScaleGrams, inGrams } from "~/core/quantity";

/** Below this a kitchen scale of 1 g steps is too coarse: the spoon is nearer the mark (starting value). */
export const leastWeighedGrams = 10;
/** Coarsest step of a usual kitchen scale: nothing closer than this is asked of anybody. */
const scaleStep = 1;

/** What is to be weighed next into a container. */
export interface Target {
  /** Which content, or the whole of it. */
  readonly contentIndex: number | null;
  readonly grams: number;
  readonly tolerance: number;
  /** The container stands packed, and only the difference goes in. */
  readonly isTopUp: boolean;
}

/**
 * The next thing to weigh; `undefined` for what is counted, spooned or not known.
 * @param contentIndex how many contents are in already, for a container of several.
 * @param isMixed everything in it comes out of one bulk mix and is weighed as one.
 */
export function targetOf(
  container: ClassContainer,
  state: ContainerState,
  contentIndex: number,
  isMixed: boolean,
  toleranceOf: (ingredientId: string) => number,
): Target | undefined {
  const [only] = container.contents;
  if (state.kind === "reopened") {
    const [change] = state.changes;
    if (container.contents.length !== 1 || !change || change.byGrams === undefined || change.byGrams <= 0)
      return undefined;
    return target(null, change.byGrams, toleranceOf(change.ingredientId), true);
  }
  if (isMixed && container.grams !== undefined && only)
    return target(null, container.grams, toleranceOf(only.ingredientId), false);
  const content = container.contents[contentIndex];
  if (!content || content.measured.grams === undefined || content.measured.amount.unit === "piece" || content.packs)
    return undefined;
  return target(contentIndex, content.measured.grams, toleranceOf(content.ingredientId), false);
}

function target(contentIndex: number | null, grams: number, share: number, isTopUp: boolean): Target | undefined {
  if (grams < leastWeighedGrams) return undefined;
  const shown = toScaleGrams(inGrams(grams)).shown;
  return { contentIndex, grams: shown, tolerance: Math.max(scaleStep, shown * share), isTopUp };
}

/** How far the scale is from the target: to put in when positive, to take out when negative, 0 when it is near enough. */
export function missing(aim: Target, shown: number): number {
  const by = aim.grams - shown;
  return Math.abs(by) <= aim.tolerance + 1e-9 ? 0 : by;
}
