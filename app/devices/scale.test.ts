import { type SimulatedScale, idleScale, operate, pass, readingOf, scaleFigures } from "./scale";

const wait = (scale: SimulatedScale, ms: number) => {
  let now = scale;
  for (let t = 0; t < ms; t += 100) now = pass(now, 100);
  return now;
};
const shown = (scale: SimulatedScale) => {
  const reading = readingOf(scale, 0.5);
  return reading.kind === "weight" ? reading.grams : reading.kind;
};

test("a weight comes slowly, and counts once it stands still", () => {
  const put = operate(idleScale, { kind: "put", grams: 250 });
  const soon = pass(put, 100);
  expect(shown(soon)).toBeLessThan(250);
  expect(readingOf(soon, 0.5)).toMatchObject({ isSettled: false });
  const later = wait(soon, 3000);
  expect(readingOf(later, 0.5)).toEqual({ kind: "weight", grams: 250, isSettled: true });
  const slow = operate(put, { kind: "slow", isOn: true });
  expect(readingOf(wait(slow, 3000), 0.5)).toMatchObject({ isSettled: false });
});

test("tared it weighs what is put in, and shows less than nothing when the bowl is taken off", () => {
  const bowl = operate(wait(operate(idleScale, { kind: "put", grams: 400 }), 3000), { kind: "tare" });
  expect(shown(bowl)).toBe(0);
  expect(shown(wait(operate(bowl, { kind: "put", grams: 85 }), 3000))).toBe(85);
  expect(shown(wait(operate(bowl, { kind: "clear" }), 3000))).toBe(-400);
});

test("tare waits for the weight to stand still", () => {
  const put = operate(operate(idleScale, { kind: "put", grams: 300 }), { kind: "tare" });
  expect(shown(pass(put, 100))).toBeGreaterThan(0);
  expect(shown(wait(put, 3000))).toBe(0);
});

test("it wanders while it drifts, until it is tared; noise moves the last digit only", () => {
  const drifting = wait(operate(idleScale, { kind: "drift", isOn: true }), 10_000);
  expect(shown(drifting)).toBe(Math.round(scaleFigures.driftGramsPerSecond * 10));
  expect(shown(operate(drifting, { kind: "tare" }))).toBe(0);
  const still = wait(operate(idleScale, { kind: "put", grams: 100.4 }), 3000);
  expect([0, 0.5, 1].map((draw) => readingOf(still, draw))).toEqual(
    [100, 100, 101].map((grams) => ({ kind: "weight", grams, isSettled: true })),
  );
});

test("too much is said, not guessed; unplugged there is no number, and plugged in again it starts from nothing", () => {
  const heavy = wait(operate(idleScale, { kind: "put", grams: 9000 }), 3000);
  expect(shown(heavy)).toBe("overload");
  const off = operate(wait(operate(idleScale, { kind: "put", grams: 300 }), 3000), { kind: "plug", isIn: false });
  expect(shown(off)).toBe("lost");
  expect(operate(off, { kind: "tare" })).toBe(off);
  expect(shown(operate(off, { kind: "plug", isIn: true }))).toBe(0);
});
