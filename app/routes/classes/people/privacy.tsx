import { Box, HStack, Heading, Table, Text } from "@chakra-ui/react";
import { Columns, SheetHead, SheetTools } from "~/ui/parts/sheet";
import { GridForm } from "~/ui/parts/forms";
import { getFormProps, useForm } from "@conform-to/react";
import { Form, data } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/privacy";
import { useClass } from "../class-context";
import { formOf, whole, submissionOf } from "../../form";
import { putBackDays } from "~/core/people";
import { database } from "~/db/client.server";
import { audit } from "~/services/audit.server";
import { classOnce, classOr404 } from "~/services/classes.server";
import { holdingHealth, removeHealth } from "~/services/health-data.server";
import { auditOf, forgetRemoved, isPastRemoval, removalDay, removedOf, setRetention } from "~/services/privacy.server";
import { requireLead } from "~/services/session.server";
import { day, moment } from "~/ui/format/format";
import { FileLink, NumberField, Secondary, TextLink } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";
import { Heads } from "~/ui/sheet/Heads";
import { Fold, FoldTitle, Hidden } from "~/ui/parts/plain";

const schema = z.object({ days: whole(1, 3650) });

export async function loader({ params, context }: Route.LoaderArgs) {
  requireLead(context);
  const { input, meta } = await classOnce(context, params.classId);
  const [rows, removed, holding] = await Promise.all([
    auditOf(database(), params.classId),
    removedOf(database(), params.classId),
    holdingHealth(database(), [params.classId]),
  ]);
  return {
    rows,
    removed,
    goes: removalDay(input.startsAt, meta.retainDays),
    isPast: isPastRemoval(input, meta.retainDays),
    isHeld: holding.size > 0,
  };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const account = requireLead(context);
  await classOr404(params.classId);
  const form = await formOf(request);
  if (form.get("intent") === "remove-now") {
    await removeHealth(database(), [params.classId]);
    return null;
  }
  if (form.get("intent") === "forget") {
    const person = z.uuid().safeParse(form.get("person"));
    if (person.success) {
      await forgetRemoved(database(), params.classId, person.data);
      await audit(account.id, params.classId, "forgot a person for good");
    }
    return null;
  }
  const submission = submissionOf(form, { schema });
  if (submission.status !== "success") return data(submission.reply(), { status: 400 });
  await setRetention(database(), params.classId, submission.value.days);
  await audit(account.id, params.classId, `keeps health data for ${submission.value.days} days`);
  return null;
}

export default function Privacy({ loaderData, actionData }: Route.ComponentProps) {
  const { input, meta, action } = useClass();
  const locale = useLocale();
  const [form, fields] = useForm<z.input<typeof schema>>({
    lastResult: actionData ?? undefined,
    defaultValue: { days: meta.retainDays },
  });
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          What is kept of people
        </Heading>
        <SheetTools>
          <TextLink to={`${action}/people`}>The register</TextLink>
        </SheetTools>
      </SheetHead>
      <Columns split="even">
        <Box as="section">
          <Heading as="h3" size="lg">
            Health data
          </Heading>
          {meta.healthRemovedAt ? (
            <Text>
              Removed {moment(meta.healthRemovedAt, locale, input.timeZone)}.{" "}
              {loaderData.isHeld
                ? loaderData.isPast
                  ? "Something has come in since: it goes within the hour, as its day has passed."
                  : `Something has come in since: it goes on ${day(`${loaderData.goes}T00:00`, locale)}.`
                : "Names, ages and seats are still here."}
            </Text>
          ) : (
            <Text>
              Removed by itself on <b>{day(`${loaderData.goes}T00:00`, locale)}</b>: answers, free words, where the
              medicine is, addresses, intake links and letters, and all of it in the class as it was pinned for
              teaching.
            </Text>
          )}
          <GridForm maxW="420px" mt="3.5" method="post" {...getFormProps(form)}>
            <NumberField span={6} field={fields.days} label="Days kept after the class" />
            <HStack gap="3" wrap="wrap">
              <Secondary>Keep for so long</Secondary>
            </HStack>
          </GridForm>
          {meta.healthRemovedAt && !loaderData.isHeld ? null : (
            <Fold>
              <FoldTitle color="fg.muted" minH="11" alignContent="center">
                Remove it now
              </FoldTitle>
              <Form method="post">
                <Secondary name="intent" value="remove-now">
                  Remove the health data of this class for good
                </Secondary>
              </Form>
            </Fold>
          )}
          <Heading as="h3" size="lg" mt="4.5">
            On request
          </Heading>
          <Text fontSize="sm" color="fg.muted">
            What is held of one person, to hand to them. Whoever was taken off the register is kept aside for{" "}
            {putBackDays} days, unless forgotten here.
          </Text>
          <Table.Root native>
            <tbody>
              {input.people.map((person) => (
                <tr key={person.id}>
                  <td>
                    <TextLink to={`${action}/people/${person.id}`}>{person.name}</TextLink>
                  </td>
                  <td>
                    <FileLink href={`${action}/people/${person.id}/record.json`}>what is held</FileLink>
                  </td>
                </tr>
              ))}
              {loaderData.removed.map((person) => (
                <tr key={person.id}>
                  <td>
                    {person.name}{" "}
                    <span data-small data-quiet>
                      taken off
                    </span>
                  </td>
                  <td>
                    <Form method="post">
                      <Hidden name="person" value={person.id} />
                      <Secondary name="intent" value="forget">
                        Forget {person.name} for good
                      </Secondary>
                    </Form>
                  </td>
                </tr>
              ))}
            </tbody>
          </Table.Root>
        </Box>
        <Box as="section">
          <Heading as="h3" size="lg">
            Who opened or changed it
          </Heading>
          <Table.Root native>
            <Heads of={["When", "Who", "What"]} />
            <tbody>
              {loaderData.rows.map((row, index) => (
                <tr key={index}>
                  <td data-small>{moment(row.at, locale, input.timeZone)}</td>
                  <td>{row.by ?? <span data-quiet>the program</span>}</td>
                  <td>{row.action}</td>
                </tr>
              ))}
            </tbody>
          </Table.Root>
        </Box>
      </Columns>
    </>
  );
}
