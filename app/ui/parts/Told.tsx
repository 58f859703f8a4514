import type { Told as Touched } from "~/ui/class/WhatChanges";
import { look } from "~/ui/theme/look";

/** What became of a change: refused, with what to do about it, or done; whom it touches, where it touches somebody. */
export interface Answer extends Touched {
  readonly problem?: string | undefined;
  readonly done?: string | undefined;
}

/** The answer to what was just sent: a refusal is said at once, what is done when there is a pause. */
export function Told({ told }: { told: Answer | undefined }) {
  return (
    <>
      {told?.problem ? (
        <p className={look("form-error", "no-print")} role="alert">
          {told.problem}
        </p>
      ) : null}
      {told?.done ? (
        <p className={look("saved", "no-print")} role="status">
          {told.done}
        </p>
      ) : null}
    </>
  );
}
