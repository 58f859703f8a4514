import { useClass } from "./class-context";
import { Findings } from "~/ui/class/Findings";
import { SettleBar } from "~/ui/class/SettleBar";
import { PrintButton } from "~/ui/sheet/PrintButton";
import { surfaceWords, toolWords } from "~/ui/words/en";

/** What is not eaten: per station, shared, and the instructor's own. */
export default function Gear() {
  const { input, plan, standings, names, action } = useClass();
  const used = input.kitchen.surfaces
    .map((surface) => ({ surface, units: plan.timeline.units.filter((unit) => unit.surfaceId === surface.id).length }))
    .filter(({ units }) => units > 0);
  return (
    <>
      <div className="sheet-head">
        <h2>Gear</h2>
        <p className="quiet">
          From the steps of the recipe, for {plan.stations.length} stations in {input.kitchen.name}.
        </p>
        <div className="tools">
          <PrintButton>Print the list</PrintButton>
        </div>
      </div>
      <Findings findings={plan.findings.filter((finding) => finding.stage === "gear")} names={names} />
      <div className="columns wide-narrow">
        <div className="scroll-x" tabIndex={0} role="group" aria-label="Gear list">
          <table className="ruled">
            <thead>
              <tr>
                <th scope="col">Gear</th>
                <th scope="col" className="n">
                  Each station
                </th>
                <th scope="col" className="n">
                  Shared
                </th>
                <th scope="col" className="n">
                  Yours
                </th>
                <th scope="col" className="n">
                  In all
                </th>
                <th scope="col" className="n">
                  There
                </th>
                <th scope="col">Out</th>
                <th scope="col">Back</th>
              </tr>
            </thead>
            <tbody>
              {plan.gear.map((line) => (
                <tr key={line.tool} className={line.short > 0 ? "needs" : undefined}>
                  <td>{toolWords[line.tool]}</td>
                  <td className="n">{line.perStation || "–"}</td>
                  <td className="n">{line.shared || "–"}</td>
                  <td className="n">{line.instructor || "–"}</td>
                  <td className="n">
                    <b>{line.needed}</b>
                  </td>
                  <td className="n">
                    {line.owned === undefined ? (
                      <span className="quiet">not counted</span>
                    ) : line.short > 0 ? (
                      <span className="needs-you">
                        {line.owned}, {line.short} short
                      </span>
                    ) : (
                      line.owned
                    )}
                  </td>
                  <td aria-label="tick when loaded">☐</td>
                  <td>{line.isCountedBack ? <b>☐ count</b> : "☐"}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <table className="ruled">
          <caption>Surfaces</caption>
          <thead>
            <tr>
              <th scope="col">Surface</th>
              <th scope="col" className="n">
                Used
              </th>
              <th scope="col" className="n">
                Pieces a load
              </th>
            </tr>
          </thead>
          <tbody>
            {used.map(({ surface, units }) => (
              <tr key={surface.id}>
                <td>
                  {surface.name}
                  <div className="small quiet">
                    {surfaceWords[surface.kind]}
                    {surface.watts > 0 ? `, ${surface.watts} W each` : ""}
                    {surface.at === "station" ? ", at each station" : ""}
                  </div>
                </td>
                <td className="n">{units}</td>
                <td className="n">{surface.places}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <SettleBar stage="gear" standing={standings.gear} timeZone={input.timeZone} action={action} />
    </>
  );
}
