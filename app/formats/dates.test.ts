import { CalendarDate } from "@internationalized/date";
import fc from "fast-check";
import { dayField, timeField } from "./date-fields";
import { monthOf, readDay, readTime, weeksOf, writeDay, writeTime } from "./dates";
import { regions } from "./regions";

const iso = fc
  .date({ min: new Date("2000-01-01T12:00:00Z"), max: new Date("2100-12-31T12:00:00Z"), noInvalidDate: true })
  .map((date) => date.toISOString().slice(0, 10));
const time = fc
  .tuple(fc.nat(23), fc.nat(59))
  .map(([hour, minute]) => `${String(hour).padStart(2, "0")}:${String(minute).padStart(2, "0")}`);

describe("days as people write them", () => {
  test("whatever is shown in any region reads back as the same day, and so does the day with its weekday", () => {
    fc.assert(
      fc.property(iso, fc.constantFrom(...regions), (day, locale) => {
        expect(readDay(writeDay(day, locale))).toEqual({ ok: true, iso: day });
        const long = new Intl.DateTimeFormat(locale, {
          weekday: "long",
          day: "numeric",
          month: "long",
          year: "numeric",
          timeZone: "UTC",
        }).format(new Date(`${day}T12:00:00Z`));
        expect([long, readDay(long)]).toEqual([long, { ok: true, iso: day }]);
      }),
    );
  });

  test.each([
    ["2026-11-28", "2026-11-28"],
    ["2026/1/5", "2026-01-05"],
    ["28 Nov 2026", "2026-11-28"],
    ["28 November 2026", "2026-11-28"],
    ["Nov 28, 2026", "2026-11-28"],
    ["Sat, 28th of November 2026", "2026-11-28"],
    ["November 1st 2026", "2026-11-01"],
    ["28-Nov-2026", "2026-11-28"],
    ["28.11.2026", "2026-11-28"],
    ["11/28/2026", "2026-11-28"],
    ["5/5/2026", "2026-05-05"],
    [" 3  Sept.  2026 ", "2026-09-03"],
    ["29 Feb 2028", "2028-02-29"],
  ])("“%s” is %s", (text, day) => {
    expect(readDay(text)).toEqual({ ok: true, iso: day });
  });

  test.each([
    ["3/4/2026", "which-is-the-month"],
    ["28 Nov", "no-year"],
    ["November 28", "no-year"],
    ["29 Feb 2026", "no-such-day"],
    ["31.4.2026", "no-such-day"],
    ["1 Jan 1999", "no-such-day"],
    ["0/13/2026", "no-such-day"],
    ["next Saturday", "not-a-day"],
    ["28/11/26", "not-a-day"],
    ["28 Novembr-x 2026", "not-a-day"],
    ["", "not-a-day"],
  ])("“%s” is asked about: %s", (text, why) => {
    expect(readDay(text)).toEqual({ ok: false, why });
  });

  test("two numbers that can both be months are never guessed", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 12 }), (one, two) => {
        const read = readDay(`${one}/${two}/2026`);
        expect(read.ok).toBe(one === two);
      }),
    );
  });
});

describe("times of day as people write them", () => {
  test("whatever is shown in any region reads back as the same minute", () => {
    fc.assert(
      fc.property(time, fc.constantFrom(...regions), (at, locale) => {
        expect([writeTime(at, locale), readTime(writeTime(at, locale))]).toEqual([writeTime(at, locale), at]);
      }),
    );
  });

  test.each([
    ["9:30", "09:30"],
    ["09.30", "09:30"],
    ["0930", "09:30"],
    ["9.30 am", "09:30"],
    ["9:30 p.m.", "21:30"],
    ["9am", "09:00"],
    ["12:15 am", "00:15"],
    ["12 pm", "12:00"],
    ["noon", "12:00"],
    ["14h30", "14:30"],
    ["14:30:00", "14:30"],
  ])("“%s” is %s", (text, at) => {
    expect(readTime(text)).toBe(at);
  });

  test.each(["", "9", "25:00", "9:75", "13 pm", "0 am", "half past nine", "930", "9:3"])("“%s” is no time", (text) => {
    expect(readTime(text)).toBeUndefined();
  });
});

describe("a month on the wall", () => {
  const now = new CalendarDate(2026, 11, 27);

  test("has every day of the month once, in whole weeks one after the other, from the region's first day", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2000, max: 2100 }),
        fc.integer({ min: 1, max: 12 }),
        fc.constantFrom(...regions),
        (year, month, locale) => {
          const weeks = weeksOf(new CalendarDate(year, month, 1), locale);
          expect(weeks.length).toBeGreaterThanOrEqual(4);
          expect(weeks.length).toBeLessThanOrEqual(6);
          expect(weeks.every((week) => week.length === 7)).toBe(true);
          const days = weeks.flat();
          const from = Date.parse(`${days[0]}T12:00:00Z`);
          expect(days).toEqual(
            days.map((_day, index) => new Date(from + index * 86_400_000).toISOString().slice(0, 10)),
          );
          const name = `${year}-${String(month).padStart(2, "0")}`;
          const own = days.filter((day) => day.startsWith(name));
          expect(own).toHaveLength(new Date(Date.UTC(year, month, 0)).getUTCDate());
          // No week without a day of the month.
          expect(weeks.every((week) => week.some((day) => day.startsWith(name)))).toBe(true);
          const weekday = new Date(from).getUTCDay();
          expect(weekday).toBe(["en-GB", "en-IE", "en-NZ", "en-AU"].includes(locale) ? 1 : 0);
        },
      ),
    );
  });

  test.each([
    ["2027-03", "2027-03-01"],
    ["1999-12", "2026-11-01"],
    ["2027-13", "2026-11-01"],
    ["soon", "2026-11-01"],
    [null, "2026-11-01"],
  ])("of=%s is the month of %s", (asked, first) => {
    expect(monthOf(asked, now).toString()).toBe(first);
  });
});

test("what is no day or time is given back as it is, so that what was typed stays", () => {
  expect([writeDay("someday", "en-GB"), writeTime("early", "en-US")]).toEqual(["someday", "early"]);
  expect([writeDay("2026-11-28", "en-GB"), writeDay("2026-11-28", "en-US")]).toEqual(["28 Nov 2026", "Nov 28, 2026"]);
  expect([writeTime("09:30", "en-GB"), writeTime("21:05", "en-US")]).toEqual(["09:30", "9:05 PM"]);
});

test("a form says what came, what is wanted, and the way out", () => {
  const said = (schema: ReturnType<typeof dayField>, text: unknown) => schema.safeParse(text).error?.issues[0]?.message;
  const day = dayField("Give a date.");
  expect(said(day, "3/4/2026")).toBe(
    "Write the month as a word, such as 28 Nov 2026: in “3/4/2026” either number can be the month.",
  );
  expect(said(day, "soon")).toContain("got “soon”");
  expect([said(day, " "), said(day, undefined), said(day, "x".repeat(80))]).toEqual(
    Array.from({ length: 3 }, () => "Give a date."),
  );
  expect(said(timeField("Give the time."), "late")).toBe("Give the time. Got “late”.");
  expect(timeField("Give the time.").parse("9.05 pm")).toBe("21:05");
});
