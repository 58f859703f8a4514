import { RowButton } from "~/ui/parts/keys";
import { Span } from "@chakra-ui/react";

interface Props {
  readonly refused: readonly { readonly id: string; readonly problem: string }[];
  readonly onSeen: () => void;
}

/** What the server did not take, said once and out of the way; everything else goes on being sent. */
export function Refusals({ refused, onSeen }: Props) {
  const [first] = refused;
  if (!first) return null;
  return (
    <Span layerStyle="needsYou" role="alert">
      {refused.length === 1 ? "One thing done here was" : `${refused.length} things done here were`} not taken by the
      server ({first.problem}). Look whether it shows, and do it again if not.{" "}
      <RowButton type="button" onClick={onSeen}>
        Seen
      </RowButton>
    </Span>
  );
}
