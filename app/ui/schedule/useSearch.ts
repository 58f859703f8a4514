import { useEffect, useRef, useState } from "react";
import type { ClassInput } from "~/core/plan";

/** What a search in a worker says: how far it is, and at last what it found. */
interface News {
  readonly isDone: boolean;
}

export interface Search<N extends News> {
  /** How far it has come, while it runs. */
  readonly progress: Extract<N, { isDone: false }> | undefined;
  readonly found: Extract<N, { isDone: true }> | undefined;
  readonly start: (input: ClassInput) => void;
  readonly stop: () => void;
}

/**
 * Runs a search of a class in a worker of its own; it ends with the page, and when it is stopped.
 * @param made makes the worker, which takes the class and answers in news.  @param first what is shown until the first of them.
 */
export function useSearch<N extends News>(made: () => Worker, first?: Extract<N, { isDone: false }>): Search<N> {
  const worker = useRef<Worker>(undefined);
  const [progress, setProgress] = useState<Search<N>["progress"]>();
  const [found, setFound] = useState<Search<N>["found"]>();
  const stop = () => {
    worker.current?.terminate();
    worker.current = undefined;
    setProgress(undefined);
  };
  useEffect(() => () => worker.current?.terminate(), []);
  const start = (input: ClassInput) => {
    stop();
    setFound(undefined);
    worker.current = made();
    setProgress(first);
    worker.current.onmessage = ({ data }: MessageEvent<N>) => {
      if (data.isDone) {
        setFound(data as Extract<N, { isDone: true }>);
        stop();
      } else setProgress(data as Extract<N, { isDone: false }>);
    };
    worker.current.onerror = stop;
    worker.current.postMessage(input);
  };
  return { progress, found, start, stop };
}
