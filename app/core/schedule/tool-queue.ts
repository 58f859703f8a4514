import type { SharedThing } from "~/core/gear";
import { type Seconds, inSeconds, smallest, plus, largest, minus } from "~/core/quantity";

/** A task that may need shared tools. */
export interface Use {
  /** Seconds since the table began, if nothing were waited for; its end where the table keeps step with others. */
  readonly from: Seconds;
  readonly to?: Seconds;
  readonly things: readonly SharedThing[];
  /** Seconds from its begin for which it has them. */
  readonly holds: Seconds;
  /** Which step of what the room does together it is, by number, growing along the row. */
  readonly step?: number;
}

/** The tasks of one station in sequence. */
export interface Row {
  readonly uses: readonly Use[];
  /** Kept apart: it is asked first. */
  readonly isFirst: boolean;
  /** It begins behind a use of another row: what is made beside the batter comes after its mixing. */
  readonly after?: { readonly row: number; readonly use: number } | undefined;
  /** Which tables it keeps step with: no step begins before all of them have done those before it. Absent where it goes on alone. */
  readonly together?: string | undefined;
}

/** Delay of each task of each row, never decreasing along a row; and the part of it spent waiting for the other stations. */
export interface Waits {
  readonly later: readonly (readonly Seconds[])[];
  readonly forRoom: readonly (readonly Seconds[])[];
}

/**
 * Queues for shared tools: first come, first served; ties go to the station kept apart, then to list order. A station holds a tool for
 * `holds` seconds, and its later tasks shift with it. Stations that keep step wait for one another before each step.
 * @param counts of each tool, at least 1; a tool without a count is never waited for.
 */
export function waits(rows: readonly Row[], counts: ReadonlyMap<SharedThing, number>): Waits {
  const free = new Map(
    [...counts].map(([thing, count]) => [thing, new Array<Seconds>(Math.max(1, count)).fill(inSeconds(0))]),
  );
  const later = rows.map(({ uses }) => uses.map(() => inSeconds(0)));
  const forRoom = rows.map(({ uses }) => uses.map(() => inSeconds(0)));
  const next = rows.map(() => 0);
  const keepStep = new Map<string, number[]>();
  rows.forEach(({ together }, index) => {
    if (together !== undefined) keepStep.set(together, [...(keepStep.get(together) ?? []), index]);
  });
  /** When all who keep step with a row have done what comes before a step; undefined while that is not known. */
  const roomAt = (together: string | undefined, step: number | undefined): Seconds | undefined => {
    let last = inSeconds(0);
    if (together === undefined || step === undefined) return last;
    for (const other of keepStep.get(together) ?? []) {
      const uses = rows[other]?.uses ?? [];
      const before = uses.findLastIndex((use) => (use.step ?? Infinity) < step);
      if ((next[other] ?? 0) <= before) return undefined;
      const use = uses[before];
      if (use) last = largest(last, plus(use.to ?? use.from, later[other]?.[before] ?? inSeconds(0)));
    }
    return last;
  };
  /** The next use of a row that wants something, past those that do not; undefined where none does, or it cannot begin yet. */
  const wants = (index: number): Use | undefined => {
    const row = rows[index];
    const [own, room] = [later[index], forRoom[index]];
    if (!row || !own || !room) return undefined;
    const { after, uses } = row;
    if (after && after.use >= 0 && (next[after.row] ?? 0) <= after.use) return undefined;
    const begun = after ? (later[after.row]?.[after.use] ?? inSeconds(0)) : inSeconds(0);
    for (let at = next[index] ?? 0; at < uses.length; at += 1) {
      next[index] = at;
      const use = uses[at];
      const all = roomAt(row.together, use?.step);
      if (!use || all === undefined) return undefined;
      const before = at > 0 ? (own[at - 1] ?? inSeconds(0)) : begun;
      const forThem = largest(inSeconds(0), minus(all, plus(use.from, before)));
      room[at] = forThem;
      own[at] = plus(before, forThem);
      if (use.things.some((thing) => free.has(thing))) return use;
    }
    next[index] = uses.length;
    return undefined;
  };
  for (;;) {
    let chosen = -1;
    let asked = Infinity;
    // Whoever keeps step may go on only once the others have: asked again until nobody gets any further.
    let isMoving = true;
    while (isMoving) {
      isMoving = false;
      [chosen, asked] = [-1, Infinity];
      for (let row = 0; row < rows.length; row += 1) {
        const before = next[row];
        const use = wants(row);
        if (keepStep.size > 0 && next[row] !== before) isMoving = true;
        if (!use) continue;
        const at = use.from + (later[row]?.[next[row] ?? 0] ?? 0);
        if (at < asked || (at === asked && rows[row]?.isFirst === true && rows[chosen]?.isFirst !== true)) {
          chosen = row;
          asked = at;
        }
      }
    }
    const at = next[chosen] ?? 0;
    const use = rows[chosen]?.uses[at];
    const own = later[chosen];
    if (!use || !own) return { later, forRoom };
    const those = use.things.flatMap((thing) => {
      const units = free.get(thing);
      return units ? [{ units, unit: units.indexOf(smallest(...units)) }] : [];
    });
    const start = Math.max(asked, ...those.map(({ units, unit }) => units[unit] ?? 0));
    for (const { units, unit } of those) units[unit] = plus(inSeconds(start), use.holds);
    own[at] = minus(inSeconds(start), use.from);
    next[chosen] = at + 1;
  }
}
