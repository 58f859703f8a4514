import type { Surface } from "~/core/gear";
import { type SurfaceKind, preheatMinutes } from "~/core/recipe";
import { arrivalMinutes, betweenLoads, handMinutes, loadMinutes, onGrid, stepMinutes } from "./durations";
import type { Bell, CriticalPart, ScheduleInput, StationJob, SurfaceUnit, Task, TaskKind, Timeline } from "./types";

interface Unit extends SurfaceUnit {
  readonly kind: SurfaceKind;
  readonly places: number;
  readonly preheat: number;
  freeAt: number;
  firstUse: number | undefined;
}

interface Cooking {
  readonly job: StationJob;
  /** When the batter is mixed; the window runs from here. */
  readonly mixedAt: number;
  readonly readyAt: number;
  remaining: number;
  loads: number;
  lastLoadStart: number;
  lastLoadEnd: number;
}

/** An oven takes dishes of several stations at once; a griddle load is one station's own. */
const mayShareLoad = (kind: SurfaceKind): boolean => kind === "oven";

function unitsOf(surfaces: readonly Surface[], stations: readonly StationJob[]): Unit[] {
  const one = (surface: Surface, number: number, stationId: string | null): Unit => ({
    id: stationId === null ? `${surface.id}-${number}` : `${surface.id}-${stationId}-${number}`,
    surfaceId: surface.id,
    name: surface.name,
    number,
    stationId,
    kind: surface.kind,
    places: surface.places,
    preheat: surface.preheatMinutes ?? preheatMinutes[surface.kind].likely,
    freeAt: 0,
    firstUse: undefined,
  });
  return surfaces.flatMap((surface) => {
    const numbers = Array.from({ length: surface.count }, (_, index) => index + 1);
    return surface.at === "shared"
      ? numbers.map((number) => one(surface, number, null))
      : stations.flatMap((job) => numbers.map((number) => one(surface, number, job.stationId)));
  });
}

const canUse = (unit: Unit, job: StationJob): boolean =>
  (unit.stationId === null || unit.stationId === job.stationId) && job.recipe.heat.surfaceKinds.includes(unit.kind);

/** A rest shorter than this, in minutes, gets no bell of its own (starting value). */
const shortestCalledRest = 2;

/** The adults' eyes: as many hot places at once as there are, each busy until the load in it is out. No rule, no limit. */
class HotPlaces {
  private readonly freeAt: number[];
  constructor(limit: number | null) {
    this.freeAt = limit === null ? [] : Array.from({ length: limit }, () => 0);
  }

  /** The earliest moment from `from` on at which a load may start. */
  earliest(from: number): number {
    return this.freeAt.length === 0 ? from : Math.max(from, Math.min(...this.freeAt));
  }

  /** Takes the place that has been free longest until `end`. */
  take(end: number): void {
    if (this.freeAt.length > 0) this.freeAt[this.freeAt.indexOf(Math.min(...this.freeAt))] = end;
  }
}

/**
 * Lays a class along its time line. Handwork of all stations runs side by side; demonstrations take the instructor and stop the
 * room; each load waits for batter, a hot surface with room, and an adult where the class has such a rule. The next load always
 * goes to whoever can start first, of those to the station with the fewest loads, so nobody is served twice before all are once.
 * Deterministic: the same input gives the same plan.
 */
