import { readFileSync } from "node:fs";
import { CalendarDate } from "@internationalized/date";
import fc from "fast-check";
import { plan } from "~/core/plan";
import { ratio } from "~/core/quantity";
import { demoClasses } from "~/demo/boathouse";
import { amount, clock, countdown, drift, fraction, grams, minutes, scoops, temperature } from "~/ui/format/format";
import { classes } from "../../../test/generators";
import { hazardWords, sayReason } from "./en";
import { sayChange, sayFinding, sayWhy } from "./findings";
import { namesOf } from "./names";
import { glossary, glossaryText } from "./help";

const thinless = (text: string) => text.replace(/[\u2009\u00a0]/g, " ");

test("every finding, reason and figure of random classes has a sentence without a hole in it, and none says “safe”", () => {
  const seen = new Set<string>();
  fc.assert(
    fc.property(classes, (input) => {
      const made = plan(input);
      const names = namesOf(input, made, "en-GB");
      const said = [
        ...made.findings.map((finding) => {
          seen.add(finding.code);
          return sayFinding(finding, names);
        }),
        ...made.figures.map((figure) => sayWhy(figure.why, names)),
        ...made.plates.flatMap((plate) =>
          plate.items.flatMap((item) =>
            item.reasons.map((reason) => sayReason(reason, names.ingredient(item.ingredientId), names.locale)),
          ),
        ),
      ];
      expect(said.filter((sentence) => /undefined|\bNaN\b|\[object|null|\bsafe(ly)?\b/i.test(sentence))).toEqual([]);
    }),
    { numRuns: 120 },
  );
  expect(seen.size).toBeGreaterThan(10);
  for (const caution of Object.values(hazardWords)) expect(caution).not.toMatch(/\bsafe(ly)?\b/i);
});

test.each([
  [ratio(1n, 3n), "1⁄3"],
  [ratio(7n, 4n), "1 3⁄4"],
  [ratio(4n), "4"],
  [ratio(5n, 17n), "0.29"],
])("writes %o as %s", (value, text) => {
  expect(thinless(fraction(value, "en-GB"))).toBe(text);
});

test("numbers follow the reader's locale, units are quieter but there", () => {
  expect(thinless(amount({ value: ratio(5n, 4n), unit: "cup" }, "en-GB"))).toBe("1 1⁄4 cups");
  expect(thinless(amount({ value: ratio(5n, 2n), unit: "g" }, "de-DE"))).toBe("2,5 g");
  expect(thinless(grams(12_345, "en-GB"))).toBe("12.35 kg");
  expect(
    thinless(
      scoops(
        [
          { size: ratio(1n, 2n), unit: "cup", count: 1 },
          { size: ratio(1n), unit: "tbsp", count: 2 },
          { size: ratio(1n, 4n), unit: "tsp", count: 3 },
        ],
        "en-GB",
      ),
    ),
  ).toBe("1⁄2 cup + 2 tbsp + 3 × 1⁄4 tsp");
  expect(thinless(drift(-0.041, "en-GB"))).toBe("−4.1 %");
  expect(drift(0.0004, "en-GB")).toBe("");
  expect(thinless(temperature(175, 190, "en-GB"))).toBe("175–190 °C (347–374 °F)");
});

test.each([
  [0.5, "30 s"],
  [4.5, "4.5 min"],
  [79.5, "1 h 20"],
  [120, "2 h"],
  [-8, "−8 min"],
])("%d minutes read %s", (value, text) => {
  expect(thinless(minutes(value, "en-GB"))).toBe(text);
});

test.each([
  [0, "0:00"],
  [61_000, "1:01"],
  [500, "0:01"],
  [-30_000, "−0:30"],
])("%d ms count down as %s", (ms, text) => {
  expect(countdown(ms)).toBe(text);
});

test("the clock on the wall jumps with summer time, and the bells with it", () => {
  expect(clock("2026-10-25T00:30", "Europe/London", 60, "en-GB")).toBe("01:30");
  expect(clock("2026-10-25T00:30", "Europe/London", 120, "en-GB")).toBe("01:30");
  expect(clock("2026-11-28T09:30", "America/New_York", 45, "en-GB")).toBe("10:15");
});

test("what made a sheet stale is said in the words of the brief; health data only that it changed", () => {
  expect(sayChange({ name: "brief:people", from: "12", to: "14" })).toBe("people: 12 → 14");
  expect(sayChange({ name: "answer:Ada", from: "#aa", to: "#bb" })).toBe("what was declared by Ada: changed");
  expect(sayChange({ name: "label:butter", from: undefined, to: "#bb" })).toBe("the label of butter: new");
  expect(demoClasses(new CalendarDate(2026, 11, 28)).next.startsAt).toBe("2026-12-05T09:30");
});

test("the glossary in docs is the one that help shows", () => {
  expect(readFileSync("docs/glossary.md", "utf8")).toBe(glossaryText(glossary));
});
