import {
  type Pieces,
  type Seconds,
  toSeconds,
  inPieces,
  inSeconds,
  plus,
  inMinutes,
  minus,
  largest,
  smallest,
} from "~/core/quantity";
import {
  type Heat,
  type Recipe,
  type Step,
  type StepKind,
  type SurfaceKind,
  heatOn,
  methodOf,
  piecesByRound,
  pouredWith,
  toolsAt,
} from "~/core/recipe";
import {
  arrivalSeconds,
  betweenSeconds,
  handMinutes,
  loadSeconds,
  pouringSeconds,
  stepSeconds,
  washMinutes,
} from "./durations";
import type { Amounts, PinnableBell, ScheduleInput, StationJob, TaskKind } from "./types";
import { type ClaimRule, claimsByRule } from "./claims";
import { type Unit, canUse, instructorsOwn, placesFor, unitsOf } from "./units";
import { type SharedThing, canBeCleared, sharedThings } from "~/core/gear";
import { type Row, waits } from "./tool-queue";

/** One step of a station's handwork, in seconds from the moment the station begins to mix. */
export interface ChainTask {
  readonly kind: TaskKind;
  readonly stepId: string;
  readonly from: Seconds;
  readonly to: Seconds;
  /** What it wants of the things that go round, for how long from its begin, and how long it has waited for them. */
  readonly things: readonly SharedThing[];
  readonly holds: Seconds;
  readonly waited: Seconds;
  /** How long it has waited before that until the room was there: where everybody steps along, nobody goes on alone. */
  readonly caughtUp: Seconds;
}

/** Pieces of one round and one mix. */
export interface Segment {
  readonly pieces: Pieces;
  /** Which round of its recipe, from 0. */
  readonly round: number;
  /** Which of its mixes, 0 or 1. */
  readonly mix: number;
}

/** The pieces of a station by rounds and mixes, in the order they are cooked: the second mix begins where the first one's pieces end. */
export function segmentsOf(rounds: readonly Pieces[], firstMix: Pieces): Segment[] {
  let before = inPieces(0);
  return rounds.flatMap((pieces, round): Segment[] => {
    const first = largest(inPieces(0), smallest(pieces, minus(firstMix, before)));
    before = plus(before, pieces);
    const parts = [
      { pieces: first, round, mix: 0 },
      { pieces: minus(pieces, first), round, mix: 1 },
    ].filter((part) => part.pieces > 0);
    return parts.length > 0 ? parts : [{ pieces: inPieces(0), round, mix: before > firstMix ? 1 : 0 }];
  });
}

/** One mix: its tasks, and seconds from its begin until leavener is wet, batter mixed, hands free, first pour allowed. */
export interface Mixing {
  readonly chain: readonly ChainTask[];
  readonly wetAfter: Seconds;
  readonly mixedAfter: Seconds;
  readonly handsAfter: Seconds;
  readonly readyAfter: Seconds;
}

/** One station in the network: a chain of handwork that can shift as a whole, and pieces that need a unit. */
export interface Node extends Mixing {
  readonly job: StationJob;
  readonly index: number;
  readonly pieces: Pieces;
  /** The same by rounds of its recipe and mixes of its batter, in the order they are cooked: no load holds pieces of two. */
  readonly segments: readonly Segment[];
  /** Pieces of its first mix: all of them where it mixes once. */
  readonly firstMix: Pieces;
  /** The one pair of hands is wanted at the heat: nobody mixes a second half while the first is cooked. */
  readonly isOneHanded: boolean;
  /** Its second half, which nobody keeps step with, and for which what goes round is asked for anew. */
  readonly again: Mixing;
  /** What is made beside from the end of mixing, one part after the other, and the seconds it takes from there. */
  readonly beside: readonly ChainTask[];
  readonly besideSeconds: Seconds;
  /** What the method does after the last piece is out, in seconds from then, and how long it takes where nothing is waited for. */
  readonly after: readonly ChainTask[];
  readonly afterSeconds: Seconds;
  /**
   * Seconds of a load by its pieces, from the first pour to the last piece out; the first is of none, only its sides. By unit, as kinds
   * of surface differ, and the least of any it may use.
   */
  readonly loadOn: readonly (readonly Seconds[])[];
  readonly load: readonly Seconds[];
  /** Seconds between two loads, and of one tester on its quickest unit. */
  readonly between: Seconds;
  readonly tester: Seconds;
  /** Most seconds from wetting to the start of the last load; null for no limit. */
  readonly cookBy: Seconds | null;
  /** Units it may use, and how many of its pieces lie on each: 0 where none. */
  readonly units: readonly number[];
  readonly places: readonly Pieces[];
  /** Which recipe it makes, by number: nothing is washed between stations of one. */
  readonly recipe: number;
  /** Kept apart: it has one of its units to itself until its last load is out. */
  readonly isApart: boolean;
  /** The least of its pieces that are no testers: 0 where testers come off them. */
  readonly eaten: Pieces;
  /** Hands that can pour at once where that can be a limit; 0 where it cannot. */
  readonly hands: number;
  /** What its batter is poured with, where that goes round, and for how many seconds by the pieces of a load. */
  readonly pouredWith: SharedThing | null;
  readonly pouring: readonly Seconds[];
}

