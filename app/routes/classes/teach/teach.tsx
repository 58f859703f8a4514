import { useMemo } from "react";
import type { Route } from "./+types/teach";
import { plan } from "~/core/plan";
import { database } from "~/db/client.server";
import { classOnce } from "~/services/classes.server";
import { eventsOf, snapshotOf } from "~/services/live.server";
import { inputForPacking } from "~/services/privacy.server";
import { LiveScreen } from "~/ui/teach/LiveScreen";

export async function loader({ params, context }: Route.LoaderArgs) {
  const { input } = await classOnce(context, params.classId);
  const [snapshot, events] = await Promise.all([snapshotOf(params.classId), eventsOf(database(), params.classId)]);
  // The room runs by minutes and pieces: what people declared is on the folder sheet, not on a screen everybody sees.
  return { input: inputForPacking(snapshot ?? input), events, now: Date.now() };
}

export default function Teach({ loaderData, params }: Route.ComponentProps) {
  const { input, events, now } = loaderData;
  const made = useMemo(() => plan(input), [input]);
  return <LiveScreen classId={params.classId} input={input} plan={made} events={events} serverNow={now} />;
}
