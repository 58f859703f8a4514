import { surfaceIdOf } from "~/core/ids";
import { inPieces, inMinutes } from "~/core/quantity";
import fc from "fast-check";
import { starterRecipes } from "~/demo/recipes";
import { type Recipe, methodOf } from "~/core/recipe";
import { inputs, surface } from "../../../test/rooms";
import { washMinutes } from "./durations";
import { checkTimeline } from "./findings";
import { holdUp, reasonsAtHeat } from "./chain";
import { runList } from "./run";
import { orderNow, schedule } from "./schedule";
import { faultsOf } from "../../../test/timeline-checker";
import type { ScheduleInput, Timeline } from "./types";

const onHeat = (timeline: Timeline) =>
  timeline.tasks.filter((task) => ["load", "demo-load", "tester"].includes(task.kind));

function holds(check: (timeline: Timeline, input: ScheduleInput) => void): void {
  fc.assert(
    fc.property(inputs, (input) => check(schedule(input), input)),
    { numRuns: 120 },
  );
}

test("every piece of the batter is cooked, exactly once, as a tester or in a load, wherever a surface suits", () => {
  holds((timeline, input) => {
    for (const job of input.stations) {
      const cooked = timeline.tasks
        .filter((task) => ["load", "tester"].includes(task.kind) && task.stationId === job.stationId)
        .reduce((sum, task) => sum + task.pieces, 0);
      expect(cooked).toBe(timeline.unplaced.includes(job.stationId) ? 0 : job.pieces);
    }
  });
});

test("each surface that is used has its testers once, from the batter of whoever is first on it", () => {
  holds((timeline, input) => {
    for (const unit of timeline.units) {
      const own = onHeat(timeline)
        .filter((task) => task.surfaceId === unit.id)
        .sort((a, b) => a.start - b.start);
      const thrown = own.filter((task) => task.kind === "tester");
      const isShownFirst = own[0]?.kind === "demo-load";
      if (isShownFirst) expect(thrown).toEqual([]);
      else expect(thrown.length).toBeLessThanOrEqual(input.testersPerSurface);
      if (thrown.length > 0) expect(own.slice(0, thrown.length)).toEqual(thrown);
    }
  });
});

test("a surface holds one load at a time and no more pieces than it has places", () => {
  holds((timeline, input) => {
    for (const unit of timeline.units) {
      const own = onHeat(timeline).filter((task) => task.surfaceId === unit.id);
      const places = input.surfaces.find((one) => one.id === unit.surfaceId)?.places ?? 0;
      const together = new Map<number, number>();
      for (const a of own) {
        if (a.kind === "load") together.set(a.start, (together.get(a.start) ?? 0) + a.pieces);
        for (const b of own)
          if (a !== b && a.start !== b.start) expect(a.end <= b.start + 1e-9 || b.end <= a.start + 1e-9).toBe(true);
      }
      for (const pieces of together.values()) expect(pieces).toBeLessThanOrEqual(places);
    }
  });
});

test("dishes that need other minutes are never in one oven at once", () => {
  holds((timeline, input) => {
    const heatOf = (stationId: string | null) =>
      input.stations.find((job) => job.stationId === stationId)?.recipe.heat.side1.likely;
    const loads = timeline.tasks.filter((task) => task.kind === "load");
    for (const a of loads)
      for (const b of loads)
        if (a !== b && a.surfaceId === b.surfaceId && a.start === b.start)
          expect(heatOf(a.stationId)).toBe(heatOf(b.stationId));
  });
});

test("no load before the batter is mixed and rested, the surface is hot and the demonstration is over", () => {
  holds((timeline, input) => {
    const demoEnd = Math.max(
      0,
      ...timeline.tasks.filter((task) => task.kind.startsWith("demo")).map((task) => task.end),
    );
    const mixes = input.stations.flatMap((job) => [undefined, 2 as const].map((mix) => ({ job, mix })));
    for (const { job, mix } of mixes) {
      const own = timeline.tasks.filter((task) => task.stationId === job.stationId && task.mix === mix);
      const method = methodOf(job.recipe);
      const ends = (ids: readonly string[]) =>
        Math.max(0, ...own.filter((task) => task.stepId !== null && ids.includes(task.stepId)).map((task) => task.end));
      const mixed = ends(method.mixing.map((step) => step.id));
      const before = ends([...method.mixing, ...method.resting].map((step) => step.id));
      for (const load of own.filter((task) => task.kind === "load" || task.kind === "tester")) {
        expect(load.start + 1e-9).toBeGreaterThanOrEqual(Math.max(before, mixed + job.recipe.rest.min));
        expect(load.start + 1e-9).toBeGreaterThanOrEqual(demoEnd);
        const heated = timeline.tasks.find((task) => task.kind === "preheat" && task.surfaceId === load.surfaceId);
        expect(heated?.end ?? Infinity).toBeLessThanOrEqual(load.start + 1e-9);
      }
    }
  });
});

