/** Ids by what they identify. An id of another kind, or any text, does not compile in its place. */
declare const identifies: unique symbol;
type IdOf<Kind extends string> = string & { readonly [identifies]: Kind };

/** A kind of surface in the kitchen's list, such as its three griddles. */
export type SurfaceId = IdOf<"surface">;
/** One unit of a surface: the second of three griddles, the left pan at a station. */
export type UnitId = IdOf<"unit">;

// For ids that are made or read from outside.
export const surfaceIdOf = (text: string): SurfaceId => text as SurfaceId;
export const unitIdOf = (text: string): UnitId => text as UnitId;
/** Looks up nothing: for a task that is on no unit. */
export const noUnit: UnitId = unitIdOf("");
