import { Box, Heading, List, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { CallSheets } from "~/ui/parts/packing";
import { useMemo } from "react";
import type { Route } from "./+types/call";
import { useClass } from "../class-context";
import { type Called, callSheets, missingOf, packingOfClass } from "~/core/pack";
import { database } from "~/db/client.server";
import { classOnce } from "~/services/classes.server";
import { accountOf } from "~/services/session.server";
import { ticksOf } from "~/services/ticks.server";
import { list, timeOfDay } from "~/ui/format/format";
import { SentMark } from "~/ui/outbox/Sent";
import { useTicks } from "~/ui/pack/useTicks";
import { PrimaryLink, TextLink } from "~/ui/parts/fields";
import { PlainButton } from "~/ui/parts/plain";
import { PartLinks, useTablePart } from "~/ui/sheet/PartLinks";
import { toolWords } from "~/ui/words/en";
import { containerName, contentScoops } from "~/ui/words/kits";

export async function loader({ params, context }: Route.LoaderArgs) {
  await classOnce(context, params.classId);
  return { events: await ticksOf(database(), params.classId), me: accountOf(context).name };
}

/** Before anything is mixed: every table looks for what it should have, and what is missing is pressed. */
export default function CallTheList({ loaderData, params }: Route.ComponentProps) {
  const { input, plan, names, action } = useClass();
  const { locale } = names;
  const { ticks, tick, waiting, sent, isReady } = useTicks(params.classId, loaderData.events, loaderData.me);
  const sheets = useMemo(
    () => callSheets(plan.stations, packingOfClass(input, plan).containers, plan.gear),
    [input, plan],
  );
  const missing = missingOf(sheets, ticks.missing);
  const tables = useTablePart(sheets);
  const nameOf = (item: Called) =>
    item.kind === "tool"
      ? toolWords[item.tool]
      : list(
          item.container.contents.map((one) => names.ingredient(one.ingredientId)),
          locale,
        );
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          Call the list
        </Heading>
        <Text
          layerStyle={missing.length > 0 ? "needsYou" : undefined}
          color={!(missing.length > 0) ? "fg.muted" : undefined}
          role="status"
        >
          {missing.length === 0
            ? "Nothing is missing."
            : `Missing: ${list(
                missing.map(({ sheet, item }) => `${nameOf(item)} at ${sheet.name}`),
                locale,
              )}.`}
        </Text>
        <SheetTools>
          <SentMark waiting={waiting} sent={sent} isSmall />
          <TextLink to={`${action}/kits`}>Kits</TextLink>
          <PrimaryLink to={`${action}/teach`}>To the room</PrimaryLink>
        </SheetTools>
      </SheetHead>
      <Text color="fg.muted">
        Read it aloud, table by table; hands up for what is not there. Press what is missing: it shows on every tablet
        until it is pressed again.
      </Text>
      {sheets.every((sheet) => sheet.items.length === 0) ? (
        <Text>Nothing is packed for any table: there is no list to call.</Text>
      ) : null}
      <PartLinks {...tables} />
      <CallSheets inert={!isReady}>
        {tables.shown.map((sheet) => (
          <Box as="section" key={sheet.stationId} aria-label={sheet.name}>
            <Heading as="h3" size="lg">
              {sheet.name}
            </Heading>
            <List.Root>
              {sheet.items.map((item) => {
                const mark = ticks.missing.get(item.key);
                return (
                  <li key={item.key}>
                    <span>
                      {nameOf(item)}
                      <Text as="small" color="fg.muted">
                        {item.kind === "tool"
                          ? `${item.count} at the table`
                          : item.container.contents.length === 1 && item.container.contents[0]
                            ? `${containerName(item.container)}, ${contentScoops(item.container.contents[0], locale)}`
                            : containerName(item.container)}
                        {mark ? `; missed by ${mark.by}, ${timeOfDay(mark.at, locale, input.timeZone)}` : ""}
                      </Text>
                    </span>
                    <PlainButton
                      type="button"
                      aria-pressed={mark !== undefined}
                      aria-label={`${nameOf(item)} is missing at ${sheet.name}`}
                      onClick={() => tick({ list: "missing", key: item.key, isOn: mark === undefined })}
                    >
                      {mark ? "missing" : "missing?"}
                    </PlainButton>
                  </li>
                );
              })}
            </List.Root>
          </Box>
        ))}
      </CallSheets>
    </>
  );
}
