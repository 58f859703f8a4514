import { type DefaultValue, getFormProps, useForm, type SubmissionResult } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import { useEffect, useMemo, useRef, useState } from "react";
import { Form, useNavigation } from "react-router";
import type { z } from "zod";
import { briefFormSchema, dishKey, inputOf } from "./brief-form";
import type { Kitchen } from "~/core/gear";
import { type ClassInput, canonical, plan } from "~/core/plan";
import type { Recipe } from "~/core/recipe";
import { BriefFields } from "~/ui/brief/BriefFields";
import { Consequences } from "~/ui/brief/Consequences";
import { BellLine } from "~/ui/schedule/BellLine";
import { FormError, Primary } from "~/ui/sheet/controls";

export interface Conflict {
  readonly by: string | null;
  readonly version: number;
  readonly rows: readonly { readonly field: string; readonly saved: string; readonly typed: string }[];
}

interface Props {
  readonly result: SubmissionResult | undefined;
  readonly values: DefaultValue<z.input<typeof briefFormSchema>> & object;
  /** What is saved; absent for a class that does not exist yet. */
  readonly saved: ClassInput | undefined;
  readonly base: Pick<ClassInput, "id" | "people" | "dishes" | "labels" | "packs" | "pantry">;
  readonly kitchens: readonly Kitchen[];
  readonly recipes: readonly Recipe[];
  readonly conflict: Conflict | undefined;
  readonly isSaved: boolean;
  readonly button: string;
  /** Told what is typed, once it can be planned. */
  readonly onTyped?: (input: ClassInput | undefined) => void;
}

/** The brief and, beside it, what follows: planned in this browser at every keystroke. */
export function BriefPage({
  result,
  values,
  saved,
  base,
  kitchens,
  recipes,
  conflict,
  isSaved,
  button,
  onTyped,
}: Props) {
  const [form, fields] = useForm<z.input<typeof briefFormSchema>, z.output<typeof briefFormSchema>>({
    lastResult: result,
    defaultValue: values,
    shouldRevalidate: "onInput",
    shouldValidate: "onBlur",
    onValidate: ({ formData }) => parseWithZod(formData, { schema: briefFormSchema }),
  });
  const formRef = useRef<HTMLFormElement>(null);
  const [typed, setTyped] = useState<ClassInput | undefined>(undefined);
  const read = () => {
    if (!formRef.current) return;
    const typedFields = new FormData(formRef.current);
    // What follows does not wait for a title.
    if (!typedFields.get("title")) typedFields.set("title", "New class");
    const submission = parseWithZod(typedFields, { schema: briefFormSchema });
    // While a field is half typed, the last plan that could be made stands.
    const next = submission.status === "success" ? inputOf(submission.value, base, kitchens, recipes) : undefined;
    if (!next) return;
    setTyped(next);
    onTyped?.(next);
  };
  // What the browser restored or a refused save kept is planned from the first.
  useEffect(read, [result]);
  useEffect(() => () => onTyped?.(undefined), [onTyped]);
  const before = useMemo(() => saved && plan(saved), [saved]);
  const latest = typed ?? saved;
  // Without a recipe nothing follows yet, and a column of noughts would say otherwise.
  const shown = latest && latest.dishes.length > 0 ? latest : undefined;
  const now = useMemo(() => (typed ? plan(typed) : before), [typed, before]);
  const withoutIds = (input: ClassInput) =>
    canonical({ ...input, dishes: input.dishes.map(({ id: _id, ...dish }) => dish) });
  const isChanged = typed !== undefined && (saved === undefined || withoutIds(typed) !== withoutIds(saved));
  const isBusy = useNavigation().state === "submitting";
  const all = fields.dishes.getFieldList().map((row) => row.getFieldset());
  // The rows in use and one more to fill; the form carries as many as there can be.
  const used = all.filter((row) => row.what.initialValue).length;
  const rows = all.slice(0, used + 1);
  const options = recipes.flatMap((recipe) => [
    {
      value: dishKey(recipe, null),
      label: `${recipe.title}${recipes.some((one) => one.id === recipe.id && one.revision !== recipe.revision) ? `, revision ${recipe.revision}` : ""}`,
    },
    ...recipe.variants.map((variant) => ({
      value: dishKey(recipe, variant.id),
      label: `${recipe.title}, ${variant.name.toLowerCase()}`,
    })),
  ]);
  return (
    <>
      {/* A class that exists has its line in the head already. */}
      {!saved && shown && now ? (
        <BellLine
          timeline={now.timeline}
          startsAt={shown.startsAt}
          timeZone={shown.timeZone}
          available={shown.brief.minutes}
        />
      ) : null}
      <div className="columns two">
        <Form method="post" {...getFormProps(form)} ref={formRef} onInput={read} className="form" aria-label="Brief">
          <FormError title="Not saved" problems={form.errors ?? []} />
          {conflict ? (
            <div className="form-error" role="alert">
              <b>
                {conflict.by ?? "Someone"} saved this class while you were typing. Nothing of yours is lost; nothing of
                theirs is overwritten yet.
              </b>
              {conflict.rows.length > 0 ? (
                <table className="ruled">
                  <thead>
                    <tr>
                      <th scope="col">Field</th>
                      <th scope="col">Saved now</th>
                      <th scope="col">You typed</th>
                    </tr>
                  </thead>
                  <tbody>
                    {conflict.rows.map((row) => (
                      <tr key={row.field}>
                        <td>{row.field}</td>
                        <td>{row.saved}</td>
                        <td>{row.typed}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              ) : null}
              <p>Take over into the fields what you want to keep of theirs, then save again.</p>
            </div>
          ) : null}
          {isSaved && !isChanged ? (
            <p className="saved" role="status">
              Saved.
            </p>
          ) : null}
          <input
            type="hidden"
            name="version"
            key={conflict?.version}
            defaultValue={conflict?.version ?? (values.version as number | undefined)}
          />
          <BriefFields
            fields={fields}
            dishes={rows}
            kitchens={kitchens.map((kitchen) => ({ value: kitchen.id, label: kitchen.name }))}
            recipes={options}
          />
          <div className="actions">
            <Primary loading={isBusy}>{button}</Primary>
          </div>
        </Form>
        {shown && now ? (
          <Consequences input={shown} plan={now} before={saved ? before?.figures : undefined} isChanged={isChanged} />
        ) : (
          <section>
            <h2>What follows</h2>
            <p className="quiet">Choose a recipe and a kitchen, and stations, amounts and minutes appear here.</p>
          </section>
        )}
      </div>
    </>
  );
}
