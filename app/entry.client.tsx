import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import { StrictMode, startTransition } from "react";
import { hydrateRoot } from "react-dom/client";
import { HydratedRouter } from "react-router/dom";
import { NonceProvider } from "~/ui/sheet/nonce";

// The browser hides the attribute's value, the property still has it.
const nonce = document.querySelector<HTMLScriptElement>("script[nonce]")?.nonce ?? "";
const cache = createCache({ key: "css", nonce });

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <CacheProvider value={cache}>
        <NonceProvider value={nonce}>
          <HydratedRouter />
        </NonceProvider>
      </CacheProvider>
    </StrictMode>,
  );
});
