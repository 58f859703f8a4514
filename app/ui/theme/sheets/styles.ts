import type { SystemStyleObject } from "@chakra-ui/react";

/**
 * Styles by selector, in the theme's own words: colours, letters and sizes are tokens, so that a room or a printed page changes them
 * all. An at-rule holds styles by selector again. They are written into a static sheet (`scripts/theme-css.ts`), as drawing them
 * with every element costs a page a third of its time; a list, as the later of two equal selectors stands above the earlier.
 */
type At = Readonly<Record<string, SystemStyleObject>>;
export type Styles = readonly Readonly<Record<string, SystemStyleObject | At>>[];
