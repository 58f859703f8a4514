import type { Kysely } from "kysely";
import type { DB } from "~/db/schema";

/** One letter, plain text. */
export interface Mail {
  readonly classId: string | null;
  readonly to: string;
  readonly subject: string;
  /** At most 8,000 letters. */
  readonly body: string;
}

/**
 * The port behind which mail leaves the program. A real carrier takes the place of {@link outbox} by offering the same function; it
 * must have kept every letter, or thrown, when the promise settles.
 */
export interface MailPort {
  send(mails: readonly Mail[]): Promise<void>;
}

/** The stand-in: letters are kept in the outbox, where the lead reads them and can send them by hand. */
export const outbox = (db: Kysely<DB>): MailPort => ({
  send: async (mails) => {
    if (mails.length === 0) return;
    await db
      .insertInto("outbox_mail")
      .values(mails.map(({ classId, to, subject, body }) => ({ class_id: classId, to_address: to, subject, body })))
      .execute();
  },
});

export interface WrittenMail extends Mail {
  readonly id: string;
  readonly at: Date;
  readonly classTitle: string | null;
}

/** What lies in the outbox, newest first. */
export async function writtenMail(db: Kysely<DB>, most = 200): Promise<WrittenMail[]> {
  const rows = await db
    .selectFrom("outbox_mail")
    .leftJoin("class", "class.id", "outbox_mail.class_id")
    .select([
      "outbox_mail.id",
      "class_id as classId",
      "to_address as to",
      "subject",
      "body",
      "written_at as at",
      "class.title as classTitle",
    ])
    .orderBy("written_at", "desc")
    .limit(most)
    .execute();
  return rows;
}
