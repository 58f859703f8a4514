/** The timeline: steps × surfaces × hands, bells, what is waited for; the search for a better order, and how good one can be. */
export * from "./types";
export * from "./durations";
export type { Order, OrderedLoad } from "./order";
export { laying, orderNow, schedule } from "./schedule";
export { timelineOf } from "./timeline";
export { instructorsOwn } from "./units";
export { type Effort, type Found, type SearchProgress, search, searchThrough, usualEffort } from "./search";
export * from "./chain";
export * from "./run";
export * from "./watches";
export { greasedLoads, lateBatters } from "./readings";
export { checkTimeline, idleWorthSaying } from "./findings";
