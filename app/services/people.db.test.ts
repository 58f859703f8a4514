import crypto from "node:crypto";
import { crc32, deflateSync } from "node:zlib";
import { CalendarDate } from "@internationalized/date";
import jpeg from "jpeg-js";
import { type Kysely, sql } from "kysely";
import { PNG } from "pngjs";
import { plan, waysOutFor } from "~/core/plan";
import { ratio, inGrams } from "~/core/quantity";
import { readClassFile, writeClassFile } from "~/formats/class-file";
import { sealsOf, stageInputs } from "~/core/sheet";
import type { DB } from "~/db/schema";
import { outbox } from "~/devices/mail.server";
import { demoClasses } from "~/demo/boathouse";
import { aClass, anAccount, programDatabase } from "../../test/database";
import {
  lastAnswer,
  makeLinks,
  openLink,
  revokeLinks,
  secondAnswers,
  settleSecond,
  takeAnswers,
} from "./intake.server";
import {
  asSeenBy,
  forgetPerson,
  forgetRemoved,
  putBack,
  removedOf,
  takeOff,
  recordOf,
  removalDay,
  removeExpired,
  setRetention,
} from "./privacy.server";
import { removeHealth } from "./health-data.server";
import { changePlan, madeChanges, undoChange } from "./arrange.server";
import { importClass } from "./class-import.server";
import { classOr404 } from "./classes.server";
import { addBrought, forgetLabel, removeBrought, saveLabel, savePack, seenPack } from "./products.server";
import { settle, stampsOf } from "./sign-off.server";
import { appendEvents, keepLog, logOf, snapshotOf } from "./live.server";

let db: Kysely<DB>;
let lead = "";
let classId = "";
const { next } = demoClasses(new CalendarDate(2026, 11, 25));

beforeAll(async () => {
  db = await programDatabase();
  lead = await anAccount(db);
});
afterAll(() => db.destroy());
beforeEach(async () => {
  await db.deleteFrom("class").execute();
  classId = await aClass(db, next, lead);
});

const stored = async () => {
  const found = await classOr404(classId);
  return found;
};
const personNamed = async (name: string) => {
  const found = (await stored()).input.people.find((one) => one.name === name);
  if (!found) throw new Error(`${name} is not on the register`);
  return found;
};
const answer = (name: string, more = {}) => ({
  name,
  ageBand: "6-11" as const,
  needs: [],
  answered: { by: "A guardian", on: "2026-11-25" },
  ...more,
});
const egg = {
  kind: "substance" as const,
  substance: "egg" as const,
  severity: "allergy" as const,
  touchOrAir: false,
  note: "",
};

/** One link of the class, or of one of its people. */
const makeLink = async (days: number) => {
  const { tokens } = await makeLinks(db, classId, [null], days, lead);
  return { token: tokens[0] ?? "" };
};

test("a link opens until it expires or is taken back; a guess, an expired and a revoked one are refused alike and slowly", async () => {
  const open = async (token: string) => openLink(db, token, "192.0.2.10");
  const good = await makeLink(7);
  expect(good.token).toMatch(/^[A-Za-z0-9_-]{32}$/);
  expect(await open(good.token)).toMatchObject({ link: { classId, participantId: null } });
  const rows = await db.selectFrom("intake_link").select("token_hash").execute();
  expect(rows.every((row) => row.token_hash !== good.token)).toBe(true);

  const expired = await makeLink(-1);
  const before = Date.now();
  for (const token of ["A".repeat(32), "no token at all", expired.token])
    expect(await open(token)).toEqual({ refused: "unknown" });
  expect(Date.now() - before).toBeGreaterThanOrEqual(3 * 650);
  await revokeLinks(db, classId);
  expect(await open(good.token)).toEqual({ refused: "unknown" });
});

test("who guesses too often waits, whatever they try next", async () => {
  await Promise.all(Array.from({ length: 20 }, (_, n) => openLink(db, `${"B".repeat(30)}${n + 10}`, "192.0.2.11")));
  expect(await openLink(db, "C".repeat(32), "192.0.2.11")).toHaveProperty("waitSeconds");
  const good = await makeLink(7);
  // Who has a link that opens is not kept waiting by who has none, even from the same place.
  expect(await openLink(db, good.token, "192.0.2.11")).toHaveProperty("link");
  expect(await openLink(db, good.token, "192.0.2.12")).toHaveProperty("link");
});

