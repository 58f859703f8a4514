import { Suspense, lazy, useEffect } from "react";
import { useLocation, useNavigate } from "react-router";
import { stages } from "~/core/plan";
import { useFetched, useOpening } from "./Menu";

/** Fetched when it is first asked for; without a network nothing opens. */
const fetchHelp = () => import("./HelpDialog");
const HelpDialog = lazy(fetchHelp);

/** Keys for the desk: the stages of the open class by number, a new class, and help for the page on "?". */
export function Shortcuts() {
  const help = useOpening();
  const { isFetched, whenFetched } = useFetched(fetchHelp);
  const { open } = help;
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const base = /^\/classes\/[0-9a-f-]{36}/.exec(pathname)?.[0];
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const isTyping = event.target instanceof HTMLElement && event.target.closest("input, textarea, select");
      // One that is closing has been answered.
      const isAsked = document.querySelector(":is([role=dialog], [role=menu]):not([data-state=closed])") !== null;
      if (isTyping || event.ctrlKey || event.metaKey || event.altKey || isAsked) return;
      const stage = stages[Number(event.key) - 1];
      if (event.key === "?") whenFetched(open);
      else if (event.key === "n") void navigate("/classes/new");
      else if (event.key === "c") void navigate("/");
      else if (stage && base) void navigate(`${base}/${stage}`);
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [navigate, base, open, whenFetched]);
  return isFetched ? (
    <Suspense>
      <HelpDialog pathname={pathname} isOpen={help.isOpen} onClose={help.close} />
    </Suspense>
  ) : null;
}
