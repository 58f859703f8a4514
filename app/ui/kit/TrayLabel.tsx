import type { Tray } from "~/core/pack";
import type { Names } from "~/ui/words/names";
import { look } from "~/ui/theme/look";

interface Props {
  readonly tray: Tray;
  /** Times of day: the last piece out, and until when it is eaten or chilled. */
  readonly out: string;
  readonly by: string;
  readonly names: Names;
}

/** What stands beside the tray of one round: which pieces, whose, and until when. */
export const TrayLabel = ({ tray, out, by, names }: Props) => (
  <article className={look("take-home")}>
    <h3>
      {names.round(tray.stationId, tray.roundId)}
      <span>, {names.station(tray.stationId)}</span>
    </h3>
    <p>
      {names.dish(tray.dishId)}: {tray.pieces} {tray.pieces === 1 ? "piece" : "pieces"}, the last out at about {out}.
    </p>
    <p>
      <b>Eat, or cool down and chill, by {by}.</b> Local food rules come first.
    </p>
  </article>
);
