import { type Seconds, inSeconds, largest, plus } from "~/core/quantity";

/** An interval in seconds, from a begin that is added to it or since the doors opened. */
export interface Span {
  readonly from: Seconds;
  readonly to: Seconds;
}

/**
 * A counted resource over time: adults at the heat, a station's hands, a tool that is shared. It knows how many of it are in use at each
 * moment and answers one question: from when, at the soonest, could these uses begin? Uses may be added in any order.
 */
export class Counted {
  /** Moments at which the number in use changes, ascending, and how many are in use from each of them to the next. */
  private readonly moments: Seconds[] = [inSeconds(0)];
  private readonly inUse: number[] = [0];

  /** @param capacity how many there are, 1 or more. */
  constructor(readonly capacity: number) {}

  /** Index of the last moment not after `at`; most questions are about the end, so it looks from there. */
  private indexAt(at: Seconds): number {
    let index = this.moments.length - 1;
    while (index > 0 && (this.moments[index] ?? 0) > at) index -= 1;
    return index;
  }

  /** The end of the first stretch within a span in which all are in use; undefined where one is free throughout. */
  private fullUntil({ from, to }: Span): Seconds | undefined {
    for (let index = this.indexAt(from); index < this.moments.length; index += 1) {
      if ((this.moments[index] ?? 0) >= to && index > 0) return undefined;
      const next = this.moments[index + 1];
      if ((this.inUse[index] ?? 0) >= this.capacity && (next === undefined || next > from))
        return next ?? inSeconds(Infinity);
    }
    return undefined;
  }

  /** The earliest begin, not before `from`, from which one is free for each of the spans; those must not overlap one another. */
  soonest(from: Seconds, spans: readonly Span[]): Seconds {
    let begin = from;
    for (let isThere = false; !isThere;) {
      isThere = true;
      for (const span of spans) {
        if (span.to <= span.from) continue;
        const until = this.fullUntil({ from: plus(begin, span.from), to: plus(begin, span.to) });
        if (until === undefined) continue;
        begin = largest(begin, inSeconds(until - span.from));
        isThere = false;
      }
    }
    return begin;
  }

  /** The earliest moment, not before `from`, at which one is free, for however short a use. */
  freeFrom(from: Seconds): Seconds {
    return this.soonest(from, [{ from: inSeconds(0), to: inSeconds(1) }]);
  }

  private splitAt(at: Seconds): number {
    const index = this.indexAt(at);
    if (this.moments[index] === at) return index;
    this.moments.splice(index + 1, 0, at);
    this.inUse.splice(index + 1, 0, this.inUse[index] ?? 0);
    return index + 1;
  }

  /** One more is in use over an interval. */
  use({ from, to }: Span): void {
    if (to <= from) return;
    const first = this.splitAt(from);
    const end = this.splitAt(to);
    for (let index = first; index < end; index += 1) this.inUse[index] = (this.inUse[index] ?? 0) + 1;
  }
}
