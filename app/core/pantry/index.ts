/** The pantry: ingredients as numbers, labels as read, the words people use for them, and the tree of what people avoid. */
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
