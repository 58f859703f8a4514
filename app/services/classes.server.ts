import { briefColumns } from "~/db/queries/brief.server";
import { parseDateTime } from "@internationalized/date";
import { type Kysely, sql } from "kysely";
import { data } from "react-router";
import { LRUCache } from "lru-cache";
import { z } from "zod";
import type { LabelReading, PackSize, SharedFood } from "~/core/pantry";
import { type Participant, isAtStation } from "~/core/people";
import { type Brief, type ClassInput, type Stage, plan } from "~/core/plan";
import { ingredientsNamedIn } from "~/core/recipe";
import { type PersonKeys, type StageInputs, sealsOf, stageInputs } from "~/core/sheet";
import { database, within } from "~/db/client.server";
import { marksOf } from "~/db/queries/class-marks.server";
import { type DishRow, type StoredClass, addClass, classOf, classesOf, writeDishes } from "~/db/queries/classes.server";
import { addLabels, addSharedFood } from "~/db/queries/labels.server";
import { addNeeds, addParticipants, participantColumns } from "~/db/queries/people.server";
import { addPacks, copyLatestPacks } from "~/db/queries/packs.server";
import { addKitchen, kitchens } from "~/db/queries/kitchens.server";
import { addIngredients, allIngredients } from "~/db/queries/pantry.server";
import { addRevision, recipeOf } from "~/db/queries/recipes.server";
import type { DB } from "~/db/schema";
import { toPlain } from "~/formats/class-file";
import { canonical, fingerprintOf } from "~/core/plan";
import { keepSeats, keepSeatsFor } from "./kept-seats.server";
import type { Photo } from "./photos.server";
import { withoutHealth } from "./health-data.server";
import { askForOrder } from "./queue.server";

const uuid = z.uuid();
export const notFound = (what: string) =>
  data(`There is no such ${what} here. It may have been removed; go back to the list and choose again.`, {
    status: 404,
  });

/**
 * Classes as they were read last, for as long as no row of theirs was written since: the same objects, so that what follows from them
 * is not worked out again either. By mark, so that it holds whoever writes, from whichever process.
 */
const lately = new LRUCache<string, { readonly mark: string; readonly stored: StoredClass }>({
  max: 60,
  // What was removed for privacy is not kept here because nobody asked again.
  ttl: 600_000,
  ttlAutopurge: false,
});

/** Whole classes as they are now, those that are there, in the order of their beginning. */
export async function classesNow(db: Kysely<DB>, classIds: readonly string[]): Promise<StoredClass[]> {
  const marks = await marksOf(db, classIds);
  const known = (id: string) => {
    const before = lately.get(id);
    return before && before.mark === marks.get(id) ? before.stored : undefined;
  };
  const wanted = classIds.filter((id) => marks.has(id));
  const missing = wanted.filter((id) => !known(id));
  const read = await classesOf(db, missing);
  for (const stored of read) {
    const mark = marks.get(stored.input.id);
    if (mark !== undefined) lately.set(stored.input.id, { mark, stored });
  }
  const now = new Map(read.map((stored) => [stored.input.id, stored]));
  return wanted
    .flatMap((id) => now.get(id) ?? known(id) ?? [])
    .sort((a, b) => (a.input.startsAt < b.input.startsAt ? -1 : a.input.startsAt > b.input.startsAt ? 1 : 0));
}

/** A class by the id in an address. @throws a 404 page for an id that is none, or that nobody has. */
export async function classOr404(classId: string): Promise<StoredClass> {
  const [stored] = uuid.safeParse(classId).success ? await classesNow(database(), [classId.toLowerCase()]) : [];
  if (!stored) throw notFound("class");
  return stored;
}

const seals = new WeakMap<StoredClass, Readonly<Record<Stage, string>>>();

/** The stamps of a stored class as it is now, worked out once while it does not change. */
export function sealsNow(stored: StoredClass): Readonly<Record<Stage, string>> {
  const before = seals.get(stored);
  if (before) return before;
  const now = sealsOf(stored.input, plan(stored.input), stored.keys);
  seals.set(stored, now);
  return now;
}

const read = new WeakMap<object, Map<string, Promise<StoredClass>>>();

/**
 * A class for the loaders of one request, which share it: read once, however many ask. Actions read for themselves, as what they
 * are about to change must be what is there.
 * @param context the request's own, by which what was read is remembered no longer than it lasts.
 */
