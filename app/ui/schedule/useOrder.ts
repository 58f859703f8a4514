import { useEffect, useEffectEvent } from "react";
import type { ClassInput } from "~/core/plan";
import type { OrderNews } from "~/workers/order.browser";
import OrderWorker from "~/workers/order.browser?worker";
import { type Search, useSearch } from "./useSearch";

/** After this many milliseconds of looking at a class its loads are ordered in the background: whoever only passes by pays nothing. */
const pause = 800;

/**
 * Runs the search for a better order in a worker: by itself for a class that nobody has ordered and that could be better, once it has
 * been looked at for a moment, and when it is asked to. What it finds is offered, never taken.
 */
export function useOrder(shown: ClassInput, isWanted: boolean): Search<OrderNews> {
  const search = useSearch<OrderNews>(() => new OrderWorker(), { isDone: false, laid: 0, of: 1 });
  const startLater = useEffectEvent(() => search.start(shown));
  useEffect(() => {
    if (!isWanted) return undefined;
    const timer = setTimeout(startLater, pause);
    return () => clearTimeout(timer);
  }, [shown, isWanted]);
  return search;
}
