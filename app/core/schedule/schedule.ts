import { surfaceIdOf } from "~/core/ids";
import type { SharedThing } from "~/core/gear";
import { methodOf } from "~/core/recipe";
import {
  type Minutes,
  type Seconds,
  toMinutes,
  toSeconds,
  inSeconds,
  inPieces,
  plus,
  largest,
  inMinutes,
  smallest,
} from "~/core/quantity";
import { washMinutes } from "./durations";
import { boundOf } from "./bounds";
import type { Genes } from "./lay";
import { type Network, type Node, networksOf } from "./network";
import type { Order } from "./order";
import { type Cooking, criticalOf, idleOfAll } from "./readings";
import { type Candidate, bestByRule, byGenes } from "./rules";
import { compareScores, mixOf, pouredAt } from "./windows";
import type { BatterTimes, Bell, ScheduleInput, Task, Timeline } from "./types";

/** A rest shorter than this, in minutes, gets no bell of its own (starting value). */
const shortestCalledRest = 2;

/** An order by numbers; what it says of stations and units that are not there is left out. */
export function genesFrom(net: Network, order: Order): Genes {
  const key = (surfaceId: string, number: number, stationId: string | null) =>
    `${surfaceId}\n${number}\n${stationId ?? ""}`;
  const unitAt = new Map(net.units.map((unit, index) => [key(unit.surfaceId, unit.number, unit.stationId), index]));
  const nodeAt = new Map(net.nodes.map((node) => [node.job.stationId, node.index]));
  const { demoAt } = order;
  const shownOn = demoAt ? unitAt.get(key(demoAt.surfaceId, demoAt.number, demoAt.stationId ?? null)) : undefined;
  const demoUnit = net.shown && shownOn !== undefined ? net.shown.units.indexOf(shownOn) : -1;
  return {
    loads: order.loads.flatMap(({ surfaceId, number, parts }) => {
      const unit =
        unitAt.get(key(surfaceId, number, null)) ?? unitAt.get(key(surfaceId, number, parts[0]?.stationId ?? null));
      const here = parts.flatMap(({ stationId, pieces }) => {
        const station = nodeAt.get(stationId);
        return station === undefined ? [] : [{ station, pieces }];
      });
      return unit === undefined || here.length === 0
        ? []
        : [{ unit, stations: here.map((part) => part.station), pieces: here.map((part) => part.pieces) }];
    }),
    demoUnit: Math.max(0, demoUnit),
    showsFirst: order.showsFirst && net.shown !== null,
  };
}

/** The order of a laid class, by name, as it is kept with the class. */
export function orderFrom({ net, laid, genes: { demoUnit, showsFirst } }: Candidate): Order {
  const shownOn = net.units[net.shown?.units[demoUnit] ?? -1];
  return {
    loads: laid.loads.map(({ unit, stations, pieces }) => ({
      surfaceId: net.units[unit]?.surfaceId ?? surfaceIdOf(""),
      number: net.units[unit]?.number ?? 1,
      parts: stations.map((station, n) => ({
        stationId: net.nodes[station]?.job.stationId ?? "",
        pieces: pieces[n] ?? inPieces(0),
      })),
    })),
    demoAt: shownOn
      ? {
          surfaceId: shownOn.surfaceId,
          number: shownOn.number,
          ...(shownOn.stationId === null ? {} : { stationId: shownOn.stationId }),
        }
      : null,
    showsFirst,
  };
}

/**
 * Lays a class along its time line. Handwork of all stations runs side by side; demonstrations take the instructor and stop the
 * room; each load waits for batter, a hot surface with room, and an adult where the class has such a rule. A batter that would wait
 * too long is mixed later. Sauces and fillings are made beside the batter from the end of its mixing; what a method does after
 * cooking comes after the station's last piece. A tester is a piece of the station's own batter, on the first surface use. With an
 * order the loads follow it, unless a rule does better by now; without one the best of a few rules decides. Counts whole seconds;
 * nothing is rounded up to a grid. Deterministic: the same input gives the same plan.
 */
export function schedule(input: ScheduleInput): Timeline {
  return timelineOf(laying(input));
}

/** The same before it is read as a timeline: in `net` the amounts for the testers that are given. */
export function laying(input: ScheduleInput): Candidate {
  const nets = networksOf(input);
  const ordered = input.order && byGenes(nets, genesFrom(nets.first, input.order));
  // An order is of the class as it was: where something has changed since, a rule may do better. A wish holds all the same.
  if (ordered && input.order?.isWished === true) return ordered;
  const ruled = bestByRule(nets);
  return ordered && compareScores(ordered.score, ruled.score) <= 0 ? ordered : ruled;
}

/**
 * When a class would end, in minutes since the doors, by the two plainest rules or its order: to say what a change gains at the least.
 */
