import { ownProductsAt } from "~/core/pantry";
import type { Pantry } from "~/core/batter";
import { isBatchLarge } from "~/core/kit";
import { multiply, ratio, inPieces, minus, sumOf } from "~/core/quantity";
import type { Round } from "~/core/recipe";
import { type Timeline, greasedLoads } from "~/core/schedule";
import type { ClassInput, StationPlan } from "./types";
import { batterIn, besideBatter, kitFor, kitOptionsOf, ownSetAt } from "./kits-of";
import { cookedOf, testersIn, type Row } from "./laying";

/** Pieces of each round that a station eats: those of its loads. */
const roundsIn = ({ tasks }: Timeline, stationId: string, rounds: readonly Round[]) =>
  rounds.map(({ id: roundId }) => ({
    roundId,
    pieces: sumOf(
      tasks.flatMap((task) =>
        task.kind === "load" && task.stationId === stationId && task.roundId === roundId ? task.pieces : [],
      ),
    ),
  }));

/** Every station with its kit: what depends on loads is computed after the timeline, from its loads. */
export function stationPlans(
  input: ClassInput,
  rows: readonly Row[],
  timeline: Timeline,
  pantry: Pantry,
): StationPlan[] {
  const usual = kitOptionsOf(input);
  const loads = new Map<string, number>();
  for (const task of timeline.tasks)
    if (task.kind === "load" && task.stationId) loads.set(task.stationId, (loads.get(task.stationId) ?? 0) + 1);
  const testers = testersIn(timeline);
  return rows.map(({ station, eaters, index, dish, scale }): StationPlan => {
    const own = { loads: loads.get(station.id) ?? 0, testers: testers.get(station.id) ?? 0 };
    const cooked = cookedOf(dish, scale);
    const ownSet = ownSetAt(input, index);
    const rounds = dish.recipe.rounds && roundsIn(timeline, station.id, dish.recipe.rounds);
    const inBowl = dish.mixing === "halves" ? multiply(scale.factor, ratio(1n, 2n)) : scale.factor;
    const asked = ownSet === undefined ? usual : kitOptionsOf(input, ownSet);
    // Spice is eased by what is in one bowl.
    const products = ownProductsAt(input, index);
    const options = {
      ...asked,
      easesSpice: asked.easesSpice && isBatchLarge(inBowl),
      ...(products.size > 0 ? { own: products } : {}),
    };
    const kit = kitFor(
      dish.recipe,
      input.pantry,
      pantry,
      scale.factor,
      {
        loads: own.loads,
        greased: (every) => greasedLoads(timeline.tasks, (load) => load.stationId === station.id, every),
        // Nobody garnishes what is thrown away.
        pieces: minus(cooked, inPieces(own.testers)),
        ...(rounds ? { rounds: rounds.map((round) => round.pieces) } : {}),
        people: eaters,
      },
      options,
    );
    const half = () => kitFor(dish.recipe, input.pantry, pantry, inBowl, { loads: 0, pieces: inPieces(0) }, options);
    return {
      ...station,
      dishId: dish.id,
      isApart: input.arrangement?.apart.includes(index) ?? false,
      scale,
      eaters,
      cooked,
      ...own,
      ...(rounds ? { rounds } : {}),
      ...(ownSet === undefined ? {} : { ownSet }),
      kit,
      ...(dish.mixing === "ahead"
        ? { ahead: { batter: batterIn(kit, dish.recipe), rest: besideBatter(kit, dish.recipe) } }
        : {}),
      ...(dish.mixing === "halves"
        ? { halves: { factor: inBowl, each: batterIn(half(), dish.recipe), rest: besideBatter(kit, dish.recipe) } }
        : {}),
    };
  });
}
