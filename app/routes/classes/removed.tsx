import { Alert, Heading, Table, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { Form, data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/removed";
import { formOf } from "../form";
import { putBackDays } from "~/core/people";
import { database } from "~/db/client.server";
import { putClassBack, removedClasses } from "~/services/bin.server";
import { requireLead } from "~/services/session.server";
import { Secondary, TextLink } from "~/ui/parts/fields";
import { Hidden } from "~/ui/parts/plain";
import { day, moment } from "~/ui/format/format";
import { Heads } from "~/ui/sheet/Heads";
import { useLocale, useZone } from "~/ui/sheet/locale";

export async function loader({ context }: Route.LoaderArgs) {
  requireLead(context);
  return { classes: await removedClasses(database()) };
}

const schema = z.object({ classId: z.uuid() });

/** Puts a class back. */
export async function action({ request, context }: Route.ActionArgs) {
  requireLead(context);
  const form = schema.safeParse(Object.fromEntries(await formOf(request)));
  if (!form.success || !(await putClassBack(database(), form.data.classId)))
    return data(
      { problem: "That class cannot be put back any more: it is back already, or gone for good." },
      { status: 409 },
    );
  return redirect(`/classes/${form.data.classId}/brief`);
}

/** Classes that were removed, and the way back for each. */
export default function Removed({ loaderData, actionData }: Route.ComponentProps) {
  const locale = useLocale();
  const timeZone = useZone();
  return (
    <>
      <title>Removed classes · Apron Bell</title>
      <SheetHead>
        <Heading as="h1" size="2xl">
          Removed classes
        </Heading>
        <Text color="fg.muted">Kept for {putBackDays} days with everything in them, then gone for good.</Text>
        <SheetTools>
          <TextLink to="/">Back to the classes</TextLink>
        </SheetTools>
      </SheetHead>
      {actionData ? (
        <Alert.Root as="p" status="error" role="alert">
          {actionData.problem}
        </Alert.Root>
      ) : null}
      {loaderData.classes.length === 0 ? (
        <Text>Nothing was removed lately.</Text>
      ) : (
        <Table.Root native>
          <Heads of={["Class", "Was on", "Removed", { n: "Back" }]} />
          <tbody>
            {loaderData.classes.map((one) => (
              <tr key={one.id}>
                <td>
                  <b>{one.title}</b>
                </td>
                <td>{day(one.startsAt, locale)}</td>
                <td>
                  {one.removedAt ? moment(one.removedAt, locale, timeZone) : ""}
                  {one.removedBy ? `, ${one.removedBy}` : ""}
                </td>
                <td data-numeric>
                  <Form method="post">
                    <Hidden name="classId" value={one.id} />
                    <Secondary aria-label={`Put “${one.title}” back`}>Put it back</Secondary>
                  </Form>
                </td>
              </tr>
            ))}
          </tbody>
        </Table.Root>
      )}
    </>
  );
}
