import type { Route } from "./+types/changes";
import { classOnce } from "~/services/classes.server";
import { changesStream } from "~/services/live-hub.server";
import { accountOf, isSignedIn } from "~/services/session.server";

/** Tells a live screen that something changed, for as long as it listens. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  await classOnce(context, params.classId);
  return changesStream(params.classId, accountOf(context).id, () => isSignedIn(request), request.signal);
}
