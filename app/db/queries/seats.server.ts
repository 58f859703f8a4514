import { type Kysely } from "kysely";
import type { Arrangement } from "~/core/people";
import type { DB } from "../schema";

/** Replaces seats and stations apart; undefined leaves seating to the order of the register. */
export async function writeArrangement(
  db: Kysely<DB>,
  classId: string,
  arrangement: Arrangement | undefined,
): Promise<void> {
  await db.deleteFrom("class_station").where("class_id", "=", classId).execute();
  await db
    .updateTable("class")
    .set({
      washes_between: arrangement?.washesBetween ?? false,
      seats_from_register: arrangement?.isFromRegister ?? false,
    })
    .where("id", "=", classId)
    .execute();
  const sets = arrangement?.sets ?? [];
  // Where seats are arranged there are no more tables than seats.
  const withSets = arrangement?.seats ? [] : sets.map((one) => one.station + 1);
  const stations = Math.max(
    arrangement?.seats?.length ?? 0,
    ...(arrangement?.apart.map((one) => one + 1) ?? [0]),
    ...withSets,
  );
  if (!arrangement || stations === 0) return;
  await db
    .insertInto("class_station")
    .values(
      Array.from({ length: stations }, (_, position) => ({
        class_id: classId,
        position,
        is_apart: arrangement.apart.includes(position),
        measuring_set: sets.find((one) => one.station === position)?.measuringSetId ?? null,
      })),
    )
    .execute();
  const seats = (arrangement.seats ?? []).flatMap((ids, station) =>
    ids.map((participantId, position) => ({ participant_id: participantId, class_id: classId, station, position })),
  );
  if (seats.length > 0) await db.insertInto("class_seat").values(seats).execute();
}
