import type { ClassState } from "~/core/log";
import { type Kysely, sql } from "kysely";
import type { ClassInput } from "~/core/plan";
import type { PersonKeys } from "~/core/sheet";
import type { DB } from "../schema";
import { briefColumns, toBrief } from "./brief.server";
import { dishRow, dishRows, dishesFrom, writeDishes } from "./dishes.server";
import { kitchens } from "./kitchens.server";
import { allIngredients } from "./pantry.server";
import { addParticipants, peopleFrom, peopleRows } from "./people.server";
import { addLabels, addSharedFood, labelRows, labelsFrom, sharedFoodFrom } from "./labels.server";
import { addPacks, packRows, packsFrom } from "./packs.server";
import { pinColumns, pinsIn } from "./pins.server";
import { houseFrom, houseRows, writeHouse } from "./house.server";
import { orderFrom, orderRows, writeOrder } from "./order.server";
import { arrangementFrom, seatRows, writeArrangement } from "./seats.server";

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
  const [rooms, pantry, dishes, people, labels, packs, seats, orders, houseRules] = await Promise.all([
    kitchens(db, kitchenIds.length === 1 ? kitchenIds[0] : undefined),
    allIngredients(db),
    dishRows(db, classIds),
    peopleRows(db, classIds),
    labelRows(db, classIds),
    packRows(db, classIds),
    seatRows(db, classIds),
    orderRows(db, classIds),
    houseRows(db, classIds),
  ]);
  return rows.map((row) => {
    const ofClass = <T extends { readonly class_id: string }>(all: readonly T[]) =>
      all.filter((one) => one.class_id === row.id);
    const room = rooms.find((one) => one.id === row.kitchen_id);
    if (!room) throw new Error(`class ${row.id} names a kitchen that is not there`);
    const { version: _roomVersion, ...kitchen } = room;
    const { register, rows: personRows } = peopleFrom(people, row.id);
    const { readings, rows: readingRows } = labelsFrom(labels, row.id);
    const arrangement = arrangementFrom(seats, row);
    const order = orderFrom(ofClass(orders), kitchen);
    const house = houseFrom(ofClass(houseRules));
    const shared = sharedFoodFrom(labels, row.id);
    const pins = pinsIn(row);
    const input: ClassInput = {
      id: row.id,
      title: row.title,
      startsAt: row.starts_at,
      timeZone: row.time_zone,
      ...(row.currency === null ? {} : { currency: row.currency }),
      brief: toBrief(row),
      kitchen,
      pantry,
      people: register,
      dishes: dishesFrom(dishes, row.id),
      labels: readings,
      packs: packsFrom(packs, row.id),
      ...(arrangement ? { arrangement } : {}),
      ...(pins.length > 0 ? { pins } : {}),
      ...(order ? { order } : {}),
      ...(house.length > 0 ? { house } : {}),
      ...(shared.length > 0 ? { shared } : {}),
    };
    return {
      input,
      meta: {
        version: row.version,
        updatedBy: row.updated_by_name,
        updatedAt: row.updated_at,
        participantVersions: Object.fromEntries(personRows.map((one) => [one.id, one.version])),
        labelVersions: Object.fromEntries(readingRows.map((one) => [one.ingredient_id, one.version])),
        emails: Object.fromEntries(personRows.flatMap((one) => (one.email === null ? [] : [[one.id, one.email]]))),
        retainDays: row.retain_days,
        healthRemovedAt: row.health_removed_at,
        isAside: row.aside_at !== null,
      },
      keys: new Map(personRows.map((one) => [one.id, one.stamp_key])),
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
