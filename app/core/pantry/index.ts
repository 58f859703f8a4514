/** The pantry: ingredients with their figures, labels as read, names of foods, and the tree of substances that people avoid. */
export * from "./allergens";
export * from "./types";
export * from "./starter";
export * from "./convert";
export * from "./uncertainty";
export * from "./sanity";
export * from "./aliases";
export * from "./food-words";
export * from "./foods";
export * from "./nature";