export function quickEnd(input: ScheduleInput): Minutes {
  const nets = networksOf(input);
  const ordered = input.order && byGenes(nets, genesFrom(nets.first, input.order));
  const ruled = bestByRule(nets, true);
  const best = ordered && compareScores(ordered.score, ruled.score) <= 0 ? ordered : ruled;
  return toMinutes(endOf(best));
}

/** When everything of a laid class is ready to eat, and when it is over, in seconds since the doors. */
const eatFromOf = ({ net, score }: Pick<Candidate, "net" | "score">): Seconds => largest(score.served, net.eatFrom);
const endOf = (one: Pick<Candidate, "net" | "score">): Seconds =>
  plus(plus(eatFromOf(one), toSeconds(one.net.input.eatMinutes)), toSeconds(one.net.input.cleanMinutes));

/** The order in which a class is laid now, by rule or as it was found: to be moved about by hand. */
export function orderNow(input: ScheduleInput): Order {
  return orderFrom(laying(input));
}

/** A laid class as the timeline that everybody reads. */
export function timelineOf({ net, laid, score }: Pick<Candidate, "net" | "laid" | "score">): Timeline {
  const { input } = net;
  const tasks: Task[] = [];
  const push = (kind: Task["kind"], start: number, end: number, more: Partial<Task> = {}) =>
    tasks.push({
      id: `t${tasks.length + 1}`,
      kind,
      start: toMinutes(inSeconds(start)),
      end: toMinutes(inSeconds(end)),
      stationId: null,
      surfaceId: null,
      stepId: null,
      pieces: inPieces(0),
      loadNumber: 0,
      ...more,
    });
  const bells: Bell[] = [];
  const ring = (kind: Bell["kind"], at: number) =>
    bells.push({
      id: `${kind}-${bells.filter((bell) => bell.kind === kind).length + 1}`,
      kind,
      at: toMinutes(inSeconds(at)),
    });

  ring("doors", 0);
  push("arrive", 0, net.arrived);
  if (input.demo !== "along" && input.stations.length > 0) {
    ring("gather-mix", net.demoMixFrom);
    push("demo-mix", net.demoMixFrom, net.demoMixEnd);
  }
  const unitOf = (index: number) => net.units[index];
  const demoLoadEnd = laid.demo?.end ?? inSeconds(0);
  if (laid.demo) {
    ring("gather-load", laid.demo.start);
    push("demo-load", laid.demo.start, laid.demo.end, {
      surfaceId: unitOf(laid.demo.unit)?.id ?? null,
      pieces: inPieces(1),
    });
  }
  const begins = (node: Node): number => laid.begins[node.index] ?? laid.mixFrom;
  if (input.stations.length > 0)
    ring(
      "mix",
      net.nodes.reduce((least, node) => Math.min(least, begins(node)), Infinity),
    );
  for (const node of net.nodes) {
    const { stationId } = node.job;
    const again = laid.secondMixStarts[node.index] ?? 0;
    const at = begins(node);
    for (const task of node.chain) {
      const { kind, stepId, from, to, things, waited, caughtUp } = task;
      if (caughtUp > 0) push("wait", at + from - waited - caughtUp, at + from - waited, { stationId, isCatchUp: true });
      if (waited > 0) push("wait", at + from - waited, at + from, { stationId, ...waitsFor(things, input) });
      push(kind, at + from, at + to, { stationId, stepId });
    }
    if (again > 0)
      for (const { kind, stepId, from, to } of node.again.chain)
        push(kind, again + from, again + to, { stationId, stepId, mix: 2 });
  }
  const allMixed = net.nodes.reduce(
    (last, node) => largest(last, plus(inSeconds(begins(node)), node.handsAfter)),
    net.demoMixEnd,
  );

  const cooking: Cooking[] = net.nodes.map((node) => ({
    job: node.job,
    turnSeconds: node.between,
    wetAt: begins(node) + node.wetAfter,
    mixedAt: begins(node) + node.mixedAfter,
    readyAt: Math.max(begins(node) + node.readyAfter, demoLoadEnd),
    loads: 0,
    lastPours: [-1, -1],
    lastLoadEnd: -1,
    servedAt: 0,
  }));
  const unplaced = new Set(laid.unplaced);
  for (const { index, job, mixedAt } of cooking.map((one, index) => ({ ...one, index }))) {
    const { restMinutes, resting } = methodOf(job.recipe);
    const rest = toSeconds(largest(job.recipe.rest.min, restMinutes));
    if (job.pieces <= 0 || rest <= 0 || unplaced.has(index)) continue;
    const of = { stationId: job.stationId, stepId: resting.find((step) => step.kind === "rest")?.id ?? null };
    push("rest", mixedAt, mixedAt + rest, of);
    const [node, again] = [net.nodes[index], laid.secondMixStarts[index] ?? 0];
    const mixedAgain = again + (node?.again.mixedAfter ?? 0);
    if (again > 0) push("rest", mixedAgain, mixedAgain + rest, { ...of, mix: 2 });
  }

  const used = new Map<number, number>();
  if (laid.demo) used.set(laid.demo.unit, laid.demo.start);
  for (const load of [...laid.loads].sort((a, b) => a.from - b.from)) {
    const surfaceId = unitOf(load.unit)?.id ?? null;
    const lead = cooking[load.station];
    if (!lead) continue;
    if (load.washTo > load.washFrom) {
      const washed = load.washFrom + toSeconds(washMinutes);
      push("wash", load.washFrom, washed, { surfaceId, stationId: lead.job.stationId });
      push("preheat", washed, load.washTo, { surfaceId, stationId: unitOf(load.unit)?.stationId ?? null });
    }
    if (!used.has(load.unit)) used.set(load.unit, load.from);
    const thing = net.nodes[load.station]?.pouredWith;
    const held = load.waited > 0 && thing ? { waitsFor: thing, waited: toMinutes(load.waited) } : {};
    const testerSeconds = net.nodes[load.station]?.loadOn[load.unit]?.[1] ?? 0;
    for (let n = 0; n < load.testers; n += 1)
      push("tester", load.from + n * testerSeconds, load.from + (n + 1) * testerSeconds, {
        stationId: lead.job.stationId,
        surfaceId,
        pieces: inPieces(1),
        ...(mixOf(net, load, 0) === 1 ? { mix: 2 as const } : {}),
        ...(n === 0 ? held : {}),
      });
    load.stations.forEach((index, n) => {
      const one = cooking[index];
      if (!one) return;
      one.lastLoadEnd = Math.max(one.lastLoadEnd, load.end);
      const mix = mixOf(net, load, n);
      one.lastPours[mix] = Math.max(one.lastPours[mix] ?? -1, pouredAt(net, load, n) ?? -1);
      const pieces = load.pieces[n] ?? inPieces(0);
      if (pieces < 1) return;
      one.loads += 1;
      const round = one.job.recipe.rounds?.[net.nodes[index]?.segments[load.segments[n] ?? 0]?.round ?? 0];
      push("load", load.start, load.end, {
        stationId: one.job.stationId,
        surfaceId,
        pieces,
        loadNumber: one.loads,
        ...(round ? { roundId: round.id } : {}),
        ...(mix === 1 ? { mix: 2 as const } : {}),
        ...(n === 0 && load.testers === 0 ? held : {}),
      });
    });
  }
  for (const one of cooking) {
    if (one.lastLoadEnd < 0) one.lastLoadEnd = one.readyAt;
  }
  for (const [index, firstUse] of used) {
    const unit = unitOf(index);
    if (unit)
      push("preheat", Math.max(0, firstUse - unit.preheat), firstUse, {
        surfaceId: unit.id,
        stationId: unit.stationId,
      });
  }
  cooking.forEach((one, index) => {
    const node = net.nodes[index];
    if (node) one.servedAt = finish(net, node, one, laid.afters[index] ?? [], push, !unplaced.has(index));
  });

  const loadTasks = tasks.filter((task) => task.kind === "load");
  const lastLoadEnd = largest(
    laid.demo ? demoLoadEnd : allMixed,
    ...cooking.map((one) => (one.loads > 0 ? inSeconds(one.lastLoadEnd) : inSeconds(0))),
  );
  const firstPour =
    loadTasks.length > 0
      ? inMinutes(loadTasks.reduce((least, task) => Math.min(least, task.start), Infinity))
      : toMinutes(laid.demo ? demoLoadEnd : allMixed);
  if (loadTasks.length > 0) {
    // A call to clear down while the batter rests, unless the rest is over before anybody has picked up a cloth.
    const restFrom = largest(demoLoadEnd, smallest(allMixed, toSeconds(firstPour)));
    if (firstPour - toMinutes(restFrom) >= shortestCalledRest) ring("rest", restFrom);
    ring("pour", toSeconds(firstPour));
    // Everyone wants a turn at the heat: one call half-way through a long cook, between loads as near as can be.
    const last = toMinutes(lastLoadEnd);
    const middle = (firstPour + last) / 2;
    const starts = loadTasks.map((task) => task.start).filter((at) => at > firstPour && at < last);
    const swap = starts.sort((a, b) => Math.abs(a - middle) - Math.abs(b - middle) || a - b)[0];
    // Nobody new comes to the heat where it is an adult's all along, or where one pair of hands cooks.
    const mayChange = net.nodes.some(({ job }) => (job.hands ?? 2) > 1 && methodOf(job.recipe).cook?.who !== "adult");
    if (swap !== undefined && mayChange) ring("swap", toSeconds(swap));
  }
  // A station without a surface still makes its sauce, and is waited for.
  const eatFrom = largest(lastLoadEnd, net.eatFrom, ...cooking.map((one) => inSeconds(one.servedAt)));
  const cleanFrom = plus(eatFrom, toSeconds(input.eatMinutes));
  const end = plus(cleanFrom, toSeconds(input.cleanMinutes));
  ring("eat", eatFrom);
  push("eat", eatFrom, cleanFrom);
  ring("clean", cleanFrom);
  push("clean", cleanFrom, end);
  ring("close", end);

  const bound = smallest(largest(boundOf(net), net.eatFrom), eatFrom);
  return {
    tasks: tasks.sort((a, b) => a.start - b.start || a.end - b.end),
    bells: bells.sort((a, b) => a.at - b.at),
    units: [...used.keys()]
      .sort((a, b) => a - b)
      .flatMap((index) => {
        const unit = unitOf(index);
        if (!unit) return [];
        const { id, surfaceId, name, number, stationId } = unit;
        return [{ id, surfaceId, name, number, stationId }];
      }),
    end: toMinutes(end),
    firstPour,
    lastLoadEnd: toMinutes(lastLoadEnd),
    bound: toMinutes(bound),
    isProved: score.uncleared === 0 && score.broken === 0 && eatFrom <= bound,
    loads: loadTasks.length,
    critical: criticalOf(tasks, cooking, toMinutes(end)),
    idle: idleOfAll(cooking, tasks, toMinutes(laid.mixFrom)),
    batters: cooking.flatMap(({ job, wetAt, mixedAt, readyAt, lastPours }, index): BatterTimes[] => {
      const times = (wet: number, mixed: number, ready: number, lastPour: number) => ({
        stationId: job.stationId,
        wetAt: toMinutes(inSeconds(wet)),
        mixedAt: toMinutes(inSeconds(mixed)),
        readyAt: toMinutes(inSeconds(ready)),
        // What is never poured has no last pour that could be too late.
        lastPour: toMinutes(lastPour < 0 ? inSeconds(ready) : inSeconds(lastPour)),
        cookBy: lastPour < 0 ? null : (job.cookBy ?? null),
      });
      const [node, again] = [net.nodes[index], laid.secondMixStarts[index] ?? 0];
      const first = times(wetAt, mixedAt, readyAt, lastPours[0]);
      if (!node || again === 0) return [first];
      const { wetAfter, mixedAfter, readyAfter } = node.again;
      const second = times(again + wetAfter, again + mixedAfter, again + readyAfter, lastPours[1]);
      return [first, { ...second, mix: 2 }];
    }),
    unplaced: laid.unplaced.flatMap((index) => net.nodes[index]?.job.stationId ?? []),
    uncleared: [...new Set(laid.uncleared.flatMap((index) => unitOf(index)?.surfaceId ?? []))],
  };
}

