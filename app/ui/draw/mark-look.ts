import type { FloorKind } from "~/core/gear";
import type { Look } from "~/ui/theme/looks";

/** How a mark of the floor is drawn; some are told by their word alone. */
export const markLook = (kind: FloorKind): Look | undefined =>
  kind === "extinguisher" || kind === "cold" ? undefined : kind;
