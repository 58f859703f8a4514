import { Heading, Text } from "@chakra-ui/react";
import { today } from "@internationalized/date";
import { data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/new";
import { briefFormSchema, dishRows, factsOf, usualBrief } from "./people/brief-form";
import { BriefPage } from "./people/BriefPage";
import { formOf, submissionOf } from "../form";
import { starterKinds } from "~/core/gear";
import { database } from "~/db/client.server";
import { allIngredients } from "~/db/queries/pantry.server";
import { type Beginning, begin } from "~/services/beginning.server";
import { choicesNow } from "~/services/choices.server";
import { createClass } from "~/services/classes.server";
import { brokenChoice } from "~/services/brief.server";
import { usualFor, zoneOf } from "~/services/request.server";
import { accountOf } from "~/services/session.server";
import { FirstThings } from "~/ui/first/FirstThings";
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

/** What was chosen to begin with. @throws a 400 page for a kitchen that is not one of ours. */
function beginningIn(form: FormData): Beginning {
  const chosen = z
    .enum(starterKinds)
    .optional()
    .safeParse(form.get("kitchen") ?? undefined);
  if (!chosen.success) throw data("Choose one of the kitchens that are drawn. Load the page again.", { status: 400 });
  return { kitchen: chosen.data, hasStarterRecipes: form.get("recipes") === "on" };
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await formOf(request);
  if (form.get("intent") === "begin") {
    await begin(beginningIn(form), accountOf(context).id);
    return redirect("/classes/new");
  }
  const submission = submissionOf(form, { schema: briefFormSchema });
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
  if (rooms.length === 0 || recipes.length === 0)
    return (
      <>
        <title>New class · Apron Bell</title>
        <Heading as="h1" size="2xl" mb="3.5">
          New class
        </Heading>
        <FirstThings needsKitchen={rooms.length === 0} needsRecipes={recipes.length === 0} />
        <Text mt="3.5" color="fg.muted">
          Or <TextLink to="/classes/import">import a class file</TextLink>, which carries both.
        </Text>
      </>
    );
  return (
    <>
      <title>New class · Apron Bell</title>
      <Heading as="h1" size="2xl" mb="3.5">
        New class
      </Heading>
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
