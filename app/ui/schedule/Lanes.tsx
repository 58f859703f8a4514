import { Text } from "@chakra-ui/react";
import { LanesGrid, LanesScroll, LanesZoom } from "~/ui/parts/lanes";
import { type CSSProperties, useState } from "react";
import type { StationPlan } from "~/core/plan";
import type { LinkReason, Task, TaskKind, Timeline } from "~/core/schedule";
import { clock, howMany, list, minutes } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import { PlainButton } from "~/ui/parts/plain";
import { laneWords, sharedThingWords, taskWords } from "~/ui/words/en";
import { linkWords } from "~/ui/words/timeline";

interface Props {
  readonly timeline: Timeline;
  readonly stations: readonly StationPlan[];
  readonly startsAt: string;
  readonly timeZone: string;
  readonly available: number;
  /** The name of a round of what a station makes. */
  readonly roundName: (stationId: string, roundId: string) => string;
  /** The tasks of the chain that holds the class up. */
  readonly chain: ReadonlySet<string>;
  /** Why a task at the heat starts when it does. */
  readonly reasons: ReadonlyMap<string, LinkReason>;
  /** Who looks after the heat, and what is theirs. */
  readonly adults: readonly { readonly name: string; readonly tasks: readonly Task[] }[];
}

/** How wide the lanes are drawn, in widths of the sheet. */
const widths = [1, 2, 4] as const;

const lookOfTask: Partial<Record<TaskKind, "heat" | "heating" | "wait">> = {
  load: "heat",
  "demo-load": "heat",
  tester: "heat",
  preheat: "heating",
  wash: "wait",
  rest: "wait",
  wait: "wait",
};

/** One block of a lane: what happens from when to when, and its names, the longest first. */
interface Block {
  readonly id: string;
  readonly kind: TaskKind;
  readonly start: number;
  readonly end: number;
  readonly names: readonly string[];
  readonly what: string;
  /** On the chain that holds the class up. */
  readonly isChain: boolean;
  /** Done by some of a table while the others cook: it stands below what they do. */
  readonly isBelow: boolean;
}

/** Handwork that follows on without a gap is one block: its steps are read in the method. */
const isHandwork = (kind: TaskKind): boolean => kind === "mix" || kind === "prepare";
const joins = 0.05;

function joined(blocks: readonly Block[]): Block[] {
  const out: Block[] = [];
  for (const block of [...blocks].sort((a, b) => a.start - b.start)) {
    const last = out.at(-1);
    if (
      last &&
      isHandwork(last.kind) &&
      isHandwork(block.kind) &&
      last.isBelow === block.isBelow &&
      block.start - last.end < joins
    )
      out[out.length - 1] = {
        ...last,
        end: Math.max(last.end, block.end),
        isChain: last.isChain || block.isChain,
      };
    else out.push(block);
  }
  return out;
}

/** What somebody does, and for what they wait where it goes round. */
const sayTask = ({ kind, waitsFor, mix, isCatchUp }: Task): string =>
  kind === "wait" && waitsFor !== undefined
    ? `waits for the ${sharedThingWords[waitsFor]}`
    : isCatchUp
      ? "waits until everybody is there"
      : `${taskWords[kind]}${mix === 2 && kind !== "load" ? ", second half" : ""}`;

/** Tasks of one table or one adult, the loads that lie on several surfaces at the same time as one: no block may hide another. */
function together(tasks: readonly Task[]): [Task, ...Task[]][] {
  const rows: [Task, ...Task[]][] = [];
  for (const task of tasks) {
    const same = rows.find(
      ([first]) =>
        task.kind === "load" && first.kind === "load" && first.start === task.start && first.end === task.end,
    );
    if (same) same.push(task);
    else rows.push([task]);
  }
  return rows;
}

/** Stations by their first letters, as few as tell them apart. */
function shortNames(stations: readonly StationPlan[]): ReadonlyMap<string, string> {
  const longest = Math.max(0, ...stations.map((one) => one.name.length));
  for (let letters = 2; letters < longest; letters += 1) {
    const names = stations.map((one) => one.name.slice(0, letters));
    if (new Set(names).size === names.length)
      return new Map(stations.map((one, index) => [one.id, names[index] ?? ""]));
  }
  return new Map(stations.map((one) => [one.id, one.name]));
}

/** The share of the line that a letter takes, and what stands around a word. */
const letterShare = 0.0068;
const aroundShare = 0.008;

