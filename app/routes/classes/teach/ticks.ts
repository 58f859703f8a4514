import type { z } from "zod";
import type { Route } from "./+types/ticks";
import { jsonOf } from "../../form";
import { database } from "~/db/client.server";
import { classOnce, classOr404 } from "~/services/classes.server";
import { answerFor, mostAtOnce, readDeviceEvents } from "~/services/device-events.server";
import { accountOf } from "~/services/session.server";
import { appendTicks, tickEventSchema, ticksOf } from "~/services/ticks.server";

/** Every tick of the class; what a packing screen reads whenever it is told that something changed. */
export async function loader({ params, context }: Route.LoaderArgs) {
  await classOnce(context, params.classId);
  return Response.json(
    { events: await ticksOf(database(), params.classId) },
    { headers: { "Cache-Control": "no-store" } },
  );
}

/** Takes ticks from a device and answers which ids are now kept; those may leave its outbox. */
export async function action({ request, params, context }: Route.ActionArgs) {
  await classOr404(params.classId);
  const body = await jsonOf(request);
  const read = readDeviceEvents<z.output<typeof tickEventSchema>>(body, tickEventSchema, Date.now());
  if (!read)
    return Response.json(
      {
        problem: `Not understood. Wanted: {"events": [{"id", "at", "list", "key", "isOn", …}]}, at most ${mostAtOnce} at once.`,
      },
      { status: 400 },
    );
  const kept = await appendTicks(database(), params.classId, read.events, accountOf(context).id);
  return answerFor(read.events, kept, read.refused);
}
