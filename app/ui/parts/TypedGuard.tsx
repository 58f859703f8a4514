import { useEffect, useRef, useState } from "react";
import { useBlocker, useNavigation } from "react-router";
import { Ask } from "./Ask";
import { Primary } from "./fields";

/** Stands in a form, and asks before what was typed into it and not saved is left behind, by a link or by closing the page. */
export function TypedGuard() {
  const navigation = useNavigation();
  const place = useRef<HTMLSpanElement>(null);
  const [isDirty, setDirty] = useState(false);
  useEffect(() => {
    const form = place.current?.closest("form");
    const typed = () => setDirty(true);
    form?.addEventListener("input", typed);
    return () => form?.removeEventListener("input", typed);
  }, []);
  // Where saving leads is no leaving.
  const isWatching = isDirty && navigation.state === "idle";
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) => isWatching && currentLocation.pathname !== nextLocation.pathname,
  );
  useEffect(() => {
    if (!isWatching) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    addEventListener("beforeunload", ask);
    return () => removeEventListener("beforeunload", ask);
  }, [isWatching]);
  return (
    <>
      <span ref={place} hidden />
      <Ask
        isOpen={blocker.state === "blocked"}
        givesFocusBack={blocker.state === "blocked"}
        onClose={() => blocker.reset?.()}
        title="Leave what you typed?"
        wayOut="Stay here"
        answer={
          <Primary type="button" onClick={() => blocker.proceed?.()}>
            Leave without saving
          </Primary>
        }
      >
        <p>Something on this page was changed and not saved.</p>
      </Ask>
    </>
  );
}
