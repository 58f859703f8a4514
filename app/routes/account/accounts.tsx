import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import { Form, data } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/accounts";
import { newPassword } from "./password";
import { choice, formOf, words } from "../form";
import { database } from "~/db/client.server";
import { accountByEmail, addAccount, allAccounts } from "~/services/accounts.server";
import { requireLead } from "~/services/session.server";
import { FormError, Primary, Secondary, SelectField, TextField } from "~/ui/sheet/controls";
import { Heads } from "~/ui/sheet/Heads";

const schema = z.object({
  name: words(120, "a name"),
  email: z.email({ error: "Give an e-mail address, such as helper@club.example." }).max(200),
  role: choice(["assistant", "lead"], "a role"),
  password: newPassword,
});

export async function loader({ context }: Route.LoaderArgs) {
  const { id } = requireLead(context);
  return { accounts: await allAccounts(database()), self: id };
}

export async function action({ request, context }: Route.ActionArgs) {
  requireLead(context);
  const submission = parseWithZod(await formOf(request), { schema });
  const hide = { hideFields: ["password"] };
  if (submission.status !== "success")
    return data({ result: submission.reply(hide), added: undefined }, { status: 400 });
  if (await accountByEmail(database(), submission.value.email))
    return data(
      {
        result: submission.reply({ ...hide, fieldErrors: { email: ["This address has an account already."] } }),
        added: undefined,
      },
      { status: 409 },
    );
  await addAccount(database(), submission.value);
  return data({ result: submission.reply({ resetForm: true }), added: submission.value.name });
}

export default function Accounts({ loaderData, actionData }: Route.ComponentProps) {
  const [form, fields] = useForm<z.input<typeof schema>>({ lastResult: actionData?.result });
  return (
    <>
      <title>Accounts · Apron Bell</title>
      <h1>Accounts</h1>
      <div className="columns two" style={{ marginTop: 14 }}>
        <section>
          <div className="scroll-x" tabIndex={0} role="group" aria-label="Accounts">
            <table className="ruled">
              <Heads of={["Name", "E-mail address", "Role"]} />
              <tbody>
                {loaderData.accounts.map((one) => (
                  <tr key={one.id}>
                    <td>
                      {one.name}
                      {one.id === loaderData.self ? <span className="quiet"> (you)</span> : null}
                    </td>
                    <td>{one.email}</td>
                    <td>{one.role}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <p className="quiet small" style={{ padding: "10px 0" }}>
            Assistants plan, pack and teach. Only a lead signs the allergy table, removes classes and manages accounts.
          </p>
          <Form method="post" action="/sign-out">
            <input type="hidden" name="everywhere" value="yes" />
            <Secondary>Sign me out on every device</Secondary>
          </Form>
        </section>
        <section>
          <h2>Add an account</h2>
          <Form method="post" {...getFormProps(form)} className="form">
            <FormError title="No account added" problems={form.errors ?? []} />
            {actionData?.added ? (
              <p className="saved" role="status">
                {actionData.added} can sign in now. Tell them the password in person.
              </p>
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
            <div>
              <Primary>Add the account</Primary>
            </div>
          </Form>
        </section>
      </div>
    </>
  );
}
