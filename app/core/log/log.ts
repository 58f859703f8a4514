import { type Minutes, inMinutes, minus, largest } from "~/core/quantity";
import type { Bell, Timeline } from "~/core/schedule";
import type { LiveState } from "~/core/teach";

/**
 * How a class stands, where one looks for those that ask for something: answers missing, taught and not logged, logged; and those put
 * aside, which are shown nowhere else.
 */
export const classStates = ["waiting", "open-log", "logged", "aside"] as const;
export type ClassState = (typeof classStates)[number];

/** One stretch of the class between two bells, as planned and as it was. Minutes since the doors; `undefined` where no bell was rung. */
export interface LogRow {
  readonly bell: Bell;
  readonly plannedStart: Minutes;
  readonly plannedMinutes: Minutes;
  readonly actualStart: Minutes | undefined;
  readonly actualMinutes: Minutes | undefined;
  /** Actual less planned length. */
  readonly drift: Minutes | undefined;
}

const minute = 60_000;

/** Planned beside actual for every bell. A bell that was not rung is left open rather than guessed. */
export function logRows(timeline: Timeline, state: LiveState): LogRow[] {
  const at = (bellId: string): Minutes | undefined => {
    const rung = state.rung[bellId];
    return rung === undefined || state.startedAt === undefined
      ? undefined
      : inMinutes((rung - state.startedAt) / minute);
  };
  const ended =
    state.endedAt === undefined || state.startedAt === undefined
      ? undefined
      : inMinutes((state.endedAt - state.startedAt) / minute);
  return timeline.bells.map((bell, index) => {
    const following = timeline.bells[index + 1];
    const plannedMinutes = minus(following?.at ?? timeline.end, bell.at);
    const actualStart = at(bell.id);
    const actualEnd = following ? at(following.id) : ended;
    const actualMinutes =
      actualStart === undefined || actualEnd === undefined
        ? undefined
        : largest(inMinutes(0), minus(actualEnd, actualStart));
    return {
      bell,
      plannedStart: bell.at,
      plannedMinutes,
      actualStart,
      actualMinutes,
      drift: actualMinutes === undefined ? undefined : minus(actualMinutes, plannedMinutes),
    };
  });
}

/** Pieces counted over all stations; `undefined` when nobody counted. */
export function piecesCounted(state: LiveState): number | undefined {
  const counts = Object.values(state.pieces);
  return counts.length === 0 ? undefined : counts.reduce((sum, count) => sum + count, 0);
}
