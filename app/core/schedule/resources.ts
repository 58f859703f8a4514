import { type Seconds, inSeconds } from "~/core/quantity";

/** An interval in seconds, from a begin that is added to it or since the doors opened. */
export interface Span {
  readonly from: Seconds;
  readonly to: Seconds;
}

/**
 * A counted resource over time: adults at the heat, a station's hands, a tool that is shared. It knows how many of it are in use at each
 * moment and answers one question: from when, at the soonest, could these uses begin? Uses may be added in any order. Figures inside
 * are whole seconds since the doors opened.
 */
export class Counted {
  /** Moments at which the number in use changes, ascending, and how many are in use from each of them to the next. */
  private readonly moments: number[] = [0];
  private readonly inUse: number[] = [0];
  /** The latest ends of uses, ascending, as many as there are of it: from the first of them one is free for good. */
  private readonly lastEnds: number[] = [];
  /** The stretch in which all are in use that was met last. */
  private fullFrom = 0;
  private fullTo = 0;

  /** @param capacity how many there are, 1 or more. */
  constructor(readonly capacity: number) {}

  /** Index of the last moment not after `at`: looked for from the end, which most questions are about, then by halves. */
  private indexAt(at: number): number {
    const { moments } = this;
    let high = moments.length - 1;
    if ((moments[high] ?? 0) <= at) return high;
    let low = 0;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if ((moments[middle] ?? 0) <= at) low = middle;
      else high = middle - 1;
    }
    return low;
  }

  /** The end of the first stretch between two moments in which all are in use; -1 where one is free throughout. */
  private fullUntil(from: number, to: number): number {
    // What is full stays full: uses are only added.
    if (from >= this.fullFrom && from < this.fullTo) return this.fullTo;
    const { moments, inUse, capacity } = this;
    for (let index = this.indexAt(from); index < moments.length; index += 1) {
      if ((moments[index] ?? 0) >= to) return -1;
      if ((inUse[index] ?? 0) < capacity) continue;
      let end = index + 1;
      while (end < moments.length && (inUse[end] ?? 0) >= capacity) end += 1;
      this.fullFrom = moments[index] ?? 0;
      this.fullTo = moments[end] ?? Infinity;
      return this.fullTo;
    }
    return -1;
  }

  /** From when one is free for good, whatever is in use before: 0 where one was never used. */
  private freeForGood(): number {
    return this.lastEnds.length < this.capacity ? 0 : (this.lastEnds[0] ?? 0);
  }

  /** The earliest begin, not before `from`, from which one is free for each of the spans; those must not overlap one another. */
  soonest(from: Seconds, spans: readonly Span[]): Seconds {
    const free = this.freeForGood();
    if (from >= free) return from;
    let begin: number = from;
    for (let isThere = false; !isThere && begin < free;) {
      isThere = true;
      for (const span of spans) {
        if (span.to <= span.from) continue;
        const until = this.fullUntil(begin + span.from, begin + span.to);
        if (until < 0) continue;
        begin = until - span.from;
        isThere = false;
      }
    }
    return inSeconds(begin);
  }

  /** The earliest moment, not before `from`, at which one is free, for however short a use. */
  freeFrom(from: Seconds): Seconds {
    const free = this.freeForGood();
    let at: number = from;
    while (at < free) {
      const until = this.fullUntil(at, at + 1);
      if (until < 0) break;
      at = until;
    }
    return inSeconds(at);
  }

  private splitAt(at: number): number {
    const { moments, inUse } = this;
    const index = this.indexAt(at);
    if (moments[index] === at) return index;
    if (index === moments.length - 1) {
      moments.push(at);
      inUse.push(inUse[index] ?? 0);
    } else {
      moments.splice(index + 1, 0, at);
      inUse.splice(index + 1, 0, inUse[index] ?? 0);
    }
    return index + 1;
  }

  /** One more is in use between two moments. */
  use(from: Seconds, to: Seconds): void {
    if (to <= from) return;
    const first = this.splitAt(from);
    const end = this.splitAt(to);
    for (let index = first; index < end; index += 1) this.inUse[index] = (this.inUse[index] ?? 0) + 1;
    const { lastEnds } = this;
    if (lastEnds.length === this.capacity) {
      if (to <= (lastEnds[0] ?? 0)) return;
      lastEnds.shift();
    }
    let at = lastEnds.length;
    while (at > 0 && (lastEnds[at - 1] ?? 0) > to) at -= 1;
    lastEnds.splice(at, 0, to);
  }
}
