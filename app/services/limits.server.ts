import { isIPv6 } from "node:net";
import { setTimeout as wait } from "node:timers/promises";
import { CompiledQuery, sql } from "kysely";
import { RateLimiterMemory, RateLimiterPostgres } from "rate-limiter-flexible";
import { database } from "~/db/client.server";

/**
 * Attempts are counted in the database, so that two processes count together; while it is away each counts for itself.
 */

/** The limiter's queries through the program's own pool. */
const store = {
  query: async ({ text, values }: { text: string; values: unknown[] }) => {
    const { rows, numAffectedRows } = await database().executeQuery(CompiledQuery.raw(text, values));
    return { rows, rowCount: Number(numAffectedRows ?? 0) };
  },
};

const limiter = (name: string, points: number, duration: number) =>
  new RateLimiterPostgres({
    storeClient: store,
    storeType: "client",
    tableName: "attempt",
    tableCreated: true,
    keyPrefix: name,
    points,
    duration,
    insuranceLimiter: new RateLimiterMemory({ keyPrefix: name, points, duration }),
  });

/** Client place: an IPv4 address, or the /64 prefix of an IPv6 address. */
export function networkOf(address: string): string {
  const mapped = /^::ffff:(\d+\.\d+\.\d+\.\d+)$/i.exec(address)?.[1];
  if (mapped) return mapped;
  const bare = address.split("%")[0] ?? "";
  if (!isIPv6(bare)) return address.slice(0, 60);
  const [head = "", tail] = bare.split("::");
  const front = head === "" ? [] : head.split(":");
  const back = tail === undefined || tail === "" ? [] : tail.split(":");
  const all = [...front, ...Array.from({ length: Math.max(0, 8 - front.length - back.length) }, () => "0"), ...back];
  return `${all
    .slice(0, 4)
    .map((part) => Number.parseInt(part, 16).toString(16))
    .join(":")}::/64`;
}

/**
 * Attempts to sign in: enough for a mistyped password, too few to guess one. Strangers are counted per account and place, per place, and
 * per account wherever from; whom the account knows, by itself, so that no stranger can use up its attempts. What all send together is
 * slowed down and never refused.
 */
const signIns = {
  known: limiter("sign-in-known", 20, 600),
  accountAndPlace: limiter("sign-in-both", 5, 60),
  place: limiter("sign-in-place", 30, 60),
  account: limiter("sign-in-account", 60, 3600),
  overall: limiter("sign-in-all", 600, 60),
} as const;
/** How long an attempt waits while all together are too many, in ms. */
const slowedBy = 2000;
const accountKey = (email: string) => email.trim().toLowerCase().slice(0, 100);

const secondsOf = (refused: unknown): number =>
  Math.max(
    1,
    Math.ceil((refused instanceof Object && "msBeforeNext" in refused ? Number(refused.msBeforeNext) : 60_000) / 1000),
  );

/**
 * Counts an attempt; gives the seconds to wait when there were too many. The narrowest count comes first: an attempt that is refused there
 * uses up no wider one.
 * @param known how the account knows where it comes from; absent for a stranger.
 */
export async function secondsToWait(
  email: string,
  address: string,
  known?: { readonly kind: string; readonly key: string },
): Promise<number | undefined> {
  const [place, account] = [networkOf(address), accountKey(email)];
  try {
    if (known) await signIns.known.consume(`${account} ${known.kind} ${known.key}`);
    else {
      await signIns.accountAndPlace.consume(`${place} ${account}`);
      await signIns.place.consume(place);
      await signIns.account.consume(account);
    }
  } catch (refused) {
    return secondsOf(refused);
  }
  await signIns.overall.consume("all").catch(() => wait(slowedBy));
  return undefined;
}

/** A right password clears the counts of that account: where it came from, and everywhere. */
export async function forgetAttempts(
  email: string,
  address: string,
  known?: { readonly kind: string; readonly key: string },
): Promise<void> {
  const account = accountKey(email);
  if (known) await signIns.known.delete(`${account} ${known.kind} ${known.key}`);
  await signIns.accountAndPlace.delete(`${networkOf(address)} ${account}`);
  await signIns.account.delete(account);
}

/** Guesses at intake links from one place. Whoever has a link that opens is never counted, nor kept waiting by who has none. */
const guesses = limiter("link-guess", 20, 600);
export const secondsAfterGuess = (address: string): Promise<number | undefined> =>
  guesses.consume(networkOf(address)).then(
    () => undefined,
    (refused: unknown) => secondsOf(refused),
  );

/** Answers from one place: more than a family and its friends send. */
const posts = limiter("intake-post", 60, 600);
export const mayPost = (address: string): Promise<boolean> =>
  posts.consume(networkOf(address)).then(
    () => true,
    () => false,
  );

/** Letters for a new password: per place and per address asked for, whether or not anybody has it. */
const letters = { place: limiter("letter-place", 10, 600), account: limiter("letter-account", 3, 3600) } as const;
export const mayAskForLetter = (email: string, address: string): Promise<boolean> =>
  letters.place
    .consume(networkOf(address))
    .then(() => letters.account.consume(accountKey(email)))
    .then(
      () => true,
      () => false,
    );

/** Forgets what is long over. */
export const sweepAttempts = async (): Promise<void> =>
  void (await sql`delete from attempt where expire < ${Date.now() - 3_600_000}`.execute(database()));