test("what is done after cooking comes after the last piece, and nobody eats before all of it and the sauces are done", () => {
  holds((timeline) => {
    const eat = timeline.tasks.find((task) => task.kind === "eat");
    for (const task of timeline.tasks) {
      if (task.kind === "after") {
        const last = Math.max(
          ...timeline.tasks
            .filter((one) => one.kind === "load" && one.stationId === task.stationId)
            .map((one) => one.end),
        );
        expect(task.start + 1e-9).toBeGreaterThanOrEqual(last);
      }
      if (
        task.kind !== "eat" &&
        task.kind !== "clean" &&
        task.stationId !== null &&
        !timeline.unplaced.includes(task.stationId)
      )
        if (["after", "load", "part"].includes(task.kind))
          expect(task.end).toBeLessThanOrEqual((eat?.start ?? 0) + 1e-9);
    }
  });
});

test("no more hot places in use at once than there are adults for, testers included", () => {
  holds((timeline, input) => {
    if (input.hotPlaces === null) return;
    const loads = onHeat(timeline);
    for (const { start } of loads) {
      const busy = new Set(
        loads.filter((task) => task.start <= start + 1e-9 && task.end > start + 1e-9).map((task) => task.surfaceId),
      );
      expect(busy.size).toBeLessThanOrEqual(input.hotPlaces);
    }
  });
});

test("a station apart meets nothing on its surface that was not washed off, or it is said that nothing washes it off", () => {
  holds((timeline, input) => {
    for (const job of input.stations.filter((one) => one.isApart)) {
      const own = onHeat(timeline).filter((task) => task.stationId === job.stationId);
      for (const task of own) {
        const before = onHeat(timeline).filter(
          (one) => one.surfaceId === task.surfaceId && one.stationId !== job.stationId && one.start < task.start,
        );
        const last = before.sort((a, b) => b.end - a.end)[0];
        if (!last) continue;
        const surfaceId = timeline.units.find((unit) => unit.id === task.surfaceId)?.surfaceId ?? surfaceIdOf("");
        const washed = timeline.tasks.some(
          (one) =>
            one.kind === "wash" &&
            one.surfaceId === task.surfaceId &&
            one.start + 1e-9 >= last.end &&
            one.end <= task.start + 1e-9,
        );
        expect(washed || timeline.uncleared.includes(surfaceId)).toBe(true);
      }
    }
  });
});

test("the instructor shows one thing at a time; bells are in order; moments are whole seconds; the same input gives the same plan", () => {
  holds((timeline, input) => {
    const shown = timeline.tasks.filter((task) => task.kind.startsWith("demo")).sort((a, b) => a.start - b.start);
    for (let n = 1; n < shown.length; n += 1) expect(shown[n]?.start).toBeGreaterThanOrEqual(shown[n - 1]?.end ?? 0);
    const times = timeline.bells.map((bell) => bell.at);
    expect(times).toEqual([...times].sort((a, b) => a - b));
    for (const task of timeline.tasks)
      expect(Math.abs(task.start * 60 - Math.round(task.start * 60))).toBeLessThan(1e-6);
    expect(new Set(timeline.bells.map((bell) => bell.id)).size).toBe(timeline.bells.length);
    expect(schedule(input)).toEqual(timeline);
  });
});

test("never sooner than the heat alone takes; what the time went into adds up to the end", () => {
  holds((timeline, input) => {
    const loads = timeline.tasks.filter((task) => task.kind === "load");
    const longestStation = Math.max(
      0,
      ...input.stations
        .filter((job) => loads.some((task) => task.stationId === job.stationId))
        .map((job) => job.recipe.heat.side1.likely + (job.recipe.heat.side2?.likely ?? 0)),
    );
    expect(timeline.lastLoadEnd + 1e-9).toBeGreaterThanOrEqual(longestStation);
    const beyond = timeline.tasks.filter((task) => task.end > timeline.end + 1e-9);
    expect(beyond).toEqual([]);
    const critical = timeline.critical.reduce((sum, part) => sum + part.minutes, 0);
    expect(critical).toBeCloseTo(timeline.end, 6);
    expect(loads.length).toBe(timeline.loads);
  });
});

