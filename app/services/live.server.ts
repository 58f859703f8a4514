import { measured } from "~/formats/schema-parts";
import { type Minutes, type Pieces } from "~/core/quantity";
import { type Kysely, sql } from "kysely";
import { LRUCache } from "lru-cache";
import { z } from "zod";
import { type ClassInput } from "~/core/plan";
import { roundLimits } from "~/core/recipe";
import { type LiveEvent, type LiveEventBodies, type LiveEventKind, stationStates } from "~/core/teach";
import { database, within } from "~/db/client.server";
import type { DB } from "~/db/schema";
import { readClassFile, writeClassFile } from "~/formats/class-file";
import type { Account } from "./accounts.server";
import { settle } from "./sign-off.server";
import { receivedWithin } from "./device-events.server";

const happened = { id: z.uuid(), at: z.number().min(0).max(8.64e15) };
const ref = z.string().min(1).max(80);

const pieces = measured<Pieces>(z.int().min(0).max(2000));
/** What a device sends with each kind of event, one schema for every kind there is. */
const bodies = {
  "class-started": {},
  "bell-rung": { bellId: ref },
  "bell-taken-back": { bellId: ref },
  "delay-added": { minutes: measured<Minutes>(z.number().min(-60).max(60)) },
  "station-set": { stationId: ref, state: z.enum(stationStates) },
  "pieces-counted": { stationId: ref, pieces },
  "rounds-decided": {
    stationId: ref,
    rounds: z
      .array(z.strictObject({ roundId: ref, pieces }))
      .min(1)
      .max(roundLimits.rounds),
  },
  "note-added": { text: z.string().trim().min(1).max(500) },
  "class-ended": {},
  "class-reopened": {},
} satisfies {
  readonly [K in LiveEventKind]: { readonly [F in keyof LiveEventBodies[K]]: z.ZodType<LiveEventBodies[K][F]> };
};

/** Every kind of live event. */
export const liveEventKinds = Object.keys(bodies) as LiveEventKind[];
const schemaOf = (kind: LiveEventKind) => z.strictObject({ ...happened, kind: z.literal(kind), ...bodies[kind] });

/**
 * A live event as a device sends it. The casts: a list made of all kinds loses which body belongs to which kind; `satisfies` above holds
 * each to its own.
 */
export const liveEventSchema: z.ZodType<LiveEvent> = z.discriminatedUnion(
  "kind",
  liveEventKinds.map(schemaOf) as unknown as [ReturnType<typeof schemaOf>],
) as unknown as z.ZodType<LiveEvent>;

/**
 * The events of a class in the order they were received. What a lead noted may be about anybody's health: an assistant does not read it.
 * @param seconds only those received in the last so many seconds; all where absent.
 */
export async function eventsOf(
  db: Kysely<DB>,
  classId: string,
  reader: Pick<Account, "role">,
  seconds?: number,
): Promise<LiveEvent[]> {
  const rows = await db
    .selectFrom("live_event")
    .leftJoin("account", "account.id", "account_id")
    .select(["live_event.id", "happened_at", "kind", "body"])
    .where("class_id", "=", classId)
    .where(receivedWithin("live_event", seconds))
    .$if(reader.role !== "lead", (query) =>
      query.where((eb) => eb.or([eb("kind", "<>", "note-added"), eb("account.role", "=", "assistant")])),
    )
    .orderBy("seq")
    .execute();
  return rows.map((row) =>
    liveEventSchema.parse({ ...(row.body as object), id: row.id, at: row.happened_at, kind: row.kind }),
  );
}

/**
 * Appends events, each at most once whatever a device sends again. The first event of a class keeps the class as it was planned
 * then, so that later edits do not move the bells of a class that is running.
 * @returns the ids that are now kept.
 */
