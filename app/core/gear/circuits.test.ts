import fc from "fast-check";
import {
  type Appliance,
  type Circuit,
  continuousWatts,
  loadsOf,
  outletAmps,
  plugIn as plugInAll,
  plugInForHours as plugIn,
  plugWatts,
} from "./circuits";

const circuit = (
  id: string,
  volts: number,
  amps: number,
  sockets: number,
  plugAmps: number | null = null,
): Circuit => ({
  id,
  name: id,
  volts,
  amps,
  sockets,
  plugAmps,
});
const appliance = (id: string, watts: number): Appliance => ({ id, name: id, watts });

test("what may run for hours: 80 % of the breaker, and no plug above its fuse", () => {
  expect(continuousWatts(circuit("a", 120, 15, 2))).toBe(1440);
  expect(continuousWatts(circuit("a", 230, 32, 4, 13))).toBe(5888);
  expect(plugWatts(circuit("a", 230, 32, 4, 13))).toBe(2990);
  expect(plugWatts(circuit("a", 120, 15, 2))).toBe(1440);
});

test("two griddles of 1,400 W go on two circuits of 1,440 W, the third stays cold", () => {
  const griddles = [1, 2, 3].map((n) => appliance(`griddle ${n}`, 1400));
  const plan = plugIn(griddles, [circuit("left", 120, 15, 2), circuit("right", 120, 15, 2)]);
  expect(plan.plugged).toEqual([
    { applianceId: "griddle 1", circuitId: "left" },
    { applianceId: "griddle 2", circuitId: "right" },
  ]);
  expect(plan.left).toEqual(["griddle 3"]);
  expect(plan.isProven).toBe(true);
});

test("a socket is needed as well as the watts, and a plug that is too small takes nothing", () => {
  const small = [1, 2, 3].map((n) => appliance(`kettle ${n}`, 300));
  expect(plugIn(small, [circuit("wall", 230, 16, 2)]).left).toHaveLength(1);
  expect(plugIn([appliance("oven", 3200)], [circuit("ring", 230, 32, 4, 13)]).left).toEqual(["oven"]);
  expect(plugIn(small, []).left).toHaveLength(3);
  expect(plugIn([], [circuit("wall", 230, 16, 2)])).toEqual({ plugged: [], left: [], near: [], isProven: true });
});

test("greed by the largest first would leave one out; the search does not", () => {
  // 6 + 6 + 4 + 4 + 4 into two of 12: only 4 + 4 + 4 beside 6 + 6.
  const all = [600, 600, 400, 400, 400].map((watts, i) => appliance(`a${i}`, watts));
  const plan = plugIn(all, [circuit("x", 100, 15, 9), circuit("y", 100, 15, 9)]);
  expect(plan.left).toEqual([]);
  expect(loadsOf(plan, all, [circuit("x", 100, 15, 9)]).every((one) => one.watts <= one.limit)).toBe(true);
});

/** Every appliance on every circuit or none, without a thought. */
function everyWay(appliances: readonly Appliance[], circuits: readonly Circuit[]): { count: number; watts: number } {
  let best = { count: 0, watts: 0 };
  const walk = (
    at: number,
    used: readonly { watts: number; sockets: number }[],
    count: number,
    watts: number,
  ): void => {
    const one = appliances[at];
    if (!one) {
      if (count > best.count || (count === best.count && watts > best.watts)) best = { count, watts };
      return;
    }
    walk(at + 1, used, count, watts);
    circuits.forEach((each, index) => {
      const so = used[index] ?? { watts: 0, sockets: 0 };
      if (one.watts > plugWatts(each) || so.watts + one.watts > continuousWatts(each) || so.sockets >= each.sockets)
        return;
      const more = used.map((u, i) => (i === index ? { watts: u.watts + one.watts, sockets: u.sockets + 1 } : u));
      walk(at + 1, more, count + 1, watts + one.watts);
    });
  };
  walk(
    0,
    circuits.map(() => ({ watts: 0, sockets: 0 })),
    0,
    0,
  );
  return best;
}

test("as many appliances and as many watts as going through every way finds", () => {
  const randomCircuits = fc.array(
    fc.record({
      volts: fc.constantFrom(120, 230),
      amps: fc.constantFrom(6, 10, 15, 20),
      sockets: fc.integer({ min: 0, max: 3 }),
      plugAmps: fc.constantFrom(null, 5, 13),
    }),
    { maxLength: 3 },
  );
  const randomAppliances = fc.array(fc.constantFrom(0, 200, 700, 1000, 1400, 1800, 2200), { maxLength: 7 });
  fc.assert(
    fc.property(randomAppliances, randomCircuits, (watts, rows) => {
      const appliances = watts.map((one, i) => appliance(`a${i}`, one));
      const circuits = rows.map((row, i) => ({ ...row, id: `c${i}`, name: `c${i}` }));
      const plan = plugIn(appliances, circuits);
      const inUse = plan.plugged.map((one) => appliances.find((each) => each.id === one.applianceId)?.watts ?? 0);
      expect({ count: plan.plugged.length, watts: inUse.reduce((a, b) => a + b, 0) }).toEqual(
        everyWay(appliances, circuits),
      );
      expect(plan.plugged.length + plan.left.length).toBe(appliances.length);
      for (const { circuit: each, appliances: on, watts: load, limit } of loadsOf(plan, appliances, circuits)) {
        expect(load).toBeLessThanOrEqual(limit);
        expect(on.length).toBeLessThanOrEqual(each.sockets);
        expect(on.every((one) => one.watts <= plugWatts(each))).toBe(true);
      }
    }),
    { numRuns: 400 },
  );
});

test("one appliance alone above what its circuit carries for hours warns and is not refused; two do not become alone", () => {
  const plan = plugInAll([appliance("griddle", 1500)], [circuit("wall", 120, 15, 2)]);
  expect(plan).toMatchObject({ left: [], near: ["griddle"] });
  const two = plugInAll([appliance("a", 1500), appliance("b", 1500)], [circuit("wall", 120, 15, 2)]);
  expect(two.left).toHaveLength(1);
  expect(plugInAll([appliance("a", 1900)], [circuit("wall", 120, 15, 2)]).left).toEqual(["a"]);
});

test("the limit is the least of breaker and outlet: 3,000 W is too much for an outlet nobody wrote down, whatever the breaker", () => {
  expect(outletAmps(230)).toBe(10);
  expect(plugInAll([appliance("a", 3000)], [circuit("wall", 230, 20, 2)]).left).toEqual(["a"]);
  expect(plugInAll([appliance("a", 2900)], [circuit("wall", 230, 20, 2, 13)]).left).toEqual([]);
  expect(plugWatts(circuit("a", 100, 20, 2))).toBe(1200);
});