/** Who does what when: a lane for each station, then one for each surface in use; each block named, or numbered as its load. */
export function Lanes({ timeline, stations, startsAt, timeZone, available, roundName, chain, reasons, adults }: Props) {
  const [width, setWidth] = useState<(typeof widths)[number]>(1);
  // What a pointer is told by resting on a block, a finger is told by pressing it.
  const [pressed, setPressed] = useState("");
  const locale = useLocale();
  const scale = Math.max(timeline.end, available);
  const share = (at: number) => `${((at / scale) * 100).toFixed(3)}%`;
  const short = shortNames(stations);
  const nameOf = (stationId: string | null) => stations.find((station) => station.id === stationId)?.name ?? "Everyone";
  const tick = (scale > 100 ? 20 : 10) / (width === 1 ? 1 : 2);
  const ticks = Array.from({ length: Math.floor(scale / tick) + 1 }, (_, index) => index * tick).filter(
    (at) => at < scale * 0.97,
  );
  const blockOf = (task: Task, names: readonly string[], what = sayTask(task)): Block => {
    const because = reasons.get(task.id);
    return {
      id: task.id,
      kind: task.kind,
      start: task.start,
      end: task.end,
      names,
      what: `${nameOf(task.stationId)}: ${what}${because === undefined ? "" : `, which waited for ${linkWords[because]}`}`,
      isChain: chain.has(task.id),
      isBelow: task.mix === 2 && task.kind !== "load" && task.kind !== "tester",
    };
  };
  const draw = (block: Block) => {
    const length = ((block.end - block.start) / scale) * width;
    const name = block.names.find((one) => one.length * letterShare + aroundShare <= length);
    const said = `${block.what}, ${clock(startsAt, timeZone, block.start, locale)}, ${minutes(block.end - block.start, locale)}${block.isChain ? "; it holds the class up" : ""}`;
    return (
      <div
        key={block.id}
        data-part="task"
        data-look={lookOfTask[block.kind]}
        data-chain={block.isChain ? "" : undefined}
        data-below={block.isBelow ? "" : undefined}
        style={{ left: share(block.start), width: share(block.end - block.start) }}
        title={said}
      >
        {name === undefined ? null : <span aria-hidden="true">{name}</span>}
        <span data-part="said">{said}</span>
      </div>
    );
  };
  const sayLoad = ({ loadNumber, pieces, stationId, roundId }: Task) =>
    `load ${loadNumber}, ${howMany(pieces, "piece")}${roundId === undefined ? "" : `, ${roundName(stationId ?? "", roundId).toLowerCase()}`}`;
  const room = timeline.tasks.filter((task) => task.stationId === null && task.kind !== "preheat");
  const surfaces = timeline.units.filter((unit) => unit.stationId === null);
  const lines: CSSProperties & Record<"--tick" | "--rows", string> = {
    "--tick": share(tick),
    // On paper all of them share one page.
    "--rows": String(1 + stations.length + adults.length + surfaces.length),
    ...(width === 1 ? {} : { minWidth: `${width * 100}%` }),
  };
  return (
    <>
      <LanesZoom role="group" aria-label="How wide">
        {widths.map((one) => (
          <PlainButton key={one} type="button" aria-pressed={one === width} onClick={() => setWidth(one)}>
            {one === 1 ? "whole class" : `${one} × as wide`}
          </PlainButton>
        ))}
      </LanesZoom>
      <LanesScroll
        tabIndex={0}
        role="group"
        aria-label="Lanes of stations and surfaces"
        onClick={({ target }) =>
          setPressed(target instanceof Element ? (target.closest<HTMLElement>("[title]")?.title ?? "") : "")
        }
      >
        <LanesGrid style={lines}>
          <span />
          <div data-part="axis" aria-hidden="true">
            {ticks.map((at) => (
              <span key={at} style={{ left: share(at) }}>
                {clock(startsAt, timeZone, at, locale)}
              </span>
            ))}
          </div>
          <span data-part="name">Everyone</span>
          <div data-part="lane">
            {room.map((task) => draw(blockOf(task, [taskWords[task.kind], laneWords[task.kind]])))}
          </div>
          {stations.map((station, index) => [
            <span data-part="name" data-first={index === 0 ? "" : undefined} key={`${station.id}-name`}>
              {station.name}
            </span>,
            <div data-part="lane" data-first={index === 0 ? "" : undefined} key={station.id}>
              {joined(
                together(timeline.tasks.filter((task) => task.stationId === station.id && task.kind !== "preheat")).map(
                  (all) => {
                    const [task] = all;
                    if (task.kind !== "load")
                      return blockOf(task, [laneWords[task.kind], laneWords[task.kind].slice(0, 1).toUpperCase()]);
                    const numbers = all.map((one) => one.loadNumber).join("+");
                    const isChain = all.some((one) => chain.has(one.id));
                    return { ...blockOf(task, [numbers], all.map(sayLoad).join(" and ")), isChain };
                  },
                ),
              ).map(draw)}
            </div>,
          ])}
          {adults.map((adult, index) => [
            <span data-part="name" data-first={index === 0 ? "" : undefined} key={`${adult.name}-name`}>
              {adult.name}
            </span>,
            <div data-part="lane" data-first={index === 0 ? "" : undefined} key={adult.name}>
              {together(adult.tasks).map((all) => {
                const names = all.map(({ stationId, kind }) => short.get(stationId ?? "") ?? laneWords[kind]);
                const whose = [...new Set(all.map((task) => nameOf(task.stationId)))];
                return draw({
                  ...blockOf(all[0], [[...new Set(names)].join("+")]),
                  ...(all.length > 1 ? { what: `${list(whose, locale)}: ${all.length} loads` } : {}),
                  isChain: all.some((task) => chain.has(task.id)),
                });
              })}
            </div>,
          ])}
          {timeline.units
            .filter((unit) => unit.stationId === null)
            .map((unit, index) => [
              <span data-part="name" data-first={index === 0 ? "" : undefined} key={`${unit.id}-name`}>
                {unit.name} {unit.number}
              </span>,
              <div data-part="lane" data-first={index === 0 ? "" : undefined} key={unit.id}>
                {timeline.tasks
                  .filter((task) => task.surfaceId === unit.id)
                  .map((task) => {
                    const whose = short.get(task.stationId ?? "") ?? "";
                    if (task.kind === "load")
                      return draw(blockOf(task, [`${whose} ${task.loadNumber}`, `${task.loadNumber}`], sayLoad(task)));
                    if (task.kind === "tester") return draw(blockOf(task, [`${whose} T`, "T"]));
                    return draw(blockOf(task, [laneWords[task.kind]]));
                  })}
              </div>,
            ])}
        </LanesGrid>
        <Text color="fg.muted" fontSize="sm">
          Numbers are loads, T a tester; on a surface with the first letters of whose they are. Striped is heat, dotted
          is waiting, dashed is heating up. What is underlined twice holds the class up. Press a block to read it.
        </Text>
      </LanesScroll>
      <Text fontWeight="600" _print={{ display: "none" }} role="status">
        {pressed}
      </Text>
    </>
  );
}
