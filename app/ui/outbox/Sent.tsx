import { look } from "~/ui/theme/look";
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
    <span role="status" className={look(sent === "sent" && waiting === 0 ? "quiet" : "needs-you", isSmall && "small")}>
      {saySent(waiting, sent)}
    </span>
  );
}
