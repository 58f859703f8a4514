import { Heading } from "@chakra-ui/react";
import { ClassHead, ClassLine, ClassTitle, ClassTools, ClassWhen } from "~/ui/parts/class-head";
import { useMemo, useState } from "react";
import { Outlet, data, redirect, useLocation } from "react-router";
import { z } from "zod";
import { dayField } from "~/formats/date-fields";
import type { Route } from "./+types/class";
import type { ClassContext } from "./class-context";
import { formOf } from "../form";
import { type ClassPlan, plan, stages } from "~/core/plan";
import { changesBetween, stageInputs, stateOfStage } from "~/core/sheet";
import { fold } from "~/core/teach";
import { database } from "~/db/client.server";
import { pack, unpack } from "~/formats/packed";
import { auditLook } from "~/services/audit.server";
import { classOnce, classOr404, mostWeeks, planAgain, sealsNow } from "~/services/classes.server";
import { settle, stampsOf, unsettle } from "~/services/sign-off.server";
import { putAside } from "~/services/aside.server";
import { removeClass } from "~/services/bin.server";
import { signAllergies } from "~/services/decisions.server";
import { eventsOf } from "~/services/live.server";
import { asSeenBy, lookAt, withoutAnyHealth } from "~/services/privacy.server";
import { accountOf, requireLead } from "~/services/session.server";
import { ClassMenu } from "~/ui/class/ClassMenu";
import { Stages } from "~/ui/class/Stages";
import { day, people, shortMoment } from "~/ui/format/format";
import { createDraftStore } from "~/ui/brief/draft-store";
import { DraftBellLine } from "~/ui/brief/DraftBellLine";
import { useLocale } from "~/ui/sheet/locale";
import { useNonce } from "~/ui/sheet/nonce";
import { pageTitle } from "~/ui/words/en";
import { namesOf } from "~/ui/words/names";

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const stored = await classOnce(context, params.classId);
  const account = accountOf(context);
  const look = lookAt(new URL(request.url).pathname);
  const [stamps, events] = await Promise.all([
    stampsOf(params.classId),
    eventsOf(database(), params.classId, accountOf(context)),
    look === undefined ? undefined : auditLook(account.id, params.classId, look),
  ]);
  // Reckoned on the whole class: an assistant's view of it has other contents, not other signatures.
  const made = plan(stored.input);
  const now = sealsNow(stored);
  const standings = Object.fromEntries(
    stages.map((stage) => {
      const stamp = stamps.find((one) => one.stage === stage);
      return [
        stage,
        {
          state: stamp ? stateOfStage(stamp.fingerprint, now[stage]) : "open",
          questions: made.findings.filter((finding) => finding.stage === stage && finding.level !== "notes").length,
          seal: stage === "amounts" ? now[stage].slice(0, 8) : "",
          by: stamp?.by ?? null,
          at: stamp?.at,
          changes:
            stamp && stamp.fingerprint !== now[stage]
              ? changesBetween(stamp.inputs, stageInputs(stored.input, stage, stored.keys))
              : [],
        },
      ];
    }),
    // A record built from every stage has them all, which `fromEntries` cannot know.
  ) as unknown as ClassContext["standings"];
  const seen = look === undefined ? withoutAnyHealth(stored) : asSeenBy(account, stored);
  return {
    input: pack(seen.input),
    meta: seen.meta,
    hasHealth: look !== undefined,
    standings,
    live: fold(events),
    isLead: account.role === "lead",
  };
}

const formSchema = z.discriminatedUnion("intent", [
  z.looseObject({ intent: z.literal("settle"), stage: z.enum(stages) }),
  z.object({ intent: z.literal("unsettle"), stage: z.enum(stages) }),
  z.object({ intent: z.literal("remove") }),
  z.object({ intent: z.literal("aside") }),
  z.object({ intent: z.literal("back") }),
  z.object({
    intent: z.literal("again"),
    date: dayField("Give the day to plan it for."),
    weeks: z.coerce
      .number({ error: `Give how many times, from 1 to ${mostWeeks}.` })
      .int()
      .min(1, { error: `Give how many times, from 1 to ${mostWeeks}.` })
      .max(mostWeeks, { error: `Give how many times, from 1 to ${mostWeeks}.` })
      .default(1),
    people: z.literal("on").optional(),
  }),
]);

