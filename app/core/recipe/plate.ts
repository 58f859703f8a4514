import type { PartKind } from "./types";

/** What is made for the plate is no batter; a bulk dry mix is. */
export const isForPlate = (kind: PartKind | undefined): boolean =>
  kind === "sauce" || kind === "filling" || kind === "flavoured-butter";
