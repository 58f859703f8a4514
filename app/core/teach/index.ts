/** Teaching: events folded to the state of the room. */
export * from "./types";
export * from "./fold";
