import type { Route } from "./+types/timeline-ics";
import { plan } from "~/core/plan";
import { calendarOf } from "~/formats/calendar";
import { classOr404 } from "~/services/classes.server";
import { fileAnswer } from "~/services/files.server";
import { bellInstruction, bellWords } from "~/ui/words/en";

export async function loader({ params }: Route.LoaderArgs) {
  const { input } = await classOr404(params.classId);
  return fileAnswer(
    calendarOf(input, plan(input), (kind) => ({ name: bellWords[kind], what: bellInstruction[kind] })),
    "text/calendar",
    input.title,
    ".ics",
  );
}
