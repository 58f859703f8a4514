import type { z } from "zod";
import type { Route } from "./+types/events";
import { jsonOf } from "../../form";
import { database } from "~/db/client.server";
import { classOnce, classOr404 } from "~/services/classes.server";
import { appendEvents, eventsOf, liveEventSchema } from "~/services/live.server";
import { answerFor, mostAtOnce, readDeviceEvents } from "~/services/device-events.server";
import { accountOf } from "~/services/session.server";

/** Every event of the class; what a live screen reads whenever it is told that something changed. */
export async function loader({ params, context }: Route.LoaderArgs) {
  await classOnce(context, params.classId);
  return Response.json(
    { events: await eventsOf(database(), params.classId, accountOf(context)) },
    { headers: { "Cache-Control": "no-store" } },
  );
}

/** Takes events from a device and answers which ids are now kept; those may leave its outbox. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  const body = await jsonOf(request);
  const read = readDeviceEvents<z.output<typeof liveEventSchema>>(body, liveEventSchema, Date.now());
  if (!read)
    return Response.json(
      { problem: `Not understood. Wanted: {"events": [{"id", "at", "kind", …}]}, at most ${mostAtOnce} at once.` },
      { status: 400 },
    );
  const kept = await appendEvents(database(), input, read.events, accountOf(context).id);
  return answerFor(read.events, kept, read.refused);
}
