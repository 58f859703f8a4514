import { CalendarDate } from "@internationalized/date";
import type { Kysely } from "kysely";
import { contentsOf, foldTicks, packingOfClass, stateOf } from "~/core/pack";
import { plan } from "~/core/plan";
import type { DB } from "~/db/schema";
import { demoClasses } from "~/demo/boathouse";
import { aClass, anAccount, programDatabase } from "../../test/database";
import { addExtra, givePrep, prepOwners, removeExtra, saveStock, shopTogether, tripOf } from "./shop.server";
import { appendTicks, ticksOf } from "./ticks.server";
import { labelStamp, printLabels, printedLabels } from "./labels.server";
import { setKitChoice } from "./kits.server";
import { classOr404 } from "./classes.server";
import { SimulatedLabelPrinter, rollOf } from "~/devices/label-printer.server";

let db: Kysely<DB>;
let lead = "";
let classId = "";
const { next, current } = demoClasses(new CalendarDate(2026, 11, 25));

beforeAll(async () => {
  db = await programDatabase();
  lead = await anAccount(db);
});
afterAll(() => db.destroy());
const bring = (input: typeof next) => aClass(db, input, lead);
beforeEach(async () => {
  await db.deleteFrom("class").execute();
  await db.deleteFrom("label_printer").execute();
  classId = await bring(next);
});
const stored = async () => (await classOr404(classId)).input;

test("what is known of kitchens, packs and raw food comes back as it was brought in", async () => {
  const input = await stored();
  const bare = <T extends { id: string }>(rows: readonly T[] | undefined) => rows?.map(({ id: _id, ...rest }) => rest);
  expect(bare(input.kitchen.surfaces)).toEqual(bare(next.kitchen.surfaces));
  expect(bare(input.kitchen.circuits)).toEqual(bare(next.kitchen.circuits));
  const sorted = (packs: typeof next.packs) => [...packs].sort((a, b) => (a.ingredientId < b.ingredientId ? -1 : 1));
  expect(sorted(input.packs)).toEqual(sorted(next.packs));
  const raw = (one: typeof next, id: string) => one.pantry.find((each) => each.id === id)?.raw;
  expect(raw(input, "lemon-juice")).toEqual(raw(next, "lemon-juice"));
  const other = (await classOr404(await bring(current))).input;
  expect(other.kitchen.floor).toEqual(current.kitchen.floor);
});

describe("ticks", () => {
  const event = (id: string, at: number, isOn = true) => ({
    id,
    at,
    list: "packing" as const,
    key: "s1/dry/flour",
    isOn,
  });
  const ids = ["00000000-0000-4000-8000-000000000001", "00000000-0000-4000-8000-000000000002"] as const;

  test("each is kept once whatever is sent again, with the name of who made it", async () => {
    expect(await appendTicks(db, classId, [event(ids[0], 5)], lead)).toEqual([ids[0]]);
    expect(await appendTicks(db, classId, [event(ids[0], 5), event(ids[1], 9, false)], lead)).toEqual([...ids]);
    const kept = await ticksOf(db, classId);
    expect(kept.map((one) => [one.id, one.by, one.isOn])).toEqual([
      [ids[0], "Lead", true],
      [ids[1], "Lead", false],
    ]);
    expect(foldTicks(kept).packing.size).toBe(0);
  });

  test("a packed container is open again, by so many grams, once the brief asks for more", async () => {
    const before = await stored();
    const flour = packingOfClass(before, plan(before)).containers.find((one) => one.key === "s1/dry/flour");
    if (!flour) throw new Error("the first station has flour");
    await appendTicks(db, classId, [{ ...event(ids[0], 5), contents: contentsOf(flour) }], lead);
    await db.updateTable("class").set({ pieces_each_num: 5 }).where("id", "=", classId).execute();
    const now = await stored();
    const later = packingOfClass(now, plan(now)).containers.find((one) => one.key === flour.key);
    if (!later) throw new Error("it still has flour");
    const state = stateOf(contentsOf(later), foldTicks(await ticksOf(db, classId)).packing.get(flour.key));
    expect(state).toMatchObject({
      kind: "reopened",
      changes: [{ ingredientId: "plain-flour", byGrams: expect.closeTo((later.grams ?? 0) - (flour.grams ?? 0), 1) }],
    });
  });

  test("they go with their class", async () => {
    await appendTicks(db, classId, [event(ids[0], 5)], lead);
    await db.deleteFrom("class").where("id", "=", classId).execute();
    expect(await db.selectFrom("tick_event").select("id").execute()).toEqual([]);
  });
});

