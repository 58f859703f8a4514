import { Alert, Heading, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { GridForm, InlineField, InlineLabel, colSpan } from "~/ui/parts/forms";
import { data, redirect, useNavigation } from "react-router";
import type { Route } from "./+types/bring-in";
import { EditorPage } from "./EditorPage";
import { formOf, textOf } from "../form";
import { measuringSystems } from "~/core/quantity";
import { families } from "~/core/recipe";
import { database } from "~/db/client.server";
import { allIngredients } from "~/db/queries/pantry.server";
import { jsonLdIn } from "~/formats/page-source.server";
import { readRecipeFile } from "~/formats/recipe-file";
import { readRecipeText } from "~/formats/recipe-text";
import { textOfSchemaOrg } from "~/formats/schema-org";
import { importRecipe, missingFor } from "~/services/recipes.server";
import { pantryToWrite } from "~/services/pantry.server";
import { accountOf } from "~/services/session.server";
import { FormError, Primary, SaveBar, TextLink } from "~/ui/parts/fields";
import { systemWords } from "~/ui/words/batter";
import { familyWords } from "~/ui/words/en";
import { FileInput, PlainArea, PlainSelect } from "~/ui/parts/plain";
import { howMany } from "~/ui/format/format";
import { parseJson } from "~/formats/text";

/** The source of a page may be long; the recipe in it is not. */
const longest = 400_000;
const mostLetters = 40_000;
const mostRows = 600;
/** Letters of a row at most: a paragraph of a method. */
const mostInRow = 2000;

export const loader = () => pantryToWrite(database());

/** JSON where the text is JSON; undefined otherwise. */
function asJson(text: string): unknown {
  try {
    return parseJson(text);
  } catch {
    return undefined;
  }
}

/** Reads what was pasted or chosen: a recipe file is kept as it is, everything else becomes a draft to look through. */
export async function action({ request, context }: Route.ActionArgs) {
  const form = await formOf(request);
  const text = (await textOf(form, "file", "text")).slice(0, longest + 1);
  const refuse = (...problems: string[]) =>
    data({ problems, text: text.slice(0, longest), draft: undefined, hint: undefined, source: "" }, { status: 400 });
  if (text.trim() === "") return refuse("Nothing came. Paste a recipe, or choose a file with one.");
  if (text.length > longest)
    return refuse(`At most ${longest.toLocaleString("en-GB")} letters; this is longer. Paste only the recipe.`);
  const system = measuringSystems.find((one) => one === form.get("system"));
  const family = families.find((one) => one === form.get("family"));
  const json = asJson(text);
  if (json !== undefined) {
    const file = readRecipeFile(json);
    if (file.kind === "broken") return refuse(...file.problems);
    if (file.kind === "recipe") {
      const missing = await missingFor(file.file);
      if (missing.length > 0)
        return refuse(
          `The file names ${missing.join(", ")}, but neither it nor the pantry says what that is. Export it again with its ingredients.`,
        );
      const { recipe } = await importRecipe(file.file, accountOf(context).id);
      return redirect(`/recipes/${recipe.id}`);
    }
  }
  const isPage = json === undefined && /<\s*(?:html|head|body|script|div)\b/i.test(text);
  const marked = json !== undefined ? textOfSchemaOrg(json) : isPage ? textOfSchemaOrg(jsonLdIn(text)) : undefined;
  if (json !== undefined && marked === undefined)
    return refuse(
      "This is JSON, but there is no recipe in it. Wanted: a recipe exported here, or a page's data with “@type”: “Recipe”.",
    );
  if (isPage && marked === undefined)
    return refuse(
      "This is the source of a page, but it carries no recipe data. Copy the recipe's text from the page and paste that.",
    );
  const words = marked ?? text;
  const rows = words.split("\n").length;
  // Reading goes over every line many ways: what is no recipe by its size is not begun.
  if (words.length > mostLetters || rows > mostRows)
    return refuse(
      `${words.length.toLocaleString("en-GB")} letters in ${rows.toLocaleString("en-GB")} lines came; a recipe has at most ${mostLetters.toLocaleString("en-GB")} in ${mostRows}. Paste one recipe, without the page around it.`,
    );
  const long = words.split("\n").find((row) => row.length > mostInRow);
  if (long !== undefined)
    return refuse(
      `One line has ${long.length.toLocaleString("en-GB")} letters; a line of a recipe has at most ${mostInRow.toLocaleString("en-GB")}. It begins with “${long.trim().slice(0, 40)}”. Put each ingredient and each step on a line of its own.`,
    );
  const read = readRecipeText(words, { pantry: await allIngredients(database()), system, family });
  if (read.draft.lines.length === 0)
    return refuse(
      "No ingredient was found in this. Wanted: one line each, with an amount, such as “125 g plain flour”.",
    );
  return data({
    problems: [] as string[],
    text,
    draft: read.draft,
    hint: read.systemHint,
    source: marked ? "page" : "text",
  });
}

export default function BringIn({ loaderData, actionData }: Route.ComponentProps) {
  const isBusy = useNavigation().state === "submitting";
  const draft = actionData?.draft;
  if (draft) {
    const guessed = draft.lines.filter((line) => line.guesses.length > 0).length;
    const open = draft.lines.filter((line) => line.ingredientId === "" || line.kind === "unknown").length;
    return (
      <>
        <title>Look it through · Apron Bell</title>
        <SheetHead>
          <Heading as="h1" size="2xl">
            Look it through
          </Heading>
          <SheetTools>
            <TextLink to="/recipes/bring-in" reloadDocument>
              Paste another
            </TextLink>
          </SheetTools>
        </SheetHead>
        <Alert.Root as="p" status="info" role="status">
          {howMany(draft.lines.length, "line")} and {howMany(draft.steps.length, "step")} were read.{" "}
          {open > 0 ? `${open} ${open === 1 ? "line is" : "lines are"} open and asked about. ` : ""}
          {guessed} {guessed === 1 ? "line has" : "lines have"} something taken for granted: it stands below the line.
          {draft.system === "" && actionData.hint
            ? ` The words sound like ${systemWords[actionData.hint]}; choose it if that is so.`
            : ""}{" "}
          Nothing is saved yet.
        </Alert.Root>
        <EditorPage
          initial={draft}
          pantry={loaderData.pantry}
          aside={loaderData.aside}
          recipeId={null}
          revision={0}
          action="/recipes/new"
        />
      </>
    );
  }
  return (
    <>
      <title>Import a recipe · Apron Bell</title>
      <SheetHead>
        <Heading as="h1" size="2xl">
          Import a recipe
        </Heading>
        <SheetTools>
          <TextLink to="/recipes">Back to the book</TextLink>
        </SheetTools>
      </SheetHead>
      <GridForm maxW="860px" method="post" encType="multipart/form-data">
        <FormError title="Not read" problems={actionData?.problems ?? []} />
        <Text>
          Paste it as it is: from a letter, a page, a note. Or the source of a page, or a file: what is marked up as a
          recipe is found in it. You see what was understood before anything is saved.
        </Text>
        <InlineField span="whole">
          <InlineLabel>The recipe</InlineLabel>
          <PlainArea name="text" rows={14} defaultValue={actionData?.text ?? ""} maxLength={longest} />
        </InlineField>
        <InlineField gridColumn={colSpan(6)}>
          <InlineLabel>Or a file (text, JSON, saved page)</InlineLabel>
          <FileInput name="file" accept=".txt,.json,.html,.htm,.jsonld,text/plain,application/json" />
        </InlineField>
        <InlineField gridColumn={colSpan(6)}>
          <InlineLabel>Its cups and spoons are</InlineLabel>
          <PlainSelect name="system" defaultValue="">
            <option value="">ask me on the next page</option>
            {measuringSystems.map((system) => (
              <option key={system} value={system}>
                {systemWords[system]}
              </option>
            ))}
          </PlainSelect>
        </InlineField>
        <InlineField gridColumn={colSpan(6)}>
          <InlineLabel>It is a</InlineLabel>
          <PlainSelect name="family" defaultValue="">
            <option value="">see from the words</option>
            {families.map((family) => (
              <option key={family} value={family}>
                {familyWords[family]}
              </option>
            ))}
          </PlainSelect>
        </InlineField>
        <SaveBar>
          <Primary loading={isBusy}>Show me how you read it</Primary>
        </SaveBar>
      </GridForm>
    </>
  );
}
