import { roomKindOf } from "~/core/people";
import { useMemo } from "react";
import { Form } from "react-router";
import { useClass } from "../class-context";
import {
  heatsOf,
  holdUpOf,
  isCompared,
  mostTablesCompared,
  movableLoads,
  reasonsOf,
  recipesMade,
  watchesOf,
  waysOut,
  wishCost,
} from "~/core/plan";
import { Findings } from "~/ui/class/Findings";
import { SettleBar } from "~/ui/class/SettleBar";
import { clock, minutes } from "~/ui/format/format";
import { BetterOrder } from "~/ui/schedule/BetterOrder";
import { ByTheMinute } from "~/ui/schedule/ByTheMinute";
import { Lanes } from "~/ui/schedule/Lanes";
import { PinnedBells } from "~/ui/schedule/PinnedBells";
import { WaysOut } from "~/ui/schedule/WaysOut";
import { FileLink, PrimaryLink, Secondary, TextLink } from "~/ui/parts/fields";
import { MenuFile, MoreMenu } from "~/ui/parts/Menu";
import { Hidden } from "~/ui/parts/plain";
import { type Answer, Told } from "~/ui/parts/Told";
import { AskedFirst, WhatChanges } from "~/ui/class/WhatChanges";
import { PrintButton } from "~/ui/parts/PrintButton";
import { useLocale } from "~/ui/sheet/locale";
import { criticalWords, hazardWords } from "~/ui/words/en";
import { subjectsOf } from "~/ui/words/findings";
import { adultName, sayHoldUp, unitNames } from "~/ui/words/timeline";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

interface Props {
  /** The newest change that can be taken back. */
  readonly newest?: { readonly what: string } | undefined;
  /** What came of the last press. */
  readonly told?: Answer | undefined;
}

/** The run sheet, or, of more tables than anybody reads on one, a sentence and the way to have it all the same. */
export function TimelineView(props: Props) {
  const { plan, names, action } = useClass();
  const count = plan.stations.length;
  if (isCompared(plan)) return <RunSheet {...props} />;
  return (
    <>
      <div className={parts.sheet.head}>
        <h2>Run sheet</h2>
        <div className={parts.sheet.tools}>
          <FileLink href={`${action}/timeline.csv`}>As a table (CSV)</FileLink>
          <FileLink href={`${action}/timeline.ics`}>For a calendar</FileLink>
        </div>
      </div>
      <p className={look("needs-you")}>
        Not drawn: this class has {count} tables, and a run sheet is drawn for at most {mostTablesCompared}. Save it as
        a table, or put more people to a table in the <TextLink to={`${action}/brief`}>brief</TextLink>.
      </p>
      <Findings findings={plan.findings.filter((finding) => finding.stage === "timeline")} names={names} />
    </>
  );
}

/** Bells with what to say, lanes for who does what, and what the time goes into. */
function RunSheet({ newest, told }: Props) {
  const { input, plan, meta, standings, names, action } = useClass();
  const locale = useLocale();
  const { timeline } = plan;
  const at = (after: number) => clock(input.startsAt, input.timeZone, after, locale);
  const slack = input.brief.minutes - timeline.end;
  const ways = useMemo(() => waysOut(input, plan), [input, plan]);
  const held = useMemo(() => holdUpOf(input, plan), [input, plan]);
  const wish = useMemo(() => wishCost(input, plan), [input, plan]);
  const { unitAt } = unitNames(timeline, names);
  const holdsUp = sayHoldUp(held, { unit: unitAt, station: names.station, step: names.step, at }, locale);
  const hazards = [...new Set(plan.dishes.flatMap((dish) => dish.recipe.steps.flatMap((step) => step.hazards)))];
  return (
    <>
      <div className={parts.sheet.head}>
        <h2>Run sheet</h2>
        <p>
          {slack >= 0 ? (
            <>
              Fits: {minutes(timeline.end, locale)} of {minutes(input.brief.minutes, locale)},{" "}
              <b>{minutes(slack, locale)} to spare</b>.
            </>
          ) : (
            <span className={look("needs-you")}>Runs {minutes(-slack, locale)} over.</span>
          )}{" "}
          First pour {at(timeline.firstPour)}, last piece {at(timeline.lastLoadEnd)}.
        </p>
        <div className={parts.sheet.tools}>
          <TextLink to={`${action}/helpers`}>Cards for helpers</TextLink>
          <MoreMenu label="Export">
            <MenuFile href={`${action}/timeline.csv`}>As a table (CSV)</MenuFile>
            <MenuFile href={`${action}/timeline.ics`}>For a calendar</MenuFile>
          </MoreMenu>
          <PrintButton>Print</PrintButton>
          <PrimaryLink to={`${action}/teach`}>Teach this class</PrimaryLink>
        </div>
      </div>
      <Told told={told} />
      <AskedFirst asked={told?.asked} names={names} button="Do it all the same" />
      {told?.changes ? <WhatChanges changes={told.changes} names={names} isDone /> : null}
      <Lanes
        timeline={timeline}
        stations={plan.stations}
        startsAt={input.startsAt}
        timeZone={input.timeZone}
        available={input.brief.minutes}
        roundName={names.round}
        chain={new Set(held.links.map((link) => link.taskId))}
        reasons={reasonsOf(input, plan)}
        adults={watchesOf(input, plan)
          .map(({ tasks }, index) => ({ name: adultName(input, index), tasks }))
          .filter(({ tasks }) => tasks.length > 0)}
      />
      {holdsUp ? <p>{holdsUp}</p> : null}
      <Findings findings={plan.findings.filter((finding) => finding.stage === "timeline")} names={names} />
      <div className={parts.sheet.of({ split: "wide-narrow" }).columns}>
        <WaysOut key={meta.version} input={input} ways={ways} version={meta.version} />
        <div>
          <BetterOrder
            input={input}
            timeline={timeline}
            version={meta.version}
            stations={plan.stations}
            wish={wish}
            loads={movableLoads(input, plan)}
          />
          <PinnedBells
            pins={input.pins ?? []}
            timeline={timeline}
            startsAt={input.startsAt}
            timeZone={input.timeZone}
            version={meta.version}
          />
          {newest ? (
            <Form method="post" className={look("actions", "no-print")}>
              <Hidden name="version" value={meta.version} />
              <Secondary name="intent" value="undo">
                Take back: {newest.what.slice(0, 60)}
              </Secondary>
            </Form>
          ) : null}
        </div>
      </div>
      <div className={look(parts.sheet.of({ split: "wide-narrow" }).columns, "above-l")}>
        <ByTheMinute
          timeline={timeline}
          startsAt={input.startsAt}
          timeZone={input.timeZone}
          names={names}
          aims={input.brief.aims}
          isAlong={input.brief.demo === "along"}
          room={roomKindOf(input.brief)}
          recipes={recipesMade(plan)}
          heats={heatsOf(input, plan)}
        />
        <div>
          <table className={look("ruled", "no-print")}>
            <caption>Where the time goes</caption>
            <thead>
              <tr>
                <th scope="col">For the station that ends last</th>
                <th scope="col" className={look("n")}>
                  Minutes
                </th>
              </tr>
            </thead>
            <tbody>
              {timeline.critical.map((part) => (
                <tr key={part.kind} className={part.kind === "queue" ? look("needs") : undefined}>
                  <td>{criticalWords[part.kind]}</td>
                  <td className={look("n")}>{minutes(part.minutes, locale)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <h3 className={look("above-m", "below-xs")}>Cautions to say aloud</h3>
          {hazards.map((hazard) => (
            <p className={look("caution")} key={hazard}>
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
