import { type Surface, placesOn } from "~/core/gear";
import { type Recipe, type SurfaceKind, preheatMinutes } from "~/core/recipe";
import { arrivalMinutes, betweenLoads, handMinutes, loadMinutes, onGrid, stepMinutes, washMinutes } from "./durations";
import type { Bell, CriticalPart, ScheduleInput, StationJob, SurfaceUnit, Task, TaskKind, Timeline } from "./types";

interface Unit extends SurfaceUnit {
  readonly kind: SurfaceKind;
  readonly surface: Surface;
  /** How many pieces of each recipe lie on it: asked at every load, so worked out once. */
  readonly pieces: Map<Recipe, number>;
  readonly preheat: number;
  freeAt: number;
  firstUse: number | undefined;
  /** The station that has it to itself until its last load is out. */
  claimedBy: string | undefined;
  /** What was on it last. */
  lastRecipe: Recipe | undefined;
}

interface Cooking {
  readonly job: StationJob;
  /** Minutes of one tester and the time between two loads: asked for at every load, so worked out once. */
  readonly testerMinutes: number;
  readonly turnMinutes: number;
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
    surface,
    pieces: new Map(),
    preheat: surface.preheatMinutes ?? preheatMinutes[surface.kind].likely,
    freeAt: 0,
    firstUse: undefined,
    claimedBy: undefined,
    lastRecipe: undefined,
  });
  return surfaces.flatMap((surface) => {
    const numbers = Array.from({ length: surface.count }, (_, index) => index + 1);
    return surface.at === "shared"
      ? numbers.map((number) => one(surface, number, null))
      : stations.flatMap((job) => numbers.map((number) => one(surface, number, job.stationId)));
  });
}

/** Pieces of a recipe to a load on a surface; 0 where it is of another kind, or too small for one. */
function placesFor(unit: Unit, recipe: Recipe): number {
  const known = unit.pieces.get(recipe);
  if (known !== undefined) return known;
  const places = recipe.heat.surfaceKinds.includes(unit.kind) ? placesOn(unit.surface, recipe) : 0;
  unit.pieces.set(recipe, places);
  return places;
}

const canUse = (unit: Unit, job: StationJob): boolean =>
  (unit.stationId === null || unit.stationId === job.stationId) && placesFor(unit, job.recipe) > 0;

/** A rest shorter than this, in minutes, gets no bell of its own (starting value). */
const shortestCalledRest = 2;

/** The adults' eyes: as many hot places at once as there are, each busy until the load in it is out. No rule, no limit. */
class HotPlaces {
  private readonly freeAt: number[];
  constructor(limit: number | null) {
    this.freeAt = limit === null ? [] : Array.from({ length: limit }, () => 0);
  }

  /** The earliest moment at which a place is free; 0 without a rule. */
  soonest(): number {
    let least = this.freeAt[0] ?? 0;
    for (const at of this.freeAt) if (at < least) least = at;
    return least;
  }

