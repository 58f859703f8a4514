import { inPieces, inMinutes } from "~/core/quantity";
import fc from "fast-check";
import { logRows, piecesCounted } from "~/core/log";
import { plan } from "~/core/plan";
import { CalendarDate } from "@internationalized/date";
import { demoClasses } from "~/demo/boathouse";
import { fold, inOrder, situationAt, takesBack } from "./fold";
import { type LiveEvent, stationStates } from "./types";

const { timeline } = plan(demoClasses(new CalendarDate(2026, 11, 24)).current);
const { bells } = timeline;
const start = 1_800_000_000_000;
const minute = 60_000;
const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;

const event: fc.Arbitrary<LiveEvent> = fc
  .tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 90 }))
  .chain(([n, after]) => {
    const happened = { id: id(n), at: start + after * minute };
    return fc.oneof(
      fc.constant({ ...happened, kind: "class-started" as const }),
      fc.constantFrom(...bells).map((bell) => ({ ...happened, kind: "bell-rung" as const, bellId: bell.id })),
      fc.constantFrom(...bells).map((bell) => ({ ...happened, kind: "bell-taken-back" as const, bellId: bell.id })),
      fc.constant({ ...happened, kind: "delay-added" as const, minutes: inMinutes(2) }),
      fc
        .constantFrom(...stationStates)
        .map((state) => ({ ...happened, kind: "station-set" as const, stationId: "s1", state })),
      fc
        .nat(20)
        .map((pieces) => ({ ...happened, kind: "pieces-counted" as const, stationId: "s1", pieces: inPieces(pieces) })),
      fc.nat(12).map((pieces) => ({
        ...happened,
        kind: "rounds-decided" as const,
        stationId: "s1",
        rounds: [
          { roundId: "plain", pieces: inPieces(12 - pieces) },
          { roundId: "berries", pieces: inPieces(pieces) },
        ],
      })),
      fc.constant({ ...happened, kind: "note-added" as const, text: "x" }),
      fc.constant({ ...happened, kind: "class-ended" as const }),
      fc.constant({ ...happened, kind: "class-reopened" as const }),
    );
  });
const events = fc.uniqueArray(event, { selector: (one) => one.id, maxLength: 30 });

test("the order of arrival and what is sent twice make no difference", () => {
  fc.assert(
    fc.property(events, fc.infiniteStream(fc.nat(1000)), (all, chance) => {
      const shuffled = all
        .map((one) => ({ one, key: chance.next().value as number }))
        .sort((a, b) => a.key - b.key)
        .map(({ one }) => one);
      expect(fold([...shuffled, ...all.slice(0, 5)])).toEqual(fold(all));
      expect(inOrder(shuffled)).toEqual(inOrder(all));
    }),
  );
});

test("what a table decides of its rounds is its last word, whatever the order in which words arrive", () => {
  const said = (n: number, after: number, pieces: number): LiveEvent => ({
    id: id(n),
    at: start + after,
    kind: "rounds-decided",
    stationId: "s1",
    rounds: [{ roundId: "berries", pieces: inPieces(pieces) }],
  });
  expect(fold([said(2, 900, 4), said(1, 100, 6)]).decided).toEqual({
    s1: [{ roundId: "berries", pieces: inPieces(4) }],
  });
});

test("a bell rung on two tablets counts from the first; taken back, it is as if never rung", () => {
  const rung = (n: number, at: number): LiveEvent => ({
    id: id(n),
    at: start + at,
    kind: "bell-rung",
    bellId: "mix-1",
  });
  expect(fold([rung(2, 500), rung(1, 100)]).rung).toEqual({ "mix-1": start + 100 });
  expect(fold([rung(1, 100), { id: id(3), at: start + 900, kind: "bell-taken-back", bellId: "mix-1" }]).rung).toEqual(
    {},
  );
});

test("time left is the planned length from the bell that was rung, early or late, plus what was added since", () => {
  const mix = bells.find((bell) => bell.kind === "mix");
  const following = mix && bells[bells.indexOf(mix) + 1];
  if (!mix || !following) throw new Error("the demonstration class has a mixing bell");
  const before = bells.slice(0, bells.indexOf(mix));
  const rungEarly: LiveEvent[] = [
    { id: id(1), at: start, kind: "class-started" },
    ...before.map((bell, n): LiveEvent => ({ id: id(10 + n), at: start + n, kind: "bell-rung", bellId: bell.id })),
    { id: id(2), at: start + minute, kind: "bell-rung", bellId: mix.id },
  ];
  const planned = following.at - mix.at;
  const early = situationAt(fold(rungEarly), bells, start + 2 * minute);
  expect(early.untilNext).toBeCloseTo((planned - 1) * minute, 3);
  expect(early.lateMinutes).toBeLessThan(0);
  const delayed = situationAt(
    fold([...rungEarly, { id: id(3), at: start + 2 * minute, kind: "delay-added", minutes: inMinutes(2) }]),
    bells,
    start + 2 * minute,
  );
  expect(delayed.untilNext).toBeCloseTo((planned + 1) * minute, 3);
  const overdue = situationAt(fold(rungEarly), bells, start + (following.at + 7) * minute);
  expect(overdue.untilNext).toBeLessThan(0);
  expect(overdue.lateMinutes).toBeCloseTo(7, 9);
});

