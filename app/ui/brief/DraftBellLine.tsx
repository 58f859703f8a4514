import { type ComponentProps, useDeferredValue, useState } from "react";
import { type Draft, type DraftStore, useDraft } from "./draft-store";
import { BellLine } from "~/ui/schedule/BellLine";
import { BellLineFold } from "~/ui/parts/bell-line";

interface Props extends Pick<ComponentProps<typeof BellLine>, "rung"> {
  readonly drafts: DraftStore;
  /** What is shown while nothing is typed; nothing is shown without it. */
  readonly saved: Draft | undefined;
  /** Begins as a strip that opens on press. */
  readonly isFoldable?: boolean;
}

/** The bell line of the class as it is typed, or as it is saved. */
export function DraftBellLine({ drafts, saved, rung, isFoldable = false }: Props) {
  const [isOpen, setOpen] = useState(false);
  const shown = useDeferredValue(useDraft(drafts) ?? saved);
  // A line without a recipe has nothing on it.
  if (!shown || (!saved && shown.input.dishes.length === 0)) return null;
  const line = (
    <BellLine
      timeline={shown.plan.timeline}
      startsAt={shown.input.startsAt}
      timeZone={shown.input.timeZone}
      available={shown.input.brief.minutes}
      isFolded={isFoldable && !isOpen}
      {...(rung ? { rung } : {})}
    />
  );
  return isFoldable ? (
    <BellLineFold
      type="button"
      aria-expanded={isOpen}
      aria-label={isOpen ? "Fold the bell line" : "Open the bell line"}
      onClick={() => setOpen(!isOpen)}
    >
      {line}
    </BellLineFold>
  ) : (
    line
  );
}
