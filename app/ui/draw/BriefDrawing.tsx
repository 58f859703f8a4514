import type { ClassPlan } from "~/core/plan";
import { minutes } from "~/ui/format/format";
import { headsAround } from "./heads";
import { useLocale } from "~/ui/sheet/locale";
import { look } from "~/ui/theme/look";

interface Props {
  readonly plan: Pick<ClassPlan, "stations" | "timeline">;
  /** Minutes the class may take. */
  readonly available: number;
}

/** More tables than this are counted, not drawn. */
const mostTables = 24;

/** A table with its people around it and its pieces under it. */
function Table({ size, pieces, isApart }: { size: number; pieces: number; isApart: boolean }) {
  return (
    <svg className={look("brief-table", isApart && "apart")} viewBox="0 0 76 74">
      {headsAround(size).map(({ isFar, along }) => (
        <circle key={`${isFar} ${along}`} className={look("head")} r="5.5" cx={along * 76} cy={isFar ? 7 : 51} />
      ))}
      <rect x="6" y="15" width="64" height="29" rx="3" />
      <text x="38" y="34" textAnchor="middle">
        {size}
      </text>
      <text className={look("pieces")} x="38" y="72" textAnchor="middle">
        {pieces}
      </text>
    </svg>
  );
}

/** What the brief comes to, at a look: people at their tables with the pieces they make, and the minutes against those there are. */
export function BriefDrawing({ plan: { stations, timeline }, available }: Props) {
  const locale = useLocale();
  if (stations.length === 0) return null;
  const scale = Math.max(timeline.end, available) || 1;
  const share = (at: number) => `${((at / scale) * 100).toFixed(2)}%`;
  return (
    <div className={look("brief-drawing")} aria-hidden="true">
      {stations.length <= mostTables ? (
        <div className={look("brief-tables")}>
          {stations.map((station) => (
            <Table key={station.id} size={station.size} pieces={station.cooked} isApart={station.isApart} />
          ))}
          <span className={look("quiet", "small")}>people at each table, pieces under it</span>
        </div>
      ) : null}
      <div className={look("brief-minutes")}>
        <span className={look("used")} style={{ width: share(Math.min(timeline.end, available)) }} />
        {timeline.end > available ? (
          <span className={look("over")} style={{ left: share(available), width: share(timeline.end - available) }} />
        ) : null}
        <span className={look("given")} style={{ left: share(available) }} />
      </div>
      <p className={look("small", "quiet")}>
        {minutes(timeline.end, locale)} of {minutes(available, locale)}
      </p>
    </div>
  );
}
