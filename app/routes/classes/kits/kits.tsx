import { data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/kits";
import { KitsView } from "./KitsView";
import { formOf } from "../../form";
import { eggRules } from "~/core/scale";
import { kitModes } from "~/core/schedule";
import { database } from "~/db/client.server";
import { classOnce, classOr404 } from "~/services/classes.server";
import { setKitChoice } from "~/services/kits.server";
import { accountOf } from "~/services/session.server";
import { ticksOf } from "~/services/ticks.server";
import { weighed } from "~/services/what-changes.server";

export async function loader({ params, context }: Route.LoaderArgs) {
  await classOnce(context, params.classId);
  return { events: await ticksOf(database(), params.classId) };
}

const choiceSchema = z.discriminatedUnion("intent", [
  z.object({ intent: z.literal("kit-mode"), value: z.enum(kitModes) }),
  z.object({ intent: z.literal("egg-rule"), value: z.enum(eggRules) }),
]);

/** Takes one of the ways that stand side by side. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { input, meta } = await classOr404(params.classId);
  const sent = await formOf(request);
  const form = choiceSchema.safeParse(Object.fromEntries(sent));
  if (!form.success)
    throw data("This choice was not understood. Go back, load the page again and choose from the table.", {
      status: 400,
    });
  const { intent, value } = form.data;
  const brief = { ...input.brief, ...(intent === "kit-mode" ? { kitMode: value } : { eggRule: value }) };
  const { changes, asked } = await weighed(
    database(),
    sent,
    input,
    { ...input, brief },
    { hasHealth: false, isShownBefore: false },
  );
  if (asked) return data({ asked }, { status: 409 });
  await setKitChoice(input, meta.version, form.data, accountOf(context).id);
  return changes.plates.length + changes.kits.length > 0
    ? data({ changes })
    : redirect(`/classes/${params.classId}/kits`);
}

const Kits = ({ loaderData, params, actionData }: Route.ComponentProps) => (
  <KitsView events={loaderData.events} classId={params.classId} told={actionData} />
);
export default Kits;
