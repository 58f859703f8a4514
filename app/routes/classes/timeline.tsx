import { useClass } from "./class-context";
import { Findings } from "~/ui/class/Findings";
import { SettleBar } from "~/ui/class/SettleBar";
import { clock, minutes } from "~/ui/format/format";
import { Lanes } from "~/ui/schedule/Lanes";
import { PrimaryLink } from "~/ui/parts/fields";
import { PrintButton } from "~/ui/parts/PrintButton";
import { useLocale } from "~/ui/sheet/locale";
import { bellInstruction, bellWords, criticalWords, hazardWords } from "~/ui/words/en";
import { subjectsOf } from "~/ui/words/findings";
import { Heads } from "~/ui/sheet/Heads";
import { MenuFile, MoreMenu } from "~/ui/parts/Menu";

/** The run sheet: bells with what to say, lanes for who does what, and what the time goes into. */
export default function TimelinePage() {
  const { input, plan, standings, names, action } = useClass();
  const locale = useLocale();
  const { timeline } = plan;
  const at = (after: number) => clock(input.startsAt, input.timeZone, after, locale);
  const slack = input.brief.minutes - timeline.end;
  const hazards = [...new Set(plan.dishes.flatMap((dish) => dish.recipe.steps.flatMap((step) => step.hazards)))];
  return (
    <>
      <div className="sheet-head">
        <h2>Run sheet</h2>
        <p>
          {slack >= 0 ? (
            <>
              Fits: {minutes(timeline.end, locale)} of {minutes(input.brief.minutes, locale)},{" "}
              <b>{minutes(slack, locale)} to spare</b>.
            </>
          ) : (
            <span className="needs-you">Runs {minutes(-slack, locale)} over.</span>
          )}{" "}
          First pour {at(timeline.firstPour)}, last piece {at(timeline.lastLoadEnd)}.
        </p>
        <div className="tools">
          <MoreMenu label="Export">
            <MenuFile href={`${action}/timeline.csv`}>As a table (CSV)</MenuFile>
            <MenuFile href={`${action}/timeline.ics`}>For a calendar</MenuFile>
          </MoreMenu>
          <PrintButton>Print</PrintButton>
          <PrimaryLink to={`${action}/teach`}>Teach this class</PrimaryLink>
        </div>
      </div>
      <Lanes
        timeline={timeline}
        stations={plan.stations}
        startsAt={input.startsAt}
        timeZone={input.timeZone}
        available={input.brief.minutes}
      />
      <Findings findings={plan.findings.filter((finding) => finding.stage === "timeline")} names={names} />
      <div className="columns wide-narrow" style={{ marginTop: 28 }}>
        <table className="ruled">
          <caption>Bells</caption>
          <Heads of={["Time", "Bell", "What the room does", { n: "Until the next" }]} />
          <tbody>
            {timeline.bells.map((bell, index) => (
              <tr key={bell.id}>
                <td className="n" style={{ textAlign: "left" }}>
                  <b>{at(bell.at)}</b>
                </td>
                <td>{bellWords[bell.kind]}</td>
                <td>{bellInstruction[bell.kind]}</td>
                <td className="n">
                  {timeline.bells[index + 1] ? minutes((timeline.bells[index + 1]?.at ?? 0) - bell.at, locale) : ""}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <div>
          <table className="ruled">
            <caption>Where the time goes</caption>
            <thead>
              <tr>
                <th scope="col">For the station that ends last</th>
                <th scope="col" className="n">
                  Minutes
                </th>
              </tr>
            </thead>
            <tbody>
              {timeline.critical.map((part) => (
                <tr key={part.kind} className={part.kind === "queue" ? "needs" : undefined}>
                  <td>{criticalWords[part.kind]}</td>
                  <td className="n">{minutes(part.minutes, locale)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <h3 style={{ margin: "18px 0 4px" }}>Cautions to say aloud</h3>
          {hazards.map((hazard) => (
            <p className="caution" key={hazard}>
              {hazardWords[hazard]}
            </p>
          ))}
        </div>
      </div>
      <SettleBar
        stage="timeline"
        standing={standings.timeline}
        timeZone={input.timeZone}
        subjectOf={subjectsOf(input)}
        action={action}
      />
    </>
  );
}
