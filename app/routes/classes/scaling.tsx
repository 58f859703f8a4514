import { useMemo, useState } from "react";
import { Form, data, redirect, useNavigation } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/scaling";
import { useClass } from "./class-context";
import { formOf } from "../form";
import { scaleWays, withMorePeople } from "~/core/plan";
import { batchRules } from "~/core/scale";
import { changeBrief, classOr404 } from "~/services/classes.server";
import { accountOf } from "~/services/session.server";
import { WhenReady } from "~/ui/sheet/WhenReady";
import { Gains } from "~/ui/scale/Gains";
import { ScaleTable } from "~/ui/scale/ScaleTable";
import { Secondary, TextLink } from "~/ui/parts/fields";
import { Hidden, PlainSelect } from "~/ui/parts/plain";

const formSchema = z.discriminatedUnion("intent", [
  z.object({ intent: z.literal("rule"), rule: z.enum(batchRules), version: z.coerce.number().int() }),
  z.object({
    intent: z.literal("people"),
    people: z.coerce.number().int().min(0).max(400),
    version: z.coerce.number().int(),
  }),
]);

/** Takes one of the options over into the brief. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  const form = formSchema.safeParse(Object.fromEntries(await formOf(request)));
  if (!form.success)
    return data({ problem: "This choice was not understood. Load the page again and repeat." }, { status: 400 });
  const change = form.data.intent === "rule" ? { batchRule: form.data.rule } : { people: form.data.people };
  const isSaved = await changeBrief(
    params.classId,
    form.data.version,
    { ...input.brief, ...change },
    accountOf(context).id,
  );
  if (!isSaved)
    return data(
      {
        problem: "Somebody saved this class meanwhile. What you see now is theirs; choose again if you still want to.",
      },
      { status: 409 },
    );
  return redirect(`/classes/${params.classId}/scaling`);
}

/** The ways of making what each station wants, side by side; and what each station gains when more come. */
export default function Scaling({ actionData }: Route.ComponentProps) {
  const { input, plan, meta, names } = useClass();
  const [more, setMore] = useState(2);
  const isBusy = useNavigation().state !== "idle";
  // One row of options for each dish and each size of station: the uneven last one is its own.
  const groups = useMemo(() => scaleWays(input, plan), [input, plan]);
  const grown = useMemo(() => withMorePeople(input, plan, more), [input, plan, more]);
  return (
    <>
      <div className="sheet-head">
        <h2>Ways to scale</h2>
        <div className="tools">
          <TextLink to="../amounts">Station cards</TextLink>
        </div>
      </div>
      {actionData?.problem ? (
        <div className="form-error" role="alert">
          {actionData.problem}
        </div>
      ) : null}
      {groups.length === 0 ? (
        <p>
          Nothing to scale yet. <TextLink to="../brief">Choose a recipe and say how many come.</TextLink>
        </p>
      ) : null}
      {groups.map((group) => (
        <ScaleTable
          key={`${group.dish.id} ${group.size}`}
          title={`${names.dish(group.dish.id)}: ${group.size} people at ${group.stations.map((station) => station.name).join(", ")}`}
          wanted={group.wanted}
          options={group.options}
          chosen={input.brief.batchRule}
          wholeEggs={group.wholeEggs}
          names={names}
        />
      ))}
      {groups.length > 0 ? (
        <Form method="post" className="actions no-print">
          <Hidden name="version" value={meta.version} />
          <Hidden name="intent" value="rule" />
          <span>The class uses:</span>
          {batchRules.map((rule) => (
            <Secondary key={rule} name="rule" value={rule} disabled={rule === input.brief.batchRule || isBusy}>
              {{ whole: "Whole batches", half: "Half batches", quarter: "Quarter batches", exact: "Just enough" }[rule]}
            </Secondary>
          ))}
        </Form>
      ) : null}
      <section style={{ marginTop: 32 }} aria-label="At the door">
        <div className="sheet-head">
          <h2>At the door</h2>
          <WhenReady>
            <label className="cell">
              <span className="vh">How many more come</span>
              <PlainSelect value={more} onChange={(event) => setMore(Number(event.target.value))}>
                {[-3, -2, -1, 1, 2, 3, 4, 5, 6].map((one) => (
                  <option key={one} value={one}>
                    {one > 0 ? `${one} more` : `${-one} fewer`}
                  </option>
                ))}
              </PlainSelect>
            </label>
          </WhenReady>
        </div>
        <Gains gains={grown.gains} before={plan} after={grown.plan} names={names} />
        <Form method="post" className="actions no-print">
          <Hidden name="version" value={meta.version} />
          <Hidden name="people" value={grown.input.brief.people} />
          <Secondary name="intent" value="people" disabled={isBusy || grown.input.brief.people === input.brief.people}>
            Plan for {grown.input.brief.people}
          </Secondary>
          <span className="quiet small">
            Sheets that were settled for {input.brief.people} then say that they are stale.
          </span>
        </Form>
      </section>
    </>
  );
}
