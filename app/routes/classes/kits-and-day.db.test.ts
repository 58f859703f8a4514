import { CalendarDate } from "@internationalized/date";
import { plan } from "~/core/plan";
import { demoClasses } from "~/demo/boathouse";
import { stampsOf } from "~/services/sign-off.server";
import { logOf } from "~/services/live.server";
import { contentsOf, foldTicks, packingOfClass } from "~/core/pack";
import { ticksOf } from "~/services/ticks.server";
import { prepOwners, tripOf } from "~/services/shop.server";
import { aClass } from "../../../test/database";
import { classWithDoors, said } from "../../../test/class-doors";
import { ask } from "../../../test/doors";
import * as events from "./teach/events";
import * as kitLabels from "./kits/kit-labels";
import * as kits from "./kits/kits";
import * as log from "./log/log";
import * as prep from "./kits/prep";
import * as scaling from "./amounts/scaling";
import * as shopping from "./kits/shopping";
import * as ticks from "./teach/ticks";

const { next, current } = demoClasses(new CalendarDate(2026, 11, 25));
const at = classWithDoors(next);
const { stored, post } = at;

describe("shopping, kits and the day", () => {
  test("a way of putting kits together and a rule for half an egg are taken over; the slower of two is told", async () => {
    expect((await post(kits, { intent: "kit-mode", value: "station-measures" })).status).toBe(302);
    expect((await post(kits, { intent: "egg-rule", value: "round-up" })).status).toBe(302);
    expect((await stored()).input.brief).toMatchObject({ kitMode: "station-measures", eggRule: "round-up" });
    expect((await post(kits, { intent: "egg-rule", value: "guess" })).status).toBe(400);
  });

  test("what a change asks of a kit that is packed is said before it is saved, and after it", async () => {
    const { input } = await stored();
    const container = packingOfClass(input, plan(input)).containers.find((one) => one.key === "s4/dry/flour");
    if (!container) throw new Error("the last table has flour");
    const tick = { id: crypto.randomUUID(), at: 1, list: "packing", key: container.key, isOn: true };
    await ask(ticks, at.cookie, {
      params: { classId: at.classId },
      json: { events: [{ ...tick, contents: contentsOf(container) }] },
    });
    const before = await stored();
    const answer = await post(scaling, { intent: "rule", rule: "whole", version: String(before.meta.version) });
    expect(answer.status).toBe(409);
    const { asked } = answer.body as { asked: { changes: { kits: { key: string }[] }; fields: [string, string][] } };
    expect(asked.changes.kits.map((one) => one.key)).toEqual([container.key]);
    expect(await stored()).toEqual(before);
    const done = await post(scaling, Object.fromEntries(asked.fields));
    expect(done).toMatchObject({ status: 200, body: { changes: { kits: [{ key: container.key }] } } });
    expect((await stored()).input.brief.batchRule).toBe("whole");
  });

  test("what is on hand comes off the list, extras go on it, and nonsense does neither", async () => {
    const before = (await tripOf(at.db, at.classId)).lines.find((line) => line.key === "plain-flour");
    expect((await post(shopping, { intent: "stock", ingredientId: "plain-flour", amount: "400" })).status).toBe(200);
    const after = (await tripOf(at.db, at.classId)).lines.find((line) => line.key === "plain-flour");
    expect((before?.buyGrams ?? 0) - (after?.buyGrams ?? 0)).toBeCloseTo(400, 6);
    const lineOf = async (key: string) => (await tripOf(at.db, at.classId)).lines.find((line) => line.key === key);
    const eggs = await lineOf("egg");
    await post(shopping, { intent: "stock", ingredientId: "egg", unit: "piece", amount: "2" });
    expect((await lineOf("egg"))?.buyPieces).toBe((eggs?.buyPieces ?? 0) - 2);
    const milk = await lineOf("whole-milk");
    await post(shopping, { intent: "stock", ingredientId: "whole-milk", unit: "ml", amount: "100" });
    expect((milk?.buyGrams ?? 0) - ((await lineOf("whole-milk"))?.buyGrams ?? 0)).toBeCloseTo(
      100 * (milk?.gramsPerMl ?? 0),
      6,
    );
    expect((await post(shopping, { intent: "extra", name: "paper plates", count: "20", price: "3.10" })).status).toBe(
      200,
    );
    const [extra] = (await tripOf(at.db, at.classId)).extras;
    expect(extra).toMatchObject({ name: "paper plates", count: 20, price: 310 });
    for (const [form, sentence] of [
      [{ intent: "stock", ingredientId: "unobtainium", amount: "1" }, "There is no such ingredient"],
      [{ intent: "stock", ingredientId: "plain-flour", amount: "-1" }, "Give 0 or more."],
      [{ intent: "extra", name: "", count: "1" }, "Give what is to be bought"],
      [{ intent: "extra", name: "foil", count: "0" }, "Give a whole number from 1 to 10000"],
    ] as const) {
      const answer = await post(shopping, form);
      expect(answer.status).toBe(400);
      expect(said(answer)).toContain(sentence);
    }
    await post(shopping, { intent: "drop-extra", id: extra?.id ?? "" });
    expect((await tripOf(at.db, at.classId)).extras).toEqual([]);
  });

  test("two classes go on one trip, and apart again; a class cannot go with itself", async () => {
    const otherId = await aClass(at.db, current, at.lead);
    expect((await post(shopping, { intent: "together", otherId })).status).toBe(200);
    expect((await tripOf(at.db, otherId)).leadId).toBe(at.classId);
    expect((await post(shopping, { intent: "together", otherId })).status).toBe(409);
    expect((await post(shopping, { intent: "apart", otherId })).status).toBe(200);
    expect((await post(shopping, { intent: "together", otherId: at.classId })).status).toBe(409);
  });

  test("a task before the class is given to somebody, and to nobody again", async () => {
    await post(prep, { task: "melt/butter", owner: "Tobin" });
    expect(await prepOwners(at.db, at.classId)).toEqual({ "melt/butter": "Tobin" });
    await post(prep, { task: "melt/butter", owner: "" });
    expect(await prepOwners(at.db, at.classId)).toEqual({});
    expect((await post(prep, { task: "melt/butter", owner: "x".repeat(121) })).status).toBe(400);
  });

  test("labels are printed once, one again by itself, and a jam stops the run", async () => {
    await at.db.deleteFrom("label_printer").execute();
    await post(kitLabels, { intent: "operate", what: "new-roll" });
    const run = (await post(kitLabels, { intent: "print", what: "missing" })).body as { printed: number };
    expect(run.printed).toBeGreaterThan(20);
    await post(kitLabels, { intent: "operate", what: "new-roll" });
    expect(await post(kitLabels, { intent: "reprint", key: "s1/dry/flour" })).toMatchObject({ body: { printed: 1 } });
    await post(kitLabels, { intent: "operate", what: "jam" });
    expect(await post(kitLabels, { intent: "print", what: "all" })).toMatchObject({
      body: { printed: 0, stoppedBy: "jammed" },
    });
  });

  test("ticks and live events are taken once, whatever is sent again, and refused when they are none", async () => {
    const params = { classId: at.classId };
    const tick = {
      id: "00000000-0000-4000-8000-00000000000a",
      at: 1,
      list: "packing",
      key: "s1/dry/flour",
      isOn: true,
    };
    const event = { id: "00000000-0000-4000-8000-00000000000b", at: 1, kind: "class-started" };
    for (const [door, one] of [
      [ticks, tick],
      [events, event],
    ] as const) {
      for (let n = 0; n < 2; n += 1)
        expect(await ask(door, at.cookie, { params, json: { events: [one] } })).toMatchObject({
          status: 200,
          body: { kept: [one.id] },
        });
      expect((await ask(door, at.cookie, { params })).body).toMatchObject({ events: [{ id: one.id }] });
      for (const json of ["", "{", "[]", { events: [] }, { events: Array.from({ length: 201 }, () => one) }]) {
        const answer = await ask(door, at.cookie, { params, json });
        expect(answer.status).toBe(400);
        expect(said(answer)).toContain("Not understood");
      }
      // Refused one by one: what is good beside them is kept.
      const good = { ...one, id: one.id.replace(/.$/, "f").replace(/^0/, door === ticks ? "1" : "2") };
      expect(
        await ask(door, at.cookie, { params, json: { events: [{ ...one, id: "1" }, good, { ...one, at: -1 }] } }),
      ).toMatchObject({ status: 200, body: { kept: [good.id], refused: [{ id: "1" }, { id: one.id }] } });
    }
  });

  test("an id that another class has is refused, not acknowledged", async () => {
    const other = await aClass(at.db, next, at.lead);
    const one = { id: crypto.randomUUID(), at: 1, kind: "note-added", text: "here" };
    expect(
      (await ask(events, at.cookie, { params: { classId: at.classId }, json: { events: [one] } })).body,
    ).toMatchObject({
      kept: [one.id],
    });
    expect((await ask(events, at.cookie, { params: { classId: other }, json: { events: [one] } })).body).toMatchObject({
      kept: [],
      refused: [{ id: one.id }],
    });
  });

  test("a tablet a day ahead does not have the last word for a day", async () => {
    const day = 86_400_000;
    const tick = (id: string, at: number, isOn: boolean) => ({ id, at, list: "packing", key: "s1/dry/flour", isOn });
    const [on, off] = [crypto.randomUUID(), crypto.randomUUID()];
    const ahead = Date.now() + day;
    const send = (json: object) => ask(ticks, at.cookie, { params: { classId: at.classId }, json });
    expect((await send({ now: ahead, events: [tick(on, ahead - 5, true)] })).body).toMatchObject({ kept: [on] });
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect((await send({ now: Date.now(), events: [tick(off, Date.now(), false)] })).body).toMatchObject({
      kept: [off],
    });
    const all = await ticksOf(at.db, at.classId);
    expect(foldTicks(all).packing.has("s1/dry/flour")).toBe(false);
    const row = await at.db
      .selectFrom("tick_event")
      .select("device_off")
      .where("id", "=", on)
      .executeTakeFirstOrThrow();
    expect(Math.abs(row.device_off - day)).toBeLessThan(60_000);
  });

  test("the log is kept with its figures; of two who keep one the second sees the first", async () => {
    expect(await post(log, { version: "0", piecesMade: "41", note: "Bring a second cord." })).toMatchObject({
      status: 200,
      body: { isKept: true },
    });
    expect(await logOf(at.classId, { role: "lead" })).toMatchObject({ piecesMade: 41, note: "Bring a second cord." });
    const late = await post(log, { version: "0", piecesMade: "40", note: "" });
    expect(late.status).toBe(409);
    expect(said(late)).toContain("Lead saved another log meanwhile: 41 pieces");
    expect((await post(log, { version: "1", piecesMade: "some" })).status).toBe(400);
    expect((await stampsOf(at.classId)).map((one) => one.stage)).toEqual(["log"]);
  });
});
