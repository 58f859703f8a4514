/** From ClassInput to ClassPlan: the pipeline, why each figure is what it is, fingerprints of the stages. */
export * from "./types";
export { plan, dishOfStations } from "./plan";
export * from "./stages";
export { canonical, fingerprintOf } from "./hash";
