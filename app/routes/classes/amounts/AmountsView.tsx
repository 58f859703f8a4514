import { Box, Heading, Table, Text } from "@chakra-ui/react";
import { InlineField, InlineFieldsForm, InlineLabel } from "~/ui/parts/forms";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { CardHead, CardList } from "~/ui/parts/card";
import { stationIndex } from "~/core/people";
import { Hidden, PlainSelect } from "~/ui/parts/plain";
import { type Answer, Told } from "~/ui/parts/Told";
import { techniquesIn } from "~/core/look";
import { LooksWrong } from "~/ui/recipe/LooksWrong";
import { useClass } from "../class-context";
import { countedIn } from "~/ui/brief/Consequences";
import { Findings } from "~/ui/class/Findings";
import { SettleBar } from "~/ui/class/SettleBar";
import { subjectsOf } from "~/ui/words/findings";
import { day, grams, howMany, list, number, people, scoop } from "~/ui/format/format";
import type { Surface } from "~/core/gear";
import type { Timeline } from "~/core/schedule";
import { Defs } from "~/ui/draw/Defs";
import { type CardSurface, KitTable, StationCard } from "~/ui/kit/StationCard";
import { Secondary, TextLink } from "~/ui/parts/fields";
import { PrintButton } from "~/ui/parts/PrintButton";
import { useLocale } from "~/ui/sheet/locale";
import { measuringSetOf, measuringSets, scoopName, toNumber } from "~/core/quantity";
import { Heads } from "~/ui/sheet/Heads";
import { PartLinks, useTablePart } from "~/ui/sheet/PartLinks";

/** What a station cooks on, by kind: from its loads on the timeline, wherever they really happen. */
function surfacesAt(timeline: Timeline, surfaces: readonly Surface[], stationId: string): CardSurface[] {
  const loads = timeline.tasks.filter((task) => task.stationId === stationId && task.kind === "load");
  return surfaces.flatMap((surface) => {
    const units = timeline.units.filter((unit) => unit.surfaceId === surface.id).map((unit) => unit.id);
    const here = loads.filter((task) => task.surfaceId !== null && units.includes(task.surfaceId));
    const pieces = Math.max(0, ...here.map((task) => task.pieces ?? 0));
    return here.length === 0 ? [] : [{ surface, name: surface.name.toLowerCase(), loads: here.length, pieces }];
  });
}

/** A table, or a household, that has other cups and spoons than the class. */
function OwnSetForm({ told }: { told: Answer | undefined }) {
  const { plan, meta, action } = useClass();
  return (
    <Box as="section" _print={{ display: "none" }} aria-label="Other cups and spoons at a table">
      <Heading as="h3" size="lg">
        Other cups and spoons at a table
      </Heading>
      <Told told={told} />
      <InlineFieldsForm isTight method="post" action={`${action}/amounts`}>
        <Hidden name="version" value={meta.version} />
        <InlineField>
          <InlineLabel>Table</InlineLabel>
          <PlainSelect name="station">
            {plan.stations.map((station) => (
              <option key={station.id} value={stationIndex(station.id)}>
                {station.name}
              </option>
            ))}
          </PlainSelect>
        </InlineField>
        <InlineField>
          <InlineLabel>measures with</InlineLabel>
          <PlainSelect name="set">
            <option value="">what the class measures with</option>
            {measuringSets.map((set) => (
              <option key={set.id} value={set.id}>
                {set.name}
              </option>
            ))}
          </PlainSelect>
        </InlineField>
        <Secondary type="submit">Save this set</Secondary>
      </InlineFieldsForm>
    </Box>
  );
}

