import type { ClassState } from "~/core/log";
import { type Kysely, sql } from "kysely";
import type { LabelReading, PackSize, SharedFood, Substance } from "~/core/pantry";
import type { Need } from "~/core/people";
import type { ClassInput, Dish, Mixing, Settled } from "~/core/plan";
import type { PersonKeys } from "~/core/sheet";
import type { DB } from "../schema";
import { briefColumns, toBrief } from "./brief.server";
import { kitchens } from "./kitchens.server";
import { allIngredients } from "./pantry.server";
import { bodyKey, latestStanding, recipeFrom } from "./recipes.server";
import { readRatio, writeRatio, inGrams } from "~/core/quantity";
import { toNeed, toParticipant, addParticipants } from "./people.server";
import { labelDetails, addLabels, addSharedFood } from "./labels.server";
import { addPacks } from "./packs.server";
import { pinColumns, pinsIn } from "./pins.server";
import { houseFrom, houseRows, writeHouse } from "./house.server";
import { orderFrom, orderRows, writeOrder } from "./order.server";
import { writeArrangement } from "./seats.server";

/** What stands beside the plan's input: who changed it last, and which version of it this is. */
export interface ClassMeta {
  readonly version: number;
  readonly updatedBy: string | null;
  readonly updatedAt: Date;
  readonly participantVersions: Readonly<Record<string, number>>;
  readonly labelVersions: Readonly<Record<string, number>>;
  /** E-mail addresses by participant, for reminders: no part of any plan. */
  readonly emails: Readonly<Record<string, string>>;
  /** Health data is removed this many days after the class; when it was, if it was. */
  readonly retainDays: number;
  readonly healthRemovedAt: Date | null;
  /** Put aside: it is not shown in the list of classes. */
  readonly isAside: boolean;
}

export interface StoredClass {
  readonly input: ClassInput;
  readonly meta: ClassMeta;
  /** What keys each person's part of a stamp: never sent anywhere. */
  readonly keys: PersonKeys;
}

/** A class's whole input; `undefined` when there is no such class. */
export const classOf = async (db: Kysely<DB>, classId: string): Promise<StoredClass | undefined> =>
  (await classesOf(db, [classId]))[0];