test("an answer reaches whoever has not answered, a new name comes onto the register, one more than once waits and is unknown", async () => {
  await takeAnswers(db, { classId, participantId: null }, [
    answer("juniper dray", { needs: [egg] }),
    answer("Somebody New"),
  ]);
  expect(await personNamed("Juniper Dray")).toMatchObject({ hasAnswered: true, needs: [egg] });
  expect(await personNamed("Somebody New")).toMatchObject({ hasAnswered: true, role: "cook" });

  // Asked about first, and of none of it anything is kept.
  const twice = [answer("Another Child"), answer("Juniper Dray")];
  const everybody = { classId, participantId: null };
  expect(await takeAnswers(db, everybody, twice)).toEqual({ kind: "again", names: ["Juniper Dray"] });
  expect((await personNamed("Juniper Dray")).isContested).toBeUndefined();
  await expect(personNamed("Another Child")).rejects.toThrow();
  expect(await takeAnswers(db, everybody, [answer("Juniper Dray")], true)).toEqual({ kind: "taken" });
  const contested = await personNamed("Juniper Dray");
  expect(contested).toMatchObject({ isContested: true, needs: [egg] });
  const plates = plan((await stored()).input).plates;
  expect(plates.find((plate) => plate.participantId === contested.id)?.verdict).toBe("unknown");

  const [second] = await secondAnswers(db, classId);
  expect(await settleSecond(db, classId, second?.id ?? "", true, lead)).toBe(true);
  expect((await personNamed("Juniper Dray")).needs).toEqual([]);
  expect((await personNamed("Juniper Dray")).isContested).toBeUndefined();
  expect(await settleSecond(db, classId, second?.id ?? "", true, lead)).toBe(false);

  // Three wait to be compared, a fourth does not.
  for (let sent = 0; sent < 3; sent += 1)
    expect(await takeAnswers(db, everybody, [answer("Juniper Dray")], true)).toEqual({ kind: "taken" });
  expect(await takeAnswers(db, everybody, [answer("Juniper Dray")], true)).toEqual({
    kind: "waiting",
    names: ["Juniper Dray"],
  });
  expect(await secondAnswers(db, classId)).toHaveLength(3);
});

test("what is contested in a file that comes in is open here, never an answer", async () => {
  const brought = await importClass(
    db,
    {
      ...next,
      people: [
        { id: "a", name: "Ada", role: "cook", ageBand: "6-11", hasAnswered: true, needs: [], isContested: true },
        { id: "b", name: "Bo", role: "cook", ageBand: "6-11", hasAnswered: true, needs: [] },
      ],
    },
    lead,
  );
  if (!("id" in brought)) throw new Error("not brought in");
  const { input } = await classOr404(brought.id);
  expect(input.people.map((one) => [one.name, one.hasAnswered])).toEqual([
    ["Ada", false],
    ["Bo", true],
  ]);
});

test("two guardians who answer for one child at once: the first stands, the second waits", async () => {
  await Promise.all([
    takeAnswers(db, { classId, participantId: null }, [answer("Fay Mosswell", { needs: [egg] })], true),
    takeAnswers(db, { classId, participantId: null }, [answer("Fay Mosswell")], true),
  ]);
  expect(await secondAnswers(db, classId)).toHaveLength(1);
  expect((await personNamed("Fay Mosswell")).isContested).toBe(true);
});

