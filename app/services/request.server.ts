import { createContext } from "react-router";

/** The page's nonce for scripts and styles; empty in development. */
export const nonceContext = createContext<string>("");
/** Where a request came from, for counting attempts. */
export const addressContext = createContext<string>("");