/** Whole inputs of classes, in a fixed number of queries however many or large they are, by when they begin. */
export async function classesOf(db: Kysely<DB>, classIds: readonly string[]): Promise<StoredClass[]> {
  if (classIds.length === 0) return [];
  const rows = await db
    .selectFrom("class")
    .leftJoin("account", "account.id", "class.updated_by")
    .selectAll("class")
    .select("account.name as updated_by_name")
    .where("class.id", "in", classIds)
    .where("class.removed_at", "is", null)
    .orderBy("starts_at")
    .execute();
  if (rows.length === 0) return [];
  const kitchenIds = [...new Set(rows.map((row) => row.kitchen_id))];
  const [
    rooms,
    pantry,
    allDishes,
    allPeople,
    needs,
    allLabels,
    allLabelSubstances,
    allPacks,
    allPackSizes,
    allStations,
    allSeats,
    allFoods,
    foodSubstances,
    seconds,
    orders,
    houseRules,
    takes,
    rounds,
  ] = await Promise.all([
    kitchens(db, kitchenIds.length === 1 ? kitchenIds[0] : undefined),
    allIngredients(db),
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
    db.selectFrom("participant").selectAll().where("class_id", "in", classIds).orderBy("position").execute(),
    db
      .selectFrom("participant_need")
      .innerJoin("participant", "participant.id", "participant_id")
      .selectAll("participant_need")
      .where("class_id", "in", classIds)
      .orderBy("participant_need.position")
      .execute(),
    db.selectFrom("label_reading").selectAll().where("class_id", "in", classIds).orderBy("ingredient_id").execute(),
    db.selectFrom("label_substance").selectAll().where("class_id", "in", classIds).orderBy("substance").execute(),
    db.selectFrom("class_pack").selectAll().where("class_id", "in", classIds).orderBy("ingredient_id").execute(),
    db.selectFrom("class_pack_size").selectAll().where("class_id", "in", classIds).orderBy("position").execute(),
    db.selectFrom("class_station").selectAll().where("class_id", "in", classIds).orderBy("position").execute(),
    db
      .selectFrom("class_seat")
      .selectAll()
      .where("class_id", "in", classIds)
      .orderBy("station")
      .orderBy("position")
      .execute(),
    db.selectFrom("shared_food").selectAll().where("class_id", "in", classIds).orderBy("position").execute(),
    db
      .selectFrom("shared_food_substance")
      .innerJoin("shared_food", "shared_food.id", "food_id")
      .selectAll("shared_food_substance")
      .where("class_id", "in", classIds)
      .orderBy("substance")
      .execute(),
    db.selectFrom("intake_answer").select("participant_id").where("class_id", "in", classIds).execute(),
    orderRows(db, classIds),
    houseRows(db, classIds),
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
  const needsBy = new Map<string, Need[]>();
  for (const need of needs)
    needsBy.set(need.participant_id, [...(needsBy.get(need.participant_id) ?? []), toNeed(need)]);
  return rows.map((row) => {
    const ofClass = <T extends { readonly class_id: string }>(all: readonly T[]) =>
      all.filter((one) => one.class_id === row.id);
    const room = rooms.find((one) => one.id === row.kitchen_id);
    if (!room) throw new Error(`class ${row.id} names a kitchen that is not there`);
    const { version: _roomVersion, ...kitchen } = room;
    const [dishes, people, labels] = [ofClass(allDishes), ofClass(allPeople), ofClass(allLabels)];
    const [labelSubstances, packs, packSizes] = [ofClass(allLabelSubstances), ofClass(allPacks), ofClass(allPackSizes)];
    const [stations, seats, foods] = [ofClass(allStations), ofClass(allSeats), ofClass(allFoods)];
    const order = orderFrom(ofClass(orders), kitchen);
    const house = houseFrom(ofClass(houseRules));
    const substancesOn = (ingredientId: string, level: "contains" | "may-contain") =>
      labelSubstances
        .filter((one) => one.ingredient_id === ingredientId && one.level === level)
        .map((one) => one.substance as Substance);
    const input: ClassInput = {
      id: row.id,
      title: row.title,
      startsAt: row.starts_at,
      timeZone: row.time_zone,
      ...(row.currency === null ? {} : { currency: row.currency }),
      brief: toBrief(row),
      kitchen,
      pantry,
      people: people.map((one) => {
        const person = toParticipant(one, needsBy.get(one.id) ?? []);
        return seconds.some((second) => second.participant_id === one.id) ? { ...person, isContested: true } : person;
      }),
      dishes: dishes.map((one): Dish => {
        const bowl = one.bowl === null ? undefined : readRatio(one.bowl);
        const taken = takes.filter((take) => take.dish_id === one.id);
        const asked = rounds.filter((round) => round.dish_id === one.id);
        return {
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
        };
      }),
      labels: labels.map((one): LabelReading => ({
        ingredientId: one.ingredient_id,
        product: one.product,
        contains: substancesOn(one.ingredient_id, "contains"),
        mayContain: substancesOn(one.ingredient_id, "may-contain"),
        ...labelDetails(one),
        readBy: one.read_by,
        readOn: one.read_on,
      })),
      packs: packs.map((one): PackSize => {
        const sizes = packSizes
          .filter((size) => size.ingredient_id === one.ingredient_id)
          .map((size) => ({
            unitGrams: inGrams(size.unit_grams),
            unitsPerPack: size.units_per_pack,
            ...(size.price === null ? {} : { price: size.price }),
          }));
        return {
          ingredientId: one.ingredient_id,
          unitGrams: inGrams(one.unit_grams),
          unitsPerPack: one.units_per_pack,
          unitName: one.unit_name,
          ...(one.product === null ? {} : { product: one.product }),
          ...(one.price === null ? {} : { price: one.price }),
          ...(sizes.length > 0 ? { sizes } : {}),
        };
      }),
      ...(stations.length > 0 || row.washes_between
        ? {
            arrangement: {
              seats:
                seats.length > 0
                  ? stations.map(({ position }) =>
                      seats.filter((seat) => seat.station === position).map((seat) => seat.participant_id),
                    )
                  : null,
              apart: stations.filter((one) => one.is_apart).map((one) => one.position),
              ...(row.seats_from_register && seats.length > 0 ? { isFromRegister: true } : {}),
              ...(row.washes_between ? { washesBetween: true } : {}),
              ...(stations.some((one) => one.measuring_set !== null)
                ? {
                    sets: stations.flatMap(({ position, measuring_set }) =>
                      measuring_set === null ? [] : [{ station: position, measuringSetId: measuring_set }],
                    ),
                  }
                : {}),
            },
          }
        : {}),
      ...(pinsIn(row).length > 0 ? { pins: pinsIn(row) } : {}),
      ...(order ? { order } : {}),
      ...(house.length > 0 ? { house } : {}),
      ...(foods.length > 0
        ? {
            shared: foods.map((one): SharedFood => {
              const on = (level: "contains" | "may-contain") =>
                foodSubstances
                  .filter((each) => each.food_id === one.id && each.level === level)
                  .map((each) => each.substance as Substance);
              return {
                id: one.id,
                name: one.name,
                broughtBy: one.brought_by,
                ...(one.own_station === null || one.own_ingredient_id === null
                  ? {}
                  : { instead: { station: one.own_station, ingredientId: one.own_ingredient_id } }),
                label:
                  one.product === null || one.read_by === null || one.read_on === null
                    ? null
                    : {
                        product: one.product,
                        contains: on("contains"),
                        mayContain: on("may-contain"),
                        ...labelDetails(one),
                        readBy: one.read_by,
                        readOn: one.read_on,
                      },
              };
            }),
          }
        : {}),
    };
    return {
      input,
      meta: {
        version: row.version,
        updatedBy: row.updated_by_name,
        updatedAt: row.updated_at,
        participantVersions: Object.fromEntries(people.map((one) => [one.id, one.version])),
        labelVersions: Object.fromEntries(labels.map((one) => [one.ingredient_id, one.version])),
        emails: Object.fromEntries(people.flatMap((one) => (one.email === null ? [] : [[one.id, one.email]]))),
        retainDays: row.retain_days,
        healthRemovedAt: row.health_removed_at,
        isAside: row.aside_at !== null,
      },
      keys: new Map(people.map((one) => [one.id, one.stamp_key])),
    };
  });
}

/** Which classes are wanted. */
export interface ClassesWanted {
  /** A part of the title, of a recipe's, of the kitchen's name or of somebody's on the register; empty for every class. */
  readonly find?: string | undefined;
  /** Left out: however it stands, but not put aside. */
  readonly state?: ClassState | undefined;
}

/** Which part of the list of classes: those from a day on, soonest first, or those before it, latest first. */
export interface CardsWanted extends ClassesWanted {
  readonly side: "from" | "before";
  /** An ISO date. */
  readonly day: string;
  /** The page, from 0. */
  readonly page: number;
  readonly perPage: number;
}

/** A part of a name as a pattern: what the pattern language means by a sign is only that sign here. */
const partOf = (find: string) => `%${find.replace(/[\\%_]/g, "\\$&")}%`;

/** Whether a class is one of those wanted. */
function isWanted({ find = "", state }: ClassesWanted) {
  const pattern = partOf(find);
  const found =
    find === ""
      ? sql<boolean>`true`
      : sql<boolean>`(class.title ilike ${pattern}
          or exists (select from kitchen where kitchen.id = class.kitchen_id and kitchen.name ilike ${pattern})
          or exists (select from class_dish join recipe_revision using (recipe_id, revision)
            where class_dish.class_id = class.id and recipe_revision.title ilike ${pattern})
          or exists (select from participant where participant.class_id = class.id and participant.name ilike ${pattern}))`;
  const stands =
    state === undefined || state === "aside"
      ? sql<boolean>`true`
      : state === "waiting"
        ? sql<boolean>`exists (select from participant where participant.class_id = class.id and not has_answered)`
        : state === "open-log"
          ? sql<boolean>`exists (select from live_run where live_run.class_id = class.id)
              and not exists (select from class_log where class_log.class_id = class.id)`
          : sql<boolean>`exists (select from class_log where class_log.class_id = class.id)`;
  const aside = state === "aside" ? sql<boolean>`class.aside_at is not null` : sql<boolean>`class.aside_at is null`;
  return sql<boolean>`class.removed_at is null and ${aside} and ${found} and ${stands}`;
}

/** How many classes there are from a day on and before it. */
export async function countClasses(
  db: Kysely<DB>,
  day: string,
  wanted: ClassesWanted = {},
): Promise<{ from: number; before: number }> {
  return db
    .selectFrom("class")
    .select((eb) => [
      eb.fn.countAll<number>().filterWhere("starts_at", ">=", day).as("from"),
      eb.fn.countAll<number>().filterWhere("starts_at", "<", day).as("before"),
    ])
    .where(isWanted(wanted))
    .executeTakeFirstOrThrow();
}

/** What a month on the wall shows of each class from one day to before another, in the order of their beginning. */
export async function classesBetween(db: Kysely<DB>, from: string, to: string) {
  return db
    .selectFrom("class")
    .innerJoin("kitchen", "kitchen.id", "class.kitchen_id")
    .leftJoin("live_run", "live_run.class_id", "class.id")
    .leftJoin("class_log", "class_log.class_id", "class.id")
    .select([
      "class.id",
      "class.title",
      "starts_at as startsAt",
      "class.people",
      "kitchen.name as kitchen",
      "live_run.started_at as startedAt",
      "class_log.updated_at as loggedAt",
    ])
    .where("starts_at", ">=", from)
    .where("starts_at", "<", to)
    .where("class.removed_at", "is", null)
    .where("class.aside_at", "is", null)
    .orderBy("starts_at")
    .orderBy("class.id")
    .limit(mostInMonth)
    .execute();
}
/** More than anybody teaches in six weeks; against a month that never ends. */
const mostInMonth = 500;

/** What the list of classes shows of each, a page at a time. */
export async function classCards(db: Kysely<DB>, { side, day, page, perPage, ...wanted }: CardsWanted) {
  const isAhead = side === "from";
  return db
    .selectFrom("class")
    .innerJoin("kitchen", "kitchen.id", "class.kitchen_id")
    .leftJoin("live_run", "live_run.class_id", "class.id")
    .leftJoin("class_log", "class_log.class_id", "class.id")
    .select((eb) => [
      "class.id",
      "class.title",
      "starts_at as startsAt",
      "class.people",
      "class.minutes",
      "kitchen.name as kitchen",
      "live_run.started_at as startedAt",
      "class_log.updated_at as loggedAt",
      eb
        .selectFrom("class_dish")
        .innerJoin("recipe_revision", (join) =>
          join
            .onRef("recipe_revision.recipe_id", "=", "class_dish.recipe_id")
            .onRef("recipe_revision.revision", "=", "class_dish.revision"),
        )
        .select((inner) =>
          inner.fn
            .agg<string>("string_agg", [inner.ref("recipe_revision.title"), inner.val(", ")])
            .distinct()
            .as("titles"),
        )
        .whereRef("class_dish.class_id", "=", "class.id")
        .as("recipes"),
      eb
        .selectFrom("participant")
        .select((inner) => inner.fn.countAll<number>().as("n"))
        .whereRef("participant.class_id", "=", "class.id")
        .where("has_answered", "=", false)
        .as("unanswered"),
    ])
    .where("starts_at", isAhead ? ">=" : "<", day)
    .where(isWanted(wanted))
    .orderBy("starts_at", isAhead ? "asc" : "desc")
    .orderBy("class.id", isAhead ? "asc" : "desc")
    .limit(perPage)
    .offset(page * perPage)
    .execute();
}

export type ClassCard = Awaited<ReturnType<typeof classCards>>[number];

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

/** Stores a whole class whose recipe revisions, ingredients and kitchen are there already; gives its id. */
export async function addClass(
  db: Kysely<DB>,
  input: ClassInput,
  kitchenId: string,
  updatedBy: string | null,
  isDemo = false,
): Promise<string> {
  const { id } = await db
    .insertInto("class")
    .values({
      title: input.title,
      starts_at: input.startsAt,
      time_zone: input.timeZone,
      currency: input.currency ?? null,
      ...pinColumns(input.pins ?? []),
      kitchen_id: kitchenId,
      ...briefColumns(input.brief),
      updated_by: updatedBy,
      is_demo: isDemo,
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  await writeDishes(db, id, input.dishes.map(dishRow));
  const people = await addParticipants(db, id, input.people, updatedBy);
  const newId = new Map(input.people.map((one, index) => [one.id, people[index] ?? ""]));
  const { arrangement } = input;
  if (arrangement)
    await writeArrangement(db, id, {
      ...arrangement,
      seats: arrangement.seats?.map((ids) => ids.flatMap((one) => newId.get(one) ?? [])) ?? null,
    });
  await writeOrder(db, id, input.kitchen, input.order);
  await writeHouse(db, id, input.house ?? []);
  await addSharedFood(db, id, input.shared ?? []);
  await addLabels(db, id, input.labels);
  await addPacks(db, id, input.packs);
  return id;
}