/** Amounts once, for everything: a card per station, then the sums. */
export function AmountsView({ told }: { told?: Answer | undefined }) {
  const { input, plan, standings, names, action } = useClass();
  const locale = useLocale();
  const tables = useTablePart(plan.stations);
  const nameOf = new Map(input.people.map((person) => [person.id, person.name]));
  const counted = countedIn(plan);
  const set = measuringSetOf(input.brief.measuringSetId);
  const missing = set.scoops.filter((one) => input.brief.missingScoops.includes(scoopName(one)));
  const pantry = new Map(input.pantry.map((one) => [one.id, one]));
  const isEgg = (id: string) => input.pantry.find((one) => one.id === id)?.role === "egg";
  const surfacesOf = (stationId: string) => surfacesAt(plan.timeline, input.kitchen.surfaces, stationId);
  const stamp = `${input.title}, ${day(input.startsAt, locale)}.`;
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          Station cards
        </Heading>
        <Text color="fg.muted">
          Measured with {set.name}
          {missing.length > 0
            ? `, without ${list(
                missing.map((one) => scoop(one, locale)),
                locale,
              )}`
            : ""}
          . Dry cups levelled, jugs read at eye level.
        </Text>
        <SheetTools>
          <TextLink to="../scaling">Ways to scale, more at the door</TextLink>
          <PrintButton>Print the cards</PrintButton>
        </SheetTools>
      </SheetHead>
      <Findings
        findings={plan.findings.filter(
          (finding) => finding.stage === "amounts" || (finding.stage === "recipe" && finding.level === "blocks"),
        )}
        names={names}
      />
      {plan.stations.length === 0 ? (
        <Text>
          No stations yet: the brief says {people(input.brief.people)} and {howMany(input.dishes.length, "recipe")}.
        </Text>
      ) : null}
      <PartLinks {...tables} />
      <Defs />
      <CardList>
        {tables.shown.map((station) => {
          const dish = plan.dishes.find((one) => one.id === station.dishId);
          return dish ? (
            <StationCard
              key={station.id}
              station={station}
              dish={dish}
              ingredientName={names.ingredient}
              isEgg={isEgg}
              surfaces={surfacesOf(station.id)}
              people={station.people.flatMap((id) => nameOf.get(id) ?? [])}
              techniques={techniquesIn([dish.atTable ?? dish.recipe], pantry)}
              troubles={
                <LooksWrong
                  input={input}
                  plan={plan}
                  dish={dish}
                  factor={toNumber(station.scale.factor)}
                  names={names}
                />
              }
              stamp={stamp}
            />
          ) : null;
        })}
        {plan.demoKit.length > 0 ? (
          <Box as="section">
            <CardHead>
              <Heading as="h3" size="lg">
                Your own bowl
              </Heading>
              <span>for the demonstration</span>
            </CardHead>
            <KitTable kit={plan.demoKit} ingredientName={names.ingredient} isEgg={isEgg} />
          </Box>
        ) : null}
        {plan.spareKit.length > 0 ? (
          <Box as="section">
            <CardHead>
              <Heading as="h3" size="lg">
                Spare kit
              </Heading>
              <span>for the bowl that goes on the floor</span>
            </CardHead>
            <KitTable kit={plan.spareKit} ingredientName={names.ingredient} isEgg={isEgg} />
          </Box>
        ) : null}
        <Box as="section">
          <CardHead>
            <Heading as="h3" size="lg">
              Totals
            </Heading>
            <span>the most that may be used</span>
          </CardHead>
          <Table.Root native>
            <Heads of={["What", { n: "To start with" }, { n: "Buy" }, "Packs"]} />
            <tbody>
              {plan.totals.map((total) => (
                <tr key={total.ingredientId}>
                  <td>{names.ingredient(total.ingredientId)}</td>
                  <td data-numeric>
                    {total.expectedGrams === undefined ? (
                      <span data-alert>not known</span>
                    ) : (
                      grams(total.expectedGrams, locale)
                    )}
                  </td>
                  <td data-numeric>
                    <b>
                      {total.isToTaste && total.buyGrams === 0
                        ? "to taste"
                        : counted.has(total.ingredientId)
                          ? `${total.buyPieces}`
                          : total.buyGrams === undefined
                            ? "?"
                            : grams(Math.ceil(total.buyGrams), locale)}
                    </b>
                  </td>
                  <td>
                    {total.packs
                      ? `${total.packs.packs} × ${total.packs.unitName}${total.packs.spareUnits > 0 ? `, ${number(total.packs.spareUnits, locale, 0)} spare` : ""}`
                      : ""}
                  </td>
                </tr>
              ))}
            </tbody>
          </Table.Root>
        </Box>
      </CardList>
      {plan.stations.length > 0 ? <OwnSetForm told={told} /> : null}
      <SettleBar
        stage="amounts"
        standing={standings.amounts}
        subjectOf={subjectsOf(input)}
        timeZone={input.timeZone}
        action={action}
        {...(plan.isPackable
          ? {}
          : { blockedBy: "Something in the recipe is in the way; nothing can be packed from it yet." })}
      />
    </>
  );
}
