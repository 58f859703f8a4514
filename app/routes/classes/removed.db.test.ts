import { CalendarDate } from "@internationalized/date";
import { type Kysely, sql } from "kysely";
import { canonical } from "~/core/plan";
import type { DB } from "~/db/schema";
import { classCards, classesBetween, countClasses } from "~/db/queries/classes.server";
import { demoClasses } from "~/demo/boathouse";
import { toPlain } from "~/formats/class-file";
import { emptyBin, removedClasses } from "~/services/bin.server";
import { classOr404 } from "~/services/classes.server";
import { aClass, anAccount, programDatabase } from "../../../test/database";
import { type Answer, type Asked, type Door, ask, cookieOf } from "../../../test/doors";
import * as theClass from "./class";
import * as removed from "./removed";

const { next } = demoClasses(new CalendarDate(2026, 11, 25));
let db: Kysely<DB>;
let lead = "";
let cookie = "";
let classId = "";

beforeAll(async () => {
  db = await programDatabase();
  lead = await anAccount(db);
  cookie = await cookieOf(lead);
});
afterAll(() => db.destroy());
beforeEach(async () => {
  await db.deleteFrom("class").execute();
  classId = await aClass(db, next, lead);
});

const stored = async () => classOr404(classId);
const post = (door: Door, form: Asked["form"]): Promise<Answer> =>
  ask(door, cookie, { params: { classId }, ...(form ? { form } : {}) });

test("what is removed is put back as it was, once; after thirty days it is gone for good", async () => {
  const before = canonical(toPlain((await stored()).input));
  const back = async () => (await post(removed, { classId })).status;
  await post(theClass, { intent: "remove" });
  expect((await removedClasses(db)).map((one) => one.id)).toContain(classId);
  expect(await back()).toBe(302);
  expect(canonical(toPlain((await stored()).input))).toBe(before);
  expect(await back()).toBe(409);
  await post(theClass, { intent: "remove" });
  const at = (days: number) =>
    db
      .updateTable("class")
      .set({ removed_at: sql`now() - make_interval(days => ${days})` })
      .where("id", "=", classId)
      .execute();
  await at(29);
  await emptyBin(db);
  expect((await removedClasses(db)).map((one) => one.id)).toContain(classId);
  await at(31);
  await emptyBin(db);
  expect(await back()).toBe(409);
});

test("what is put aside is shown only among what is put aside, is what it was, and comes back", async () => {
  const before = canonical(toPlain((await stored()).input));
  const ids = async (state?: "aside") =>
    (await classCards(db, { side: "from", day: "2000-01-01", page: 0, perPage: 20, state })).map((one) => one.id);
  expect((await post(theClass, { intent: "aside" })).status).toBe(302);
  expect(await ids()).toEqual([]);
  expect(await ids("aside")).toEqual([classId]);
  expect(await countClasses(db, "2000-01-01")).toEqual({ from: 0, before: 0 });
  expect(await classesBetween(db, "2000-01-01", "2100-01-01")).toEqual([]);
  expect((await stored()).meta.isAside).toBe(true);
  expect(canonical(toPlain((await stored()).input))).toBe(before);
  await post(theClass, { intent: "back" });
  expect(await ids()).toEqual([classId]);
  expect(await ids("aside")).toEqual([]);
});

test("planned again, a class keeps brief and recipes, and of its people only the names", async () => {
  const { input } = await stored();
  const there = await post(theClass, { intent: "again", date: "2031-03-01", people: "on" });
  const again = await classOr404(there.location?.split("/")[2] ?? "");
  expect(again.input.startsAt).toBe(`2031-03-01T${input.startsAt.slice(11)}`);
  expect(again.input.brief).toEqual(input.brief);
  expect(again.input.dishes.map((dish) => dish.recipe.id)).toEqual(input.dishes.map((dish) => dish.recipe.id));
  expect(again.input.people.map((one) => one.name)).toEqual(input.people.map((one) => one.name));
  expect(again.input.people.some((one) => one.hasAnswered || one.needs.length > 0)).toBe(false);
  expect(again.input.labels).toEqual([]);
  expect((await post(theClass, { intent: "again", date: "soon" })).status).toBe(400);
});
