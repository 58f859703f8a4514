import { useEffect, useEffectEvent, useRef, useState } from "react";
import type { ClassInput } from "~/core/plan";
import type { OrderNews } from "~/workers/order.browser";
import OrderWorker from "~/workers/order.browser?worker";

export interface OrderSearch {
  /** How far it has come, while it runs. */
  readonly progress: { readonly laid: number; readonly of: number } | undefined;
  readonly found: Extract<OrderNews, { isDone: true }> | undefined;
  readonly start: (input: ClassInput) => void;
  readonly stop: () => void;
}

/** After this many milliseconds of looking at a class its loads are ordered in the background: whoever only passes by pays nothing. */
const pause = 800;

/**
 * Runs the search for a better order in a worker: by itself for a class that nobody has ordered and that could be better, once it has
 * been looked at for a moment, and when it is asked to. What it finds is offered, never taken.
 */
export function useOrder(shown: ClassInput, isWanted: boolean): OrderSearch {
  const worker = useRef<Worker>(undefined);
  const [progress, setProgress] = useState<OrderSearch["progress"]>();
  const [found, setFound] = useState<OrderSearch["found"]>();
  const stop = () => {
    worker.current?.terminate();
    worker.current = undefined;
    setProgress(undefined);
  };
  useEffect(() => () => worker.current?.terminate(), []);
  const startLater = useEffectEvent(() => start(shown));
  useEffect(() => {
    if (!isWanted) return undefined;
    const timer = setTimeout(startLater, pause);
    return () => clearTimeout(timer);
  }, [shown, isWanted]);
  const start = (input: ClassInput) => {
    stop();
    setFound(undefined);
    const made = new OrderWorker();
    worker.current = made;
    setProgress({ laid: 0, of: 1 });
    made.onmessage = ({ data }: MessageEvent<OrderNews>) => {
      if (data.isDone) {
        setFound(data);
        stop();
      } else setProgress(data);
    };
    made.onerror = stop;
    made.postMessage(input);
  };
  return { progress, found, start, stop };
}
