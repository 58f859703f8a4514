import { type Kysely, type Selectable } from "kysely";
import type { Arrangement } from "~/core/people";
import type { ClassTable, DB } from "../schema";

/** The rows of classes' tables and of the seats at them: two queries. */
export const seatRows = async (db: Kysely<DB>, classIds: readonly string[]) => {
  const [stations, seats] = await Promise.all([
    db.selectFrom("class_station").selectAll().where("class_id", "in", classIds).orderBy("position").execute(),
    db
      .selectFrom("class_seat")
      .selectAll()
      .where("class_id", "in", classIds)
      .orderBy("station")
      .orderBy("position")
      .execute(),
  ]);
  return { stations, seats };
};
export type SeatRows = Awaited<ReturnType<typeof seatRows>>;

/** How one class sits, which tables are apart and what each measures with; undefined where nothing of it was arranged. */
export function arrangementFrom(
  all: SeatRows,
  row: Pick<Selectable<ClassTable>, "id" | "washes_between" | "seats_from_register">,
): Arrangement | undefined {
  const stations = all.stations.filter((one) => one.class_id === row.id);
  const seats = all.seats.filter((one) => one.class_id === row.id);
  if (stations.length === 0 && !row.washes_between) return undefined;
  const sets = stations.flatMap(({ position, measuring_set }) =>
    measuring_set === null ? [] : [{ station: position, measuringSetId: measuring_set }],
  );
  const peopleAt = (station: number) =>
    seats.filter((seat) => seat.station === station).map((seat) => seat.participant_id);
  return {
    seats: seats.length > 0 ? stations.map(({ position }) => peopleAt(position)) : null,
    apart: stations.filter((one) => one.is_apart).map((one) => one.position),
    ...(row.seats_from_register && seats.length > 0 ? { isFromRegister: true } : {}),
    ...(row.washes_between ? { washesBetween: true } : {}),
    ...(sets.length > 0 ? { sets } : {}),
  };
}

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
