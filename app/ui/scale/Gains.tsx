import { GainLines, GainNote } from "~/ui/parts/bench";
import { Heading, Span, Text } from "@chakra-ui/react";
import type { ClassPlan, StationGain } from "~/core/plan";
import { type Amount, subtract, zero } from "~/core/quantity";
import { amount, fraction, howMany, minutes, people, scoops } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import type { Names } from "~/ui/words/names";

interface Props {
  readonly gains: readonly StationGain[];
  readonly before: ClassPlan;
  readonly after: ClassPlan;
  readonly names: Names;
}

const signed = (by: Amount, locale: string): string =>
  by.value.num < 0n ? `− ${amount({ ...by, value: subtract(zero, by.value) }, locale)}` : `+ ${amount(by, locale)}`;

/** What every station gains or gives back when the class grows or shrinks, line by line, and what its card then says. */
export function Gains({ gains, before, after, names }: Props) {
  const locale = useLocale();
  const touched = gains.filter((gain) => gain.kind !== "same");
  const kindWords = { new: "new station", gone: "closes", changed: "", same: "" } as const;
  return (
    <>
      <Text>
        {before.stations.length === after.stations.length
          ? `Still ${howMany(after.stations.length, "station")}`
          : `${howMany(before.stations.length, "station")} become${before.stations.length === 1 ? "s" : ""} ${after.stations.length}`}
        ; the class closes after <b>{minutes(after.timeline.end, locale)}</b>
        {after.timeline.end === before.timeline.end
          ? ", as before"
          : `, before it was ${minutes(before.timeline.end, locale)}`}
        . {touched.length === 0 ? "No kit changes." : `${touched.length} of ${gains.length} kits are opened again.`}
      </Text>
      {touched.map((gain) => (
        <GainNote key={gain.stationId}>
          <Heading as="h3" size="lg">
            {gain.name}{" "}
            <Span color="fg.muted" fontSize="sm">
              {kindWords[gain.kind]}
              {gain.people === 0 ? "" : ` ${gain.people > 0 ? "+" : "−"}${people(Math.abs(gain.people))}`}; ×{" "}
              {fraction(gain.factor.from, locale)} becomes × {fraction(gain.factor.to, locale)}; {gain.pieces.from} →{" "}
              {howMany(gain.pieces.to, "piece")}, {gain.loads.from} → {howMany(gain.loads.to, "load")}
            </Span>
          </Heading>
          <GainLines>
            {gain.lines.map((line) => (
              <li key={line.lineId}>
                <b>{signed(line.by, locale)}</b> {names.ingredient(line.ingredientId)}
                {line.now?.main?.scoops && gain.kind !== "gone" ? (
                  <Span color="fg.muted">, then {scoops(line.now.main.scoops.counts, locale)} in all</Span>
                ) : null}
              </li>
            ))}
            {gain.lines.length === 0 ? (
              <Text as="li" color="fg.muted">
                the same kit, other people
              </Text>
            ) : null}
          </GainLines>
        </GainNote>
      ))}
    </>
  );
}
