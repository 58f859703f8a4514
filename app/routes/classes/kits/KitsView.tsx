import { RuledTable } from "~/ui/parts/tables";
import { RowButton } from "~/ui/parts/keys";
import { Heading, Table, Text } from "@chakra-ui/react";
import { Columns, SheetHead, SheetTools } from "~/ui/parts/sheet";
import { KitSheetSection } from "~/ui/parts/shopping";
import { CardHead } from "~/ui/parts/card";
import { useMemo } from "react";
import { Form } from "react-router";
import { useClass } from "../class-context";
import {
  type ClassContainer,
  type TickEvent,
  contentsOf,
  foldTicks,
  packingOfClass,
  placeKey,
  stateOf,
} from "~/core/pack";
import { eggWays, isCompared, kitWays } from "~/core/plan";
import { toNumber } from "~/core/quantity";
import { Findings } from "~/ui/class/Findings";
import { SettleBar } from "~/ui/class/SettleBar";
import { holdColdC } from "~/core/recipe";
import { degrees, howMany, list, minutes, number } from "~/ui/format/format";
import { KitSheet } from "~/ui/kit/KitSheets";
import { NotCompared } from "~/ui/scale/NotCompared";
import { PrimaryLink, TextLink } from "~/ui/parts/fields";
import { PrintButton } from "~/ui/parts/PrintButton";
import { useLocale } from "~/ui/sheet/locale";
import { eggRuleWords, kitModeWords } from "~/ui/words/en";
import { subjectsOf } from "~/ui/words/findings";
import { placeName } from "~/ui/words/kits";
import { Heads } from "~/ui/sheet/Heads";
import { PartLinks, useTablePart } from "~/ui/sheet/PartLinks";
import { Hidden } from "~/ui/parts/plain";
import { MenuLink, MoreMenu } from "~/ui/parts/Menu";
import { AskedFirst, type Told, WhatChanges } from "~/ui/class/WhatChanges";

/** The cell that takes a way over by one press, or says that it is taken. */
function Choice({ value, isInForce }: { value: string; isInForce: boolean }) {
  return (
    <td>
      {isInForce ? (
        <b>current</b>
      ) : (
        <RowButton name="value" value={value} type="submit">
          use this
        </RowButton>
      )}
    </td>
  );
}

