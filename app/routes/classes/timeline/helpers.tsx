import { roomKindOf } from "~/core/people";
import { useClass } from "../class-context";
import { shownOnce } from "~/core/caution";
import { adultsAtHeat } from "~/core/people";
import { heatsOf, recipesMade, watchesOf } from "~/core/plan";
import { runList } from "~/core/schedule";
import { clock, list, minutes } from "~/ui/format/format";
import { PrintButton } from "~/ui/parts/PrintButton";
import { TextLink } from "~/ui/parts/fields";
import { Heads } from "~/ui/sheet/Heads";
import { Wide } from "~/ui/sheet/Wide";
import { hazardWords } from "~/ui/words/en";
import { adultName, sayEntry, unitNames } from "~/ui/words/timeline";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

/** A card for each adult at the heat: which griddle is theirs, what lies on it from when to when, what they watch for. */
export default function HelperCards() {
  const { input, plan, names, action } = useClass();
  const { brief, people, startsAt, timeZone } = input;
  const { locale } = names;
  const adults = adultsAtHeat(brief.helpers, people);
  const cards = watchesOf(input, plan);
  const nameOf = (index: number) => adultName(input, index);
  const { unitAt } = unitNames(plan.timeline, names);
  const heats = heatsOf(input, plan);
  const at = (after: number) => clock(startsAt, timeZone, after, locale);
  const cautions = [
    ...new Set(
      recipesMade(plan).flatMap(({ steps }) =>
        shownOnce(steps.filter((step) => step.kind === "cook" || step.kind === "preheat")).flat(),
      ),
    ),
  ];
  const busy = cards.filter((card) => card.tasks.length > 0);
  return (
    <>
      <div className={look(parts.sheet.head, "no-print")}>
        <h2>Cards for helpers</h2>
        <p className={look("quiet")}>
          {adults === 0
            ? "The brief names no helper: everything at the heat is yours."
            : `${adults} at the heat; whoever is at a griddle stays there while they can.`}
        </p>
        <div className={parts.sheet.tools}>
          <TextLink to={`${action}/timeline`}>Run sheet</TextLink>
          <PrintButton>Print the cards</PrintButton>
        </div>
      </div>
      {busy.length === 0 ? (
        <p className={look("quiet")}>Nothing is cooked yet: there is nothing to look after.</p>
      ) : null}
      {cards.map((card, index) =>
        card.tasks.length === 0 ? (
          <p key={index} className={look("quiet", "no-print")}>
            {nameOf(index)}: nothing at the heat. At the tables, and whoever is called away is stood in for.
          </p>
        ) : (
          <section key={index} aria-label={`Card: ${nameOf(index)}`} className={look("helper-card")}>
            <div className={parts.card.head}>
              <h3>{nameOf(index)}</h3>
              <span>at {list(card.unitIds.map(unitAt), locale)}</span>
              <span className={look("n")}>something on the heat for {minutes(card.minutes, locale)}</span>
            </div>
            <div className={parts.sheet.of({ split: "wide-narrow" }).columns}>
              <Wide label="By the minute">
                <table className={look("ruled", "by-the-minute")}>
                  <Heads of={["Time", "What happens", "Say, and watch for"]} />
                  <tbody>
                    {runList({
                      ...plan.timeline,
                      bells: plan.timeline.bells.filter((bell) => ["pour", "swap", "eat"].includes(bell.kind)),
                      tasks: card.tasks,
                    })
                      .filter((entry) => entry.kind !== "last-out")
                      .map((entry, row) => {
                        const { what, say } = sayEntry(entry, {
                          names,
                          unit: unitAt,
                          unitAt,
                          at,
                          heats,
                          room: roomKindOf(input.brief),
                        });
                        return (
                          <tr key={`${row} ${what}`} className={entry.kind === "bell" ? look("bell-row") : undefined}>
                            <td className={look("n")}>
                              <b>{at(entry.at)}</b>
                            </td>
                            <td>{what}</td>
                            <td>{say}</td>
                          </tr>
                        );
                      })}
                  </tbody>
                </table>
              </Wide>
              <div>
                {cautions.map((hazard) => (
                  <p className={look("caution")} key={hazard}>
                    {hazardWords[hazard]}
                  </p>
                ))}
                <p className={look("quiet", "small")}>
                  Nobody leaves the heat: call, and somebody comes. Local fire rules first.
                </p>
              </div>
            </div>
          </section>
        ),
      )}
    </>
  );
}
