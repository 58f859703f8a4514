import type { Kysely } from "kysely";
import type { Dish, Mixing, Settled } from "~/core/plan";
import { readRatio, writeRatio } from "~/core/quantity";
import type { DB } from "../schema";
import { bodyKey, latestStanding, recipeFrom } from "./recipes.server";

/** The rows of classes' dishes with their recipes, of what they take instead, and of rounds that are made otherwise: three queries. */
export const dishRows = async (db: Kysely<DB>, classIds: readonly string[]) => {
  const [dishes, takes, rounds] = await Promise.all([
    db
      .selectFrom("class_dish")
      .innerJoin("recipe_revision", (join) =>
        join
          .onRef("recipe_revision.recipe_id", "=", "class_dish.recipe_id")
          .onRef("recipe_revision.revision", "=", "class_dish.revision"),
      )
      .select((eb) => [
        "class_dish.id",
        "class_dish.class_id",
        "body",
        bodyKey,
        "variant_id",
        "stations",
        "bowl",
        "cooks",
        "mixing",
        "bulk",
        latestStanding(eb),
        eb
          .selectFrom("recipe_revision as newer")
          .select((inner) => inner.fn.max("newer.revision").as("newest"))
          .whereRef("newer.recipe_id", "=", "class_dish.recipe_id")
          .as("newest"),
      ])
      .where("class_id", "in", classIds)
      .orderBy("position")
      .execute(),
    db
      .selectFrom("class_dish_take")
      .innerJoin("class_dish", "class_dish.id", "dish_id")
      .selectAll("class_dish_take")
      .where("class_id", "in", classIds)
      .orderBy("line_id")
      .execute(),
    db
      .selectFrom("class_dish_round")
      .innerJoin("class_dish", "class_dish.id", "dish_id")
      .selectAll("class_dish_round")
      .where("class_id", "in", classIds)
      .orderBy("round_id")
      .execute(),
  ]);
  return { dishes, takes, rounds };
};
export type DishRows = Awaited<ReturnType<typeof dishRows>>;

/** The dishes of one class, in their order. */
export const dishesFrom = ({ dishes, takes, rounds }: DishRows, classId: string): Dish[] =>
  dishes.flatMap((one): Dish[] => {
    if (one.class_id !== classId) return [];
    const bowl = one.bowl === null ? undefined : readRatio(one.bowl);
    const taken = takes.filter((take) => take.dish_id === one.id);
    const asked = rounds.filter((round) => round.dish_id === one.id);
    return [
      {
        id: one.id,
        recipe: recipeFrom(one),
        variantId: one.variant_id,
        stations: one.stations,
        ...(bowl ? { bowl } : {}),
        ...(one.cooks === "wanted" ? { cooks: one.cooks } : {}),
        ...(one.mixing === null ? {} : { mixing: one.mixing as Mixing }),
        ...(taken.length > 0
          ? { takes: taken.map((take) => ({ lineId: take.line_id, ingredientId: take.ingredient_id })) }
          : {}),
        ...(one.bulk === null ? {} : { bulk: one.bulk }),
        ...(asked.length > 0
          ? { rounds: asked.map((round) => ({ roundId: round.round_id, parts: round.parts })) }
          : {}),
        newestRevision: one.newest ?? undefined,
      },
    ];
  });

/** A dish as it is written: its recipe by name. */
export type DishRow = Pick<Dish, "variantId" | "stations"> &
  Settled & {
    readonly recipeId: string;
    readonly revision: number;
  };

export const dishRow = ({ recipe, variantId, stations, bowl, cooks, mixing, takes, rounds, bulk }: Dish): DishRow => ({
  recipeId: recipe.id,
  revision: recipe.revision,
  variantId,
  stations,
  bowl,
  cooks,
  mixing,
  takes,
  rounds,
  bulk,
});

/** The dishes of a class, in place of those it has. */
export async function writeDishes(db: Kysely<DB>, classId: string, dishes: readonly DishRow[]): Promise<void> {
  await db.deleteFrom("class_dish").where("class_id", "=", classId).execute();
  if (dishes.length === 0) return;
  const written = await db
    .insertInto("class_dish")
    .values(
      dishes.map((dish, position) => ({
        class_id: classId,
        position,
        recipe_id: dish.recipeId,
        revision: dish.revision,
        variant_id: dish.variantId,
        stations: dish.stations,
        bowl: dish.bowl ? writeRatio(dish.bowl) : null,
        cooks: dish.cooks ?? null,
        mixing: dish.mixing ?? null,
        bulk: dish.bulk ?? null,
      })),
    )
    .returning(["id", "position"])
    .execute();
  const takes = written.flatMap(({ id, position }) =>
    (dishes[position]?.takes ?? []).map((take) => ({
      dish_id: id,
      line_id: take.lineId,
      ingredient_id: take.ingredientId,
    })),
  );
  if (takes.length > 0) await db.insertInto("class_dish_take").values(takes).execute();
  const rounds = written.flatMap(({ id, position }) =>
    (dishes[position]?.rounds ?? []).map(({ roundId, parts }) => ({ dish_id: id, round_id: roundId, parts })),
  );
  if (rounds.length > 0) await db.insertInto("class_dish_round").values(rounds).execute();
}