test("a link of one's own shows only one's own last answers, of an earlier class too, and replaces only them", async () => {
  const fay = await personNamed("Fay Mosswell");
  expect((await lastAnswer(db, classId, fay.id))?.isFromBefore).toBe(false);
  const email = "fay@home.example";
  await db.updateTable("participant").set({ email }).where("id", "=", fay.id).execute();
  const earlier = await importClass(
    db,
    {
      ...next,
      title: "Earlier",
      startsAt: "2026-06-01T10:00",
      people: [
        { id: "x", name: "Fay Mosswell", role: "cook", ageBand: "6-11", hasAnswered: true, needs: [egg] },
        { id: "y", name: "Another Child", role: "cook", ageBand: "6-11", hasAnswered: true, needs: [] },
      ],
    },
    lead,
  );
  if (!("id" in earlier)) throw new Error("not brought in");
  await db.updateTable("participant").set({ email }).where("class_id", "=", earlier.id).execute();
  const last = await lastAnswer(db, classId, fay.id);
  expect(last).toMatchObject({ isFromBefore: true, person: { id: fay.id, needs: [egg] } });

  await takeAnswers(db, { classId, participantId: fay.id }, [answer("Another Name", { needs: [egg] })]);
  expect(await personNamed("Fay Mosswell")).toMatchObject({ hasAnswered: true, needs: [egg] });
  expect((await stored()).input.people.some((one) => one.name === "Another Name")).toBe(false);
});

test("answers come in all or none", async () => {
  const before = (await stored()).input.people.length;
  await expect(
    takeAnswers(db, { classId, participantId: null }, [
      answer("First Child"),
      answer("Second Child", { ageBand: "ancient" }),
    ]),
  ).rejects.toThrow();
  expect((await stored()).input.people).toHaveLength(before);
});

test("health data goes on its day, from every table and from the class as it was pinned; names stay", async () => {
  await appendEvents(
    db,
    (await stored()).input,
    [{ id: crypto.randomUUID(), kind: "class-started", at: Date.now() }],
    lead,
  );
  await setRetention(db, classId, 10);
  const { startsAt } = (await stored()).input;
  const day = removalDay(startsAt, 10);
  expect(await removeExpired(db, () => startsAt.slice(0, 10))).toBe(0);
  expect((await stored()).input.people.some((one) => one.needs.length > 0)).toBe(true);
  expect(await removeExpired(db, () => day)).toBe(1);
  const { input, meta } = await stored();
  expect(meta.healthRemovedAt).not.toBeNull();
  expect(input.people).toHaveLength(next.people.length);
  expect(input.people.every((one) => !one.hasAnswered && one.needs.length === 0 && !one.words)).toBe(true);
  const pinned = await snapshotOf(classId);
  expect(pinned?.people.length).toBe(next.people.length);
  expect(pinned?.people.every((one) => one.needs.length === 0)).toBe(true);
  expect(await removeExpired(db, () => "2030-01-01")).toBe(0);
});

test("one person leaves every place they were kept in, and what is held of them can be had before", async () => {
  await appendEvents(
    db,
    (await stored()).input,
    [{ id: crypto.randomUUID(), kind: "class-started", at: Date.now() }],
    lead,
  );
  const nell = await personNamed("Nell Harrowgate");
  const record = await recordOf(db, classId, nell.id);
  expect(record?.person.needs).toEqual(nell.needs);
  expect(JSON.stringify(record)).not.toContain("Ezra");
  await forgetPerson(db, classId, nell.id);
  expect((await stored()).input.people.some((one) => one.name === "Nell Harrowgate")).toBe(false);
  const pinned = await db.selectFrom("live_run").select("snapshot").where("class_id", "=", classId).executeTakeFirst();
  expect(JSON.stringify(pinned)).not.toContain("Nell");
});

test("somebody taken off can be put back with everything, where they stood, and pinned again; or forgotten, and then not", async () => {
  await appendEvents(
    db,
    (await stored()).input,
    [{ id: crypto.randomUUID(), kind: "class-started", at: Date.now() }],
    lead,
  );
  const [grownUp, child] = [await personNamed("Nell Harrowgate"), await personNamed("Fay Mosswell")];
  await db.updateTable("participant").set({ grown_up_id: grownUp.id }).where("id", "=", child.id).execute();
  const before = (await stored()).input.people;
  expect(await takeOff(db, classId, grownUp, lead)).toBe(true);
  expect(await takeOff(db, classId, grownUp, lead)).toBe(false);
  expect((await stored()).input.people.some((one) => one.id === grownUp.id)).toBe(false);
  expect((await snapshotOf(classId))?.people.some((one) => one.id === grownUp.id)).toBe(false);
  expect((await removedOf(db, classId)).map((one) => one.name)).toEqual([grownUp.name]);
  expect(await putBack(db, classId, grownUp.id, lead)).toBe(grownUp.name);
  expect((await stored()).input.people).toEqual(before);
  expect((await snapshotOf(classId))?.people.some((one) => one.id === grownUp.id)).toBe(true);
  expect(await putBack(db, classId, grownUp.id, lead)).toBeUndefined();

  await takeOff(db, classId, grownUp, lead);
  await forgetRemoved(db, classId, grownUp.id);
  expect(await putBack(db, classId, grownUp.id, lead)).toBeUndefined();
  const left = await db.selectFrom("removed_person").select("id").execute();
  expect(left).toEqual([]);
});

