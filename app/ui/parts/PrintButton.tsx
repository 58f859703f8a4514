import type { ReactNode } from "react";
import { Secondary } from "./fields";
import { look } from "~/ui/theme/look";

/** Printing is a change of surface: the sheet on the screen goes to paper as it is. */
export const PrintButton = ({ children }: { children: ReactNode }) => (
  <Secondary type="button" className={look("no-print")} onClick={() => window.print()}>
    {children}
  </Secondary>
);
