import { MenuPartsContext } from "./menu-parts";
import { type ReactNode, Suspense, lazy, use, useState } from "react";
import { Link } from "react-router";
import { LuChevronDown } from "react-icons/lu";
import { MenuKey, WordKey } from "./keys";

/** The menu itself is fetched when somebody is about to open one: every page has a button for it, few are pressed. */
const fetchMenu = () => import("./OpenedMenu");
const OpenedMenu = lazy(fetchMenu);
const notNow = () => undefined;

let lastKey: HTMLElement | undefined;

/** The key of the menu that was used last: where the focus goes back to when what an entry opened is closed. */
export const keyOfLastMenu = (): HTMLElement | null => (lastKey?.isConnected ? lastKey : null);

interface Props {
  readonly label: ReactNode;
  /** Looks like a word in a line instead of a button. */
  readonly isWord?: boolean;
  readonly children: ReactNode;
}

/** What is needed now and then, behind one button; drawn when it is opened. */
export function MoreMenu({ label, isWord = false, children }: Props) {
  const { isFetched: isAsked, whenFetched } = useFetched(fetchMenu);
  const open = () => whenFetched(notNow);
  const Key = isWord ? WordKey : MenuKey;
  const words = (
    <>
      {label} <LuChevronDown aria-hidden="true" />
    </>
  );
  const closed = (
    <Key
      type="button"
      aria-haspopup="menu"
      aria-expanded={false}
      onPointerEnter={() => void fetchMenu().catch(notNow)}
      onFocus={({ currentTarget }) => {
        lastKey = currentTarget;
        void fetchMenu().catch(notNow);
      }}
      onClick={open}
      onKeyDown={({ key }) => {
        if (key === "ArrowDown" || key === "ArrowUp") open();
      }}
    >
      {words}
    </Key>
  );
  return isAsked ? (
    <Suspense fallback={closed}>
      <OpenedMenu
        trigger={
          <Key type="button" onFocus={({ currentTarget }) => (lastKey = currentTarget)}>
            {words}
          </Key>
        }
      >
        {children}
      </OpenedMenu>
    </Suspense>
  ) : (
    closed
  );
}

export function MenuLink({ to, children }: { to: string; children: ReactNode }) {
  const parts = use(MenuPartsContext);
  return parts ? (
    <parts.Item value={to} asChild>
      <Link to={to}>{children}</Link>
    </parts.Item>
  ) : null;
}

/** A file: a plain anchor, as the router must not fetch it as a page. */
export function MenuFile({ href, children }: { href: string; children: ReactNode }) {
  const parts = use(MenuPartsContext);
  return parts ? (
    <parts.Item value={href} asChild>
      <a href={href} download>
        {children}
      </a>
    </parts.Item>
  ) : null;
}

interface ActionProps {
  readonly name: string;
  readonly onSelect: () => void;
  readonly children: ReactNode;
}

export function MenuAction({ name, onSelect, children }: ActionProps) {
  const parts = use(MenuPartsContext);
  return parts ? (
    <parts.Item value={name} onSelect={onSelect}>
      {children}
    </parts.Item>
  ) : null;
}

/** A line between what belongs together. */
export function MenuRule() {
  const parts = use(MenuPartsContext);
  return parts ? <parts.Separator /> : null;
}

/**
 * What is fetched when somebody first asks for it, and what is done once it is there. Without a network nothing is done, and the page stays
 * as it is.
 */
export function useFetched(fetch: () => Promise<unknown>): {
  readonly isFetched: boolean;
  readonly whenFetched: (then: () => void) => void;
} {
  const [isFetched, setFetched] = useState(false);
  const whenFetched = (then: () => void) =>
    void fetch().then(() => {
      setFetched(true);
      then();
    }, notNow);
  return { isFetched, whenFetched };
}

/** Whether something is open, and the two ways of it; for a menu's entry that opens a dialog. */
export function useOpening(): { readonly isOpen: boolean; readonly open: () => void; readonly close: () => void } {
  const [isOpen, setOpen] = useState(false);
  return { isOpen, open: () => setOpen(true), close: () => setOpen(false) };
}
