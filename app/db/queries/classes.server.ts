import type { Insertable, Kysely, Selectable } from "kysely";
import type { LabelReading, PackSize, Substance } from "~/core/pantry";
import type { Need, Participant } from "~/core/people";
import type { Brief, ClassInput, Dish } from "~/core/plan";
import { parseRecipe } from "~/formats/class-file";
import type { ClassTable, DB, ParticipantNeedTable } from "../schema";
import { kitchens } from "./kitchens.server";
import { allIngredients } from "./pantry.server";
import { ratio } from "~/core/quantity";

/** What stands beside the plan's input: who changed it last, and which version of it this is. */
export interface ClassMeta {
  readonly version: number;
  readonly updatedBy: string | null;
  readonly updatedAt: Date;
  readonly participantVersions: Readonly<Record<string, number>>;
  readonly labelVersions: Readonly<Record<string, number>>;
}
export interface StoredClass {
  readonly input: ClassInput;
  readonly meta: ClassMeta;
}

const toBrief = (row: Selectable<ClassTable>): Brief => ({
  people: row.people,
  audience: row.audience as Brief["audience"],
  minutes: row.minutes,
  piecesEach: ratio(BigInt(row.pieces_each_num), BigInt(row.pieces_each_den)),
  stationSize: row.station_size,
  helpers: row.helpers,
  kitMode: row.kit_mode as Brief["kitMode"],
  demo: row.demo as Brief["demo"],
  testersPerSurface: row.testers_per_surface,
  batchRule: row.batch_rule as Brief["batchRule"],
  measuringSetId: row.measuring_set_id,
  regime: row.regime as Brief["regime"],
  hotPlacesPerAdult: row.hot_places_per_adult,
  doorsMinutes: row.doors_minutes,
  eatMinutes: row.eat_minutes,
  cleanMinutes: row.clean_minutes,
  hasDemoBatch: row.has_demo_batch,
  hasSpareKit: row.has_spare_kit,
  stationNames: row.station_names,
});

/** The columns of a brief; the other way round of the mapper above. */
export const briefColumns = (brief: Brief) => ({
  people: brief.people,
  audience: brief.audience,
  minutes: brief.minutes,
  pieces_each_num: Number(brief.piecesEach.num),
  pieces_each_den: Number(brief.piecesEach.den),
  station_size: brief.stationSize,
  helpers: brief.helpers,
  kit_mode: brief.kitMode,
  demo: brief.demo,
  testers_per_surface: brief.testersPerSurface,
  batch_rule: brief.batchRule,
  measuring_set_id: brief.measuringSetId,
  regime: brief.regime,
  hot_places_per_adult: brief.hotPlacesPerAdult,
  doors_minutes: brief.doorsMinutes,
  eat_minutes: brief.eatMinutes,
  clean_minutes: brief.cleanMinutes,
  has_demo_batch: brief.hasDemoBatch,
  has_spare_kit: brief.hasSpareKit,
  station_names: [...brief.stationNames],
});

const toNeed = (row: Selectable<ParticipantNeedTable>): Need =>
  row.kind === "diet"
    ? { kind: "diet", diet: row.diet as "vegan", note: row.note }
    : {
        kind: "substance",
        substance: row.substance as Substance,
        severity: row.severity as "allergy",
        touchOrAir: row.touch_or_air,
        note: row.note,
      };

