import { type Seconds, inSeconds } from "~/core/quantity";
import fc from "fast-check";
import { Counted, type Span } from "./resources";

const spans = fc
  .tuple(fc.nat(9), fc.integer({ min: 1, max: 6 }), fc.nat(5), fc.integer({ min: 1, max: 6 }))
  .map(([from, first, gap, second]): Span[] => [
    { from: inSeconds(from), to: inSeconds(from + first) },
    { from: inSeconds(from + first + gap), to: inSeconds(from + first + gap + second) },
  ]);
const asked = fc.array(fc.tuple(fc.nat(40), spans, fc.boolean()), { minLength: 1, maxLength: 14 });

test("a counted resource says the first second from which its uses fit, whatever was asked for before and in whatever order", () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 3 }), asked, (capacity, rows) => {
      const counted = new Counted(capacity);
      const used = new Array<number>(400).fill(0);
      const isFree = (begin: number, own: readonly Span[]) =>
        own.every(({ from, to }) => used.slice(begin + from, begin + to).every((count) => count < capacity));
      for (const [from, own, isUsed] of rows) {
        let first = from;
        while (!isFree(first, own)) first += 1;
        const begin = counted.soonest(inSeconds(from), own);
        expect(begin).toBe(first);
        let free = from;
        while ((used[free] ?? 0) >= capacity) free += 1;
        expect(counted.freeFrom(inSeconds(from))).toBe(free);
        if (!isUsed) continue;
        const at = (second: Seconds) => inSeconds(begin + second);
        for (const span of own) {
          counted.use(at(span.from), at(span.to));
          for (let second = begin + span.from; second < begin + span.to; second += 1)
            used[second] = (used[second] ?? 0) + 1;
        }
      }
    }),
    { numRuns: 400 },
  );
});
