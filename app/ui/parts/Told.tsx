import { Alert } from "@chakra-ui/react";
import type { Told as Touched } from "~/ui/class/WhatChanges";

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
        <Alert.Root as="p" status="error" _print={{ display: "none" }} role="alert">
          {told.problem}
        </Alert.Root>
      ) : null}
      {told?.done ? (
        <Alert.Root as="p" status="info" _print={{ display: "none" }} role="status">
          {told.done}
        </Alert.Root>
      ) : null}
    </>
  );
}
