import { LuSquare } from "react-icons/lu";
import { Box, Heading, Table, Text } from "@chakra-ui/react";
import { Columns, SheetHead, SheetTools } from "~/ui/parts/sheet";
import { ScrollArea } from "~/ui/parts/forms";
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
      <SheetHead>
        <Heading as="h2" size="xl">
          Gear
        </Heading>
        <Text color="fg.muted">
          From the steps of the recipe, for {howMany(plan.stations.length, "station")} in {input.kitchen.name}.
        </Text>
        <SheetTools>
          <TextLink to="../load">Load list</TextLink>
          <TextLink to={`/kitchens/${input.kitchen.id}`}>The kitchen</TextLink>
          <PrintButton>Print the list</PrintButton>
        </SheetTools>
      </SheetHead>
      <Findings findings={plan.findings.filter((finding) => finding.stage === "gear")} names={names} />
      <Columns split="wide-narrow">
        <ScrollArea tabIndex={0} role="group" aria-label="Gear list">
          <Table.Root native>
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
                <tr data-needs={line.short > 0 ? "" : undefined} key={line.tool}>
                  <td>
                    {toolWords[line.tool]}
                    {line.sizes ? (
                      <div data-small data-quiet>
                        {saySizes(line.sizes, line.tool, locale)}
                      </div>
                    ) : null}
                  </td>
                  <td data-numeric>{line.perStation || "–"}</td>
                  <td data-numeric>{line.shared || "–"}</td>
                  <td data-numeric>{line.instructor || "–"}</td>
                  <td data-numeric>
                    <b>{line.needed}</b>
                  </td>
                  <td data-numeric>
                    {line.owned === undefined ? (
                      <span data-quiet>not counted</span>
                    ) : line.short > 0 ? (
                      <span data-alert>
                        {line.owned}, {line.short} short
                      </span>
                    ) : (
                      line.owned
                    )}
                  </td>
                  <td aria-label="tick when loaded">
                    <LuSquare aria-hidden="true" />
                  </td>
                  <td>
                    <LuSquare aria-hidden="true" />
                    {line.isCountedBack ? <b> count</b> : null}
                  </td>
                </tr>
              ))}
            </tbody>
          </Table.Root>
        </ScrollArea>
        <Box>
          {short.length > 0 ? (
            <Wide label="Ways out of what is short">
              <Table.Root native mb="6">
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
              </Table.Root>
            </Wide>
          ) : null}
          <Wide label="Surfaces">
            <Table.Root native>
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
                      <div data-small data-quiet>
                        {wordsIn(surfaceWords, locale)[surface.kind]}
                        {surface.watts > 0 ? `, ${surface.watts} W each` : ""}
                        {surface.at === "station" ? ", at each station" : ""}
                      </div>
                    </td>
                    <td data-numeric>{units}</td>
                    <td data-numeric>
                      {recipes.length === 0
                        ? surface.places
                        : [...new Set(recipes.map((recipe) => placesOn(surface, recipe)))].join(" or ")}
                      {surface.size ? (
                        <div data-small data-quiet>
                          by size, at most {surface.places}
                        </div>
                      ) : null}
                    </td>
                  </tr>
                ))}
              </tbody>
            </Table.Root>
          </Wide>
          {plugs && input.kitchen.circuits ? (
            <Wide label="Who is plugged in where">
              <Table.Root native mt="6">
                <caption>Who is plugged in where</caption>
                <tbody>
                  {loadsOf(plugs, appliances, input.kitchen.circuits).map(
                    ({ circuit, appliances: on, watts, limit }) => (
                      <tr key={circuit.id}>
                        <th scope="row">
                          {circuit.name}
                          <div data-small data-quiet>
                            {circuit.volts} V, {number(circuit.amps, locale, 1)} A, {circuit.sockets}{" "}
                            {circuit.sockets === 1 ? "socket" : "sockets"}
                          </div>
                        </th>
                        <td>{on.map((one) => one.name).join(", ") || <span data-quiet>nothing</span>}</td>
                        <td data-numeric>
                          {number(watts, locale, 0)} of {number(limit, locale, 0)} W
                        </td>
                      </tr>
                    ),
                  )}
                  {plugs.left.length > 0 ? (
                    <tr data-needs>
                      <th scope="row">Nowhere</th>
                      <td colSpan={2}>
                        <Text as="b" layerStyle="needsYou">
                          {appliances
                            .filter((one) => plugs.left.includes(one.id))
                            .map((one) => one.name)
                            .join(", ")}
                        </Text>
                      </td>
                    </tr>
                  ) : null}
                </tbody>
              </Table.Root>
            </Wide>
          ) : null}
          <Text fontSize="sm" color="fg.muted">
            A circuit may carry 80 % of its breaker for hours; no cord near water, no hand wet. Local electrical codes
            and a qualified person come first.
          </Text>
        </Box>
      </Columns>
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
