import { HStack, Heading, Text } from "@chakra-ui/react";
import { LonePage } from "~/ui/parts/frame";
import { GridForm } from "~/ui/parts/forms";
import { getFormProps, useForm } from "@conform-to/react";
import { data } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/new-password";
import { newPassword } from "./password";
import { formOf, submissionOf } from "../form";
import { database } from "~/db/client.server";
import { isLetterGood, spendLetter } from "~/services/accounts.server";
import { secondsAfterGuess } from "~/services/limits.server";
import { addressContext } from "~/services/request.server";
import { signInAndGo } from "~/services/session.server";
import { FormError, Primary, TextField, TextLink } from "~/ui/parts/fields";
import { Mark } from "~/ui/sheet/Mark";

const schema = z.object({ password: newPassword });

/** @throws a page that says so when the letter is not good; such guesses are counted. */
async function refuse(context: Route.LoaderArgs["context"]): Promise<never> {
  const seconds = await secondsAfterGuess(context.get(addressContext));
  throw data(
    seconds === undefined
      ? "This letter is not good any more: it was used, another was asked for, or its time is over. Ask for a new one under “Forgotten password”."
      : `Too many attempts. Wait ${seconds} seconds, then open the link again.`,
    { status: seconds === undefined ? 404 : 429 },
  );
}

export async function loader({ params, context }: Route.LoaderArgs) {
  if (!(await isLetterGood(database(), params.token))) await refuse(context);
  return null;
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const submission = submissionOf(await formOf(request), { schema });
  if (submission.status !== "success") return data(submission.reply({ hideFields: ["password"] }), { status: 400 });
  const accountId = await spendLetter(database(), params.token, submission.value.password);
  return accountId === undefined ? refuse(context) : signInAndGo(request, accountId, "/", context.get(addressContext));
}

export default function NewPassword({ actionData }: Route.ComponentProps) {
  const [form, fields] = useForm<z.input<typeof schema>>({ lastResult: actionData });
  return (
    <LonePage>
      <title>New password · Apron Bell</title>
      <Mark />
      <Heading as="h1" size="2xl">
        Choose a new password
      </Heading>
      <Text>You are signed out everywhere else when it is saved.</Text>
      <GridForm method="post" {...getFormProps(form)}>
        <FormError title="Not saved" problems={form.errors ?? []} />
        <TextField
          field={fields.password}
          label="New password"
          hint="At least 12 letters."
          type="password"
          autoComplete="new-password"
        />
        <HStack gap="3" wrap="wrap">
          <Primary>Save it and sign in</Primary>
          <TextLink to="/sign-in">Back to signing in</TextLink>
        </HStack>
      </GridForm>
    </LonePage>
  );
}
