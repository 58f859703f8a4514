import { TareFold } from "~/ui/parts/card";
import { Text } from "@chakra-ui/react";
import { Suspense, lazy, useState } from "react";
import { FoldTitle } from "~/ui/parts/plain";
import type { CardTroublesProps } from "./CardTroubles";

/** Where it cannot be fetched, the sheet for the wall has it. */
const Unreachable = () => <Text>Not to be had without a connection; the sheet for the wall has it.</Text>;
const CardTroubles = lazy(() => import("./CardTroubles").catch(() => ({ default: Unreachable })));

/** On a station's card: fetched when somebody asks. On paper it hangs on the wall, as a card is one page. */
export function LooksWrong(props: CardTroublesProps) {
  const [isOpen, setOpen] = useState(false);
  return (
    <TareFold _print={{ display: "none" }} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <FoldTitle>A piece looks wrong</FoldTitle>
      {isOpen ? (
        <Suspense>
          <CardTroubles {...props} />
        </Suspense>
      ) : null}
    </TareFold>
  );
}
