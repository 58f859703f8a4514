import type { Route } from "./+types/changes";
import { classOr404 } from "~/services/classes.server";
import { changesStream } from "~/services/live-hub.server";

/** Tells a live screen that something changed, for as long as it listens. */
export async function loader({ request, params }: Route.LoaderArgs) {
  await classOr404(params.classId);
  return changesStream(params.classId, request.signal);
}
