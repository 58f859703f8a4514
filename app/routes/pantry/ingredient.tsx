import { getFormProps, useForm } from "@conform-to/react";
import { Form, data, redirect } from "react-router";
import type { z } from "zod";
import type { Route } from "./+types/ingredient";
import { formOfIngredient, ingredientFormSchema, ingredientOfForm } from "./ingredient-form";
import { formOf, submissionOf } from "../form";
import { checkIngredient, substances } from "~/core/pantry";
import { database } from "~/db/client.server";
import { addIngredients, changeIngredient, ingredientOf } from "~/db/queries/pantry.server";
import { notFound } from "~/services/classes.server";
import { freeIngredientId } from "~/services/pantry.server";
import { accountOf } from "~/services/session.server";
import {
  AreaField,
  CheckField,
  FormError,
  NumberField,
  Primary,
  SaveBar,
  SelectField,
  TextField,
  TextLink,
} from "~/ui/parts/fields";
import { optionsOf } from "~/ui/parts/options";
import { AsideButton } from "~/ui/sheet/Aside";
import { useLocale } from "~/ui/sheet/locale";
import { labelKindWords, roleNames, sayPantryFinding, storageWords } from "~/ui/words/batter";
import { substanceWords } from "~/ui/words/en";
import { Hidden, Tick } from "~/ui/parts/plain";
import { parts } from "~/ui/theme/parts";
import { TypedGuard } from "~/ui/parts/TypedGuard";
import { look } from "~/ui/theme/look";

async function storedOr404(id: string) {
  if (id === "new") return undefined;
  const stored = await ingredientOf(database(), id);
  if (!stored) throw notFound("ingredient");
  return stored;
}

export const loader = async ({ params }: Route.LoaderArgs) => ({ stored: await storedOr404(params.ingredientId) });

