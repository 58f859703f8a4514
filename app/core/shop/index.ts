/** Shopping: what several classes need on one trip, as packs, by section, with what it costs. */
export * from "./list";
