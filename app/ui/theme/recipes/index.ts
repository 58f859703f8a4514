import { aims } from "./aims";
import { bellLine } from "./bell-line";
import { card } from "./card";
import { classHead } from "./class-head";
import { container } from "./container";
import { figure } from "./figure";
import { finding } from "./finding";
import { lanes } from "./lanes";
import { sheet } from "./sheet";
import { toast } from "./toast";
import { verdict } from "./verdict";

/** Our own parts, as slot recipes of the theme. Their styles go into the static sheet; a page asks for their names (`theme/parts.ts`). */
export const recipes = {
  sheet,
  classHead,
  bellLine,
  finding,
  figure,
  verdict,
  card,
  container,
  lanes,
  toast,
  aims,
} as const;
