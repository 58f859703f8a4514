export * from "./cues";
export * from "./troubles";
