import { useEffect, useRef, useState } from "react";
import type { Seating, SeatingProblem } from "~/core/seating";
import type { SeatingNews, SeatingOrder } from "~/workers/seating.browser";
import SeatingWorker from "~/workers/seating.browser?worker";

export interface Search {
  /** How far it has come, while it runs. */
  readonly progress: { readonly round: number; readonly rounds: number } | undefined;
  readonly start: (problem: SeatingProblem, from: Seating) => void;
  readonly stop: () => void;
}

/** Runs the seating search in a worker; every round's best goes to `onBest`, so that a stop keeps what was found. */
export function useSeating(onBest: (best: Seating) => void): Search {
  const worker = useRef<Worker>(undefined);
  const [progress, setProgress] = useState<Search["progress"]>();
  const stop = () => {
    worker.current?.terminate();
    worker.current = undefined;
    setProgress(undefined);
  };
  useEffect(() => () => worker.current?.terminate(), []);
  const start = (problem: SeatingProblem, from: Seating) => {
    stop();
    const made = new SeatingWorker();
    worker.current = made;
    setProgress({ round: 0, rounds: 1 });
    made.onmessage = ({ data }: MessageEvent<SeatingNews>) => {
      onBest(data.best);
      if (data.isDone) stop();
      else setProgress({ round: data.round, rounds: data.rounds });
    };
    made.onerror = stop;
    const order: SeatingOrder = { problem, start: from };
    made.postMessage(order);
  };
  return { progress, start, stop };
}