export function classOnce(context: object, classId: string): Promise<StoredClass> {
  const known = read.get(context) ?? new Map<string, Promise<StoredClass>>();
  read.set(context, known);
  const before = known.get(classId);
  if (before) return before;
  const stored = classOr404(classId);
  known.set(classId, stored);
  return stored;
}

/** What a brief form holds: the brief and the few facts around it. */
export interface ClassFacts {
  readonly title: string;
  readonly startsAt: string;
  readonly timeZone: string;
  readonly currency?: string | undefined;
  readonly kitchenId: string;
  readonly brief: Brief;
  readonly dishes: readonly DishRow[];
}

const columnsOf = (facts: ClassFacts) => ({
  title: facts.title,
  starts_at: facts.startsAt,
  time_zone: facts.timeZone,
  currency: facts.currency ?? null,
  kitchen_id: facts.kitchenId,
  ...briefColumns(facts.brief),
});

/** A class of these facts, bought for as the one before it: packs and prices come along from whichever class named them last. */
export async function createClass(facts: ClassFacts, accountId: string): Promise<string> {
  const made = await database()
    .transaction()
    .execute(async (trx) => {
      const { id } = await trx
        .insertInto("class")
        .values({ ...columnsOf(facts), updated_by: accountId })
        .returning("id")
        .executeTakeFirstOrThrow();
      await writeDishes(trx, id, facts.dishes);
      await copyLatestPacks(trx, id);
      return id;
    });
  askForOrder(made);
  return made;
}

/**
 * Saves the facts of a class that is still at `version`; otherwise changes nothing and gives what it is now.
 * @param before the class as it was read at that version: who sits where keeps the table.
 */
export async function saveClass(
  before: ClassInput,
  version: number,
  facts: ClassFacts,
  accountId: string,
): Promise<{ saved: true } | { saved: false; now: StoredClass }> {
  const classId = before.id;
  const isSaved = await database()
    .transaction()
    .execute(async (trx) => {
      const changed = await trx
        .updateTable("class")
        .set({ ...columnsOf(facts), version: version + 1, updated_by: accountId, updated_at: new Date() })
        .where("id", "=", classId)
        .where("version", "=", version)
        .executeTakeFirst();
      if (changed.numUpdatedRows === 0n) return false;
      await keepSeatsFor(trx, before, facts.brief);
      await writeDishes(trx, classId, facts.dishes);
      return true;
    });
  if (isSaved) askForOrder(classId);
  return isSaved ? { saved: true } : { saved: false, now: await classOr404(classId) };
}

/** Changes the brief alone, of a class that is still at `version`. False when somebody else was faster. */
export async function changeBrief(
  before: ClassInput,
  version: number,
  brief: Brief,
  accountId: string,
): Promise<boolean> {
  const isChanged = await database()
    .transaction()
    .execute(async (trx) => {
      const changed = await trx
        .updateTable("class")
        .set({ ...briefColumns(brief), version: version + 1, updated_by: accountId, updated_at: new Date() })
        .where("id", "=", before.id)
        .where("version", "=", version)
        .executeTakeFirst();
      if (changed.numUpdatedRows === 0n) return false;
      await keepSeatsFor(trx, before, brief);
      return true;
    });
  if (isChanged) askForOrder(before.id);
  return isChanged;
}

/** Weeks that a series may have: a school year, and a slip of the hand does not fill the list. */
export const mostWeeks = 40;

/**
 * The same class on another day, or on that day of so many weeks: brief, recipes as they are in it, kitchen. People come along by name if
 * wanted, as nobody who has answered yet: what they cannot eat is asked anew, and so is every label. All of them or none.
 * @param startsAt local date and time of the first. @param weeks 1 to `mostWeeks`. @returns the first one's id.
 */
