import { StageList } from "~/ui/parts/class-head";
import { Box } from "@chakra-ui/react";
import { Link, useLocation } from "react-router";
import { type Stage, stages } from "~/core/plan";
import type { StageState } from "~/core/sheet";
import { stageStateWords, stageWords } from "~/ui/words/en";
import { useStrip } from "~/ui/parts/useStrip";

/** Pages that belong to a stage without being named after it. */
const alsoAt: Partial<Record<Stage, readonly string[]>> = {
  brief: ["people"],
  allergies: ["labels", "day-sheet"],
  amounts: ["scaling"],
  kits: ["shopping", "prep", "kit-labels", "containers", "sheets", "toppings", "take-home", "shapes"],
  gear: ["load"],
  teach: ["call"],
};

export interface StageMark {
  readonly state: StageState;
  readonly questions: number;
}

/** Where a stage stands, as a shape: a filled round with a tick, an open one, a broken one, or how many things want a look. */
function StageShape({ state, asks, questions }: StageMark & { asks: boolean }) {
  return (
    <svg viewBox="0 0 20 20" aria-hidden="true">
      <circle cx="10" cy="10" r={asks ? 10 : 7} />
      {asks ? (
        <text x="10" y="14.5" textAnchor="middle">
          {questions > 9 ? "9+" : questions}
        </text>
      ) : state === "settled" ? (
        <path d="M6.5 10.3l2.4 2.4 4.6-5" />
      ) : null}
    </svg>
  );
}

/** The stages in the order of the work, each with where it stands. Any stage at any time. */
export function Stages({ base, marks }: { base: string; marks: Readonly<Record<Stage, StageMark>> }) {
  const place = useLocation()
    .pathname.slice(base.length + 1)
    .split("/")[0];
  const strip = useStrip<HTMLOListElement>(place);
  return (
    <Box as="nav" aria-label="Stages of the class">
      <StageList ref={strip}>
        {stages.map((stage) => {
          const { state, questions } = marks[stage];
          const asks = state === "open" && questions > 0;
          return (
            <li key={stage}>
              <Link
                to={`${base}/${stage}`}
                data-stands={asks ? "asks" : state}
                aria-current={
                  place === stage || (place !== undefined && alsoAt[stage]?.includes(place)) ? "page" : undefined
                }
              >
                <StageShape state={state} asks={asks} questions={questions} />
                <b>{stageWords[stage]}</b>
                <span>{asks ? `${questions} to look at` : stageStateWords[state]}</span>
              </Link>
            </li>
          );
        })}
      </StageList>
    </Box>
  );
}
