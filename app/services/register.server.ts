import { type Participant, isAtStation } from "~/core/people";
import { database } from "~/db/client.server";
import { addNeeds, addParticipants, participantColumns } from "~/db/queries/people.server";
import { keepSeats } from "./kept-seats.server";

/** Saves one person; with a version, only while it is still the one that was read. */
export async function savePerson(
  classId: string,
  personId: string,
  version: number,
  person: Omit<Participant, "id"> & { readonly email?: string | undefined },
  accountId: string | null,
): Promise<boolean> {
  return database()
    .transaction()
    .execute(async (trx) => {
      const was = await trx
        .selectFrom("participant")
        .select("role")
        .where("id", "=", personId)
        .where("class_id", "=", classId)
        .executeTakeFirst();
      // Who no longer works at a table, or does so now, moves nobody else to another.
      if (was && isAtStation({ role: was.role as Participant["role"] }) !== isAtStation(person))
        await keepSeats(trx, classId);
      const changed = await trx
        .updateTable("participant")
        .set({
          ...participantColumns(person),
          ...(person.email === undefined ? {} : { email: person.email === "" ? null : person.email.toLowerCase() }),
          version: version + 1,
          updated_by: accountId,
          updated_at: new Date(),
        })
        .where("id", "=", personId)
        .where("class_id", "=", classId)
        .where("version", "=", version)
        .executeTakeFirst();
      if (changed.numUpdatedRows === 0n) return false;
      await trx.deleteFrom("participant_need").where("participant_id", "=", personId).execute();
      await addNeeds(
        trx,
        person.needs.map((need) => ({ participantId: personId, need })),
      );
      return true;
    });
}

/** Adds people all or none. */
export const addPeople = async (
  classId: string,
  people: readonly (Omit<Participant, "id"> & { readonly email?: string | undefined })[],
  accountId: string,
): Promise<string[]> =>
  database()
    .transaction()
    .execute(async (trx) => {
      await keepSeats(trx, classId);
      return addParticipants(trx, classId, people, accountId);
    });
