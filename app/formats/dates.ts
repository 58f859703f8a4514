import { CalendarDate, endOfMonth, startOfMonth, startOfWeek } from "@internationalized/date";

/**
 * Days and times of day as people write them. A day is shown with its month as a word, which nobody can read the wrong way round; typed,
 * it may have any order, and where two orders are possible it is asked, never guessed.
 */
export type DayRead =
  | { readonly ok: true; readonly iso: string }
  | { readonly ok: false; readonly why: "not-a-day" | "no-year" | "which-is-the-month" | "no-such-day" };

/** Years a class may be in; anything else is a slip of the hand. */
export const years = { first: 2000, last: 2100 };

const monthsByName = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];
const monthNumber = (word: string): number | undefined => {
  const index = monthsByName.indexOf(word.slice(0, 3).toLowerCase());
  return index >= 0 && /^[a-z]{3,9}\.?$/i.test(word) ? index + 1 : undefined;
};

function dayOf(year: number, month: number, day: number): DayRead {
  if (year < years.first || year > years.last || month < 1 || month > 12 || day < 1)
    return { ok: false, why: "no-such-day" };
  const date = new CalendarDate(year, month, 1);
  return day <= date.calendar.getDaysInMonth(date)
    ? { ok: true, iso: date.set({ day }).toString() }
    : { ok: false, why: "no-such-day" };
}

/** Letters of a day or a time at most, with room to spare. */
const longest = 80;
const weekday = /^(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*\.?,?\s+/i;

/** Reads "2026-11-28", "28 Nov 2026", "Sat, November 28th, 2026", "28.11.2026"; a year has four digits. */
export function readDay(text: string): DayRead {
  if (text.length > longest) return { ok: false, why: "not-a-day" };
  const bare = text.trim().replace(/\s+/g, " ").replace(weekday, "");
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})$/.exec(bare);
  if (iso) return dayOf(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const numbers = /^(\d{1,2})[-/. ]+(\d{1,2})[-/. ]+(\d{4})$/.exec(bare);
  if (numbers) {
    const [one, two, year] = [Number(numbers[1]), Number(numbers[2]), Number(numbers[3])];
    if (one !== two && one <= 12 && two <= 12) return { ok: false, why: "which-is-the-month" };
    return one > 12 ? dayOf(year, two, one) : dayOf(year, one, two);
  }
  const dayFirst = /^(\d{1,2})(?:st|nd|rd|th)?(?: of)?[ -]([a-z]+\.?),?(?:[ -](\d{4}))?$/i.exec(bare);
  const monthFirst = /^([a-z]+\.?) (\d{1,2})(?:st|nd|rd|th)?,?(?: (\d{4}))?$/i.exec(bare);
  const [day, word, year] = dayFirst
    ? [dayFirst[1], dayFirst[2], dayFirst[3]]
    : monthFirst
      ? [monthFirst[2], monthFirst[1], monthFirst[3]]
      : [undefined, undefined, undefined];
  const month = word === undefined ? undefined : monthNumber(word);
  if (month === undefined) return { ok: false, why: "not-a-day" };
  if (year === undefined) return { ok: false, why: "no-year" };
  return dayOf(Number(year), month, Number(day));
}

/** Is a text an ISO day that there is? */
function isDay(iso: string): boolean {
  const at = new Date(`${iso}T12:00:00Z`);
  return /^\d{4}-\d{2}-\d{2}$/.test(iso) && !Number.isNaN(at.getTime()) && at.toISOString().startsWith(iso);
}

/** "28 Nov 2026", or "Nov 28, 2026" where it is written so; what is no ISO day is given back as it is. */
export function writeDay(iso: string, locale: string): string {
  if (!isDay(iso)) return iso;
  return new Intl.DateTimeFormat(locale, {
    day: "numeric",
    month: "short",
    year: "numeric",
    timeZone: "UTC",
  }).format(new Date(`${iso}T12:00:00Z`));
}

/** The first day of the month in an address, "2026-11"; what is none is the present one. */
export function monthOf(asked: string | null, now: CalendarDate): CalendarDate {
  const [, year, month] = /^(\d{4})-(0[1-9]|1[0-2])$/.exec(asked ?? "") ?? [];
  const wanted = Number(year);
  return year !== undefined && wanted >= years.first && wanted <= years.last
    ? new CalendarDate(wanted, Number(month), 1)
    : startOfMonth(now);
}

/** The days of a month's weeks, from the first day of the week in the reader's region: 4 to 6 weeks of 7 ISO dates. */
export function weeksOf(month: CalendarDate, locale: string): string[][] {
  const weeks: string[][] = [];
  const last = endOfMonth(month);
  for (let from = startOfWeek(startOfMonth(month), locale); from.compare(last) <= 0; from = from.add({ weeks: 1 })) {
    const first = from;
    weeks.push(Array.from({ length: 7 }, (_none, index) => first.add({ days: index }).toString()));
  }
  return weeks;
}

/**
 * Reads "09:30", "9.30", "0930", "9:30 am", "noon", "14h30".
 * @returns as "HH:MM" on the clock of twenty-four hours; undefined for what is no time of day.
 */
export function readTime(text: string): string | undefined {
  if (text.length > longest) return undefined;
  const bare = text
    .trim()
    .toLowerCase()
    .replace(/[\s\u202f\u00a0]+/g, " ");
  if (bare === "noon" || bare === "midday") return "12:00";
  const found = /^(\d{1,2})(?:[:.h ](\d{2})|(?<=\d{2})(\d{2}))?(?::\d{2})? ?(?:(a|p)\.?m\.?)?(?: ?o'?clock)?$/.exec(
    bare,
  );
  if (!found) return undefined;
  const [, hourText = "", spaced, joined, half] = found;
  const minute = Number(spaced ?? joined ?? 0);
  const said = Number(hourText);
  if (half === undefined && spaced === undefined && joined === undefined) return undefined;
  if (minute > 59 || said > 23 || (half !== undefined && (said < 1 || said > 12))) return undefined;
  const hour = half === undefined ? said : (said % 12) + (half === "p" ? 12 : 0);
  return `${String(hour).padStart(2, "0")}:${String(minute).padStart(2, "0")}`;
}

/** "09:30", or "9:30 am" where people write it so. */
export function writeTime(time: string, locale: string): string {
  if (!/^([01]\d|2[0-3]):[0-5]\d$/.test(time)) return time;
  const hasHalves = new Intl.DateTimeFormat(locale, { hour: "numeric" }).resolvedOptions().hour12;
  return new Intl.DateTimeFormat(locale, {
    hour: hasHalves ? "numeric" : "2-digit",
    minute: "2-digit",
    timeZone: "UTC",
  })
    .format(new Date(`2026-01-01T${time}:00Z`))
    .replace(/\s/g, " ");
}
