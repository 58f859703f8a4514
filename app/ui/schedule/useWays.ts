import { useEffect, useRef, useState } from "react";
import type { ClassInput, WayOut } from "~/core/plan";
import type { WaysNews } from "~/workers/ways.browser";
import WaysWorker from "~/workers/ways.browser?worker";

export interface WaysSearch {
  /** How far it has come, while it runs. */
  readonly progress: Extract<WaysNews, { isDone: false }> | undefined;
  readonly found: readonly WayOut[] | undefined;
  readonly start: (input: ClassInput) => void;
  readonly stop: () => void;
}

/** Runs the search for what each way out comes to in a worker, when it is asked to. */
export function useWays(): WaysSearch {
  const worker = useRef<Worker>(undefined);
  const [progress, setProgress] = useState<WaysSearch["progress"]>();
  const [found, setFound] = useState<WaysSearch["found"]>();
  const stop = () => {
    worker.current?.terminate();
    worker.current = undefined;
    setProgress(undefined);
  };
  useEffect(() => () => worker.current?.terminate(), []);
  const start = (input: ClassInput) => {
    stop();
    setFound(undefined);
    const made = new WaysWorker();
    worker.current = made;
    made.onmessage = ({ data }: MessageEvent<WaysNews>) => {
      if (data.isDone) {
        setFound(data.ways);
        stop();
      } else setProgress(data);
    };
    made.onerror = stop;
    made.postMessage(input);
  };
  return { progress, found, start, stop };
}
