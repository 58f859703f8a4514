import { briefColumns } from "~/db/queries/brief.server";
import { parseDateTime } from "@internationalized/date";
import type { Kysely } from "kysely";
import { data } from "react-router";
import { LRUCache } from "lru-cache";
import { z } from "zod";
import { type Brief, type ClassInput, type Stage, plan } from "~/core/plan";
import { sealsOf } from "~/core/sheet";
import { database, within } from "~/db/client.server";
import { marksOf } from "~/db/queries/class-marks.server";
import { type StoredClass, addClass, classesOf } from "~/db/queries/classes.server";
import { type DishRow, writeDishes } from "~/db/queries/dishes.server";
import { copyLatestPacks } from "~/db/queries/packs.server";
import type { DB } from "~/db/schema";
import { keepSeatsFor } from "./kept-seats.server";
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
