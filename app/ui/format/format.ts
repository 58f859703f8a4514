import { parseDateTime, toZoned } from "@internationalized/date";
import { scaleOf } from "~/formats/regions";
import type { PutOut } from "~/core/kit";
import {
  type Amount,
  type MassUnit,
  type Ratio,
  type Scoop,
  type ScoopCount,
  nameOfUnit,
  isWhole,
  toNumber,
} from "~/core/quantity";

/** The narrow space between a number and its unit. */
export const thin = " ";

/** Formatters by what they were asked for: making one costs as much as hundreds of uses, and a run sheet has hundreds of times. */
function remembered<O extends object, F extends object | number>(
  make: (name: string, options: O) => F,
): (name: string, options: O) => F {
  const known = new Map<string, F>();
  return (name, options) => {
    const key = `${name} ${JSON.stringify(options)}`;
    const found = known.get(key) ?? make(name, options);
    known.set(key, found);
    return found;
  };
}
const numberFormat = remembered((locale, options: Intl.NumberFormatOptions) => new Intl.NumberFormat(locale, options));
const dateFormat = remembered(
  (locale, options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat(locale, options),
);
const listFormat = remembered((locale, options: Intl.ListFormatOptions) => new Intl.ListFormat(locale, options));

/** By the digits alone: the most used of all, and naming what it asks for would take longer than writing the number. */
const plainFormats = new Map<string, Intl.NumberFormat>();
export function number(value: number, locale: string, digits = 1): string {
  const key = `${locale} ${digits}`;
  const known = plainFormats.get(key) ?? new Intl.NumberFormat(locale, { maximumFractionDigits: digits });
  plainFormats.set(key, known);
  return known.format(value);
}

/** A sum with two decimals, in a currency where one is given. */
export const sum = (value: number, locale: string, currency: string | undefined): string =>
  numberFormat(locale, {
    minimumFractionDigits: 2,
    maximumFractionDigits: 2,
    ...(currency ? { style: "currency" as const, currency } : {}),
  }).format(value);

/** Beyond sixteenths nobody reads a fraction. */
const finestFraction = 16n;

/** An exact number as people write it: whole, a true fraction ("1 3⁄4" with a fraction slash), else a decimal. */
export function fraction(value: Ratio, locale: string): string {
  if (isWhole(value)) return number(toNumber(value), locale, 0);
  if (value.den > finestFraction || value.num < 0n) return number(toNumber(value), locale, 2);
  const whole = value.num / value.den;
  const rest = `${value.num % value.den}⁄${value.den}`;
  return whole > 0n ? `${whole}${thin}${rest}` : rest;
}

/** "1 1⁄4 cups", "250 g", "2". Weights and millilitres are decimals: nobody weighs thirds. */
export function amount(value: Amount, locale: string): string {
  const decimal: readonly Amount["unit"][] = ["g", "kg", "ml", "l"] satisfies readonly (MassUnit | Amount["unit"])[];
  const shown = decimal.includes(value.unit) ? number(toNumber(value.value), locale, 1) : fraction(value.value, locale);
  const unit = nameOfUnit(value.unit, toNumber(value.value));
  return unit ? `${shown}${thin}${unit}` : shown;
}

/** Grams as a scale shows them; kilograms from ten thousand on, where a scale gives up. */
export function grams(value: number, locale: string): string {
  return value >= 10_000
    ? `${number(value / 1000, locale, 2)}${thin}kg`
    : `${number(value, locale, value < 10 ? 1 : 0)}${thin}g`;
}

/** Millilitres as a jug shows them; litres from a thousand on. */
export function volume(ml: number, locale: string): string {
  return ml >= 1000 ? `${number(ml / 1000, locale, 2)}${thin}l` : `${number(ml, locale, ml < 10 ? 1 : 0)}${thin}ml`;
}

/** "1 piece", "12 pieces": a count with its word, which most words make with an s. */
export const howMany = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`;
/** "1 person", "14 people". */
export const people = (count: number): string => (count === 1 ? "1 person" : `${count} people`);

/** "½ cup": one scoop by its size. */
export const scoop = ({ size, unit }: Scoop, locale: string): string =>
  `${fraction(size, locale)}${thin}${nameOfUnit(unit, toNumber(size))}`;

/** "½ cup + 2 tbsp + 2 tsp": how often which scoop; a repeated size is counted. */
export function scoops(counts: readonly ScoopCount[], locale: string): string {
  return counts
    .map(({ size, unit, count }) => {
      const one = `${fraction(size, locale)}${thin}${nameOfUnit(unit, isWhole(size) && count > 1 ? count : toNumber(size))}`;
      if (count === 1) return one;
      return isWhole(size) && size.num === 1n ? `${count}${thin}${nameOfUnit(unit, count)}` : `${count} × ${one}`;
    })
    .join(" + ");
}

/** "+2 %", "−0.7 %"; nothing below a tenth of a percent. */
export function drift(share: number, locale: string): string {
  const percent = share * 100;
  if (Math.abs(percent) < 0.1) return "";
  return `${percent > 0 ? "+" : "−"}${number(Math.abs(percent), locale, 1)}${thin}%`;
}

/** Minutes in words short enough for a table: "45 s", "4½ min", "1 h 20". */
export function minutes(value: number, locale: string): string {
  const sign = value < 0 ? "−" : "";
  const size = Math.abs(value);
  if (size > 0 && size < 1) return `${sign}${number(size * 60, locale, 0)}${thin}s`;
  // A quarter of a minute is meant; anything finer is what came out of a sum.
  const isMeant = Math.abs(size * 4 - Math.round(size * 4)) < 1e-9;
  if (size < 60) return `${sign}${number(size, locale, size >= 10 ? 0 : isMeant ? 2 : size < 3 ? 1 : 0)}${thin}min`;
  const hours = Math.floor(Math.round(size) / 60);
  const rest = Math.round(size) % 60;
  return `${sign}${hours}${thin}h${rest > 0 ? `${thin}${String(rest).padStart(2, "0")}` : ""}`;
}

/** An amount as a hand puts it out: "1 cup + 2 tsp", "2.3 g weighed", "2". */
export const sayPutOut = (way: PutOut, locale: string): string =>
  way.by === "spoons"
    ? scoops(way.counts, locale)
    : way.by === "scale"
      ? `${grams(way.shown, locale)} weighed`
      : amount(way.amount, locale);

/** Hours as people there write them: "9:30 AM" by twelves, "09:30" by twenty-fours. */
const clockOf = (locale: string): Intl.DateTimeFormatOptions => {
  const isByTwelves = dateFormat(locale, { hour: "numeric" }).resolvedOptions().hour12 ?? false;
  return { hour: isByTwelves ? "numeric" : "2-digit", minute: "2-digit" };
};

/** The hour and minute of a moment on the class's own clock. */
const timeFormat = remembered(
  (locale, { timeZone }: { timeZone: string }) => new Intl.DateTimeFormat(locale, { ...clockOf(locale), timeZone }),
);
export const timeOfDay = (value: Date | number, locale: string, timeZone: string): string =>
  timeFormat(locale, { timeZone }).format(value);

const doorsAt = remembered((startsAt, { timeZone }: { timeZone: string }) =>
  toZoned(parseDateTime(startsAt), timeZone).toDate().getTime(),
);
const instantOf = (startsAt: string, timeZone: string, afterMinutes: number): Date =>
  new Date(doorsAt(startsAt, { timeZone }) + afterMinutes * 60_000);

/** The clock on the wall of the class, `after` minutes from the doors. */
export const clock = (startsAt: string, timeZone: string, after: number, locale: string): string =>
  timeOfDay(instantOf(startsAt, timeZone, after), locale, timeZone);

/** The day on the class's own calendar, `after` minutes from the doors: "Fri 27 Nov". */
export const dateOf = (startsAt: string, timeZone: string, after: number, locale: string): string =>
  dateFormat(locale, { weekday: "short", day: "numeric", month: "short", timeZone }).format(
    instantOf(startsAt, timeZone, after),
  );

/** "Saturday 28 November, 09:30" */
export const dayAndTime = (startsAt: string, timeZone: string, locale: string): string =>
  dateFormat(locale, {
    weekday: "long",
    day: "numeric",
    month: "long",
    ...clockOf(locale),
    timeZone,
  }).format(instantOf(startsAt, timeZone, 0));

/** The hour and minute of a local date and time, wherever that is: "9:30 AM", "09:30". */
export const wallTime = (startsAt: string, locale: string): string => clock(startsAt, "UTC", 0, locale);

/** "Sat 28 Nov, 09:30" */
export const shortMoment = (startsAt: string, timeZone: string, locale: string): string =>
  dateFormat(locale, { weekday: "short", day: "numeric", month: "short", ...clockOf(locale), timeZone }).format(
    instantOf(startsAt, timeZone, 0),
  );

const atNoon = (isoDay: string): Date => new Date(`${isoDay.slice(0, 10)}T12:00:00Z`);

export const day = (startsAt: string, locale: string): string =>
  dateFormat(locale, { weekday: "short", day: "numeric", month: "short", year: "numeric", timeZone: "UTC" }).format(
    atNoon(startsAt),
  );

/** "November 2026" */
export const monthName = (isoDay: string, locale: string): string =>
  dateFormat(locale, { month: "long", year: "numeric", timeZone: "UTC" }).format(atNoon(isoDay));

/** "28", or "1 Dec" where the month needs to be said. */
export const dayOfMonth = (isoDay: string, locale: string, withMonth: boolean): string =>
  dateFormat(locale, { day: "numeric", ...(withMonth ? { month: "short" as const } : {}), timeZone: "UTC" }).format(
    atNoon(isoDay),
  );

/** The names of the weekdays that some days fall on. */
export const weekdays = (isoDays: readonly string[], locale: string): { short: string; long: string }[] =>
  isoDays.map((isoDay) => ({
    short: dateFormat(locale, { weekday: "short", timeZone: "UTC" }).format(atNoon(isoDay)),
    long: dateFormat(locale, { weekday: "long", timeZone: "UTC" }).format(atNoon(isoDay)),
  }));

/** A moment as date and time in a zone: the class's, or the reader's where it belongs to no class. */
export const moment = (value: Date | number, locale: string, timeZone: string): string =>
  dateFormat(locale, {
    day: "numeric",
    month: "short",
    ...clockOf(locale),
    timeZone,
  }).format(value);

/** A count-down: "4:05", "−0:30". */
export function countdown(milliseconds: number): string {
  const seconds = Math.ceil(Math.abs(milliseconds) / 1000 - 1e-9);
  const sign = milliseconds < 0 && seconds > 0 ? "−" : "";
  return `${sign}${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}

/** "a, b and c" in the language of the locale. */
export const list = (words: readonly string[], locale: string): string =>
  listFormat(locale, { type: "conjunction" }).format(words);

/** "a, b or c". */
export const either = (words: readonly string[], locale: string): string =>
  listFormat(locale, { type: "disjunction" }).format(words);

/** "5 °C (41 °F)"; see {@link temperature}. */
export const degrees = (value: number, locale: string): string => temperature(value, value, locale);

/** "175–190 °C (347–374 °F)": both, as the dial may show either; one where the locale says which. */
export function temperature(from: number, to: number, locale: string): string {
  const range = (a: number, b: number) =>
    a === b ? number(a, locale, 0) : `${number(a, locale, 0)}–${number(b, locale, 0)}`;
  const fahrenheit = (celsius: number) => Math.round((celsius * 9) / 5 + 32);
  const [inC, inF] = [`${range(from, to)}${thin}°C`, `${range(fahrenheit(from), fahrenheit(to))}${thin}°F`];
  const scale = scaleOf(locale);
  return scale === "celsius" ? inC : scale === "fahrenheit" ? inF : `${inC} (${inF})`;
}
