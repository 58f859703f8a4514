import { inMinutes } from "~/core/quantity";
import { CalendarDate } from "@internationalized/date";
import type { Kysely } from "kysely";
import { canonical, loadsMark, movableLoads, plan, wayId, waysOut } from "~/core/plan";
import type { DB } from "~/db/schema";
import { demoClasses } from "~/demo/boathouse";
import { toPlain } from "~/formats/class-file";
import { changePlan } from "~/services/arrange.server";
import { classOr404 } from "~/services/classes.server";
import { aClass, anAccount, programDatabase } from "../../../../test/database";
import { type Answer, type Asked, ask, cookieOf } from "../../../../test/doors";
import * as timeline from "./timeline";

const { current } = demoClasses(new CalendarDate(2026, 11, 25));
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
  classId = await aClass(db, current, lead);
});

const said = (answer: Answer): string => JSON.stringify(answer.body);
/** The class as it is written down; its dishes get new names whenever they are written. */
const written = async () => {
  const input = await stored();
  return canonical(toPlain({ ...input, dishes: input.dishes.map(({ id: _id, ...dish }) => dish) }));
};
const stored = async () => (await classOr404(classId)).input;
const versionOf = async () => String((await classOr404(classId)).meta.version);
const post = async (form: NonNullable<Asked["form"]>) =>
  ask(timeline, cookie, { params: { classId }, form: { version: await versionOf(), loads: await markNow(), ...form } });
const markNow = async () => loadsMark(movableLoads(await stored(), plan(await stored())));

test("a bell is pinned, moved, and let go; each change is taken back, and the class is what it was", async () => {
  const before = await written();
  // The doors are at ten: half past ten is thirty minutes on, whatever the day.
  const doors = current.startsAt.slice(11, 16);
  const [hours = 0, minutes = 0] = doors.split(":").map(Number);
  const clock = (after: number) => {
    const at = (hours * 60 + minutes + after) % 1440;
    return `${String(Math.floor(at / 60)).padStart(2, "0")}:${String(at % 60).padStart(2, "0")}`;
  };
  expect((await post({ intent: "pin", bell: "eat", time: clock(100) })).status).toBe(200);
  expect((await stored()).pins).toEqual([{ bell: "eat", at: 100 }]);
  await post({ intent: "pin", bell: "mix", time: clock(20) });
  await post({ intent: "pin", bell: "eat", time: clock(110) });
  expect((await stored()).pins).toEqual([
    { bell: "mix", at: 20 },
    { bell: "eat", at: 110 },
  ]);
  expect(plan(await stored()).timeline.bells.find((bell) => bell.kind === "eat")?.at).toBeGreaterThanOrEqual(110);
  await post({ intent: "let-go", bell: "mix" });
  expect((await stored()).pins).toEqual([{ bell: "eat", at: 110 }]);
  for (let n = 0; n < 4; n += 1) expect((await post({ intent: "undo" })).status).toBe(200);
  expect(await written()).toBe(before);
  expect((await post({ intent: "undo" })).status).toBe(409);
});

test.each([
  [{ intent: "pin", bell: "eat", time: "soon" }, "“soon” is no time that can be pinned"],
  [{ intent: "pin", bell: "eat", time: "25:10" }, "“25:10” is no time that can be pinned"],
  [{ intent: "pin", bell: "doors", time: "10:30" }, "This was not understood"],
  [{ intent: "move", load: "0", before: "0" }, "Choose two loads that are not the same"],
  [{ intent: "order", order: "{" }, "This was not understood"],
  [{ intent: "first", station: "nobody" }, "There is no such table any more"],
  [{ intent: "way", way: "none" }, "This way out is not open any more"],
])("%j changes nothing and is told what is wanted", async (form, sentence) => {
  const before = await written();
  const answer = await post(form);
  expect([400, 409]).toContain(answer.status);
  expect(said(answer)).toContain(sentence);
  expect(await written()).toBe(before);
});

test("a table first, a load moved, the usual order again, a way out: each is kept and taken back", async () => {
  const before = await written();
  const last = plan(await stored()).stations.at(-1);
  expect((await post({ intent: "first", station: last?.id ?? "" })).status).toBe(200);
  expect((await stored()).order?.isWished).toBe(true);
  const first = plan(await stored()).timeline.tasks.find((task) => task.kind === "load");
  expect(first?.stationId).toBe(last?.id);
  const loads = movableLoads(await stored(), plan(await stored()));
  // Whoever chose from loads that have another order by now is told, and nothing is moved.
  const late = await post({ intent: "move", load: String(loads.length - 1), before: "0", loads: "others" });
  expect([late.status, said(late)]).toEqual([409, expect.stringContaining("another order a moment ago")]);
  expect((await post({ intent: "move", load: String(loads.length - 1), before: "0" })).status).toBe(200);
  expect((await stored()).order?.loads[0]?.parts).toEqual(loads.at(-1)?.parts);
  expect((await post({ intent: "rules" })).status).toBe(200);
  expect((await stored()).order).toBeUndefined();
  for (let n = 0; n < 3; n += 1) await post({ intent: "undo" });
  expect(await written()).toBe(before);

  const tight = { ...(await stored()), brief: { ...current.brief, minutes: inMinutes(40) } };
  const asked = await stored();
  expect(
    await changePlan(
      db,
      asked,
      Number(await versionOf()),
      { arrangement: asked.arrangement, brief: tight.brief },
      "Less time",
      lead,
    ),
  ).toBe(true);
  const short = await written();
  const [way] = waysOut(await stored(), plan(await stored())).filter((one) => one.becomes);
  if (!way) throw new Error("a class that is too long has a way out");
  expect((await post({ intent: "way", way: wayId(way.way) })).status).toBe(200);
  expect(await written()).not.toBe(short);
});

test("the second of two who change the loads is told", async () => {
  const version = await versionOf();
  expect((await post({ intent: "rules" })).status).toBe(200);
  const late = await ask(timeline, cookie, { params: { classId }, form: { version, intent: "rules" } });
  expect(late.status).toBe(409);
  expect(said(late)).toContain("Somebody changed this class a moment ago");
});
