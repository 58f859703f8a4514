import { Heading, List, Text } from "@chakra-ui/react";
import { Columns, SheetHead, SheetTools } from "~/ui/parts/sheet";
import { Caution } from "~/ui/parts/recipe";
import { data, redirect } from "react-router";
import { formOf } from "../../form";
import { useClass } from "../class-context";
import { openingsOf, setApart } from "~/core/plan";
import type { Route } from "./+types/allergies";
import { classOnce, classOr404 } from "~/services/classes.server";
import { decisionsOf, signAllergies } from "~/services/decisions.server";
import { accountOf, requireLead } from "~/services/session.server";
import { Decide } from "~/ui/allergen/Decide";
import { ItemTable, PlateTable } from "~/ui/allergen/Tables";
import { Findings } from "~/ui/class/Findings";
import { SettleBar } from "~/ui/class/SettleBar";
import { TextLink } from "~/ui/parts/fields";
import { closingCaution } from "~/ui/words/en";
import { subjectsOf } from "~/ui/words/findings";
import { decisionWords, openingWords, sayExposure } from "~/ui/words/people";
import { MenuLink, MoreMenu } from "~/ui/parts/Menu";

export async function loader({ params, context }: Route.LoaderArgs) {
  await classOnce(context, params.classId);
  return { decisions: await decisionsOf(params.classId) };
}

/** Signs the table with a decision for each thing that stands open, or says that some are missing and changes nothing. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  requireLead(context);
  const form = Object.fromEntries(await formOf(request));
  const open = await signAllergies(form, input, params.classId, accountOf(context).id);
  if (open) return data({ open: open.length, typed: form }, { status: 409 });
  return redirect(`/classes/${params.classId}/allergies`);
}

export default function Allergies({ loaderData, actionData }: Route.ComponentProps) {
  const { input, plan, standings, names, action, isLead } = useClass();
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          Allergy table
        </Heading>
        <Text color="fg.muted">
          Every person against batter, pan fat, toppings, food brought along and what reaches them over the room.
        </Text>
        <SheetTools>
          <TextLink to={`${action}/allergies/matrix`}>Every person, every item</TextLink>
          <TextLink to={`${action}/allergies/brought/new`}>Food brought along</TextLink>
          <MoreMenu label="Sheets">
            <MenuLink to={`${action}/day-sheet/wall`}>Wall sheet</MenuLink>
            {isLead ? <MenuLink to={`${action}/day-sheet/folder`}>Folder sheet</MenuLink> : null}
          </MoreMenu>
        </SheetTools>
      </SheetHead>
      <Findings
        findings={plan.findings.filter(
          (finding) =>
            finding.stage === "allergies" &&
            !["cannot-eat", "may-not-eat", "plate-unknown", "contact-reaches"].includes(finding.code),
        )}
        names={names}
      />
      <Columns split="wide-narrow">
        <PlateTable
          people={input.people}
          plates={plan.plates}
          stations={plan.stations}
          names={names}
          base={action}
          sayWay={(exposure) => sayExposure(exposure, input, plan, names)}
        />
        <ItemTable input={input} plan={plan} names={names} base={action} />
      </Columns>
      <Caution mt="4.5">{closingCaution}</Caution>
      <SettleBar
        stage="allergies"
        standing={standings.allergies}
        timeZone={input.timeZone}
        action={action}
        subjectOf={subjectsOf(input)}
        isSignedBelow
        {...(isLead ? {} : { blockedBy: "The lead instructor signs this table." })}
      />
      {isLead && standings.allergies.state !== "settled" ? (
        <Decide
          openings={openingsOf(input, plan)}
          decided={loaderData.decisions}
          setApart={setApart(input, plan)}
          typed={actionData?.typed}
        />
      ) : null}
      {standings.allergies.state === "settled" && loaderData.decisions.length > 0 ? (
        <>
          <Heading as="h3" size="lg">
            Decided
          </Heading>
          <List.Root>
            {loaderData.decisions.map((one) => (
              <li key={`${one.participantId} ${one.kind}`}>
                {input.people.find((person) => person.id === one.participantId)?.name ?? "Somebody"}:{" "}
                {decisionWords[one.decision]} ({openingWords[one.kind]}), {one.by ?? "someone"}
              </li>
            ))}
          </List.Root>
        </>
      ) : null}
    </>
  );
}
