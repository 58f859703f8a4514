import { createContext, useContext } from "react";

const Locale = createContext("en-GB");
export const LocaleProvider = Locale.Provider;
/** The reader's locale, taken from what their browser asked for, so that server and browser write numbers alike. */
export const useLocale = (): string => useContext(Locale);

const Zone = createContext("UTC");
export const ZoneProvider = Zone.Provider;
/**
 * The reader's time zone, as their browser said it at an earlier visit, for times that belong to no class; one and the same on the
 * server and in the browser, whatever zone either of them runs in.
 */
export const useZone = (): string => useContext(Zone);
