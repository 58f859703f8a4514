import { RowButton } from "~/ui/parts/keys";
import { Alert, Box, Heading, Table, Text } from "@chakra-ui/react";
import { Columns } from "~/ui/parts/sheet";
import { GridForm, InlineField, InlineFields, InlineLabel, ScrollArea, StyledForm } from "~/ui/parts/forms";
import { getFormProps, useForm } from "@conform-to/react";
import { Form, data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/me";
import { newPassword } from "./password";
import { formOf, words, submissionOf } from "../form";
import { database } from "~/db/client.server";
import {
  type AccountChange,
  allAccounts,
  changeAccount,
  endSession,
  sessionsOf,
  signIn,
} from "~/services/accounts.server";
import { forgetAttempts, secondsToWait } from "~/services/limits.server";
import { addressContext, tastesCookie } from "~/services/request.server";
import { accountOf, sessionOf } from "~/services/session.server";
import { type Tastes, cups, noTastes, paperOf, regions, scales, shades } from "~/formats/regions";
import { dayAndTime, degrees, moment } from "~/ui/format/format";
import { FormError, Primary, Secondary, TextField } from "~/ui/parts/fields";
import { Heads } from "~/ui/sheet/Heads";
import { useLocale, useZone } from "~/ui/sheet/locale";
import { cupsWords, regionWords, scaleWords, shadeWords } from "~/ui/words/en";
import { Hidden, PlainSelect } from "~/ui/parts/plain";

const version = z.int({ error: "The form did not arrive whole. Load the page again and repeat." });
const schema = z.discriminatedUnion("intent", [
  z.object({ intent: z.literal("name"), version, name: words(120, "your name") }),
  z.object({
    intent: z.literal("password"),
    version,
    old: words(200, "your password as it is"),
    password: newPassword,
  }),
  z.object({
    intent: z.literal("tastes"),
    version,
    region: z.enum(regions).optional(),
    scale: z.enum(scales).optional(),
    cups: z.enum(cups).optional(),
    shade: z.enum(shades).optional(),
  }),
  z.object({ intent: z.literal("end"), sessionId: z.uuid() }),
]);

export async function loader({ context }: Route.LoaderArgs) {
  const { id, name, email, role } = accountOf(context);
  const [all, sessions] = await Promise.all([allAccounts(database()), sessionsOf(database(), id)]);
  const version = all.find((one) => one.id === id)?.version ?? 1;
  const tastes = all.find((one) => one.id === id)?.tastes ?? noTastes;
  return { name, email, role, version, tastes, sessions, own: sessionOf(context) };
}

const tastesIn = (form: Partial<Tastes>): Tastes => ({
  region: form.region ?? null,
  scale: form.scale ?? null,
  cups: form.cups ?? null,
  shade: form.shade ?? null,
});

const changedMeanwhile = "This account was changed meanwhile. Look at what it is now and save yours again.";

/** Also after a refusal: whoever was too late keeps theirs again on top of what is there now. */
export const shouldRevalidate = () => true;

export async function action({ request, context }: Route.ActionArgs) {
  const submission = submissionOf(await formOf(request), { schema });
  const hide = { hideFields: ["old", "password"] };
  if (submission.status !== "success")
    return data(
      {
        result: submission.reply(hide),
        form: submission.payload.intent === "password" ? ("password" as const) : ("name" as const),
        done: undefined,
      },
      { status: 400 },
    );
  const form = submission.value;
  const account = accountOf(context);
  const db = database();
  if (form.intent === "end") {
    await endSession(db, account.id, form.sessionId);
    return { result: undefined, form: undefined, done: "That device is signed out." };
  }
  if (form.intent === "password") {
    // Whoever is signed in is no stranger: nobody else's attempts count here.
    const own = { kind: "account", key: account.id };
    const address = context.get(addressContext);
    const seconds = await secondsToWait(account.email, address, own);
    const isOwn = seconds === undefined && (await signIn(db, account.email, form.old)) !== undefined;
    if (isOwn) await forgetAttempts(account.email, address, own);
    else
      return data(
        {
          result: submission.reply({
            ...hide,
            fieldErrors: {
              old: [
                seconds === undefined
                  ? "This is not your password as it is now."
                  : `Too many attempts. Wait ${seconds} seconds.`,
              ],
            },
          }),
          form: form.intent,
          done: undefined,
        },
        { status: seconds === undefined ? 400 : 429 },
      );
  }
  const change: AccountChange =
    form.intent === "name"
      ? { name: form.name }
      : form.intent === "tastes"
        ? { tastes: tastesIn(form) }
        : { password: form.password };
  if ((await changeAccount(db, account.id, form.version, change, sessionOf(context))) !== "changed")
    return data(
      {
        result: submission.reply({ ...hide, formErrors: [changedMeanwhile] }),
        form: form.intent === "password" ? ("password" as const) : ("name" as const),
        done: undefined,
      },
      { status: 409 },
    );
  // The whole document is written anew: language, paper and ground stand on its first line.
  if (form.intent === "tastes")
    return redirect("/account", { headers: { "Set-Cookie": tastesCookie(tastesIn(form)) } });
  return {
    result: undefined,
    done:
      form.intent === "name" ? "Your name is saved." : "Your new password is saved; every other device is signed out.",
  };
}

/** A day and a time that show which comes first and how many hours a day has. */
const example = "2026-11-28T14:30";

interface TasteProps<T extends string> {
  readonly name: keyof Tastes;
  readonly label: string;
  readonly usual: string;
  readonly of: readonly T[];
  readonly words: Readonly<Record<T, string>>;
  readonly chosen: string | null;
}

/** One thing to choose of how somebody reads. */
const Taste = <T extends string>({ name, label, usual, of, words, chosen }: TasteProps<T>) => (
  <InlineField>
    <InlineLabel>{label}</InlineLabel>
    <PlainSelect name={name} defaultValue={chosen ?? ""}>
      <option value="">{usual}</option>
      {of.map((one) => (
        <option key={one} value={one}>
          {words[one]}
        </option>
      ))}
    </PlainSelect>
  </InlineField>
);

/** One's own account: name, password, and where one is signed in. */
export default function Me({ loaderData, actionData }: Route.ComponentProps) {
  const { name, email, role, version, tastes, sessions, own } = loaderData;
  const locale = useLocale();
  const zone = useZone();
  const resultOf = (form: "name" | "password") => (actionData?.form === form ? actionData.result : undefined);
  const [nameForm, nameFields] = useForm<{ name: string }>({
    lastResult: resultOf("name"),
    id: "name",
    defaultValue: { name },
  });
  const [passwordForm, passwordFields] = useForm<{ old: string; password: string }>({
    lastResult: resultOf("password"),
    id: "password",
  });
  return (
    <>
      <title>Your account · Apron Bell</title>
      <Heading as="h1" size="2xl">
        Your account
      </Heading>
      <Text color="fg.muted">
        {email}, {role}
      </Text>
      {actionData?.done ? (
        <Alert.Root as="p" status="info" role="status">
          {actionData.done}
        </Alert.Root>
      ) : null}
      <FormError title="Not saved" problems={[...(nameForm.errors ?? []), ...(passwordForm.errors ?? [])]} />
      <Columns split="even" mt="3.5">
        <Box as="section">
          <Heading as="h2" size="xl">
            Signed in on
          </Heading>
          <ScrollArea tabIndex={0} role="group" aria-label="Where you are signed in">
            <Table.Root native>
              <Heads of={["Device", "Since", "Last seen", "End"]} />
              <tbody>
                {sessions.map((one) => (
                  <tr key={one.id}>
                    <td>{one.device || "a device that does not say what it is"}</td>
                    <td>{moment(one.openedAt, locale, zone)}</td>
                    <td>{moment(one.seenAt, locale, zone)}</td>
                    <td>
                      {one.id === own ? (
                        <span data-quiet>this one</span>
                      ) : (
                        <Form method="post">
                          <Hidden name="intent" value="end" />
                          <RowButton type="submit" name="sessionId" value={one.id}>
                            Sign it out
                          </RowButton>
                        </Form>
                      )}
                    </td>
                  </tr>
                ))}
              </tbody>
            </Table.Root>
          </ScrollArea>
          <StyledForm mt="3.5" method="post" action="/sign-out">
            <Hidden name="everywhere" value="yes" />
            <Secondary>Sign me out on every device</Secondary>
          </StyledForm>
        </Box>
        <Box as="section">
          <Heading as="h2" size="xl">
            Name
          </Heading>
          <GridForm method="post" {...getFormProps(nameForm)}>
            <Hidden name="intent" value="name" />
            <Hidden name="version" value={version} />
            <TextField field={nameFields.name} label="Name, as it stands beside what you sign" autoComplete="name" />
            <Box>
              <Primary>Save the name</Primary>
            </Box>
          </GridForm>
          <Heading as="h2" size="xl" mt="6">
            How you read
          </Heading>
          <GridForm method="post" reloadDocument>
            <Hidden name="intent" value="tastes" />
            <Hidden name="version" value={version} />
            <InlineFields isTight>
              <Taste
                name="region"
                label="Dates, numbers, paper"
                usual="as this browser asks"
                of={regions}
                words={regionWords}
                chosen={tastes.region}
              />
              <Taste name="scale" label="Degrees" usual="both" of={scales} words={scaleWords} chosen={tastes.scale} />
              <Taste
                name="cups"
                label="Cups and spoons of a new class"
                usual="as usual there"
                of={cups}
                words={cupsWords}
                chosen={tastes.cups}
              />
              <Taste
                name="shade"
                label="Pages on the screen"
                usual="paper"
                of={shades}
                words={shadeWords}
                chosen={tastes.shade}
              />
            </InlineFields>
            <Text fontSize="sm" color="fg.muted">
              For example {dayAndTime(example, "UTC", locale)}, {degrees(180, locale)}; sheets print on{" "}
              {paperOf(locale) === "letter" ? "Letter" : "A4"}.
            </Text>
            <Box>
              <Secondary type="submit">Save how you read</Secondary>
            </Box>
          </GridForm>
          <Heading as="h2" size="xl" mt="6">
            Password
          </Heading>
          <GridForm method="post" {...getFormProps(passwordForm)}>
            <Hidden name="intent" value="password" />
            <Hidden name="version" value={version} />
            <TextField field={passwordFields.old} label="As it is" type="password" autoComplete="current-password" />
            <TextField
              field={passwordFields.password}
              label="New one"
              hint="At least 12 letters. Every other device is signed out."
              type="password"
              autoComplete="new-password"
            />
            <Box>
              <Primary>Save the new password</Primary>
            </Box>
          </GridForm>
        </Box>
      </Columns>
    </>
  );
}
