import { Box, Heading, Text } from "@chakra-ui/react";
import { inPieces } from "~/core/quantity";
import type { ClassInput, ClassPlan, StationPlan } from "~/core/plan";
import type { LiveState, StationState } from "~/core/teach";
import { stationStateWords } from "~/ui/words/en";
import { Deciding } from "./Deciding";
import type { Happening } from "./useLive";
import { PlainButton } from "~/ui/parts/plain";

const next: Readonly<Record<StationState, StationState>> = {
  waiting: "heating",
  heating: "ready",
  ready: "poured",
  poured: "turned",
  turned: "poured",
  done: "waiting",
  stuck: "ready",
};

/** More than so many are a figure, not rounds to count. */
const mostRounds = 24;

/** The pieces of a station: full rounds for those that are out, open ones for those to come. */
const Pieces = ({ made, of }: { made: number; of: number }) => (
  <Text data-part="pieces">
    {of <= mostRounds ? (
      <svg
        viewBox={`0 0 ${of * 20} 20`}
        preserveAspectRatio="xMinYMid"
        style={{ aspectRatio: `${of} / 1` }}
        aria-hidden="true"
      >
        {Array.from({ length: of }, (_, index) => (
          <circle data-part={index < made ? "out" : undefined} key={index} cx={index * 20 + 10} cy="10" r="7" />
        ))}
      </svg>
    ) : null}
    <span>
      {made} of {of}
    </span>
  </Text>
);

/** One station on the live screen: its name, how it stands, and the keys that say what happened. */
export function StationKeys({
  input,
  plan,
  station,
  live,
  add,
}: {
  input: ClassInput;
  plan: ClassPlan;
  station: StationPlan;
  live: LiveState;
  add: (happening: Happening) => void;
}) {
  const state = live.stations[station.id]?.state ?? "waiting";
  const pieces = live.pieces[station.id] ?? 0;
  const set = (to: StationState) => add({ kind: "station-set", stationId: station.id, state: to });
  return (
    <Box as="section" data-part="station" data-stuck={state === "stuck" ? "" : undefined} aria-label={station.name}>
      <Heading as="h2" size="xl">
        {station.name}
      </Heading>
      <Text data-part="state">{stationStateWords[state]}</Text>
      <Pieces made={pieces} of={station.cooked} />
      <Box data-part="keys">
        <PlainButton data-part="on" type="button" onClick={() => set(next[state])}>
          {state === "done"
            ? "Open again"
            : state === "turned"
              ? "Poured again"
              : stationStateWords[next[state]].replace(/^./, (letter) => letter.toUpperCase())}
        </PlainButton>
        {state === "turned" || state === "poured" ? (
          <PlainButton type="button" onClick={() => set("done")}>
            Done
          </PlainButton>
        ) : (
          <PlainButton type="button" onClick={() => set(state === "stuck" ? "heating" : "stuck")}>
            {state === "stuck" ? "Heating again" : "Stuck"}
          </PlainButton>
        )}
        <PlainButton
          type="button"
          disabled={pieces === 0}
          onClick={() => add({ kind: "pieces-counted", stationId: station.id, pieces: inPieces(pieces - 1) })}
          aria-label={`${station.name}: one piece less`}
        >
          −1
        </PlainButton>
        <PlainButton
          type="button"
          onClick={() => add({ kind: "pieces-counted", stationId: station.id, pieces: inPieces(pieces + 1) })}
          aria-label={`${station.name}: one more piece, ${pieces} so far`}
        >
          +1
        </PlainButton>
      </Box>
      <Deciding input={input} plan={plan} station={station} live={live} add={add} />
    </Box>
  );
}
