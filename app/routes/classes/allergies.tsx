import { useClass } from "./class-context";
import type { Route } from "./+types/allergies";
import { audit } from "~/services/classes.server";
import { accountOf } from "~/services/session.server";
import { ItemTable, PlateTable } from "~/ui/allergen/Tables";
import { Findings } from "~/ui/class/Findings";
import { SettleBar } from "~/ui/class/SettleBar";
import { TextLink } from "~/ui/sheet/controls";
import { closingCaution } from "~/ui/words/en";
import { sayExposure } from "~/ui/words/people";

export async function loader({ params, context }: Route.LoaderArgs) {
  await audit(accountOf(context).id, params.classId, "opened the allergy table").catch(() => undefined);
  return null;
}

export default function Allergies() {
  const { input, plan, standings, names, action, isLead } = useClass();
  return (
    <>
      <div className="sheet-head">
        <h2>Allergy table</h2>
        <p className="quiet">
          Every person against batter, pan fat, toppings, food brought along and what reaches them over the room.
        </p>
        <div className="tools">
          <TextLink to={`${action}/allergies/matrix`}>Every person, every item</TextLink>
          <TextLink to={`${action}/allergies/brought/new`}>Food brought along</TextLink>
          <TextLink to={`${action}/day-sheet/wall`}>Wall sheet</TextLink>
          {isLead ? <TextLink to={`${action}/day-sheet/folder`}>Folder sheet</TextLink> : null}
        </div>
      </div>
      <Findings
        findings={plan.findings.filter(
          (finding) =>
            finding.stage === "allergies" &&
            !["cannot-eat", "may-not-eat", "plate-unknown", "contact-reaches"].includes(finding.code),
        )}
        names={names}
      />
      <div className="columns wide-narrow">
        <PlateTable
          people={input.people}
          plates={plan.plates}
          stations={plan.stations}
          names={names}
          base={action}
          sayWay={(exposure) => sayExposure(exposure, input, plan, names)}
        />
        <ItemTable input={input} plan={plan} names={names} base={action} />
      </div>
      <p className="caution" style={{ marginTop: 20 }}>
        {closingCaution}
      </p>
      <SettleBar
        stage="allergies"
        standing={standings.allergies}
        timeZone={input.timeZone}
        action={action}
        {...(isLead ? {} : { blockedBy: "The lead instructor signs this table." })}
      />
    </>
  );
}
