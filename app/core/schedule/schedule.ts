import { type Recipe, methodOf } from "~/core/recipe";
import {
  arrivalSeconds,
  betweenSeconds,
  handMinutes,
  loadSeconds,
  stepSeconds,
  toMinutes,
  toSeconds,
  washMinutes,
} from "./durations";
import { type Cooking, criticalOf, idleOfAll } from "./readings";
import type { BatterTimes, Bell, ScheduleInput, StationJob, Task, Timeline } from "./types";
import { type Unit, canUse, claimSurfaces, mustWash, placesFor, shownLoad, unitsOf, washSeconds } from "./units";

/** A rest shorter than this, in minutes, gets no bell of its own (starting value). */
const shortestCalledRest = 2;

/** The adults' eyes: as many hot places at once as there are, each busy until the load in it is out. No rule, no limit. */
class HotPlaces {
  private readonly freeAt: number[];
  constructor(limit: number | null) {
    this.freeAt = limit === null ? [] : Array.from({ length: Math.max(1, limit) }, () => 0);
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

/** Two dishes share an oven only where one time and one heat are right for both. */
const cookAlike = (a: Recipe, b: Recipe): boolean =>
  a === b ||
  (a.heat.side1.likely === b.heat.side1.likely &&
    (a.heat.side2?.likely ?? 0) === (b.heat.side2?.likely ?? 0) &&
    a.heat.surfaceC.from <= b.heat.surfaceC.to &&
    b.heat.surfaceC.from <= a.heat.surfaceC.to);

/**
 * Lays a class along its time line. Handwork of all stations runs side by side; demonstrations take the instructor and stop the
 * room; each load waits for batter, a hot surface with room, and an adult where the class has such a rule. Sauces and fillings are
 * made beside the batter from the end of its mixing; what a method does after cooking comes after the station's last piece. The
 * next load always goes to whoever can start first, of those to the station with the fewest loads, so nobody is served twice before
 * all are once. A tester is a piece of the station's own batter, on the first surface use. Counts whole seconds; nothing is rounded
 * up to a grid. Deterministic: the same input gives the same plan.
 */
export function schedule(input: ScheduleInput): Timeline {
  const tasks: Task[] = [];
  const push = (kind: Task["kind"], start: number, end: number, more: Partial<Task> = {}) =>
    tasks.push({
      id: `t${tasks.length + 1}`,
      kind,
      start: toMinutes(start),
      end: toMinutes(end),
      stationId: null,
      surfaceId: null,
      stepId: null,
      pieces: 0,
      loadNumber: 0,
      ...more,
    });
  const bells: Bell[] = [];
  const ring = (kind: Bell["kind"], at: number) =>
    bells.push({
      id: `${kind}-${bells.filter((bell) => bell.kind === kind).length + 1}`,
      kind,
      at: toMinutes(at),
    });

  ring("doors", 0);
  const arrived = arrivalSeconds(input);
  push("arrive", 0, arrived);

  const demoMixEnd = input.demo === "along" ? arrived : arrived + toSeconds(handMinutes.demoMix);
  if (input.demo !== "along" && input.stations.length > 0) {
    ring("gather-mix", arrived);
    push("demo-mix", arrived, demoMixEnd);
  }
  if (input.stations.length > 0) ring("mix", demoMixEnd);

  const hands = input.stations.map((job) => handwork(job, input, demoMixEnd, push));
  const allMixed = Math.max(demoMixEnd, ...hands.map((one) => one.handsFree));

  const units = unitsOf(input);
  const usable = new Map<string, Unit[]>();
  const usableBy = (job: StationJob): Unit[] => {
    const own = usable.get(job.stationId) ?? units.filter((unit) => canUse(unit, job));
    usable.set(job.stationId, own);
    return own;
  };
  const hot = new HotPlaces(input.hotPlaces);
  const claimOf = claimSurfaces(input.stations, usableBy);
  const mayUse = (unit: Unit, job: StationJob): boolean =>
    (unit.claims.length === 0 || unit.claims[0] === job.stationId) && (claimOf.get(job.stationId) ?? unit) === unit;
  const uncleared = new Set<string>();

  // The demonstration load comes before anyone pours, on the shared surface that is hot first, or on any where none is shared.
  let demoLoadEnd = allMixed;
  const shown = input.demoRecipe ?? input.stations[0]?.recipe;
  const demoUnit =
    shown &&
    units
      .filter((unit) => placesFor(unit, shown) > 0)
      .sort(
        (a, b) =>
          Number(a.claims.length > 0) - Number(b.claims.length > 0) ||
          Number(a.stationId !== null) - Number(b.stationId !== null) ||
          a.freeAt - b.freeAt ||
          a.place - b.place,
      )[0];
  if (input.demo === "mix-and-load" && shown && demoUnit) {
    const start = Math.max(allMixed, demoUnit.freeAt);
    demoLoadEnd = start + loadSeconds(shown, 1, 1);
    ring("gather-load", start);
    push("demo-load", start, demoLoadEnd, { surfaceId: demoUnit.id, pieces: 1 });
    demoUnit.firstUse = start;
    demoUnit.lastRecipe = shown;
    demoUnit.lastUser = shownLoad;
    demoUnit.freeAt = demoLoadEnd + betweenSeconds(shown, 1);
  }

  const cooking: Cooking[] = hands.map(({ job, wetAt, mixedAt, handsFree }) => {
    const rested = Math.max(handsFree, mixedAt + toSeconds(job.recipe.rest.min));
    const readyAt = Math.max(rested, input.demo === "mix-and-load" ? demoLoadEnd : 0);
    return {
      job,
      wetAt,
      mixedAt,
      readyAt,
      testerSeconds: loadSeconds(job.recipe, 1, input.pace),
      turnSeconds: betweenSeconds(job.recipe, input.pace),
      remaining: job.pieces,
      loads: 0,
      lastPour: readyAt,
      lastLoadEnd: readyAt,
      servedAt: readyAt,
    };
  });
  const unplaced = cooking
    .filter((one) => one.remaining > 0 && usableBy(one.job).length === 0)
    .map((one) => one.job.stationId);
  const open = cooking.filter((one) => !unplaced.includes(one.job.stationId));
  for (const { job, mixedAt } of open) {
    const { restMinutes, resting } = methodOf(job.recipe);
    const rest = toSeconds(Math.max(job.recipe.rest.min, restMinutes));
    if (job.pieces > 0 && rest > 0)
      push("rest", mixedAt, mixedAt + rest, {
        stationId: job.stationId,
        stepId: resting.find((step) => step.kind === "rest")?.id ?? null,
      });
  }

  const testers = input.testersPerSurface;
  const washes = input.washesBetween ?? false;
  const testersOn = (one: Cooking, unit: Unit): number =>
    unit.firstUse === undefined ? Math.min(testers, one.remaining) : 0;
  /** When a station's first piece, tester or not, may go on a surface. */
  const fromOn = (one: Cooking, unit: Unit, adultFree: number): number =>
    Math.max(one.readyAt, adultFree, unit.freeAt + washSeconds(unit, one.job, washes));
  const startOn = (one: Cooking, unit: Unit, adultFree: number): number =>
    fromOn(one, unit, adultFree) + testersOn(one, unit) * one.testerSeconds;
  const soonestOf = (one: Cooking, own: readonly Unit[], adultFree: number): number =>
    own.reduce(
      (least, unit) => (mayUse(unit, one.job) ? Math.min(least, startOn(one, unit, adultFree)) : least),
      Infinity,
    );
  // When each station could start on its best unit changes only when one of its units is used: kept, not worked out at every load.
  let hungry = open
    .filter((one) => one.remaining > 0)
    .map((one) => {
      const own = usableBy(one.job);
      return { station: one, units: own, soonest: soonestOf(one, own, 0) };
    });
  while (hungry.length > 0) {
    const adultFree = hot.soonest();
    let best: (typeof hungry)[number] | undefined;
    let start = Infinity;
    for (const each of hungry) {
      // A tester before the load needs the adult, too: so the wait for one is not simply the later of the two.
      const at = adultFree > each.station.readyAt ? soonestOf(each.station, each.units, adultFree) : each.soonest;
      if (at < start || (at === start && best && each.station.loads < best.station.loads)) {
        best = each;
        start = at;
      }
    }
    const chosen = best?.station;
    const unit = best?.units.find(
      (each) => chosen && mayUse(each, chosen.job) && startOn(chosen, each, adultFree) <= start,
    );
    if (!chosen || !unit) break;
    const { job } = chosen;
    const from = fromOn(chosen, unit, adultFree);
    if (mustWash(unit, job, washes)) {
      const seconds = washSeconds(unit, job, washes);
      if (seconds === 0) uncleared.add(unit.surfaceId);
      else {
        const washed = unit.freeAt + toSeconds(washMinutes);
        push("wash", unit.freeAt, washed, { surfaceId: unit.id, stationId: job.stationId });
        push("preheat", washed, unit.freeAt + seconds, { surfaceId: unit.id, stationId: unit.stationId });
      }
    }
    unit.lastRecipe = job.recipe;
    unit.lastUser = job.stationId;
    const throwAway = testersOn(chosen, unit);
    for (let n = 0; n < throwAway; n += 1)
      push("tester", from + n * chosen.testerSeconds, from + (n + 1) * chosen.testerSeconds, {
        stationId: job.stationId,
        surfaceId: unit.id,
        pieces: 1,
      });
    unit.firstUse ??= from;
    chosen.remaining -= throwAway;

    const sharers =
      unit.surface.kind === "oven"
        ? [
            chosen,
            ...open
              .filter(
                (one) =>
                  one !== chosen &&
                  one.remaining > 0 &&
                  one.readyAt <= start &&
                  cookAlike(one.job.recipe, job.recipe) &&
                  canUse(unit, one.job) &&
                  mayUse(unit, one.job) &&
                  !mustWash(unit, one.job, washes),
              )
              .sort((a, b) => a.loads - b.loads),
          ]
        : [chosen];
    const places = placesFor(unit, job.recipe);
    let room = places;
    const parts = sharers.flatMap((one) => {
      const pieces = Math.min(room, one.remaining);
      room -= pieces;
      return pieces > 0 ? [{ one, pieces }] : [];
    });
    const onSurface = places - room;
    const end = onSurface > 0 ? start + loadSeconds(job.recipe, onSurface, input.pace) : start;
    for (const { one, pieces } of parts) {
      one.remaining -= pieces;
      one.loads += 1;
      one.lastPour = Math.max(one.lastPour, start);
      one.lastLoadEnd = Math.max(one.lastLoadEnd, end);
      push("load", start, end, { stationId: one.job.stationId, surfaceId: unit.id, pieces, loadNumber: one.loads });
    }
    hot.take(end);
    unit.freeAt = end + chosen.turnSeconds;
    for (const one of new Set([chosen, ...parts.map((part) => part.one)]))
      if (one.remaining === 0 && claimOf.has(one.job.stationId)) {
        // From here on it is the next one's that waits for it, or anybody's again.
        const { claims } = claimOf.get(one.job.stationId) ?? unit;
        claims.splice(claims.indexOf(one.job.stationId), 1);
        claimOf.delete(one.job.stationId);
        for (const each of hungry) each.soonest = soonestOf(each.station, each.units, 0);
      }
    hungry = hungry.filter(({ station: one }) => one.remaining > 0);
    for (const each of hungry)
      if (unit.stationId === null || unit.stationId === each.station.job.stationId)
        each.soonest = soonestOf(each.station, each.units, 0);
  }

  for (const unit of units)
    if (unit.firstUse !== undefined)
      push("preheat", Math.max(0, unit.firstUse - unit.preheat), unit.firstUse, {
        surfaceId: unit.id,
        stationId: unit.stationId,
      });

  for (const one of cooking) {
    const testers = tasks.filter((task) => task.kind === "tester" && task.stationId === one.job.stationId);
    // Where the only piece there was proved the heat, the station ends with it.
    one.servedAt = Math.max(
      finish(one, input, push, open.includes(one)),
      ...testers.map((task) => toSeconds(task.end)),
    );
  }

  const loadTasks = tasks.filter((task) => task.kind === "load");
  const lastLoadEnd = Math.max(demoLoadEnd, ...open.map((one) => (one.loads > 0 ? one.lastLoadEnd : 0)));
  const firstPour =
    loadTasks.length > 0
      ? loadTasks.reduce((least, task) => Math.min(least, task.start), Infinity)
      : toMinutes(demoLoadEnd);
  if (loadTasks.length > 0) {
    // A call to clear down while the batter rests, unless the rest is over before anybody has picked up a cloth.
    const restFrom = input.demo === "mix-and-load" ? demoLoadEnd : allMixed;
    if (firstPour - toMinutes(restFrom) >= shortestCalledRest) ring("rest", restFrom);
    ring("pour", toSeconds(firstPour));
    // Everyone wants a turn at the heat: one call half-way through a long cook, between loads as near as can be.
    const last = toMinutes(lastLoadEnd);
    const middle = (firstPour + last) / 2;
    const starts = loadTasks.map((task) => task.start).filter((at) => at > firstPour && at < last);
    const swap = starts.sort((a, b) => Math.abs(a - middle) - Math.abs(b - middle) || a - b)[0];
    if (swap !== undefined) ring("swap", toSeconds(swap));
  }
  // A station without a surface still makes its sauce, and is waited for.
  const eatFrom = Math.max(lastLoadEnd, ...cooking.map((one) => one.servedAt));
  const cleanFrom = eatFrom + toSeconds(input.eatMinutes);
  const end = cleanFrom + toSeconds(input.cleanMinutes);
  ring("eat", eatFrom);
  push("eat", eatFrom, cleanFrom);
  ring("clean", cleanFrom);
  push("clean", cleanFrom, end);
  ring("close", end);

  return {
    tasks: [...tasks].sort((a, b) => a.start - b.start || a.end - b.end),
    bells: bells.sort((a, b) => a.at - b.at),
    units: units
      .filter((unit) => unit.firstUse !== undefined)
      .map(({ id, surfaceId, name, number, stationId }) => ({ id, surfaceId, name, number, stationId })),
    end: toMinutes(end),
    firstPour,
    lastLoadEnd: toMinutes(lastLoadEnd),
    loads: loadTasks.length,
    critical: criticalOf(tasks, cooking, toMinutes(end)),
    idle: idleOfAll(cooking, tasks, toMinutes(demoMixEnd)),
    batters: cooking.map(({ job, wetAt, mixedAt, readyAt, lastPour }): BatterTimes => ({
      stationId: job.stationId,
      wetAt: toMinutes(wetAt),
      mixedAt: toMinutes(mixedAt),
      readyAt: toMinutes(readyAt),
      lastPour: toMinutes(lastPour),
      cookBy: job.cookBy ?? null,
    })),
    unplaced,
    uncleared: [...uncleared],
  };
}

type Push = (kind: Task["kind"], start: number, end: number, more?: Partial<Task>) => unknown;

/** The handwork of one station up to the pour, from the first mixing bell. Moments in seconds. */
function handwork(job: StationJob, input: ScheduleInput, from: number, push: Push) {
  const method = methodOf(job.recipe);
  let at = from;
  let wetAt: number | undefined;
  for (const step of method.mixing) {
    const { measuring, whole } = stepSeconds(step, job, input);
    if (step.id === job.wetStepId) wetAt = at + measuring;
    if (whole > 0)
      push(step.kind === "rest" ? "wait" : step.kind === "prepare" ? "prepare" : "mix", at, at + whole, {
        stationId: job.stationId,
        stepId: step.id,
      });
    at += whole;
  }
  const mixedAt = at;
  // The rest of the method and the rest of the window are one rest from the end of mixing; what is prepared after it waits for it.
  let rested = 0;
  for (const step of method.resting) {
    const { whole } = stepSeconds(step, job, input);
    if (step.kind === "rest") {
      rested += whole;
      at = Math.max(at, mixedAt + rested);
    } else {
      if (whole > 0) push("prepare", at, at + whole, { stationId: job.stationId, stepId: step.id });
      at += whole;
    }
  }
  return { job, wetAt: wetAt ?? mixedAt, mixedAt, handsFree: at };
}

/** What is made beside the batter and what comes after the last piece; the moment from which the station can be served. */
function finish(one: Cooking, input: ScheduleInput, push: Push, isPlaced: boolean): number {
  const { job } = one;
  if (job.pieces <= 0) return 0;
  const method = methodOf(job.recipe);
  const lay = (from: number, steps: readonly Parameters<typeof stepSeconds>[0][], kind: "part" | "after"): number => {
    let at = from;
    for (const step of steps) {
      const { whole } = stepSeconds(step, job, input);
      if (whole > 0)
        push(step.kind === "rest" ? "wait" : kind, at, at + whole, { stationId: job.stationId, stepId: step.id });
      at += whole;
    }
    return at;
  };
  let aside = one.mixedAt;
  for (const { steps } of method.beside) aside = lay(aside, steps, "part");
  const after = method.after.length > 0 && one.loads > 0 ? lay(one.lastLoadEnd, method.after, "after") : 0;
  return Math.max(isPlaced ? one.lastLoadEnd : 0, after, aside);
}