  /** Takes the place that has been free longest until `end`. */
  take(end: number): void {
    if (this.freeAt.length > 0) this.freeAt[this.freeAt.indexOf(this.soonest())] = end;
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
  const unitsAt = new Map<string | null, Unit[]>();
  for (const unit of units) {
    const there = unitsAt.get(unit.stationId);
    if (there) there.push(unit);
    else unitsAt.set(unit.stationId, [unit]);
  }
  // In the order of the kitchen's list, shared and own together: which comes first decides between two that are free at once.
  const place = new Map(units.map((unit, index) => [unit, index]));
  const usableBy = (job: StationJob): Unit[] =>
    [...(unitsAt.get(null) ?? []), ...(unitsAt.get(job.stationId) ?? [])]
      .filter((unit) => canUse(unit, job))
      .sort((a, b) => (place.get(a) ?? 0) - (place.get(b) ?? 0));
  const hot = new HotPlaces(input.hotPlaces);

  // A station kept apart gets a surface to itself: one of its own if it has any, else the last that nobody else has claimed.
  for (const job of input.stations.filter((one) => one.isApart && one.pieces > 0)) {
    const usable = usableBy(job);
    const claimed =
      usable.find((unit) => unit.stationId === job.stationId) ??
      usable.filter((unit) => unit.claimedBy === undefined).at(-1);
    if (claimed) claimed.claimedBy = job.stationId;
  }
  const claims = new Map(
    units.flatMap((unit) => (unit.claimedBy === undefined ? [] : [[unit.claimedBy, unit] as const])),
  );
  const mayUse = (unit: Unit, job: StationJob): boolean =>
    canUse(unit, job) &&
    (unit.claimedBy === undefined || unit.claimedBy === job.stationId) &&
    (claims.get(job.stationId) ?? unit) === unit;

  // The demonstration load comes before anyone pours, on the shared surface that is hot first, or on any where none is shared.
  let demoLoadEnd = allMixed;
  const first = hands[0];
  const demoUnit =
    first &&
    [...units]
      .filter((unit) => first.job.recipe.heat.surfaceKinds.includes(unit.kind))
      .sort(
        (a, b) =>
          Number(a.claimedBy !== undefined) - Number(b.claimedBy !== undefined) ||
          Number(a.stationId !== null) - Number(b.stationId !== null) ||
          a.freeAt - b.freeAt,
      )[0];
  if (input.demo === "mix-and-load" && first && demoUnit) {
    const start = Math.max(allMixed, demoUnit.freeAt);
    demoLoadEnd = start + loadMinutes(first.job.recipe, 1);
    ring("gather-load", start);
    push("demo-load", start, demoLoadEnd, { surfaceId: demoUnit.id, pieces: 1 });
    demoUnit.firstUse = start;
    demoUnit.lastRecipe = first.job.recipe;
    demoUnit.freeAt = demoLoadEnd + betweenLoads(first.job.recipe);
    hot.take(demoLoadEnd);
    if (demoUnit.claimedBy !== undefined) {
      push("wash", demoUnit.freeAt, demoUnit.freeAt + washMinutes, {
        surfaceId: demoUnit.id,
        stationId: demoUnit.claimedBy,
      });
      demoUnit.freeAt += washMinutes;
      demoUnit.lastRecipe = undefined;
    }
  }

  const cooking: Cooking[] = hands.map(({ job, mixedAt }) => {
    const readyAt = Math.max(mixedAt + job.recipe.rest.min, input.demo === "mix-and-load" ? demoLoadEnd : mixedAt);
    return {
      job,
      mixedAt,
      readyAt,
      testerMinutes: loadMinutes(job.recipe, 1),
      turnMinutes: betweenLoads(job.recipe),
      remaining: job.pieces,
      loads: 0,
      lastLoadStart: readyAt,
      lastLoadEnd: readyAt,
    };
  });
  const unplaced = cooking
    .filter((one) => one.remaining > 0 && usableBy(one.job).length === 0)
    .map((one) => one.job.stationId);
  const open = cooking.filter((one) => !unplaced.includes(one.job.stationId));
  for (const { job, mixedAt } of open)
    if (job.pieces > 0 && job.recipe.rest.min > 0)
      push("rest", mixedAt, mixedAt + job.recipe.rest.min, { stationId: job.stationId });

  const testers = input.testersPerSurface;
  const washBefore = (one: Cooking, unit: Unit): number =>
    input.washesBetween && unit.lastRecipe !== undefined && unit.lastRecipe !== one.job.recipe ? washMinutes : 0;
  const soonestOn = (one: Cooking, unit: Unit): number =>
    Math.max(one.readyAt, unit.freeAt + washBefore(one, unit)) +
    (unit.firstUse !== undefined || testers === 0 ? 0 : testers * one.testerMinutes);
  // When each station could start on its best unit changes only when one of its units is used: kept, not worked out at every load.
  const soonestOf = (one: Cooking, units: readonly Unit[]): number =>
    units.reduce((least, unit) => (mayUse(unit, one.job) ? Math.min(least, soonestOn(one, unit)) : least), Infinity);
  let hungry = open
    .filter((one) => one.remaining > 0)
    .map((one) => {
      const own = usableBy(one.job);
      return { station: one, units: own, soonest: soonestOf(one, own) };
    });
  while (hungry.length > 0) {
    let best: (typeof hungry)[number] | undefined;
    let start = Infinity;
    const adultFree = hot.soonest();
    for (const each of hungry) {
      const at = each.soonest > adultFree ? each.soonest : adultFree;
      if (at < start || (at === start && best && each.station.loads < best.station.loads)) {
        best = each;
        start = at;
      }
    }
    const station = best?.station;
    const unit = best?.units.find((each) => mayUse(each, best.station.job) && soonestOn(best.station, each) <= start);
    if (!station || !unit) break;
    const recipe = station.job.recipe;
    const chosen = station;
    const surface = unit;
    if (washBefore(station, unit) > 0)
      push("wash", unit.freeAt, unit.freeAt + washMinutes, {
        surfaceId: unit.id,
        stationId: station.job.stationId,
      });
    unit.lastRecipe = station.job.recipe;
    if (unit.firstUse === undefined) {
      for (let n = 0; n < testers; n += 1) {
        const { testerMinutes } = chosen;
        const from = start - (testers - n) * testerMinutes;
        push("tester", from, from + testerMinutes, { stationId: station.job.stationId, surfaceId: unit.id, pieces: 1 });
      }
      unit.firstUse = start - testers * chosen.testerMinutes;
    }
    const sharers = mayShareLoad(unit.kind)
      ? [
          station,
          ...open
            .filter(
              (one) =>
                one !== chosen &&
                one.remaining > 0 &&
                one.readyAt <= start &&
                mayUse(surface, one.job) &&
                washBefore(one, surface) === 0,
            )
            .sort((a, b) => a.loads - b.loads),
        ]
      : [station];
    const places = placesFor(unit, recipe);
    let room = places;
    const parts = sharers.flatMap((one) => {
      const pieces = Math.min(room, one.remaining);
      room -= pieces;
      return pieces > 0 ? [{ one, pieces }] : [];
    });
    const onSurface = places - room;
    const end = start + loadMinutes(recipe, onSurface);
    for (const { one, pieces } of parts) {
      one.remaining -= pieces;
      one.loads += 1;
      one.lastLoadStart = start;
      one.lastLoadEnd = Math.max(one.lastLoadEnd, end);
      push("load", start, end, { stationId: one.job.stationId, surfaceId: unit.id, pieces, loadNumber: one.loads });
    }
    hot.take(end);
    unit.freeAt = end + chosen.turnMinutes;
    if (unit.claimedBy !== undefined && station.remaining === 0) {
      // From here on it is anybody's again.
      claims.delete(unit.claimedBy);
      unit.claimedBy = undefined;
    }
    if (parts.some(({ one }) => one.remaining === 0)) hungry = hungry.filter(({ station: one }) => one.remaining > 0);
    for (const each of hungry)
      if (surface.stationId === null || surface.stationId === each.station.job.stationId)
        each.soonest = soonestOf(each.station, each.units);
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
    idle: idleOfAll(cooking, tasks, demoMixEnd),
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

const handsFree: ReadonlySet<TaskKind> = new Set(["rest", "wait", "preheat"]);

function idleOfAll(cooking: readonly Cooking[], tasks: readonly Task[], from: number): Timeline["idle"] {
  const busy = new Map<string, Task[]>();
  const shown = tasks.filter((task) => task.kind === "demo-load");
  for (const task of tasks) {
    if (task.stationId === null || handsFree.has(task.kind) || task.kind === "demo-load") continue;
    const own = busy.get(task.stationId);
    if (own) own.push(task);
    else busy.set(task.stationId, [...shown, task]);
  }
  return cooking.map(({ job }) => ({
    stationId: job.stationId,
    minutes: idleOf(busy.get(job.stationId) ?? shown, from),
  }));
}

/** Minutes between the first mix and the station's last piece in which it has nothing on its hands; a planned rest counts. */
function idleOf(tasks: readonly Task[], from: number): number {
  const busy = [...tasks].sort((a, b) => a.start - b.start);
  let at = from;
  let idle = 0;
  for (const task of busy) {
    idle += Math.max(0, task.start - at);
    at = Math.max(at, task.end);
  }
  return idle;
}
