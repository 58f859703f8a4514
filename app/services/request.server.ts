import { getLocalTimeZone } from "@internationalized/date";
import { createContext } from "react-router";
import { timeZoneSchema } from "~/formats/class-file";

/** The page's nonce for scripts and styles; empty in development. */
export const nonceContext = createContext<string>("");
/** Where a request came from, for counting attempts. */
export const addressContext = createContext<string>("");

/** The zone the browser says it is in, where it says one that there is; the server's own otherwise. */
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
const usualIn: Readonly<Record<string, { readonly regime: "us" | "eu" | "anz"; readonly currency: string }>> = {
  US: { regime: "us", currency: "USD" },
  AU: { regime: "anz", currency: "AUD" },
  NZ: { regime: "anz", currency: "NZD" },
  GB: { regime: "eu", currency: "GBP" },
  IE: { regime: "eu", currency: "EUR" },
};

/** The allergen list and the currency a class begins with: by the region of the language the browser asks for. */
export const usualFor = (request: Request) =>
  usualIn[new Intl.Locale(localeOf(request)).region ?? ""] ?? { regime: "eu" as const, currency: "" };

/** What is spoken when the browser asks for no English at all. */
const fallbackLocale = "en-GB";

/** The first language the browser asks for that is English of some kind: the words are, so numbers and dates follow. */
export function localeOf(request: Request): string {
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
