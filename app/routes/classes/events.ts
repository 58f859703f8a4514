import type { Route } from "./+types/events";
import { jsonOf } from "../form";
import { database } from "~/db/client.server";
import { classOnce, classOr404 } from "~/services/classes.server";
import { appendEvents, eventsOf, liveEventsSchema } from "~/services/live.server";
import { accountOf } from "~/services/session.server";

/** Every event of the class; what a live screen reads whenever it is told that something changed. */
export async function loader({ params, context }: Route.LoaderArgs) {
  await classOnce(context, params.classId);
  return Response.json(
    { events: await eventsOf(database(), params.classId) },
    { headers: { "Cache-Control": "no-store" } },
  );
}

/** Takes events from a device and answers which ids are now kept; those may leave its outbox. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  const body = await jsonOf(request);
  const parsed = liveEventsSchema.safeParse(body);
  if (!parsed.success)
    return Response.json(
      {
        problem: `Not understood: ${parsed.error.issues[0]?.path.join(".") ?? ""} ${parsed.error.issues[0]?.message ?? ""}. Wanted: {"events": [{"id", "at", "kind", …}]}.`,
      },
      { status: 400 },
    );
  return Response.json({ kept: await appendEvents(database(), input, parsed.data.events, accountOf(context).id) });
}