export async function planAgain(
  { input }: StoredClass,
  startsAt: string,
  withPeople: boolean,
  accountId: string,
  weeks = 1,
): Promise<string> {
  if (!Number.isInteger(weeks) || weeks < 1 || weeks > mostWeeks)
    throw new RangeError(`A series has 1 to ${mostWeeks} weeks, not ${weeks}.`);
  const { arrangement, shared: _brought, ...rest } = input;
  const first = parseDateTime(startsAt);
  return within(database(), async (trx) => {
    const ids: string[] = [];
    for (let week = 0; week < weeks; week += 1) {
      const again: ClassInput = {
        ...rest,
        startsAt: first.add({ weeks: week }).toString().slice(0, 16),
        people: withPeople ? input.people.map(withoutHealth) : [],
        labels: [],
        ...(withPeople && arrangement ? { arrangement } : {}),
      };
      ids.push(await addClass(trx, again, input.kitchen.id, accountId));
    }
    return ids[0] ?? "";
  });
}

/** Saves one person; with a version, only while it is still the one that was read. */
export async function savePerson(
  classId: string,
  personId: string,
  version: number,
  person: Omit<Participant, "id"> & { readonly email?: string | undefined },
  accountId: string | null,
): Promise<boolean> {
  return database()
    .transaction()
    .execute(async (trx) => {
      const was = await trx
        .selectFrom("participant")
        .select("role")
        .where("id", "=", personId)
        .where("class_id", "=", classId)
        .executeTakeFirst();
      // Who no longer works at a table, or does so now, moves nobody else to another.
      if (was && isAtStation({ role: was.role as Participant["role"] }) !== isAtStation(person))
        await keepSeats(trx, classId);
      const changed = await trx
        .updateTable("participant")
        .set({
          ...participantColumns(person),
          ...(person.email === undefined ? {} : { email: person.email === "" ? null : person.email.toLowerCase() }),
          version: version + 1,
          updated_by: accountId,
          updated_at: new Date(),
        })
        .where("id", "=", personId)
        .where("class_id", "=", classId)
        .where("version", "=", version)
        .executeTakeFirst();
      if (changed.numUpdatedRows === 0n) return false;
      await trx.deleteFrom("participant_need").where("participant_id", "=", personId).execute();
      await addNeeds(
        trx,
        person.needs.map((need) => ({ participantId: personId, need })),
      );
      return true;
    });
}

/** Adds people all or none. */
export const addPeople = async (
  classId: string,
  people: readonly (Omit<Participant, "id"> & { readonly email?: string | undefined })[],
  accountId: string,
): Promise<string[]> =>
  database()
    .transaction()
    .execute(async (trx) => {
      await keepSeats(trx, classId);
      return addParticipants(trx, classId, people, accountId);
    });

/**
 * Stores what was read on a label, with its picture if there is one; `version` 0 for one that was not read before. A picture of an
 * earlier reading goes: it may show another packet. False when somebody else was faster.
 */
export async function saveLabel(
  classId: string,
  version: number,
  label: LabelReading,
  photo?: Photo,
): Promise<boolean> {
  return database()
    .transaction()
    .execute(async (trx) => {
      const removed = await trx
        .deleteFrom("label_reading")
        .where("class_id", "=", classId)
        .where("ingredient_id", "=", label.ingredientId)
        .where("version", "=", version)
        .executeTakeFirst();
      const other = await trx
        .selectFrom("label_reading")
        .select("version")
        .where("class_id", "=", classId)
        .where("ingredient_id", "=", label.ingredientId)
        .executeTakeFirst();
      if (other || (version > 0 && removed.numDeletedRows === 0n)) return false;
      await addLabels(trx, classId, [label]);
      await trx
        .deleteFrom("label_photo")
        .where("class_id", "=", classId)
        .where("ingredient_id", "=", label.ingredientId)
        .execute();
      if (photo)
        await trx
          .insertInto("label_photo")
          .values({ class_id: classId, ingredient_id: label.ingredientId, ...photo })
          .execute();
      await trx
        .updateTable("label_reading")
        .set({ version: version + 1 })
        .where("class_id", "=", classId)
        .where("ingredient_id", "=", label.ingredientId)
        .execute();
      return true;
    });
}

/** Forgets what was read, and its picture: another packet has another label. */
export const forgetLabel = async (classId: string, ingredientId: string): Promise<void> =>
  database()
    .transaction()
    .execute(async (trx) => {
      for (const table of ["label_reading", "label_photo"] as const)
        await trx.deleteFrom(table).where("class_id", "=", classId).where("ingredient_id", "=", ingredientId).execute();
    });

/** What a page has seen of how a product is sold, as a short text to compare. */
export const seenPack = (packs: ClassInput["packs"], ingredientId: string): string =>
  fingerprintOf(packs.find((one) => one.ingredientId === ingredientId) ?? null);

