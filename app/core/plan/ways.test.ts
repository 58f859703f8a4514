import { CalendarDate } from "@internationalized/date";
import fc from "fast-check";
import { isSame, toNumber } from "~/core/quantity";
import { demoClasses } from "~/demo/boathouse";
import { classes } from "../../../test/generators";
import { plan } from "./plan";
import { eggWays, kitWays, scaleWays } from "./ways";

const { next, current } = demoClasses(new CalendarDate(2026, 11, 25));

describe("ways of putting kits together", () => {
  test("for any class each way is the end of the class planned with it, and exactly one is in force", () => {
    fc.assert(
      fc.property(classes, (input) => {
        const now = plan(input);
        const ways = kitWays(input, now);
        expect(ways.filter((way) => way.isInForce).map((way) => way.kitMode)).toEqual([input.brief.kitMode]);
        for (const way of ways) {
          const { end } = plan({ ...input, brief: { ...input.brief, kitMode: way.kitMode } }).timeline;
          expect(way.endMinutes).toBe(end);
          expect(way.byMinutes).toBe(end - now.timeline.end);
        }
      }),
      { numRuns: 20 },
    );
  });

  test("stations that measure take longer than stations that open a kit", () => {
    const brief = { ...next.brief, kitMode: "pre-measured" as const };
    const [ready, measures] = kitWays({ ...next, brief }, plan({ ...next, brief }));
    expect(ready).toMatchObject({ kitMode: "pre-measured", byMinutes: 0, isInForce: true });
    expect(measures?.byMinutes).toBeGreaterThan(0);
  });
});

describe("ways of dealing with half an egg", () => {
  test("three ways side by side: by weight buys the fewest, rounded up makes more, uneven says who goes short", () => {
    const [byWeight, uneven, up] = ["by-weight", "uneven", "round-up"].map((rule) =>
      eggWays(next, plan(next)).find((way) => way.eggRule === rule),
    );
    if (!byWeight || !uneven || !up) throw new Error("the demonstration has half eggs");
    expect(byWeight).toMatchObject({ mostShort: 0, isInForce: true });
    expect(up.pieces).toBeGreaterThan(byWeight.pieces);
    expect(up.mostShort).toBe(0);
    expect(up.eggs).toBeGreaterThanOrEqual(byWeight.eggs);
    expect(uneven.factors.every((factor) => toNumber(factor) > 0)).toBe(true);
  });

  test("nothing to choose while eggs come out whole; once a rule was taken it can be left again", () => {
    const [dish] = next.dishes;
    if (!dish) throw new Error("the class has a dish");
    const eggless = {
      ...next,
      dishes: [{ ...dish, recipe: { ...dish.recipe, lines: dish.recipe.lines.filter((line) => line.id !== "egg") } }],
    };
    expect(eggWays(eggless, plan(eggless))).toEqual([]);
    const taken = { ...next, brief: { ...next.brief, eggRule: "round-up" as const } };
    expect(eggWays(taken, plan(taken)).find((way) => way.isInForce)?.eggRule).toBe("round-up");
  });

  test("for any class the figures are those of the class planned with the rule, each number of batches named once", () => {
    let compared = 0;
    fc.assert(
      fc.property(classes, (input) => {
        for (const way of eggWays(input, plan(input))) {
          compared += 1;
          const { stations } = plan({ ...input, brief: { ...input.brief, eggRule: way.eggRule } });
          expect(way.pieces).toBe(stations.reduce((sum, station) => sum + station.scale.piecesMade, 0));
          const wanted = stations.reduce((sum, station) => sum + station.scale.piecesWanted, 0);
          expect(way.pieces - way.over).toBeLessThanOrEqual(wanted);
          way.factors.forEach((one, index) => expect(way.factors.findIndex((other) => isSame(one, other))).toBe(index));
          expect(stations.every((station) => way.factors.some((one) => isSame(one, station.scale.factor)))).toBe(true);
        }
      }),
      { numRuns: 20 },
    );
    expect(compared).toBeGreaterThan(20);
  });
});

describe("ways to scale", () => {
  const hasPieceForEachLoad = (input: typeof next) => {
    for (const { options, wanted } of scaleWays(input, plan(input)))
      for (const { loads, scale } of options) expect(loads).toBeLessThanOrEqual(Math.max(scale.piecesMade, wanted));
  };
  test("no way cooks a load without a piece, whoever gives the testers in it", () => {
    hasPieceForEachLoad(current);
    fc.assert(fc.property(classes, hasPieceForEachLoad), { numRuns: 5 });
  });
});
