import { Dialog, HStack, Heading, Portal } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { Secondary } from "./fields";

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
}

/** Something asked, or told, above the page. It is mounted when it is opened, closes on Escape and gives the focus back. */
export const Ask = ({
  isOpen,
  onClose,
  title,
  children,
  answer,
  wayOut = "Leave it as it is",
  givesFocusBack = true,
}: Props) => (
  <Dialog.Root
    open={isOpen}
    onOpenChange={(change) => (change.open ? undefined : onClose())}
    restoreFocus={givesFocusBack}
    lazyMount
    unmountOnExit
  >
    <Portal>
      <Dialog.Backdrop data-part="ask-backdrop" />
      <Dialog.Positioner data-part="ask-place">
        <Dialog.Content data-part="ask">
          <Dialog.Title asChild>
            <Heading as="h2" size="xl">
              {title}
            </Heading>
          </Dialog.Title>
          {children}
          <HStack gap="3" wrap="wrap">
            {answer}
            <Secondary type="button" onClick={onClose}>
              {wayOut}
            </Secondary>
          </HStack>
        </Dialog.Content>
      </Dialog.Positioner>
    </Portal>
  </Dialog.Root>
);
