import { Alert, Heading } from "@chakra-ui/react";
import { today } from "@internationalized/date";
import { data, redirect } from "react-router";
import type { Route } from "./+types/new";
import { briefFormSchema, dishRows, factsOf, usualBrief } from "./people/brief-form";
import { BriefPage } from "./people/BriefPage";
import { formOf, submissionOf } from "../form";
import { database } from "~/db/client.server";
import { allIngredients } from "~/db/queries/pantry.server";
import { choicesNow } from "~/services/choices.server";
import { createClass } from "~/services/classes.server";
import { brokenChoice } from "~/services/brief.server";
import { usualFor, zoneOf } from "~/services/request.server";
import { accountOf } from "~/services/session.server";
import { TextLink } from "~/ui/parts/fields";

export async function loader({ request }: Route.LoaderArgs) {
  const db = database();
  const [choices, pantry] = await Promise.all([choicesNow(db), allIngredients(db)]);
  const zone = zoneOf(request);
  return {
    ...choices,
    pantry,
    zone,
    usual: usualFor(request),
    date: today(zone).add({ days: 7 }).toString(),
  };
}

export async function action({ request, context }: Route.ActionArgs) {
  const submission = submissionOf(await formOf(request), { schema: briefFormSchema });
  if (submission.status !== "success") return data(submission.reply(), { status: 400 });
  const facts = factsOf(submission.value);
  const broken = await brokenChoice(facts);
  if (broken) return data(submission.reply({ fieldErrors: broken }), { status: 400 });
  return redirect(`/classes/${await createClass(facts, accountOf(context).id)}/brief`);
}

export default function NewClass({ loaderData, actionData }: Route.ComponentProps) {
  const { kitchens: rooms, recipes, pantry, zone, usual, date } = loaderData;
  const values = {
    ...usualBrief,
    ...usual,
    title: "",
    date,
    time: "10:00",
    timeZone: zone,
    kitchenId: rooms[0]?.id ?? "",
    dishes: Array.from({ length: dishRows }, () => ({ what: "", stations: "" })),
  };
  return (
    <>
      <title>New class · Apron Bell</title>
      <Heading as="h1" size="2xl" mb="3.5">
        New class
      </Heading>
      {rooms.length === 0 || recipes.length === 0 ? (
        <Alert.Root as="p" status="error">
          A class needs a kitchen and a recipe first.{" "}
          {rooms.length === 0 ? <TextLink to="/kitchens">Add a kitchen</TextLink> : null}{" "}
          {recipes.length === 0 ? <TextLink to="/recipes">Add the starter recipes</TextLink> : null} Or{" "}
          <TextLink to="/classes/import">bring in a class file</TextLink>, which carries both.
        </Alert.Root>
      ) : null}
      <BriefPage
        result={actionData}
        values={values}
        saved={undefined}
        base={{ id: "new", people: [], dishes: [], labels: [], packs: [], pantry }}
        kitchens={rooms}
        recipes={recipes}
        conflict={undefined}
        isSaved={false}
        button="Make the class"
      />
    </>
  );
}