export function schedule(input: ScheduleInput): Timeline {
  const tasks: Task[] = [];
  const push = (kind: TaskKind, start: number, end: number, more: Partial<Task> = {}) =>
    tasks.push({
      id: `t${tasks.length + 1}`,
      kind,
      start,
      end,
      stationId: null,
      surfaceId: null,
      stepId: null,
      pieces: 0,
      loadNumber: 0,
      ...more,
    });
  const bells: Bell[] = [];
  const ring = (kind: Bell["kind"], at: number) =>
    bells.push({ id: `${kind}-${bells.filter((bell) => bell.kind === kind).length + 1}`, kind, at });

  ring("doors", 0);
  const arrived = arrivalMinutes(input);
  push("arrive", 0, arrived);

  const demoMixEnd = input.demo === "along" ? arrived : arrived + onGrid(handMinutes.demoMix);
  if (input.demo !== "along" && input.stations.length > 0) {
    ring("gather-mix", arrived);
    push("demo-mix", arrived, demoMixEnd);
  }
  if (input.stations.length > 0) ring("mix", demoMixEnd);

  const hands = input.stations.map((job) => {
    let at = demoMixEnd;
    for (const step of job.recipe.steps) {
      if (step.kind === "cook" || step.kind === "preheat" || step.kind === "serve") continue;
      const end = at + stepMinutes(step, job, input);
      if (end > at)
        push(step.kind === "rest" ? "wait" : step.kind === "prepare" ? "prepare" : "mix", at, end, {
          stationId: job.stationId,
          stepId: step.id,
        });
      at = end;
    }
    return { job, mixedAt: at };
  });
  const allMixed = Math.max(demoMixEnd, ...hands.map((one) => one.mixedAt));

  const units = unitsOf(input.surfaces, input.stations);
  for (const unit of units) unit.freeAt = unit.preheat;
  const hot = new HotPlaces(input.hotPlaces);

  // The demonstration load comes before anyone pours, on the shared surface that is hot first, or on any where none is shared.
  let demoLoadEnd = allMixed;
  const first = hands[0];
  const demoUnit =
    first &&
    [...units]
      .filter((unit) => first.job.recipe.heat.surfaceKinds.includes(unit.kind))
      .sort((a, b) => Number(a.stationId !== null) - Number(b.stationId !== null) || a.freeAt - b.freeAt)[0];
  if (input.demo === "mix-and-load" && first && demoUnit) {
    const start = Math.max(allMixed, demoUnit.freeAt);
    demoLoadEnd = start + loadMinutes(first.job.recipe, 1);
    ring("gather-load", start);
    push("demo-load", start, demoLoadEnd, { surfaceId: demoUnit.id, pieces: 1 });
    demoUnit.firstUse = start;
    demoUnit.freeAt = demoLoadEnd + betweenLoads(first.job.recipe);
    hot.take(demoLoadEnd);
  }

  const cooking: Cooking[] = hands.map(({ job, mixedAt }) => {
    const readyAt = Math.max(mixedAt + job.recipe.rest.min, input.demo === "mix-and-load" ? demoLoadEnd : mixedAt);
    return { job, mixedAt, readyAt, remaining: job.pieces, loads: 0, lastLoadStart: readyAt, lastLoadEnd: readyAt };
  });
  const unplaced = cooking
    .filter((one) => one.remaining > 0 && !units.some((unit) => canUse(unit, one.job)))
    .map((one) => one.job.stationId);
  const open = cooking.filter((one) => !unplaced.includes(one.job.stationId));
  const usable = new Map(open.map((one) => [one, units.filter((unit) => canUse(unit, one.job))]));
  for (const { job, mixedAt } of open)
    if (job.pieces > 0 && job.recipe.rest.min > 0)
      push("rest", mixedAt, mixedAt + job.recipe.rest.min, { stationId: job.stationId });

  while (open.some((one) => one.remaining > 0)) {
    let best: { station: Cooking; unit: Unit; start: number } | undefined;
    for (const station of open) {
      if (station.remaining === 0) continue;
      for (const unit of usable.get(station) ?? []) {
        const isTested = unit.firstUse !== undefined || input.testersPerSurface === 0;
        const soonest =
          Math.max(station.readyAt, unit.freeAt) +
          (isTested ? 0 : input.testersPerSurface * loadMinutes(station.job.recipe, 1));
        // The rule about adults only ever delays: what is later already need not be looked at.
        if (best && soonest > best.start) continue;
        const start = hot.earliest(soonest);
        if (!best || start < best.start || (start === best.start && station.loads < best.station.loads))
          best = { station, unit, start };
      }
    }
    if (!best) break;
    const { station, unit, start } = best;
    const recipe = station.job.recipe;
    if (unit.firstUse === undefined) {
      for (let n = 0; n < input.testersPerSurface; n += 1) {
        const testerMinutes = loadMinutes(recipe, 1);
        const from = start - (input.testersPerSurface - n) * testerMinutes;
        push("tester", from, from + testerMinutes, { stationId: station.job.stationId, surfaceId: unit.id, pieces: 1 });
      }
      unit.firstUse = start - input.testersPerSurface * loadMinutes(recipe, 1);
    }
    const sharers = mayShareLoad(unit.kind)
      ? [
          station,
          ...open
            .filter((one) => one !== station && one.remaining > 0 && one.readyAt <= start && canUse(unit, one.job))
            .sort((a, b) => a.loads - b.loads),
        ]
      : [station];
    let room = unit.places;
    const parts = sharers.flatMap((one) => {
      const pieces = Math.min(room, one.remaining);
      room -= pieces;
      return pieces > 0 ? [{ one, pieces }] : [];
    });
    const onSurface = unit.places - room;
    const end = start + loadMinutes(recipe, onSurface);
    for (const { one, pieces } of parts) {
      one.remaining -= pieces;
      one.loads += 1;
      one.lastLoadStart = start;
      one.lastLoadEnd = Math.max(one.lastLoadEnd, end);
      push("load", start, end, { stationId: one.job.stationId, surfaceId: unit.id, pieces, loadNumber: one.loads });
    }
    hot.take(end);
    unit.freeAt = end + betweenLoads(recipe);
  }

  for (const unit of units)
    if (unit.firstUse !== undefined)
      push("preheat", Math.max(0, unit.firstUse - unit.preheat), unit.firstUse, {
        surfaceId: unit.id,
        stationId: unit.stationId,
      });

  const loadTasks = tasks.filter((task) => task.kind === "load");
  const firstPour = loadTasks.length > 0 ? Math.min(...loadTasks.map((task) => task.start)) : demoLoadEnd;
  const lastLoadEnd = Math.max(demoLoadEnd, ...loadTasks.map((task) => task.end));
  if (loadTasks.length > 0) {
    // A call to clear down while the batter rests, unless the rest is over before anybody has picked up a cloth.
    const restFrom = input.demo === "mix-and-load" ? demoLoadEnd : allMixed;
    if (firstPour - restFrom >= shortestCalledRest) ring("rest", restFrom);
    ring("pour", firstPour);
    // Everyone wants a turn at the heat: one call half-way through a long cook, between loads as near as can be.
    const middle = (firstPour + lastLoadEnd) / 2;
    const starts = loadTasks.map((task) => task.start).filter((start) => start > firstPour && start < lastLoadEnd);
    const swap = starts.sort((a, b) => Math.abs(a - middle) - Math.abs(b - middle))[0];
    if (swap !== undefined) ring("swap", swap);
  }
  ring("eat", lastLoadEnd);
  push("eat", lastLoadEnd, lastLoadEnd + input.eatMinutes);
  ring("clean", lastLoadEnd + input.eatMinutes);
  const end = lastLoadEnd + input.eatMinutes + input.cleanMinutes;
  push("clean", lastLoadEnd + input.eatMinutes, end);
  ring("close", end);

  return {
    tasks: [...tasks].sort((a, b) => a.start - b.start || a.end - b.end),
    bells: bells.sort((a, b) => a.at - b.at),
    units: units
      .filter((unit) => unit.firstUse !== undefined)
      .map(({ id, surfaceId, name, number, stationId }) => ({ id, surfaceId, name, number, stationId })),
    end,
    firstPour,
    lastLoadEnd,
    loads: loadTasks.length,
    critical: criticalOf(tasks, cooking, end),
    idle: cooking.map((one) => ({ stationId: one.job.stationId, minutes: idleOf(one, tasks, demoMixEnd) })),
    unplaced,
  };
}

