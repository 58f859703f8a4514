import { type Ratio, commonMeasure, divide, floor, multiply, ratio, toNumber, writeRatio } from "./ratio";
import { type MeasuringSystem, type VolumeUnit, millilitresIn } from "./units";

/** One measure at a station: a levelled cup or spoon. */
export interface Scoop {
  readonly size: Ratio;
  readonly unit: Extract<VolumeUnit, "tsp" | "tbsp" | "cup" | "ml">;
}

/** The cups and spoons a station really has. */
export interface MeasuringSet {
  readonly id: string;
  readonly name: string;
  readonly system: MeasuringSystem;
  readonly scoops: readonly Scoop[];
}

/** How many times to fill which scoop. */
export interface ScoopCount extends Scoop {
  readonly count: number;
}

/** An amount as scoops, what they hold in ml, and the share the rounding adds (+) or takes (-); 0.02 is 2 %. */
export interface Scooped {
  readonly counts: readonly ScoopCount[];
  readonly millilitres: number;
  readonly error: number;
  /** False when the set cannot come within the tolerance: print grams instead, or fetch another spoon. */
  readonly isWithin: boolean;
}

/** The largest share by which the scoops may miss, by what the line does (starting values). */
export const scoopTolerance = { strict: 0.02, usual: 0.05 } as const;

/** An exact answer is preferred while it needs no more scoops than a learner counts without losing track (starting value). */
export const mostExactScoops = 6;

/** The fewest scoops for every multiple of the set's common measure, found once per set. */
interface Table {
  readonly measure: Ratio;
  readonly units: readonly { readonly scoop: Scoop; readonly size: number }[];
  /** fewest[q]: least number of scoops that hold exactly q measures; Infinity when none do. */
  readonly fewest: number[];
  /** last[q]: index of a scoop that ends such a filling. */
  readonly last: number[];
}

// Keyed by identity: a set is immutable, and recomputing its table for every line of every station is what would be slow.
const tables = new WeakMap<MeasuringSet, Table>();

function emptyTable(set: MeasuringSet): Table {
  const sized = set.scoops.map((scoop) => ({
    scoop,
    millilitres: multiply(scoop.size, millilitresIn(scoop.unit, set.system)),
  }));
  const [first, ...rest] = sized;
  if (!first) throw new RangeError("expected a measuring set with at least one scoop, got none.");
  const measure = rest.reduce((common, { millilitres }) => commonMeasure(common, millilitres), first.millilitres);
  const units = sized
    .map(({ scoop, millilitres }) => ({ scoop, size: Number(divide(millilitres, measure).num) }))
    .sort((a, b) => b.size - a.size);
  return { measure, units, fewest: [0], last: [-1] };
}

function tableUpTo(set: MeasuringSet, most: number): Table {
  const table = tables.get(set) ?? emptyTable(set);
  tables.set(set, table);
  for (let q = table.fewest.length; q <= most; q += 1) {
    let best = Infinity;
    let last = -1;
    table.units.forEach(({ size }, index) => {
      const before = q >= size ? (table.fewest[q - size] ?? Infinity) : Infinity;
      if (before + 1 < best) {
        best = before + 1;
        last = index;
      }
    });
    table.fewest.push(best);
    table.last.push(last);
  }
  return table;
}

function countsFor(table: Table, total: number): ScoopCount[] {
  const counts = new Map<number, number>();
  for (let q = total; q > 0;) {
    const index = table.last[q] ?? -1;
    counts.set(index, (counts.get(index) ?? 0) + 1);
    q -= table.units[index]?.size ?? q;
  }
  return [...counts]
    .sort(([a], [b]) => a - b)
    .flatMap(([index, count]) => {
      const unit = table.units[index];
      return unit ? [{ ...unit.scoop, count }] : [];
    });
}

/**
 * The scoops for a volume, in ml: the exact filling when it takes at most {@link mostExactScoops}, else the fewest scoops
 * within `tolerance`, of those the closest. When nothing is within the tolerance, the closest filling, marked so.
 * @param tolerance largest share of error, 0 to 1.
 * @throws {RangeError} for a volume that is not above 0 or above 20 l.
 * @example toScoops(⅔ cup, a US set without ⅓) // => ½ cup + 2 tbsp + 2 tsp, error 0
 */