/** The activity network of a class: activities, resources and precedences with their durations, before any moment is chosen. */
export interface Network {
  readonly input: ScheduleInput;
  readonly nodes: readonly Node[];
  readonly units: readonly Unit[];
  /** For each unit: when it is hot, seconds to wash and heat it again, whether washing clears it, whether dishes lie on it together. */
  readonly hotAt: readonly Seconds[];
  readonly rewash: readonly Seconds[];
  readonly isClearable: readonly boolean[];
  readonly isOven: readonly boolean[];
  /** For each station the unit that it has to itself, kept apart, by each rule; see `claimsByRule`. */
  readonly claims: Readonly<Record<ClaimRule, readonly number[]>>;
  /** Testers that each station makes batter for; null where they come off its pieces. */
  readonly given: readonly Pieces[] | null;
  /** The same class with the least that each station makes, whoever gives the testers: a bound of that one holds for this, too. */
  readonly least: Network | null;
  /** May two recipes lie in one oven at once? By their numbers. */
  readonly alike: readonly (readonly boolean[])[];
  readonly arrived: Seconds;
  /** When the mixing is shown, from and to; where everybody mixes along, both when they begin. */
  readonly demoMixFrom: Seconds;
  readonly demoMixEnd: Seconds;
  /** For each unit: when the load that is shown can lie on it, which no pinned bell holds back. */
  readonly shownHotAt: readonly Seconds[];
  /** When the meal begins at the soonest; 0 where nobody pinned it. */
  readonly eatFrom: Seconds;
  /** The load that is shown: its recipe, how long it takes, and on which units it can be shown, the best by rule first. */
  readonly shown: {
    readonly recipe: number;
    /** By unit, and the least of any. */
    readonly secondsOn: readonly Seconds[];
    readonly seconds: Seconds;
    readonly between: Seconds;
    readonly units: readonly number[];
  } | null;
  readonly hotPlaces: number | null;
  readonly testers: Pieces;
  readonly washes: boolean;
}

/** Two dishes share an oven only where one time and one heat are right for both. */
const cookAlike = (a: Recipe, b: Recipe): boolean =>
  a === b || alikeHeat(heatOn(a.heat, "oven"), heatOn(b.heat, "oven"));
const alikeHeat = (a: Heat, b: Heat): boolean =>
  a.side1.likely === b.side1.likely &&
  (a.side2?.likely ?? 0) === (b.side2?.likely ?? 0) &&
  (a.halves?.likely ?? 0) === (b.halves?.likely ?? 0) &&
  a.surfaceC.from <= b.surfaceC.to &&
  b.surfaceC.from <= a.surfaceC.to;

/** Shared tools that a step needs, and for how long: the scale while measuring, the hob or microwave for the whole step. */
function wantedBy(step: Step, recipe: Recipe, { measuring, whole }: { measuring: Seconds; whole: Seconds }) {
  // What is warmed again is warmed where its step says: a pan wants a hob, and so does a saucepan.
  const over = toolsAt(step, recipe);
  const wantsHob = over.includes("saucepan") || (step.kind === "reheat" && step.warmth?.place === "pan");
  // A gate is read in a moment: what only that is needed for keeps nobody waiting.
  const things = sharedThings.filter((thing) =>
    thing === "hob" ? wantsHob : thing === "microwave" ? over.includes(thing) : step.tools.includes(thing),
  );
  return { things, holds: things.length === 1 && things[0] === "scale" && measuring > 0 ? measuring : whole };
}

