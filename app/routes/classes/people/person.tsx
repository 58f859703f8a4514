import { HStack, Heading, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { GridForm } from "~/ui/parts/forms";
import { useMemo } from "react";
import { getFormProps, useForm } from "@conform-to/react";
import { Form, data, redirect } from "react-router";
import type { z } from "zod";
import type { Route } from "./+types/person";
import { useClass } from "../class-context";
import { personFormSchema, personOf, personValues } from "./person-form";
import { formOf, submissionOf } from "../../form";
import { audit } from "~/services/audit.server";
import { classOnce, classOr404, notFound } from "~/services/classes.server";
import { addPeople, savePerson } from "~/services/register.server";
import { removedOf, takeOff } from "~/services/privacy.server";
import { weighed } from "~/services/what-changes.server";
import { plan, plateChanges, withRegister } from "~/core/plan";
import { AskedFirst, WhatChanges, toldIn } from "~/ui/class/WhatChanges";
import { putBackDays } from "~/core/people";
import { database } from "~/db/client.server";
import { requireLead } from "~/services/session.server";
import { PersonFields } from "~/ui/people/PersonFields";
import { FormError, Primary, PrimaryLink, Secondary, TextLink } from "~/ui/parts/fields";
import { Fold, FoldTitle, Hidden } from "~/ui/parts/plain";
import { TypedGuard } from "~/ui/parts/TypedGuard";

export async function loader({ params, context }: Route.LoaderArgs) {
  requireLead(context);
  const { input } = await classOnce(context, params.classId);
  if (params.personId === "new" || input.people.some((person) => person.id === params.personId)) return { off: null };
  // Whoever was just taken off has a page for as long as the register can put them back: it says whom that touched.
  const off = (await removedOf(database(), params.classId)).find((one) => one.id === params.personId);
  if (!off) throw notFound("person");
  return { off: { id: off.id, name: off.name } };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const { input, meta } = await classOr404(params.classId);
  const account = requireLead(context);
  const isNew = params.personId === "new";
  const person = input.people.find((one) => one.id === params.personId);
  const form = await formOf(request);
  if (form.get("intent") === "remove" && person) {
    const after = withRegister(
      input,
      input.people.filter((one) => one !== person),
    );
    const { changes, asked } = await weighed(database(), form, input, after, { own: [person.id] });
    if (asked) return data({ asked }, { status: 409 });
    await takeOff(database(), params.classId, person, account.id);
    await audit(account.id, params.classId, "took a person off the register");
    const touched = changes.plates.filter((one) => one.participantId !== person.id);
    return touched.length + changes.kits.length > 0
      ? data({ changes: { ...changes, plates: touched } })
      : redirect(`/classes/${params.classId}/people?off=${params.personId}`);
  }
  const submission = submissionOf(form, { schema: personFormSchema });
  if (submission.status !== "success") return data(submission.reply(), { status: 400 });
  const values = personOf(submission.value, account.name, person);
  if (
    values.grownUpId !== undefined &&
    !input.people.some((one) => one.id === values.grownUpId && one.id !== person?.id)
  )
    return data(
      submission.reply({
        fieldErrors: { grownUpId: ["This grown-up is not on the register any more. Choose another, or nobody."] },
      }),
      { status: 400 },
    );
  const known = person?.id ?? "new";
  const edited = { ...values, id: known };
  const after = withRegister(
    input,
    person ? input.people.map((one) => (one === person ? edited : one)) : [...input.people, edited],
  );
  const { changes, asked } = await weighed(database(), form, input, after, { own: [known], isShownBefore: false });
  if (asked) return data({ asked }, { status: 409 });
  if (isNew) await addPeople(params.classId, [values], account.id);
  else {
    if (!person) throw notFound("person");
    const version = submission.value.version ?? meta.participantVersions[person.id] ?? 0;
    if (!(await savePerson(params.classId, person.id, version, values, account.id))) {
      return data(
        submission.reply({
          formErrors: [
            `Somebody changed ${person.name} while you were typing. Your words stand below; open the register in a second window to see theirs, then save again to replace them.`,
          ],
          fieldErrors: { version: [String(meta.participantVersions[person.id] ?? 0)] },
        }),
        { status: 409 },
      );
    }
    await audit(account.id, params.classId, "changed what a person declared");
  }
  return changes.plates.some((one) => one.participantId !== known) || changes.kits.length > 0
    ? data({ changes })
    : redirect(`/classes/${params.classId}/people`);
}

export default function Person({ params, actionData, loaderData }: Route.ComponentProps) {
  const { input, plan: now, meta, names, action: at } = useClass();
  const person = input.people.find((one) => one.id === params.personId);
  // What taking them off would do, said before the button.
  const without = useMemo(() => {
    if (!person) return { plates: [], kits: [] };
    const after = withRegister(
      input,
      input.people.filter((one) => one !== person),
    );
    const plates = plateChanges({ input, plan: now }, { input: after, plan: plan(after) });
    return { plates: plates.filter((one) => one.participantId !== person.id), kits: [] };
  }, [input, now, person]);
  const [form, fields] = useForm<z.input<typeof personFormSchema>>({
    lastResult: actionData && "initialValue" in actionData ? actionData : undefined,
    defaultValue: personValues(person, person && meta.participantVersions[person.id], person && meta.emails[person.id]),
  });
  const newer = fields.version.errors?.[0];
  const told = toldIn(actionData);
  if (told.changes || loaderData.off)
    return (
      <>
        <SheetHead>
          <Heading as="h2" size="xl">
            {loaderData.off ? `${loaderData.off.name} is off the register` : "Saved"}
          </Heading>
        </SheetHead>
        {told.changes ? <WhatChanges changes={told.changes} names={names} isDone /> : null}
        <HStack gap="3" wrap="wrap">
          <PrimaryLink to={`${at}/people${loaderData.off ? `?off=${loaderData.off.id}` : ""}`}>
            The register
          </PrimaryLink>
        </HStack>
      </>
    );
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          {person ? person.name : "Add a person"}
        </Heading>
        <SheetTools>
          <TextLink to="../people">Back to the register</TextLink>
        </SheetTools>
      </SheetHead>
      <AskedFirst asked={told.asked} names={names} button="Save it all the same" />
      <GridForm maxW="980px" method="post" {...getFormProps(form)}>
        <TypedGuard />
        <FormError title="Not saved" problems={form.errors ?? []} />
        <Hidden
          name="version"
          key={newer}
          defaultValue={newer ?? (person ? meta.participantVersions[person.id] : "")}
        />
        <PersonFields
          fields={fields}
          needs={fields.needs.getFieldList().map((row) => row.getFieldset())}
          grownUps={input.people
            .filter((one) => one.ageBand === "adult" && one.id !== person?.id)
            .map((one) => ({ value: one.id, label: one.name }))}
        />
        <HStack gap="3" wrap="wrap">
          <Primary>{person ? "Save" : "Add to the register"}</Primary>
        </HStack>
      </GridForm>
      {person ? (
        <Fold mt="6">
          <FoldTitle color="fg.muted" minH="11" alignContent="center">
            Take {person.name} off the register
          </FoldTitle>
          <Text fontSize="sm" color="fg.muted">
            {person.name} goes from every list, kit and sheet, with everything declared. For {putBackDays} days, or
            until this class’s health data is removed, the register can put {person.name} back; “What is kept” forgets
            at once and for good.
          </Text>
          <WhatChanges changes={without} names={names} isDone={false} />
          <Form method="post">
            <Secondary name="intent" value="remove">
              Take {person.name} off
            </Secondary>
          </Form>
        </Fold>
      ) : null}
    </>
  );
}
