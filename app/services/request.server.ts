import { createContext } from "react-router";

/** The page's nonce for scripts and styles; empty in development. */
export const nonceContext = createContext<string>("");
/** Where a request came from, for counting attempts. */
export const addressContext = createContext<string>("");

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
