import { useEffect } from "react";
import { isRouteErrorResponse, useRouteError } from "react-router";

const headings: Readonly<Record<number, string>> = {
  403: "Not for this account",
  404: "Nothing here",
  409: "Changed meanwhile",
  413: "Too large",
  429: "Too many attempts",
  503: "Back in a moment",
};

/** What went wrong with a page, in words. Where the program is away for a moment the page comes back by itself. */
export function useTrouble() {
  const error = useRouteError();
  const isAnswer = isRouteErrorResponse(error);
  const isAway = isAnswer && error.status === 503;
  useEffect(() => {
    if (!isAway) return;
    const again = setTimeout(() => location.reload(), 3000);
    return () => clearTimeout(again);
  }, [isAway]);
  const heading = isAnswer ? (headings[error.status] ?? "That did not work") : "Something went wrong on our side";
  const sentence = isAnswer
    ? typeof error.data === "string" && error.data && error.status !== 404
      ? error.data
      : error.status === 404
        ? typeof error.data === "string" && !error.data.startsWith("Error:")
          ? error.data
          : "There is no page at this address."
        : "The request was not understood."
    : "What you saved before is kept. Load the page again; if it happens again, note what you did last.";
  return { heading, sentence, isAway };
}

/** What the browser is told of it. */
export const TroubleHead = ({ heading, isAway }: { readonly heading: string; readonly isAway: boolean }) => (
  <>
    <title>{`${heading} · Apron Bell`}</title>
    {isAway ? <meta httpEquiv="refresh" content="5" /> : null}
  </>
);
