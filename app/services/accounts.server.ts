import crypto from "node:crypto";
import { hash, verify } from "@node-rs/argon2";
import type { Kysely } from "kysely";
import type { DB } from "~/db/schema";

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

export const accountByEmail = async (db: Kysely<DB>, email: string) =>
  db.selectFrom("account").selectAll().where("email", "=", email.toLowerCase()).executeTakeFirst();

export const allAccounts = async (db: Kysely<DB>): Promise<Account[]> =>
  db.selectFrom("account").select(["id", "email", "name", "role"]).orderBy("name").execute();

// Checked for addresses nobody has, so that an answer takes as long whether or not there is such an account.
let nobodysHash: Promise<string> | undefined;

/** The account that these words belong to; `undefined` for a wrong address and a wrong password alike. */
export async function signIn(db: Kysely<DB>, email: string, password: string): Promise<Account | undefined> {
  const row = await accountByEmail(db, email);
  const expected = row?.password_hash ?? (await (nobodysHash ??= hash("nobody has this password", argon)));
  const isRight = await verify(expected, password).catch(() => false);
  return row && isRight ? { id: row.id, email: row.email, name: row.name, role: row.role } : undefined;
}

/** Opens a session and gives its secret; only the secret's hash is kept. */
export async function openSession(db: Kysely<DB>, accountId: string): Promise<{ secret: string; expires: Date }> {
  const secret = crypto.randomBytes(32).toString("base64url");
  const expires = new Date(Date.now() + sessionDays * day);
  await db.deleteFrom("login_session").where("expires_at", "<", new Date()).execute();
  await db
    .insertInto("login_session")
    .values({ id_hash: digest(secret), account_id: accountId, expires_at: expires })
    .execute();
  return { secret, expires };
}

export const accountOfSession = async (db: Kysely<DB>, secret: string): Promise<Account | undefined> =>
  db
    .selectFrom("login_session")
    .innerJoin("account", "account.id", "account_id")
    .select(["account.id", "email", "name", "role"])
    .where("id_hash", "=", digest(secret))
    .where("expires_at", ">", new Date())
    .executeTakeFirst();

export const closeSession = async (db: Kysely<DB>, secret: string): Promise<void> =>
  void (await db.deleteFrom("login_session").where("id_hash", "=", digest(secret)).execute());

/** Signs an account out on every device. */
export const closeAllSessions = async (db: Kysely<DB>, accountId: string): Promise<void> =>
  void (await db.deleteFrom("login_session").where("account_id", "=", accountId).execute());

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
