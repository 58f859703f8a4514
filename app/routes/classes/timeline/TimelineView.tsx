import { Box, Heading, Span, Table, Text } from "@chakra-ui/react";
import { Columns, SheetHead, SheetTools } from "~/ui/parts/sheet";
import { ActionForm } from "~/ui/parts/forms";
import { Caution } from "~/ui/parts/recipe";
import { roomKindOf } from "~/core/people";
import { useMemo } from "react";
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
      <SheetHead>
        <Heading as="h2" size="xl">
          Run sheet
        </Heading>
        <SheetTools>
          <FileLink href={`${action}/timeline.csv`}>As a table (CSV)</FileLink>
          <FileLink href={`${action}/timeline.ics`}>For a calendar</FileLink>
        </SheetTools>
      </SheetHead>
      <Text layerStyle="needsYou">
        Not drawn: this class has {count} tables, and a run sheet is drawn for at most {mostTablesCompared}. Save it as
        a table, or put more people to a table in the <TextLink to={`${action}/brief`}>brief</TextLink>.
      </Text>
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
      <SheetHead>
        <Heading as="h2" size="xl">
          Run sheet
        </Heading>
        <Text>
          {slack >= 0 ? (
            <>
              Fits: {minutes(timeline.end, locale)} of {minutes(input.brief.minutes, locale)},{" "}
              <b>{minutes(slack, locale)} to spare</b>.
            </>
          ) : (
            <Span layerStyle="needsYou">Runs {minutes(-slack, locale)} over.</Span>
          )}{" "}
          First pour {at(timeline.firstPour)}, last piece {at(timeline.lastLoadEnd)}.
        </Text>
        <SheetTools>
          <TextLink to={`${action}/helpers`}>Cards for helpers</TextLink>
          <MoreMenu label="Export">
            <MenuFile href={`${action}/timeline.csv`}>As a table (CSV)</MenuFile>
            <MenuFile href={`${action}/timeline.ics`}>For a calendar</MenuFile>
          </MoreMenu>
          <PrintButton>Print</PrintButton>
          <PrimaryLink to={`${action}/teach`}>Teach this class</PrimaryLink>
        </SheetTools>
      </SheetHead>
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
      {holdsUp ? <Text>{holdsUp}</Text> : null}
      <Findings findings={plan.findings.filter((finding) => finding.stage === "timeline")} names={names} />
      <Columns split="wide-narrow">
        <WaysOut key={meta.version} input={input} ways={ways} version={meta.version} />
        <Box>
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
            <ActionForm _print={{ display: "none" }} method="post">
              <Hidden name="version" value={meta.version} />
              <Secondary name="intent" value="undo">
                Take back: {newest.what.slice(0, 60)}
              </Secondary>
            </ActionForm>
          ) : null}
        </Box>
      </Columns>
      <Columns split="wide-narrow" mt="6">
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
        <Box>
          <Table.Root native _print={{ display: "none" }}>
            <caption>Where the time goes</caption>
            <thead>
              <tr>
                <th scope="col">For the station that ends last</th>
                <th data-numeric scope="col">
                  Minutes
                </th>
              </tr>
            </thead>
            <tbody>
              {timeline.critical.map((part) => (
                <tr data-needs={part.kind === "queue" ? "" : undefined} key={part.kind}>
                  <td>{criticalWords[part.kind]}</td>
                  <td data-numeric>{minutes(part.minutes, locale)}</td>
                </tr>
              ))}
            </tbody>
          </Table.Root>
          <Heading as="h3" size="lg" mt="4.5" mb="1.5">
            Cautions to say aloud
          </Heading>
          {hazards.map((hazard) => (
            <Caution key={hazard}>{hazardWords[hazard]}</Caution>
          ))}
        </Box>
      </Columns>
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
