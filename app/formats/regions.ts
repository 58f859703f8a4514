/** Regions whose way of writing dates, times and numbers somebody may choose; the program's words are English in all of them. */
export const regions = ["en-GB", "en-IE", "en-US", "en-CA", "en-AU", "en-NZ", "en-ZA"] as const;
export type Region = (typeof regions)[number];

/** The paper that is in printers there: Letter in North America, A4 everywhere else. */
export const paperOf = (locale: string): "letter" | "a4" =>
  ["US", "CA", "MX", "PH"].includes(new Intl.Locale(locale).region ?? "") ? "letter" : "a4";

/** The degrees somebody's dial and thermometer show. */
export const scales = ["celsius", "fahrenheit"] as const;
/** Cups and spoons a new class begins with. */
export const cups = ["us-usual", "metric-usual", "au-usual"] as const;
/** The ground of every page: paper, or dark. */
export const shades = ["dark"] as const;

/** How somebody likes to read, kept with their account; null for what is usual where they are. */
export interface Tastes {
  readonly region: Region | null;
  readonly scale: (typeof scales)[number] | null;
  readonly cups: (typeof cups)[number] | null;
  readonly shade: (typeof shades)[number] | null;
}

export const noTastes: Tastes = { region: null, scale: null, cups: null, shade: null };

const oneOf = <T extends string>(of: readonly T[], text: string | undefined): T | null =>
  of.find((one) => one === text) ?? null;

/** As one short text, for a cookie: "en-GB.fahrenheit..dark". Whatever it does not know is nothing chosen. */
export const writeTastes = (tastes: Tastes): string =>
  [tastes.region, tastes.scale, tastes.cups, tastes.shade].map((one) => one ?? "").join(".");

export function readTastes(text: string): Tastes {
  const [region, scale, set, shade] = text.split(".");
  return {
    region: oneOf(regions, region),
    scale: oneOf(scales, scale),
    cups: oneOf(cups, set),
    shade: oneOf(shades, shade),
  };
}

/** Unicode's key for the degrees that somebody reads in; it has eight letters at most. */
const inTag = { celsius: "mu-celsius", fahrenheit: "mu-fahrenhe" } as const;

/** A locale that says the degrees as well: "en-GB-u-mu-fahrenhe". */
export const withScale = (locale: string, scale: Tastes["scale"]): string =>
  scale === null ? locale : `${locale}-u-${inTag[scale]}`;

/** The degrees a locale asks for; null where it leaves both. */
export const scaleOf = (locale: string): Tastes["scale"] =>
  scales.find((scale) => locale.endsWith(`-u-${inTag[scale]}`)) ?? null;

/** A locale as the language of a page: without what only we ask of it. */
export const languageOf = (locale: string): string => locale.split("-u-")[0] ?? locale;
