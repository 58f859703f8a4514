import type { Route } from "./+types/people-csv";
import { writePeopleCsv } from "~/formats/people-csv";
import { audit } from "~/services/audit.server";
import { classOnce } from "~/services/classes.server";
import { fileAnswer } from "~/services/files.server";
import { requireLead } from "~/services/session.server";

export async function loader({ params, context }: Route.LoaderArgs) {
  const account = requireLead(context);
  const { input, meta } = await classOnce(context, params.classId);
  await audit(account.id, params.classId, "saved the register");
  return fileAnswer(writePeopleCsv(input.people, meta.emails), "text/csv", input.title, "-people.csv");
}
