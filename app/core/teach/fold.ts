import { type Minutes, inMinutes, sumOf } from "~/core/quantity";
import type { Bell } from "~/core/schedule";
import type { LiveEvent, LiveState, Situation } from "./types";

export const notStarted: LiveState = {
  startedAt: undefined,
  endedAt: undefined,
  rung: {},
  delays: [],
  stations: {},
  pieces: {},
  decided: {},
  notes: [],
};

/** One event onto the state. Events before the start, other than the start itself, are kept: a station may be heating already. */
function apply(state: LiveState, event: LiveEvent): LiveState {
  switch (event.kind) {
    // A second tablet may start the class too; the first start stands.
    case "class-started":
      return state.startedAt === undefined ? { ...state, startedAt: event.at } : state;
    case "bell-rung":
      return state.rung[event.bellId] === undefined
        ? { ...state, rung: { ...state.rung, [event.bellId]: event.at } }
        : state;
    case "bell-taken-back": {
      const { [event.bellId]: _gone, ...rung } = state.rung;
      return { ...state, rung };
    }
    case "delay-added":
      return { ...state, delays: [...state.delays, { at: event.at, minutes: event.minutes }] };
    case "station-set":
      return { ...state, stations: { ...state.stations, [event.stationId]: { state: event.state, since: event.at } } };
    case "pieces-counted":
      return { ...state, pieces: { ...state.pieces, [event.stationId]: event.pieces } };
    case "rounds-decided":
      return { ...state, decided: { ...state.decided, [event.stationId]: event.rounds } };
    case "note-added":
      return { ...state, notes: [...state.notes, { at: event.at, text: event.text }] };
    case "class-ended":
      return { ...state, endedAt: event.at };
    case "class-reopened":
      return { ...state, endedAt: undefined };
    default:
      return event satisfies never;
  }
}

/** Events in the order they happened; equal moments by id, so that every device folds the same. */
export const inOrder = (events: readonly LiveEvent[]): LiveEvent[] =>
  [...events].sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));

/** The state of a class from its events, in any order and with repeats: each id counts once. */
export function fold(events: readonly LiveEvent[]): LiveState {
  const once = new Map(events.map((event) => [event.id, event]));
  return inOrder([...once.values()]).reduce(apply, notStarted);
}

const minute = 60_000;

/**
 * Where the room stands at a moment. A stretch of the class keeps its planned length from the bell that began it, however early or
 * late that was rung: mixing takes as long as mixing takes.
 */
export function situationAt(state: LiveState, bells: readonly Bell[], at: number): Situation {
  const { startedAt, endedAt } = state;
  if (startedAt === undefined)
    return {
      phase: "not-started",
      now: undefined,
      next: bells[0],
      untilNext: undefined,
      addedMinutes: inMinutes(0),
      lateMinutes: inMinutes(0),
      elapsed: 0,
    };
  const lastRung = bells.reduce((last, bell, index) => (state.rung[bell.id] === undefined ? last : index), -1);
  const now = bells[lastRung];
  const next = bells[lastRung + 1];
  const since = (now && state.rung[now.id]) ?? startedAt;
  const addedMinutes = sumOf(state.delays.filter((delay) => delay.at >= since).map((delay) => delay.minutes));
  const moment = endedAt ?? at;
  const planned = (bell: Bell) => startedAt + bell.at * minute;
  const due = next && since + (next.at - (now?.at ?? 0) + addedMinutes) * minute;
  const lateBy = next && due !== undefined ? Math.max(due, moment) - planned(next) : now ? since - planned(now) : 0;
  return {
    phase: endedAt === undefined ? "running" : "ended",
    now,
    next,
    untilNext: due === undefined ? undefined : due - moment,
    addedMinutes,
    lateMinutes: inMinutes(lateBy / minute),
    elapsed: moment - startedAt,
  };
}

/**
 * What takes back the last thing the room was told: minutes added since the last bell, a press at a time, then the bell itself.
 * `undefined` when there is nothing to take back.
 */
export function takesBack(
  state: LiveState,
  { now, addedMinutes }: Pick<Situation, "now" | "addedMinutes">,
): { kind: "delay-added"; minutes: Minutes } | { kind: "bell-taken-back"; bellId: string } | undefined {
  const last = state.delays.findLast((delay) => delay.minutes > 0);
  if (addedMinutes > 0 && last)
    return { kind: "delay-added", minutes: inMinutes(-Math.min(last.minutes, addedMinutes)) };
  return now && { kind: "bell-taken-back", bellId: now.id };
}
