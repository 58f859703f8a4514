import { NeedsScript } from "~/ui/sheet/WhenReady";
import { Box, Heading, Span, Text, VisuallyHidden, chakra } from "@chakra-ui/react";
import { LiveLayout } from "~/ui/parts/live";
import { Caution } from "~/ui/parts/recipe";
import { type FormEvent, useEffect, useMemo, useRef, useState } from "react";
import { type ClassInput, type ClassPlan, kindsUsed, recipesMade } from "~/core/plan";
import { correctionStep, looksOf } from "~/core/look";
import { toNumber, inMinutes } from "~/core/quantity";
import type { Hazard } from "~/core/recipe";
import { type BellKind, spokenAt, stepsAtBell } from "~/core/schedule";
import { Refusals } from "~/ui/outbox/Refusals";
import { type LiveEvent, situationAt, takesBack } from "~/core/teach";
import { clock, countdown, minutes } from "~/ui/format/format";
import { roomKindOf } from "~/core/people";
import { sentWords } from "~/ui/outbox/sent-words";
import { Aims } from "~/ui/brief/Aims";
import { BellLine } from "~/ui/schedule/BellLine";
import { type Moment, Moments } from "~/ui/draw/Moments";
import { TextLink } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";
import { bellInstruction, bellWords, cueWords, hazardWords } from "~/ui/words/en";
import { allowSound, ringBell } from "./bell-sound";
import { StepNotes } from "~/ui/recipe/StepNotes";
import { Troubles } from "~/ui/recipe/Troubles";
import { namesOf } from "~/ui/words/names";
import { StationKeys } from "./StationKeys";
import { useLive } from "./useLive";
import { Fold, FoldTitle, PlainButton, PlainInput } from "~/ui/parts/plain";

interface Props {
  readonly classId: string;
  /** The account that is signed in. */
  readonly me: string;
  readonly input: ClassInput;
  readonly plan: ClassPlan;
  readonly events: readonly LiveEvent[];
  readonly serverNow: number;
}

/** So many stations stand on one screen. */
const perPage = 8;
const tickMs = 250;
const flashMs = 3400;
/** A bell rung elsewhere this long ago still sounds here; an older one was heard before this screen opened. */
const freshMs = 10_000;
const lateWorthSaying = 1;

/** The cautions of the steps that a bell begins. */
function hazardsAt(kind: BellKind | undefined, plan: ClassPlan): Hazard[] {
  const kinds = kind ? (stepsAtBell[kind] ?? []) : [];
  return [
    ...new Set(
      plan.dishes.flatMap((dish) =>
        dish.recipe.steps.filter((step) => kinds.includes(step.kind)).flatMap((step) => step.hazards),
      ),
    ),
  ];
}

/** What happens at the heat, drawn: poured, waited for by the recipe's own cue, turned where its family turns. */
function momentsOf(plan: ClassPlan): Moment[] {
  const [dish] = plan.dishes;
  const looks = dish ? looksOf(dish.recipe) : undefined;
  const [turn] = looks?.turn ?? [];
  const [done] = looks?.done ?? [];
  return [
    { drawing: "pour", words: "one at a time, a hand apart" },
    ...(dish?.recipe.heat.side2
      ? [
          {
            drawing: "turn",
            words: turn ? `turn once, when: ${cueWords[turn]}` : "turn once, when it looks right",
          } as const,
        ]
      : []),
    ...(done ? [{ drawing: done, words: `done when: ${cueWords[done]}` } as const] : []),
  ];
}

/** For whoever goes round: what is seen on a piece, why, and what to do, with the amounts of a station's own bowl. */
function LooksWrong({ input, plan }: Pick<Props, "input" | "plan">) {
  const names = namesOf(input, plan, useLocale());
  const pantry = new Map(input.pantry.map((one) => [one.id, one]));
  const made = plan.dishes.filter((dish) => dish.stations > 0);
  return (
    <Fold data-part="looks-wrong">
      <FoldTitle>A piece looks wrong</FoldTitle>
      {made.map((dish) => {
        const factor = plan.stations.find((station) => station.dishId === dish.id)?.scale.factor;
        return (
          <Box as="section" key={dish.id}>
            {made.length > 1 ? (
              <Heading as="h3" size="lg">
                {dish.recipe.title}
              </Heading>
            ) : null}
            <Troubles
              family={dish.recipe.family}
              kinds={kindsUsed(input, plan, dish.recipe)}
              step={factor ? correctionStep(dish.recipe, dish.batter, pantry, toNumber(factor)) : undefined}
              names={names}
            />
          </Box>
        );
      })}
    </Fold>
  );
}

