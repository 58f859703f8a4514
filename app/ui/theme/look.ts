// The type alone: the list itself never travels to a page.
import type { Look } from "./looks";
import type { Styled } from "./parts";

/** The class names of looks of the theme and of slots of our parts; what is not so at the moment is left out. */
export const look = (...names: readonly (Look | Styled | false | undefined)[]): Styled =>
  names.filter(Boolean).join(" ") as Styled;
