import { Dialog, HStack, Heading, Portal } from "@chakra-ui/react";
import { type ReactNode, useRef } from "react";
import { Secondary } from "./fields";
import { keyOfLastMenu } from "./Menu";

interface Props {
  readonly isOpen: boolean;
  readonly onClose: () => void;
  readonly title: string;
  readonly children: ReactNode;
  /** What answers it; a way back out stands beside. */
  readonly answer?: ReactNode;
  readonly wayOut?: string;
  /** Whether closing gives the focus back to where it was; not where the page goes on to another. */
  readonly givesFocusBack?: boolean;
  /** Opened by an entry of a menu, whose key takes the focus afterwards. */
  readonly isFromMenu?: boolean;
}

/** Something asked, or told, above the page. It is mounted when it is opened, closes on Escape and gives the focus back. */
export function Ask({
  isOpen,
  onClose,
  title,
  children,
  answer,
  wayOut = "Leave it as it is",
  givesFocusBack = true,
  isFromMenu = false,
}: Props) {
  const content = useRef<HTMLDivElement>(null);
  const wayBack = useRef<HTMLButtonElement>(null);
  return (
    <Dialog.Root
      open={isOpen}
      onOpenChange={(change) => (change.open ? undefined : onClose())}
      restoreFocus={givesFocusBack}
      // The way back, not what cannot be undone, unless there is something to fill in.
      initialFocusEl={() =>
        content.current?.querySelector<HTMLElement>("input:not([type=hidden]), select, textarea") ?? wayBack.current
      }
      // An entry of a menu is gone by then: its key is there.
      {...(isFromMenu ? { finalFocusEl: keyOfLastMenu } : {})}
      lazyMount
      unmountOnExit
    >
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content ref={content}>
            <Dialog.Title asChild>
              <Heading as="h2" size="xl">
                {title}
              </Heading>
            </Dialog.Title>
            {children}
            <HStack gap="3" wrap="wrap">
              {answer}
              <Secondary ref={wayBack} type="button" onClick={onClose}>
                {wayOut}
              </Secondary>
            </HStack>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
