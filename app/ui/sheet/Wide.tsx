import { ScrollArea } from "~/ui/parts/forms";
import type { ReactNode } from "react";

/** A table that may be wider than a phone: pushed sideways by itself, with a finger or with the arrow keys once it has the focus. */
export const Wide = ({ label, children }: { label: string; children: ReactNode }) => (
  <ScrollArea tabIndex={0} role="group" aria-label={label}>
    {children}
  </ScrollArea>
);
