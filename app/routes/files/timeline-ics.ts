import type { Route } from "./+types/timeline-ics";
import { roomKindOf } from "~/core/people";
import { plan } from "~/core/plan";
import { calendarOf } from "~/formats/calendar";
import { classOnce } from "~/services/classes.server";
import { fileAnswer } from "~/services/files.server";
import { bellInstruction, bellWords } from "~/ui/words/en";

export async function loader({ params, context }: Route.LoaderArgs) {
  const { input } = await classOnce(context, params.classId);
  return fileAnswer(
    calendarOf(input, plan(input), (kind) => ({
      name: bellWords[kind],
      what: bellInstruction[roomKindOf(input.brief)][kind],
    })),
    "text/calendar",
    input.title,
    ".ics",
  );
}
