/** The timeline: steps × surfaces × hands, bells, what is waited for. */
export * from "./types";
export * from "./durations";
export { schedule } from "./schedule";
export { checkTimeline, idleWorthSaying } from "./findings";