test("what is kept aside goes with the class's health data, and when its days are over", async () => {
  const nell = await personNamed("Nell Harrowgate");
  await takeOff(db, classId, nell, lead);
  await db
    .updateTable("removed_person")
    .set({ removed_at: sql`now() - interval '31 days'` })
    .execute();
  expect(await removedOf(db, classId)).toEqual([]);
  await removeExpired(db, () => "1990-01-01");
  expect(await db.selectFrom("removed_person").select("id").execute()).toEqual([]);
});

test("an assistant sees what must be avoided and where the medicine is, no words and no addresses", async () => {
  const fay = await personNamed("Fay Mosswell");
  await db
    .updateTable("participant")
    .set({ words: "her aunt says nuts", emergency: "red bag", email: "fay@home.example", note: "shy" })
    .where("id", "=", fay.id)
    .execute();
  const whole = await stored();
  const seen = asSeenBy({ role: "assistant" }, whole);
  const text = JSON.stringify([seen.input.people, seen.meta]);
  for (const hidden of ["her aunt", "fay@home.example", "shy", "hives within minutes"])
    expect(text).not.toContain(hidden);
  expect(text).toContain("red bag");
  expect(seen.input.people.find((one) => one.name === "Ottoline Brask")?.needs).toHaveLength(1);
  expect(asSeenBy({ role: "lead" }, whole)).toEqual({ input: whole.input, meta: whole.meta });
});

test("a stamp holds no hash that could be guessed: keyed by a secret that goes with the person", async () => {
  const before = await stored();
  const ezra = await personNamed("Ezra Larkspur");
  const stampOf = async () => (await stampsOf(classId)).find((one) => one.stage === "allergies");
  await settle(db, before.input, classId, "allergies", lead);
  const stamp = await stampOf();
  // Whoever knows what people declare cannot find it by hashing.
  expect(stamp?.inputs[`answer:${ezra.id}`]).not.toBe(stageInputs(before.input, "allergies")[`answer:${ezra.id}`]);
  expect(stamp?.fingerprint).not.toBe(sealsOf(before.input, plan(before.input)).allergies);
  expect(stamp?.inputs).toEqual(stageInputs(before.input, "allergies", before.keys));
  expect(stamp?.fingerprint).toBe(sealsOf(before.input, plan(before.input), before.keys).allergies);
  expect(new Set(before.keys.values()).size).toBe(before.keys.size);
  expect(before.keys.get(ezra.id)).toMatch(/^[0-9a-f-]{36}$/);
  // Taken off: nothing of them stands in any stamp; put back, what was signed is what is there again.
  await takeOff(db, classId, ezra, lead);
  const text = JSON.stringify(await stampsOf(classId));
  expect(text).not.toContain(ezra.id);
  await putBack(db, classId, ezra.id, lead);
  const back = await stored();
  expect(sealsOf(back.input, plan(back.input), back.keys).allergies).toBe(stamp?.fingerprint);
});

