import { CalendarDate } from "@internationalized/date";
import type { Kysely } from "kysely";
import { plan } from "~/core/plan";
import { ratio, inMinutes } from "~/core/quantity";
import type { DB } from "~/db/schema";
import { demoClasses } from "~/demo/boathouse";
import { aClass, anAccount, programDatabase } from "../../test/database";
import { changePlan } from "./arrange.server";
import { changeBrief, classOr404 } from "./classes.server";
import { settle } from "./sign-off.server";
import { appendEvents } from "./live.server";
import { searchOrder } from "./order-search.server";
import { appendTicks, tickEventSchema } from "./ticks.server";

let db: Kysely<DB>;
let lead = "";
let classId = "";
const { next } = demoClasses(new CalendarDate(2026, 11, 25));
// Seven tables of two on two griddles and a pan, a tester on each, one hot place to an adult: the rules leave eight minutes on the table.
const brief = {
  ...next.brief,
  people: 13,
  piecesEach: ratio(2n),
  stationSize: 2,
  hotPlacesPerAdult: 1,
  testersPerSurface: 1,
};

beforeAll(async () => {
  db = await programDatabase();
  lead = await anAccount(db);
});
afterAll(() => db.destroy());
beforeEach(async () => {
  await db.deleteFrom("class").execute();
  classId = await aClass(db, { ...next, brief }, lead);
});
const stored = () => classOr404(classId);
const endOf = async () => plan((await stored()).input).timeline.end;

test("the loads of a saved class are put into the better order that is found, and what is typed meanwhile is no conflict", async () => {
  const before = await stored();
  const byRule = await endOf();
  expect(before.input.order).toBeUndefined();
  expect(await searchOrder(db, classId)).toBe("kept");
  const after = await stored();
  expect(after.input.order?.loads.length).toBeGreaterThan(0);
  expect(byRule - (await endOf())).toBeGreaterThan(7);
  expect(after.meta.version).toBe(before.meta.version);
  expect(await changeBrief(before.input, before.meta.version, { ...brief, minutes: inMinutes(120) }, lead)).toBe(true);
  // What is as good as can be found is not written again.
  expect(await searchOrder(db, classId)).toBe("none");
});

test("a wish, a settled stage, a class that is packed, taught or gone, and one saved meanwhile stay as they are", async () => {
  const { input, meta } = await stored();
  for (const stage of ["timeline", "kits"] as const) {
    await settle(db, input, classId, stage, lead);
    expect(await searchOrder(db, classId)).toBe("left");
    await db.deleteFrom("stage_stamp").execute();
  }

  // What is in a bag is not changed behind whoever packed it.
  const tick = { id: "00000000-0000-4000-8000-00000000000b", at: 1, list: "packing", key: "s1/dry/flour", isOn: true };
  await appendTicks(db, classId, [tickEventSchema.parse(tick)], lead);
  expect(await searchOrder(db, classId)).toBe("left");
  await db.deleteFrom("tick_event").execute();

  // Saved by somebody after it was read and before what was found is written.
  let saved = false;
  const savedMeanwhile = new Proxy(db, {
    get: (of, name) => {
      const own: unknown = Reflect.get(of, name);
      if (name !== "transaction") return typeof own === "function" ? own.bind(of) : own;
      return () => ({
        execute: async (work: Parameters<ReturnType<typeof db.transaction>["execute"]>[0]) => {
          saved = await changeBrief(input, meta.version, { ...brief, minutes: inMinutes(100) }, lead);
          return of.transaction().execute(work);
        },
      });
    },
  });
  expect(await searchOrder(savedMeanwhile, classId)).toBe("left");
  expect(saved).toBe(true);
  expect((await stored()).input.order).toBeUndefined();

  await appendEvents(db, input, [{ id: "00000000-0000-4000-8000-00000000000a", at: 1, kind: "class-started" }], lead);
  expect(await searchOrder(db, classId)).toBe("left");
  await db.deleteFrom("live_run").execute();

  const wish = { loads: [], demoAt: null, showsFirst: false, isWished: true };
  const now = await stored();
  await changePlan(db, now.input, now.meta.version, { arrangement: undefined, order: wish }, "As I want it", lead);
  expect(await searchOrder(db, classId)).toBe("left");
  expect((await stored()).input.order?.isWished).toBe(true);

  await db.updateTable("class").set({ removed_at: new Date() }).where("id", "=", classId).execute();
  expect(await searchOrder(db, classId)).toBe("left");
});
