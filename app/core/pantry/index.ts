/** The pantry: ingredients as numbers, labels as read, and the tree of what people avoid. */
export * from "./allergens";
export * from "./types";
export * from "./starter";
export * from "./convert";