export function toScoops(millilitres: Ratio, set: MeasuringSet, tolerance: number): Scooped {
  const wanted = toNumber(millilitres);
  if (!(wanted > 0 && wanted <= 20_000))
    throw new RangeError(`expected a volume above 0 and up to 20000 ml, got ${wanted}.`);
  const start = emptyOrKnown(set);
  const inMeasures = divide(millilitres, start.measure);
  const exactUnits = toNumber(inMeasures);
  const nearestBelow = Number(floor(inMeasures));
  // Reaches past the target by the largest scoop, so that a closest filling always exists even for an amount below the smallest one.
  const most = Math.ceil(exactUnits * (1 + tolerance)) + (start.units[0]?.size ?? 1);
  const table = tableUpTo(set, most);

  const answer = (q: number): Scooped => {
    const error = q / exactUnits - 1;
    return {
      counts: countsFor(table, q),
      millilitres: toNumber(multiply(ratio(BigInt(q)), table.measure)),
      error: q === exactUnits ? 0 : error,
      isWithin: Math.abs(error) <= tolerance + 1e-12,
    };
  };

  if (inMeasures.den === 1n && (table.fewest[nearestBelow] ?? Infinity) <= mostExactScoops) return answer(nearestBelow);

  let best = -1;
  const miss = (q: number) => Math.abs(q - exactUnits);
  for (
    let q = Math.max(1, Math.ceil(exactUnits * (1 - tolerance) - 1e-9));
    q <= exactUnits * (1 + tolerance) + 1e-9;
    q += 1
  ) {
    const scoops = table.fewest[q] ?? Infinity;
    if (scoops === Infinity) continue;
    const bestScoops = best < 0 ? Infinity : (table.fewest[best] ?? Infinity);
    if (scoops < bestScoops || (scoops === bestScoops && miss(q) < miss(best))) best = q;
  }
  if (best > 0) return answer(best);

  for (let q = 1; q <= most; q += 1) {
    if ((table.fewest[q] ?? Infinity) < Infinity && (best < 0 || miss(q) < miss(best))) best = q;
  }
  return answer(best);
}

/**
 * Every filling that could stand on a card for a volume: those within `tolerance` with the fewest scoops, and the exact one while it
 * takes at most {@link mostExactScoops}. Fewest first; empty when nothing is within the tolerance.
 * @throws {RangeError} as {@link toScoops}.
 */
export function scoopChoices(millilitres: Ratio, set: MeasuringSet, tolerance: number): Scooped[] {
  const best = toScoops(millilitres, set, tolerance);
  if (!best.isWithin) return [];
  const table = tableUpTo(set, 0);
  const exactUnits = toNumber(divide(millilitres, table.measure));
  const choices: Scooped[] = [];
  let fewest = Infinity;
  const inBand: number[] = [];
  for (
    let q = Math.max(1, Math.ceil(exactUnits * (1 - tolerance) - 1e-9));
    q <= exactUnits * (1 + tolerance) + 1e-9;
    q += 1
  ) {
    inBand.push(q);
    fewest = Math.min(fewest, table.fewest[q] ?? Infinity);
  }
  for (const q of inBand) {
    const scoops = table.fewest[q] ?? Infinity;
    const isExact = q === exactUnits && scoops <= mostExactScoops;
    if (scoops === Infinity || (scoops > fewest && !isExact)) continue;
    choices.push({
      counts: countsFor(table, q),
      millilitres: toNumber(multiply(ratio(BigInt(q)), table.measure)),
      error: q === exactUnits ? 0 : q / exactUnits - 1,
      isWithin: true,
    });
  }
  const count = (one: Scooped) => one.counts.reduce((sum, each) => sum + each.count, 0);
  return choices.sort((a, b) => count(a) - count(b) || Math.abs(a.error) - Math.abs(b.error));
}

const emptyOrKnown = (set: MeasuringSet): Table => tableUpTo(set, 0);

const cups = (...sizes: Ratio[]): Scoop[] => sizes.map((size) => ({ size, unit: "cup" as const }));
const spoons = (unit: "tsp" | "tbsp", ...sizes: Ratio[]): Scoop[] => sizes.map((size) => ({ size, unit }));
const [whole, half, third, quarter, eighth] = [
  ratio(1n),
  ratio(1n, 2n),
  ratio(1n, 3n),
  ratio(1n, 4n),
  ratio(1n, 8n),
] as const;

