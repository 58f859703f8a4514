import { methodOf } from "~/core/recipe";
import type { ScheduleInput, Task, Timeline } from "~/core/schedule";

/**
 * What a plan of a class must keep, written from the rules of the room and not from the scheduler: it reads a timeline as anybody could
 * who has the plan's file, and says in sentences what is wrong with it.
 */
export function faultsOf(timeline: Timeline, input: ScheduleInput): string[] {
  const faults: string[] = [];
  const near = 1e-6;
  const say = (sentence: string) => faults.push(sentence);
  const jobOf = (id: string | null) => input.stations.find((job) => job.stationId === id);
  const unitOf = (id: string | null) => timeline.units.find((unit) => unit.id === id);
  const surfaceOf = (id: string | null) => input.surfaces.find((one) => one.id === unitOf(id)?.surfaceId);
  const atHeat = timeline.tasks.filter((task) => ["load", "tester", "demo-load"].includes(task.kind));
  const overlaps = (a: Task, b: Task) => a.start < b.end - near && b.start < a.end - near;

  // Each piece once, nobody left over, on a surface that is theirs and suits.
  for (const job of input.stations) {
    const own = atHeat.filter((task) => task.stationId === job.stationId && task.kind !== "demo-load");
    const cooked = own.reduce((sum, task) => sum + task.pieces, 0);
    const wanted = timeline.unplaced.includes(job.stationId) ? 0 : job.pieces;
    if (cooked !== wanted) say(`${job.stationId} cooks ${cooked} of ${wanted} pieces`);
    // A load is of one round, and each round is cooked by so many parts of the bowl, testers not counted.
    const rounds = job.recipe.rounds ?? [];
    const parts = rounds.reduce((sum, round) => sum + round.parts, 0);
    const testers = own.filter((task) => task.kind === "tester").length;
    for (const { id, parts: ownParts } of rounds) {
      const made = own.filter((task) => task.roundId === id).reduce((sum, task) => sum + task.pieces, 0);
      const fair = (wanted * ownParts) / parts;
      if (made > fair + 1 - near || made + testers < fair - 1 + near)
        say(`${job.stationId} cooks ${made} of round ${id}, of ${wanted} it should be ${fair}`);
    }
    for (const task of own)
      if (task.kind === "load" && rounds.length > 0 !== rounds.some((round) => round.id === task.roundId))
        say(`${task.id} is of round ${task.roundId ?? "none"}`);
    for (const task of own) {
      const unit = unitOf(task.surfaceId);
      const kind = surfaceOf(task.surfaceId)?.kind;
      if (!unit || !kind) say(`${task.id} is on no unit`);
      else {
        if (unit.stationId !== null && unit.stationId !== job.stationId) say(`${task.id} is on another table's pan`);
        if (!job.recipe.heat.surfaceKinds.includes(kind)) say(`${task.id} is on a ${kind}`);
      }
    }
  }

  // One load at a time on a surface; no more pieces than places; greased and hot again in between; minutes of the recipe.
  for (const unit of timeline.units) {
    const own = atHeat.filter((task) => task.surfaceId === unit.id).sort((a, b) => a.start - b.start);
    const places = surfaceOf(unit.id)?.places ?? 0;
    // By their starts: what lies there together, and what begins before this one ends, stands next to it.
    const beside = (n: number, isNear: (one: Task) => boolean) => {
      let [from, to] = [n, n];
      while (own[from - 1] && isNear(own[from - 1] as Task)) from -= 1;
      while (own[to + 1] && isNear(own[to + 1] as Task)) to += 1;
      return own.slice(from, to + 1);
    };
    own.forEach((task, n) => {
      const together = beside(n, (one) => Math.abs(one.start - task.start) < near).filter(
        (one) => one.kind === task.kind,
      );
      const pieces = together.reduce((sum, one) => sum + one.pieces, 0);
      if (pieces > places) say(`${unit.id} holds ${pieces} on ${places} places`);
      if (together.length > 1 && surfaceOf(unit.id)?.kind !== "oven") say(`${unit.id} is shared and no oven`);
      for (let m = n + 1; (own[m]?.start ?? Infinity) < task.end - near; m += 1) {
        const other = own[m];
        if (other && !together.includes(other) && overlaps(task, other))
          say(`${task.id} and ${other.id} are on ${unit.id} at once`);
      }
      const job = task.kind === "demo-load" ? undefined : jobOf(task.stationId);
      if (!job) return;
      const { heat } = job.recipe;
      const byAdult = methodOf(job.recipe).cook?.who === "adult";
      const pace = byAdult ? 1 : input.pace;
      // A kind of surface has its own minutes where the recipe says so.
      const on = heat.on?.find((one) => one.surfaceKind === surfaceOf(unit.id)?.kind);
      const second = heat.side2 === null ? 0 : (on?.side2 ?? heat.side2).likely;
      const sides = (heat.halves?.likely ?? 0) + (on?.side1 ?? heat.side1).likely + second;
      const takes = sides + pieces * heat.pourPerPiece * pace;
      const isAlone = together.every((one) => jobOf(one.stationId)?.recipe === job.recipe);
      if (isAlone && Math.abs(task.end - task.start - takes) > 1 / 60 + near)
        say(`${task.id} takes ${task.end - task.start} minutes instead of ${takes}`);
      let before: Task | undefined;
      for (let m = n - 1; m >= 0 && !before; m -= 1) {
        const one = own[m];
        if (one && one.end <= task.start + near && !together.includes(one)) before = one;
      }
      if (before && before.kind === "load") {
        const last = jobOf(before.stationId)?.recipe ?? job.recipe;
        const lastPace = methodOf(last).cook?.who === "adult" ? 1 : input.pace;
        const grease = last.heat.turnaround * lastPace + last.heat.recover;
        if (task.start - before.end < grease - 1 / 60 - near)
          say(`${unit.id} is not greased between ${before.id} and ${task.id}`);
      }
    });
    const heated = timeline.tasks.filter((task) => task.kind === "preheat" && task.surfaceId === unit.id);
    if (own[0] && !heated.some((task) => task.end <= (own[0]?.start ?? 0) + near)) say(`${unit.id} is never heated`);
    const testers = own.filter((task) => task.kind === "tester");
    if (testers.length > input.testersPerSurface) say(`${unit.id} has ${testers.length} testers`);
    if (
      own[0]?.kind === "load" &&
      input.testersPerSurface > 0 &&
      (jobOf(own[0].stationId)?.pieces ?? 0) > input.testersPerSurface
    )
      say(`${unit.id} begins without a tester`);
  }

  // Adults at the heat.
  if (input.hotPlaces !== null) {
    const places = Math.max(1, input.hotPlaces);
    let going: Task[] = [];
    const rows = [...atHeat].sort((a, b) => a.start - b.start);
    for (const [n, { start }] of rows.entries()) {
      going = [...going, rows[n] as Task].filter((task) => task.end > start + near);
      // Those that begin in the same moment are counted with the last of them.
      const busy = new Set(going.map((task) => task.surfaceId));
      if (busy.size > places) say(`${busy.size} hot places at ${start} with adults for ${places}`);
    }
  }

  const shown = timeline.tasks.filter((task) => task.kind === "demo-load" || task.kind === "demo-mix");
  const firstPour = atHeat
    .filter((task) => task.kind !== "demo-load")
    .reduce((least, task) => Math.min(least, task.start), Infinity);
  for (const demo of shown) {
    if (demo.end > firstPour + near) say(`${demo.id} is shown after somebody poured`);
    for (const task of timeline.tasks)
      if (task.stationId !== null && ["mix", "prepare"].includes(task.kind) && overlaps(task, demo))
        say(`${task.stationId} works during ${demo.kind}`);
  }

  for (const job of input.stations) {
    const own = timeline.tasks.filter((task) => task.stationId === job.stationId);
    const method = methodOf(job.recipe);
    const hands = own.filter((task) => ["prepare", "mix"].includes(task.kind)).sort((a, b) => a.start - b.start);
    hands.forEach((task, n) => {
      const next = hands[n + 1];
      if (next && overlaps(task, next)) say(`${job.stationId} does two things at once`);
    });
    const ids = new Set(method.mixing.map((step) => step.id));
    const all = new Set([...method.mixing, ...method.resting].map((step) => step.id));
    const cooked = own.filter((task) => task.kind === "load" || task.kind === "tester");
    const lastOut = cooked.reduce((last, task) => Math.max(last, task.end), 0);
    for (const task of own)
      if (task.kind === "after" && task.start < lastOut - near) say(`${task.id} comes before the last piece`);
    // As many pours at once as there are pairs of hands, and who mixes the second half has none to pour with.
    const byAdult = methodOf(job.recipe).cook?.who === "adult";
    const perPiece = job.recipe.heat.pourPerPiece * (byAdult ? 1 : input.pace);
    if (job.hands !== undefined && perPiece > 0) {
      const busy = [
        ...cooked.map((task) => ({ start: task.start, end: task.start + task.pieces * perPiece })),
        ...hands.filter((task) => task.mix === 2),
      ];
      for (const { start } of busy) {
        const count = busy.filter((one) => one.start <= start + near && one.end > start + 1 / 60 + near).length;
        if (count > Math.max(1, job.hands)) say(`${job.stationId} has ${count} things in ${job.hands} pairs of hands`);
      }
    }
    const isHalved = job.mixes === 2 && job.pieces > 1 && cooked.length > 0;
    if (isHalved && own.some((task) => task.mix === 2)) {
      const second = cooked.filter((task) => task.mix === 2).reduce((sum, task) => sum + task.pieces, 0);
      if (second !== Math.floor(job.pieces / 2)) say(`${job.stationId} pours ${second} pieces of its second mix`);
      const again = hands.filter((task) => task.mix === 2);
      if (job.hands === 1 && again.some((task) => cooked.some((load) => overlaps(task, load))))
        say(`${job.stationId} mixes with the hand that cooks`);
    } else if (isHalved) say(`${job.stationId} mixes once`);
    for (const mix of [undefined, 2] as const) {
      const ofMix = own.filter((task) => task.mix === mix);
      const endOf = (row: ReadonlySet<string>) =>
        ofMix
          .filter((task) => task.kind !== "rest" && task.stepId !== null && row.has(task.stepId))
          .reduce((last, task) => Math.max(last, task.end), 0);
      const loads = cooked.filter((task) => task.mix === mix);
      const from = Math.max(endOf(all), endOf(ids) > 0 ? endOf(ids) + job.recipe.rest.min : 0);
      for (const load of loads) if (load.start < from - near) say(`${load.id} is poured before its batter is ready`);
      // A window is reported exactly when it is broken.
      const batter = timeline.batters.find((one) => one.stationId === job.stationId && one.mix === mix);
      const wet = job.wetStepId ? ofMix.find((task) => task.stepId === job.wetStepId)?.start : undefined;
      if (batter && wet !== undefined && batter.wetAt < wet - near) say(`${job.stationId} is wet before its step`);
      const lastPour = loads.reduce((last, task) => Math.max(last, task.start), 0);
      if (batter && lastPour > 0 && Math.abs(batter.lastPour - lastPour) > near)
        say(`${job.stationId} pours last at another time`);
    }
  }
  // Where everybody steps along, nobody goes on until the room is there; whoever mixes later than the bell goes on alone.
  if (input.demo === "along") {
    const bell = timeline.bells.find((one) => one.kind === "mix")?.at ?? 0;
    const works = timeline.tasks.filter((task) => ["mix", "prepare", "wait"].includes(task.kind) && task.mix !== 2);
    const along = input.stations.filter((job) => {
      const own = works.filter((task) => task.stationId === job.stationId);
      return Math.min(...own.map((task) => task.start)) <= bell + near;
    });
    const stepsOf = (stationId: string) => {
      const job = jobOf(stationId);
      const method = job && methodOf(job.recipe);
      const ids = method ? [...method.mixing, ...method.resting].map((step) => step.id) : [];
      return works.flatMap((task) => {
        const at = task.stationId === stationId && task.stepId !== null ? ids.indexOf(task.stepId) : -1;
        return at < 0 ? [] : [{ ...task, at }];
      });
    };
    for (const one of along)
      for (const other of along)
        if (one.recipe.id === other.recipe.id)
          for (const task of stepsOf(one.stationId))
            for (const before of stepsOf(other.stationId))
              if (before.at < task.at && before.end > task.start + near)
                say(`${one.stationId} goes on to ${task.stepId} before ${other.stationId} is there`);
  }
  // What goes round is with no more tables at once than there are of it.
  for (const { thing, count } of input.goesRound ?? []) {
    const uses = timeline.tasks.flatMap((task) => {
      const job = jobOf(task.stationId);
      const step = job?.recipe.steps.find((one) => one.id === task.stepId);
      if (!job || !step || !["mix", "prepare", "part", "after"].includes(task.kind)) return [];
      const heat = job.recipe.parts.find((part) => part.id === step.partId)?.heat;
      const warmed = step.kind === "reheat" ? step.warmth?.place : undefined;
      const isWanted =
        thing === "microwave" || thing === "hob"
          ? (heat === thing && step.kind === "mix") || warmed === (thing === "hob" ? "pan" : thing)
          : step.tools.includes(thing);
      // A scale is free again once everything is measured.
      return isWanted && thing !== "scale" ? [task] : [];
    });
    for (const { start } of uses) {
      const busy = uses.filter((task) => task.start <= start + near && task.end > start + near).length;
      if (busy > count) say(`${busy} tables have a ${thing} at ${start}, of ${count}`);
    }
  }
  // What batter is poured with goes from pour to pour: a pen for what is drawn, else the ladle that the cook step names.
  for (const { thing, count } of input.goesRound ?? []) {
    const pours = atHeat.flatMap((task) => {
      const job = task.kind === "demo-load" ? undefined : jobOf(task.stationId);
      const cook = job && methodOf(job.recipe).cook;
      const isShared = atHeat.some(
        (one) => one !== task && one.surfaceId === task.surfaceId && one.start === task.start,
      );
      if (!job || !cook || isShared) return [];
      const isDrawn = job.recipe.family === "drawn" || cook.tools.includes("pen");
      if (thing !== (isDrawn ? "pen" : cook.tools.includes("ladle") ? "ladle" : undefined)) return [];
      const pace = cook.who === "adult" ? 1 : input.pace;
      const takes = task.pieces * job.recipe.heat.pourPerPiece * pace + (job.recipe.heat.halves?.likely ?? 0);
      return [{ start: task.start, end: task.start + takes }];
    });
    for (const { start, end } of pours) {
      const busy = pours.filter((one) => one.start <= start + near && one.end > start + 1 / 60 && end > start).length;
      if (busy > count) say(`${busy} tables pour with a ${thing} at ${start}, of ${count}`);
    }
  }
  const eat = timeline.tasks.find((task) => task.kind === "eat")?.start ?? 0;
  for (const task of timeline.tasks)
    if (
      ["load", "after", "part"].includes(task.kind) &&
      task.end > eat + near &&
      !timeline.unplaced.includes(task.stationId ?? "")
    )
      say(`${task.id} ends after everybody eats`);
  if (timeline.bound > eat + near) say(`ready at ${eat}, sooner than the bound of ${timeline.bound}`);
  if (timeline.isProved && Math.abs(timeline.bound - eat) > near) say("proved, and not at the bound");
  return faults;
}
