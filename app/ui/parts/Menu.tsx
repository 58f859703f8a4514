import { Menu, Portal } from "@chakra-ui/react";
import { useState, type ReactNode } from "react";
import { Link } from "react-router";
import { PlainButton } from "./plain";

interface Props {
  readonly label: ReactNode;
  /** Looks like a word in a line instead of a button. */
  readonly isWord?: boolean;
  readonly children: ReactNode;
}

/** What is needed now and then, behind one button; drawn when it is opened. */
export function MoreMenu({ label, isWord = false, children }: Props) {
  return (
    <Menu.Root lazyMount unmountOnExit positioning={{ placement: "bottom-end" }}>
      <Menu.Trigger asChild>
        <PlainButton type="button" className={isWord ? "menu-word" : "menu-button"}>
          {label} <span aria-hidden="true">▾</span>
        </PlainButton>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content className="menu">{children}</Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}

export const MenuLink = ({ to, children }: { to: string; children: ReactNode }) => (
  <Menu.Item value={to} asChild>
    <Link to={to}>{children}</Link>
  </Menu.Item>
);

/** A file: a plain anchor, as the router must not fetch it as a page. */
export const MenuFile = ({ href, children }: { href: string; children: ReactNode }) => (
  <Menu.Item value={href} asChild>
    <a href={href} download>
      {children}
    </a>
  </Menu.Item>
);

export const MenuAction = ({
  name,
  onSelect,
  children,
}: {
  name: string;
  onSelect: () => void;
  children: ReactNode;
}) => (
  <Menu.Item value={name} onSelect={onSelect}>
    {children}
  </Menu.Item>
);

/** A line between what belongs together. */
export const MenuRule = () => <Menu.Separator />;

/** Whether something is open, and the two ways of it; for a menu's entry that opens a dialog. */
export function useOpening(): { readonly isOpen: boolean; readonly open: () => void; readonly close: () => void } {
  const [isOpen, setOpen] = useState(false);
  return { isOpen, open: () => setOpen(true), close: () => setOpen(false) };
}
