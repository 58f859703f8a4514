import { BellLineBox } from "~/ui/parts/bell-line";
import { memo } from "react";
import { type CSSProperties, useMemo } from "react";
import type { Bell, BellKind, TaskKind, Timeline } from "~/core/schedule";
import { clock, minutes } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import { bellWords } from "~/ui/words/en";

interface Props {
  readonly timeline: Timeline;
  readonly startsAt: string;
  readonly timeZone: string;
  /** Minutes the class may take; what lies beyond is marked. */
  readonly available: number;
  /** Minutes since the doors, while the class runs. */
  readonly now?: number;
  /** When bells were really rung, in minutes since the doors. */
  readonly rung?: Readonly<Record<string, number>>;
  readonly nextBellId?: string;
  /** Shows what happened under what was planned. */
  readonly withActual?: boolean;
  /** A thin strip: the line with its bells, and of their times those that find room. */
  readonly isFolded?: boolean;
}

type Weight = "little" | "wait" | "hands" | "heat";

/** How heavy the line is while something happens: attended heat weighs most, waiting least. */
const weight: Partial<Record<TaskKind, Weight>> = {
  arrive: "little",
  "demo-mix": "hands",
  mix: "hands",
  prepare: "hands",
  wait: "wait",
  rest: "wait",
  "demo-load": "heat",
  load: "heat",
  tester: "heat",
  eat: "little",
  clean: "little",
};
const order: readonly Weight[] = ["little", "wait", "hands", "heat"];

/** Bells whose time a phone has no room for. */
const minor: ReadonlySet<BellKind> = new Set(["gather-mix", "rest", "swap", "gather-load", "clean"]);

/** Stretches of the room in which the heaviest thing going on stays the same. */
function spansOf(timeline: Timeline): { from: number; to: number; weight: Weight }[] {
  // One pass over all begins and ends, with how many tasks of each weight go on: a class has thousands of tasks.
  const changes = timeline.tasks
    .flatMap((task) => {
      const rank = order.indexOf(weight[task.kind] ?? "little");
      const isDrawn = weight[task.kind] !== undefined && task.end > task.start;
      return isDrawn
        ? [
            { at: task.start, rank, by: 1 },
            { at: task.end, rank, by: -1 },
          ]
        : [];
    })
    .sort((a, b) => a.at - b.at);
  const going = order.map(() => 0);
  const spans: { from: number; to: number; weight: Weight }[] = [];
  changes.forEach(({ at, rank, by }, index) => {
    going[rank] = (going[rank] ?? 0) + by;
    const to = changes[index + 1]?.at ?? at;
    const heaviest = order[going.findLastIndex((count) => count > 0)];
    if (to === at || heaviest === undefined) return;
    const last = spans[spans.length - 1];
    if (last && last.weight === heaviest && last.to === at) last.to = to;
    else spans.push({ from: at, to, weight: heaviest });
  });
  return spans;
}

/** Rows above and below the rail on which labels find room without touching: about 7 px a letter on a line of about 1000. */
function rowsOf(bells: readonly Bell[], scale: number): { row: number; flip: boolean }[] {
  const taken = [-1, -1, -1];
  const shareOfLetter = 0.72;
  return bells.map((bell) => {
    const at = (bell.at / scale) * 100;
    const width = Math.max(bellWords[bell.kind].length, 5) * shareOfLetter + 1.2;
    const flip = at + width > 100;
    const from = flip ? at - width : at;
    const free = taken.findIndex((end) => end <= from);
    const row = free < 0 ? 0 : free;
    taken[row] = from + width;
    return { row, flip };
  });
}

/** The room a time needs on one row, in percent of the strip in a desk's head and of a phone's. */
const timeWidth = { desk: 8.5, phone: 15 } as const;

/** The bells whose time finds room beside the one before, on one row. */
function timesThatFit(bells: readonly Bell[], scale: number, width: number): ReadonlySet<string> {
  let taken = -1;
  const fits = new Set<string>();
  for (const bell of bells) {
    const at = Math.min((bell.at / scale) * 100, 100 - width);
    if (at < taken) continue;
    taken = at + width;
    fits.add(bell.id);
  }
  return fits;
}

/** Above the rail, below it, and below that where the bells crowd; in px. */
const rowTop = [6, 60, 92];
const heights = { usual: 94, crowded: 126 } as const;

/** An attribute that is there or not. */
const mark = (isSo: boolean) => (isSo ? "" : undefined);