const chainKinds: Partial<Readonly<Record<StepKind, TaskKind>>> = { rest: "wait", prepare: "prepare", cook: "part" };

/** The handwork of one station up to the pour, in seconds from its begin. */
function chainOf(job: StationJob, input: ScheduleInput) {
  const method = methodOf(job.recipe);
  const chain: ChainTask[] = [];
  let at = inSeconds(0);
  let wetAfter: Seconds | undefined;
  const add = (kind: TaskKind, step: Step, took: { measuring: Seconds; whole: Seconds }) => {
    if (took.whole > 0)
      chain.push({
        kind,
        stepId: step.id,
        from: at,
        to: plus(at, took.whole),
        ...wantedBy(step, job.recipe, took),
        waited: inSeconds(0),
        caughtUp: inSeconds(0),
      });
  };
  for (const step of method.mixing) {
    const took = stepSeconds(step, job, input);
    if (step.id === job.wetStepId) wetAfter = plus(at, took.measuring);
    add(chainKinds[step.kind] ?? "mix", step, took);
    at = plus(at, took.whole);
  }
  const mixedAfter = at;
  // The rest of the method and the rest of the window are one rest from the end of mixing; what is prepared after it waits for it.
  let rested = inSeconds(0);
  for (const step of method.resting) {
    const took = stepSeconds(step, job, input);
    if (step.kind === "rest") {
      rested = plus(rested, took.whole);
      at = largest(at, plus(mixedAfter, rested));
    } else {
      add("prepare", step, took);
      at = plus(at, took.whole);
    }
  }
  const beside: ChainTask[] = [];
  let aside = mixedAfter;
  for (const step of method.beside.flatMap((one) => one.steps)) {
    const took = stepSeconds(step, job, input);
    const kind = step.kind === "rest" ? "wait" : "part";
    const wanted = wantedBy(step, job.recipe, took);
    beside.push({
      kind,
      stepId: step.id,
      from: aside,
      to: plus(aside, took.whole),
      ...wanted,
      waited: inSeconds(0),
      caughtUp: inSeconds(0),
    });
    aside = plus(aside, took.whole);
  }
  return {
    chain,
    beside,
    besideSeconds: minus(aside, mixedAfter),
    wetAfter: wetAfter ?? mixedAfter,
    mixedAfter,
    handsAfter: at,
    readyAfter: largest(at, plus(mixedAfter, toSeconds(job.recipe.rest.min))),
  };
}

/** What a method does after the last piece, one thing after the other. */
function afterOf(job: StationJob, input: ScheduleInput): readonly ChainTask[] {
  let at = inSeconds(0);
  return methodOf(job.recipe).after.flatMap((step): ChainTask[] => {
    const took = stepSeconds(step, job, input);
    if (took.whole <= 0) return [];
    const from = at;
    at = plus(at, took.whole);
    const kind = step.kind === "rest" ? "wait" : "after";
    const wanted = wantedBy(step, job.recipe, took);
    return [{ kind, stepId: step.id, from, to: at, ...wanted, waited: inSeconds(0), caughtUp: inSeconds(0) }];
  });
}

