import { VisuallyHidden } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { useLocation } from "react-router";

const focusAfter = 80;

/**
 * After a way to another page the focus goes to its heading, and its title is said: otherwise whoever hears the page is left where
 * the link was. Not at the first page, which the browser announces by itself.
 */
export function PageFocus() {
  const { pathname } = useLocation();
  const before = useRef(pathname);
  const [said, setSaid] = useState("");
  useEffect(() => {
    if (before.current === pathname) return;
    before.current = pathname;
    // Whoever has pressed something on the new page is at work there, however late a busy machine comes to this.
    const hands = new AbortController();
    let isTouched = false;
    for (const hand of ["pointerdown", "keydown"])
      addEventListener(hand, () => (isTouched = true), { capture: true, signal: hands.signal });
    // After whatever was open has closed and given the focus back.
    const later = setTimeout(() => {
      hands.abort();
      const heading =
        document.querySelector<HTMLElement>("main [data-part=sheet-head] :is(h1, h2)") ??
        document.querySelector<HTMLElement>("main h1");
      // Whoever has already opened something, or stands in a field of the new page, stays there.
      const isAtWork =
        isTouched ||
        document.querySelector("[role=menu], [role=dialog]") !== null ||
        document.activeElement?.matches("input, select, textarea") === true;
      if (heading && !isAtWork) {
        heading.tabIndex = -1;
        heading.focus({ preventScroll: true });
      }
      setSaid(document.title);
    }, focusAfter);
    return () => {
      hands.abort();
      clearTimeout(later);
    };
  }, [pathname]);
  return (
    <VisuallyHidden as="p" aria-live="polite">
      {said}
    </VisuallyHidden>
  );
}
