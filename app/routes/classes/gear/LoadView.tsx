import { Heading, Table, Text, VisuallyHidden } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { ScrollArea, ThumbTick } from "~/ui/parts/forms";
import { CountBackInput } from "~/ui/parts/shopping";
import { useMemo } from "react";
import { useClass } from "../class-context";
import { atHand, carriedGear, cratesOf, loadLayers } from "~/core/gear";
import { type TickEvent, carriedKits, packingOfClass } from "~/core/pack";
import { howMany, list, number, timeOfDay } from "~/ui/format/format";
import { SentMark } from "~/ui/outbox/Sent";
import { CratesDrawing } from "~/ui/draw/CratesDrawing";
import { useTicks } from "~/ui/pack/useTicks";
import { TextLink } from "~/ui/parts/fields";
import { PrintButton } from "~/ui/parts/PrintButton";
import { useLocale } from "~/ui/sheet/locale";
import { toolWords } from "~/ui/words/en";
import { layerWords } from "~/ui/words/kits";
import type { Tool } from "~/core/recipe";
import { Heads } from "~/ui/sheet/Heads";
import { Tick } from "~/ui/parts/plain";

/** The car: crates in the order they go in, ticked out and back, blades and sticks counted. */
export function LoadView({ classId, events, me }: { classId: string; events: readonly TickEvent[]; me: string }) {
  const { input, plan } = useClass();
  const locale = useLocale();
  const { ticks, tick, waiting, sent, isReady } = useTicks(classId, events, me);
  const crates = useMemo(() => {
    const surfaces = input.kitchen.surfaces.map((surface) => ({
      surface,
      count: plan.timeline.units.filter((unit) => unit.surfaceId === surface.id).length,
    }));
    return plan.stations.length === 0
      ? []
      : cratesOf([...carriedGear(plan.gear, surfaces), ...carriedKits(packingOfClass(input, plan).containers), atHand]);
  }, [input, plan]);
  const nameOf = (key: string): string => {
    if (key.startsWith("tool:")) return toolWords[key.slice(5) as Tool] ?? key;
    if (key.startsWith("surface:")) return input.kitchen.surfaces.find((one) => one.id === key.slice(8))?.name ?? key;
    if (key === "cold") return "cold box with the chilled kits";
    if (key === "dry-kits") return "box of dry kits";
    return "your bag: sheets, labels, extinguisher, first aid, medicine and plans, tape, pens";
  };
  const total = crates.reduce((sum, one) => sum + one.grams, 0);
  const counted = plan.gear.filter((line) => line.isCountedBack);
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          Load list
        </Heading>
        <Text color="fg.muted">
          {howMany(crates.length, "crate or box", "crates and boxes")}, about {number(total / 1000, locale, 0)} kg. In
          this order: what is wanted first goes in last.
        </Text>
        <SheetTools>
          <SentMark waiting={waiting} sent={sent} isSmall />
          <TextLink to="../gear">Gear</TextLink>
          <PrintButton>Print the list</PrintButton>
        </SheetTools>
      </SheetHead>
      {crates.length === 0 ? <Text>Nothing to load yet: the brief names no recipe or no people.</Text> : null}
      <CratesDrawing crates={crates} isIn={(key) => ticks.load.has(key)} />
      <ScrollArea tabIndex={0} role="group" aria-label="Load list">
        <Table.Root native>
          <Heads of={["Out", "Back", { n: "No." }, "Crate", "In it", { n: "kg" }]} />
          {loadLayers.map((layer) => {
            const own = crates.map((one, index) => ({ one, index })).filter(({ one }) => one.layer === layer);
            return own.length === 0 ? null : (
              <tbody key={layer}>
                {own.map(({ one, index }) => {
                  const { key } = one;
                  const [out, back] = [ticks.load.get(key), ticks.return.get(key)];
                  return (
                    <tr key={key}>
                      {(["load", "return"] as const).map((which) => {
                        const is = which === "load" ? out : back;
                        return (
                          <td key={which}>
                            <ThumbTick>
                              <Tick
                                checked={is !== undefined}
                                disabled={!isReady}
                                onChange={(event) => tick({ list: which, key, isOn: event.target.checked })}
                              />
                              <VisuallyHidden>
                                crate {index + 1} {which === "load" ? "is in the car" : "is back"}
                              </VisuallyHidden>
                            </ThumbTick>
                          </td>
                        );
                      })}
                      <td data-numeric>{index + 1}</td>
                      <td>
                        {layerWords[layer]}
                        {out ? (
                          <div data-small data-quiet>
                            {out.by}, {timeOfDay(out.at, locale, input.timeZone)}
                          </div>
                        ) : null}
                      </td>
                      <td>
                        {list(
                          one.items.map((item) => `${item.count} ${nameOf(item.key)}`),
                          locale,
                        )}
                      </td>
                      <td data-numeric>{number(one.grams / 1000, locale, 1)}</td>
                    </tr>
                  );
                })}
              </tbody>
            );
          })}
        </Table.Root>
      </ScrollArea>
      {counted.length > 0 ? (
        <>
          <Heading as="h3" size="lg">
            Counted out, counted back
          </Heading>
          <Table.Root native maxW="620px">
            <Heads of={["What", { n: "Out" }, "Back", "Missing"]} />
            <tbody>
              {counted.map((line) => {
                const out = Math.min(line.needed, line.owned ?? line.needed);
                const back = ticks.return.get(`tool:${line.tool}`)?.count;
                const gone = back === undefined ? undefined : out - back;
                return (
                  <tr key={line.tool}>
                    <td>{toolWords[line.tool]}</td>
                    <td data-numeric>{out}</td>
                    <td>
                      <CountBackInput
                        disabled={!isReady}
                        inputMode="numeric"
                        aria-label={`${toolWords[line.tool]} counted back`}
                        defaultValue={back ?? ""}
                        key={back ?? "none"}
                        onBlur={(event) => {
                          const typed = event.target.value.trim();
                          const count = Number(typed);
                          if (typed === "" || !Number.isInteger(count) || count < 0 || count > 10_000 || count === back)
                            return;
                          tick({ list: "return", key: `tool:${line.tool}`, isOn: true, count });
                        }}
                      />
                    </td>
                    <td>
                      {gone === undefined ? (
                        <span data-quiet>not counted yet</span>
                      ) : gone > 0 ? (
                        <Text as="b" layerStyle="needsYou">
                          {gone} missing: look before anybody leaves
                        </Text>
                      ) : (
                        "all there"
                      )}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </Table.Root>
        </>
      ) : null}
      <Text fontSize="sm" color="fg.muted">
        No crate above 12 kg for one person by the starting value; lift with somebody else what is heavier. Weights are
        typical figures of kitchen ware.
      </Text>
    </>
  );
}