const [firstRecipe] = starterRecipes;
if (!firstRecipe) throw new Error("the starter recipes are gone");
const plain: Recipe = firstRecipe;
const stepOf = (
  id: string,
  kind: Recipe["steps"][number]["kind"],
  likely: number,
  more: Partial<Recipe["steps"][number]> = {},
) => ({
  id,
  partId: null,
  kind,
  text: id,
  draws: [],
  mentions: [],
  minutes: { low: likely, likely, high: likely },
  tools: [],
  hazards: [],
  who: "anyone" as const,
  ...more,
});
const oneStation = (recipe: Recipe, more: Partial<ScheduleInput> = {}, pieces = 3): ScheduleInput => ({
  stations: [{ stationId: "a", recipe, pieces: inPieces(pieces), measuredLines: 0, eggs: 0 }],
  surfaces: [{ ...surface("g", "electric-griddle", 3, 1), preheatMinutes: inMinutes(0) }],
  people: 0,
  sinks: 1,
  pace: 1.5,
  demo: "along",
  kitMode: "pre-measured",
  doorsMinutes: inMinutes(0),
  eatMinutes: inMinutes(5),
  cleanMinutes: inMinutes(5),
  testersPerSurface: inPieces(0),
  hotPlaces: null,
  ...more,
});

test("a rest that is a step and a rest that is a window are one rest", () => {
  const recipe = {
    ...plain,
    rest: { min: inMinutes(30), max: null, reason: "relax-gluten" as const },
    steps: [stepOf("mix", "mix", 4), stepOf("rest", "rest", 30), stepOf("cook", "cook", 3)],
  };
  const made = schedule(oneStation(recipe));
  const mixed = made.tasks.find((task) => task.stepId === "mix")?.end ?? NaN;
  expect(made.firstPour).toBeCloseTo(mixed + 30, 6);
  expect(made.tasks.filter((task) => task.kind === "rest")).toHaveLength(1);
});

test("pace stretches hands, never heat or waiting", () => {
  const recipe = {
    ...plain,
    rest: { min: inMinutes(0), max: null, reason: "author" as const },
    steps: [
      stepOf("melt", "prepare", 4, { hazards: ["hot-surface"] }),
      stepOf("soak", "rest", 10),
      stepOf("mix", "mix", 4),
      stepOf("cook", "cook", 3),
    ],
  };
  const slow = schedule(oneStation(recipe, { pace: 1.5, demo: "mix" }));
  const took = (id: string) => {
    const task = slow.tasks.find((one) => one.stepId === id);
    return (task?.end ?? NaN) - (task?.start ?? NaN);
  };
  expect([took("melt"), took("soak"), took("mix")].map((one) => Math.round(one * 60))).toEqual([240, 600, 360]);
});

test("a sauce is made beside the batter and delays neither it nor its rest; cooling comes after the last piece", () => {
  const recipe: Recipe = {
    ...plain,
    rest: { min: inMinutes(20), max: null, reason: "relax-gluten" },
    parts: [
      {
        id: surfaceIdOf("sauce"),
        name: "Sauce",
        kind: "sauce",
        heat: "hob",
        minutes: { low: 9, likely: 12, high: 15 },
        makesGrams: null,
      },
    ],
    steps: [
      stepOf("simmer", "mix", 12, { partId: "sauce" }),
      stepOf("mix", "mix", 4),
      stepOf("cook", "cook", 3),
      stepOf("cool", "rest", 10),
      stepOf("cream", "prepare", 2),
      stepOf("serve", "serve", 2),
    ],
  };
  const made = schedule(oneStation(recipe, { pace: 1, demo: "mix" }));
  const at = (id: string) => made.tasks.find((task) => task.stepId === id);
  expect(made.firstPour).toBeCloseTo((at("mix")?.end ?? NaN) + 20, 6);
  expect((at("simmer")?.end ?? NaN) - (at("simmer")?.start ?? NaN)).toBeCloseTo(12, 6);
  expect(at("simmer")?.end).toBeLessThanOrEqual(made.firstPour);
  expect(at("cool")?.start).toBeCloseTo(made.lastLoadEnd, 6);
  expect(at("cream")?.start).toBeCloseTo(made.lastLoadEnd + 10, 6);
  expect(made.bells.find((bell) => bell.kind === "eat")?.at).toBeCloseTo(made.lastLoadEnd + 12, 6);
});

