import type { Route } from "./+types/person-record";
import { database } from "~/db/client.server";
import { audit } from "~/services/audit.server";
import { classOnce, notFound } from "~/services/classes.server";
import { fileAnswer } from "~/services/files.server";
import { recordOf } from "~/services/privacy.server";
import { requireLead } from "~/services/session.server";

export async function loader({ params, context }: Route.LoaderArgs) {
  const account = requireLead(context);
  await classOnce(context, params.classId);
  const record = await recordOf(database(), params.classId, params.personId);
  if (!record) throw notFound("person");
  await audit(account.id, params.classId, "saved what is held of a person");
  return fileAnswer(`${JSON.stringify(record, null, 2)}\n`, "application/json", record.person.name, ".person.json");
}
