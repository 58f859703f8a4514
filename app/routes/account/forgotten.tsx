import { Alert, HStack, Heading, Text } from "@chakra-ui/react";
import { LonePage } from "~/ui/parts/frame";
import { GridForm } from "~/ui/parts/forms";
import { getFormProps, useForm } from "@conform-to/react";
import { data } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/forgotten";
import { formOf, submissionOf } from "../form";
import { database } from "~/db/client.server";
import { outbox } from "~/devices/mail.server";
import { letterHours, offerNewPassword } from "~/services/accounts.server";
import { mayAskForLetter } from "~/services/limits.server";
import { addressContext } from "~/services/request.server";
import { FormError, Primary, TextField, TextLink } from "~/ui/parts/fields";
import { Mark } from "~/ui/sheet/Mark";

const schema = z.object({ email: z.email({ error: "Give an e-mail address, such as me@club.example." }).max(200) });

/**
 * Where the program is reached from outside, for links in letters. Never taken from the request: whoever asks in somebody's name
 * could name a place of their own there.
 */
const addressOfLetters = () => (process.env.PUBLIC_URL ?? "").replace(/\/+$/, "");

export const loader = () => ({ hours: letterHours });

export async function action({ request, context }: Route.ActionArgs) {
  const submission = submissionOf(await formOf(request), { schema });
  if (submission.status !== "success") return data({ result: submission.reply(), isAsked: false }, { status: 400 });
  const { email } = submission.value;
  if (!(await mayAskForLetter(email, context.get(addressContext))))
    return data(
      {
        result: submission.reply({ formErrors: ["Too many letters were asked for. Wait an hour, or ask the lead."] }),
        isAsked: false,
      },
      { status: 429 },
    );
  const offered = await offerNewPassword(database(), email);
  if (offered) {
    const path = `/new-password/${offered.token}`;
    const where = addressOfLetters();
    await outbox(database()).send([
      {
        classId: null,
        to: offered.email,
        subject: "A new password for Apron Bell",
        body: `Hello ${offered.name},\n\nsomebody, probably you, asked for a new password. ${
          where
            ? `Choose it here: ${where}${path}`
            : `Open Apron Bell as you usually do, with this at the end of its address: ${path}`
        }\n\nThis is good once, for ${letterHours} hours. If it was not you, do nothing: the old password stays.\n`,
      },
    ]);
  }
  // The same answer whether or not anybody has this address.
  return { result: submission.reply({ resetForm: true }), isAsked: true };
}

export default function Forgotten({ loaderData, actionData }: Route.ComponentProps) {
  const [form, fields] = useForm<z.input<typeof schema>>({ lastResult: actionData?.result });
  return (
    <LonePage>
      <title>Forgotten password · Apron Bell</title>
      <Mark />
      <Heading as="h1" size="2xl">
        Forgotten password
      </Heading>
      {actionData?.isAsked ? (
        <Alert.Root as="p" status="info" role="status">
          If somebody has an account with this address, a letter with the way to a new password is on its way to them.
          It is good for {loaderData.hours} hours.
        </Alert.Root>
      ) : (
        <Text>A letter goes to your address, with a link at which you choose a new one.</Text>
      )}
      <GridForm method="post" {...getFormProps(form)}>
        <FormError title="No letter written" problems={form.errors ?? []} />
        <TextField field={fields.email} label="E-mail address" type="email" autoComplete="username" />
        <HStack gap="3" wrap="wrap">
          <Primary>Send the letter</Primary>
          <TextLink to="/sign-in">Back to signing in</TextLink>
        </HStack>
      </GridForm>
    </LonePage>
  );
}