test("eleven loads of 110 seconds last 20 minutes 10 seconds", () => {
  const recipe: Recipe = {
    ...plain,
    heat: {
      ...plain.heat,
      side1: { low: 1, likely: 70 / 60, high: 2 },
      side2: { low: 0.5, likely: 40 / 60, high: 1 },
      pourPerPiece: inMinutes(0),
      turnaround: inMinutes(0),
      recover: inMinutes(0),
    },
  };
  const made = schedule(oneStation(recipe, { surfaces: [surface("g", "electric-griddle", 1, 1)] }, 11));
  expect((made.lastLoadEnd - made.firstPour) * 60).toBeCloseTo(11 * 110, 6);
});

test("cook-by runs from the first wetting of the leavener, not from the end of mixing", () => {
  const recipe = {
    ...plain,
    steps: [stepOf("dry", "mix", 3), stepOf("join", "mix", 6), stepOf("cook", "cook", 3)],
  };
  const input = oneStation(recipe, { pace: 1, demo: "mix" });
  const [job] = input.stations;
  if (!job) throw new Error("a station was expected");
  const made = schedule({
    ...input,
    stations: [{ ...job, wetStepId: "join", cookBy: { max: inMinutes(1), why: "window" } }],
  });
  const [batter] = made.batters;
  expect(batter?.wetAt).toBeCloseTo(made.tasks.find((task) => task.stepId === "join")?.start ?? NaN, 6);
  expect(batter?.mixedAt).toBeCloseTo((batter?.wetAt ?? NaN) + 6, 6);
  const passed = checkTimeline(made, input, 600).find((finding) => finding.code === "cook-by-passed");
  expect(passed).toMatchObject({ minutes: (batter?.lastPour ?? 0) - (batter?.wetAt ?? 0), max: 1 });
});

test("a class that does not fit says by how much, and what one more surface would do", () => {
  const [pancakes] = starterRecipes;
  if (!pancakes) throw new Error("the starter recipes are gone");
  const input: ScheduleInput = {
    stations: Array.from({ length: 6 }, (_, index) => ({
      stationId: `s${index}`,
      recipe: pancakes,
      pieces: inPieces(40),
      measuredLines: 0,
      eggs: 1,
      cookBy: { max: inMinutes(30), why: "window" as const },
    })),
    surfaces: [surface("griddle", "electric-griddle", 4, 1)],
    people: 24,
    sinks: 1,
    pace: 1.2,
    demo: "mix",
    kitMode: "pre-measured",
    doorsMinutes: inMinutes(10),
    eatMinutes: inMinutes(15),
    cleanMinutes: inMinutes(10),
    testersPerSurface: inPieces(0),
    hotPlaces: null,
  };
  const timeline = schedule(input);
  const findings = checkTimeline(timeline, input, 60);
  expect(findings).toEqual(
    expect.arrayContaining([
      expect.objectContaining({ code: "does-not-fit", over: timeline.end - 60 }),
      expect.objectContaining({ code: "cook-by-passed", max: 30 }),
    ]),
  );
  const waits = findings.find((finding) => finding.code === "waits-for-surfaces");
  const more = schedule({ ...input, surfaces: [surface("griddle", "electric-griddle", 4, 2)] });
  expect(waits).toMatchObject({ withOneMore: more.end });
  expect(more.end).toBeLessThan(timeline.end);
});

