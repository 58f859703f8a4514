import { Box, Heading, Span, Text } from "@chakra-ui/react";
import { memo } from "react";
import type { ClassInput, ClassPlan, KeyFigure } from "~/core/plan";
import { Figures } from "~/ui/class/Figures";
import { BriefDrawing } from "~/ui/draw/BriefDrawing";
import { Findings } from "~/ui/class/Findings";
import { useLocale } from "~/ui/sheet/locale";
import { namesOf } from "~/ui/words/names";
import { Aims } from "./Aims";

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
    <Box as="section" aria-label="What follows" aria-live="polite">
      <Heading as="h2" size="xl">
        What follows{" "}
        {isChanged ? (
          <Span layerStyle="needsYou" fontSize="sm">
            not saved yet
          </Span>
        ) : null}
      </Heading>
      <BriefDrawing plan={plan} available={input.brief.minutes} />
      <Figures figures={main} before={before} counted={countedIn(plan)} names={names} />
      <Aims aims={input.brief.aims} />
      <Heading as="h3" size="lg" mt="4.5" mb="1.5">
        What is short or unsettled
      </Heading>
      {open.length === 0 ? (
        <Text color="fg.muted">Nothing: it fits, and nothing is missing.</Text>
      ) : (
        <Findings findings={open} names={names} />
      )}
      <Heading as="h3" size="lg" mt="4.5" mb="1.5">
        To buy
      </Heading>
      <Figures figures={totals} before={before} counted={countedIn(plan)} names={names} />
    </Box>
  );
});