describe("a trip", () => {
  test("two classes are bought for at once, and what is on hand is taken off once", async () => {
    const other = await bring(current);
    await saveStock(db, classId, "plain-flour", 0, 100);
    const flour = async (id: string) => (await tripOf(db, id)).lines.find((line) => line.key === "plain-flour");
    const [alone, theirs] = [await flour(classId), await flour(other)];
    expect(await shopTogether(db, classId, other, true)).toBe(true);
    const both = await flour(classId);
    expect(both?.grams).toBeCloseTo((alone?.grams ?? 0) + (theirs?.grams ?? 0), 6);
    expect(both?.buyGrams).toBeCloseTo((both?.grams ?? 0) - 100, 6);
    expect(await flour(other)).toEqual(both);
    expect((await tripOf(db, other)).leadId).toBe(classId);

    // Who leads a trip is not taken along on another, and nobody goes on two.
    const third = await bring({ ...next, title: "A third" });
    expect(await shopTogether(db, third, classId, true)).toBe(false);
    expect(await shopTogether(db, third, other, true)).toBe(false);
    expect(await shopTogether(db, classId, classId, true)).toBe(false);
    expect(await shopTogether(db, classId, other, false)).toBe(true);
    // What is over is not offered: nobody goes shopping for it.
    const past = await bring({ ...next, title: "Long ago", startsAt: "2020-02-01T10:00" });
    const ahead = await bring({ ...next, title: "Far ahead", startsAt: "2090-02-01T10:00" });
    const offered = (await tripOf(db, classId)).others.map(({ id }) => id);
    expect([offered.includes(past), offered.includes(ahead)]).toEqual([false, true]);
    expect((await flour(classId))?.grams).toBeCloseTo(alone?.grams ?? 0, 6);
  });

  test("nothing on hand is no row, extras come and go, tasks are given and taken", async () => {
    await saveStock(db, classId, "plain-flour", 0, 100);
    // What somebody else counted meanwhile is not overwritten by whoever did not see it.
    expect(await saveStock(db, classId, "plain-flour", 0, 250)).toBe(false);
    expect(await saveStock(db, classId, "plain-flour", 90, 250)).toBe(false);
    expect(await saveStock(db, classId, "plain-flour", 90, 0)).toBe(false);
    const both = await Promise.all([120, 130].map((grams) => saveStock(db, classId, "plain-flour", 100, grams)));
    expect([...both].sort()).toEqual([false, true]);
    const { stock } = await tripOf(db, classId);
    expect(await saveStock(db, classId, "plain-flour", stock["plain-flour"] ?? 0, 0)).toBe(true);
    expect((await tripOf(db, classId)).stock).toEqual({});
    await addExtra(db, classId, { name: "baking paper", count: 2, price: 150 });
    const { extras, lines } = await tripOf(db, classId);
    expect(extras).toEqual([expect.objectContaining({ name: "baking paper", count: 2, price: 150 })]);
    expect(lines.find((line) => line.name === "baking paper")?.price).toBe(300);
    await removeExtra(db, classId, extras[0]?.id ?? "");
    expect((await tripOf(db, classId)).extras).toEqual([]);
    await givePrep(db, classId, "melt:x", "Tobin");
    await givePrep(db, classId, "melt:x", "Marit");
    expect(await prepOwners(db, classId)).toEqual({ "melt:x": "Marit" });
    await givePrep(db, classId, "melt:x", "");
    expect(await prepOwners(db, classId)).toEqual({});
  });
});

