import { Heading } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { data } from "react-router";
import type { Route } from "./+types/brief";
import { briefFormSchema, differences, factsOf, formValuesOf } from "./brief-form";
import { BriefPage, type Conflict } from "./BriefPage";
import { useClass } from "../class-context";
import { formOf, submissionOf } from "../../form";
import { database } from "~/db/client.server";
import { settledOf } from "~/core/plan";
import { pack, unpack } from "~/formats/packed";
import { brokenChoice } from "~/services/brief.server";
import { choicesNow } from "~/services/choices.server";
import { classOr404, saveClass } from "~/services/classes.server";
import { accountOf } from "~/services/session.server";
import { ticksOf } from "~/services/ticks.server";
import { whatChanges } from "~/services/what-changes.server";
import { TextLink } from "~/ui/parts/fields";
import { toldIn } from "~/ui/class/WhatChanges";
import { people } from "~/ui/format/format";

export const loader = async ({ params }: Route.LoaderArgs) => ({
  choices: pack(await choicesNow(database())),
  // What is packed already: what a change does to it is said before it is saved.
  packed: (await ticksOf(database(), params.classId)).filter((one) => one.list === "packing"),
});

export async function action({ request, params, context }: Route.ActionArgs) {
  const stored = await classOr404(params.classId);
  const submission = submissionOf(await formOf(request), { schema: briefFormSchema });
  if (submission.status !== "success")
    return data({ result: submission.reply(), conflict: undefined }, { status: 400 });
  const typed = factsOf(submission.value);
  const facts = {
    ...typed,
    dishes: typed.dishes.map((dish, index) => ({ ...dish, ...settledOf(stored.input.dishes[index], dish.recipeId) })),
  };
  const broken = await brokenChoice(facts);
  if (broken) return data({ result: submission.reply({ fieldErrors: broken }), conflict: undefined }, { status: 400 });
  const saved = await saveClass(
    stored.input,
    submission.value.version ?? stored.meta.version,
    facts,
    accountOf(context).id,
  );
  if (saved.saved) {
    const { input: now } = await classOr404(params.classId);
    const changes = await whatChanges(database(), stored.input, now);
    return data({ result: submission.reply(), conflict: undefined, isSaved: true, changes });
  }
  const conflict: Conflict = {
    by: saved.now.meta.updatedBy,
    version: saved.now.meta.version,
    rows: differences(saved.now.input, submission.value),
  };
  return data({ result: submission.reply(), conflict }, { status: 409 });
}

export default function Brief({ loaderData, actionData }: Route.ComponentProps) {
  const { input, meta, drafts } = useClass();
  const { kitchens, recipes } = unpack(loaderData.choices);
  const pinned = input.dishes
    .map((dish) => dish.recipe)
    .filter((recipe) => !recipes.some((one) => one.id === recipe.id && one.revision === recipe.revision));
  const values = formValuesOf(input, meta.version);
  const isSaved = actionData !== undefined && "isSaved" in actionData;
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          Brief
        </Heading>
        <SheetTools>
          {input.people.length === 0 ? <TextLink to="../people/import">Import a list</TextLink> : null}
          <TextLink to="../people">The register: {people(input.people.length)}</TextLink>
        </SheetTools>
      </SheetHead>
      <BriefPage
        key={`${input.id} ${isSaved ? meta.version : "typing"}`}
        result={isSaved ? undefined : actionData?.result}
        values={values}
        saved={input}
        base={input}
        kitchens={kitchens.some((one) => one.id === input.kitchen.id) ? kitchens : [...kitchens, input.kitchen]}
        recipes={[...recipes, ...pinned]}
        conflict={actionData?.conflict}
        isSaved={isSaved}
        changed={toldIn(actionData).changes}
        packed={loaderData.packed}
        button="Save the brief"
        drafts={drafts}
      />
    </>
  );
}
