import { type ClassInput, type WayOut, type WaysProgress, waysOutSearched } from "~/core/plan";

/** How far the search for ways out is; the last word says what each comes to. */
export type WaysNews =
  ({ readonly isDone: false } & WaysProgress) | { readonly isDone: true; readonly ways: readonly WayOut[] };

/** Searches the best order of each changed class; whoever asked ends it by ending the worker. */
self.onmessage = ({ data }: MessageEvent<ClassInput>) => {
  const search = waysOutSearched(data);
  let said = -1;
  for (;;) {
    const next = search.next();
    if (next.done === true) {
      const news: WaysNews = { isDone: true, ways: next.value };
      self.postMessage(news);
      return;
    }
    if (next.value.done === said) continue;
    said = next.value.done;
    const news: WaysNews = { isDone: false, ...next.value };
    self.postMessage(news);
  }
};
