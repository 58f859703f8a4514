import { Box, Heading, Text } from "@chakra-ui/react";
import { LonePage } from "~/ui/parts/frame";
import { GridForm } from "~/ui/parts/forms";
import { getFormProps, useForm } from "@conform-to/react";
import { data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/first-account";
import { newPassword } from "./password";
import { formOf, words, submissionOf } from "../form";
import { database } from "~/db/client.server";
import { countAccounts, makeFirstAccount } from "~/services/accounts.server";
import { secondsToWait } from "~/services/limits.server";
import { addressContext } from "~/services/request.server";
import { signInAndGo } from "~/services/session.server";
import { FormError, Primary, TextField } from "~/ui/parts/fields";
import { Mark } from "~/ui/sheet/Mark";

const schema = z.object({
  code: words(60, "the code from the terminal"),
  name: words(120, "your name"),
  email: z.email({ error: "Give an e-mail address, such as me@club.example." }).max(200),
  password: newPassword,
});

export async function loader() {
  if ((await countAccounts(database())) > 0) throw redirect("/sign-in");
  return null;
}

export async function action({ request, context }: Route.ActionArgs) {
  const submission = submissionOf(await formOf(request), { schema });
  const hide = { hideFields: ["password"] };
  if (submission.status !== "success") return data(submission.reply(hide), { status: 400 });
  // Counted by place alone: nobody's attempts keep somebody elsewhere from the code.
  const address = context.get(addressContext);
  const seconds = await secondsToWait(`first account ${address}`, address);
  if (seconds !== undefined)
    return data(submission.reply({ ...hide, formErrors: [`Too many attempts. Wait ${seconds} seconds.`] }), {
      status: 429,
    });
  const id = await makeFirstAccount(database(), submission.value.code, submission.value);
  if (!id)
    return data(
      submission.reply({
        ...hide,
        fieldErrors: {
          code: ["This is not the code in the terminal. Each start of the program prints a new one; use the last."],
        },
      }),
      { status: 400 },
    );
  return signInAndGo(request, id, "/", address);
}

export default function FirstAccount({ actionData }: Route.ComponentProps) {
  const [form, fields] = useForm<z.input<typeof schema>>({ lastResult: actionData });
  return (
    <LonePage>
      <title>First account · Apron Bell</title>
      <Mark />
      <Heading as="h1" size="2xl">
        Make the first account
      </Heading>
      <Text>
        The terminal that started the program shows a one-time code. With it you become the lead instructor here.
      </Text>
      <GridForm method="post" {...getFormProps(form)}>
        <FormError title="No account made" problems={form.errors ?? []} />
        <TextField field={fields.code} label="Code from the terminal" autoComplete="off" />
        <TextField field={fields.name} label="Your name" autoComplete="name" />
        <TextField field={fields.email} label="E-mail address" type="email" autoComplete="username" />
        <TextField
          field={fields.password}
          label="Password"
          hint="At least 12 letters; a few words are easiest."
          type="password"
          autoComplete="new-password"
        />
        <Box>
          <Primary>Make the account</Primary>
        </Box>
      </GridForm>
    </LonePage>
  );
}
