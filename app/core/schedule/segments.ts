import { type Pieces, inPieces, minus, plus } from "~/core/quantity";
import type { Node } from "./network";

/** The segment that is cooked next, and how many of the pieces left belong to it. */
export function segmentAt(
  { pieces, segments }: Node,
  left: Pieces,
): { readonly segment: number; readonly left: Pieces } {
  let cooked = minus(pieces, left);
  for (let segment = 0; segment < segments.length - 1; segment += 1) {
    const here = segments[segment]?.pieces ?? inPieces(0);
    if (cooked < here) return { segment, left: minus(here, cooked) };
    cooked = minus(cooked, here);
  }
  return { segment: segments.length - 1, left: minus(segments[segments.length - 1]?.pieces ?? inPieces(0), cooked) };
}

/** Pieces left in the mix that the station cooks now. */
export const leftOfMix = ({ pieces, firstMix }: Node, left: Pieces): Pieces =>
  pieces - left < firstMix ? plus(minus(left, pieces), firstMix) : left;
