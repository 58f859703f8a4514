import type { ClassPlan } from "~/core/plan";
import { type Minutes, type Pieces, inMinutes } from "~/core/quantity";
import { coolDown } from "~/core/recipe";

/** What stands beside the tray of one round: whose, what, when its last piece came out, and how long it may stand. */
export interface Tray {
  readonly stationId: string;
  readonly dishId: string;
  readonly roundId: string;
  readonly pieces: Pieces;
  /** Since the doors: the last piece out, and the moment by which it is eaten, or cooled down far enough to be chilled. */
  readonly out: Minutes;
  readonly by: Minutes;
}

/** A label for the tray of every round that somebody cooks, in the order of the tables and of cooking. */
export function traysOf({ stations, dishes, timeline }: Pick<ClassPlan, "stations" | "dishes" | "timeline">): Tray[] {
  return stations.flatMap(({ id, dishId, rounds = [] }) =>
    rounds.flatMap(({ roundId, pieces }): Tray[] => {
      const loads = timeline.tasks.filter(
        (task) => task.kind === "load" && task.stationId === id && task.roundId === roundId,
      );
      if (loads.length === 0 || !dishes.some((dish) => dish.id === dishId)) return [];
      const out = Math.max(...loads.map((task) => task.end));
      return [
        {
          stationId: id,
          dishId,
          roundId,
          pieces,
          out: inMinutes(out),
          by: inMinutes(out + coolDown.warm.withinMinutes),
        },
      ];
    }),
  );
}
