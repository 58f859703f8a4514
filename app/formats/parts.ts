/** One part of a long list. */
export interface Part<T> {
  /** Its number, from 1. */
  readonly part: number;
  /** How many parts there are, at least 1. */
  readonly parts: number;
  readonly shown: readonly T[];
}

/**
 * Cuts a long list into parts of equal length, so that no request draws more than it may.
 * @param text number of the part as an address gives it; the first part where that is no number.
 * @param most length of a part, at least 1.
 */
export function partOf<T>(all: readonly T[], text: string | null, most: number): Part<T> {
  const parts = Math.max(1, Math.ceil(all.length / most));
  const part = Math.min(parts, Math.max(1, Math.floor(Number(text) || 1)));
  return { part, parts, shown: all.slice((part - 1) * most, part * most) };
}
