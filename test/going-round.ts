import fc from "fast-check";
import { sharedThings } from "~/core/gear";

/** What goes round in a room, each thing once; absent where nobody said. */
export const goingRound = fc.option(
  fc.uniqueArray(fc.record({ thing: fc.constantFrom(...sharedThings), count: fc.integer({ min: 1, max: 3 }) }), {
    selector: (one) => one.thing,
    maxLength: 4,
  }),
  { nil: undefined, freq: 2 },
);
