import { HStack, Span, Text } from "@chakra-ui/react";
import { EditDrawer } from "~/ui/parts/room";
import { ActionForm, GridForm, InlineField, InlineLabel, colSpan } from "~/ui/parts/forms";
import { type Pin, type Timeline, pinnableBells } from "~/core/schedule";
import { clock, minutes } from "~/ui/format/format";
import { Secondary } from "~/ui/parts/fields";
import { FoldTitle, Hidden, PlainInput, PlainSelect } from "~/ui/parts/plain";
import { useLocale } from "~/ui/sheet/locale";
import { bellWords } from "~/ui/words/en";

interface Props {
  readonly pins: readonly Pin[];
  readonly timeline: Timeline;
  readonly startsAt: string;
  readonly timeZone: string;
  readonly version: number;
}

/** Bells that ring when somebody says: the parents come at eleven, so at eleven it is eaten. */
export function PinnedBells({ pins, timeline, startsAt, timeZone, version }: Props) {
  const locale = useLocale();
  const at = (after: number) => clock(startsAt, timeZone, after, locale);
  const rings = (bell: Pin["bell"]) => timeline.bells.find((one) => one.kind === bell)?.at;
  return (
    <EditDrawer _print={{ display: "none" }} open={pins.length > 0}>
      <FoldTitle>Pin a bell</FoldTitle>
      <Text fontSize="sm" color="fg.muted">
        It rings at that time, or as soon after it as can be; never before.
      </Text>
      {pins.map((pin) => {
        const late = (rings(pin.bell) ?? pin.at) - pin.at;
        return (
          <ActionForm method="post" key={pin.bell}>
            <Hidden name="version" value={version} />
            <Hidden name="bell" value={pin.bell} />
            <span>
              {bellWords[pin.bell]}: {at(pin.at)}
              {late > 0.5 ? <Span layerStyle="needsYou">, rings {minutes(late, locale)} later</Span> : null}
            </span>
            <Secondary name="intent" value="let-go">
              Let “{bellWords[pin.bell]}” go
            </Secondary>
          </ActionForm>
        );
      })}
      <GridForm method="post">
        <Hidden name="version" value={version} />
        <InlineField gridColumn={colSpan(4)}>
          <InlineLabel>Bell</InlineLabel>
          <PlainSelect name="bell" aria-label="Bell to pin" defaultValue="eat">
            {pinnableBells.map((bell) => (
              <option key={bell} value={bell}>
                {bellWords[bell]}
              </option>
            ))}
          </PlainSelect>
        </InlineField>
        <InlineField gridColumn={colSpan(4)}>
          <InlineLabel>Rings at</InlineLabel>
          <PlainInput
            name="time"
            aria-label="Rings at"
            inputMode="numeric"
            placeholder={startsAt.slice(11, 16)}
            maxLength={5}
            required
            autoComplete="off"
          />
        </InlineField>
        <HStack gap="3" wrap="wrap">
          <Secondary name="intent" value="pin">
            Pin it
          </Secondary>
        </HStack>
      </GridForm>
    </EditDrawer>
  );
}
