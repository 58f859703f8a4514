import { type RefObject, useEffect, useRef } from "react";

/**
 * Links in a strip that a phone has not the width for: it begins with the one before the one that is open. Of what goes by under a thumb
 * nobody looks for where they are.
 */
export function useStrip<Part extends HTMLElement>(place: string | undefined): RefObject<Part | null> {
  const strip = useRef<Part>(null);
  useEffect(() => {
    const { current } = strip;
    const open = current?.querySelector<HTMLElement>("[aria-current=page]");
    if (!current || !open) return;
    const part = open.closest("li") ?? open;
    current.scrollLeft = part.offsetLeft - current.offsetLeft - part.offsetWidth;
  }, [place]);
  return strip;
}