test("when health data goes, so do notes, what was said while teaching, letters and the secrets of stamps", async () => {
  const before = await stored();
  const fay = await personNamed("Fay Mosswell");
  await db.updateTable("participant").set({ note: "tires soon" }).where("id", "=", fay.id).execute();
  await settle(db, before.input, classId, "allergies", lead);
  await appendEvents(
    db,
    before.input,
    [{ id: crypto.randomUUID(), at: 5, kind: "note-added", text: "Fay was unwell after the second" }],
    lead,
  );
  await keepLog(db, classId, 0, { piecesMade: 3, note: "Fay again" }, lead);
  await outbox(db).send([{ classId, to: "fay@home.example", subject: "s", body: "Fay and nuts" }]);
  await removeHealth(db, [classId]);
  const dump = JSON.stringify(
    await Promise.all(
      (["participant", "live_event", "class_log", "outbox_mail", "stage_stamp", "live_run"] as const).map((table) =>
        db.selectFrom(table).selectAll().where("class_id", "=", classId).execute(),
      ),
    ),
  );
  for (const word of ["tires soon", "unwell", "Fay again", "nuts", "answer:"])
    expect([word, dump.includes(word)]).toEqual([word, false]);
  const after = await stored();
  for (const [id, key] of before.keys) expect(after.keys.get(id)).not.toBe(key);
  // A note that names nobody was said to be one to keep.
  await keepLog(db, classId, 1, { piecesMade: 3, note: "Irons on at the doors", namesNobody: true }, lead);
  await removeHealth(db, [classId]);
  expect((await logOf(classId, { role: "lead" }))?.note).toBe("Irons on at the doors");
});

test("a remedy changes the plan whole, is kept, and is undone to what was", async () => {
  const { input, meta } = await stored();
  const ezra = await personNamed("Ezra Larkspur");
  const before = plan(input);
  const remedy = waysOutFor(input, (await personNamed("Ottoline Brask")).id, []).find((one) => one.change);
  const change = remedy?.change ?? {
    dishes: input.dishes,
    arrangement: {
      seats: [[ezra.id], input.people.filter((one) => one.id !== ezra.id).map((one) => one.id)],
      apart: [0],
    },
  };
  expect(await changePlan(db, input, meta.version, change, "a remedy", lead)).toBe(true);
  // Read again, the class is what the change said.
  const changed = await stored();
  expect(plan(changed.input).stations.map((one) => [one.people, one.isApart])).toEqual(
    plan({ ...input, ...change }).stations.map((one) => [one.people, one.isApart]),
  );
  expect((await madeChanges(db, classId)).map((one) => [one.what, one.by])).toEqual([["a remedy", "Lead"]]);
  // With the version of before nothing is changed.
  expect(await changePlan(db, input, meta.version, change, "too late", lead)).toBe(false);
  expect(await undoChange(db, changed.input, changed.meta.version, lead)).toBe(true);
  const back = plan((await stored()).input);
  expect(back.stations.map((one) => one.people)).toEqual(before.stations.map((one) => one.people));
  expect(back.dishes.map((one) => one.variantName)).toEqual(before.dishes.map((one) => one.variantName));
  expect(await madeChanges(db, classId)).toEqual([]);
});

/** One chunk of a PNG with its length and its sum. */
function pngChunk(kind: string, content: Uint8Array): Buffer {
  const body = Buffer.concat([Buffer.from(kind, "latin1"), content]);
  const length = Buffer.alloc(4);
  length.writeUInt32BE(content.length);
  const sum = Buffer.alloc(4);
  sum.writeUInt32BE(crc32(body) >>> 0);
  return Buffer.concat([length, body, sum]);
}
const pngText = (text: string) => pngChunk("tEXt", Buffer.from(`Comment\0${text}`, "latin1"));

/** A PNG of one colour, written without going through its pixels one by one. */
function pngOf(width: number, height: number): Buffer {
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width);
  head.writeUInt32BE(height, 4);
  head.set([8, 6, 0, 0, 0], 8);
  const rows = deflateSync(Buffer.alloc((width * 4 + 1) * height));
  const signature = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
  return Buffer.concat([signature, pngChunk("IHDR", head), pngChunk("IDAT", rows), pngChunk("IEND", Buffer.alloc(0))]);
}

/** A JPEG's EXIF block: the camera's name, and which way up it stood. */
const cameraSays = (orientation: number) =>
  Buffer.concat([
    Buffer.from([0xff, 0xe1, 0x00, 0x2e]),
    Buffer.from("Exif\0\0MM\0*\0\0\0\x08\0\x02\x01\x0f\0\x02\0\0\0\x04CAM\0\x01\x12\0\x03\0\0\0\x01\0", "latin1"),
    Buffer.from([orientation, 0, 0, 0, 0, 0, 0]),
  ]);

