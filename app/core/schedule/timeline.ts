import type { SharedThing } from "~/core/gear";
import { methodOf } from "~/core/recipe";
import {
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
import { boundOf } from "./bounds";
import { washMinutes } from "./durations";
import type { Laid, Placed } from "./laid";
import type { Network, Node } from "./network";
import { type Cooking, criticalOf, idleOfAll } from "./readings";
import type { Candidate } from "./rules";
import type { BatterTimes, Bell, BellKind, ScheduleInput, Task, Timeline } from "./types";
import { mixOf, pouredAt } from "./windows";

/** A rest shorter than this, in minutes, gets no bell of its own (starting value). */
const shortestCalledRest = 2;

type Push = (kind: Task["kind"], start: number, end: number, more?: Partial<Task>) => unknown;
type Ring = (kind: BellKind, at: number) => unknown;

/** When the first mix of a station begins, in seconds since the doors. */
const beginOf = (laid: Laid, node: Node): number => laid.begins[node.index] ?? laid.mixFrom;

/** What the whole room does before anybody mixes, and the demonstration. */
function pushRoom({ input, ...net }: Network, laid: Laid, push: Push, ring: Ring): void {
  ring("doors", 0);
  push("arrive", 0, net.arrived);
  if (input.demo !== "along" && input.stations.length > 0) {
    ring("gather-mix", net.demoMixFrom);
    push("demo-mix", net.demoMixFrom, net.demoMixEnd);
  }
  if (!laid.demo) return;
  ring("gather-load", laid.demo.start);
  push("demo-load", laid.demo.start, laid.demo.end, {
    surfaceId: net.units[laid.demo.unit]?.id ?? null,
    pieces: inPieces(1),
  });
}

/** The mixing of all stations, and of their second mixes. */
function pushMixing({ input, nodes }: Network, laid: Laid, push: Push, ring: Ring): void {
  if (input.stations.length > 0)
    ring(
      "mix",
      nodes.reduce((least, node) => Math.min(least, beginOf(laid, node)), Infinity),
    );
  for (const node of nodes) {
    const { stationId } = node.job;
    const again = laid.secondMixStarts[node.index] ?? 0;
    const at = beginOf(laid, node);
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
}

/** The rests of all batters that are poured. */
function pushRests(net: Network, laid: Laid, cooking: readonly Cooking[], push: Push): void {
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
}

/** Testers and loads, and the washes between them. Mutates `cooking`; returns when each unit is used first, by its index. */
function pushHeat(net: Network, laid: Laid, cooking: readonly Cooking[], push: Push): Map<number, number> {
  const used = new Map<number, number>();
  if (laid.demo) used.set(laid.demo.unit, laid.demo.start);
  for (const load of [...laid.loads].sort((a, b) => a.from - b.from)) {
    const unit = net.units[load.unit];
    const lead = cooking[load.station];
    if (!lead) continue;
    if (load.washTo > load.washFrom) {
      const washed = load.washFrom + toSeconds(washMinutes);
      push("wash", load.washFrom, washed, { surfaceId: unit?.id ?? null, stationId: lead.job.stationId });
      push("preheat", washed, load.washTo, { surfaceId: unit?.id ?? null, stationId: unit?.stationId ?? null });
    }
    if (!used.has(load.unit)) used.set(load.unit, load.from);
    pushLoad(net, load, cooking, push);
  }
  for (const one of cooking) if (one.lastLoadEnd < 0) one.lastLoadEnd = one.readyAt;
  for (const [index, firstUse] of used) {
    const unit = net.units[index];
    if (unit)
      push("preheat", Math.max(0, firstUse - unit.preheat), firstUse, {
        surfaceId: unit.id,
        stationId: unit.stationId,
      });
  }
  return used;
}

/** One load with its testers. Mutates `cooking`. */
function pushLoad(net: Network, load: Placed, cooking: readonly Cooking[], push: Push): void {
  const surfaceId = net.units[load.unit]?.id ?? null;
  const lead = net.nodes[load.station];
  const thing = lead?.pouredWith;
  const waited = load.waited > 0 && thing ? { waitsFor: thing, waited: toMinutes(load.waited) } : {};
  const testerSeconds = lead?.loadOn[load.unit]?.[1] ?? 0;
  for (let n = 0; n < load.testers; n += 1)
    push("tester", load.from + n * testerSeconds, load.from + (n + 1) * testerSeconds, {
      stationId: lead?.job.stationId ?? null,
      surfaceId,
      pieces: inPieces(1),
      ...(mixOf(net, load, 0) === 1 ? { mix: 2 as const } : {}),
      ...(n === 0 ? waited : {}),
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
      ...(n === 0 && load.testers === 0 ? waited : {}),
    });
  });
}

