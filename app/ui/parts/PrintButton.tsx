import type { ReactNode } from "react";
import { Secondary } from "./fields";

/** Printing is a change of surface: the sheet on the screen goes to paper as it is. */
export const PrintButton = ({ children }: { children: ReactNode }) => (
  <Secondary type="button" className="no-print" onClick={() => window.print()}>
    {children}
  </Secondary>
);