test("a bowl of a fixed size, what is cooked of it and what is taken for what are kept, come with an edit of the brief, and are undone", async () => {
  const before = await stored();
  const settled = {
    bowl: ratio(3n, 2n),
    cooks: "wanted" as const,
    takes: [{ lineId: "milk", ingredientId: "buttermilk" }],
  };
  const change = {
    dishes: before.input.dishes.map((dish, at) => (at === 0 ? { ...dish, ...settled } : dish)),
    arrangement: before.input.arrangement,
  };
  expect(await changePlan(db, before.input, before.meta.version, change, "the bowl", lead)).toBe(true);
  const changed = await stored();
  expect(changed.input.dishes[0]).toMatchObject(settled);
  expect(plan(changed.input).stations[0]?.scale.factor).toEqual(ratio(3n, 2n));
  // The file of the class carries it, and is read again.
  const file = readClassFile(writeClassFile(changed.input));
  expect(file.ok && file.input.dishes[0]).toMatchObject(settled);
  // The database keeps it honest.
  await expect(
    sql`update class_dish set bowl = 'as much as fits' where class_id = ${classId}`.execute(db),
  ).rejects.toThrow(/class_dish_bowl_check/);
  expect(await undoChange(db, changed.input, changed.meta.version, lead)).toBe(true);
  expect((await stored()).input.dishes.map(({ bowl, cooks, takes }) => [bowl, cooks, takes])).toEqual(
    before.input.dishes.map(({ bowl, cooks, takes }) => [bowl, cooks, takes]),
  );
});

test("a picture is written anew, upright and without what its camera wrote, and goes with the label it shows", async () => {
  const { photoFrom, photoOf } = await import("./photos.server");
  const file = (bytes: Uint8Array, type: string) => new File([new Uint8Array(bytes)], "label", { type });
  // Two pixels side by side, red and blue, and a text that says where it was taken.
  const two = new PNG({ width: 2, height: 1 });
  two.data.set([255, 0, 0, 255, 0, 0, 255, 255]);
  const plain = PNG.sync.write(two);
  const png = Buffer.concat([plain.subarray(0, 33), pngText("Mill Lane 12"), plain.subarray(33)]);
  expect(await photoFrom(null)).toBeUndefined();
  expect(await photoFrom(file(new Uint8Array(), "image/png"))).toBeUndefined();
  expect(await photoFrom(file(Buffer.from("<svg/>"), "image/png"))).toBe("refused");
  expect(await photoFrom(file(png.subarray(0, 60), "image/png"))).toBe("refused");
  expect(await photoFrom(file(new Uint8Array(1_600_000), "image/png"))).toBe("refused");
  const photo = await photoFrom(file(png, "text/html"));
  if (!photo || photo === "refused") throw new Error("a picture was expected");
  expect(photo.kind).toBe("image/png");
  expect(photo.bytes.toString("latin1")).not.toContain("Mill Lane");
  expect([...PNG.sync.read(photo.bytes).data]).toEqual([...two.data]);
  // What does not fit into the memory of whoever decodes it is refused; the program goes on.
  const large = pngOf(2500, 2000);
  expect(await photoFrom(file(large, "image/png"), 100)).toBe("refused");
  expect(await photoFrom(file(large, "image/png"))).toMatchObject({ kind: "image/png" });
  // A large photograph taken with the camera on its side: smaller, upright, and bare.
  const wide = { width: 2400, height: 16, data: Buffer.alloc(2400 * 16 * 4, 128) };
  wide.data.fill(255, 0, 2400 * 8 * 4);
  const taken = jpeg.encode(wide, 90).data;
  const turned = await photoFrom(
    file(Buffer.concat([taken.subarray(0, 2), cameraSays(6), taken.subarray(2)]), "image/jpeg"),
  );
  if (!turned || turned === "refused") throw new Error("a picture was expected");
  expect(turned.bytes.toString("latin1")).not.toMatch(/Exif|CAM/);
  const shown = jpeg.decode(turned.bytes, { useTArray: true });
  expect([shown.width, shown.height]).toEqual([8, 1200]);
  // What was the upper half lies on the right.
  const grey = (x: number) => shown.data[(600 * 8 + x) * 4] ?? 0;
  expect(grey(7)).toBeGreaterThan(230);
  expect(grey(0)).toBeLessThan(150);
  const label = (await stored()).input.labels.find((one) => one.ingredientId === "butter");
  const version = async () => (await stored()).meta.labelVersions.butter ?? 0;
  if (!label) throw new Error("the butter was read");
  expect(await saveLabel(classId, await version(), label, photo)).toBe(true);
  expect((await photoOf(classId, "butter"))?.bytes.equals(photo.bytes)).toBe(true);
  // Read anew without a picture: the one of the packet before is gone.
  expect(await saveLabel(classId, await version(), label)).toBe(true);
  expect(await photoOf(classId, "butter")).toBeUndefined();
  expect(await saveLabel(classId, await version(), label, photo)).toBe(true);
  await forgetLabel(classId, "butter");
  expect(await photoOf(classId, "butter")).toBeUndefined();
});

