import { Text, Span } from "@chakra-ui/react";
import { BriefDrawingBox, BriefMinutes, BriefTableSvg, BriefTables } from "~/ui/parts/drawings";
import type { ClassPlan } from "~/core/plan";
import { minutes } from "~/ui/format/format";
import { headsAround } from "./heads";
import { useLocale } from "~/ui/sheet/locale";

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
    <BriefTableSvg isApart={isApart} viewBox="0 0 76 74">
      {headsAround(size).map(({ isFar, along }) => (
        <circle data-part="head" key={`${isFar} ${along}`} r="5.5" cx={along * 76} cy={isFar ? 7 : 51} />
      ))}
      <rect x="6" y="15" width="64" height="29" rx="3" />
      <text x="38" y="34" textAnchor="middle">
        {size}
      </text>
      <text data-part="pieces" x="38" y="72" textAnchor="middle">
        {pieces}
      </text>
    </BriefTableSvg>
  );
}

/** What the brief comes to, at a look: people at their tables with the pieces they make, and the minutes against those there are. */
export function BriefDrawing({ plan: { stations, timeline }, available }: Props) {
  const locale = useLocale();
  if (stations.length === 0) return null;
  const scale = Math.max(timeline.end, available) || 1;
  const share = (at: number) => `${((at / scale) * 100).toFixed(2)}%`;
  return (
    <BriefDrawingBox aria-hidden="true">
      {stations.length <= mostTables ? (
        <BriefTables>
          {stations.map((station) => (
            <Table key={station.id} size={station.size} pieces={station.cooked} isApart={station.isApart} />
          ))}
          <Span color="fg.muted" fontSize="sm">
            people at each table, pieces under it
          </Span>
        </BriefTables>
      ) : null}
      <BriefMinutes>
        <span data-part="used" style={{ width: share(Math.min(timeline.end, available)) }} />
        {timeline.end > available ? (
          <span data-part="over" style={{ left: share(available), width: share(timeline.end - available) }} />
        ) : null}
        <span data-part="given" style={{ left: share(available) }} />
      </BriefMinutes>
      <Text fontSize="sm" color="fg.muted">
        {minutes(timeline.end, locale)} of {minutes(available, locale)}
      </Text>
    </BriefDrawingBox>
  );
}
