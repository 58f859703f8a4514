import crypto from "node:crypto";
import { hash, verify } from "@node-rs/argon2";
import { type Kysely, sql } from "kysely";
import type { DB } from "~/db/schema";
import { type Tastes, noTastes, readTastes, writeTastes } from "~/formats/regions";

export interface Account {
  readonly id: string;
  readonly email: string;
  readonly name: string;
  readonly role: "lead" | "assistant";
}

/** argon2id at the usual recommendation: 19 MiB, two passes, one lane; about 20 ms a check here. */
const argon = { memoryCost: 19456, timeCost: 2, parallelism: 1 };
const sessionDays = 14;
const day = 86_400_000;

const digest = (text: string) => crypto.createHash("sha256").update(text).digest("hex");

export const countAccounts = async (db: Kysely<DB>): Promise<number> =>
  Number(
    (
      await db
        .selectFrom("account")
        .select((eb) => eb.fn.countAll<number>().as("n"))
        .executeTakeFirstOrThrow()
    ).n,
  );

/** Stores an account; the address in lower case. @throws the database's unique violation when the address is taken. */
export async function addAccount(db: Kysely<DB>, account: Omit<Account, "id"> & { password: string }): Promise<string> {
  const { id } = await db
    .insertInto("account")
    .values({
      email: account.email.toLowerCase(),
      name: account.name,
      role: account.role,
      password_hash: await hash(account.password, argon),
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  return id;
}

/** A row's own words are those the database lets in; what it would not know any more is nothing chosen. */
const tastesIn = (row: {
  region: string | null;
  scale: string | null;
  cups: string | null;
  shade: string | null;
}): Tastes => readTastes(writeTastes(row as Tastes));

/** How an account likes to read; nothing chosen where there is no such account. */
export async function tastesOfAccount(db: Kysely<DB>, accountId: string): Promise<Tastes> {
  const row = await db
    .selectFrom("account")
    .select(["region", "scale", "cups", "shade"])
    .where("id", "=", accountId)
    .executeTakeFirst();
  return row ? tastesIn(row) : noTastes;
}

export const accountByEmail = async (db: Kysely<DB>, email: string) =>
  db.selectFrom("account").selectAll().where("email", "=", email.toLowerCase()).executeTakeFirst();

export interface ListedAccount extends Account {
  readonly tastes: Tastes;
  readonly version: number;
  readonly isClosed: boolean;
}

/** Every account, those that are closed too: what they signed keeps their name. */
export async function allAccounts(db: Kysely<DB>): Promise<ListedAccount[]> {
  const rows = await db
    .selectFrom("account")
    .select(["id", "email", "name", "role", "version", "closed_at", "region", "scale", "cups", "shade"])
    .orderBy("name")
    .execute();
  return rows.map(({ closed_at, region, scale, cups, shade, ...row }) => ({
    ...row,
    tastes: tastesIn({ region, scale, cups, shade }),
    isClosed: closed_at !== null,
  }));
}

/** What may be changed of an account by itself. */
export interface AccountChange {
  readonly name?: string;
  readonly role?: Account["role"];
  readonly isClosed?: boolean;
  readonly password?: string;
  readonly tastes?: Tastes;
}

export type AccountChanged = "changed" | "changed meanwhile" | "last lead";

/**
 * Changes an account that is still at `version`. Whoever is closed, or gets a new password, is signed out everywhere at once, but for
 * the sign-in that is `kept`. There is always one lead left.
 */
export async function changeAccount(
  db: Kysely<DB>,
  accountId: string,
  version: number,
  change: AccountChange,
  kept?: string,
): Promise<AccountChanged> {
  const { name, role, isClosed, password, tastes } = change;
  const password_hash = password === undefined ? undefined : await hash(password, argon);
  return db.transaction().execute(async (trx) => {
    // One at a time: two leads who close one another at the same moment would leave none.
    const leads = await trx
      .selectFrom("account")
      .select("id")
      .where("role", "=", "lead")
      .where("closed_at", "is", null)
      .forUpdate()
      .execute();
    const isLosing = isClosed === true || role === "assistant";
    if (isLosing && leads.every((one) => one.id === accountId)) return "last lead";
    const changed = await trx
      .updateTable("account")
      .set({
        ...(name === undefined ? {} : { name }),
        ...(role === undefined ? {} : { role }),
        ...tastes,
        ...(isClosed === undefined ? {} : { closed_at: isClosed ? new Date() : null }),
        ...(password_hash === undefined ? {} : { password_hash }),
        version: version + 1,
        updated_at: new Date(),
      })
      .where("id", "=", accountId)
      .where("version", "=", version)
      .executeTakeFirst();
    if (changed.numUpdatedRows === 0n) return "changed meanwhile";
    if (isClosed === true || password !== undefined) {
      await trx.deleteFrom("password_letter").where("account_id", "=", accountId).execute();
      await endSessions(trx, accountId, kept);
    }
    return "changed";
  });
}

// Checked for addresses nobody has, so that an answer takes as long whether or not there is such an account.
let nobodysHash: Promise<string> | undefined;

/** The account that these words belong to; `undefined` for a wrong address and a wrong password alike. */
export async function signIn(db: Kysely<DB>, email: string, password: string): Promise<Account | undefined> {
  const row = await accountByEmail(db, email);
  const expected = row?.password_hash ?? (await (nobodysHash ??= hash("nobody has this password", argon)));
  const isRight = await verify(expected, password).catch(() => false);
  return row && isRight && row.closed_at === null
    ? { id: row.id, email: row.email, name: row.name, role: row.role }
    : undefined;
}

/** Opens a session and gives its secret; only the secret's hash is kept. @param device what it was opened on, in a few words. */
export async function openSession(
  db: Kysely<DB>,
  accountId: string,
  device = "",
): Promise<{ secret: string; expires: Date }> {
  const secret = crypto.randomBytes(32).toString("base64url");
  const expires = new Date(Date.now() + sessionDays * day);
  await db.deleteFrom("login_session").where("expires_at", "<", new Date()).execute();
  await db
    .insertInto("login_session")
    .values({ id_hash: digest(secret), account_id: accountId, expires_at: expires, device: device.slice(0, 120) })
    .execute();
  return { secret, expires };
}

/** How old the note of when a session was last seen may get, in milliseconds: not every page writes. */
const seenEvery = 5 * 60_000;

/** Whose session this is, and the session's id; `undefined` for one that ended, or whose account was closed. */
export async function accountOfSession(
  db: Kysely<DB>,
  secret: string,
): Promise<(Account & { readonly sessionId: string }) | undefined> {
  const row = await db
    .selectFrom("login_session")
    .innerJoin("account", "account.id", "account_id")
    .select(["account.id", "email", "name", "role", "login_session.id as sessionId", "seen_at"])
    .where("id_hash", "=", digest(secret))
    .where("expires_at", ">", new Date())
    .where("closed_at", "is", null)
    .executeTakeFirst();
  if (!row) return undefined;
  const { seen_at, ...account } = row;
  if (Date.now() - seen_at.getTime() > seenEvery)
    await db.updateTable("login_session").set({ seen_at: new Date() }).where("id", "=", row.sessionId).execute();
  return account;
}

export interface SeenSession {
  readonly id: string;
  readonly device: string;
  readonly openedAt: Date;
  readonly seenAt: Date;
}

/** Where an account is signed in, the latest seen first. */
export const sessionsOf = async (db: Kysely<DB>, accountId: string): Promise<SeenSession[]> =>
  db
    .selectFrom("login_session")
    .select(["id", "device", "created_at as openedAt", "seen_at as seenAt"])
    .where("account_id", "=", accountId)
    .where("expires_at", ">", new Date())
    .orderBy("seen_at", "desc")
    .limit(200)
    .execute();

/** Says to every process that sessions of an account ended, so that what is open for them ends too. */
const tellEnded = (db: Kysely<DB>, accountId: string) =>
  sql`select pg_notify('live', ${`account ${accountId}`})`.execute(db);

export async function closeSession(db: Kysely<DB>, secret: string): Promise<void> {
  const row = await db
    .deleteFrom("login_session")
    .where("id_hash", "=", digest(secret))
    .returning("account_id")
    .executeTakeFirst();
  if (row) await tellEnded(db, row.account_id);
}

/** Ends one sign-in of an account by its id. */
export async function endSession(db: Kysely<DB>, accountId: string, sessionId: string): Promise<void> {
  await db.deleteFrom("login_session").where("id", "=", sessionId).where("account_id", "=", accountId).execute();
  await tellEnded(db, accountId);
}

/** Ends every sign-in of an account, but for the one that is kept. */
async function endSessions(db: Kysely<DB>, accountId: string, kept?: string): Promise<void> {
  await db
    .deleteFrom("login_session")
    .where("account_id", "=", accountId)
    .$if(kept !== undefined, (query) => query.where("id", "!=", kept ?? ""))
    .execute();
  await tellEnded(db, accountId);
}

/** Signs an account out on every device. */
export async function closeAllSessions(db: Kysely<DB>, accountId: string): Promise<void> {
  await endSessions(db, accountId);
  // A device that is not ours any more is a stranger's.
  await db.deleteFrom("known_origin").where("account_id", "=", accountId).execute();
}

/** How long a letter for a new password is good, in hours. */
export const letterHours = 2;

/**
 * The secret of a letter for a new password, in place of any before; `undefined` when nobody has this address. Only its hash is kept.
 */
export async function offerNewPassword(
  db: Kysely<DB>,
  email: string,
): Promise<{ readonly token: string; readonly name: string; readonly email: string } | undefined> {
  const account = await accountByEmail(db, email);
  if (!account || account.closed_at !== null) return undefined;
  const token = crypto.randomBytes(24).toString("base64url");
  await db.transaction().execute(async (trx) => {
    await trx.deleteFrom("password_letter").where("account_id", "=", account.id).execute();
    await trx
      .insertInto("password_letter")
      .values({
        token_hash: digest(token),
        account_id: account.id,
        expires_at: sql<Date>`now() + make_interval(hours => ${letterHours})`,
      })
      .execute();
  });
  return { token, name: account.name, email: account.email };
}

const letterOf = (db: Kysely<DB>, token: string) =>
  db
    .selectFrom("password_letter")
    .innerJoin("account", "account.id", "account_id")
    .select(["account.id", "account.version"])
    .where("token_hash", "=", digest(token))
    .where("expires_at", ">", sql<Date>`now()`)
    .where("closed_at", "is", null)
    .executeTakeFirst();

/** Is a letter's secret still good? */
export const isLetterGood = async (db: Kysely<DB>, token: string): Promise<boolean> =>
  (await letterOf(db, token)) !== undefined;

/** Sets a new password with a letter's secret, once; the account's id, or `undefined` when the letter is not good any more. */
export async function spendLetter(db: Kysely<DB>, token: string, password: string): Promise<string | undefined> {
  const letter = await letterOf(db, token);
  return letter && (await changeAccount(db, letter.id, letter.version, { password })) === "changed"
    ? letter.id
    : undefined;
}

/** Forgets letters that were never used. */
export const sweepLetters = async (db: Kysely<DB>): Promise<void> =>
  void (await db
    .deleteFrom("password_letter")
    .where("expires_at", "<", sql<Date>`now()`)
    .execute());

/** A new one-time code for making the first account, in place of any before. */
export async function offerSetupCode(db: Kysely<DB>): Promise<string> {
  const code = crypto.randomBytes(9).toString("base64url");
  await db
    .insertInto("setup_code")
    .values({ code_hash: digest(code) })
    .onConflict((conflict) => conflict.column("id").doUpdateSet({ code_hash: digest(code) }))
    .execute();
  return code;
}

/** Makes the first account with the one-time code; false when the code is wrong or there is an account already. */
export async function makeFirstAccount(
  db: Kysely<DB>,
  code: string,
  account: { email: string; name: string; password: string },
): Promise<string | undefined> {
  return db.transaction().execute(async (trx) => {
    const used = await trx.deleteFrom("setup_code").where("code_hash", "=", digest(code.trim())).executeTakeFirst();
    if (used.numDeletedRows === 0n || (await countAccounts(trx)) > 0) return undefined;
    return addAccount(trx, { ...account, role: "lead" });
  });
}
