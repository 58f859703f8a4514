import { useEffect, useRef, useState } from "react";
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

/** Runs the search for a better order in a worker. */
export function useOrder(): OrderSearch {
  const worker = useRef<Worker>(undefined);
  const [progress, setProgress] = useState<OrderSearch["progress"]>();
  const [found, setFound] = useState<OrderSearch["found"]>();
  const stop = () => {
    worker.current?.terminate();
    worker.current = undefined;
    setProgress(undefined);
  };
  useEffect(() => () => worker.current?.terminate(), []);
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
