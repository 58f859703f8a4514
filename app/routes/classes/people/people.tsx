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
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

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
      <div className={parts.sheet.head}>
        <h2>The register</h2>
        <div className={parts.sheet.tools}>
          <TextLink to="seats">Seats</TextLink>
          {isLead ? <TextLink to="intake">Ask for answers</TextLink> : null}
          <MoreMenu label="More">
            <MenuLink to={`${action}/people/turns`}>Turns</MenuLink>
            {isLead ? (
              <>
                <MenuLink to={`${action}/people/import`}>Bring in a list</MenuLink>
                <MenuLink to={`${action}/people/privacy`}>What is kept</MenuLink>
                <MenuRule />
                <MenuFile href={`${action}/people.csv`}>Save as a table (CSV)</MenuFile>
              </>
            ) : null}
          </MoreMenu>
          {isLead ? <PrimaryLink to="new">Add a person</PrimaryLink> : null}
        </div>
      </div>
      <Findings findings={plan.findings.filter((finding) => finding.stage === "brief")} names={names} />
      {input.people.length === 0 ? (
        <p>
          Nobody yet. <TextLink to="new">Add the first person</TextLink> or{" "}
          <TextLink to="import">bring in a list</TextLink> from a spreadsheet.
        </p>
      ) : (
        <div className={look("scroll-x")} tabIndex={0} role="group" aria-label="Register">
          <table className={look("ruled", "stacks")}>
            <Heads of={["Name", "Age", "Does", "Station", "Must or wants to avoid"]} />
            <tbody>
              {input.people.map((person) => (
                <tr key={person.id} className={person.hasAnswered ? undefined : look("needs")}>
                  <td>
                    {isLead ? <TextLink to={person.id}>{person.name}</TextLink> : person.name}
                    {person.grownUpId ? (
                      <div className={look("small", "quiet")}>with {nameOf(person.grownUpId) ?? "a grown-up"}</div>
                    ) : null}
                    {person.note ? <div className={look("small", "quiet")}>{person.note}</div> : null}
                  </td>
                  <td>{ageWords[person.ageBand]}</td>
                  <td>{roleWords[person.role]}</td>
                  <td>{stationOf(person.id) ?? <span className={look("quiet")}>none</span>}</td>
                  <td className={look("stacks-whole")}>
                    {person.hasAnswered ? (
                      needsInWords(person, locale) ||
                      (person.words ? null : <span className={look("quiet")}>nothing declared</span>)
                    ) : (
                      <span className={look("needs-you")}>not answered</span>
                    )}
                    {person.isContested ? <div className={look("needs-you")}>answered twice: compare</div> : null}
                    {person.words ? (
                      <div className={person.words.readBy === null ? look("needs-you") : look("small", "quiet")}>
                        “{person.words.text}”{person.words.readBy === null ? " (not read yet)" : ""}
                      </div>
                    ) : null}
                    {person.emergency ? (
                      <div className={look("small", "quiet")}>medicine and plan: {person.emergency}</div>
                    ) : null}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
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
          <FoldTitle className={look("quiet")}>Taken off the register ({loaderData.removed.length})</FoldTitle>
          <table className={look("ruled")}>
            <Heads of={["Name", "Taken off", ""]} />
            <tbody>
              {loaderData.removed.map((one) => (
                <tr key={one.id}>
                  <td>{one.name}</td>
                  <td className={look("small", "quiet")}>{moment(one.removedAt, locale, input.timeZone)}</td>
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
          </table>
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
