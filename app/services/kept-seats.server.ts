import { type Kysely, sql } from "kysely";
import { type Brief, type ClassInput, withKeptSeats, withSeatsFor } from "~/core/plan";
import { classOf } from "~/db/queries/classes.server";
import { writeArrangement } from "~/db/queries/seats.server";
import type { DB } from "~/db/schema";

/**
 * Writes down who sits where before somebody comes or goes, where a dish or a product hangs on it: the others keep their table and what
 * is made there. Nothing where a hand arranged the seats already.
 */
export async function keepSeats(trx: Kysely<DB>, classId: string): Promise<void> {
  const stored = await classOf(trx, classId);
  if (!stored) return;
  const kept = withKeptSeats(stored.input);
  if (kept !== stored.input) await writeArrangement(trx, classId, kept.arrangement);
}

/** The seats of a class for its new brief, written beside it; see {@link withSeatsFor}. */
export async function keepSeatsFor(trx: Kysely<DB>, before: ClassInput, brief: Brief): Promise<void> {
  const changed = { ...before, brief };
  const after = withSeatsFor(before, changed);
  if (after.arrangement === before.arrangement) return;
  await writeArrangement(trx, before.id, after.arrangement);
  const moved = (after.shared ?? []).filter(
    ({ id, instead }) => instead && instead.station !== before.shared?.find((one) => one.id === id)?.instead?.station,
  );
  if (moved.length > 0)
    await sql`update shared_food set own_station = given.station from (values ${sql.join(
      moved.map(({ id, instead }) => sql`(${id}::uuid, ${instead?.station ?? 0}::int)`),
    )}) as given (id, station) where shared_food.id = given.id and shared_food.class_id = ${before.id}`.execute(trx);
}