/** Adds waiting times to the chains: for shared tools, and where everybody follows the instructor, for the other stations. */
function inTurns(nodes: readonly Node[], { goesRound = [], demo }: ScheduleInput): readonly Node[] {
  const uses = (tasks: readonly ChainTask[]) => tasks.map(({ from, things, holds }) => ({ from, things, holds }));
  // Where nothing goes round, tables that work the same wait the same: one speaks for all.
  const speakers = goesRound.length > 0 ? nodes : [...new Map(nodes.map((node) => [node.again, node])).values()];
  const placeOf = new Map(speakers.map((node, place) => [goesRound.length > 0 ? node : node.again, place]));
  const rows = [
    ...speakers.map(({ chain, job }): Row => {
      const isFirst = job.isApart === true;
      if (demo !== "along") return { uses: uses(chain), isFirst };
      // Tables of one recipe, whatever they take for its lines, are led through one method.
      const { mixing, resting } = methodOf(job.recipe);
      const steps = [...mixing, ...resting].map((step) => step.id);
      return {
        uses: chain.map(({ from, to, things, holds, stepId }) => ({
          from,
          to,
          things,
          holds,
          step: steps.indexOf(stepId),
        })),
        isFirst,
        together: job.recipe.id,
      };
    }),
    ...speakers.map((node, row): Row => {
      const use = node.chain.findLastIndex((task) => task.to <= node.mixedAfter);
      return { uses: uses(node.beside), isFirst: node.job.isApart === true, after: { row, use } };
    }),
  ];
  const { later, forRoom } = waits(rows, new Map(goesRound.map(({ thing, count }) => [thing, count])));
  return nodes.map((node) => {
    const index = placeOf.get(goesRound.length > 0 ? node : node.again) ?? 0;
    const [mine, aside] = [later[index] ?? [], later[speakers.length + index] ?? []];
    if (mine.every((by) => by === 0) && aside.every((by) => by === 0)) return node;
    const mixing = node.chain.findLastIndex((task) => task.to <= node.mixedAfter);
    const mixedBy = mine[mixing] ?? inSeconds(0);
    const moved = (
      tasks: readonly ChainTask[],
      by: readonly Seconds[],
      first: Seconds,
      room: readonly Seconds[] = [],
    ) =>
      tasks.map((task, at): ChainTask => {
        const own = by[at] ?? inSeconds(0);
        const before = at > 0 ? (by[at - 1] ?? inSeconds(0)) : first;
        const caughtUp = room[at] ?? inSeconds(0);
        return {
          ...task,
          from: plus(task.from, own),
          to: plus(task.to, own),
          waited: minus(minus(own, before), caughtUp),
          caughtUp,
        };
      });
    const wetIn = node.chain.findIndex((task) => task.from <= node.wetAfter && node.wetAfter < task.to);
    const mixedAfter = plus(node.mixedAfter, mixedBy);
    const handsAfter = plus(node.handsAfter, mine[node.chain.length - 1] ?? inSeconds(0));
    const beside = moved(node.beside, aside, mixedBy);
    return {
      ...node,
      chain: moved(node.chain, mine, inSeconds(0), forRoom[index]),
      beside,
      wetAfter: plus(node.wetAfter, wetIn < 0 ? mixedBy : (mine[wetIn] ?? inSeconds(0))),
      mixedAfter,
      handsAfter,
      readyAfter: largest(handsAfter, plus(mixedAfter, toSeconds(node.job.recipe.rest.min))),
      besideSeconds: largest(inSeconds(0), minus(beside[beside.length - 1]?.to ?? mixedAfter, mixedAfter)),
    };
  });
}

/** Seconds of loads by their pieces, for each recipe and kind of surface, worked out once. */
function loadTables(units: readonly Unit[], pace: number) {
  const known = new Map<Recipe, Map<SurfaceKind, readonly Seconds[]>>();
  return (recipe: Recipe, kind: SurfaceKind): readonly Seconds[] => {
    const kinds = known.get(recipe) ?? new Map<SurfaceKind, readonly Seconds[]>();
    known.set(recipe, kinds);
    const before = kinds.get(kind);
    if (before) return before;
    const most = Math.max(1, ...units.map((unit) => placesFor(unit, recipe)));
    const made = Array.from({ length: most + 1 }, (_, count) => loadSeconds(recipe, inPieces(count), pace, kind));
    kinds.set(kind, made);
    return made;
  };
}

/** Element-wise minimum of tables; the shared table itself when all are identical. */
const leastTable = ([first = [], ...others]: readonly (readonly Seconds[])[]): readonly Seconds[] =>
  others.every((one) => one === first)
    ? first
    : first.map((seconds, at) => smallest(seconds, ...others.map((one) => one[at] ?? seconds)));

/** Durations shared by all stations of one dish and size. */
type Worked = ReturnType<typeof chainOf> & {
  readonly again: Mixing;
  readonly after: readonly ChainTask[];
  readonly afterSeconds: Seconds;
  readonly between: Seconds;
};