/** What the time of the last station to finish went into; the gaps between its tasks are queueing. */
function criticalOf(tasks: readonly Task[], cooking: readonly Cooking[], end: number): CriticalPart[] {
  const last = [...cooking].sort((a, b) => b.lastLoadEnd - a.lastLoadEnd)[0];
  const own = tasks
    .filter(
      (task) =>
        (task.stationId === null && task.kind !== "preheat") ||
        (task.stationId === last?.job.stationId && task.kind !== "preheat"),
    )
    .sort((a, b) => a.start - b.start || a.end - b.end);
  const parts: { kind: CriticalPart["kind"]; minutes: number }[] = [];
  const addPart = (kind: CriticalPart["kind"], minutes: number) => {
    if (minutes <= 0) return;
    const before = parts.find((part) => part.kind === kind);
    if (before) before.minutes += minutes;
    else parts.push({ kind, minutes });
  };
  let at = 0;
  let before: TaskKind | undefined;
  // Greasing and heating up again between a station's own loads is work at the heat, not waiting for somebody else's.
  const ownTurn = last ? betweenLoads(last.job.recipe) : 0;
  for (const task of own) {
    const gap = task.start - at;
    addPart(
      gap <= ownTurn && (before === "load" || before === "tester") && task.kind === "load" ? "load" : "queue",
      gap,
    );
    before = task.kind;
    addPart(task.kind, task.end - Math.max(at, task.start));
    at = Math.max(at, task.end);
  }
  addPart("queue", end - at);
  return parts;
}

/** Minutes between the first mix and the station's last piece in which it has nothing on its hands; a planned rest counts. */
function idleOf(station: Cooking, tasks: readonly Task[], from: number): number {
  const busy = tasks
    .filter(
      (task) =>
        (task.stationId === station.job.stationId && !["rest", "wait", "preheat"].includes(task.kind)) ||
        task.kind === "demo-load",
    )
    .sort((a, b) => a.start - b.start);
  let at = from;
  let idle = 0;
  for (const task of busy) {
    idle += Math.max(0, task.start - at);
    at = Math.max(at, task.end);
  }
  return idle;
}
