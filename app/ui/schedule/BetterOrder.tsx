import { Box, HStack, Heading, Text } from "@chakra-ui/react";
import { ActionForm, InlineField, InlineFieldsForm, InlineLabel } from "~/ui/parts/forms";
import { EditDrawer } from "~/ui/parts/room";
import { type ClassInput, type MovableLoad, type WishCost, loadsMark } from "~/core/plan";
import type { Timeline } from "~/core/schedule";
import { clock, list, minutes, number } from "~/ui/format/format";
import { Secondary } from "~/ui/parts/fields";
import { FoldTitle, Hidden, PlainSelect } from "~/ui/parts/plain";
import { useLocale } from "~/ui/sheet/locale";
import { WhenReady } from "~/ui/sheet/WhenReady";
import { sayWish } from "~/ui/words/timeline";
import { useOrder } from "./useOrder";

interface Props {
  readonly input: ClassInput;
  readonly timeline: Timeline;
  readonly version: number;
  readonly stations: readonly { readonly id: string; readonly name: string }[];
  /** What the order that was wished by hand costs; absent where none was. */
  readonly wish: WishCost | undefined;
  /** The loads as they are laid now, for whoever moves one by hand. */
  readonly loads: readonly MovableLoad[];
}

/** How good the order of the loads is, the search for a better one with its progress, and what it would change before it is taken. */
export function BetterOrder({ input, timeline, version, stations, wish, loads }: Props) {
  const locale = useLocale();
  const { progress, found, start, stop } = useOrder(input, !timeline.isProved && input.order === undefined);
  const nameOf = (id: string) => stations.find((station) => station.id === id)?.name ?? id;
  const sayLoad = ({ surfaceId, number: which, parts, ofTable }: MovableLoad) => {
    const surface = input.kitchen.surfaces.find((one) => one.id === surfaceId);
    const names = list(
      parts.map((part) => nameOf(part.stationId)),
      locale,
    );
    return `${names} ${ofTable}, ${surface?.name ?? ""} ${which}`;
  };
  const at = (after: number) => clock(input.startsAt, input.timeZone, after, locale);
  const ready = timeline.bells.find((bell) => bell.kind === "eat")?.at ?? timeline.end;
  const above = timeline.bound > 0 ? (ready - timeline.bound) / timeline.bound : 0;
  const gained = found ? found.before.readyAt - found.after.readyAt : 0;
  const kept = found ? found.before.brokenWindows - found.after.brokenWindows : 0;
  return (
    <Box as="section" _print={{ display: "none" }} aria-labelledby="order-heading">
      <Heading as="h3" size="lg" id="order-heading">
        Order of the loads
      </Heading>
      <Text fontSize="sm">
        {timeline.isProved
          ? `Proved: in no order is everything ready to eat before ${at(ready)}.`
          : `Everything is ready to eat at ${at(ready)}, at most ${number(Math.max(0.1, above * 100), locale)} % later than any order could have it (${at(timeline.bound)}).`}
        {input.order && !input.order.isWished ? " The loads follow an order that was searched for." : null}
      </Text>
      {wish ? (
        <Text
          fontSize="sm"
          layerStyle={wish.minutes > 1 / 60 || wish.late > 0 || wish.uncleared > 0 ? "needsYou" : undefined}
        >
          {sayWish(wish, locale)}
        </Text>
      ) : null}
      <InlineFieldsForm isTight _print={{ display: "none" }} method="post">
        <Hidden name="version" value={version} />
        <InlineField>
          <InlineLabel>Cooks first</InlineLabel>
          <PlainSelect name="station">
            {stations.map((station) => (
              <option key={station.id} value={station.id}>
                {station.name}
              </option>
            ))}
          </PlainSelect>
        </InlineField>
        <Secondary name="intent" value="first">
          This table first
        </Secondary>
      </InlineFieldsForm>
      {loads.length > 1 ? (
        <EditDrawer>
          <FoldTitle>Move a load by hand</FoldTitle>
          <InlineFieldsForm isTight method="post" key={version}>
            <Hidden name="version" value={version} />
            <Hidden name="loads" value={loadsMark(loads)} />
            {(["load", "before"] as const).map((name) => (
              <InlineField key={name}>
                <InlineLabel>{name === "load" ? "Lay" : "right before, on its surface"}</InlineLabel>
                <PlainSelect
                  name={name}
                  aria-label={name === "load" ? "Lay" : "Right before"}
                  defaultValue={name === "load" ? 1 : 0}
                >
                  {loads.map((load, index) => (
                    <option key={index} value={index}>
                      {sayLoad(load)}
                    </option>
                  ))}
                </PlainSelect>
              </InlineField>
            ))}
            <Secondary name="intent" value="move">
              Move it
            </Secondary>
          </InlineFieldsForm>
        </EditDrawer>
      ) : null}
      <WhenReady>
        <HStack _print={{ display: "none" }} gap="3" wrap="wrap">
          {progress ? (
            <>
              <progress max={progress.of} value={progress.laid} aria-label="Looking for a better order" />
              <Secondary type="button" onClick={stop}>
                Stop
              </Secondary>
            </>
          ) : timeline.isProved ? null : (
            <Secondary type="button" onClick={() => start(input)}>
              Look for a better order
            </Secondary>
          )}
        </HStack>
        {found && !progress ? (
          <Box _print={{ display: "none" }} role="status">
            {found.order === undefined || found.order === input.order ? (
              <Text fontSize="sm">None was found that is better than what is shown.</Text>
            ) : (
              <>
                <Text fontSize="sm">
                  {gained > 1 / 120
                    ? `One was found: ready at ${at(found.after.readyAt)}, ${minutes(gained, locale)} sooner.`
                    : `One was found: ready at ${at(found.after.readyAt)}.`}
                  {kept > 0
                    ? ` ${kept === 1 ? "One batter" : `${kept} batters`} more ${kept === 1 ? "is" : "are"} poured in time.`
                    : ""}
                </Text>
                <ActionForm method="post">
                  <Hidden name="version" value={version} />
                  <Hidden name="order" value={JSON.stringify(found.order)} />
                  <Secondary name="intent" value="order">
                    Use this order
                  </Secondary>
                </ActionForm>
              </>
            )}
          </Box>
        ) : null}
      </WhenReady>
      {input.order ? (
        <ActionForm _print={{ display: "none" }} method="post">
          <Hidden name="version" value={version} />
          <Secondary name="intent" value="rules">
            Back to the usual order
          </Secondary>
        </ActionForm>
      ) : null}
    </Box>
  );
}
