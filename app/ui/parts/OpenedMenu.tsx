import { Menu, Portal } from "@chakra-ui/react";
import type { ReactElement, ReactNode } from "react";
import { MenuPartsContext } from "./menu-parts";

const parts = { Item: Menu.Item, Separator: Menu.Separator };

interface Props {
  readonly trigger: ReactElement;
  readonly children: ReactNode;
}

/** A menu that somebody pressed: it stands open, and from then on is opened and closed by its button, by hand or keyboard. */
export default function OpenedMenu({ trigger, children }: Props) {
  return (
    <Menu.Root defaultOpen lazyMount unmountOnExit positioning={{ placement: "bottom-end" }}>
      <Menu.Trigger asChild>{trigger}</Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content data-part="menu">
            <MenuPartsContext value={parts}>{children}</MenuPartsContext>
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
