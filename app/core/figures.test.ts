import { altitudeAdvice } from "./batter/altitude";
import { leftByChildren } from "./batter/batter";
import { powderBand } from "./batter/leavening";
import { wateryPercent } from "./batter/windows";
import { fullest } from "./kit/containers";
import { spiceEase } from "./kit/kit";
import { correctionShare } from "./look/troubles";
import { carriedGear } from "./gear/load";
import { keepsHours, kitBox } from "./pack/containers";
import { ratio } from "./quantity";
import { tools } from "./recipe";
import { familyFacts, trayOf } from "./recipe/families";

// Starting values of kitchen practice that no law of arithmetic holds: changed by mistake, a batter or a box is wrong and nothing else says so.
test("the figures of practice that amounts hang on are those that their docstrings name", () => {
  expect(leftByChildren).toBe(0.1);
  expect(powderBand).toEqual({ from: 1, to: 2, slack: 0.5 });
  expect(wateryPercent).toBe(50);
  expect(spiceEase).toEqual({ above: 4, share: ratio(9n, 10n) });
  expect(correctionShare).toBe(0.05);
  expect(fullest).toBe(0.85);
  expect(kitBox).toEqual({ grams: 6000, share: 1.15, litresPerKg: 2.1, litres: 2 });
});

test("what is puffed waits least, what is crisp less than what is soft", () => {
  const most = (family: keyof typeof trayOf) => trayOf[family].most;
  expect([most("oven-puffed"), most("waffle"), most("pancake"), most("crepe")]).toEqual([5, 10, 20, 25]);
  for (const { keep, most: minutes } of Object.values(trayOf))
    expect(minutes).toBeLessThanOrEqual({ "at-once": 5, rack: 10, cloth: 25 }[keep]);
});

test("height above the sea is spoken of from a thousand metres on, and more of it from fifteen hundred", () => {
  expect([999, 1000, 1499, 1500].map((metres) => altitudeAdvice(metres)?.lessPowder.to)).toEqual([
    undefined,
    0.15,
    0.15,
    0.25,
  ]);
});

test("dry mix keeps thirty days, whatever is wet or chilled a day", () => {
  expect(keepsHours).toEqual({ dry: 720, wet: 24, chilled: 24, "hold-back": 24, topping: 24 });
});

test("crepes and what is puffed are lifted by egg and steam alone; every other family has a leavener", () => {
  const lifted = Object.entries(familyFacts).flatMap(([family, facts]) => (facts.isLeavened ? [] : [family]));
  expect(lifted).toEqual(["crepe", "oven-puffed"]);
});

// A weight that slips changes what fits a crate and nothing else: the sum notices.
test("one of every tool weighs 19.6 kg and fills 73 l", () => {
  const all = carriedGear(
    tools.map((tool) => ({ tool, needed: 1, owned: undefined })),
    [],
  );
  expect(all.reduce((sum, one) => sum + one.gramsEach, 0)).toBe(19_603);
  expect(all.reduce((sum, one) => sum + one.litresEach, 0)).toBeCloseTo(73.21, 6);
});