/** Saves how a product is sold; false, with nothing changed, if somebody else changed it since it was read. */
export const savePack = async (classId: string, seen: string, pack: PackSize): Promise<boolean> =>
  database()
    .transaction()
    .execute(async (trx) => {
      await trx.selectFrom("class").select("id").where("id", "=", classId).forUpdate().execute();
      const stored = await classOf(trx, classId);
      if (!stored || seenPack(stored.input.packs, pack.ingredientId) !== seen) return false;
      await addPacks(trx, classId, [pack]);
      return true;
    });

/** Saves food that somebody brings; replaces the entry `before` if given. */
export const addBrought = async (
  classId: string,
  food: Omit<SharedFood, "id">,
  before: string | undefined,
): Promise<void> =>
  database()
    .transaction()
    .execute(async (trx) => {
      if (before)
        await trx.deleteFrom("shared_food").where("id", "=", before).where("class_id", "=", classId).execute();
      await addSharedFood(trx, classId, [food]);
    });

export const removeBrought = async (classId: string, foodId: string): Promise<void> =>
  void (await database().deleteFrom("shared_food").where("id", "=", foodId).where("class_id", "=", classId).execute());

/** A stage somebody settled, with what it was settled on. */
export interface Stamp {
  readonly stage: Stage;
  readonly fingerprint: string;
  readonly inputs: StageInputs;
  readonly by: string | null;
  readonly at: Date;
}

export async function stampsOf(classId: string): Promise<Stamp[]> {
  const rows = await database()
    .selectFrom("stage_stamp")
    .leftJoin("account", "account.id", "stamped_by")
    .select(["stage", "fingerprint", "inputs", "account.name as by", "stamped_at as at"])
    .where("class_id", "=", classId)
    .execute();
  return rows.map((row) => ({ ...row, stage: row.stage as Stage, inputs: row.inputs as StageInputs }));
}

/** What keys the people of a class in its stamps. */
async function keysOf(db: Kysely<DB>, classId: string): Promise<PersonKeys> {
  const rows = await db.selectFrom("participant").select(["id", "stamp_key"]).where("class_id", "=", classId).execute();
  return new Map(rows.map((row) => [row.id, row.stamp_key]));
}

/** Settles a stage on the class as it is now. */
export async function settle(
  db: Kysely<DB>,
  input: ClassInput,
  classId: string,
  stage: Stage,
  accountId: string | null,
): Promise<void> {
  const keys = await keysOf(db, classId);
  const stamp = {
    fingerprint: sealsOf(input, plan(input), keys)[stage],
    inputs: JSON.stringify(stageInputs(input, stage, keys)),
    stamped_by: accountId,
    stamped_at: new Date(),
  };
  await db
    .insertInto("stage_stamp")
    .values({ class_id: classId, stage, ...stamp })
    .onConflict((conflict) => conflict.columns(["class_id", "stage"]).doUpdateSet(stamp))
    .execute();
}

export const unsettle = async (classId: string, stage: Stage): Promise<void> =>
  void (await database()
    .deleteFrom("stage_stamp")
    .where("class_id", "=", classId)
    .where("stage", "=", stage)
    .execute());

/** Notes who changed health data, or took it along. */
export const audit = async (accountId: string, classId: string, action: string): Promise<void> =>
  void (await database()
    .insertInto("audit_entry")
    .values({ account_id: accountId, class_id: classId, action })
    .execute());

/** Whoever looks at the same page again within this many minutes is noted once. */
const oneLook = 15;

/** Notes who looked at health data. */
export const auditLook = async (accountId: string, classId: string, action: string): Promise<void> =>
  void (await sql`insert into audit_entry (account_id, class_id, action)
    select ${accountId}::uuid, ${classId}::uuid, ${action} where not exists (select from audit_entry
      where account_id = ${accountId} and class_id = ${classId} and action = ${action}
        and happened_at > now() - make_interval(mins => ${oneLook}))`.execute(database()));

const suffixed = (id: string, n: number) => `${id.slice(0, 60)}-${n}`;

/** An ingredient in a form that is the same for the same ingredient: what it contains is a set, in whatever order it was written. */
export const formOfIngredient = (one: ClassInput["pantry"][number]): string =>
  canonical({ ...one, contains: [...one.contains].sort() });