/** Settles and opens stages; plans the class again, puts it aside or removes it. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  const form = formSchema.safeParse(Object.fromEntries(await formOf(request)));
  if (!form.success) {
    const [problem] = form.error.issues;
    throw data(
      problem && ["date", "weeks"].includes(String(problem.path[0]))
        ? `${problem.message} Nothing was planned; go back and give it again.`
        : "This form was not understood. Go back, load the page again and repeat.",
      { status: 400 },
    );
  }
  const account = accountOf(context);
  if (form.data.intent === "remove") {
    requireLead(context);
    await removeClass(database(), params.classId, account.id);
    return redirect(`/?removed=${params.classId}`);
  }
  if (form.data.intent === "aside" || form.data.intent === "back") {
    requireLead(context);
    await putAside(database(), "class", params.classId, form.data.intent === "aside");
    return redirect(form.data.intent === "aside" ? `/?is=aside&aside=${params.classId}` : `/classes/${params.classId}`);
  }
  if (form.data.intent === "again") {
    requireLead(context);
    const startsAt = `${form.data.date}T${input.startsAt.slice(11)}`;
    const again = await planAgain(
      await classOr404(params.classId),
      startsAt,
      form.data.people === "on",
      account.id,
      form.data.weeks,
    );
    return redirect(`/classes/${again}/brief`);
  }
  const { stage } = form.data;
  if (stage === "allergies") requireLead(context);
  if (form.data.intent === "unsettle") await unsettle(params.classId, stage);
  else {
    if (stage === "allergies") {
      const open = await signAllergies(form.data, input, params.classId, account.id);
      if (open)
        throw data(
          `${open.length} things stand open on the allergy table without a decision. Open the table, decide each, and sign there.`,
          { status: 409 },
        );
      return redirect(`/classes/${params.classId}/allergies`);
    }
    if (stage === "amounts" && !plan(input).isPackable)
      throw data("The amounts cannot be signed off while the recipe has something in the way. Mend that first.", {
        status: 409,
      });
    await settle(database(), input, params.classId, stage, account.id);
  }
  return redirect(`/classes/${params.classId}/${stage}`);
}

const bare = new WeakMap<ClassPlan, ClassPlan>();
/** A plan of a class that came without what people declared, as its verdicts would be about nobody; the same plan each time. */
function withoutVerdicts(made: ClassPlan): ClassPlan {
  const before = bare.get(made);
  if (before) return before;
  const without = {
    ...made,
    plates: [],
    findings: made.findings.filter((finding) => finding.stage !== "allergies"),
  };
  bare.set(made, without);
  return without;
}

/** A text as a CSS string: whatever is not a plain letter goes as its code, so that no title ends the string or the style. */
const cssText = (text: string): string =>
  `"${text.replace(/[^A-Za-z0-9 ,.]/gu, (sign) => `\\${sign.codePointAt(0)?.toString(16)} `)}"`;

export default function ClassLayout({ loaderData, params }: Route.ComponentProps) {
  const { meta, hasHealth, standings, live, isLead } = loaderData;
  const input = unpack(loaderData.input);
  const locale = useLocale();
  const nonce = useNonce();
  const made = useMemo(() => (hasHealth ? plan(input) : withoutVerdicts(plan(input))), [input, hasHealth]);
  const [drafts] = useState(createDraftStore);
  const base = `/classes/${params.classId}`;
  // The log lays what happened under its own line; twice would be once too often.
  const { pathname } = useLocation();
  const isOnLog = pathname === `${base}/log`;
  const names = useMemo(() => namesOf(input, made, locale), [input, made, locale]);
  const saved = useMemo(() => ({ input, plan: made }), [input, made]);
  const context = useMemo(
    (): ClassContext => ({ input, plan: made, meta, standings, names, isLead, action: base, drafts }),
    [input, made, meta, standings, names, isLead, base, drafts],
  );
  const { startedAt } = live;
  const rung =
    startedAt === undefined
      ? {}
      : Object.fromEntries(Object.entries(live.rung).map(([id, at]) => [id, (at - startedAt) / 60_000]));
  // On the log the line stands with what happened under it; on the timeline whole; elsewhere as a strip in the head.
  const isFoldable = !isOnLog && pathname !== `${base}/timeline`;
  const line = {
    isFoldable,
    drawn:
      isOnLog && startedAt !== undefined ? null : (
        <DraftBellLine drafts={drafts} saved={saved} rung={rung} isFoldable={isFoldable} />
      ),
  };
  return (
    <>
      <title>{`${pageTitle(pathname.slice(base.length + 1))} · ${input.title} · Apron Bell`}</title>
      {/* Class and date on every printed page; a page margin takes its text from a style only. */}
      <style
        nonce={nonce}
      >{`@page { @bottom-left { content: ${cssText(`${input.title}, ${day(input.startsAt, locale)}`)}; font-family: sans-serif; font-size: 9pt; } }`}</style>
      <ClassHead>
        <ClassTitle>
          <Heading as="h1" size="2xl">
            {input.title}
          </Heading>
          <ClassWhen>
            {shortMoment(input.startsAt, input.timeZone, locale)} · {input.kitchen.name} · {people(input.brief.people)}
          </ClassWhen>
        </ClassTitle>
        {line.isFoldable ? <ClassLine>{line.drawn}</ClassLine> : null}
        <ClassTools>
          <ClassMenu
            key={base}
            base={base}
            title={input.title}
            startsAt={input.startsAt}
            isLead={isLead}
            isAside={meta.isAside}
          />
        </ClassTools>
      </ClassHead>
      <Stages base={base} marks={standings} />
      {line.isFoldable ? null : line.drawn}
      <Outlet context={context} />
    </>
  );
}