const fullScoops = [
  ...cups(whole, half, third, quarter),
  ...spoons("tbsp", whole),
  ...spoons("tsp", whole, half, quarter),
];
const noThirdScoops = [...cups(whole, half, quarter), ...spoons("tbsp", whole), ...spoons("tsp", whole, half, quarter)];
const fineScoops = [
  ...cups(whole, half, third, quarter, eighth),
  ...spoons("tbsp", whole, half),
  ...spoons("tsp", whole, half, quarter, eighth),
];

const moreCups = [
  ...cups(whole, ratio(3n, 4n), ratio(2n, 3n), half, third, quarter),
  ...spoons("tbsp", whole),
  ...spoons("tsp", whole, half, quarter),
];
const spoonsOnly = [...spoons("tbsp", whole), ...spoons("tsp", whole, half, quarter)];

/** Sets commonly found at a station; the brief names one of them. */
export const measuringSets: readonly MeasuringSet[] = [
  { id: "us-usual", name: "US cups 1, ½, ⅓, ¼", system: "us", scoops: fullScoops },
  { id: "us-no-third", name: "US cups without ⅓", system: "us", scoops: noThirdScoops },
  { id: "us-fine", name: "US cups with ⅛ and half spoons", system: "us", scoops: fineScoops },
  { id: "metric-usual", name: "Metric cups 1, ½, ⅓, ¼", system: "metric", scoops: fullScoops },
  { id: "us-two-thirds", name: "US cups with ⅔ and ¾", system: "us", scoops: moreCups },
  { id: "metric-no-third", name: "Metric cups without ⅓", system: "metric", scoops: noThirdScoops },
  { id: "metric-spoons", name: "Metric spoons only", system: "metric", scoops: spoonsOnly },
  { id: "au-usual", name: "Australian cups and 20 ml tablespoon", system: "au", scoops: fullScoops },
];

/** A scoop as it is named in a brief and a file: “1/3 cup”, “1 tbsp”. */
export const scoopName = ({ size, unit }: Scoop): string => `${writeRatio(size)} ${unit}`;

/** Every scoop of any set, by its name. */
export const scoopNames: readonly string[] = [...new Set([...moreCups, ...fineScoops].map(scoopName))];

/** Whether anything is left to measure with when these are missing. */
export const hasScoopsLeft = (set: MeasuringSet, missing: readonly string[]): boolean =>
  set.scoops.some((scoop) => !missing.includes(scoopName(scoop)));

/** By the identity of the set they are made of. */
const reduced = new WeakMap<MeasuringSet, Map<string, MeasuringSet>>();
/** Sets with something missing that are remembered: their tables of fillings are what takes time to make. */
const mostReduced = 60;

/**
 * A set without the scoops that are not in the drawer today. Names that the set does not have change nothing; the same set for the
 * same names.
 * @throws {RangeError} when nothing would be left to measure with.
 * @example withoutScoops(measuringSetOf("us-usual"), ["1/3 cup"]) // => the scoops of "us-no-third"
 */
export function withoutScoops(set: MeasuringSet, missing: readonly string[]): MeasuringSet {
  const gone = set.scoops.filter((scoop) => missing.includes(scoopName(scoop)));
  if (gone.length === 0) return set;
  if (!hasScoopsLeft(set, missing))
    throw new RangeError(`expected at least one scoop of "${set.id}" to be left, got every one of them missing.`);
  // A set of its own, so that nothing that is remembered of the whole set is taken for it.
  const id = `${set.id} without ${gone.map(scoopName).join(", ")}`;
  const ofSet = reduced.get(set) ?? new Map<string, MeasuringSet>();
  reduced.set(set, ofSet);
  const known = ofSet.get(id);
  if (known) return known;
  const made = { ...set, id, scoops: set.scoops.filter((scoop) => !gone.includes(scoop)) };
  if (ofSet.size >= mostReduced) ofSet.clear();
  ofSet.set(id, made);
  return made;
}

/** @throws {RangeError} for an id that is not in {@link measuringSets}. */
export function measuringSetOf(id: string): MeasuringSet {
  const set = measuringSets.find((one) => one.id === id);
  if (!set) throw new RangeError(`expected one of ${measuringSets.map((one) => one.id).join(", ")}, got "${id}".`);
  return set;
}
