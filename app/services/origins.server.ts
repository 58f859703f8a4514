import crypto from "node:crypto";
import { type Kysely, sql } from "kysely";
import type { DB } from "~/db/schema";
import { networkOf } from "./limits.server";

/** Where an attempt to sign in comes from. */
export interface Origin {
  /** IP address. */
  readonly address: string;
  /** The secret of the browser's own cookie, where it was signed in here before. */
  readonly device: string | undefined;
}

/** An origin from which the account was signed in before: counted by itself. */
export interface KnownOrigin {
  readonly kind: "device" | "place";
  /** Hash of the device's secret, or of the account and the place. */
  readonly key: string;
}

/** Asked for in place of an account that is not there, so that an answer takes as long. */
const nobody = "00000000-0000-0000-0000-000000000000";

const digest = (text: string) => crypto.createHash("sha256").update(text).digest("hex");
const keysOf = (accountId: string, { address, device }: Origin): KnownOrigin[] => [
  ...(device === undefined ? [] : [{ kind: "device" as const, key: digest(device) }]),
  { kind: "place", key: digest(`${accountId} ${networkOf(address)}`) },
];

/** How an account knows an origin, its device before its place; `undefined` for a stranger's, and for an address that nobody has. */
export async function knownAs(db: Kysely<DB>, email: string, origin: Origin): Promise<KnownOrigin | undefined> {
  const account = await db
    .selectFrom("account")
    .select("id")
    .where(sql<boolean>`lower(email) = ${email.trim().toLowerCase()}`)
    .executeTakeFirst();
  const keys = keysOf(account?.id ?? nobody, origin);
  const known = await db
    .selectFrom("known_origin")
    .select("kind")
    .where("account_id", "=", account?.id ?? nobody)
    .where(
      "key_hash",
      "in",
      keys.map((one) => one.key),
    )
    .execute();
  return keys.find(({ kind }) => known.some((one) => one.kind === kind));
}

/** Keeps an origin from which the account was just signed in. */
export async function rememberOrigin(db: Kysely<DB>, accountId: string, origin: Origin): Promise<void> {
  await db
    .insertInto("known_origin")
    .values(keysOf(accountId, origin).map(({ kind, key }) => ({ account_id: accountId, kind, key_hash: key })))
    .onConflict((conflict) => conflict.columns(["account_id", "kind", "key_hash"]).doUpdateSet({ seen_at: new Date() }))
    .execute();
}

/** Days after which an origin that was not seen again is a stranger's (starting value). */
const rememberedDays = 180;

/** Forgets origins that were not seen for long. */
export const sweepOrigins = async (db: Kysely<DB>): Promise<void> =>
  void (await db
    .deleteFrom("known_origin")
    .where("seen_at", "<", sql<Date>`now() - make_interval(days => ${rememberedDays})`)
    .execute());
