import { useDeferredValue } from "react";
import type { ComponentProps } from "react";
import { type Draft, type DraftStore, useDraft } from "./draft-store";
import { BellLine } from "~/ui/schedule/BellLine";

interface Props extends Pick<ComponentProps<typeof BellLine>, "rung"> {
  readonly drafts: DraftStore;
  /** What is shown while nothing is typed; nothing is shown without it. */
  readonly saved: Draft | undefined;
}

/** The bell line of the class as it is typed, or as it is saved. */
export function DraftBellLine({ drafts, saved, rung }: Props) {
  const shown = useDeferredValue(useDraft(drafts) ?? saved);
  // A line without a recipe has nothing on it.
  if (!shown || (!saved && shown.input.dishes.length === 0)) return null;
  return (
    <BellLine
      timeline={shown.plan.timeline}
      startsAt={shown.input.startsAt}
      timeZone={shown.input.timeZone}
      available={shown.input.brief.minutes}
      {...(rung ? { rung } : {})}
    />
  );
}
