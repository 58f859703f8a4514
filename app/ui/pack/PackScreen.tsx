import { Heading, List, Span, Text } from "@chakra-ui/react";
import {
  PackButtons,
  PackLayout,
  PackList,
  PackNow,
  PackOrder,
  PackReading,
  PackRow,
  PackScale,
  PackTarget,
  PackTop,
  PackWhere,
} from "~/ui/parts/packing";
import { TickLabel } from "~/ui/parts/forms";
import { type ReactNode, useEffect, useMemo, useRef, useState } from "react";
import {
  type ClassContainer,
  type ContainerState,
  type TickEvent,
  contentsOf,
  placeKey,
  roundsOf,
  stateOf,
} from "~/core/pack";
import { grams, list, number, timeOfDay } from "~/ui/format/format";
import { TextLink } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";
import {
  containerName,
  contentGrams,
  besideGrams,
  contentScoops,
  groupWords,
  placeName,
  sayMix,
  sayContentChange,
  sayMarks,
} from "~/ui/words/kits";
import type { Names } from "~/ui/words/names";
import { SentMark } from "~/ui/outbox/Sent";
import { Refusals } from "~/ui/outbox/Refusals";
import { useTicks } from "./useTicks";
import { missing, targetOf } from "./weighing";
import { PlainButton, Tick } from "~/ui/parts/plain";

/** What the scale says; the same words as its port. */
export type Reading =
  | { readonly kind: "weight"; readonly grams: number; readonly isSettled: boolean }
  | { readonly kind: "overload" }
  | { readonly kind: "lost" };

interface Props {
  readonly classId: string;
  readonly title: string;
  readonly timeZone: string;
  readonly me: string;
  readonly containers: readonly ClassContainer[];
  readonly events: readonly TickEvent[];
  readonly names: Names;
  /** Everything dry in a bag comes out of one bulk mix. */
  readonly isDryMixed: boolean;
  /** Share by which an ingredient may be off. */
  readonly toleranceOf: (ingredientId: string) => number;
  readonly reading: Reading;
  readonly tare: () => void;
  readonly panel: ReactNode;
}

/** How long a weight must be right before the screen moves on by itself: long enough to see it, short enough not to wait. */
const moveOnMs = 900;

type Order = "ingredient" | "station";

interface Group {
  readonly key: string;
  readonly name: string;
  readonly isSealed: boolean;
  readonly containers: readonly ClassContainer[];
}

/** The assembly line: one ingredient into all its containers, or one station after the other. Kits kept apart come first either way. */
function groupsOf(containers: readonly ClassContainer[], order: Order, names: Names): Group[] {
  if (order === "ingredient")
    return roundsOf(containers).map((round, index) => {
      const [first] = round.containers;
      return {
        key: `${index} ${round.ingredientIds.join(" ")}`,
        name: `${list(round.ingredientIds.map(names.ingredient), names.locale)}${first?.group === "hold-back" ? ", kept back" : ""}`,
        isSealed: round.isSealed,
        containers: round.containers,
      };
    });
  const places = [...new Set(containers.map((one) => placeKey(one.place)))];
  return places.map((key) => {
    const own = containers.filter((one) => placeKey(one.place) === key);
    const [first] = own;
    return { key, name: first ? placeName(first.place) : key, isSealed: first?.isSealed ?? false, containers: own };
  });
}

