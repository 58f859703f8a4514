/** From ClassInput to ClassPlan: the pipeline, why each figure is what it is, fingerprints of the stages. */
export * from "./types";
export { cookingPlaces, kitOptionsOf, plan } from "./plan";
export * from "./remedies";
export * from "./matrix";
export * from "./gains";
export * from "./ways";
export * from "./stages";
export { canonical, fingerprintOf } from "./hash";
