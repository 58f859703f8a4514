import { memo } from "react";
import type { ClassInput, ClassPlan, KeyFigure } from "~/core/plan";
import { Figures } from "~/ui/class/Figures";
import { BriefDrawing } from "~/ui/draw/BriefDrawing";
import { Findings } from "~/ui/class/Findings";
import { useLocale } from "~/ui/sheet/locale";
import { namesOf } from "~/ui/words/names";
import { Aims } from "./Aims";
import { look } from "~/ui/theme/look";

interface Props {
  readonly input: ClassInput;
  readonly plan: ClassPlan;
  readonly before: readonly KeyFigure[] | undefined;
  readonly isChanged: boolean;
}

/** Ingredients that are bought by the piece. */
export const countedIn = (plan: ClassPlan): ReadonlySet<string> =>
  new Set(plan.totals.filter((total) => total.buyPieces !== undefined).map((total) => total.ingredientId));

/** Everything that follows from the brief, beside it, before it is saved. */
export const Consequences = memo(function Consequences({ input, plan, before, isChanged }: Props) {
  const names = namesOf(input, plan, useLocale());
  const main = plan.figures.filter((figure) => figure.code !== "total");
  const totals = plan.figures.filter((figure) => figure.code === "total");
  const open = plan.findings.filter((finding) => finding.level !== "notes");
  return (
    <section aria-label="What follows" aria-live="polite">
      <h2>What follows {isChanged ? <span className={look("needs-you", "small")}>not saved yet</span> : null}</h2>
      <BriefDrawing plan={plan} available={input.brief.minutes} />
      <Figures figures={main} before={before} counted={countedIn(plan)} names={names} />
      <Aims aims={input.brief.aims} />
      <h3 className={look("above-m", "below-xs")}>What is short or unsettled</h3>
      {open.length === 0 ? (
        <p className={look("quiet")}>Nothing: it fits, and nothing is missing.</p>
      ) : (
        <Findings findings={open} names={names} />
      )}
      <h3 className={look("above-m", "below-xs")}>To buy</h3>
      <Figures figures={totals} before={before} counted={countedIn(plan)} names={names} />
    </section>
  );
});