/** Packing, for floury hands: one container at a time, the scale beside it, every tick on every tablet. */
export function PackScreen(props: Props) {
  const { classId, title, timeZone, me, containers, events, names, isDryMixed, toleranceOf, reading, tare, panel } =
    props;
  const locale = useLocale();
  const { ticks, tick, waiting, sent, refused, seen, isReady } = useTicks(classId, events, me);
  const [order, setOrder] = useState<Order>("ingredient");
  const [chosen, setChosen] = useState<string>();
  const [contentIndex, setContentIndex] = useState(0);
  const [movesOn, setMovesOn] = useState(true);
  const [undo, setUndo] = useState<readonly string[]>([]);

  const groups = useMemo(() => groupsOf(containers, order, names), [containers, order, names]);
  const states = useMemo(
    () => new Map(containers.map((one) => [one.key, stateOf(contentsOf(one), ticks.packing.get(one.key))])),
    [containers, ticks],
  );
  const isDone = (one: ClassContainer) => states.get(one.key)?.kind === "packed";
  const queue = groups.flatMap((group) => group.containers);
  // What was chosen stays before the eyes even when it is done, until the next is.
  const current = queue.find((one) => one.key === chosen) ?? queue.find((one) => !isDone(one));
  const group = groups.find((each) => each.containers.some((one) => one.key === current?.key));
  const state: ContainerState = (current && states.get(current.key)) ?? { kind: "open" };
  const isMixed = isDryMixed && current?.id === "dry/mix";
  const aim =
    current && state.kind !== "packed" ? targetOf(current, state, contentIndex, isMixed, toleranceOf) : undefined;
  const by = aim && reading.kind === "weight" ? missing(aim, reading.grams) : undefined;
  const done = containers.filter(isDone).length;
  const gone = [...ticks.packing.keys()].filter((key) => !containers.some((one) => one.key === key));

  // A container is a new beginning: its first content, an empty scale.
  const start = useRef(tare);
  start.current = tare;
  useEffect(() => {
    setContentIndex(0);
    start.current();
  }, [current?.key]);

  const next = (after: ClassContainer) => {
    const at = queue.findIndex((one) => one.key === after.key);
    const later = [...queue.slice(at + 1), ...queue.slice(0, at)].find((one) => !isDone(one));
    setChosen(later?.key);
  };
  const pack = (container: ClassContainer, weighed?: number) => {
    tick({
      list: "packing",
      key: container.key,
      isOn: true,
      contents: contentsOf(container),
      ...(weighed === undefined ? {} : { weighed }),
    });
    setUndo((so) => [...so, container.key]);
    next(container);
  };
  const confirm = (weighed?: number) => {
    if (!current) return;
    const isLast = aim === undefined || aim.contentIndex === null || aim.contentIndex >= current.contents.length - 1;
    if (isLast) return pack(current, weighed);
    setContentIndex((so) => so + 1);
    tare();
  };
  const takeBack = () => {
    const key = undo[undo.length - 1];
    if (key === undefined) return;
    tick({ list: "packing", key, isOn: false });
    setUndo((so) => so.slice(0, -1));
    setChosen(key);
  };

  // Right and still for a moment: it is packed, and the next one comes.
  const isRight = movesOn && by === 0 && reading.kind === "weight" && reading.isSettled && reading.grams > 0;
  const onRight = useRef(() => {});
  onRight.current = () => confirm(reading.kind === "weight" ? reading.grams : undefined);
  useEffect(() => {
    if (!isRight) return;
    const timer = setTimeout(() => onRight.current(), moveOnMs);
    return () => clearTimeout(timer);
  }, [isRight, current?.key, contentIndex]);

  const content = aim?.contentIndex === null || aim === undefined ? undefined : current?.contents[aim.contentIndex];
  return (
    <PackLayout inert={!isReady}>
      <title>{`Packing · ${title} · Apron Bell`}</title>
      <PackTop>
        <TextLink to={`/classes/${classId}/kits`}>Leave packing</TextLink>
        <b>{title}</b>
        <span>
          {done} of {containers.length} packed
        </span>
        <SentMark waiting={waiting} sent={sent} />
        <Refusals refused={refused} onSeen={seen} />
        <PackOrder role="group" aria-label="Order">
          {(["ingredient", "station"] as const).map((one) => (
            <PlainButton key={one} type="button" aria-pressed={order === one} onClick={() => setOrder(one)}>
              by {one}
            </PlainButton>
          ))}
        </PackOrder>
      </PackTop>
      <PackList aria-label="Rounds">
        <List.Root as="ol">
          {groups.map((each) => {
            const left = each.containers.filter((one) => !isDone(one)).length;
            return (
              <li key={each.key}>
                <PlainButton
                  type="button"
                  aria-current={each.key === group?.key ? "true" : undefined}
                  onClick={() => setChosen((each.containers.find((one) => !isDone(one)) ?? each.containers[0])?.key)}
                >
                  <span>
                    {each.isSealed ? <b>Apart first: </b> : null}
                    {each.name}
                  </span>
                  <Span color={left === 0 ? "fg.muted" : undefined}>
                    {left === 0 ? "done" : `${each.containers.length - left} of ${each.containers.length}`}
                  </Span>
                </PlainButton>
              </li>
            );
          })}
        </List.Root>
      </PackList>
      <PackNow>
        {current === undefined ? (
          <>
            <Heading as="h1" size="2xl">
              {containers.length === 0 ? "Nothing to pack yet" : "Everything is packed"}
            </Heading>
            <Text>
              {containers.length === 0
                ? "Choose a recipe in the brief and say how many people come; the kits follow from that."
                : "Cold boxes last into the car. Choose a round on the left to look at it again."}
            </Text>
          </>
        ) : (
          <>
            <PackWhere>
              <b>
                {placeName(current.place)}
                {sayMix(current)}
              </b>
              <span>
                {containerName(current)}, {groupWords[current.group]}
              </span>
              {current.isSealed ? (
                <Text as="b" layerStyle="needsYou">
                  apart: clean hands and tools, close it at once
                </Text>
              ) : null}
            </PackWhere>
            <Heading as="h1" size="2xl">
              {aim?.isTopUp
                ? current.contents.map((one) => names.ingredient(one.ingredientId)).join(", ")
                : content
                  ? names.ingredient(content.ingredientId)
                  : isMixed
                    ? "dry mix"
                    : current.contents.map((one) => names.ingredient(one.ingredientId)).join(", ")}
              {current.contents.some((one) => one.isApart) ? <Span color="fg.muted"> kept back</Span> : null}
            </Heading>
            <PackTarget>
              {aim ? (
                <>
                  <b>{grams(aim.grams, locale)}</b>
                  <Span color="fg.muted">
                    ± {number(aim.tolerance, locale, aim.tolerance < 10 ? 1 : 0)} g
                    {content && besideGrams(content, locale) ? `, or ${besideGrams(content, locale)}` : ""}
                    {current.contents.length > 1 && !isMixed
                      ? `, ${contentIndex + 1} of ${current.contents.length}`
                      : ""}
                  </Span>
                </>
              ) : (
                <>
                  <b>{current.contents.map((one) => contentScoops(one, locale)).join(", ")}</b>
                  <Span color="fg.muted">
                    {current.contents.map((one) => contentGrams(one, locale)).join(", ")}, by hand
                  </Span>
                </>
              )}
            </PackTarget>
            {state.kind === "reopened" ? (
              <Text layerStyle="needsYou">
                Packed by {state.tick.by} at {timeOfDay(state.tick.at, locale, timeZone)}, and the plan has changed
                since:{" "}
                {list(
                  state.changes.map((change) => sayContentChange(change, names)),
                  locale,
                )}
                .
              </Text>
            ) : null}
            {state.kind === "packed" ? (
              <Text>
                Packed by {state.tick.by} at {timeOfDay(state.tick.at, locale, timeZone)}
                {state.tick.weighed === undefined ? "" : `, the scale said ${grams(state.tick.weighed, locale)}`}.
              </Text>
            ) : (
              <PackReading aria-live="polite">
                <PackScale>
                  {reading.kind === "weight"
                    ? grams(reading.grams, locale)
                    : reading.kind === "lost"
                      ? "no scale"
                      : "too heavy"}
                </PackScale>
                <Text as="b" layerStyle={!(by === 0) ? "needsYou" : undefined}>
                  {sayReading(reading, aim !== undefined, by, locale)}
                </Text>
              </PackReading>
            )}
            <Text fontSize="sm" color="fg.muted">
              {sayMarks(current.marks, names).join(" ")}
            </Text>
            <PackButtons>
              {state.kind === "packed" ? (
                <PlainButton type="button" onClick={() => tick({ list: "packing", key: current.key, isOn: false })}>
                  Not packed after all
                </PlainButton>
              ) : (
                <PlainButton
                  data-part="main"
                  type="button"

                  onClick={() => confirm(aim && reading.kind === "weight" ? reading.grams : undefined)}
                >
                  {state.kind === "reopened"
                    ? "Put right"
                    : aim && aim.contentIndex !== null && aim.contentIndex < current.contents.length - 1
                      ? "Next in this one"
                      : "Packed"}
                </PlainButton>
              )}
              <PlainButton type="button" onClick={tare}>
                Tare
              </PlainButton>
              <PlainButton type="button" onClick={() => next(current)}>
                Later
              </PlainButton>
              <PlainButton type="button" onClick={takeBack} disabled={undo.length === 0}>
                Take back the last
              </PlainButton>
              <TickLabel>
                <Tick checked={movesOn} onChange={(event) => setMovesOn(event.target.checked)} />
                auto-advance
              </TickLabel>
            </PackButtons>
            {group ? (
              <PackRow aria-label="Containers of this round">
                {group.containers.map((one) => {
                  const each = states.get(one.key);
                  return (
                    <li key={one.key}>
                      <PlainButton
                        data-part={each?.kind === "reopened" ? "needs" : undefined}
                        type="button"
                        aria-current={one.key === current.key ? "true" : undefined}

                        onClick={() => setChosen(one.key)}
                      >
                        <b>
                          {order === "ingredient"
                            ? `${placeName(one.place)}${sayMix(one)}`
                            : list(
                                one.contents.map((c) => names.ingredient(c.ingredientId)),
                                locale,
                              )}
                        </b>
                        <span>
                          {one.contents.length === 1 && one.contents[0]
                            ? contentGrams(one.contents[0], locale)
                            : one.grams === undefined
                              ? ""
                              : grams(one.grams, locale)}
                        </span>
                        <Span fontSize="sm">
                          {each?.kind === "packed"
                            ? `${each.tick.by}, ${timeOfDay(each.tick.at, locale, timeZone)}`
                            : each?.kind === "reopened"
                              ? "changed since"
                              : "open"}
                        </Span>
                      </PlainButton>
                    </li>
                  );
                })}
              </PackRow>
            ) : null}
          </>
        )}
        {gone.length > 0 ? (
          <Text layerStyle="needsYou">
            {gone.length} {gone.length === 1 ? "container was" : "containers were"} packed that the plan no longer
            wants: set them aside. {list(gone, locale)}.
          </Text>
        ) : null}
        {panel}
      </PackNow>
    </PackLayout>
  );
}

/** What the scale asks for, in words: never by colour alone. */
function sayReading(reading: Reading, isWeighed: boolean, by: number | undefined, locale: string): string {
  if (!isWeighed) return "Measure by hand, then press Packed.";
  if (reading.kind === "lost") return "The scale cannot be heard. Use another and press Packed, or the spoons.";
  if (reading.kind === "overload") return "More than the scale can carry. Take it off.";
  if (by === undefined) return "";
  if (by === 0) return reading.isSettled ? "That is it." : "That is it, wait for it to settle.";
  return by > 0 ? `Put in ${grams(Math.round(by), locale)}.` : `Take out ${grams(Math.round(-by), locale)}.`;
}
