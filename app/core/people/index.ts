/** People: participants, what they need, and the stations they work at. */
export * from "./types";
export * from "./stations";
export * from "./keeping";
