import { type ReactNode, useEffect, useState } from "react";
import { look } from "~/ui/theme/look";

/**
 * Fields that live in the browser only: not to be typed into before the page has come alive, or the first letters would be lost.
 */
export function WhenReady({ children }: { children: ReactNode }) {
  const [isReady, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  return (
    <fieldset disabled={!isReady} className={look("bare")}>
      {children}
    </fieldset>
  );
}
