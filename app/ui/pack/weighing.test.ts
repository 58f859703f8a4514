import { inGrams } from "~/core/quantity";
import { type ContainerState, packingOfClass } from "~/core/pack";
import { plan } from "~/core/plan";
import { demoClasses } from "~/demo/boathouse";
import { missing, targetOf } from "./weighing";

const { next } = demoClasses();
const { containers } = packingOfClass(next, plan(next));
const of = (id: string) => {
  const found = containers.find((one) => one.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};
const open: ContainerState = { kind: "open" };
const five = () => 0.05;

test("flour is weighed to its tolerance, a pinch and an egg are not weighed", () => {
  const aim = targetOf(of("dry/flour"), open, 0, false, five);
  if (!aim) throw new Error("flour is weighed");
  expect(aim.tolerance).toBeCloseTo(aim.grams * 0.05, 6);
  expect(missing(aim, aim.grams - 2 * aim.tolerance)).toBeCloseTo(2 * aim.tolerance, 6);
  expect(missing(aim, aim.grams + aim.tolerance)).toBe(0);
  expect(missing(aim, aim.grams + aim.tolerance + 1)).toBeLessThan(0);
  expect(targetOf(of("chilled/egg"), open, 0, false, five)).toBeUndefined();
  expect(targetOf(of("dry/salt"), open, 0, false, five)).toBeUndefined();
});

test("nothing closer than a gram is asked of a scale of one-gram steps", () => {
  expect(targetOf(of("dry/flour"), open, 0, false, () => 0.0001)?.tolerance).toBe(1);
});

test("what was packed and is short gets the difference only; what is too much is said, not weighed", () => {
  const flour = of("dry/flour");
  const [content] = flour.contents;
  const tick = { at: 0, by: "", contents: [], weighed: undefined, count: undefined };
  const change = (byGrams: number): ContainerState => ({
    kind: "reopened",
    tick,
    changes: [{ ingredientId: content?.ingredientId ?? "", from: undefined, to: undefined, byGrams: inGrams(byGrams) }],
  });
  expect(targetOf(flour, change(61), 0, false, five)).toMatchObject({ grams: 61, isTopUp: true });
  expect(targetOf(flour, change(-61), 0, false, five)).toBeUndefined();
});

test("a bag of a bulk mix is weighed as one, a bowl's container content by content", () => {
  const mixed = packingOfClass(
    { ...next, brief: { ...next.brief, containerPer: "bowl" } },
    plan({ ...next, brief: { ...next.brief, containerPer: "bowl" } }),
  ).containers.find((one) => one.contents.length > 1);
  if (!mixed) throw new Error("a bowl takes several things at once");
  expect(targetOf(mixed, open, 0, true, five)?.grams).toBeCloseTo(mixed.grams ?? 0, 0);
  expect(targetOf(mixed, open, 0, false, five)?.contentIndex).toBe(0);
  expect(targetOf(mixed, open, 99, false, five)).toBeUndefined();
});
