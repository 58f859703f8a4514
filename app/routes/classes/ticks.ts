import type { Route } from "./+types/ticks";
import { jsonOf } from "../form";
import { database } from "~/db/client.server";
import { classOnce, classOr404 } from "~/services/classes.server";
import { accountOf } from "~/services/session.server";
import { appendTicks, tickEventsSchema, ticksOf } from "~/services/ticks.server";

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
  const parsed = tickEventsSchema.safeParse(body);
  if (!parsed.success)
    return Response.json(
      {
        problem: `Not understood: ${parsed.error.issues[0]?.path.join(".") ?? ""} ${parsed.error.issues[0]?.message ?? ""}. Wanted: {"events": [{"id", "at", "list", "key", "isOn", …}]}.`,
      },
      { status: 400 },
    );
  return Response.json({
    kept: await appendTicks(database(), params.classId, parsed.data.events, accountOf(context).id),
  });
}
