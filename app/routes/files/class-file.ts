import type { Route } from "./+types/class-file";
import { writeClassFile } from "~/formats/class-file";
import { audit } from "~/services/audit.server";
import { classOnce } from "~/services/classes.server";
import { fileAnswer } from "~/services/files.server";
import { requireLead } from "~/services/session.server";

export async function loader({ params, context }: Route.LoaderArgs) {
  const account = requireLead(context);
  const { input } = await classOnce(context, params.classId);
  // It carries what people declared.
  await audit(account.id, params.classId, "saved the class file");
  return fileAnswer(writeClassFile(input), "application/json", input.title, ".class.json");
}
