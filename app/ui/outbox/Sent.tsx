import { Span } from "@chakra-ui/react";
import { type Sent, saySent } from "./sent-words";

interface Props {
  readonly waiting: number;
  readonly sent: Sent;
  /** Beside the buttons of a sheet's head. */
  readonly isSmall?: boolean;
}

/** Whether what was done on this device has reached the server: quiet when it has. */
export function SentMark({ waiting, sent, isSmall = false }: Props) {
  return (
    <Span
      color={sent === "sent" && waiting === 0 ? "fg.muted" : undefined}
      layerStyle={!(sent === "sent" && waiting === 0) ? "needsYou" : undefined}
      fontSize={isSmall ? "sm" : undefined}
      role="status"
    >
      {saySent(waiting, sent)}
    </Span>
  );
}