/** The room by the bell: what now, what next, how long, who is in trouble. */
export function LiveScreen({ classId, me, input, plan, events, serverNow }: Props) {
  const locale = useLocale();
  const { state, add, waiting, sent, refused, seen } = useLive(classId, me, events);
  const [now, setNow] = useState(serverNow);
  const [isBright, setIsBright] = useState(false);
  const [isFlashing, setIsFlashing] = useState(false);
  const { bells } = plan.timeline;
  const situation = situationAt(state, bells, now);
  const { phase, next, untilNext } = situation;

  useEffect(() => {
    setNow(Date.now());
    const tick = setInterval(() => setNow(Date.now()), tickMs);
    return () => clearInterval(tick);
  }, []);

  // The screen stays on while the class runs, where the browser can see to that.
  useEffect(() => {
    if (phase !== "running" || !("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let isOver = false;
    navigator.wakeLock.request("screen").then(
      (got) => {
        lock = got;
        if (isOver) void got.release();
      },
      () => undefined,
    );
    return () => {
      isOver = true;
      void lock?.release();
    };
  }, [phase]);

  // A bell sounds and flashes on every screen, wherever it was rung; once each.
  const heard = useRef(new Set(Object.keys(state.rung)));
  useEffect(() => {
    const fresh = Object.entries(state.rung).filter(([id, at]) => !heard.current.has(id) && Date.now() - at < freshMs);
    heard.current = new Set(Object.keys(state.rung));
    if (fresh.length === 0) return;
    ringBell(2);
    setIsFlashing(true);
    const over = setTimeout(() => setIsFlashing(false), flashMs);
    return () => clearTimeout(over);
  }, [state.rung]);

  // One soft stroke when the next bell falls due; the instructor rings it when the room is.
  const reminded = useRef<string | undefined>(undefined);
  const isDue = phase === "running" && untilNext !== undefined && untilNext <= 0;
  useEffect(() => {
    if (!isDue || !next || reminded.current === next.id) return;
    reminded.current = next.id;
    ringBell(1, 0.4);
  }, [isDue, next]);

  // Until somebody has touched this screen, its browser lets no bell be heard: it says so, and any touch is enough.
  const [canSound, setCanSound] = useState(false);
  useEffect(() => {
    const touched = () => void allowSound().then(setCanSound);
    addEventListener("pointerdown", touched);
    return () => removeEventListener("pointerdown", touched);
  }, []);

  const ring = () => {
    void allowSound().then(setCanSound);
    if (phase === "not-started") {
      add({ kind: "class-started" });
      if (next) add({ kind: "bell-rung", bellId: next.id });
    } else if (next) add({ kind: "bell-rung", bellId: next.id });
  };
  const undone = takesBack(state, situation);
  const takeBack = () => undone && add(undone);

  // A press before the page has come alive would ring nothing and look as if it had: until then nothing can be pressed.
  const [isReady, setReady] = useState(false);
  const keys = useRef<Record<string, () => void>>({});
  keys.current = {
    " ": () => phase !== "ended" && next && ring(),
    u: () => phase === "running" && takeBack(),
    d: () => phase === "running" && add({ kind: "delay-added", minutes: inMinutes(2) }),
    b: () => setIsBright((bright) => !bright),
  };
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const isTyping =
        event.target instanceof HTMLElement && event.target.closest("input, textarea, select, button, a, summary");
      const act = keys.current[event.key.toLowerCase()];
      if (isTyping || !act || event.ctrlKey || event.metaKey || event.altKey) return;
      event.preventDefault();
      act();
    };
    addEventListener("keydown", press);
    setReady(true);
    return () => removeEventListener("keydown", press);
  }, []);

  const note = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const text = String(new FormData(form).get("note") ?? "")
      .trim()
      .slice(0, 500);
    if (!text) return;
    add({ kind: "note-added", text });
    form.reset();
  };

  // All of a room on one screen; a larger one by pages, each named by its first and last station.
  const [page, setPage] = useState(0);
  const pages = Array.from({ length: Math.ceil(plan.stations.length / perPage) }, (_, index) => {
    const shown = plan.stations.slice(index * perPage, (index + 1) * perPage);
    return `${shown[0]?.name ?? ""} to ${shown.at(-1)?.name ?? ""}`;
  });
  const { startedAt } = state;
  const rung =
    startedAt === undefined
      ? {}
      : Object.fromEntries(Object.entries(state.rung).map(([id, at]) => [id, (at - startedAt) / 60_000]));
  const isLate = phase === "running" && situation.lateMinutes >= lateWorthSaying;
  const hazards = hazardsAt(situation.now?.kind, plan);
  const spoken = useMemo(() => spokenAt(plan.timeline, recipesMade(plan)), [plan]);
  const said = (situation.now && spoken.get(situation.now.kind)) ?? [];
  const shownTime =
    phase === "not-started"
      ? clock(input.startsAt, input.timeZone, 0, locale)
      : untilNext === undefined
        ? countdown(situation.elapsed)
        : countdown(untilNext);
  return (
    <LiveLayout data-room={isBright ? "bright" : "dark"} inert={!isReady}>
      <title>{`${situation.now ? bellWords[situation.now.kind] : "Teach"} · ${input.title}`}</title>
      {isFlashing ? <Box data-part="flash" aria-hidden="true" /> : null}
      <VisuallyHidden as="h1">{input.title}</VisuallyHidden>
      <NeedsScript />
      <Box data-part="live-top">
        <TextLink to={`/classes/${classId}/timeline`}>{input.title}</TextLink>
        <TextLink to={`/classes/${classId}/call`}>Call the list</TextLink>
        <span data-part="kept" data-waiting={waiting > 0 || sent !== "sent" ? "" : undefined} role="status">
          {waiting > 0
            ? `${waiting} waiting on this device, ${sent === "sent" ? "sending" : sentWords[sent]}`
            : sentWords[sent]}
        </span>
        <Refusals refused={refused} onSeen={seen} />
        <Box data-part="right">
          {canSound ? null : (
            <PlainButton type="button" onClick={() => void allowSound().then(setCanSound)}>
              Tap for sound
            </PlainButton>
          )}
          {phase === "running" && next && plan.timeline.bells.indexOf(next) > 1 ? (
            <PlainButton type="button" onClick={() => add({ kind: "class-ended" })}>
              End early
            </PlainButton>
          ) : null}
          <PlainButton type="button" onClick={() => setIsBright(!isBright)}>
            {isBright ? "Dark room" : "Bright room"}
          </PlainButton>
          <Fold>
            <FoldTitle minH="11" cursor="pointer" display="inline-flex" alignItems="center">
              Keys
            </FoldTitle>
            <Span fontSize="sm">space: ring; u: take the last bell back; d: two minutes more; b: bright or dark</Span>
          </Fold>
        </Box>
      </Box>
      <BellLine
        isFolded
        timeline={plan.timeline}
        startsAt={input.startsAt}
        timeZone={input.timeZone}
        available={input.brief.minutes}
        rung={rung}
        {...(phase === "running" ? { now: situation.elapsed / 60_000 } : {})}
        {...(next ? { nextBellId: next.id } : {})}
      />
      <Box data-part="stand">
        <Box>
          <Text data-part="now-word">
            {phase === "not-started"
              ? "Ready when you are"
              : phase === "ended"
                ? "Ended"
                : situation.now
                  ? `Now: ${bellWords[situation.now.kind]}`
                  : "Now"}
          </Text>
          <Text data-part="instruction" role="status">
            {phase === "ended"
              ? "The class is over. The log has it all."
              : phase === "not-started"
                ? bellInstruction[roomKindOf(input.brief)].doors
                : bellInstruction[roomKindOf(input.brief)][situation.now?.kind ?? "doors"]}
          </Text>
          {situation.now?.kind === "pour" || situation.now?.kind === "swap" ? (
            <Moments moments={momentsOf(plan)} />
          ) : null}
          {phase === "not-started" || (phase === "running" && situation.now?.kind === "doors") ? (
            <Aims isLarge aims={input.brief.aims} />
          ) : null}
          {said.map(({ recipeId, step }) => (
            <StepNotes key={`${recipeId} ${step.id}`} step={step} />
          ))}
          <Text data-part="next-word">
            {next && phase === "running" ? (
              <>
                Next: <b>{bellWords[next.kind]}</b>
              </>
            ) : phase === "ended" ? (
              <TextLink to={`/classes/${classId}/log`}>Open the log</TextLink>
            ) : null}
          </Text>
        </Box>
        <Box>
          <Text
            data-part="time"
            data-late={isDue ? "" : undefined}
            data-before={phase === "not-started" ? "" : undefined}

            aria-label={phase === "not-started" ? "doors open at" : "time left"}
          >
            {shownTime}
          </Text>
          <Text data-part="time-word">
            {phase === "not-started"
              ? "doors open"
              : phase === "ended"
                ? "in all"
                : next
                  ? isDue
                    ? `${bellWords[next.kind]} is due`
                    : `until ${bellWords[next.kind].toLowerCase()}`
                  : "since the doors"}
          </Text>
          <Text textAlign="end" data-part="late-word">
            {isLate ? `late by ${minutes(Math.round(situation.lateMinutes), locale)}` : ""}
          </Text>
          {hazards.map((hazard) => (
            <Caution key={hazard}>{hazardWords[hazard]}</Caution>
          ))}
        </Box>
      </Box>
      <Box>
        <Box data-part="bells">
          {phase === "ended" ? (
            <PlainButton data-part="big" type="button" onClick={() => add({ kind: "class-reopened" })}>
              Not over yet
            </PlainButton>
          ) : next ? (
            <PlainButton data-part="big" data-primary type="button" onClick={ring}>
              {phase === "not-started" ? "Start the class" : `Ring: ${bellWords[next.kind]}`}
            </PlainButton>
          ) : (
            <PlainButton data-part="big" data-primary type="button" onClick={() => add({ kind: "class-ended" })}>
              End the class
            </PlainButton>
          )}
          {phase === "running" ? (
            <PlainButton data-part="big" type="button" disabled={!undone} onClick={takeBack}>
              {undone?.kind === "delay-added" ? `Take back ${-undone.minutes} minutes` : "Take back"}
            </PlainButton>
          ) : null}
          {phase === "running" ? (
            <PlainButton
              data-part="big"
              type="button"

              onClick={() => add({ kind: "delay-added", minutes: inMinutes(2) })}
            >
              2 minutes more{situation.addedMinutes > 0 ? ` (${situation.addedMinutes} so far)` : ""}
            </PlainButton>
          ) : null}
          {phase === "running" ? (
            <chakra.form display="flex" gap="2" flex="1 1 200px" onSubmit={note}>
              <VisuallyHidden asChild>
                <label htmlFor="note">Note for the log</label>
              </VisuallyHidden>
              <PlainInput
                minH="64px"
                flex="1"
                minW="0"
                bg="bg.panel"
                border="1px solid {colors.fg.muted}"
                px="3.5"
                fontSize="lg"

                id="note"
                name="note"
                maxLength={500}
                placeholder="Note for the log"
              />
              <PlainButton data-part="big" type="submit">
                Note
              </PlainButton>
            </chakra.form>
          ) : null}
        </Box>
        {phase === "ended" ? null : (
          <>
            {pages.length > 1 ? (
              <Box data-part="station-pages" role="group" aria-label="Which stations are shown">
                {pages.map((names, index) => (
                  <PlainButton key={names} aria-pressed={index === page} onClick={() => setPage(index)}>
                    {names}
                  </PlainButton>
                ))}
              </Box>
            ) : null}
            <Box data-part="stations">
              {plan.stations.slice(page * perPage, (page + 1) * perPage).map((station) => (
                <StationKeys key={station.id} input={input} plan={plan} station={station} live={state} add={add} />
              ))}
            </Box>
            <LooksWrong input={input} plan={plan} />
          </>
        )}
      </Box>
    </LiveLayout>
  );
}
