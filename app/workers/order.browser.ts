import { type ClassInput, orderFor } from "~/core/plan";
import { type Order, lateBatters } from "~/core/schedule";

/** How far the search for a better order is; the last word says what came of it. */
export type OrderNews =
  | { readonly isDone: false; readonly laid: number; readonly of: number }
  | {
      readonly isDone: true;
      readonly order: Order | undefined;
      readonly before: OrderReading;
      readonly after: OrderReading;
    };

/** What a person compares two orders by, in minutes since the doors. */
export interface OrderReading {
  readonly readyAt: number;
  readonly end: number;
  readonly brokenWindows: number;
  readonly isProved: boolean;
  readonly bound: number;
}

/** Searches for a better order of the loads; whoever asked ends it by ending the worker. */
self.onmessage = ({ data }: MessageEvent<ClassInput>) => {
  const search = orderFor(data);
  for (;;) {
    const next = search.next();
    if (next.done === true) {
      const { order, before, after } = next.value;
      const reading = (timeline: typeof before): OrderReading => ({
        readyAt: timeline.bells.find((bell) => bell.kind === "eat")?.at ?? timeline.end,
        end: timeline.end,
        brokenWindows: lateBatters(timeline).length,
        isProved: timeline.isProved,
        bound: timeline.bound,
      });
      const news: OrderNews = { isDone: true, order, before: reading(before), after: reading(after) };
      self.postMessage(news);
      return;
    }
    const news: OrderNews = { isDone: false, laid: next.value.laid, of: next.value.of };
    self.postMessage(news);
  }
};
