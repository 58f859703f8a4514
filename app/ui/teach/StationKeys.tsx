import type { StationPlan } from "~/core/plan";
import type { LiveState, StationState } from "~/core/teach";
import { stationStateWords } from "~/ui/words/en";
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

/** One station on the live screen: its name, how it stands, and the keys that say what happened. */
export function StationKeys({
  station,
  live,
  add,
}: {
  station: StationPlan;
  live: LiveState;
  add: (happening: Happening) => void;
}) {
  const state = live.stations[station.id]?.state ?? "waiting";
  const pieces = live.pieces[station.id] ?? 0;
  const set = (to: StationState) => add({ kind: "station-set", stationId: station.id, state: to });
  return (
    <section className={`station ${state}`} aria-label={station.name}>
      <h2>
        {station.name} <span className="state">{stationStateWords[state]}</span>
      </h2>
      <div className="keys">
        <PlainButton type="button" onClick={() => set(next[state])}>
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
          onClick={() => add({ kind: "pieces-counted", stationId: station.id, pieces: pieces + 1 })}
          aria-label={`${station.name}: one more piece, ${pieces} so far`}
        >
          Piece +1
        </PlainButton>
        <PlainButton
          type="button"
          disabled={pieces === 0}
          onClick={() => add({ kind: "pieces-counted", stationId: station.id, pieces: pieces - 1 })}
          aria-label={`${station.name}: one piece less`}
        >
          {pieces} of {station.scale.piecesMade}
          {pieces > 0 ? ", −1" : ""}
        </PlainButton>
      </div>
    </section>
  );
}
