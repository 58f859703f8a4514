import { Alert, Box, Fieldset, HStack, Heading, List, Table, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { ActionForm, GridForm } from "~/ui/parts/forms";
import { ColumnChoice } from "~/ui/parts/people";
import { data, redirect } from "react-router";
import type { Route } from "./+types/people-import";
import { formOf, textOf } from "../../form";
import { type PeopleColumn, matchColumns, peopleColumns, readPeopleCsv } from "~/formats/people-csv";
import { audit } from "~/services/audit.server";
import { classOr404 } from "~/services/classes.server";
import { addPeople } from "~/services/register.server";
import { requireLead } from "~/services/session.server";
import { Choice, Primary, Secondary, TextLink } from "~/ui/parts/fields";
import { FileOrText } from "~/ui/parts/FileOrText";
import { useLocale } from "~/ui/sheet/locale";
import { needsInWords } from "~/ui/people/needs";
import { ageWords, roleWords } from "~/ui/words/en";
import { Heads } from "~/ui/sheet/Heads";
import { Hidden } from "~/ui/parts/plain";
import { withRegister } from "~/core/plan";
import { database } from "~/db/client.server";
import { weighed } from "~/services/what-changes.server";
import { AskedFirst, WhatChanges, toldIn } from "~/ui/class/WhatChanges";
import { useClass } from "../class-context";
import { people } from "~/ui/format/format";

export function loader({ context }: Route.LoaderArgs) {
  requireLead(context);
  return null;
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const account = requireLead(context);
  const { input } = await classOr404(params.classId);
  const form = await formOf(request);
  const text = await textOf(form, "file", "text");
  const { headers, match: guessed } = matchColumns(text);
  // Chosen columns count only for the file they were chosen for.
  // A browser sends line ends of its own.
  const sent = form.get("headers");
  const isChosen = typeof sent === "string" && sent.replace(/\r\n?/g, "\n") === headers.join("\n");
  const match = isChosen
    ? Object.fromEntries(
        peopleColumns.flatMap((column): [PeopleColumn, string][] => {
          const head = form.get(`column-${column}`);
          return typeof head === "string" && headers.includes(head) ? [[column, head]] : [];
        }),
      )
    : guessed;
  const read = readPeopleCsv(text, match);
  if (!read.ok) return data({ text, read, headers, match, twice: [] }, { status: 400 });
  const known = new Set(input.people.map((person) => person.name.toLowerCase()));
  const twice = read.people
    .filter(
      (person, index) =>
        known.has(person.name.toLowerCase()) ||
        read.people.findIndex((one) => one.name.toLowerCase() === person.name.toLowerCase()) !== index,
    )
    .map((person) => person.name);
  const intent = form.get("intent");
  if (intent !== "add" && intent !== "add-new") return data({ text, read, headers, match, twice });
  // Left out: whoever is on the register already, and the second of two in the list.
  const names = new Set(known);
  const wanted =
    intent === "add"
      ? read.people
      : read.people.filter((person) => {
          const name = person.name.toLowerCase();
          return !names.has(name) && Boolean(names.add(name));
        });
  // A child whose grown-up is left out here belongs to the one of that name on the register.
  const nameOfRow = new Map(read.people.map((person) => [person.id, person.name.toLowerCase()]));
  const idOf = new Map(input.people.map((person) => [person.name.toLowerCase(), person.id]));
  const comes = new Set(wanted.map((person) => person.id));
  const placed = wanted.map(({ grownUpId, ...person }) => {
    const grownUp =
      grownUpId === undefined || comes.has(grownUpId) ? grownUpId : idOf.get(nameOfRow.get(grownUpId) ?? "");
    return grownUp === undefined ? person : { ...person, grownUpId: grownUp };
  });
  const after = withRegister(input, [...input.people, ...placed.map((one) => ({ ...one, id: `come ${one.id}` }))]);
  const { changes, asked } = await weighed(database(), form, input, after, {
    own: placed.map((one) => `come ${one.id}`),
    isShownBefore: false,
  });
  if (asked) return data({ asked }, { status: 409 });
  if (wanted.length > 0) await addPeople(params.classId, placed, account.id);
  await audit(account.id, params.classId, "brought in a list of people");
  const others = changes.plates.filter((one) => !one.participantId.startsWith("come "));
  return others.length + changes.kits.length > 0
    ? data({ changes: { ...changes, plates: others } })
    : redirect(`/classes/${params.classId}/people`);
}

type Matched = Readonly<Partial<Record<PeopleColumn, string>>>;

const sayRows = (count: number): string =>
  count === 1 ? "One row cannot be read and stays out" : `${count} rows cannot be read and stay out`;

export default function PeopleImport({ actionData }: Route.ComponentProps) {
  const locale = useLocale();
  const { names } = useClass();
  const told = toldIn(actionData);
  const looked = actionData && "read" in actionData ? actionData : undefined;
  const read = looked?.read;
  return (
    <>
      {told.changes ? (
        <>
          <Alert.Root as="p" status="info" role="status">
            They are on the register.
          </Alert.Root>
          <WhatChanges changes={told.changes} names={names} isDone />
        </>
      ) : null}
      <AskedFirst asked={told.asked} names={names} button="Import them all the same" />
      <SheetHead>
        <Heading as="h2" size="xl">
          Import a list of people
        </Heading>
        <SheetTools>
          <TextLink to="../people">Back to the register</TextLink>
        </SheetTools>
      </SheetHead>
      {read && read.problems.length > 0 ? (
        <Alert.Root status="error" role="alert">
          <b>
            {read.ok
              ? `${sayRows(new Set(read.problems.map((problem) => problem.row)).size)}; the others can come in now.`
              : `Nobody was imported. ${read.problems.length === 1 ? "One thing is" : `${read.problems.length} things are`} not right:`}
          </b>
          <List.Root>
            {read.problems.slice(0, 30).map((problem) => (
              <li key={`${problem.row} ${problem.column}`}>
                Row {problem.row}, {problem.column}: {problem.sentence}
              </li>
            ))}
          </List.Root>
        </Alert.Root>
      ) : null}
      {read?.ok ? (
        <Box as="section">
          <Heading as="h3" size="lg">
            {people(read.people.length)}, as understood
          </Heading>
          {looked && looked.twice.length > 0 ? (
            <Text layerStyle="needsYou">
              On the list already, or twice: {looked.twice.join(", ")}. Leave them out, or they are added again.
            </Text>
          ) : null}
          <Table.Root native>
            <Heads of={["Name", "Age", "Does", "Must or wants to avoid"]} />
            <tbody>
              {read.people.map((person, index) => (
                <tr key={index}>
                  <td>
                    {person.name}
                    {person.grownUpId ? (
                      <div data-small data-quiet>
                        with {read.people.find((one) => one.id === person.grownUpId)?.name}
                      </div>
                    ) : null}
                  </td>
                  <td>{ageWords[person.ageBand]}</td>
                  <td>{roleWords[person.role]}</td>
                  <td>
                    {person.hasAnswered ? (
                      needsInWords(person, locale) || (person.words ? null : "nothing declared")
                    ) : (
                      <span data-alert>not answered</span>
                    )}
                    {person.words ? <div data-alert>“{person.words.text}” (to be read)</div> : null}
                    {person.emergency ? (
                      <div data-small data-quiet>
                        {person.emergency}
                      </div>
                    ) : null}
                  </td>
                </tr>
              ))}
            </tbody>
          </Table.Root>
          <ActionForm pt="3.5" pb="7" method="post">
            <Hidden name="text" value={looked?.text} />
            <Hidden name="headers" value={looked?.headers.join("\n")} />
            {peopleColumns.map((column) => (
              <Hidden
                key={column}
                name={`column-${column}`}
                value={(looked?.match as Matched | undefined)?.[column] ?? ""}
              />
            ))}
            {looked && looked.twice.length > 0 ? (
              <>
                <Primary name="intent" value="add-new">
                  Add only those who are not on the list
                </Primary>
                <Secondary name="intent" value="add">
                  Add these {people(read.people.length)}
                </Secondary>
              </>
            ) : (
              <Primary name="intent" value="add">
                Add these {read.people.length} people
              </Primary>
            )}
          </ActionForm>
        </Box>
      ) : null}
      <GridForm maxW="860px" method="post" encType="multipart/form-data">
        <Text>
          A CSV file, or rows copied from a spreadsheet. The first row names the columns:{" "}
          <b>{peopleColumns.join(", ")}</b>, or what you call them: you see how it was read before anybody is added.
          Only <b>name</b> must be there. Under <b>avoids</b> write “milk: allergy; egg: intolerance”.
        </Text>
        <FileOrText accept=".csv,text/csv,text/plain" label="Or paste the rows here" typed={looked?.text} />
        {looked && looked.headers.length > 0 ? (
          <Fieldset.Root>
            <Fieldset.Legend>Which column is which</Fieldset.Legend>
            <Hidden name="headers" value={looked.headers.join("\n")} />
            <ColumnChoice key={looked.headers.join()}>
              {peopleColumns.map((column) => (
                <label key={column}>
                  <b>{column}</b>
                  <Choice
                    name={`column-${column}`}
                    defaultValue={(looked.match as Matched)[column] ?? ""}
                    options={looked.headers.map((header) => ({ value: header, label: header }))}
                    empty="not in this list"
                  />
                </label>
              ))}
            </ColumnChoice>
          </Fieldset.Root>
        ) : null}
        <HStack gap="3" wrap="wrap">
          <Secondary name="intent" value="preview">
            Show me how you read it
          </Secondary>
        </HStack>
      </GridForm>
    </>
  );
}