/** A class's whole input, in a fixed number of queries whatever its size; `undefined` when there is no such class. */
export async function classOf(db: Kysely<DB>, classId: string): Promise<StoredClass | undefined> {
  const row = await db
    .selectFrom("class")
    .leftJoin("account", "account.id", "class.updated_by")
    .selectAll("class")
    .select("account.name as updated_by_name")
    .where("class.id", "=", classId)
    .executeTakeFirst();
  if (!row) return undefined;
  const [rooms, pantry, dishes, people, needs, labels, labelSubstances, packs] = await Promise.all([
    kitchens(db, row.kitchen_id),
    allIngredients(db),
    db
      .selectFrom("class_dish")
      .innerJoin("recipe_revision", (join) =>
        join
          .onRef("recipe_revision.recipe_id", "=", "class_dish.recipe_id")
          .onRef("recipe_revision.revision", "=", "class_dish.revision"),
      )
      .select(["class_dish.id", "body", "variant_id", "stations"])
      .where("class_id", "=", classId)
      .orderBy("position")
      .execute(),
    db.selectFrom("participant").selectAll().where("class_id", "=", classId).orderBy("position").execute(),
    db
      .selectFrom("participant_need")
      .innerJoin("participant", "participant.id", "participant_id")
      .selectAll("participant_need")
      .where("class_id", "=", classId)
      .orderBy("participant_need.position")
      .execute(),
    db.selectFrom("label_reading").selectAll().where("class_id", "=", classId).orderBy("ingredient_id").execute(),
    db.selectFrom("label_substance").selectAll().where("class_id", "=", classId).orderBy("substance").execute(),
    db.selectFrom("class_pack").selectAll().where("class_id", "=", classId).orderBy("ingredient_id").execute(),
  ]);
  const [room] = rooms;
  if (!room) throw new Error(`class ${classId} names a kitchen that is not there`);
  const { version: _roomVersion, ...kitchen } = room;
  const needsBy = new Map<string, Need[]>();
  for (const need of needs)
    needsBy.set(need.participant_id, [...(needsBy.get(need.participant_id) ?? []), toNeed(need)]);
  const substancesOn = (ingredientId: string, level: "contains" | "may-contain") =>
    labelSubstances
      .filter((one) => one.ingredient_id === ingredientId && one.level === level)
      .map((one) => one.substance as Substance);
  const input: ClassInput = {
    id: row.id,
    title: row.title,
    startsAt: row.starts_at,
    timeZone: row.time_zone,
    brief: toBrief(row),
    kitchen,
    pantry,
    people: people.map((one): Participant => ({
      id: one.id,
      name: one.name,
      role: one.role as Participant["role"],
      ageBand: one.age_band as Participant["ageBand"],
      hasAnswered: one.has_answered,
      needs: needsBy.get(one.id) ?? [],
    })),
    dishes: dishes.map((one): Dish => ({
      id: one.id,
      recipe: parseRecipe(one.body),
      variantId: one.variant_id,
      stations: one.stations,
    })),
    labels: labels.map((one): LabelReading => ({
      ingredientId: one.ingredient_id,
      product: one.product,
      contains: substancesOn(one.ingredient_id, "contains"),
      mayContain: substancesOn(one.ingredient_id, "may-contain"),
      readBy: one.read_by,
      readOn: one.read_on,
    })),
    packs: packs.map((one): PackSize => ({
      ingredientId: one.ingredient_id,
      unitGrams: one.unit_grams,
      unitsPerPack: one.units_per_pack,
      unitName: one.unit_name,
    })),
  };
  return {
    input,
    meta: {
      version: row.version,
      updatedBy: row.updated_by_name,
      updatedAt: row.updated_at,
      participantVersions: Object.fromEntries(people.map((one) => [one.id, one.version])),
      labelVersions: Object.fromEntries(labels.map((one) => [one.ingredient_id, one.version])),
    },
  };
}

/** What the list of classes shows of each. */
export async function classCards(db: Kysely<DB>) {
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
    .orderBy("starts_at")
    .execute();
}
export type ClassCard = Awaited<ReturnType<typeof classCards>>[number];