test("a surface that passes to another recipe is washed first where the class wants it, and only there", () => {
  const [first, second] = [starterRecipes[0], { ...starterRecipes[0] }];
  if (!first || !second.id) throw new Error("a recipe was expected");
  const job = (stationId: string, recipe: typeof first) => ({
    stationId,
    recipe,
    pieces: inPieces(4),
    measuredLines: 0,
    eggs: 0,
  });
  const input = {
    stations: [job("a", first), job("b", second as typeof first)],
    surfaces: [
      {
        id: surfaceIdOf("g"),
        name: "Griddle",
        kind: "electric-griddle" as const,
        places: 4,
        count: 1,
        at: "shared" as const,
        preheatMinutes: inMinutes(5),
        watts: 0,
      },
    ],
    people: 4,
    sinks: 1,
    pace: 1,
    demo: "mix-and-load" as const,
    kitMode: "pre-measured" as const,
    doorsMinutes: inMinutes(5),
    eatMinutes: inMinutes(5),
    cleanMinutes: inMinutes(5),
    testersPerSurface: inPieces(0),
    hotPlaces: null,
  };
  const washes = (made: ReturnType<typeof schedule>) => made.tasks.filter((task) => task.kind === "wash");
  const plainly = schedule(input);
  const washed = schedule({ ...input, washesBetween: true });
  expect(washes(plainly)).toEqual([]);
  expect(washes(washed)).toHaveLength(1);
  const [wash] = washes(washed);
  const loads = washed.tasks.filter((task) => task.kind === "load");
  expect(loads.map((task) => task.stationId)).toEqual(["a", "b"]);
  expect(wash?.start).toBeGreaterThanOrEqual(loads[0]?.end ?? Infinity);
  expect(wash?.end).toBeLessThanOrEqual(loads[1]?.start ?? 0);
  expect(washed.end - plainly.end).toBeGreaterThan(washMinutes);
  expect(washed.end - plainly.end).toBeLessThanOrEqual(washMinutes + 5);
  expect(washes(schedule({ ...input, stations: [job("a", first), job("b", first)], washesBetween: true }))).toEqual([]);
});

test("a station apart has a surface to itself until its last load is out", () => {
  const recipe = starterRecipes[0];
  if (!recipe) throw new Error("a recipe was expected");
  const job = (stationId: string, isApart = false) => ({
    stationId,
    recipe,
    pieces: inPieces(6),
    measuredLines: 0,
    eggs: 0,
    isApart,
  });
  const made = schedule({
    stations: [job("a"), job("b"), job("c", true)],
    surfaces: [
      {
        id: surfaceIdOf("g"),
        name: "Griddle",
        kind: "electric-griddle",
        places: 3,
        count: 2,
        at: "shared",
        preheatMinutes: inMinutes(5),
        watts: 0,
      },
    ],
    people: 4,
    sinks: 1,
    pace: 1,
    demo: "mix-and-load",
    kitMode: "pre-measured",
    doorsMinutes: inMinutes(5),
    eatMinutes: inMinutes(5),
    cleanMinutes: inMinutes(5),
    testersPerSurface: inPieces(1),
    hotPlaces: null,
  });
  const onHeat = made.tasks.filter((task) => ["load", "tester", "demo-load"].includes(task.kind));
  const own = onHeat.filter((task) => task.stationId === "c");
  const surfaces = new Set(own.map((task) => task.surfaceId));
  expect(surfaces.size).toBe(1);
  const last = Math.max(...own.map((task) => task.end));
  const before = onHeat.filter((task) => surfaces.has(task.surfaceId) && task.start < last && task.stationId !== "c");
  expect(before).toEqual([]);
  expect(made.unplaced).toEqual([]);
});

test("the list by the minute has every bell, every load and every tester once, in order of time", () => {
  holds((timeline) => {
    const rows = runList(timeline);
    expect(rows.map((row) => row.at)).toEqual(rows.map((row) => row.at).sort((a, b) => a - b));
    const count = (kind: string) => rows.filter((row) => row.kind === kind).length;
    expect(count("bell")).toBe(timeline.bells.length);
    expect(count("tester")).toBe(timeline.tasks.filter((task) => task.kind === "tester").length);
    expect(count("wash")).toBe(timeline.tasks.filter((task) => task.kind === "wash").length);
    const pieces = rows.reduce((sum, row) => sum + (row.kind === "load" ? row.pieces : 0), 0);
    const loads = timeline.tasks.filter((task) => task.kind === "load");
    expect(pieces).toBe(loads.reduce((sum, task) => sum + task.pieces, 0));
    const out = rows.flatMap((row) => (row.kind === "load" ? [row.until] : []));
    if (loads.length > 0) expect(Math.max(...out)).toBeCloseTo(Math.max(...loads.map((task) => task.end)), 6);
    const firsts = rows.filter((row) => row.kind === "load" && row.isFirst).length;
    expect(firsts).toBe(new Set(loads.map((task) => task.surfaceId)).size);
  });
});

