import { getLocalTimeZone } from "@internationalized/date";
import { createContext } from "react-router";
import { timeZoneSchema } from "~/formats/class-file";
import { type Tastes, readTastes, withScale, writeTastes } from "~/formats/regions";

/** The page's nonce for scripts and styles; empty in development. */
export const nonceContext = createContext<string>("");
/** Where a request came from, for counting attempts. */
export const addressContext = createContext<string>("");

/** Time zone from the browser’s cookie if it is valid, else the server’s. */
export function zoneOf(request: Request): string {
  const said = /(?:^|;\s*)zone=([^;]{1,120})/.exec(request.headers.get("cookie") ?? "")?.[1];
  try {
    const zone = timeZoneSchema.safeParse(decodeURIComponent(said ?? ""));
    return zone.success && zone.data !== "" ? zone.data : getLocalTimeZone();
  } catch {
    return getLocalTimeZone();
  }
}

/** What is usual where a reader's language comes from; to begin with, and to be changed in the brief. */
interface Usual {
  readonly regime: "us" | "eu" | "anz";
  readonly currency: string;
  readonly measuringSetId: "us-usual" | "metric-usual" | "au-usual";
}
const usualIn: Readonly<Record<string, Usual>> = {
  US: { regime: "us", currency: "USD", measuringSetId: "us-usual" },
  AU: { regime: "anz", currency: "AUD", measuringSetId: "au-usual" },
  NZ: { regime: "anz", currency: "NZD", measuringSetId: "metric-usual" },
  GB: { regime: "eu", currency: "GBP", measuringSetId: "metric-usual" },
  IE: { regime: "eu", currency: "EUR", measuringSetId: "metric-usual" },
};

/** The allergen list, the currency and the cups a class begins with: by the region of the language the browser asks for. */
export function usualFor(request: Request): Usual {
  const usual = usualIn[new Intl.Locale(localeOf(request)).region ?? ""] ?? {
    regime: "eu",
    currency: "",
    measuringSetId: "metric-usual",
  };
  const { cups } = tastesOf(request);
  return cups === null ? usual : { ...usual, measuringSetId: cups };
}

/** What the reader chose for their account, kept in the browser beside the sign-in; gone with nothing chosen. It is no secret. */
export const tastesCookie = (tastes: Tastes): string =>
  Object.values(tastes).every((one) => one === null)
    ? "region=; Path=/; Max-Age=0; SameSite=Lax"
    : `region=${writeTastes(tastes)}; Path=/; Max-Age=31536000; SameSite=Lax`;

/** The same, as the browser sends it. */
export const tastesOf = (request: Request): Tastes =>
  readTastes(/(?:^|;\s*)region=([A-Za-z.-]{0,80})/.exec(request.headers.get("cookie") ?? "")?.[1] ?? "");

/** What is spoken when the browser asks for no English at all. */
const fallbackLocale = "en-GB";

/**
 * The region and the degrees the reader chose for their account; else the first language the browser asks for that is English of some
 * kind: the words are, so numbers and dates follow.
 */
export function localeOf(request: Request): string {
  const { region, scale } = tastesOf(request);
  return withScale(region ?? askedLocale(request), scale);
}

function askedLocale(request: Request): string {
  const asked =
    request.headers
      .get("accept-language")
      ?.split(",")
      .map((part) => part.split(";")[0]?.trim() ?? "") ?? [];
  const english = asked.find((tag) => /^en-[A-Z]{2}$/i.test(tag));
  try {
    return english ? (Intl.getCanonicalLocales(english)[0] ?? fallbackLocale) : fallbackLocale;
  } catch {
    return fallbackLocale;
  }
}
