import { RowButton } from "~/ui/parts/keys";
import { Alert, Box, HStack, Heading, Table, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { InlineField, InlineFieldsForm, InlineLabel } from "~/ui/parts/forms";
import { Form, data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/recipe";
import { formOf } from "../form";
import { batterOf, checkBatter, yieldOf } from "~/core/batter";
import { withCautions } from "~/core/caution";
import { correctionStep } from "~/core/look";
import { type Standing, checkRecipe, standings } from "~/core/recipe";
import { database } from "~/db/client.server";
import { allIngredients } from "~/db/queries/pantry.server";
import { historyOf, recipeOf } from "~/db/queries/recipes.server";
import { asideOf } from "~/services/aside.server";
import { notFound } from "~/services/classes.server";
import { giveStanding, restoreRevision } from "~/services/recipes.server";
import { accountOf } from "~/services/session.server";
import { Findings } from "~/ui/class/Findings";
import { grams, howMany, moment, number, thin } from "~/ui/format/format";
import { Troubles } from "~/ui/recipe/Troubles";
import { RecipeSheet } from "~/ui/recipe/RecipeSheet";
import { PrimaryLink, Secondary, TextLink } from "~/ui/parts/fields";
import { MenuFile, MoreMenu } from "~/ui/parts/Menu";
import { PrintButton } from "~/ui/parts/PrintButton";
import { useLocale, useZone } from "~/ui/sheet/locale";
import { standingWords } from "~/ui/words/en";
import { namesOf } from "~/ui/words/names";
import { AsideButton } from "~/ui/sheet/Aside";
import { Heads } from "~/ui/sheet/Heads";
import { Hidden, PlainInput, PlainSelect } from "~/ui/parts/plain";

const revisionOf = (request: Request): number | undefined => {
  const asked = Number(new URL(request.url).searchParams.get("revision"));
  return Number.isInteger(asked) && asked > 0 ? asked : undefined;
};

export async function loader({ params, request }: Route.LoaderArgs) {
  const db = database();
  const [recipe, pantry, history, aside] = await Promise.all([
    recipeOf(db, params.recipeId, revisionOf(request)),
    allIngredients(db),
    historyOf(db, params.recipeId),
    asideOf(db, "recipe"),
  ]);
  if (!recipe) throw notFound("recipe");
  return { recipe, pantry, history, isAside: aside.has(params.recipeId) };
}

const revision = z.coerce.number().int().min(1).max(100_000);
const formSchema = z.discriminatedUnion("intent", [
  z.object({
    intent: z.literal("standing"),
    revision,
    standing: z.enum(standings),
    note: z.string().trim().max(300).default(""),
  }),
  z.object({ intent: z.literal("restore"), revision }),
]);

/** Gives a revision a standing, or makes an old one the newest again. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const form = formSchema.safeParse(Object.fromEntries(await formOf(request)));
  if (!form.success)
    throw data("This form was not understood. Go back, load the page again and repeat.", { status: 400 });
  const account = accountOf(context);
  if (!(await recipeOf(database(), params.recipeId, form.data.revision))) throw notFound("revision of this recipe");
  if (form.data.intent === "standing")
    await giveStanding(params.recipeId, form.data.revision, form.data.standing, form.data.note, account.id);
  else await restoreRevision(params.recipeId, form.data.revision, account.id);
  return redirect(`/recipes/${params.recipeId}`);
}

export default function RecipePage({ loaderData, params }: Route.ComponentProps) {
  const { pantry, history } = loaderData;
  const locale = useLocale();
  const zone = useZone();
  const names = namesOf({ pantry }, { stations: [], dishes: [] }, locale);
  const byId = new Map(pantry.map((one) => [one.id, one]));
  const recipe = withCautions(loaderData.recipe, byId);
  const batter = batterOf(recipe, byId);
  const findings = [...checkRecipe(recipe), ...checkBatter(recipe, byId)].map((finding) => ({
    ...finding,
    stage: "recipe" as const,
    dishId: null,
  }));
  const base = `/recipes/${params.recipeId}`;
  const newest = history[0]?.revision ?? recipe.revision;
  return (
    <>
      <title>{`${recipe.title} · Apron Bell`}</title>
      <SheetHead>
        <Heading as="h1" size="2xl" fontSize="4xl">
          {recipe.title}
        </Heading>
        <SheetTools>
          <TextLink to="/recipes">Back to the book</TextLink>
          <TextLink to={`/bench?recipe=${recipe.id}`}>On the bench</TextLink>
          <TextLink to={`${base}/handout`}>Handout for home</TextLink>
          <MoreMenu label="Export">
            <MenuFile href={`${base}/recipe.json`}>Recipe file</MenuFile>
            <MenuFile href={`${base}/recipe.jsonld`}>schema.org</MenuFile>
          </MoreMenu>
          <PrintButton>Print</PrintButton>
          <PrimaryLink to={`${base}/edit`}>Edit</PrimaryLink>
        </SheetTools>
      </SheetHead>
      {recipe.revision !== newest ? (
        <Alert.Root as="p" status="info">
          This is revision {recipe.revision}; the newest is {newest}. <TextLink to={base}>Show the newest</TextLink>
        </Alert.Root>
      ) : null}
      <Findings findings={findings} names={names} />
      <RecipeSheet recipe={recipe} ingredientName={names.ingredient} pantry={byId} />
      <Box as="section" mt="28px">
        <Heading as="h2" size="xl" fontSize="18px" mt="3.5" mb="0.5">
          Where a piece looks wrong
        </Heading>
        <Troubles
          family={recipe.family}
          kinds={recipe.heat.surfaceKinds}
          step={correctionStep(recipe, batter, byId, 1)}
          names={names}
        />
      </Box>
      <Text color="fg.muted" borderTopWidth="1px" borderColor="border.muted" pt="2.5" mt="4.5">
        One batch: {grams(batter.grams, locale)}, {number(batter.millilitres, locale, 0)}
        {thin}ml of batter, {howMany(yieldOf(recipe, batter).pieces, "piece")}
        {batter.looseness === undefined
          ? ""
          : `; water-to-flour ratio ${number(batter.looseness, locale, 2)}, in grams`}
        .
      </Text>
      <Box as="section" _print={{ display: "none" }} mt="6">
        <Heading as="h2" size="xl">
          History
        </Heading>
        {loaderData.isAside ? (
          <Alert.Root as="p" status="info">
            Put aside: nothing new is offered this recipe.
          </Alert.Root>
        ) : null}
        <AsideButton action="/recipes" id={recipe.id} isAside={loaderData.isAside} />
        <Table.Root native>
          <Heads of={["Revision", "Saved", "How far tried", "Go back"]} />
          <tbody>
            {history.map((one) => (
              <tr key={one.revision}>
                <td>
                  <TextLink to={`${base}?revision=${one.revision}`}>{one.revision}</TextLink>
                  {one.title === recipe.title ? "" : `, ${one.title}`}
                </td>
                <td>
                  {one.by ?? "someone"}, {moment(one.at, locale, zone)}
                </td>
                <td>
                  {standingWords[one.standing as Standing]}
                  {one.marks.map((mark) => (
                    <div data-quiet data-small key={mark.at.toISOString()}>
                      {standingWords[mark.standing as Standing]}: {mark.by ?? "someone"},{" "}
                      {moment(mark.at, locale, zone)}
                      {mark.note ? `, “${mark.note}”` : ""}
                    </div>
                  ))}
                </td>
                <td>
                  {one.revision === newest ? null : (
                    <HStack as="span" gap="3" wrap="wrap">
                      <TextLink to={`${base}/compare?from=${one.revision}&to=${newest}`}>
                        Compare with {newest}
                      </TextLink>
                      <Form method="post">
                        <Hidden name="revision" value={one.revision} />
                        <RowButton name="intent" value="restore" type="submit">
                          Make it the newest again
                        </RowButton>
                      </Form>
                    </HStack>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </Table.Root>
        <InlineFieldsForm isTight method="post">
          <Hidden name="revision" value={recipe.revision} />
          <InlineField>
            <InlineLabel>Revision {recipe.revision} was</InlineLabel>
            <PlainSelect name="standing" defaultValue={recipe.standing === "draft" ? "rehearsed" : "taught"}>
              {standings.map((standing) => (
                <option key={standing} value={standing}>
                  {standingWords[standing]}
                </option>
              ))}
            </PlainSelect>
          </InlineField>
          <InlineField>
            <InlineLabel>with</InlineLabel>
            <PlainInput name="note" maxLength={300} placeholder="what you saw" autoComplete="off" />
          </InlineField>
          <Secondary name="intent" value="standing">
            Mark it
          </Secondary>
        </InlineFieldsForm>
      </Box>
    </>
  );
}
