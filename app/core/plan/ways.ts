import { type Ratio, isSame, type Minutes, type Pieces, inPieces, minus } from "~/core/quantity";
import { type ScaleOption, nextWholeEggs, scaleOption } from "~/core/kit";
import { knownFood } from "~/core/pantry";
import { type BatchRule, type EggRule, batchRules, eggRules, loadsFor, scaleStation } from "~/core/scale";
import { type KitMode, kitModes } from "~/core/schedule";
import type { ClassInput, ClassPlan, DishPlan, StationPlan } from "./types";
import { type PlateChange, plateChanges } from "./plate-changes";
import { oncePerPlan } from "./once";
import { plan } from "./plan";
import { kitFor, kitOptionsOf } from "./kits-of";

/** Tables up to which a class is planned anew for each way at once: of 400 tables one plan takes half a second (measured). */
export const mostTablesCompared = 120;

/** Are the ways of a class planned side by side, or is it too large for that? */
export const isCompared = ({ stations }: ClassPlan): boolean => stations.length <= mostTablesCompared;

/** One way of putting the kits together, and what it costs in class. */
export interface KitWay {
  readonly kitMode: KitMode;
  /** The last minute of the class, from the doors. */
  readonly endMinutes: Minutes;
  /** Minutes longer than as planned now; shorter when negative. */
  readonly byMinutes: Minutes;
  readonly isInForce: boolean;
  /** Those whose plate it makes worse. */
  readonly worsens: readonly PlateChange[];
}

/** One way of dealing with half an egg, over all stations. */
export interface EggWay {
  readonly eggRule: EggRule;
  /** Whole eggs to buy. */
  readonly eggs: number;
  readonly pieces: Pieces;
  /** Pieces made beyond those wanted. */
  readonly over: number;
  /** Pieces one station lacks at worst; 0 when nobody goes short. */
  readonly mostShort: number;
  /** The batches stations make, each number once, in the order of the room. */
  readonly factors: readonly Ratio[];
  readonly isInForce: boolean;
  /** Those whose plate it makes worse. */
  readonly worsens: readonly PlateChange[];
}

const withBrief = (input: ClassInput, brief: Partial<ClassInput["brief"]>) =>
  plan({ ...input, brief: { ...input.brief, ...brief } });

const worsenedBy = (input: ClassInput, now: ClassPlan, then: ClassPlan): PlateChange[] =>
  plateChanges({ input, plan: now }, { input, plan: then }).filter((one) => one.isWorse);

/** The class planned with each way of putting kits together; none of a class too large to compare. Nothing is saved. */
export const kitWays = oncePerPlan((input, now): KitWay[] => {
  if (!isCompared(now)) return [];
  return kitModes.map((kitMode) => {
    const isInForce = kitMode === input.brief.kitMode;
    const made = isInForce ? now : withBrief(input, { kitMode });
    const endMinutes = made.timeline.end;
    return {
      kitMode,
      endMinutes,
      byMinutes: minus(endMinutes, now.timeline.end),
      isInForce,
      worsens: worsenedBy(input, now, made),
    };
  });
});

/**
 * The class planned with each rule for half an egg. Empty while eggs come out whole under the usual rule: then there is nothing
 * to choose; and of a class too large to compare.
 */
export const eggWays = oncePerPlan((input, now): EggWay[] => {
  const hasChoice =
    input.brief.eggRule !== "by-weight" || now.findings.some((finding) => finding.code === "egg-fraction");
  if (!hasChoice || !isCompared(now)) return [];
  const eggs = new Set(input.pantry.filter((one) => one.role === "egg").map((one) => one.id));
  return eggRules.map((eggRule): EggWay => {
    const isInForce = eggRule === input.brief.eggRule;
    const made = isInForce ? now : withBrief(input, { eggRule });
    const { stations, totals } = made;
    const sum = (of: (station: (typeof stations)[number]) => number) =>
      stations.reduce((all, station) => all + of(station), 0);
    const factors = stations.map((station) => station.scale.factor);
    return {
      eggRule,
      eggs: totals.reduce((all, total) => all + (eggs.has(total.ingredientId) ? (total.buyPieces ?? 0) : 0), 0),
      pieces: inPieces(sum((station) => station.scale.piecesMade)),
      over: sum((station) => Math.max(0, station.scale.over)),
      mostShort: Math.max(0, ...stations.map((station) => -station.scale.over)),
      factors: factors.filter((one, index) => factors.findIndex((other) => isSame(one, other)) === index),
      isInForce,
      worsens: worsenedBy(input, now, made),
    };
  });
});

/** Stations of one dish and one size, and the ways they could be scaled: each read from the class planned that way. */
export interface ScaleWays {
  readonly dish: DishPlan;
  readonly size: number;
  readonly wanted: number;
  readonly stations: readonly StationPlan[];
  readonly options: readonly ScaleOption[];
  readonly wholeEggs: { readonly factor: Ratio; readonly pieces: Pieces } | undefined;
}

/** The class planned with each rule for batches, dish by dish and size by size; none of a class too large to compare. Nothing is saved. */
export const scaleWays = oncePerPlan((input, now): ScaleWays[] => {
  if (!isCompared(now)) return [];
  const { pantry } = knownFood(input);
  const plans = batchRules.map((batchRule) => ({
    rule: batchRule,
    made: batchRule === input.brief.batchRule ? now : withBrief(input, { batchRule }),
  }));
  return now.dishes.flatMap((dish) => {
    const own = now.stations.filter((station) => station.dishId === dish.id);
    // Tables of one size may feed different numbers: each number wanted is a question of its own.
    const kindOf = ({ size, scale }: StationPlan) => `${size} ${scale.piecesWanted}`;
    return [...new Set(own.map(kindOf))].flatMap((kind): ScaleWays[] => {
      const stations = own.filter((station) => kindOf(station) === kind);
      const [first] = stations;
      if (!first) return [];
      const { size } = first;
      // Another batter may put another table first on a surface, and with it the tester. An alternative is the class with one thing changed:
      // it wants the pieces that are wanted now, testers among them.
      const asWanted = (station: StationPlan, rule: BatchRule) => {
        const wanted = first.scale.piecesWanted;
        if (station.scale.piecesWanted === wanted || dish.bowl || input.brief.eggRule !== "by-weight") return station;
        const scale = scaleStation(dish.recipe, dish.batter, wanted, rule);
        const pieces = dish.cooks ? wanted : scale.piecesMade;
        const loads = loadsFor(pieces, Math.max(1, Math.ceil(station.cooked / Math.max(1, station.loads))));
        const counted = { loads, pieces: pieces, people: first.eaters };
        return {
          ...station,
          scale,
          loads,
          kit: kitFor(dish.recipe, input.pantry, pantry, scale.factor, counted, kitOptionsOf(input, first.ownSet)),
        };
      };
      return [
        {
          dish,
          size,
          wanted: first.scale.piecesWanted,
          stations,
          options: plans.flatMap(({ rule, made }) => {
            const alike = made.stations.filter((one) => one.dishId === dish.id && kindOf(one) === kind);
            const station =
              alike.find((one) => one.id === first.id) ?? alike[0] ?? made.stations.find((one) => one.id === first.id);
            return station ? [scaleOption(rule, dish.recipe, pantry, asWanted(station, rule))] : [];
          }),
          wholeEggs: nextWholeEggs(dish.recipe, pantry, dish.batter, first.scale.factor),
        },
      ];
    });
  });
});