describe("the label printer's stand-in", () => {
  const label = { lines: ["Stroke"], code: "http://x/" };

  test("prints until the roll is empty or it jams, and what came out is written down", async () => {
    const printer = new SimulatedLabelPrinter(db);
    const labels = Array.from({ length: rollOf + 2 }, (_, n) => ({ container: `c${n}`, stamp: "a", label }));
    expect(await printLabels(db, printer, classId, labels, lead)).toMatchObject({ stoppedBy: "no-labels" });
    expect(await printedLabels(db, classId)).toHaveLength(rollOf);
    await printer.operate("new-roll");
    await printer.operate("jam");
    expect(await printer.print(label)).toBe("jammed");
    await printer.operate("clear");
    expect(await printLabels(db, printer, classId, labels.slice(rollOf), lead)).toEqual({
      printed: [`c${rollOf}`, `c${rollOf + 1}`],
      stoppedBy: null,
    });
    expect(await printer.state()).toEqual({ labelsLeft: rollOf - 2, isJammed: false });
  });

  test("two who print at once do not share the last label", async () => {
    const printer = new SimulatedLabelPrinter(db);
    await printer.operate("new-roll");
    await db.updateTable("label_printer").set({ labels_left: 3 }).execute();
    const outcomes = await Promise.all(Array.from({ length: 6 }, () => printer.print(label)));
    expect(outcomes.filter((one) => one === "printed")).toHaveLength(3);
    expect(outcomes.filter((one) => one === "no-labels")).toHaveLength(3);
  });

  test("a label printed again counts by its latest stamp, and another label read makes the stamp another", async () => {
    const printer = new SimulatedLabelPrinter(db);
    await printLabels(db, printer, classId, [{ container: "c", stamp: "a", label }], lead);
    await printLabels(db, printer, classId, [{ container: "c", stamp: "b", label }], lead);
    expect((await printedLabels(db, classId)).map((one) => one.stamp)).toEqual(["b"]);
    const input = await stored();
    const stampOf = (one: typeof input) => {
      const flour = packingOfClass(one, plan(one)).containers.find((each) => each.key === "s1/dry/flour");
      return flour && labelStamp(flour);
    };
    const read = input.labels.map((one) =>
      one.ingredientId === "plain-flour" ? { ...one, mayContain: ["soy" as const] } : one,
    );
    expect(stampOf({ ...input, labels: read })).not.toBe(stampOf(input));
    expect(stampOf({ ...input, title: "Renamed" })).toBe(stampOf(input));
  });
});

test("the packing table sees nobody's needs, and packs exactly what the plan wants, apart and all", async () => {
  const { inputForPacking } = await import("./privacy.server");
  const input = await stored();
  const ids = input.people.filter((one) => one.role === "cook").map((one) => one.id);
  const arranged = {
    ...input,
    arrangement: { seats: [ids.slice(0, 4), ids.slice(4, 8), ids.slice(8, 11), ids.slice(11)], apart: [3] },
  };
  const packed = packingOfClass(arranged, plan(arranged));
  const seen = inputForPacking(arranged);
  expect(packed.containers[0]?.isSealed).toBe(true);
  expect(packingOfClass(seen, plan(seen))).toEqual(packed);
  expect(
    seen.people.every((one) => one.needs.length === 0 && one.words === undefined && one.emergency === undefined),
  ).toBe(true);
});

test("a way of putting kits together is taken once; who looked at an older class is told", async () => {
  const { input, meta } = await classOr404(classId);
  await setKitChoice(input, meta.version, { intent: "egg-rule", value: "round-up" }, lead);
  expect((await stored()).brief.eggRule).toBe("round-up");
  await expect(setKitChoice(input, meta.version, { intent: "kit-mode", value: "dry-mix" }, lead)).rejects.toMatchObject(
    { init: { status: 409 } },
  );
  expect((await stored()).brief.kitMode).toBe(next.brief.kitMode);
});
