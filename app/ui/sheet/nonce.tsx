import { createContext, useContext } from "react";

const Nonce = createContext("");
export const NonceProvider = Nonce.Provider;
/** The nonce that this page's own scripts and styles carry. */
export const useNonce = (): string => useContext(Nonce);
