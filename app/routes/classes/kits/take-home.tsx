import { Heading, Span, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { InlineField, InlineFieldsForm, InlineLabel } from "~/ui/parts/forms";
import { TakeHomeGrid, TrayLabels } from "~/ui/parts/labels";
import { parseDateTime } from "@internationalized/date";
import { useSearchParams } from "react-router";
import { useClass } from "../class-context";
import { storedMixesOf, takeHomeOf, traysOf } from "~/core/pack";
import { clock, day } from "~/ui/format/format";
import { StoredMixLabel } from "~/ui/kit/StoredMixLabel";
import { TakeHomeLabel } from "~/ui/kit/TakeHomeLabel";
import { TrayLabel } from "~/ui/kit/TrayLabel";
import { Secondary, TextLink } from "~/ui/parts/fields";
import { PlainInput } from "~/ui/parts/plain";
import { PrintButton } from "~/ui/parts/PrintButton";

const mostOfEach = 60;

/** Labels for what is taken home: by dish, as many of each as are wanted. */
export default function TakeHomeLabels() {
  const { input, plan, names, action } = useClass();
  const [search] = useSearchParams();
  const asked = Number(search.get("each") ?? "");
  const each = Number.isInteger(asked) && asked >= 1 && asked <= mostOfEach ? asked : undefined;
  const labels = takeHomeOf(input, plan);
  const mixes = storedMixesOf(input, plan);
  const trays = traysOf(plan);
  const at = (minutes: number) => clock(input.startsAt, input.timeZone, minutes, names.locale);
  const eatBy = (days: number) => day(parseDateTime(input.startsAt).add({ days }).toString(), names.locale);
  const peopleAt = (dishId: string) =>
    plan.stations.filter((station) => station.dishId === dishId).reduce((sum, station) => sum + station.size, 0);
  return (
    <>
      <SheetHead _print={{ display: "none" }}>
        <Heading as="h2" size="xl">
          Labels to take home
        </Heading>
        <Text color="fg.muted">
          For pieces that are cooled fully and packed. One for each who cooked, unless you say so.
        </Text>
        <SheetTools>
          <TextLink to={`${action}/kits`}>Kits</TextLink>
          <PrintButton>Print the labels</PrintButton>
        </SheetTools>
      </SheetHead>
      <InlineFieldsForm _print={{ display: "none" }} mb="3.5" method="get">
        <InlineField>
          <InlineLabel>Of each dish</InlineLabel>
          <PlainInput
            name="each"
            inputMode="numeric"
            defaultValue={each ?? ""}
            placeholder="one each"
            aria-label={`Labels of each dish, 1 to ${mostOfEach}`}
          />
        </InlineField>
        <Secondary type="submit">Lay out</Secondary>
        {search.get("each") && each === undefined ? (
          <Span layerStyle="needsYou" fontSize="sm" role="alert">
            “{search.get("each")?.slice(0, 20)}” is no whole number from 1 to {mostOfEach}; one for each who cooked is
            laid out.
          </Span>
        ) : null}
      </InlineFieldsForm>
      {labels.length === 0 ? (
        <Text color="fg.muted">Nobody makes a dish yet: there is nothing to take home.</Text>
      ) : null}
      <TakeHomeGrid>
        {labels.flatMap((label) =>
          Array.from({ length: each ?? Math.min(mostOfEach, Math.max(1, peopleAt(label.dishId))) }, (_, index) => (
            <TakeHomeLabel
              key={`${label.dishId} ${label.roundId ?? ""} ${index}`}
              label={label}
              made={day(input.startsAt, names.locale)}
              eatBy={eatBy(label.keepsDays)}
              names={names}
            />
          )),
        )}
      </TakeHomeGrid>
      {mixes.length > 0 ? (
        <TrayLabels aria-label="Dry mix to keep">
          <Heading as="h3" size="lg">
            Dry mix to keep
          </Heading>
          <TakeHomeGrid>
            {mixes.flatMap((mix) =>
              Array.from({ length: mix.bags }, (_, index) => (
                <StoredMixLabel
                  key={`${mix.dishId} ${index}`}
                  mix={mix}
                  made={day(input.startsAt, names.locale)}
                  useBy={eatBy(mix.keepsDays)}
                  names={names}
                />
              )),
            )}
          </TakeHomeGrid>
        </TrayLabels>
      ) : null}
      {trays.length > 0 ? (
        <TrayLabels aria-label="Tray labels">
          <Heading as="h3" size="lg">
            For the trays of each round
          </Heading>
          <TakeHomeGrid>
            {trays.map((tray) => (
              <TrayLabel
                key={`${tray.stationId} ${tray.roundId}`}
                tray={tray}
                out={at(tray.out)}
                by={at(tray.by)}
                names={names}
              />
            ))}
          </TakeHomeGrid>
        </TrayLabels>
      ) : null}
    </>
  );
}