/** Keeps an ingredient whose figures do not contradict one another; doubtful ones are kept and said. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const stored = await storedOr404(params.ingredientId);
  const form = await formOf(request);
  const submission = submissionOf(form, { schema: ingredientFormSchema });
  if (submission.status !== "success") return data({ result: submission.reply(), version: undefined }, { status: 400 });
  const db = database();
  const id = stored?.ingredient.id ?? (await freeIngredientId(db, submission.value.name));
  const ingredient = ingredientOfForm(id, submission.value);
  const contradictions = checkIngredient(ingredient).filter((finding) => finding.level === "blocks");
  if (contradictions.length > 0)
    return data(
      {
        result: submission.reply({ formErrors: contradictions.map((finding) => sayPantryFinding(finding, "en-GB")) }),
        version: undefined,
      },
      { status: 400 },
    );
  const isKept = await db
    .transaction()
    .execute(async (trx) =>
      stored
        ? changeIngredient(trx, ingredient, submission.value.version, accountOf(context).id)
        : addIngredients(trx, [ingredient]).then(() => true),
    );
  if (!isKept)
    return data(
      {
        result: submission.reply({
          formErrors: [
            `${stored?.updatedBy ?? "Somebody"} changed this ingredient while you were typing. Yours stands below; keep it again to replace theirs.`,
          ],
        }),
        version: stored?.version,
      },
      { status: 409 },
    );
  return redirect("/pantry");
}

export default function IngredientPage({ loaderData, actionData }: Route.ComponentProps) {
  const { stored } = loaderData;
  const locale = useLocale();
  const version = actionData?.version ?? stored?.version ?? 0;
  const [form, fields] = useForm<z.input<typeof ingredientFormSchema>>({
    lastResult: actionData?.result,
    defaultValue: formOfIngredient(stored?.ingredient, version),
  });
  const chosen = new Set<string>(stored?.ingredient.contains ?? []);
  const doubts = stored ? checkIngredient(stored.ingredient) : [];
  return (
    <>
      <title>{`${stored?.ingredient.name ?? "Add an ingredient"} · Apron Bell`}</title>
      <div className={parts.sheet.head}>
        <h1>{stored?.ingredient.name ?? "Add an ingredient"}</h1>
        {stored ? (
          <span className={look("quiet")}>
            in {stored.recipes} {stored.recipes === 1 ? "recipe" : "recipes"}
            {stored.updatedBy ? `; last changed by ${stored.updatedBy}` : ""}
          </span>
        ) : null}
        <div className={parts.sheet.tools}>
          {stored ? <AsideButton action="/pantry" id={stored.ingredient.id} isAside={stored.isAside} /> : null}
          <TextLink to="/pantry">Back to the pantry</TextLink>
        </div>
      </div>
      {doubts.length > 0 ? (
        <ul className={look("notes")}>
          {doubts.map((finding) => (
            <li key={finding.code} className={parts.finding.level}>
              {sayPantryFinding(finding, locale)}
            </li>
          ))}
        </ul>
      ) : null}
      <Form method="post" {...getFormProps(form)} className={look("form", "column-wide")}>
        <TypedGuard />
        <FormError title="Not saved" problems={form.errors ?? []} />
        <Hidden name="version" key={version} defaultValue={version} />
        <TextField field={fields.name} label="Name" className={look("c6")} autoComplete="off" />
        <SelectField
          field={fields.role}
          label="What it does in a batter"
          options={optionsOf(roleNames)}
          className={look("c6")}
        />
        <SelectField field={fields.label} label="It is" options={optionsOf(labelKindWords)} className={look("c6")} />
        <SelectField field={fields.storage} label="Kept" options={optionsOf(storageWords)} className={look("c6")} />
        <fieldset>
          <legend>How much it weighs</legend>
          <div className={look("form")}>
            <NumberField field={fields.gramsPerCup} label="US cup, g" className={look("c3")} inputMode="decimal" />
            <NumberField field={fields.gramsSifted} label="or sifted, g" className={look("c3")} inputMode="decimal" />
            <NumberField field={fields.gramsSpooned} label="spooned, g" className={look("c3")} inputMode="decimal" />
            <NumberField field={fields.gramsDipped} label="dipped, g" className={look("c3")} inputMode="decimal" />
            <NumberField field={fields.gramsPerTsp} label="Teaspoon, g" className={look("c3")} inputMode="decimal" />
            <NumberField field={fields.tspLow} label="lightest brand, g" className={look("c3")} inputMode="decimal" />
            <NumberField field={fields.tspHigh} label="heaviest brand, g" className={look("c3")} inputMode="decimal" />
            <NumberField
              field={fields.pieceGrams}
              label="Piece, g"
              hint="ready to use: no shell, no skin"
              className={look("c3")}
              inputMode="decimal"
            />
          </div>
        </fieldset>
        <fieldset>
          <legend>How it is bought</legend>
          <div className={look("form")}>
            <TextField
              field={fields.rawName}
              label="Bought as"
              hint="lemons for their juice; empty: as it is used"
              className={look("c6")}
              autoComplete="off"
            />
            <NumberField field={fields.rawKeeps} label="Share kept, %" className={look("c3")} inputMode="decimal" />
            <NumberField
              field={fields.rawPieceGrams}
              label="One weighs, g"
              className={look("c3")}
              inputMode="decimal"
            />
          </div>
        </fieldset>
        <fieldset>
          <legend>What is in it</legend>
          <div className={look("form")}>
            <NumberField field={fields.waterPercent} label="Water, %" className={look("c3")} inputMode="decimal" />
            <NumberField field={fields.fatPercent} label="Fat, %" className={look("c3")} inputMode="decimal" />
            <NumberField field={fields.sugarPercent} label="Sugar, %" className={look("c3")} inputMode="decimal" />
            <NumberField
              field={fields.trueDensity}
              label="True density, g/ml"
              hint="empty: reckoned from the three before"
              className={look("c3")}
              inputMode="decimal"
            />
            <NumberField
              field={fields.neutralisesTsp}
              label="Soda a cup neutralises, tsp"
              hint="0 unless it is sour"
              className={look("c4")}
              inputMode="decimal"
            />
            <CheckField field={fields.darkens} label="makes a batter too dark to see browning" className={look("c8")} />
          </div>
        </fieldset>
        <fieldset>
          <legend>Contains by its nature</legend>
          <p className={look("quiet", "small")}>Whatever its label says. What the label adds is read for each class.</p>
          <div className={look("checks")}>
            {substances.map((substance) => (
              <label key={substance}>
                <Tick name={fields.contains.name} value={substance} defaultChecked={chosen.has(substance)} />
                {substanceWords[substance]}
              </label>
            ))}
          </div>
        </fieldset>
        <AreaField field={fields.source} label="Where the figures come from" rows={2} />
        <SaveBar>
          <Primary>Save the ingredient</Primary>
        </SaveBar>
      </Form>
    </>
  );
}