test("a product bought after the check makes its label unread; the database keeps price and product", async () => {
  const before = seenPack((await stored()).input.packs, "butter");
  const block = {
    ingredientId: "butter",
    unitGrams: inGrams(200),
    unitsPerPack: 1,
    unitName: "block",
    product: "another butter",
    price: 199,
  };
  // Two who saw the same and save at once: one of them is told.
  const both = await Promise.all([savePack(classId, before, block), savePack(classId, before, { ...block, price: 5 })]);
  expect([...both].sort()).toEqual([false, true]);
  const now = seenPack((await stored()).input.packs, "butter");
  expect(await savePack(classId, before, block)).toBe(false);
  expect(await savePack(classId, now, block)).toBe(true);
  const { input } = await stored();
  expect(input.packs.find((pack) => pack.ingredientId === "butter")).toMatchObject({
    product: "another butter",
    price: 199,
  });
  const codes = plan(input).findings.map((finding) => finding.code);
  expect(codes).toContain("label-of-other-product");
});

test("food brought along is kept, changed in its place and taken out; until its packet is read it is unknown to all who avoid anything", async () => {
  await addBrought(classId, { name: "walnut loaf", broughtBy: "Bo", label: null }, undefined);
  const loaf = (await stored()).input.shared?.find((food) => food.name === "walnut loaf");
  expect(loaf?.label).toBeNull();
  await addBrought(
    classId,
    {
      name: "walnut loaf",
      broughtBy: "Bo",
      label: {
        product: "loaf, sliced",
        contains: ["walnut", "wheat"],
        mayContain: ["sesame"],
        readBy: "Lead",
        readOn: "2026-11-25",
      },
    },
    loaf?.id,
  );
  const foods = (await stored()).input.shared?.filter((food) => food.name === "walnut loaf") ?? [];
  expect(foods).toHaveLength(1);
  expect(foods[0]?.label).toMatchObject({ contains: ["walnut", "wheat"], mayContain: ["sesame"] });
  const nell = await personNamed("Nell Harrowgate");
  const items = plan((await stored()).input).plates.find((plate) => plate.participantId === nell.id)?.items ?? [];
  expect(items.some((item) => item.ingredientId === `shared-${foods[0]?.id}`)).toBe(true);
  await removeBrought(classId, foods[0]?.id ?? "");
  expect((await stored()).input.shared?.some((food) => food.name === "walnut loaf")).toBe(false);
});

test("the database itself keeps people honest: nobody is their own grown-up, nobody sits twice, no half-read food", async () => {
  const fay = await personNamed("Fay Mosswell");
  await expect(
    db.updateTable("participant").set({ grown_up_id: fay.id }).where("id", "=", fay.id).execute(),
  ).rejects.toThrow(/participant_not_own_grown_up/);
  await db
    .insertInto("class_station")
    .values([0, 1].map((position) => ({ class_id: classId, position, is_apart: false })))
    .execute();
  const seat = { participant_id: fay.id, class_id: classId, position: 0 };
  await db
    .insertInto("class_seat")
    .values({ ...seat, station: 0 })
    .execute();
  await expect(
    db
      .insertInto("class_seat")
      .values({ ...seat, station: 1 })
      .execute(),
  ).rejects.toThrow(/class_seat_pkey/);
  await expect(
    db
      .insertInto("shared_food")
      .values({
        class_id: classId,
        position: 9,
        name: "x",
        brought_by: "y",
        product: "z",
        read_by: null,
        read_on: null,
      })
      .execute(),
  ).rejects.toThrow(/check/);
});
