import { surface } from "./surface";
import { frame } from "./frame";
import { classHead } from "./class-head";
import { parts } from "./parts";
import { drawings } from "./drawings";
import { bellLine } from "./bell-line";
import { tables } from "./tables";
import { findings } from "./findings";
import { figures } from "./figures";
import { forms } from "./forms";
import { recipe } from "./recipe";
import { cards } from "./cards";
import { lanes } from "./lanes";
import { book } from "./book";
import { people } from "./people";
import { shopping } from "./shopping";
import { labels } from "./labels";
import { room } from "./room";
import { month } from "./month";
import { packing } from "./packing";
import { live } from "./live";
import { contrast } from "./contrast";
import type { Styles } from "./styles";

/** The styles of everything that is drawn, in the order in which one may stand above another. */
export const sheets: Styles = [
  ...surface,
  ...parts,
  ...frame,
  ...classHead,
  ...bellLine,
  ...tables,
  ...findings,
  ...figures,
  ...forms,
  ...recipe,
  ...cards,
  ...drawings,
  ...lanes,
  ...book,
  ...people,
  ...month,
  ...shopping,
  ...labels,
  ...room,
  ...packing,
  ...live,
  ...contrast,
];
