import { useClass } from "../class-context";
import { type Kitchen, appliancesOf, loadsOf, placesOn, plugIn, waysFor } from "~/core/gear";
import { TextLink } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";
import { howMany, number } from "~/ui/format/format";
import { saySizes, sayWay } from "~/ui/words/kits";
import { Findings } from "~/ui/class/Findings";
import { SettleBar } from "~/ui/class/SettleBar";
import { PrintButton } from "~/ui/parts/PrintButton";
import { surfaceWords, toolWords } from "~/ui/words/en";
import { subjectsOf } from "~/ui/words/findings";
import { SurfaceDrawing } from "~/ui/draw/SurfaceDrawing";
import { Heads } from "~/ui/sheet/Heads";
import { wordsIn } from "~/ui/words/regional";
import { Wide } from "~/ui/sheet/Wide";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

/** What is not eaten: per station, shared, and the instructor's own; what is short, and what may be plugged in where. */
export function GearView({ others }: { others: readonly Pick<Kitchen, "name" | "gear">[] }) {
  const { input, plan, standings, names, action } = useClass();
  const locale = useLocale();
  const short = plan.gear.filter((line) => line.short > 0);
  const recipes = plan.dishes.map((dish) => dish.recipe);
  const appliances = appliancesOf(input.kitchen, plan.timeline.units);
  const plugs = input.kitchen.circuits ? plugIn(appliances, input.kitchen.circuits) : undefined;
  const used = input.kitchen.surfaces
    .map((surface) => ({ surface, units: plan.timeline.units.filter((unit) => unit.surfaceId === surface.id).length }))
    .filter(({ units }) => units > 0);
  return (
    <>
      <div className={parts.sheet.head}>
        <h2>Gear</h2>
        <p className={look("quiet")}>
          From the steps of the recipe, for {howMany(plan.stations.length, "station")} in {input.kitchen.name}.
        </p>
        <div className={parts.sheet.tools}>
          <TextLink to="../load">Load list</TextLink>
          <TextLink to={`/kitchens/${input.kitchen.id}`}>The kitchen</TextLink>
          <PrintButton>Print the list</PrintButton>
        </div>
      </div>
      <Findings findings={plan.findings.filter((finding) => finding.stage === "gear")} names={names} />
      <div className={parts.sheet.of({ split: "wide-narrow" }).columns}>
        <div className={look("scroll-x")} tabIndex={0} role="group" aria-label="Gear list">
          <table className={look("ruled")}>
            <Heads
              of={[
                "Gear",
                { n: "Each station" },
                { n: "Shared" },
                { n: "Yours" },
                { n: "In all" },
                { n: "There" },
                "Out",
                "Back",
              ]}
            />
            <tbody>
              {plan.gear.map((line) => (
                <tr key={line.tool} className={line.short > 0 ? look("needs") : undefined}>
                  <td>
                    {toolWords[line.tool]}
                    {line.sizes ? (
                      <div className={look("small", "quiet")}>{saySizes(line.sizes, line.tool, locale)}</div>
                    ) : null}
                  </td>
                  <td className={look("n")}>{line.perStation || "–"}</td>
                  <td className={look("n")}>{line.shared || "–"}</td>
                  <td className={look("n")}>{line.instructor || "–"}</td>
                  <td className={look("n")}>
                    <b>{line.needed}</b>
                  </td>
                  <td className={look("n")}>
                    {line.owned === undefined ? (
                      <span className={look("quiet")}>not counted</span>
                    ) : line.short > 0 ? (
                      <span className={look("needs-you")}>
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
        <div>
          {short.length > 0 ? (
            <Wide label="Ways out of what is short">
              <table className={look("ruled", "below-l")}>
                <caption>Ways out of what is short</caption>
                <tbody>
                  {short.map((line) => (
                    <tr key={line.tool}>
                      <th scope="row">
                        {line.short} {toolWords[line.tool]}
                      </th>
                      <td>
                        {waysFor(line, plan.gear, recipes, plan.stations.length, others)
                          .map((way) => sayWay(way, locale))
                          .join("; ")}
                        .
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </Wide>
          ) : null}
          <Wide label="Surfaces">
            <table className={look("ruled")}>
              <caption>Surfaces</caption>
              <Heads of={["From above", "Surface", { n: "Used" }, { n: "Pieces a load" }]} />
              <tbody>
                {used.map(({ surface, units }) => (
                  <tr key={surface.id}>
                    <td>
                      <SurfaceDrawing
                        surface={surface}
                        recipe={recipes.find((recipe) => placesOn(surface, recipe) > 0) ?? { pieceDiameterCm: 10 }}
                      />
                    </td>
                    <td>
                      {surface.name}
                      <div className={look("small", "quiet")}>
                        {wordsIn(surfaceWords, locale)[surface.kind]}
                        {surface.watts > 0 ? `, ${surface.watts} W each` : ""}
                        {surface.at === "station" ? ", at each station" : ""}
                      </div>
                    </td>
                    <td className={look("n")}>{units}</td>
                    <td className={look("n")}>
                      {recipes.length === 0
                        ? surface.places
                        : [...new Set(recipes.map((recipe) => placesOn(surface, recipe)))].join(" or ")}
                      {surface.size ? (
                        <div className={look("small", "quiet")}>by size, at most {surface.places}</div>
                      ) : null}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </Wide>
          {plugs && input.kitchen.circuits ? (
            <Wide label="Who is plugged in where">
              <table className={look("ruled", "above-l")}>
                <caption>Who is plugged in where</caption>
                <tbody>
                  {loadsOf(plugs, appliances, input.kitchen.circuits).map(
                    ({ circuit, appliances: on, watts, limit }) => (
                      <tr key={circuit.id}>
                        <th scope="row">
                          {circuit.name}
                          <div className={look("small", "quiet")}>
                            {circuit.volts} V, {number(circuit.amps, locale, 1)} A, {circuit.sockets}{" "}
                            {circuit.sockets === 1 ? "socket" : "sockets"}
                          </div>
                        </th>
                        <td>
                          {on.map((one) => one.name).join(", ") || <span className={look("quiet")}>nothing</span>}
                        </td>
                        <td className={look("n")}>
                          {number(watts, locale, 0)} of {number(limit, locale, 0)} W
                        </td>
                      </tr>
                    ),
                  )}
                  {plugs.left.length > 0 ? (
                    <tr className={look("needs")}>
                      <th scope="row">Nowhere</th>
                      <td colSpan={2}>
                        <b className={look("needs-you")}>
                          {appliances
                            .filter((one) => plugs.left.includes(one.id))
                            .map((one) => one.name)
                            .join(", ")}
                        </b>
                      </td>
                    </tr>
                  ) : null}
                </tbody>
              </table>
            </Wide>
          ) : null}
          <p className={look("small", "quiet")}>
            A circuit may carry 80 % of its breaker for hours; no cord near water, no hand wet. Local electrical codes
            and a qualified person come first.
          </p>
        </div>
      </div>
      <SettleBar
        stage="gear"
        standing={standings.gear}
        timeZone={input.timeZone}
        subjectOf={subjectsOf(input)}
        action={action}
      />
    </>
  );
}
