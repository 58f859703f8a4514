import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import { getLocalTimeZone, today } from "@internationalized/date";
import { Form, data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/label";
import { useClass } from "./class-context";
import { formOf, words } from "../form";
import { regimes } from "~/core/allergen";
import { type Substance, substances } from "~/core/pantry";
import { audit, classOr404, forgetLabel, notFound, saveLabel } from "~/services/classes.server";
import { accountOf } from "~/services/session.server";
import { FormError, Primary, TextField, TextLink } from "~/ui/sheet/controls";
import { substanceWords } from "~/ui/words/en";

const schema = z.object({
  version: z.int().default(0),
  product: words(120, "what the packet is called, so that another is noticed"),
  readOn: z.iso.date({ error: "Give the day it was read." }),
  contains: z.array(z.enum(substances)).default([]),
  mayContain: z.array(z.enum(substances)).default([]),
});

export async function loader({ params }: Route.LoaderArgs) {
  const { input } = await classOr404(params.classId);
  if (!input.pantry.some((one) => one.id === params.ingredientId)) throw notFound("ingredient");
  return { today: today(getLocalTimeZone()).toString() };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  if (!input.pantry.some((one) => one.id === params.ingredientId)) throw notFound("ingredient");
  const form = await formOf(request);
  const account = accountOf(context);
  if (form.get("intent") === "forget") {
    await forgetLabel(params.classId, params.ingredientId);
    return redirect(`/classes/${params.classId}/allergies`);
  }
  const submission = parseWithZod(form, { schema });
  if (submission.status !== "success") return data(submission.reply(), { status: 400 });
  const { version, ...label } = submission.value;
  if (
    !(await saveLabel(params.classId, version, { ...label, ingredientId: params.ingredientId, readBy: account.name }))
  ) {
    return data(
      submission.reply({
        formErrors: [
          "Somebody else read this label a moment ago. Go back to the table and look at what they found before you replace it.",
        ],
      }),
      { status: 409 },
    );
  }
  await audit(account.id, params.classId, `read the label of ${params.ingredientId}`.slice(0, 80));
  return redirect(`/classes/${params.classId}/allergies`);
}

function Boxes({
  name,
  title,
  ticked,
  regime,
}: {
  name: string;
  title: string;
  ticked: readonly Substance[];
  regime: readonly Substance[];
}) {
  const rest = substances.filter((one) => !regime.includes(one));
  const box = (value: Substance) => (
    <label key={value}>
      <input type="checkbox" name={name} value={value} defaultChecked={ticked.includes(value)} />{" "}
      {substanceWords[value]}
    </label>
  );
  return (
    <fieldset>
      <legend>{title}</legend>
      <div className="checks">{regime.map(box)}</div>
      <details open={ticked.some((one) => rest.includes(one))}>
        <summary className="quiet" style={{ minHeight: 44, cursor: "pointer" }}>
          More than the list asks for
        </summary>
        <div className="checks">{rest.map(box)}</div>
      </details>
    </fieldset>
  );
}

export default function Label({ loaderData, params, actionData }: Route.ComponentProps) {
  const { input, meta, names } = useClass();
  const label = input.labels.find((one) => one.ingredientId === params.ingredientId);
  const name = names.ingredient(params.ingredientId);
  const [form, fields] = useForm<z.input<typeof schema>>({
    lastResult: actionData,
    defaultValue: { product: label?.product ?? "", readOn: loaderData.today },
  });
  const typed = (field: { initialValue?: unknown }, fallback: readonly Substance[]) =>
    actionData ? ([field.initialValue ?? []].flat() as Substance[]) : fallback;
  const regime: readonly Substance[] = regimes[input.brief.regime];
  return (
    <>
      <div className="sheet-head">
        <h2>The label of the {name}</h2>
        <div className="tools">
          <TextLink to="../allergies">Back to the table</TextLink>
        </div>
      </div>
      <p className="quiet" style={{ marginBottom: 14, maxWidth: "60ch" }}>
        Read the packet in your hand, not the one from last time. Tick what it says; what is not ticked will be shown as
        “none declared”, with your name and the day.
      </p>
      <Form method="post" {...getFormProps(form)} className="form" style={{ maxWidth: 860 }}>
        <FormError title="Not saved" problems={form.errors ?? []} />
        <input type="hidden" name="version" value={meta.labelVersions[params.ingredientId] ?? 0} />
        <TextField field={fields.product} label="What the packet is called" className="c8" autoComplete="off" />
        <TextField field={fields.readOn} label="Read on" type="date" className="c4" />
        <Boxes
          name="contains"
          title="It says it contains"
          ticked={typed(fields.contains, label?.contains ?? [])}
          regime={regime}
        />
        <Boxes
          name="mayContain"
          title="It says it may contain"
          ticked={typed(fields.mayContain, label?.mayContain ?? [])}
          regime={regime}
        />
        <div className="actions">
          <Primary>Keep what the label says</Primary>
        </div>
      </Form>
      {label ? (
        <Form method="post">
          <button
            className="text quiet"
            style={{ minHeight: 44, textDecoration: "underline" }}
            name="intent"
            value="forget"
          >
            Another packet came: not read yet
          </button>
        </Form>
      ) : null}
    </>
  );
}