/** The strip that goes with a class from first plan to log: true to time, with the bells on it. */
export const BellLine = memo(function BellLine({
  timeline,
  startsAt,
  timeZone,
  available,
  now,
  rung = {},
  nextBellId,
  withActual = false,
  isFolded = false,
}: Props) {
  const locale = useLocale();
  const lastRung = Math.max(0, ...Object.values(rung));
  const scale = Math.max(timeline.end, available, now ?? 0, withActual ? lastRung : 0) || 1;
  const share = (at: number) => `${((at / scale) * 100).toFixed(3)}%`;
  // While a class runs this is drawn four times a second; where things stand changes far more seldom.
  const rows = useMemo(() => rowsOf(timeline.bells, scale), [timeline, scale]);
  const spans = useMemo(() => spansOf(timeline), [timeline]);
  const label = `Bell line: ${timeline.bells.map((bell) => `${bellWords[bell.kind]} ${clock(startsAt, timeZone, bell.at, locale)}`).join(", ")}. ${minutes(timeline.end, locale)} in all, ${minutes(available, locale)} given.`;
  const bellMarks = (bell: Bell, isFlipped: boolean, isOnWide: boolean) => ({
    "data-part": "bell",
    "data-rung": mark(rung[bell.id] !== undefined),
    "data-next": mark(nextBellId === bell.id),
    "data-flipped": mark(isFlipped),
    "data-wide": mark(isOnWide),
  });
  const rail = (
    <>
      <div data-part="rail" />
      {spans.map((span) => (
        <div
          key={span.from}
          data-part="span"
          data-weight={span.weight}
          style={{ left: share(span.from), width: share(span.to - span.from) }}
        />
      ))}
      {available < scale ? <div data-part="over" style={{ left: share(available) }} /> : null}
    </>
  );
  if (isFolded) {
    const fits = timesThatFit(timeline.bells, scale, timeWidth.desk);
    const onPhone = timesThatFit(timeline.bells, scale, timeWidth.phone);
    return (
      <BellLineBox isFolded isTold={withActual} role="img" aria-label={label}>
        {rail}
        {timeline.bells.map((bell) => {
          return (
            <div
              key={bell.id}
              {...bellMarks(bell, bell.at / scale > 0.95, !onPhone.has(bell.id))}
              style={{ left: share(bell.at) }}
              title={bellWords[bell.kind]}
            >
              <span data-part="clapper" />
              {fits.has(bell.id) ? <span data-part="label">{clock(startsAt, timeZone, bell.at, locale)}</span> : null}
            </div>
          );
        })}
        {now === undefined ? null : <div data-part="now" style={{ left: share(now) }} />}
      </BellLineBox>
    );
  }
  return (
    <BellLineBox
      style={withActual ? undefined : { height: rows.some(({ row }) => row === 2) ? heights.crowded : heights.usual }}
      isTold={withActual}
      role="img"
      aria-label={label}
    >
      {rail}
      {timeline.bells.map((bell, index) => {
        const { row, flip } = rows[index] ?? { row: 0, flip: false };
        const top = rowTop[row] ?? 6;
        const stem: CSSProperties & Record<"--stem-top" | "--stem", string> = {
          left: share(bell.at),
          "--stem-top": `${top < 44 ? top : 48}px`,
          "--stem": `${top < 44 ? 40 - top : top - 36}px`,
        };
        return (
          <div key={bell.id} {...bellMarks(bell, flip, minor.has(bell.kind))} style={stem}>
            <span data-part="clapper" />
            <span data-part="label" style={{ top }}>
              <b>{bellWords[bell.kind]}</b>
              <br />
              {clock(startsAt, timeZone, bell.at, locale)}
            </span>
          </div>
        );
      })}
      {now === undefined ? null : <div data-part="now" data-label="now" style={{ left: share(now) }} />}
      {withActual ? (
        <>
          <div data-part="actual-rail" />
          <svg data-part="links" preserveAspectRatio="none" viewBox="0 0 100 68" aria-hidden="true">
            {timeline.bells.map((bell) =>
              rung[bell.id] === undefined ? null : (
                <line
                  key={bell.id}
                  x1={(bell.at / scale) * 100}
                  y1="4"
                  x2={((rung[bell.id] ?? 0) / scale) * 100}
                  y2="64"
                />
              ),
            )}
          </svg>
          {timeline.bells.map((bell) =>
            rung[bell.id] === undefined ? null : (
              <div key={bell.id} data-part="actual" style={{ left: share(rung[bell.id] ?? 0) }} />
            ),
          )}
          <div data-part="row-name">as it happened</div>
        </>
      ) : null}
    </BellLineBox>
  );
});
