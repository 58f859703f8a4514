import { Heading, Text } from "@chakra-ui/react";
import { TakeHomeBox } from "~/ui/parts/labels";
import type { Tray } from "~/core/pack";
import type { Names } from "~/ui/words/names";

interface Props {
  readonly tray: Tray;
  /** Times of day: the last piece out, and until when it is eaten or chilled. */
  readonly out: string;
  readonly by: string;
  readonly names: Names;
}

/** What stands beside the tray of one round: which pieces, whose, and until when. */
export const TrayLabel = ({ tray, out, by, names }: Props) => (
  <TakeHomeBox>
    <Heading as="h3" size="lg">
      {names.round(tray.stationId, tray.roundId)}
      <span>, {names.station(tray.stationId)}</span>
    </Heading>
    <Text>
      {names.dish(tray.dishId)}: {tray.pieces} {tray.pieces === 1 ? "piece" : "pieces"}, the last out at about {out}.
    </Text>
    <Text>
      <b>Eat, or cool down and chill, by {by}.</b> Local food rules come first.
    </Text>
  </TakeHomeBox>
);
