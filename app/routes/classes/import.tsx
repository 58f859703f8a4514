import { HStack, Heading, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { GridForm } from "~/ui/parts/forms";
import { data, redirect } from "react-router";
import type { Route } from "./+types/import";
import { formOf, textOf } from "../form";
import { database } from "~/db/client.server";
import { readClassFile } from "~/formats/class-file";
import { importClass } from "~/services/class-import.server";
import { requireLead } from "~/services/session.server";
import { FormError, Primary, TextLink } from "~/ui/parts/fields";
import { FileOrText } from "~/ui/parts/FileOrText";

export const loader = ({ context }: Route.LoaderArgs) => {
  requireLead(context);
  return null;
};

export async function action({ request, context }: Route.ActionArgs) {
  const account = requireLead(context);
  const text = await textOf(await formOf(request), "file", "text");
  if (text.trim() === "")
    return data({ text, problems: ["Nothing came. Choose a class file, or paste its text."] }, { status: 400 });
  const read = readClassFile(text);
  if (!read.ok) return data({ text, problems: read.problems }, { status: 400 });
  const brought = await importClass(database(), read.input, account.id);
  if ("missing" in brought)
    return data(
      {
        text,
        problems: [
          `The file names “${brought.missing}” but brings no such ingredient, and the pantry here has none. Export it again from where it came, with its pantry.`,
        ],
      },
      { status: 400 },
    );
  return redirect(`/classes/${brought.id}/brief`);
}

export default function ImportClass({ actionData }: Route.ComponentProps) {
  return (
    <>
      <title>Import a class file · Apron Bell</title>
      <SheetHead>
        <Heading as="h1" size="2xl">
          Import a class file
        </Heading>
        <SheetTools>
          <TextLink to="/">Back to the classes</TextLink>
        </SheetTools>
      </SheetHead>
      <GridForm maxW="860px" method="post" encType="multipart/form-data">
        <FormError title="Nothing was imported" problems={actionData?.problems ?? []} />
        <Text>
          A class file carries a whole class: brief, people, recipe, kitchen, labels. It comes in as a new class; what
          is here already stays as it is.
        </Text>
        <FileOrText accept=".json,application/json" label="Or paste its text here" typed={actionData?.text} />
        <HStack gap="3" wrap="wrap">
          <Primary>Import it</Primary>
        </HStack>
      </GridForm>
    </>
  );
}