/** The people of a class, written after those it has; ids may be given, for imports that keep them. */
export async function addParticipants(
  db: Kysely<DB>,
  classId: string,
  people: readonly Omit<Participant, "id">[],
  updatedBy: string | null,
): Promise<string[]> {
  if (people.length === 0) return [];
  const last = await db
    .selectFrom("participant")
    .select((eb) => eb.fn.max("position").as("position"))
    .where("class_id", "=", classId)
    .executeTakeFirst();
  const from = (last?.position ?? -1) + 1;
  const rows = await db
    .insertInto("participant")
    .values(
      people.map((one, index) => ({
        class_id: classId,
        position: from + index,
        name: one.name,
        role: one.role,
        age_band: one.ageBand,
        has_answered: one.hasAnswered,
        updated_by: updatedBy,
      })),
    )
    .returning(["id", "position"])
    .execute();
  const ids = rows.sort((a, b) => a.position - b.position).map((row) => row.id);
  await addNeeds(
    db,
    people.flatMap((one, index) => one.needs.map((need) => ({ participantId: ids[index] ?? "", need }))),
  );
  return ids;
}

/** Writes needs to people who have none. */
export async function addNeeds(db: Kysely<DB>, needs: readonly { participantId: string; need: Need }[]): Promise<void> {
  if (needs.length === 0) return;
  const rows = needs.map(({ participantId, need }, position): Insertable<ParticipantNeedTable> => ({
    participant_id: participantId,
    position,
    kind: need.kind,
    note: need.note,
    substance: need.kind === "substance" ? need.substance : null,
    severity: need.kind === "substance" ? need.severity : null,
    touch_or_air: need.kind === "substance" && need.touchOrAir,
    diet: need.kind === "diet" ? need.diet : null,
  }));
  await db.insertInto("participant_need").values(rows).execute();
}

/** Writes labels anew for ingredients that have none in this class. */
export async function addLabels(db: Kysely<DB>, classId: string, labels: readonly LabelReading[]): Promise<void> {
  if (labels.length === 0) return;
  await db
    .insertInto("label_reading")
    .values(
      labels.map((one) => ({
        class_id: classId,
        ingredient_id: one.ingredientId,
        product: one.product,
        read_by: one.readBy,
        read_on: one.readOn,
      })),
    )
    .execute();
  const rows = labels.flatMap((one) => [
    ...one.contains.map((substance) => ({
      class_id: classId,
      ingredient_id: one.ingredientId,
      substance,
      level: "contains" as const,
    })),
    ...one.mayContain
      .filter((substance) => !one.contains.includes(substance))
      .map((substance) => ({
        class_id: classId,
        ingredient_id: one.ingredientId,
        substance,
        level: "may-contain" as const,
      })),
  ]);
  if (rows.length > 0) await db.insertInto("label_substance").values(rows).execute();
}

/** The dishes of a class, in place of those it has. */
export async function writeDishes(
  db: Kysely<DB>,
  classId: string,
  dishes: readonly { recipeId: string; revision: number; variantId: string | null; stations: number | null }[],
): Promise<void> {
  await db.deleteFrom("class_dish").where("class_id", "=", classId).execute();
  if (dishes.length === 0) return;
  await db
    .insertInto("class_dish")
    .values(
      dishes.map((dish, position) => ({
        class_id: classId,
        position,
        recipe_id: dish.recipeId,
        revision: dish.revision,
        variant_id: dish.variantId,
        stations: dish.stations,
      })),
    )
    .execute();
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
      kitchen_id: kitchenId,
      ...briefColumns(input.brief),
      updated_by: updatedBy,
      is_demo: isDemo,
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  await writeDishes(
    db,
    id,
    input.dishes.map((dish) => ({
      recipeId: dish.recipe.id,
      revision: dish.recipe.revision,
      variantId: dish.variantId,
      stations: dish.stations,
    })),
  );
  await addParticipants(db, id, input.people, updatedBy);
  await addLabels(db, id, input.labels);
  if (input.packs.length > 0)
    await db
      .insertInto("class_pack")
      .values(
        input.packs.map((one) => ({
          class_id: id,
          ingredient_id: one.ingredientId,
          unit_grams: one.unitGrams,
          units_per_pack: one.unitsPerPack,
          unit_name: one.unitName,
        })),
      )
      .execute();
  return id;
}
