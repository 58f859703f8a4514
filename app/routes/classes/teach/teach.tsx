import { useMemo } from "react";
import type { Route } from "./+types/teach";
import { plan } from "~/core/plan";
import { database } from "~/db/client.server";
import { pack, unpack } from "~/formats/packed";
import { classOnce } from "~/services/classes.server";
import { eventsOf, snapshotOf } from "~/services/live.server";
import { inputForPacking } from "~/services/privacy.server";
import { accountOf } from "~/services/session.server";
import { LiveScreen } from "~/ui/teach/LiveScreen";

export async function loader({ params, context }: Route.LoaderArgs) {
  const { input } = await classOnce(context, params.classId);
  const account = accountOf(context);
  const [snapshot, events] = await Promise.all([
    snapshotOf(params.classId),
    eventsOf(database(), params.classId, account),
  ]);
  // The room runs by minutes and pieces: what people declared is on the folder sheet, not on a screen everybody sees.
  // Until the page is alive and has a clock of its own; so coarse that the tablets of a room get the page that was drawn for the first.
  const now = Math.floor(Date.now() / 10_000) * 10_000;
  return { input: pack(inputForPacking(snapshot ?? input)), events, now, me: account.id };
}

export default function Teach({ loaderData, params }: Route.ComponentProps) {
  const { events, now, me } = loaderData;
  const input = unpack(loaderData.input);
  const made = useMemo(() => plan(input), [input]);
  return <LiveScreen classId={params.classId} me={me} input={input} plan={made} events={events} serverNow={now} />;
}
