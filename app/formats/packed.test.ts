import fc from "fast-check";
import { classes } from "../../test/generators";
import { plan } from "~/core/plan";
import { type Packed, pack, unpack } from "./packed";

/** As a browser has it: a text that came over the network, never the object that was packed. */
const overTheNetwork = <T extends object>(text: Packed<T>): T => unpack(` ${text}` as Packed<T>);

test("a class comes over whole, and gives the same plan", () => {
  fc.assert(
    fc.property(classes, (input) => {
      const there = overTheNetwork(pack(input));
      expect(there).not.toBe(input);
      expect(there).toEqual(input);
      expect(plan(there)).toEqual(plan(input));
    }),
    { numRuns: 35 },
  );
});

test("an equal text is the same object, and a packed value its own", () => {
  const value = { count: 12n, name: "x" };
  expect(unpack(pack(value))).toBe(value);
  const text = ` ${pack(value)}` as Packed<typeof value>;
  expect(unpack(text)).toBe(unpack(` ${pack({ ...value })}` as Packed<typeof value>));
  expect(unpack(text)).toEqual({ count: 12n, name: "x" });
});

test("what was packed long ago can still be packed and read", () => {
  const first = { n: -1 };
  const text = pack(first);
  for (let n = 0; n < 500; n += 1) pack({ n });
  expect(unpack(text)).toEqual(first);
  expect(unpack(pack(first))).toEqual(first);
});
