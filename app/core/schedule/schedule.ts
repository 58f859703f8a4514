import { surfaceIdOf } from "~/core/ids";
import { type Minutes, type Seconds, inPieces, largest, plus, toMinutes, toSeconds } from "~/core/quantity";
import type { Genes } from "./laid";
import { type Network, networksOf } from "./network";
import type { Order } from "./order";
import { type Candidate, bestByRule, byGenes } from "./rules";
import { timelineOf } from "./timeline";
import { instructorsOwn } from "./units";
import { compareScores } from "./windows";
import type { ScheduleInput, Timeline } from "./types";

/** An order by numbers; what it says of stations and units that are not there is left out. */
export function genesFrom(net: Network, order: Order): Genes {
  const key = (surfaceId: string, number: number, stationId: string | null) =>
    `${surfaceId}\n${number}\n${stationId ?? ""}`;
  const unitAt = new Map(net.units.map((unit, index) => [key(unit.surfaceId, unit.number, unit.stationId), index]));
  const nodeAt = new Map(net.nodes.map((node) => [node.job.stationId, node.index]));
  const { demoAt } = order;
  const shownAt = (stationId: string | null) =>
    demoAt ? unitAt.get(key(demoAt.surfaceId, demoAt.number, stationId)) : undefined;
  const shownOn = shownAt(demoAt?.stationId ?? null) ?? shownAt(instructorsOwn);
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
          // The instructor's own surface is nobody's at a table: its name is enough.
          ...(shownOn.stationId === null || shownOn.stationId === instructorsOwn
            ? {}
            : { stationId: shownOn.stationId }),
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
  const quick = bestByRule(nets, true);
  // Other rules could keep a window that these break, and end later: then all of them are asked.
  const ruled = quick.score.broken > 0 || quick.score.uncleared > 0 ? bestByRule(nets) : quick;
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