/** Names for ingredients that the file means differently than our pantry does: they come in under a name of their own. */
function ingredientNames(
  input: ClassInput,
  ours: ClassInput["pantry"],
): { rename: Map<string, string>; added: ClassInput["pantry"] } {
  const known = new Map(ours.map((one) => [one.id, formOfIngredient(one)]));
  const rename = new Map<string, string>();
  const added = input.pantry.flatMap((one) => {
    if (known.get(one.id) === formOfIngredient(one)) return [];
    let id = one.id;
    for (let n = 2; known.has(id) && known.get(id) !== formOfIngredient({ ...one, id }); n += 1)
      id = suffixed(one.id, n);
    if (id !== one.id) rename.set(one.id, id);
    return known.has(id) ? [] : [{ ...one, id }];
  });
  return { rename, added };
}

/** Every `ingredientId` and `mentions` of a value under its new name. */
function renamed<T>(value: T, rename: ReadonlyMap<string, string>): T {
  if (Array.isArray(value)) return value.map((one) => renamed(one, rename)) as T;
  if (value === null || typeof value !== "object") return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, field]) => {
      if (key === "ingredientId" && typeof field === "string") return [key, rename.get(field) ?? field];
      if (key === "mentions" && Array.isArray(field)) return [key, field.map((one: string) => rename.get(one) ?? one)];
      return [key, renamed(field, rename)];
    }),
  ) as T;
}

/**
 * Brings a class from a file in whole: its ingredients and recipes under new names where ours differ, its kitchen as a new one
 * unless an equal one is there. All or nothing.
 * @returns the new class's id, or the ingredient that the file names but does not bring.
 */
export async function importClass(
  db: Kysely<DB>,
  input: ClassInput,
  accountId: string | null,
  isDemo = false,
): Promise<{ id: string } | { missing: string }> {
  return within(db, async (trx) => {
    const { rename, added } = ingredientNames(input, await allIngredients(trx));
    const file = rename.size > 0 ? renamed(input, rename) : input;
    const known = new Set([...(await allIngredients(trx)), ...added].map((one) => one.id));
    const named = [
      ...[...file.labels, ...file.packs].map((one) => one.ingredientId),
      ...file.dishes.flatMap((dish) => ingredientsNamedIn(dish.recipe)),
    ];
    const missing = named.find((id) => !known.has(id));
    if (missing) return { missing };
    await addIngredients(trx, added);

    const dishes: ClassInput["dishes"][number][] = [];
    for (const dish of file.dishes)
      dishes.push({ ...dish, recipe: await recipeForImport(trx, dish.recipe, accountId) });
    const rooms = await kitchens(trx);
    const { id: _fileRoomId, ...room } = file.kitchen;
    const shape = (one: ClassInput["kitchen"]) =>
      canonical({
        name: one.name,
        sinks: one.sinks,
        altitudeM: one.altitudeM,
        surfaces: one.surfaces.map(({ id: _id, ...surface }) => surface),
        circuits: one.circuits?.map(({ id: _id, ...circuit }) => circuit),
        floor: one.floor,
        gear: [...one.gear].sort((a, b) => (a.tool < b.tool ? -1 : 1)),
        goesRound: [...(one.goesRound ?? [])].sort((a, b) => (a.thing < b.thing ? -1 : 1)),
      });
    const same = rooms.find((one) => shape(one) === shape(file.kitchen));
    const kitchenId = same?.id ?? (await addKitchen(trx, room));
    return { id: await addClass(trx, { ...file, dishes }, kitchenId, accountId, isDemo) };
  });
}

/** The recipe as it is stored here: the equal one that is there, or a new one under a free name. */
async function recipeForImport(
  db: Kysely<DB>,
  recipe: ClassInput["dishes"][number]["recipe"],
  accountId: string | null,
): Promise<ClassInput["dishes"][number]["recipe"]> {
  for (let n = 1; ; n += 1) {
    const candidate = n === 1 ? recipe : { ...recipe, id: suffixed(recipe.id, n) };
    const ours = await recipeOf(db, candidate.id);
    if (ours && canonical(toPlain(ours)) === canonical(toPlain(candidate))) return candidate;
    if (ours) continue;
    await addRevision(db, candidate, accountId);
    return candidate;
  }
}
