import type { ReactNode } from "react";
import { Secondary } from "./fields";

/** Printing is a change of surface: the sheet on the screen goes to paper as it is. */
export const PrintButton = ({ children }: { children: ReactNode }) => (
  <Secondary _print={{ display: "none" }} type="button" onClick={() => window.print()}>
    {children}
  </Secondary>
);
