import { altitudeAdvice } from "./batter/altitude";
import { leftByChildren } from "./batter/batter";
import { powderBand } from "./batter/leavening";
import { wateryPercent } from "./batter/windows";
import { fullest } from "./kit/containers";
import { spiceEase } from "./kit/kit";
import { correctionShare } from "./look/troubles";
import { kitBox } from "./pack/containers";
import { ratio } from "./quantity";
import { trayOf } from "./recipe/families";

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