/** Which of the things that a step wants goes round: the first that does. */
const waitsFor = (things: readonly SharedThing[], { goesRound = [] }: ScheduleInput): Pick<Task, "waitsFor"> => {
  const waitedFor = things.find((thing) => goesRound.some((one) => one.thing === thing));
  return waitedFor === undefined ? {} : { waitsFor: waitedFor };
};

type Push = (kind: Task["kind"], start: number, end: number, more?: Partial<Task>) => unknown;

/** What is made beside the batter and what comes after the last piece; the moment from which the station can be served. */
function finish(
  { input }: Network,
  node: Node,
  one: Cooking,
  afters: readonly number[],
  push: Push,
  isPlaced: boolean,
): number {
  const { job } = one;
  if (job.pieces <= 0) return 0;
  const { stationId } = job;
  const begin = one.mixedAt - node.mixedAfter;
  for (const { kind, stepId, from, to, things, waited } of node.beside) {
    if (waited > 0) push("wait", begin + from - waited, begin + from, { stationId, ...waitsFor(things, input) });
    if (to > from) push(kind, begin + from, begin + to, { stationId, stepId });
  }
  const aside = one.mixedAt + node.besideSeconds;
  let after = one.lastLoadEnd;
  afters.forEach((at, n) => {
    const task = node.after[n];
    if (!task) return;
    if (at > after) push("wait", after, at, { stationId, ...waitsFor(task.things, input) });
    after = at + task.to - task.from;
    push(task.kind, at, after, { stationId, stepId: task.stepId });
  });
  return Math.max(isPlaced ? one.lastLoadEnd : 0, afters.length > 0 ? after : 0, aside);
}
