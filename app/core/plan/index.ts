/** From ClassInput to ClassPlan: the pipeline, why each figure is what it is, fingerprints of the stages. */
export * from "./types";
export { plan } from "./plan";
export { dishesOnce, recipesMade, shownDish } from "./dishes";
export * from "./heats";
export { gramsAhead, hotPlacesOf, kitOptionsOf, placesPerAdult } from "./stations";
export * from "./remedies";
export * from "./wishes";
export * from "./openings";
export * from "./drafts";
export * from "./matrix";
export * from "./gains";
export * from "./ways";
export { canonical, fingerprintOf, fingerprintOfText } from "./hash";
export * from "./ways-out";
export * from "./decided";
export { type OrderFound, orderFor, withOrder } from "./order";
export * from "./kept-seats";
export * from "./plate-changes";
