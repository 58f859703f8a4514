import { useClass } from "./class-context";
import type { Route } from "./+types/people";
import { accountOf } from "~/services/session.server";
import { audit } from "~/services/classes.server";
import { Findings } from "~/ui/class/Findings";
import { SettleBar } from "~/ui/class/SettleBar";
import { FileLink, TextLink } from "~/ui/sheet/controls";
import { needsInWords } from "~/ui/people/needs";
import { ageWords, roleWords } from "~/ui/words/en";
import { subjectsOf } from "~/ui/words/findings";
import { Heads } from "~/ui/sheet/Heads";

export async function loader({ params, context }: Route.LoaderArgs) {
  // Looking at what people declared is noted, as health data is.
  await audit(accountOf(context).id, params.classId, "opened the register").catch(() => undefined);
  return null;
}

export default function People() {
  const { input, plan, standings, names, action, isLead } = useClass();
  const nameOf = (id: string | undefined) => input.people.find((one) => one.id === id)?.name;
  const stationOf = (personId: string) => plan.stations.find((station) => station.people.includes(personId))?.name;
  return (
    <>
      <div className="sheet-head">
        <h2>The register</h2>
        <div className="tools">
          {isLead ? (
            <>
              <TextLink to="new">Add a person</TextLink>
              <TextLink to="import">Bring in a list</TextLink>
              <TextLink to="intake">Ask for answers</TextLink>
            </>
          ) : null}
          <TextLink to="seats">Seats</TextLink>
          <TextLink to="turns">Turns</TextLink>
          {isLead ? (
            <>
              <TextLink to="privacy">What is kept</TextLink>
              <FileLink href={`${action}/people.csv`}>CSV</FileLink>
            </>
          ) : null}
          <TextLink to="../brief">Back to the brief</TextLink>
        </div>
      </div>
      <Findings findings={plan.findings.filter((finding) => finding.stage === "brief")} names={names} />
      {input.people.length === 0 ? (
        <p>
          Nobody yet. <TextLink to="new">Add the first person</TextLink> or{" "}
          <TextLink to="import">bring in a list</TextLink> from a spreadsheet.
        </p>
      ) : (
        <div className="scroll-x" tabIndex={0} role="group" aria-label="Register">
          <table className="ruled">
            <Heads of={["Name", "Age", "Does", "Station", "Must or wants to avoid"]} />
            <tbody>
              {input.people.map((person) => (
                <tr key={person.id} className={person.hasAnswered ? undefined : "needs"}>
                  <td>
                    {isLead ? <TextLink to={person.id}>{person.name}</TextLink> : person.name}
                    {person.grownUpId ? (
                      <div className="small quiet">with {nameOf(person.grownUpId) ?? "a grown-up"}</div>
                    ) : null}
                    {person.note ? <div className="small quiet">{person.note}</div> : null}
                  </td>
                  <td>{ageWords[person.ageBand]}</td>
                  <td>{roleWords[person.role]}</td>
                  <td>{stationOf(person.id) ?? <span className="quiet">none</span>}</td>
                  <td>
                    {person.hasAnswered ? (
                      needsInWords(person) || (person.words ? null : <span className="quiet">nothing declared</span>)
                    ) : (
                      <span className="needs-you">not answered</span>
                    )}
                    {person.isContested ? <div className="needs-you">answered twice: compare</div> : null}
                    {person.words ? (
                      <div className={person.words.readBy === null ? "needs-you" : "small quiet"}>
                        “{person.words.text}”{person.words.readBy === null ? " (not read yet)" : ""}
                      </div>
                    ) : null}
                    {person.emergency ? <div className="small quiet">medicine and plan: {person.emergency}</div> : null}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
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