test("what holds a class up is a chain without gaps from what ends last, each link after the one before it", () => {
  holds((timeline, input) => {
    const { links, hops } = holdUp(timeline, input);
    const tasks = links.map((link) => timeline.tasks.find((task) => task.id === link.taskId));
    const eat = timeline.bells.find((bell) => bell.kind === "eat")?.at ?? NaN;
    const last = tasks.at(-1);
    if (last) expect(last.end).toBeCloseTo(eat, 3);
    for (let n = 1; n < tasks.length; n += 1)
      // What is poured with goes on to the next table while the first one's pieces still lie there.
      expect(
        (["pour", "pouring"].includes(links[n]?.because ?? "") ? tasks[n - 1]?.start : tasks[n - 1]?.end) ?? NaN,
      ).toBeLessThanOrEqual((tasks[n]?.start ?? NaN) + 1 / 30);
    for (const hop of hops) expect(hop.to).toBeLessThanOrEqual(eat + 1e-6);
    expect(new Set(links.map((link) => link.taskId)).size).toBe(links.length);
  });
});

test("what a load waited for is there: its batter is ready just then, or something ended shortly before; the chain agrees", () => {
  let told = 0;
  holds((timeline, input) => {
    const reasons = reasonsAtHeat(timeline, input);
    told += reasons.size;
    const byId = new Map(timeline.tasks.map((task) => [task.id, task]));
    for (const [id, because] of reasons) {
      const task = byId.get(id);
      if (!task) throw new Error("a reason is of a task that is there");
      expect(["load", "tester", "demo-load"]).toContain(task.kind);
      const ended = timeline.tasks.filter((one) => one !== task && one.end <= task.start + 1 / 30);
      if (because === "surface") expect(ended.some((one) => one.surfaceId === task.surfaceId)).toBe(true);
      // Until just then every place of an adult was taken.
      if (because === "adult") {
        const busy = timeline.tasks.filter(
          (one) =>
            one !== task &&
            ["load", "tester", "demo-load"].includes(one.kind) &&
            one.start < task.start - 1 / 60 &&
            one.end >= task.start - 1 / 30,
        );
        expect(new Set(busy.map((one) => one.surfaceId)).size).toBeGreaterThanOrEqual(
          Math.max(1, input.hotPlaces ?? 0),
        );
      }
      if (because === "wash") expect(ended.some((one) => one.kind === "wash")).toBe(true);
      if (because === "heating")
        expect(
          timeline.tasks.some((one) => one.kind === "preheat" && one.surfaceId === task.surfaceId && one.start < 0.1),
        ).toBe(true);
      if (because === "batter") {
        const batter = timeline.batters.find((one) => one.stationId === task.stationId && one.mix === task.mix);
        expect(batter?.readyAt).toBeCloseTo(task.start, 1);
      }
    }
    for (const link of holdUp(timeline, input).links) {
      const reason = reasons.get(link.taskId);
      if (reason !== undefined) expect(reason).toBe(link.because);
    }
  });
  expect(told).toBeGreaterThan(100);
});

test("a table that is wished first is at the heat no later than it was, every rule of the room is kept, and the wish holds", () => {
  fc.assert(
    fc.property(inputs, fc.nat(5), (input, pick) => {
      const stations = input.stations.map((job) => ({ ...job, isApart: false }));
      const room = { ...input, stations, order: undefined };
      const wished = stations[pick % Math.max(1, stations.length)]?.stationId;
      if (wished === undefined) return;
      const now = orderNow(room);
      const isTheirs = (load: (typeof now.loads)[number]) => load.parts[0]?.stationId === wished;
      const order = {
        ...now,
        loads: [...now.loads.filter(isTheirs), ...now.loads.filter((load) => !isTheirs(load))],
        isWished: true,
      };
      const firstOf = (timeline: Timeline) =>
        Math.min(
          ...timeline.tasks
            .filter((task) => (task.kind === "load" || task.kind === "tester") && task.stationId === wished)
            .map((task) => task.start),
        );
      const timeline = schedule({ ...room, order });
      expect(faultsOf(timeline, room)).toEqual([]);
      if (now.loads.some(isTheirs)) expect(firstOf(timeline)).toBeLessThanOrEqual(firstOf(schedule(room)) + 1e-6);
      // Laid again from itself it is the same: no rule takes its place.
      expect(schedule({ ...room, order: { ...orderNow({ ...room, order }), isWished: true } })).toEqual(timeline);
    }),
    { numRuns: 80 },
  );
});
