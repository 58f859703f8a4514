import type { Step } from "~/core/recipe";
import { look } from "~/ui/theme/look";

/** What the instructor makes of a step: one point, one question, what is not shown here. Never on a table's own card. */
export function StepNotes({ step }: { step: Pick<Step, "point" | "question" | "avoid"> }) {
  const rows = [
    ["Say", step.point],
    ["Ask", step.question],
    ["Not here", step.avoid],
  ].filter(([, words]) => words);
  return rows.length === 0 ? null : (
    <dl className={look("step-notes", "small")}>
      {rows.map(([name, words]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>{words}</dd>
        </div>
      ))}
    </dl>
  );
}
