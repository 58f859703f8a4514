/** Allergies: regimes as views, verdicts with their reasons. */
export * from "./regimes";
export * from "./verdict";
