import { createContext, useContext } from "react";

const Locale = createContext("en-GB");
export const LocaleProvider = Locale.Provider;
/** The reader's locale, taken from what their browser asked for, so that server and browser write numbers alike. */
export const useLocale = (): string => useContext(Locale);
