import { type Seating, type SeatingProblem, type SeatingProgress, seatings } from "~/core/seating";

export interface SeatingOrder {
  readonly problem: SeatingProblem;
  readonly start: Seating;
}
export type SeatingNews = SeatingProgress & { readonly isDone: boolean };

/** Searches for better seats, telling of each round; whoever asked ends it by ending the worker. */
self.onmessage = ({ data }: MessageEvent<SeatingOrder>) => {
  const search = seatings(data.problem, data.start);
  for (;;) {
    const next = search.next();
    const news: SeatingNews = { ...next.value, isDone: next.done === true };
    self.postMessage(news);
    if (next.done) return;
  }
};
