import { RuledTable } from "~/ui/parts/tables";
import { Box, Heading, Table, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { ScrollArea } from "~/ui/parts/forms";
import { Form, data, useSearchParams } from "react-router";
import { z } from "zod";
import { useClass } from "../class-context";
import type { Route } from "./+types/people";
import { formOf, submissionOf } from "../../form";
import { database } from "~/db/client.server";
import { accountOf, requireLead } from "~/services/session.server";
import { audit } from "~/services/audit.server";
import { classOnce, classOr404 } from "~/services/classes.server";
import { putBack, removedOf } from "~/services/privacy.server";
import { Findings } from "~/ui/class/Findings";
import { SettleBar } from "~/ui/class/SettleBar";
import { FormError, PrimaryLink, Secondary, TextLink } from "~/ui/parts/fields";
import { moment } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import { needsInWords } from "~/ui/people/needs";
import { ageWords, roleWords } from "~/ui/words/en";
import { subjectsOf } from "~/ui/words/findings";
import { Heads } from "~/ui/sheet/Heads";
import { Fold, FoldTitle, Hidden } from "~/ui/parts/plain";
import { Undo } from "~/ui/parts/Undo";
import { MenuFile, MenuLink, MenuRule, MoreMenu } from "~/ui/parts/Menu";

export async function loader({ params, context }: Route.LoaderArgs) {
  // Looking at what people declared is noted, as health data is.
  const account = accountOf(context);
  await classOnce(context, params.classId);
  return { removed: account.role === "lead" ? await removedOf(database(), params.classId) : [] };
}

const schema = z.object({ intent: z.literal("put-back"), person: z.uuid() });

export async function action({ request, params, context }: Route.ActionArgs) {
  const account = requireLead(context);
  await classOr404(params.classId);
  const submission = submissionOf(await formOf(request), { schema });
  if (submission.status !== "success") return data(submission.reply(), { status: 400 });
  const name = await putBack(database(), params.classId, submission.value.person, account.id);
  if (name === undefined)
    return data(
      submission.reply({
        formErrors: ["Nobody is there to put back: somebody did it before you, or the days are over."],
      }),
      { status: 409 },
    );
  await audit(account.id, params.classId, "put a person back on the register");
  return null;
}

export default function People({ loaderData, actionData }: Route.ComponentProps) {
  const { input, plan, standings, names, action, isLead } = useClass();
  const locale = useLocale();
  const [asked] = useSearchParams();
  const off = loaderData.removed.find((one) => one.id === asked.get("off"));
  const nameOf = (id: string | undefined) => input.people.find((one) => one.id === id)?.name;
  const stationOf = (personId: string) => plan.stations.find((station) => station.people.includes(personId))?.name;
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          The register
        </Heading>
        <SheetTools>
          <TextLink to="seats">Seats</TextLink>
          {isLead ? <TextLink to="intake">Ask for answers</TextLink> : null}
          <MoreMenu label="More">
            <MenuLink to={`${action}/people/turns`}>Turns</MenuLink>
            {isLead ? (
              <>
                <MenuLink to={`${action}/people/import`}>Import a list</MenuLink>
                <MenuLink to={`${action}/people/privacy`}>What is kept</MenuLink>
                <MenuRule />
                <MenuFile href={`${action}/people.csv`}>Save as a table (CSV)</MenuFile>
              </>
            ) : null}
          </MoreMenu>
          {isLead ? <PrimaryLink to="new">Add a person</PrimaryLink> : null}
        </SheetTools>
      </SheetHead>
      <Findings findings={plan.findings.filter((finding) => finding.stage === "brief")} names={names} />
      {input.people.length === 0 ? (
        <Text>
          Nobody yet. <TextLink to="new">Add the first person</TextLink> or{" "}
          <TextLink to="import">import a list</TextLink> from a spreadsheet.
        </Text>
      ) : (
        <ScrollArea tabIndex={0} role="group" aria-label="Register">
          <RuledTable kind="stacked">
            <Heads of={["Name", "Age", "Does", "Station", "Must or wants to avoid"]} />
            <tbody>
              {input.people.map((person) => (
                <tr data-needs={!person.hasAnswered ? "" : undefined} key={person.id}>
                  <td>
                    {isLead ? <TextLink to={person.id}>{person.name}</TextLink> : person.name}
                    {person.grownUpId ? (
                      <div data-small data-quiet>
                        with {nameOf(person.grownUpId) ?? "a grown-up"}
                      </div>
                    ) : null}
                    {person.note ? (
                      <div data-small data-quiet>
                        {person.note}
                      </div>
                    ) : null}
                  </td>
                  <td>{ageWords[person.ageBand]}</td>
                  <td>{roleWords[person.role]}</td>
                  <td>{stationOf(person.id) ?? <span data-quiet>none</span>}</td>
                  <td data-whole>
                    {person.hasAnswered ? (
                      needsInWords(person, locale) || (person.words ? null : <span data-quiet>nothing declared</span>)
                    ) : (
                      <span data-alert>not answered</span>
                    )}
                    {person.isContested ? <div data-alert>answered twice: compare</div> : null}
                    {person.words ? (
                      <Box
                        layerStyle={person.words.readBy === null ? "needsYou" : undefined}
                        fontSize={!(person.words.readBy === null) ? "sm" : undefined}
                        color={!(person.words.readBy === null) ? "fg.muted" : undefined}
                      >
                        “{person.words.text}”{person.words.readBy === null ? " (not read yet)" : ""}
                      </Box>
                    ) : null}
                    {person.emergency ? (
                      <div data-small data-quiet>
                        medicine and plan: {person.emergency}
                      </div>
                    ) : null}
                  </td>
                </tr>
              ))}
            </tbody>
          </RuledTable>
        </ScrollArea>
      )}
      {off ? (
        <Undo
          id={`person ${off.id}`}
          said={`${off.name} is off the register.`}
          back="Put back"
          action={`${action}/people`}
          fields={{ intent: "put-back", person: off.id }}
        />
      ) : null}
      <FormError title="Not put back" problems={actionData?.error?.[""] ?? []} />
      {loaderData.removed.length > 0 ? (
        <Fold>
          <FoldTitle color="fg.muted" minH="11" alignContent="center">
            Taken off the register ({loaderData.removed.length})
          </FoldTitle>
          <Table.Root native>
            <Heads of={["Name", "Taken off", ""]} />
            <tbody>
              {loaderData.removed.map((one) => (
                <tr key={one.id}>
                  <td>{one.name}</td>
                  <td data-small data-quiet>
                    {moment(one.removedAt, locale, input.timeZone)}
                  </td>
                  <td>
                    <Form method="post">
                      <Hidden name="intent" value="put-back" />
                      <Hidden name="person" value={one.id} />
                      <Secondary>Put {one.name} back</Secondary>
                    </Form>
                  </td>
                </tr>
              ))}
            </tbody>
          </Table.Root>
        </Fold>
      ) : null}
      <SettleBar
        stage="brief"
        standing={standings.brief}
        timeZone={input.timeZone}
        subjectOf={subjectsOf(input)}
        action={action}
      />
    </>
  );
}
