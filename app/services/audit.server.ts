import { sql } from "kysely";
import { database } from "~/db/client.server";

/** Notes who changed health data, or took it along. */
export const audit = async (accountId: string, classId: string, action: string): Promise<void> =>
  void (await database()
    .insertInto("audit_entry")
    .values({ account_id: accountId, class_id: classId, action })
    .execute());

/** Whoever looks at the same page again within this many minutes is noted once. */
const oneLook = 15;

/** Notes who looked at health data. */
export const auditLook = async (accountId: string, classId: string, action: string): Promise<void> =>
  void (await sql`insert into audit_entry (account_id, class_id, action)
    select ${accountId}::uuid, ${classId}::uuid, ${action} where not exists (select from audit_entry
      where account_id = ${accountId} and class_id = ${classId} and action = ${action}
        and happened_at > now() - make_interval(mins => ${oneLook}))`.execute(database()));
