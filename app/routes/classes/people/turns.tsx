import { Fragment } from "react";
import { useClass } from "../class-context";
import { labelsInHand } from "~/core/pantry";
import { kindsByUnit } from "~/core/plan";
import { talliesOf, turnsOf } from "~/core/turns";
import { clock, howMany, list, minutes } from "~/ui/format/format";
import { TextLink } from "~/ui/parts/fields";
import { Heads } from "~/ui/sheet/Heads";
import { jobWords, sayLeftOut } from "~/ui/words/people";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

/** Who does what at each station, in the order of the steps. */
export default function Turns() {
  const { input, plan, names, action } = useClass();
  const pantry = new Map(input.pantry.map((one) => [one.id, one]));
  const labels = labelsInHand(input.labels, input.packs);
  const surfaceAt = kindsByUnit(input, plan);
  const nameOf = (id: string) => input.people.find((one) => one.id === id)?.name ?? id;
  return (
    <>
      <div className={parts.sheet.head}>
        <h2>Turns</h2>
        <p className={look("quiet")}>Everyone stirs. Every other job goes to whoever may and had the fewest turns.</p>
        <div className={parts.sheet.tools}>
          <TextLink to={`${action}/people/seats`}>Seats</TextLink>
          <TextLink to={`${action}/house`}>House rules</TextLink>
        </div>
      </div>
      <p className={look("small", "quiet")}>For the staff: it says who keeps their hands off what. Not for the wall.</p>
      <div className={look("turns")}>
        {plan.stations.map((station) => {
          const dish = plan.dishes.find((one) => one.id === station.dishId);
          const people = station.people.flatMap((id) => input.people.find((one) => one.id === id) ?? []);
          if (!dish || people.length === 0) return null;
          const recipe = dish.atTable ?? dish.recipe;
          const turns = turnsOf({
            people,
            recipe,
            loads: station.loads,
            pantry,
            labels,
            house: input.house,
          });
          const tallies = talliesOf({
            stationId: station.id,
            people: people.map((person) => person.id),
            turns,
            recipe,
            timeline: plan.timeline,
            kindOf: (surfaceId) => (surfaceId === null ? undefined : surfaceAt.get(surfaceId)),
          });
          return (
            <section key={station.id} className={look("turn-card")}>
              <h3>
                {station.name} <span className={look("small", "quiet")}>{names.dish(station.dishId)}</span>
              </h3>
              <ol>
                {recipe.steps.map((step) => {
                  const own = turns.filter((turn) => turn.stepId === step.id);
                  if (own.length === 0) return null;
                  const out = own[0]?.leftOut ?? [];
                  return (
                    <li key={step.id}>
                      <span className={look("small")}>{step.text}</span>
                      <div>
                        {own.map((turn, index) => (
                          <Fragment key={`${turn.job} ${turn.load}`}>
                            {index > 0 ? "; " : ""}
                            {turn.load > 0 ? `load ${turn.load}: ` : ""}
                            {turn.hands.length === 0 ? (
                              <span className={look("needs-you")}>the instructor or a helper</span>
                            ) : (
                              <b>{list(turn.hands.map(nameOf), names.locale)}</b>
                            )}{" "}
                            {jobWords[turn.job]}
                            {turn.beside.length > 0 ? <span className={look("quiet")}>, an adult beside</span> : null}
                          </Fragment>
                        ))}
                      </div>
                      {out.length > 0 ? (
                        <div className={look("small", "quiet")}>
                          {out
                            .map((one) => `${nameOf(one.participantId)}: ${sayLeftOut(one.reason, names)}`)
                            .join("; ")}
                        </div>
                      ) : null}
                    </li>
                  );
                })}
              </ol>
              <table className={look("ruled", "small")}>
                <Heads of={["Who", { n: "Busy" }, { n: "Longest wait" }, { n: "At the heat" }]} />
                <tbody>
                  {tallies.map(({ participantId, busy, wait, waitFrom, heat }) => (
                    <tr key={participantId}>
                      <td>{nameOf(participantId)}</td>
                      <td className={look("n")}>{minutes(busy, names.locale)}</td>
                      <td className={look("n")}>
                        {wait > 0 ? minutes(wait, names.locale) : "none"}
                        {wait > 0 ? (
                          <div className={look("quiet")}>
                            from {clock(input.startsAt, input.timeZone, waitFrom, names.locale)}
                          </div>
                        ) : null}
                      </td>
                      <td className={look("n")}>{heat > 0 ? howMany(heat, "time") : "not once"}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </section>
          );
        })}
      </div>
    </>
  );
}