/** What is packed, for whom, in what: kits, the ways of putting them together, and the way to everything that is done with them. */
export function KitsView({
  events,
  classId,
  told,
}: {
  events: readonly TickEvent[];
  classId: string;
  /** What came of the last press. */
  told?: Told | undefined;
}) {
  const { input, plan: made, standings, names, action: settleAt } = useClass();
  const locale = useLocale();
  const base = `/classes/${classId}`;
  const packing = useMemo(() => packingOfClass(input, made), [input, made]);
  const ticks = useMemo(() => foldTicks(events).packing, [events]);
  const state = (one: ClassContainer) => stateOf(contentsOf(one), ticks.get(one.key));
  const places = [...new Set(packing.containers.map((one) => placeKey(one.place)))];
  const tables = useTablePart(places);
  const done = packing.containers.filter((one) => state(one).kind === "packed").length;
  const reopened = packing.containers.filter((one) => state(one).kind === "reopened").length;
  const modes = useMemo(() => kitWays(input, made), [input, made]);
  const eggs = useMemo(() => eggWays(input, made), [input, made]);
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          Kits
        </Heading>
        <Text color="fg.muted">
          {howMany(packing.containers.length, "container")}
          {packing.containers.length > 0 ? `, ${done} packed` : ""}
          {reopened > 0 ? `, ${reopened} changed since` : ""}.
        </Text>
        <SheetTools>
          <TextLink to="../shopping">Shopping</TextLink>
          <TextLink to="../prep">Prep</TextLink>
          <MoreMenu label="More">
            <MenuLink to={`${base}/kit-labels`}>Labels</MenuLink>
            <MenuLink to={`${base}/take-home`}>Labels to take home</MenuLink>
            <MenuLink to={`${base}/toppings`}>Topping bar</MenuLink>
            {made.dishes.some((dish) => dish.recipe.family === "drawn") ? (
              <MenuLink to={`${base}/shapes`}>Shapes</MenuLink>
            ) : null}
            <MenuLink to={`${base}/sheets`}>All sheets</MenuLink>
          </MoreMenu>
          <PrintButton>Print the kits</PrintButton>
          <PrimaryLink to={`${base}/pack`}>Pack</PrimaryLink>
        </SheetTools>
      </SheetHead>
      <AskedFirst asked={told?.asked} names={names} button="Take it all the same" />
      {told?.changes ? <WhatChanges changes={told.changes} names={names} isDone /> : null}
      <Findings
        findings={made.findings.filter(
          (finding) => finding.stage === "kits" || (finding.stage === "recipe" && finding.level === "blocks"),
        )}
        names={names}
      />
      {packing.open.length > 0 ? (
        <Text layerStyle="needsYou">
          Cannot be packed, as nobody knows how much:{" "}
          {list(
            [...new Set(packing.open.flatMap((one) => one.lines.map((line) => names.ingredient(line.ingredientId))))],
            locale,
          )}
          .
        </Text>
      ) : null}
      <Columns split="even" _print={{ display: "none" }} mb="6">
        {isCompared(made) ? (
          <Form method="post">
            <Hidden name="intent" value="kit-mode" />
            <RuledTable kind="stacked">
              <caption>How kits come, and what it costs in class</caption>
              <tbody>
                {modes.map((way) => (
                  <tr key={way.kitMode}>
                    <th scope="row">{kitModeWords[way.kitMode]}</th>
                    <td data-numeric>{minutes(way.endMinutes, locale)}</td>
                    <td data-numeric data-quiet>
                      {way.isInForce
                        ? "as planned"
                        : way.byMinutes === 0
                          ? "no difference"
                          : `${way.byMinutes > 0 ? "+" : "−"}${minutes(Math.abs(way.byMinutes), locale)}`}
                    </td>
                    <Choice value={way.kitMode} isInForce={way.isInForce} />
                  </tr>
                ))}
              </tbody>
            </RuledTable>
          </Form>
        ) : (
          <NotCompared tables={made.stations.length} />
        )}
        {eggs.length > 0 ? (
          <Form method="post">
            <Hidden name="intent" value="egg-rule" />
            <Table.Root native>
              <caption>Half an egg</caption>
              <Heads of={["Way", { n: "Eggs" }, { n: "Pieces" }, { n: "Over" }, "Batches", "Choice"]} />
              <tbody>
                {eggs.map((way) => (
                  <tr key={way.eggRule}>
                    <th scope="row">{eggRuleWords[way.eggRule]}</th>
                    <td data-numeric>{way.eggs}</td>
                    <td data-numeric>{way.pieces}</td>
                    <td data-numeric>
                      {way.over}
                      {way.mostShort > 0 ? (
                        <div data-small data-alert>
                          {way.mostShort} short at one
                        </div>
                      ) : null}
                    </td>
                    <td>{way.factors.map((factor) => number(toNumber(factor), locale, 2)).join(", ")}</td>
                    <Choice value={way.eggRule} isInForce={way.isInForce} />
                  </tr>
                ))}
              </tbody>
            </Table.Root>
          </Form>
        ) : null}
      </Columns>
      <PartLinks {...tables} />
      {tables.shown.map((key) => {
        const own = packing.containers.filter((one) => placeKey(one.place) === key);
        const [first] = own;
        return first ? (
          <KitSheet
            key={key}
            name={placeName(first.place)}
            note={`${first.dishTitle}, × ${number(toNumber(first.factor), locale, 2)}`}
            containers={own}
            stateOf={state}
            names={names}
            timeZone={input.timeZone}
            base={base}
          />
        ) : null;
      })}
      {packing.shared.some((one) => one.lines.length > 0) ? (
        <KitSheetSection>
          <CardHead>
            <Heading as="h3" size="lg">
              Shared table
            </Heading>
            <span>to taste, and sprays: one of each, with a spoon of its own</span>
          </CardHead>
          <Text>
            {list(
              [
                ...new Set(
                  packing.shared.flatMap((one) => one.lines.map((line) => names.ingredient(line.ingredientId))),
                ),
              ],
              locale,
            )}
          </Text>
        </KitSheetSection>
      ) : null}
      <Text fontSize="sm" color="fg.muted">
        Cold things stay at {degrees(holdColdC, locale)} or below until the station needs them, and no more than two
        hours out. Local food codes come first.
      </Text>
      <SettleBar
        stage="kits"
        standing={standings.kits}
        subjectOf={subjectsOf(input)}
        timeZone={input.timeZone}
        action={settleAt}
        {...(made.isPackable
          ? {}
          : { blockedBy: "Something in the recipe is in the way; nothing can be packed from it yet." })}
      />
    </>
  );
}
