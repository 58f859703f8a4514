import type { SharedThing } from "~/core/gear";
import type { Seconds } from "~/core/quantity";

/** Something done at a table that may want a thing that goes round. */
export interface Use {
  /** Seconds since the table began, if nothing were waited for. */
  readonly from: Seconds;
  readonly things: readonly SharedThing[];
  /** Seconds from its begin for which it has them. */
  readonly holds: Seconds;
}

/** What is done at one table one after the other. */
export interface Row {
  readonly uses: readonly Use[];
  /** Kept apart: it is asked first. */
  readonly isFirst: boolean;
  /** It begins behind a use of another row: what is made beside the batter comes after its mixing. */
  readonly after?: { readonly row: number; readonly use: number } | undefined;
}

/**
 * What goes round goes to whoever asks first; of those who ask at once to the table kept apart, else by the order of the room. Each has
 * it until the work it is for is done, and everything after that at the same table waits along.
 * @param counts how many of each thing there are, at least 1; a thing that is not counted is nobody's to wait for.
 * @returns for each row the seconds by which each of its uses begins later, never less than the one before.
 */
export function waits(rows: readonly Row[], counts: ReadonlyMap<SharedThing, number>): Seconds[][] {
  const free = new Map([...counts].map(([thing, count]) => [thing, new Array<Seconds>(Math.max(1, count)).fill(0)]));
  const later = rows.map(({ uses }) => uses.map(() => 0));
  const next = rows.map(() => 0);
  /** The next use of a row that wants something, past those that do not; undefined where none does, or it cannot begin yet. */
  const wants = (index: number): Use | undefined => {
    const row = rows[index];
    const own = later[index];
    if (!row || !own) return undefined;
    const { after, uses } = row;
    if (after && after.use >= 0 && (next[after.row] ?? 0) <= after.use) return undefined;
    const begun = after ? (later[after.row]?.[after.use] ?? 0) : 0;
    for (let at = next[index] ?? 0; at < uses.length; at += 1) {
      own[at] = at > 0 ? (own[at - 1] ?? 0) : begun;
      next[index] = at;
      const use = uses[at];
      if (use?.things.some((thing) => free.has(thing))) return use;
    }
    next[index] = uses.length;
    return undefined;
  };
  for (;;) {
    let chosen = -1;
    let asked = Infinity;
    for (let row = 0; row < rows.length; row += 1) {
      const use = wants(row);
      if (!use) continue;
      const at = use.from + (later[row]?.[next[row] ?? 0] ?? 0);
      if (at < asked || (at === asked && rows[row]?.isFirst === true && rows[chosen]?.isFirst !== true)) {
        chosen = row;
        asked = at;
      }
    }
    const at = next[chosen] ?? 0;
    const use = rows[chosen]?.uses[at];
    const own = later[chosen];
    if (!use || !own) return later;
    const those = use.things.flatMap((thing) => {
      const units = free.get(thing);
      return units ? [{ units, unit: units.indexOf(Math.min(...units)) }] : [];
    });
    const start = Math.max(asked, ...those.map(({ units, unit }) => units[unit] ?? 0));
    for (const { units, unit } of those) units[unit] = start + use.holds;
    own[at] = start - use.from;
    next[chosen] = at + 1;
  }
}
