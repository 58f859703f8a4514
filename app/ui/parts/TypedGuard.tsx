import { Text } from "@chakra-ui/react";
import { Suspense, lazy, useEffect, useRef, useState } from "react";
import { useBlocker, useNavigation } from "react-router";
import { Primary } from "./fields";

/** What asks is fetched as soon as there is something to lose. */
const fetchAsk = () => import("./Ask");
const Ask = lazy(() => fetchAsk().then(({ Ask: asked }) => ({ default: asked })));

interface Props {
  /** Whoever draws or drags knows whether it differs from what is kept; where it is not said, typing into the form tells. */
  readonly differs?: boolean;
}

/** Stands in a form, and asks before what was typed into it and not saved is left behind, by a link or by closing the page. */
export function TypedGuard({ differs }: Props) {
  const navigation = useNavigation();
  const place = useRef<HTMLSpanElement>(null);
  const [isTyped, setTyped] = useState(false);
  const [asking, setAsking] = useState<"not-yet" | "ready" | "failed">("not-yet");
  const isAskable = asking === "ready";
  // A press that follows at once comes before the page was drawn anew: what was typed is known from here, not from the drawing.
  const hasTyped = useRef(false);
  useEffect(() => {
    const form = place.current?.closest("form");
    const typed = () => {
      hasTyped.current = true;
      setTyped(true);
    };
    form?.addEventListener("input", typed);
    return () => form?.removeEventListener("input", typed);
  }, []);
  const isDirty = differs ?? isTyped;
  useEffect(() => {
    if (!isDirty) return;
    fetchAsk().then(
      () => setAsking("ready"),
      () => setAsking("failed"),
    );
  }, [isDirty]);
  // Where saving leads is no leaving.
  const isWatching = isDirty && navigation.state === "idle";
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) =>
      (isWatching || (differs === undefined && navigation.state === "idle" && hasTyped.current)) &&
      currentLocation.pathname !== nextLocation.pathname,
  );
  useEffect(() => {
    if (!isWatching) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    addEventListener("beforeunload", ask);
    return () => removeEventListener("beforeunload", ask);
  }, [isWatching]);
  // Where our own question could not be fetched, the browser asks it.
  const isBlocked = blocker.state === "blocked";
  useEffect(() => {
    if (!isBlocked || asking !== "failed") return;
    if (confirm("Something on this page was changed and not saved. Leave it?")) blocker.proceed();
    else blocker.reset();
  }, [blocker, isBlocked, asking]);
  return (
    <>
      <span ref={place} hidden />
      {isAskable ? (
        <Suspense>
          <Ask
            isOpen={isBlocked}
            givesFocusBack={isBlocked}
            onClose={() => blocker.reset?.()}
            title="Leave what you typed?"
            wayOut="Stay here"
            answer={
              <Primary type="button" onClick={() => blocker.proceed?.()}>
                Leave without saving
              </Primary>
            }
          >
            <Text>Something on this page was changed and not saved.</Text>
          </Ask>
        </Suspense>
      ) : null}
    </>
  );
}