test("before the start nothing runs, after the end the clock stands", () => {
  expect(situationAt(fold([]), bells, start)).toMatchObject({ phase: "not-started", next: bells[0] });
  const ended = fold([
    { id: id(1), at: start, kind: "class-started" },
    { id: id(2), at: start + 30 * minute, kind: "class-ended" },
  ]);
  expect(situationAt(ended, bells, start + 999 * minute)).toMatchObject({ phase: "ended", elapsed: 30 * minute });
  expect(
    situationAt(
      fold([
        { id: id(1), at: start, kind: "class-started" },
        { id: id(2), at: start + minute, kind: "class-ended" },
        { id: id(3), at: start + 2 * minute, kind: "class-reopened" },
      ]),
      bells,
      start,
    ).phase,
  ).toBe("running");
});

test("the log lays actual beside planned, leaves open what was not rung, and adds up what was counted", () => {
  const all: LiveEvent[] = [
    { id: id(1), at: start, kind: "class-started" },
    ...bells.slice(0, 3).map((bell, n): LiveEvent => ({
      id: id(10 + n),
      at: start + (bell.at + n) * minute,
      kind: "bell-rung",
      bellId: bell.id,
    })),
    { id: id(4), at: start, kind: "pieces-counted", stationId: "s1", pieces: inPieces(9) },
    { id: id(5), at: start + 1, kind: "pieces-counted", stationId: "s2", pieces: inPieces(8) },
  ];
  const state = fold(all);
  const rows = logRows(timeline, state);
  expect(rows).toHaveLength(bells.length);
  expect(rows.slice(0, 2).map((row) => row.drift)).toEqual([1, 1]);
  expect(rows[2]).toMatchObject({ actualMinutes: undefined, drift: undefined });
  expect(rows.reduce((sum, row) => sum + row.plannedMinutes, 0)).toBeCloseTo(timeline.end, 9);
  expect(piecesCounted(state)).toBe(17);
  expect(piecesCounted(fold([]))).toBeUndefined();
});

test("taking back goes through what the room was told since the last bell, newest first, until nothing is left", () => {
  const [doors, gather] = bells;
  if (!doors || !gather) throw new Error("the demo has no bells");
  let all: LiveEvent[] = [
    { id: id(1), kind: "class-started", at: start },
    { id: id(2), kind: "bell-rung", bellId: doors.id, at: start },
    { id: id(3), kind: "bell-rung", bellId: gather.id, at: start + minute },
    { id: id(4), kind: "delay-added", minutes: inMinutes(2), at: start + 2 * minute },
    { id: id(5), kind: "delay-added", minutes: inMinutes(2), at: start + 3 * minute },
  ];
  const taken: string[] = [];
  for (let n = 6; ; n += 1) {
    const at = start + n * minute;
    const state = fold(all);
    const back = takesBack(state, situationAt(state, bells, at));
    if (!back) break;
    taken.push(back.kind === "delay-added" ? String(back.minutes) : back.bellId);
    all = [...all, { id: id(n), at, ...back }];
  }
  expect(taken).toEqual(["-2", "-2", gather.id, doors.id]);
  expect(fold(all).rung).toEqual({});
});

test("a delay counts until the next bell rings, and is not counted again after it", () => {
  const [first, second, third] = bells;
  if (!first || !second || !third) throw new Error("three bells");
  const happened = (n: number, after: number) => ({ id: id(n), at: start + after * minute });
  const begun: LiveEvent[] = [
    { ...happened(1, 0), kind: "class-started" },
    { ...happened(2, 0), kind: "bell-rung", bellId: first.id },
    { ...happened(3, 1), kind: "delay-added", minutes: inMinutes(5) },
  ];
  const at = (events: LiveEvent[], after: number) => situationAt(fold(events), bells, start + after * minute);
  expect(at(begun, 2).addedMinutes).toBe(5);
  const rung: LiveEvent[] = [...begun, { ...happened(4, second.at + 5), kind: "bell-rung", bellId: second.id }];
  expect(at(rung, second.at + 6).addedMinutes).toBe(0);
  // Five minutes late, once.
  expect(at(rung, second.at + 5).lateMinutes).toBeCloseTo(5, 6);
});

test("no stretch of a class is less than nothing long, in whatever order its bells were rung", () => {
  const [first, second] = bells;
  if (!first || !second) throw new Error("two bells");
  const events: LiveEvent[] = [
    { id: id(1), at: start, kind: "class-started" },
    { id: id(2), at: start + 20 * minute, kind: "bell-rung", bellId: first.id },
    { id: id(3), at: start + 5 * minute, kind: "bell-rung", bellId: second.id },
  ];
  expect(logRows(timeline, fold(events))[0]?.actualMinutes).toBe(0);
});