/** What does not depend on the amounts: the units, who may use which, and the durations by dish. */
function roomOf(input: ScheduleInput) {
  const units = unitsOf(input);
  const recipes: Recipe[] = [];
  const numberOf = (recipe: Recipe): number => {
    const known = recipes.indexOf(recipe);
    return known >= 0 ? known : recipes.push(recipe) - 1;
  };
  const shared = units.filter((unit) => unit.stationId === null);
  const own = new Map<string, Unit[]>();
  for (const unit of units)
    if (unit.stationId !== null) own.set(unit.stationId, [...(own.get(unit.stationId) ?? []), unit]);
  const usable = new Map<string, Unit[]>();
  const usableBy = (job: StationJob): Unit[] => {
    const known = usable.get(job.stationId);
    if (known) return known;
    const found = [...shared, ...(own.get(job.stationId) ?? [])]
      .filter((unit) => canUse(unit, job))
      .sort((a, b) => a.place - b.place);
    usable.set(job.stationId, found);
    return found;
  };
  // Stations of one dish and one size work the same: as a class has few of either, each is worked out once.
  const chains = new Map<string, Worked>();
  const worked = (job: StationJob, recipe: number): Worked => {
    const key = [recipe, job.measuredLines, job.eggs, job.sachets ?? 0, job.wetStepId ?? ""].join(" ");
    const known = chains.get(key);
    if (known) return known;
    const after = afterOf(job, input);
    const batter = chainOf(job, input);
    const made: Worked = {
      ...batter,
      again: batter,
      after,
      afterSeconds: after[after.length - 1]?.to ?? inSeconds(0),
      between: betweenSeconds(job.recipe, input.pace),
    };
    chains.set(key, made);
    return made;
  };
  return { units, recipes, numberOf, usableBy, worked, loadsOf: loadTables(units, input.pace) };
}

/** Networks of one class by the testers that each station makes batter for. */
export interface Networks {
  readonly input: ScheduleInput;
  /** Where testers come off the pieces there is one network, whoever gives them. */
  readonly isOne: boolean;
  /** The one where nobody gives a tester. */
  readonly first: Network;
  /** @param testers by station, in the order of the input. */
  readonly of: (testers: readonly Pieces[]) => Network;
}

export function networksOf(input: ScheduleInput): Networks {
  const room = roomOf(input);
  const { amountsFor } = input;
  if (!amountsFor) {
    const one = network(input, { room });
    return { input, isOne: true, first: one, of: () => one };
  }
  const nobody = input.stations.map(() => inPieces(0));
  const amounts = amountsFor(nobody);
  const eaten = amounts.map((one) => one.least.eaten);
  const made = (
    own: readonly Pick<Amounts, "pieces" | "eggs" | "sachets">[],
    given: readonly Pieces[],
    least: Network | null,
  ) => {
    const stations = input.stations.map((job, index): StationJob => {
      const { pieces, eggs, sachets } = own[index] ?? { ...job, sachets: job.sachets ?? 0 };
      return { ...job, pieces, eggs, sachets };
    });
    return network({ ...input, stations }, { room, given, eaten, least });
  };
  const least = made(
    amounts.map((one) => ({ ...one.least, sachets: one.sachets })),
    nobody,
    null,
  );
  const known = new Map<string, Network>();
  const of = (testers: readonly Pieces[]): Network => {
    const key = testers.join(" ");
    const before = known.get(key);
    if (before) return before;
    const one = made(amountsFor(testers), testers, least);
    known.set(key, one);
    return one;
  };
  return { input, isOne: false, first: of(nobody), of };
}

/** What of a network is known beside the input, where testers come on top of the pieces: see {@link Network} and {@link Node}. */
interface Known {
  readonly room: ReturnType<typeof roomOf>;
  readonly given: Network["given"];
  readonly eaten: readonly Pieces[];
  readonly least: Network | null;
}

