import { Fieldset } from "@chakra-ui/react";
import { type ReactNode, useEffect, useState } from "react";

/** Said where nothing could be done without script. */
export const NeedsScript = () => (
  <noscript>
    This page works in the browser itself: switch JavaScript on for it, then load it again. Sheets to print and forms
    work without.
  </noscript>
);

/**
 * Fields that live in the browser only: not to be typed into before the page has come alive, or the first letters would be lost.
 */
export function WhenReady({ children }: { children: ReactNode }) {
  const [isReady, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  return (
    <Fieldset.Root display="contents" disabled={!isReady}>
      <NeedsScript />
      {children}
    </Fieldset.Root>
  );
}
