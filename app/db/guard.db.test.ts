import { type Kysely, sql } from "kysely";
import { programDatabase } from "../../test/database";
import { awaySentence, answerOf, isLost } from "./guard.server";
import type { DB } from "./schema";

let db: Kysely<DB>;
beforeAll(async () => {
  db = await programDatabase();
});

/** Ends every connection of the program's pool but the one that asks, as a restarting database does. */
const cutAll = () =>
  sql`select pg_terminate_backend(pid) from pg_stat_activity where pid <> pg_backend_pid() and datname = current_database() and backend_type = 'client backend'`.execute(
    db,
  );

/** What the router would answer where this fails. */
const refusalOf = (asked: Promise<unknown>): Promise<{ data: string; status: number | undefined }> =>
  asked.then(
    () => {
      throw new Error("expected it to be refused");
    },
    (error: unknown) => {
      if (!isRouteErrorResponseLike(error)) throw error;
      return { data: error.data, status: error.init.status };
    },
  );
const isRouteErrorResponseLike = (error: unknown): error is { data: string; init: ResponseInit } =>
  error instanceof Error &&
  "data" in error &&
  "init" in error &&
  "type" in error &&
  error.type === "DataWithResponseInit";

test("a client broken between two statements of a transaction is an answer, changes nothing, and the next request is served", async () => {
  const before = await db.selectFrom("account").select("id").execute();
  for (let n = 0; n < 5; n += 1) {
    const broken = db.transaction().execute(async (trx) => {
      await trx
        .insertInto("account")
        .values({ email: `cut${n}@boathouse.example`, name: "Cut", role: "lead", password_hash: "x" })
        .execute();
      await cutAll();
      await new Promise((resolve) => setTimeout(resolve, 30));
      await trx.selectFrom("account").select("id").execute();
    });
    expect(await refusalOf(broken)).toEqual({ data: awaySentence, status: 503 });
    expect(await db.selectFrom("account").select("id").execute()).toEqual(before);
  }
});

test("two that save the same at once: one is kept, the other is told in a sentence", async () => {
  const one = { email: "twice@boathouse.example", name: "Twice", role: "lead" as const, password_hash: "x" };
  const answers = await Promise.allSettled([1, 2].map(() => db.insertInto("account").values(one).execute()));
  expect(answers.filter((answer) => answer.status === "fulfilled")).toHaveLength(1);
  const refused = answers.find((answer) => answer.status === "rejected");
  expect(refused && (await refusalOf(Promise.reject(refused.reason as Error)))).toEqual({
    status: 409,
    data: expect.stringContaining("at the same moment") as string,
  });
});

test("what no column holds is refused with a sentence, and what is nobody's fault stays an error", async () => {
  for (const bad of [2 ** 31, Number.NaN])
    expect((await refusalOf(db.selectFrom("class").select("id").where("version", "=", bad).execute())).status).toBe(
      400,
    );
  const odd = new Error("something else");
  expect(answerOf(odd)).toBe(odd);
  expect(isLost(Object.assign(new Error("x"), { code: "57P01" }))).toBe(true);
  expect(isLost(Object.assign(new Error("x"), { code: "23505" }))).toBe(false);
});

test("a pool of which every connection is taken is a database that does not answer", () => {
  const exhausted = new Error("timeout exceeded when trying to connect");
  expect(isLost(exhausted)).toBe(true);
  expect(answerOf(exhausted)).toMatchObject({ data: awaySentence, init: { status: 503 } });
});
