import { RowButton } from "~/ui/parts/keys";
import { Alert, Box, Heading, Table, Text } from "@chakra-ui/react";
import { Columns } from "~/ui/parts/sheet";
import { ActionForm, GridForm, ScrollArea } from "~/ui/parts/forms";
import { getFormProps, useForm } from "@conform-to/react";
import { data } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/accounts";
import { newPassword } from "./password";
import { choice, formOf, words, submissionOf } from "../form";
import { database } from "~/db/client.server";
import { type AccountChange, accountByEmail, addAccount, allAccounts, changeAccount } from "~/services/accounts.server";
import { requireLead } from "~/services/session.server";
import { FormError, Primary, SaveBar, SelectField, TextField, TextLink } from "~/ui/parts/fields";
import { Heads } from "~/ui/sheet/Heads";
import { Hidden } from "~/ui/parts/plain";

const schema = z.object({
  name: words(120, "a name"),
  email: z.email({ error: "Give an e-mail address, such as helper@club.example." }).max(200),
  role: choice(["assistant", "lead"], "a role"),
  password: newPassword,
});

const changeSchema = z.object({
  intent: z.literal("change"),
  id: z.uuid(),
  version: z.int(),
  to: z.enum(["lead", "assistant", "closed", "open"]),
});
const changes: Readonly<Record<z.infer<typeof changeSchema>["to"], AccountChange>> = {
  lead: { role: "lead" },
  assistant: { role: "assistant" },
  closed: { isClosed: true },
  open: { isClosed: false },
};
const refusals = {
  "changed meanwhile": "Somebody changed this account meanwhile. Look at what it is now and choose again.",
  "last lead": "This is the only lead there is. Make somebody else a lead first, then change this account.",
} as const;

export async function loader({ context }: Route.LoaderArgs) {
  const { id } = requireLead(context);
  return { accounts: await allAccounts(database()), self: id };
}

/** Also after a refusal: whoever was too late keeps theirs again on top of what is there now. */
export const shouldRevalidate = () => true;

export async function action({ request, context }: Route.ActionArgs) {
  requireLead(context);
  const sent = await formOf(request);
  if (sent.get("intent") === "change") {
    const asked = submissionOf(sent, { schema: changeSchema });
    if (asked.status !== "success")
      return data(
        { result: undefined, added: undefined, problem: "This was not understood. Load the page again." },
        { status: 400 },
      );
    const { id, version, to } = asked.value;
    const done = await changeAccount(database(), id, version, changes[to]);
    return done === "changed"
      ? { result: undefined, added: undefined, problem: undefined }
      : data({ result: undefined, added: undefined, problem: refusals[done] }, { status: 409 });
  }
  const submission = submissionOf(sent, { schema });
  const hide = { hideFields: ["password"] };
  if (submission.status !== "success")
    return data({ result: submission.reply(hide), added: undefined, problem: undefined }, { status: 400 });
  if (await accountByEmail(database(), submission.value.email))
    return data(
      {
        result: submission.reply({ ...hide, fieldErrors: { email: ["This address has an account already."] } }),
        added: undefined,
        problem: undefined,
      },
      { status: 409 },
    );
  await addAccount(database(), submission.value);
  return data({ result: submission.reply({ resetForm: true }), added: submission.value.name, problem: undefined });
}

export default function Accounts({ loaderData, actionData }: Route.ComponentProps) {
  const [form, fields] = useForm<z.input<typeof schema>>({ lastResult: actionData?.result });
  return (
    <>
      <title>Accounts · Apron Bell</title>
      <Heading as="h1" size="2xl">
        Accounts
      </Heading>
      <FormError title="Not changed" problems={actionData?.problem ? [actionData.problem] : []} />
      <Columns split="even" mt="3.5">
        <Box as="section">
          <Heading as="h2" size="xl">
            Add an account
          </Heading>
          <GridForm method="post" {...getFormProps(form)}>
            <FormError title="No account added" problems={form.errors ?? []} />
            {actionData?.added ? (
              <Alert.Root as="p" status="info" role="status">
                {actionData.added} can sign in now. Tell them the password in person.
              </Alert.Root>
            ) : null}
            <TextField field={fields.name} label="Name" autoComplete="off" />
            <TextField field={fields.email} label="E-mail address" type="email" autoComplete="off" />
            <SelectField
              field={fields.role}
              label="Role"
              options={[
                { value: "assistant", label: "assistant" },
                { value: "lead", label: "lead" },
              ]}
            />
            <TextField
              field={fields.password}
              label="First password"
              hint="At least 12 letters."
              type="password"
              autoComplete="new-password"
            />
            <SaveBar>
              <Primary>Add the account</Primary>
            </SaveBar>
          </GridForm>
        </Box>
        <Box as="section">
          <ScrollArea tabIndex={0} role="group" aria-label="Accounts">
            <Table.Root native>
              <Heads of={["Name", "E-mail address", "Role", "Change"]} />
              <tbody>
                {loaderData.accounts.map((one) => (
                  <tr key={one.id}>
                    <td>
                      {one.name}
                      {one.id === loaderData.self ? <span data-quiet> (you)</span> : null}
                    </td>
                    <td>{one.email}</td>
                    <td>{one.isClosed ? <span data-quiet>closed</span> : one.role}</td>
                    <td>
                      <ActionForm method="post" key={`${one.id} ${one.version}`}>
                        <Hidden name="intent" value="change" />
                        <Hidden name="id" value={one.id} />
                        <Hidden name="version" value={one.version} />
                        {one.isClosed ? (
                          <RowButton type="submit" name="to" value="open">
                            Open it again
                          </RowButton>
                        ) : (
                          <>
                            <RowButton type="submit" name="to" value={one.role === "lead" ? "assistant" : "lead"}>
                              {one.role === "lead" ? "Make an assistant" : "Make a lead"}
                            </RowButton>
                            <RowButton type="submit" name="to" value="closed">
                              Close
                            </RowButton>
                          </>
                        )}
                      </ActionForm>
                    </td>
                  </tr>
                ))}
              </tbody>
            </Table.Root>
          </ScrollArea>
          <Text color="fg.muted" fontSize="sm" pt="2" pb="2">
            Assistants plan, pack and teach. Only a lead signs the allergy table, removes classes and manages accounts.
          </Text>
          <Text color="fg.muted" fontSize="sm">
            Whoever is closed is signed out at once and cannot sign in; what they signed keeps their name, and they can
            be opened again. <TextLink to="/account">Your own name, password and sign-ins</TextLink>
          </Text>
        </Box>
      </Columns>
    </>
  );
}
