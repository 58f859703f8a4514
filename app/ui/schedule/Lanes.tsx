import type { StationPlan } from "~/core/plan";
import type { Task, Timeline } from "~/core/schedule";
import { clock, minutes } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import { taskWords } from "~/ui/words/en";

interface Props {
  readonly timeline: Timeline;
  readonly stations: readonly StationPlan[];
  readonly startsAt: string;
  readonly timeZone: string;
  readonly available: number;
}

const look: Partial<Record<Task["kind"], string>> = {
  load: "heat",
  "demo-load": "heat",
  tester: "warm",
  preheat: "warm",
  wash: "wait",
  rest: "wait",
  wait: "wait",
};
/** Below this share of the line a block has no room for a word. */
const shareForWords = 0.045;

/** Who does what when: a lane for each station, then one for each surface in use. */
export function Lanes({ timeline, stations, startsAt, timeZone, available }: Props) {
  const locale = useLocale();
  const scale = Math.max(timeline.end, available);
  const share = (at: number) => `${((at / scale) * 100).toFixed(3)}%`;
  const nameOf = (stationId: string | null) => stations.find((station) => station.id === stationId)?.name ?? "Everyone";
  const tick = scale > 100 ? 20 : 10;
  const ticks = Array.from({ length: Math.floor(scale / tick) + 1 }, (_, index) => index * tick).filter(
    (at) => at < scale * 0.97,
  );
  const block = (task: Task, word: string) => {
    const said = `${nameOf(task.stationId)}: ${word}, ${clock(startsAt, timeZone, task.start, locale)}, ${minutes(task.end - task.start, locale)}`;
    return (
      <div
        key={task.id}
        className={`task ${look[task.kind] ?? ""}`}
        style={{ left: share(task.start), width: share(task.end - task.start) }}
        title={said}
      >
        {(task.end - task.start) / scale >= shareForWords ? word : <span className="vh">{said}</span>}
      </div>
    );
  };
  const room = timeline.tasks.filter((task) => task.stationId === null && task.kind !== "preheat");
  return (
    <div className="lanes-scroll" tabIndex={0} role="group" aria-label="Lanes of stations and surfaces">
      <div className="lanes">
        <span />
        <div className="axis" aria-hidden="true">
          {ticks.map((at) => (
            <span key={at} style={{ left: share(at) }}>
              {clock(startsAt, timeZone, at, locale)}
            </span>
          ))}
        </div>
        <span className="lane-name">Everyone</span>
        <div className="lane">{room.map((task) => block(task, taskWords[task.kind]))}</div>
        {stations.map((station) => [
          <span className="lane-name" key={`${station.id}-name`}>
            {station.name}
          </span>,
          <div className="lane" key={station.id}>
            {timeline.tasks
              .filter((task) => task.stationId === station.id && task.kind !== "preheat")
              .map((task) =>
                block(task, task.kind === "load" ? `${task.loadNumber}: ${task.pieces}` : taskWords[task.kind]),
              )}
          </div>,
        ])}
        {timeline.units
          .filter((unit) => unit.stationId === null)
          .map((unit) => [
            <span className="lane-name quiet" key={`${unit.id}-name`}>
              {unit.name} {unit.number}
            </span>,
            <div className="lane" key={unit.id}>
              {timeline.tasks
                .filter((task) => task.surfaceId === unit.id)
                .map((task) => block(task, task.kind === "load" ? nameOf(task.stationId) : taskWords[task.kind]))}
            </div>,
          ])}
      </div>
    </div>
  );
}
