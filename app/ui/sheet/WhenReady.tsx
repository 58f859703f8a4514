import { Fieldset } from "@chakra-ui/react";
import { type ReactNode, useEffect, useState } from "react";

/**
 * Fields that live in the browser only: not to be typed into before the page has come alive, or the first letters would be lost.
 */
export function WhenReady({ children }: { children: ReactNode }) {
  const [isReady, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  return (
    <Fieldset.Root display="contents" disabled={!isReady}>
      {children}
    </Fieldset.Root>
  );
}