/** Bells of the cooking: a rest worth calling, the first pour, and half-way a change of who is at the heat. */
function ringCooking(net: Network, loads: readonly Task[], restFrom: Seconds, lastLoadEnd: Seconds, ring: Ring): void {
  if (loads.length === 0) return;
  const firstPour = inMinutes(loads.reduce((least, task) => Math.min(least, task.start), Infinity));
  // A call to clear down while the batter rests, unless the rest is over before anybody has picked up a cloth.
  if (firstPour - toMinutes(restFrom) >= shortestCalledRest) ring("rest", restFrom);
  ring("pour", toSeconds(firstPour));
  // Everyone wants a turn at the heat: one call half-way through a long cook, between loads as near as can be.
  const last = toMinutes(lastLoadEnd);
  const middle = (firstPour + last) / 2;
  const starts = loads.map((task) => task.start).filter((at) => at > firstPour && at < last);
  const swap = starts.sort((a, b) => Math.abs(a - middle) - Math.abs(b - middle) || a - b)[0];
  // Nobody new comes to the heat where it is an adult's all along, or where one pair of hands cooks.
  const mayChange = net.nodes.some(({ job }) => (job.hands ?? 2) > 1 && methodOf(job.recipe).cook?.who !== "adult");
  if (swap !== undefined && mayChange) ring("swap", toSeconds(swap));
}

/** When each batter is wet, mixed, ready and poured last. */
const battersOf = (net: Network, laid: Laid, cooking: readonly Cooking[]): BatterTimes[] =>
  cooking.flatMap(({ job, wetAt, mixedAt, readyAt, lastPours }, index): BatterTimes[] => {
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
  });

/** A laid class as the timeline that everybody reads. */
export function timelineOf({ net, laid, score }: Pick<Candidate, "net" | "laid" | "score">): Timeline {
  const { input } = net;
  const tasks: Task[] = [];
  const push: Push = (kind, start, end, more = {}) =>
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
  const ring: Ring = (kind, at) =>
    bells.push({
      id: `${kind}-${bells.filter((bell) => bell.kind === kind).length + 1}`,
      kind,
      at: toMinutes(inSeconds(at)),
    });
  const demoLoadEnd = laid.demo?.end ?? inSeconds(0);
  const cooking: Cooking[] = net.nodes.map((node) => ({
    job: node.job,
    turnSeconds: node.between,
    wetAt: beginOf(laid, node) + node.wetAfter,
    mixedAt: beginOf(laid, node) + node.mixedAfter,
    readyAt: Math.max(beginOf(laid, node) + node.readyAfter, demoLoadEnd),
    loads: 0,
    lastPours: [-1, -1],
    lastLoadEnd: -1,
    servedAt: 0,
  }));
  pushRoom(net, laid, push, ring);
  pushMixing(net, laid, push, ring);
  pushRests(net, laid, cooking, push);
  const used = pushHeat(net, laid, cooking, push);
  cooking.forEach((one, index) => {
    const node = net.nodes[index];
    if (node) one.servedAt = finish(net, node, one, laid.afters[index] ?? [], push, !laid.unplaced.includes(index));
  });

  const allMixed = net.nodes.reduce(
    (last, node) => largest(last, plus(inSeconds(beginOf(laid, node)), node.handsAfter)),
    net.demoMixEnd,
  );
  const loadTasks = tasks.filter((task) => task.kind === "load");
  const lastLoadEnd = largest(
    laid.demo ? demoLoadEnd : allMixed,
    ...cooking.map((one) => (one.loads > 0 ? inSeconds(one.lastLoadEnd) : inSeconds(0))),
  );
  const firstPour =
    loadTasks.length > 0
      ? inMinutes(loadTasks.reduce((least, task) => Math.min(least, task.start), Infinity))
      : toMinutes(laid.demo ? demoLoadEnd : allMixed);
  const restFrom = largest(demoLoadEnd, smallest(allMixed, toSeconds(firstPour)));
  ringCooking(net, loadTasks, restFrom, lastLoadEnd, ring);
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
        const unit = net.units[index];
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
    batters: battersOf(net, laid, cooking),
    unplaced: laid.unplaced.flatMap((index) => net.nodes[index]?.job.stationId ?? []),
    uncleared: [...new Set(laid.uncleared.flatMap((index) => net.units[index]?.surfaceId ?? []))],
  };
}

/** Which of the things that a step wants goes round: the first that does. */
const waitsFor = (things: readonly SharedThing[], { goesRound = [] }: ScheduleInput): Pick<Task, "waitsFor"> => {
  const waitedFor = things.find((thing) => goesRound.some((one) => one.thing === thing));
  return waitedFor === undefined ? {} : { waitsFor: waitedFor };
};

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
