import type { Route } from "./+types/changes";
import { classOnce } from "~/services/classes.server";
import { changesStream, streamHeaders } from "~/services/live-hub.server";
import { accountOf, isSignedIn } from "~/services/session.server";

/** Tells a live screen that something changed, for as long as it listens. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  await classOnce(context, params.classId);
  // Whoever asks for the head alone gets it, and no stream that nothing would ever end.
  if (request.method === "HEAD") return new Response(null, { headers: streamHeaders });
  return changesStream(params.classId, accountOf(context), () => isSignedIn(request), request.signal);
}
