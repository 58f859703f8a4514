export * from "./cues";
export * from "./troubles";
export * from "./stop";
export * from "./techniques";
export * from "./likeness";
export * from "./shapes";
