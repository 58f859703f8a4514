import { HStack, Heading } from "@chakra-ui/react";
import { LonePage } from "~/ui/parts/frame";
import { GridForm } from "~/ui/parts/forms";
import { getFormProps, useForm } from "@conform-to/react";
import { data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/sign-in";
import { formOf, words, submissionOf } from "../form";
import { database } from "~/db/client.server";
import { countAccounts, signIn } from "~/services/accounts.server";
import { forgetAttempts, secondsToWait } from "~/services/limits.server";
import { knownAs } from "~/services/origins.server";
import { addressContext } from "~/services/request.server";
import { deviceSecretOf, pathBack, signInAndGo } from "~/services/session.server";
import { FormError, Primary, TextField, TextLink } from "~/ui/parts/fields";
import { Mark } from "~/ui/sheet/Mark";
import { Hidden } from "~/ui/parts/plain";

const schema = z.object({
  email: words(200, "your e-mail address"),
  password: words(200, "your password"),
  back: z.string().max(500).optional(),
});

export async function loader({ request }: Route.LoaderArgs) {
  if ((await countAccounts(database())) === 0) throw redirect("/first-account");
  return { back: pathBack(new URL(request.url).searchParams.get("back")) };
}

export async function action({ request, context }: Route.ActionArgs) {
  const submission = submissionOf(await formOf(request), { schema });
  const hide = { hideFields: ["password"] };
  if (submission.status !== "success") return data(submission.reply(hide), { status: 400 });
  const { email, password, back } = submission.value;
  const address = context.get(addressContext);
  const known = await knownAs(database(), email, { address, device: await deviceSecretOf(request) });
  const seconds = await secondsToWait(email, address, known);
  if (seconds !== undefined) {
    return data(
      submission.reply({ ...hide, formErrors: [`Too many attempts. Wait ${seconds} seconds, then try again.`] }),
      { status: 429, headers: { "Retry-After": String(seconds) } },
    );
  }
  const account = await signIn(database(), email, password);
  if (!account)
    return data(
      submission.reply({
        ...hide,
        formErrors: [
          "This e-mail address and password do not belong together. Check both, or ask for a letter under “Forgotten password”.",
        ],
      }),
      { status: 400 },
    );
  await forgetAttempts(email, address, known);
  return signInAndGo(request, account.id, pathBack(back ?? null), address);
}

export const headers = ({ actionHeaders }: Route.HeadersArgs) => actionHeaders;

export default function SignIn({ loaderData, actionData }: Route.ComponentProps) {
  const [form, fields] = useForm<z.input<typeof schema>>({
    lastResult: actionData,
    defaultValue: { back: loaderData.back },
  });
  return (
    <LonePage>
      <title>Sign in · Apron Bell</title>
      <Mark />
      <Heading as="h1" size="2xl">
        Sign in
      </Heading>
      <GridForm method="post" {...getFormProps(form)}>
        <FormError title="Not signed in" problems={form.errors ?? []} />
        <TextField field={fields.email} label="E-mail address" type="email" autoComplete="username" autoFocus />
        <TextField field={fields.password} label="Password" type="password" autoComplete="current-password" />
        <Hidden name="back" value={loaderData.back} />
        <HStack gap="3" wrap="wrap">
          <Primary>Sign in</Primary>
          <TextLink to="/forgotten">Forgotten password</TextLink>
        </HStack>
      </GridForm>
    </LonePage>
  );
}
