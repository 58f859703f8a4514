/** The log: planned against actual. */
export * from "./log";
