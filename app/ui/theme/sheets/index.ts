import { surface } from "./surface";
import { frame } from "./frame";
import { parts } from "./parts";
import { drawings } from "./drawings";
import { tables } from "./tables";
import { forms } from "./forms";
import { recipe } from "./recipe";
import { book } from "./book";
import { people } from "./people";
import { shopping } from "./shopping";
import { labels } from "./labels";
import { room } from "./room";
import { month } from "./month";
import { packing } from "./packing";
import { live } from "./live";
import { contrast } from "./contrast";
import { paper } from "./paper";
import { narrow } from "./narrow";
import { space } from "./space";
import { recipeStyles } from "../recipe-styles";
import { recipes } from "../recipes";
import type { Styles } from "./styles";

/** The styles of everything that is drawn, in the order in which one may stand above another. */
export const sheets: Styles = [
  ...surface,
  ...parts,
  ...frame,
  ...recipeStyles(recipes.classHead),
  ...recipeStyles(recipes.bellLine),
  ...recipeStyles(recipes.sheet),
  ...tables,
  ...recipeStyles(recipes.finding),
  ...recipeStyles(recipes.figure),
  ...recipeStyles(recipes.verdict),
  ...forms,
  ...recipe,
  ...recipeStyles(recipes.card),
  ...drawings,
  ...recipeStyles(recipes.container),
  ...recipeStyles(recipes.lanes),
  ...recipeStyles(recipes.toast),
  ...recipeStyles(recipes.aims),
  ...narrow,
  ...book,
  ...people,
  ...month,
  ...shopping,
  ...labels,
  ...room,
  ...packing,
  ...live,
  ...contrast,
  // What was asked for in so many words holds against what stands where.
  ...space,
  ...paper,
];
