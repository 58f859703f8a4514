import { inMinutes } from "~/core/quantity";
import { data } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/timeline";
import { formOf } from "../../form";
import { TimelineView } from "./TimelineView";
import { type ClassInput, loadMoved, loadsMark, movableLoads, plan, tableFirst, wayNamed } from "~/core/plan";
import { database } from "~/db/client.server";
import { orderSchema } from "~/formats/class-file";
import { changePlan, madeChanges, undoChange } from "~/services/arrange.server";
import { classOnce, classOr404 } from "~/services/classes.server";
import { accountOf } from "~/services/session.server";
import { weighed } from "~/services/what-changes.server";
import { pinnableBells } from "~/core/schedule";
import { bellWords } from "~/ui/words/en";
import { wayWords } from "~/ui/words/timeline";
import { parseJson } from "~/formats/text";

export async function loader({ params, context }: Route.LoaderArgs) {
  await classOnce(context, params.classId);
  const [newest] = await madeChanges(database(), params.classId);
  return { newest: newest ? { what: newest.what } : undefined };
}

const version = z.coerce.number().pipe(z.int());
const orderText = z
  .string()
  .max(600_000)
  .transform((text, context) => {
    try {
      return parseJson(text);
    } catch {
      context.addIssue({ code: "custom", message: "Not an order." });
      return z.NEVER;
    }
  })
  .pipe(orderSchema);
const schema = z.discriminatedUnion("intent", [
  z.object({ intent: z.literal("order"), version, order: orderText }),
  z.object({ intent: z.literal("rules"), version }),
  z.object({ intent: z.literal("first"), version, station: z.string().max(10) }),
  z.object({
    intent: z.literal("move"),
    version,
    loads: z.string().max(100),
    load: z.coerce.number().int().min(0).max(5000),
    before: z.coerce.number().int().min(0).max(5000),
  }),
  z.object({ intent: z.literal("pin"), version, bell: z.enum(pinnableBells), time: z.string().max(20) }),
  z.object({ intent: z.literal("let-go"), version, bell: z.enum(pinnableBells) }),
  z.object({ intent: z.literal("way"), version, way: z.string().max(120), order: orderText.optional() }),
  z.object({ intent: z.literal("undo"), version }),
]);

/** Minutes from the doors to a time of day, over midnight where it is earlier; undefined for what is no time. */
function minutesAfter(startsAt: string, time: string): number | undefined {
  const [from, to] = [startsAt.slice(11, 16), time.trim()].map((text) => {
    const found = /^([01]?\d|2[0-3]):([0-5]\d)$/.exec(text);
    return found ? Number(found[1]) * 60 + Number(found[2]) : undefined;
  });
  return from === undefined || to === undefined ? undefined : (to - from + 1440) % 1440;
}

const late = "Somebody changed this class a moment ago. Look at what they did, then try again.";

export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  const account = accountOf(context);
  const sent = await formOf(request);
  const form = schema.safeParse(Object.fromEntries(sent));
  if (!form.success)
    return data({ problem: "This was not understood. Load the page again and repeat." }, { status: 400 });
  const { arrangement } = input;
  // Who cooks after whom decides what reaches a plate: an order, a pin or a way out may make one worse.
  const change = async (what: string, more: Partial<Parameters<typeof changePlan>[3]>) => {
    const { order, ...rest } = more;
    const after: ClassInput = { ...input, ...rest, ...(order === undefined ? {} : { order: order ?? undefined }) };
    const { changes, asked } = await weighed(database(), sent, input, after, { hasHealth: false });
    if (asked) return data({ asked }, { status: 409 });
    return (await changePlan(database(), input, form.data.version, { arrangement, ...more }, what, account.id))
      ? data({ done: `${what}.`, changes })
      : data({ problem: late }, { status: 409 });
  };
  if (form.data.intent === "undo") {
    const isBack = await undoChange(database(), input, form.data.version, account.id);
    return isBack ? data({ done: "Taken back." }) : data({ problem: late }, { status: 409 });
  }
  if (form.data.intent === "order") return change("Loads in the order that was found", { order: form.data.order });
  if (form.data.intent === "rules") return change("Loads in the usual order", { order: null });
  if (form.data.intent === "first") {
    const { station } = form.data;
    const asked = plan(input).stations.find((one) => one.id === station);
    if (!asked)
      return data(
        { problem: "There is no such table any more. Look at the tables below and choose again." },
        { status: 409 },
      );
    return change(`${asked.name} cooks first`, { order: tableFirst(input, station) });
  }
  if (form.data.intent === "move") {
    // The server puts a saved class into a better order without making it another version.
    if (form.data.loads !== loadsMark(movableLoads(input, plan(input))))
      return data(
        { problem: "The loads were put into another order a moment ago. They stand below; choose again." },
        { status: 409 },
      );
    const order = loadMoved(input, form.data.load, form.data.before);
    if (!order)
      return data(
        { problem: "Choose two loads that are not the same. The loads as they are now stand below." },
        { status: 400 },
      );
    return change("A load moved by hand", { order });
  }
  if (form.data.intent === "pin" || form.data.intent === "let-go") {
    const { bell } = form.data;
    const others = (input.pins ?? []).filter((pin) => pin.bell !== bell);
    if (form.data.intent === "let-go") return change(`“${bellWords[bell]}” is not pinned any more`, { pins: others });
    const at = minutesAfter(input.startsAt, form.data.time);
    if (at === undefined)
      return data(
        {
          problem: `“${form.data.time}” is no time that can be pinned. Give hours and minutes, such as 10:30, from the doors at ${input.startsAt.slice(11, 16)} on.`,
        },
        { status: 400 },
      );
    return change(`“${bellWords[bell]}” is pinned`, { pins: [...others, { bell, at: inMinutes(at) }] });
  }
  const { way, order } = form.data;
  const chosen = wayNamed(input, way);
  if (!chosen?.becomes || (chosen.way.kind === "better-order" && !order))
    return data({ problem: "This way out is not open any more; what is open stands below." }, { status: 409 });
  const { brief, dishes } = chosen.becomes;
  return change(wayWords(chosen.way).what, {
    ...(brief ? { brief } : {}),
    ...(dishes ? { dishes } : {}),
    ...(order ? { order } : {}),
  });
}

const Timeline = ({ loaderData, actionData }: Route.ComponentProps) => (
  <TimelineView newest={loaderData.newest} told={actionData} />
);
export default Timeline;
