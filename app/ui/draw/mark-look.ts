import type { FloorKind } from "~/core/gear";
import type { Look } from "~/ui/theme/looks";

/** How a mark of the floor is drawn; some are told by their word alone. */
export const markLook = (kind: FloorKind): Look | undefined => (isPlain(kind) ? undefined : kind);

const plain = ["extinguisher", "cold", "topping-bar", "packing"] as const;
const isPlain = (kind: FloorKind): kind is (typeof plain)[number] => plain.some((one) => one === kind);
