import { NoteList } from "~/ui/parts/editor";
import { Fieldset, Heading, Span, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { FormGrid, GridForm, TickRow } from "~/ui/parts/forms";
import { getFormProps, useForm } from "@conform-to/react";
import { data, redirect } from "react-router";
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
import { TypedGuard } from "~/ui/parts/TypedGuard";

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
      <SheetHead>
        <Heading as="h1" size="2xl">
          {stored?.ingredient.name ?? "Add an ingredient"}
        </Heading>
        {stored ? (
          <Span color="fg.muted">
            in {stored.recipes} {stored.recipes === 1 ? "recipe" : "recipes"}
            {stored.updatedBy ? `; last changed by ${stored.updatedBy}` : ""}
          </Span>
        ) : null}
        <SheetTools>
          {stored ? <AsideButton action="/pantry" id={stored.ingredient.id} isAside={stored.isAside} /> : null}
          <TextLink to="/pantry">Back to the pantry</TextLink>
        </SheetTools>
      </SheetHead>
      {doubts.length > 0 ? (
        <NoteList>
          {doubts.map((finding) => (
            <li key={finding.code} data-grade={finding.level}>
              {sayPantryFinding(finding, locale)}
            </li>
          ))}
        </NoteList>
      ) : null}
      <GridForm maxW="980px" method="post" {...getFormProps(form)}>
        <TypedGuard />
        <FormError title="Not saved" problems={form.errors ?? []} />
        <Hidden name="version" key={version} defaultValue={version} />
        <TextField span={6} field={fields.name} label="Name" autoComplete="off" />
        <SelectField span={6} field={fields.role} label="What it does in a batter" options={optionsOf(roleNames)} />
        <SelectField span={6} field={fields.label} label="It is" options={optionsOf(labelKindWords)} />
        <SelectField span={6} field={fields.storage} label="Kept" options={optionsOf(storageWords)} />
        <Fieldset.Root>
          <Fieldset.Legend>How much it weighs</Fieldset.Legend>
          <FormGrid>
            <NumberField span={3} field={fields.gramsPerCup} label="US cup, g" inputMode="decimal" />
            <NumberField span={3} field={fields.gramsSifted} label="or sifted, g" inputMode="decimal" />
            <NumberField span={3} field={fields.gramsSpooned} label="spooned, g" inputMode="decimal" />
            <NumberField span={3} field={fields.gramsDipped} label="dipped, g" inputMode="decimal" />
            <NumberField span={3} field={fields.gramsPerTsp} label="Teaspoon, g" inputMode="decimal" />
            <NumberField span={3} field={fields.tspLow} label="lightest brand, g" inputMode="decimal" />
            <NumberField span={3} field={fields.tspHigh} label="heaviest brand, g" inputMode="decimal" />
            <NumberField
              span={3}
              field={fields.pieceGrams}
              label="Piece, g"
              hint="ready to use: no shell, no skin"

              inputMode="decimal"
            />
          </FormGrid>
        </Fieldset.Root>
        <Fieldset.Root>
          <Fieldset.Legend>How it is bought</Fieldset.Legend>
          <FormGrid>
            <TextField
              span={6}
              field={fields.rawName}
              label="Bought as"
              hint="lemons for their juice; empty: as it is used"

              autoComplete="off"
            />
            <NumberField span={3} field={fields.rawKeeps} label="Share kept, %" inputMode="decimal" />
            <NumberField
              span={3}
              field={fields.rawPieceGrams}
              label="One weighs, g"

              inputMode="decimal"
            />
          </FormGrid>
        </Fieldset.Root>
        <Fieldset.Root>
          <Fieldset.Legend>What is in it</Fieldset.Legend>
          <FormGrid>
            <NumberField span={3} field={fields.waterPercent} label="Water, %" inputMode="decimal" />
            <NumberField span={3} field={fields.fatPercent} label="Fat, %" inputMode="decimal" />
            <NumberField span={3} field={fields.sugarPercent} label="Sugar, %" inputMode="decimal" />
            <NumberField
              span={3}
              field={fields.trueDensity}
              label="True density, g/ml"
              hint="empty: reckoned from the three before"

              inputMode="decimal"
            />
            <NumberField
              span={4}
              field={fields.neutralisesTsp}
              label="Soda a cup neutralises, tsp"
              hint="0 unless it is sour"

              inputMode="decimal"
            />
            <CheckField span={8} field={fields.darkens} label="makes a batter too dark to see browning" />
          </FormGrid>
        </Fieldset.Root>
        <Fieldset.Root>
          <Fieldset.Legend>Contains by its nature</Fieldset.Legend>
          <Text color="fg.muted" fontSize="sm">
            Whatever its label says. What the label adds is read for each class.
          </Text>
          <TickRow>
            {substances.map((substance) => (
              <label key={substance}>
                <Tick name={fields.contains.name} value={substance} defaultChecked={chosen.has(substance)} />
                {substanceWords[substance]}
              </label>
            ))}
          </TickRow>
        </Fieldset.Root>
        <AreaField field={fields.source} label="Where the figures come from" rows={2} />
        <SaveBar>
          <Primary>Save the ingredient</Primary>
        </SaveBar>
      </GridForm>
    </>
  );
}
