import { Box } from "@chakra-ui/react";
import { StepNoteList } from "~/ui/parts/recipe";
import type { Step } from "~/core/recipe";

/** What the instructor makes of a step: one point, one question, what is not shown here. Never on a table's own card. */
export function StepNotes({ step }: { step: Pick<Step, "point" | "question" | "avoid"> }) {
  const rows = [
    ["Say", step.point],
    ["Ask", step.question],
    ["Not here", step.avoid],
  ].filter(([, words]) => words);
  return rows.length === 0 ? null : (
    <StepNoteList fontSize="sm">
      {rows.map(([name, words]) => (
        <Box key={name}>
          <dt>{name}</dt>
          <dd>{words}</dd>
        </Box>
      ))}
    </StepNoteList>
  );
}