/** What a class is made of in time; see {@link Network}. Pure, and small: it is made anew for each plan. */
export function network(input: ScheduleInput, known: Partial<Known> = {}): Network {
  const { room = roomOf(input), given = null, eaten = [], least = null } = known;
  const { units, recipes, numberOf, usableBy, worked, loadsOf } = room;
  const goesRound = new Set(input.goesRound?.map((one) => one.thing));
  const alone = input.stations.map((job, index): Node => {
    const { recipe } = job;
    const number = numberOf(recipe);
    const work = worked(job, number);
    const mine = usableBy(job);
    const tables = mine.map((unit) => loadsOf(recipe, unit.surface.kind));
    const load = leastTable(tables.length > 0 ? tables : [loadsOf(recipe, recipe.heat.surfaceKinds[0] ?? "hob-pan")]);
    const places = new Array<Pieces>(units.length).fill(inPieces(0));
    const loadOn = new Array<readonly Seconds[]>(units.length).fill(load);
    mine.forEach((unit, n) => {
      places[unit.place] = placesFor(unit, recipe);
      loadOn[unit.place] = tables[n] ?? load;
    });
    const hands = job.hands ?? 0;
    const pieces = largest(inPieces(0), job.pieces);
    // Half the batter makes half the pieces; of an odd number the first half makes one more.
    const firstMix = job.mixes === 2 ? inPieces(Math.ceil(pieces / 2)) : pieces;
    const named = pouredWith(recipe);
    const pouredBy = named !== null && goesRound.has(named) ? named : null;
    // Who mixes a second half has no hand to pour with.
    const free = job.mixes === 2 ? hands - 1 : hands;
    const pouring = hands > 0 && (load[1] ?? 0) > (load[0] ?? 0) && mine.length > free ? hands : 0;
    return {
      job,
      index,
      pieces,
      segments: segmentsOf(piecesByRound(recipe, pieces), firstMix),
      firstMix,
      isOneHanded: hands === 1,
      ...work,
      load,
      loadOn,
      tester: load[1] ?? inSeconds(0),
      cookBy: job.cookBy ? toSeconds(job.cookBy.max) : null,
      units: mine.map((unit) => unit.place),
      places,
      recipe: number,
      isApart: job.isApart === true && pieces > 0 && mine.length > 0,
      eaten: eaten[index] ?? inPieces(0),
      hands: pouring,
      pouredWith: pouredBy,
      pouring: pouredBy === null ? [] : load.map((_, count) => pouringSeconds(recipe, inPieces(count), input.pace)),
    };
  });
  const nodes = input.goesRound || input.demo === "along" ? inTurns(alone, input) : alone;
  const arrived = arrivalSeconds(input);
  const pinned = (bell: PinnableBell) => toSeconds(input.pins?.find((pin) => pin.bell === bell)?.at ?? inMinutes(0));
  const demoMix = input.demo === "along" ? inSeconds(0) : toSeconds(handMinutes.demoMix);
  const demoMixFrom = largest(arrived, minus(pinned("mix"), demoMix));
  const heat = {
    // A surface that nobody may pour on yet might as well be cold.
    hotAt: units.map((unit) => largest(unit.preheat, pinned("pour"))),
    rewash: units.map((unit) => plus(toSeconds(washMinutes), unit.preheat)),
    isClearable: units.map((unit) => canBeCleared(unit.surface)),
    testers: input.testersPerSurface,
    demoMixEnd: plus(demoMixFrom, demoMix),
  };
  const claims = (rule: ClaimRule) => claimsByRule(nodes, units, heat, rule);
  const byRule = claims("last");
  const shownRecipe = input.demoRecipe ?? input.stations[0]?.recipe;
  const showable =
    input.demo === "mix-and-load" && shownRecipe
      ? units
          .filter(
            (unit) =>
              placesFor(unit, shownRecipe) > 0 && (input.areHomes !== true || unit.stationId === instructorsOwn),
          )
          .sort(
            (a, b) =>
              Number(byRule.includes(a.place)) - Number(byRule.includes(b.place)) ||
              Number(a.stationId !== null) - Number(b.stationId !== null) ||
              a.preheat - b.preheat ||
              a.place - b.place,
          )
      : [];
  const shownOn = shownRecipe ? units.map((unit) => loadSeconds(shownRecipe, inPieces(1), 1, unit.surface.kind)) : [];
  const shown =
    shownRecipe && showable.length > 0
      ? {
          recipe: numberOf(shownRecipe),
          secondsOn: shownOn,
          seconds: smallest(...showable.map((unit) => shownOn[unit.place] ?? inSeconds(Infinity))),
          between: betweenSeconds(shownRecipe, 1),
          units: showable.map((unit) => unit.place),
        }
      : null;
  return {
    input,
    nodes,
    units,
    ...heat,
    shownHotAt: units.map((unit) => unit.preheat),
    eatFrom: pinned("eat"),
    isOven: units.map((unit) => unit.surface.kind === "oven"),
    claims: { last: byRule, soonest: nodes.some((node) => node.isApart) ? claims("soonest") : byRule },
    given,
    least,
    alike: recipes.map((a) => recipes.map((b) => cookAlike(a, b))),
    arrived,
    demoMixFrom,
    shown,
    hotPlaces: input.hotPlaces === null ? null : Math.max(1, input.hotPlaces),
    washes: input.washesBetween ?? false,
  };
}