export async function appendEvents(
  db: Kysely<DB>,
  input: ClassInput,
  events: readonly (LiveEvent & { readonly off?: number })[],
  accountId: string | null,
): Promise<string[]> {
  if (events.length === 0) return [];
  return within(db, async (trx) => {
    await trx
      .insertInto("live_run")
      .values({ class_id: input.id, snapshot: writeClassFile(input), started_by: accountId })
      .onConflict((conflict) => conflict.doNothing())
      .execute();
    await trx
      .insertInto("live_event")
      .values(
        events.map(({ id, at, kind, off = 0, ...body }) => ({
          id,
          device_off: off,
          class_id: input.id,
          happened_at: at,
          account_id: accountId,
          kind,
          body: JSON.stringify(body),
        })),
      )
      .onConflict((conflict) => conflict.column("id").doNothing())
      .execute();
    const kept = await trx
      .selectFrom("live_event")
      .select("id")
      .where("class_id", "=", input.id)
      .where(
        "id",
        "in",
        events.map((event) => event.id),
      )
      .execute();
    // class-ended signs off the teach stage; class-reopened clears it.
    const lastEnding = events
      .filter((event) => event.kind === "class-ended" || event.kind === "class-reopened")
      .sort((a, b) => b.at - a.at)[0];
    if (lastEnding?.kind === "class-ended") await settle(trx, input, input.id, "teach", accountId);
    if (lastEnding?.kind === "class-reopened")
      await trx.deleteFrom("stage_stamp").where("class_id", "=", input.id).where("stage", "=", "teach").execute();
    const ids = new Set(kept.map((row) => row.id));
    return events.flatMap((event) => (ids.has(event.id) ? [event.id] : []));
  });
}

/** The class as it was when teaching began; `undefined` before that. */
export async function snapshotOf(classId: string): Promise<ClassInput | undefined> {
  const db = database();
  const run = await db
    .selectFrom("live_run")
    .select(sql<string>`concat(xmin, ctid)`.as("mark"))
    .where("class_id", "=", classId)
    .executeTakeFirst();
  if (!run) return undefined;
  const before = snapshots.get(classId);
  if (before?.mark === run.mark) return before.input;
  const row = await db.selectFrom("live_run").select("snapshot").where("class_id", "=", classId).executeTakeFirst();
  if (!row) return undefined;
  const read = readClassFile(JSON.stringify(row.snapshot));
  if (!read.ok) return undefined;
  const input = { ...read.input, id: classId };
  snapshots.set(classId, { mark: run.mark, input });
  return input;
}

/** Pinned classes as they were read last, for as long as their row was not written since: reading one is as long as planning it. */
const snapshots = new LRUCache<string, { readonly mark: string; readonly input: ClassInput }>({
  max: 20,
  ttl: 600_000,
});

export interface KeptLog {
  readonly piecesMade: number | null;
  readonly note: string;
  /** It stays when the health data of the class goes. */
  readonly namesNobody: boolean;
  readonly version: number;
  readonly by: string | null;
  readonly at: Date;
}

/** The log of a class for one reader: what the lead wrote is the leads' to read. */
export async function logOf(classId: string, reader: Pick<Account, "role">): Promise<KeptLog | undefined> {
  const kept = await database()
    .selectFrom("class_log")
    .leftJoin("account", "account.id", "kept_by")
    .select([
      "pieces_made as piecesMade",
      "note",
      "names_nobody as namesNobody",
      "class_log.version",
      "account.name as by",
      "class_log.updated_at as at",
    ])
    .where("class_id", "=", classId)
    .executeTakeFirst();
  return kept && reader.role !== "lead" ? { ...kept, note: "" } : kept;
}

/**
 * Keeps the log; `version` 0 for the first time. False when somebody else kept another meanwhile.
 * @param log without a note, the one that is kept stays.
 */
export async function keepLog(
  db: Kysely<DB>,
  classId: string,
  version: number,
  log: { piecesMade: number | null; note?: string | undefined; namesNobody?: boolean | undefined },
  accountId: string | null,
): Promise<boolean> {
  const values = {
    pieces_made: log.piecesMade,
    kept_by: accountId,
    ...(log.note === undefined ? {} : { note: log.note, names_nobody: log.namesNobody ?? false }),
  };
  const kept =
    version === 0
      ? await db
          .insertInto("class_log")
          .values({ class_id: classId, note: "", ...values })
          .onConflict((conflict) => conflict.doNothing())
          .executeTakeFirst()
          .then((result) => result.numInsertedOrUpdatedRows ?? 0n)
      : await db
          .updateTable("class_log")
          .set({ ...values, version: version + 1, updated_at: new Date() })
          .where("class_id", "=", classId)
          .where("version", "=", version)
          .executeTakeFirst()
          .then((result) => result.numUpdatedRows);
  return kept > 0n;
}
