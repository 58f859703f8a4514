import type { Route } from "./+types/load";
import { LoadView } from "./LoadView";
import { database } from "~/db/client.server";
import { classOnce } from "~/services/classes.server";
import { accountOf } from "~/services/session.server";
import { ticksOf } from "~/services/ticks.server";

export async function loader({ params, context }: Route.LoaderArgs) {
  await classOnce(context, params.classId);
  return { events: await ticksOf(database(), params.classId), me: accountOf(context).name };
}

const Load = ({ loaderData, params }: Route.ComponentProps) => (
  <LoadView classId={params.classId} events={loaderData.events} me={loaderData.me} />
);
export default Load;
