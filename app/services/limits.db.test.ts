import type { Kysely } from "kysely";
import type { DB } from "~/db/schema";
import { programDatabase } from "../../test/database";
import { addAccount, closeAllSessions } from "./accounts.server";
import { forgetAttempts, networkOf, secondsToWait } from "./limits.server";
import { knownAs, rememberOrigin } from "./origins.server";

let db: Kysely<DB>;
beforeAll(async () => {
  db = await programDatabase();
});
afterAll(() => db.destroy());

test("the sixth attempt in a minute waits, from that place for that account", async () => {
  for (let n = 0; n < 5; n += 1) expect(await secondsToWait("a@club.example", "192.0.2.1")).toBeUndefined();
  expect(await secondsToWait("a@club.example", "192.0.2.1")).toBeGreaterThan(0);
  expect(await secondsToWait("b@club.example", "192.0.2.1")).toBeUndefined();
  await forgetAttempts("a@club.example", "192.0.2.1");
  expect(await secondsToWait("a@club.example", "192.0.2.1")).toBeUndefined();
});

test("attempts are counted in the database, an account's from everywhere, and an IPv6 network's together", async () => {
  for (let n = 0; n < 5; n += 1)
    expect(await secondsToWait("six@club.example", `2001:db8:1:2:${n}::${n + 1}`)).toBeUndefined();
  expect(await secondsToWait("six@club.example", "2001:db8:1:2:ffff::9")).toBeGreaterThan(0);
  expect(await secondsToWait("six@club.example", "2001:db8:1:3::1")).toBeUndefined();
  const { n } = await db
    .selectFrom("attempt")
    .select((eb) => eb.fn.countAll<number>().as("n"))
    .where("key", "like", "sign-in-both:2001:db8:1:2::/64%")
    .executeTakeFirstOrThrow();
  expect(Number(n)).toBe(1);
  // From ever new places: the account's own count ends it.
  let waits: number | undefined;
  for (let place = 0; place < 61 && waits === undefined; place += 1)
    waits = await secondsToWait("many@club.example", `198.51.100.${place}`);
  expect(waits).toBeGreaterThan(0);
});

test("a stranger's attempts never lock out who is known: by the browser, by the place, and in all", async () => {
  const email = "known@club.example";
  const id = await addAccount(db, { email, name: "Known", role: "lead", password: "a long enough password" });
  const home = { address: "203.0.113.5", device: "d".repeat(32) };
  const elsewhere = { ...home, address: "203.0.113.77" };
  expect(await knownAs(db, email, home)).toBeUndefined();
  await rememberOrigin(db, id, home);
  expect(await knownAs(db, email, home)).toMatchObject({ kind: "device" });
  expect(await knownAs(db, email, elsewhere)).toMatchObject({ kind: "device" });
  expect(await knownAs(db, email, { ...home, device: undefined })).toMatchObject({ kind: "place" });
  expect(await knownAs(db, email, { ...elsewhere, device: "e".repeat(32) })).toBeUndefined();
  expect(await knownAs(db, "nobody@club.example", home)).toBeUndefined();
  const waits = async (of: { address: string; device: string | undefined }) =>
    secondsToWait(email, of.address, await knownAs(db, email, of));
  // Five at a time from thirteen places, then everything one place can send.
  for (let place = 0; place < 13; place += 1)
    for (let n = 0; n < 5; n += 1) await waits({ address: `198.51.100.${100 + place}`, device: undefined });
  for (let n = 0; n < 640; n += 1) await waits({ address: "198.51.100.200", device: undefined });
  expect(await waits({ address: "198.51.100.250", device: undefined })).toBeGreaterThan(0);
  expect(await waits(home)).toBeUndefined();
  expect(await waits(elsewhere)).toBeUndefined();
  expect(await waits({ ...home, device: undefined })).toBeUndefined();
  // What was refused has used up nothing that others share.
  const { points } = await db
    .selectFrom("attempt")
    .select("points")
    .where("key", "=", "sign-in-all:all")
    .executeTakeFirstOrThrow();
  expect(points).toBeLessThan(200);
  // A device that is known guesses no more than anybody else.
  let own: number | undefined;
  for (let n = 0; n < 30 && own === undefined; n += 1) own = await waits(home);
  expect(own).toBeGreaterThan(0);
  // A right password clears what a room of tablets with one account has counted.
  await forgetAttempts(email, home.address, await knownAs(db, email, home));
  expect(await waits(home)).toBeUndefined();
  await closeAllSessions(db, id);
  expect(await knownAs(db, email, elsewhere)).toBeUndefined();
});

test.each([
  ["192.0.2.1", "192.0.2.1"],
  ["::ffff:192.0.2.1", "192.0.2.1"],
  ["2001:db8::1", "2001:db8:0:0::/64"],
  ["2001:0db8:0001:0002:3:4:5:6", "2001:db8:1:2::/64"],
  ["fe80::1%eth0", "fe80:0:0:0::/64"],
])("%s sits in %s", (address, network) => expect(networkOf(address)).toBe(network));
