import { Defs } from "~/ui/draw/Defs";
import { WhenReady } from "~/ui/sheet/WhenReady";
import { inGrams, inPieces } from "~/core/quantity";
import { CalendarDate } from "@internationalized/date";
import { type ClassContainer, type TickEvent, contentsOf, foldTicks, packingOfClass, stateOf } from "~/core/pack";
import { plan } from "~/core/plan";
import { draftOf } from "~/core/recipe";
import { shoppingList } from "~/core/shop";
import type { LiveEvent } from "~/core/teach";
import { demoClasses, demoKitchens } from "~/demo/boathouse";
import { starterRecipes } from "~/demo/recipes";
import { markup, said } from "../../test/sheets";
import { Bench } from "./batter/Bench";
import { KitSheet } from "./kit/KitSheets";
import { FloorSketch } from "./kitchen/FloorSketch";
import { saySent } from "./outbox/sent-words";
import { PackScreen, type Reading } from "./pack/PackScreen";
import { Editor } from "./recipe/editor/Editor";
import { Tables } from "./seats/Tables";
import { ShoppingSheet } from "./shop/ShoppingSheet";
import { LiveScreen } from "./teach/LiveScreen";
import { namesOf } from "./words/names";

const { next: asPlanned } = demoClasses(new CalendarDate(2026, 11, 25));
// Without testers every table makes the same, whoever cooks first.
const next = { ...asPlanned, brief: { ...asPlanned.brief, testersPerSurface: inPieces(0) } };
const made = plan(next);
const names = namesOf(next, made, "en-GB");
const { containers } = packingOfClass(next, made);
const noted = new Date("2026-11-28T08:05:00Z").getTime();
const ticked = (one: ClassContainer, more: Partial<TickEvent> = {}): TickEvent => ({
  id: `t-${one.key}`,
  at: noted,
  list: "packing",
  key: one.key,
  isOn: true,
  by: "Marit Quill",
  contents: contentsOf(one),
  ...more,
});
const [first] = containers;
if (!first) throw new Error("the demonstration has something to pack");

describe("the packing table", () => {
  const table = (change: { events?: TickEvent[]; reading?: Reading; containers?: ClassContainer[] } = {}) =>
    said(
      <PackScreen
        classId="x"
        title={next.title}
        timeZone={next.timeZone}
        me="Marit Quill"
        containers={change.containers ?? containers}
        events={change.events ?? []}
        names={names}
        isDryMixed={false}
        toleranceOf={() => 0.05}
        reading={change.reading ?? { kind: "weight", grams: inGrams(0), isSettled: true }}
        tare={() => undefined}
        panel={null}
      />,
    );

  test("says how far it is, what goes in next and how much of it, by weight and by spoon", () => {
    const text = table();
    expect(text).toContain(`0 of ${containers.length} packed`);
    expect(text).toContain("all saved");
    expect(text).toMatch(/plain wheat flour 229 g ± 11 g, or 1 cup \+/);
    expect(text).toContain("Put in 229 g.");
  });

  test.each<[string, Reading, string]>([
    ["too little", { kind: "weight", grams: inGrams(200), isSettled: true }, "Put in 29 g."],
    ["too much", { kind: "weight", grams: inGrams(260), isSettled: true }, "Take out 31 g."],
    ["right", { kind: "weight", grams: inGrams(230), isSettled: true }, "That is it."],
    [
      "right, and still moving",
      { kind: "weight", grams: inGrams(230), isSettled: false },
      "That is it, wait for it to settle.",
    ],
    ["too heavy", { kind: "overload" }, "More than the scale can carry. Take it off."],
    ["gone", { kind: "lost" }, "The scale cannot be heard."],
  ])("with a scale that reads %s says what to do", (_name, reading, sentence) => {
    expect(table({ reading })).toContain(sentence);
  });

  test("names who packed what when; a plan that changed since opens it again and says by how much", () => {
    const events = [ticked(first)];
    expect(table({ events })).toContain(`1 of ${containers.length} packed`);
    expect(table({ events })).toContain("Marit Quill, 08:05");
    const changed = {
      ...first,
      contents: first.contents.map((one) => ({
        ...one,
        measured: { ...one.measured, grams: inGrams((one.measured.grams ?? 0) + 76) },
      })),
    };
    const text = table({ events, containers: [changed] });
    expect(text).toContain("and the plan has changed since: put in 76 g more plain wheat flour.");
    expect(text).toContain("Put right");
  });

  test("what was packed and is wanted no more is to be set aside; nothing to pack says why", () => {
    const text = table({ events: [ticked(first)], containers: [] });
    expect(text).toContain("Nothing to pack yet");
    expect(text).toContain("1 container was packed that the plan no longer wants: set them aside.");
  });

  test("everything packed says what is left to do", () => {
    expect(table({ events: containers.map((one) => ticked(one)) })).toContain("Everything is packed Cold boxes last");
  });

  test("ticks that wait on the device are counted, with the reason", () => {
    expect(saySent(0, "sent")).toBe("all saved");
    expect(saySent(1, "offline")).toBe("1 tick waits here, no connection");
    expect(saySent(3, "signed-out")).toBe("3 ticks wait here, signed out: sign in again in another tab");
    expect(saySent(2, "sent")).toBe("2 ticks wait here, being sent");
  });
});

test("a kit on paper groups its containers, and one set apart says so before its name is read", () => {
  const own = containers.filter((one) => one.place.kind === "station" && one.key.startsWith("s1/"));
  const sheet = (isSealed: boolean) => (
    <KitSheet
      name="Stroke"
      note="4 people"
      containers={own.map((one) => ({ ...one, isSealed }))}
      stateOf={(one) => stateOf(contentsOf(one), foldTicks([ticked(first)]).packing.get(one.key))}
      names={names}
      timeZone={next.timeZone}
      base="/classes/x"
    />
  );
  expect(said(sheet(false))).toContain("Stroke 4 people");
  expect(said(sheet(true))).toContain("Stroke apart: packed first, sealed");
  expect(markup(sheet(true))).toContain('data-part="kit-sheet" data-apart=""');
  expect(said(sheet(false))).toMatch(/plain wheat flour .*229 g/);
});

describe("the shopping list", () => {
  const lines = shoppingList(
    [{ classId: "x", totals: made.totals, packs: next.packs }],
    new Map(next.pantry.map((one) => [one.id, one])),
    new Map([["sugar", 5000]]),
    [{ id: "1", name: "paper plates", count: 20, price: undefined }],
  );
  const sheet = (events: TickEvent[] = []) =>
    said(
      <ShoppingSheet
        trip={{
          leadId: "x",
          lines,
          classes: [{ id: "x", title: next.title, people: 14 }],
          stock: { sugar: 5000 },
          currency: "GBP",
        }}
        events={events}
        me="Tobin Reed"
        timeZone={next.timeZone}
      />,
    );

  test("says packs and what stays over, what is on hand, and which prices nobody typed", () => {
    const text = sheet();
    expect(text).toMatch(/plain wheat flour \S+ \S+ needed .*1 × 1,500 g bag/);
    expect(text).toMatch(/paper plates is in the basket paper plates 20/);
    expect(text).toMatch(/No price for .*paper plates/);
    expect(text).toMatch(/At least £\d+\.\d\d ?, £\d+\.\d\d a person/);
  });

  test("counts what is in the basket, and who put it there", () => {
    const flour: TickEvent = { id: "1", at: noted, list: "shopping", key: "plain-flour", isOn: true, by: "Tobin Reed" };
    expect(sheet()).toMatch(/^0 of \d+ in the basket/);
    expect(sheet([flour])).toMatch(/^1 of \d+ in the basket/);
    expect(sheet([flour])).toContain("Tobin Reed, 08:05");
  });
});

describe("the live screen", () => {
  const started = new Date("2026-11-28T09:30:00Z").getTime();
  const live = (events: LiveEvent[], minute: number) =>
    said(
      <LiveScreen classId="x" me="a" input={next} plan={made} events={events} serverNow={started + minute * 60_000} />,
    );
  const begun: LiveEvent = { id: "1", at: started, kind: "class-started" };
  const [doors, second] = made.timeline.bells;
  if (!doors || !second) throw new Error("the class has bells");

  test("before the class says when the doors open, and offers to start", () => {
    const text = live([], -30);
    expect(text).toContain("Ready when you are");
    expect(text).toContain("09:30 doors open");
    expect(text).toContain("Start the class");
  });

  test("while it runs says what now, what next and how long; once that is past, that it is due", () => {
    const rung: LiveEvent[] = [begun, { id: "2", at: started, kind: "bell-rung", bellId: doors.id }];
    expect(live(rung, 1)).toMatch(/Now: Doors .* Next: Gather: mixing/);
    expect(live(rung, 1)).toMatch(/\d+:\d\d until gather: mixing/);
    const late = live(rung, second.at + 6);
    expect(late).toContain("Gather: mixing is due");
    expect(late).toMatch(/late by \d/);
    for (const station of made.stations) expect(late).toContain(station.name);
  });

  test("ended, it leads to the log, and can be taken up again", () => {
    const text = live([begun, { id: "3", at: started + 60_000, kind: "class-ended" }], 2);
    expect(text).toContain("The class is over. The log has it all.");
    expect(text).toContain("Not over yet");
  });
});

test("the seats show every table with its people, and which of them is in trouble", () => {
  const tables = made.stations.map((station, index) => ({
    index,
    name: station.name,
    dish: "Slipway pancakes",
    people: next.people.filter((person) => station.people.includes(person.id)),
    isApart: index === 1,
  }));
  const troubled = new Set([tables[0]?.people[0]?.id ?? ""]);
  const html = markup(
    <Tables tables={tables} onMove={() => undefined} onApart={() => undefined} troubled={troubled} />,
  );
  for (const person of next.people.filter((one) => made.stations.some((station) => station.people.includes(one.id))))
    expect(html).toContain(person.name);
  expect(html.match(/data-part="seat-table" data-apart=""/g)).toHaveLength(1);
  expect(html.match(/data-part="seat" data-needs=""/g)).toHaveLength(1);
});

test("the editor opens every starter recipe with all its lines and steps, the bench with its figures", () => {
  for (const recipe of starterRecipes) {
    const html = markup(
      <Editor
        initial={draftOf(recipe)}
        pantry={next.pantry}
        aside={new Set()}
        recipeId={recipe.id}
        revision={1}
        readLine={() => []}
        onKeep={() => undefined}
        isBusy={false}
        storageKey="x"
        button="Keep"
      />,
    );
    expect(html.match(/aria-label="Move [^"]*, or drop it on a step"/g)).toHaveLength(recipe.lines.length);
    expect(html.match(/aria-label="Step \d+"/g) ?? []).toHaveLength(recipe.steps.length);
  }
  const [pancakes] = starterRecipes;
  if (!pancakes) throw new Error("the starter recipes are gone");
  const bench = said(<Bench written={pancakes} pantry={next.pantry} />);
  expect(bench).toMatch(/Water to flour, g to a g as the family, 1\.6–2\.2 1\.69/);
});

test("a sketch shows every thing where it stands, by name", () => {
  const floor = demoKitchens.find((one) => one.floor)?.floor;
  if (!floor) throw new Error("a kitchen of the demonstration has a sketch");
  const html = markup(<FloorSketch floor={floor} />);
  expect(html.match(/data-part="floor-mark"/g)?.length).toBeGreaterThanOrEqual(floor.marks.length);
  for (const mark of floor.marks.filter((one) => one.label)) expect(html).toContain(mark.label);
});

test("where nothing works without script, the page says so to whoever has none", () => {
  expect(markup(<WhenReady>fields</WhenReady>)).toMatch(/<noscript>[^<]*switch JavaScript on[^<]*<\/noscript>.*fields/);
});

test("a symbol brings its line and fill along: what refers to it is out of reach of recipes", () => {
  const shapes = [...markup(<Defs />).matchAll(/<(path|circle|rect|ellipse) [^>]*>/g)].map(([shape]) => shape);
  expect(shapes.length).toBeGreaterThan(8);
  expect(shapes.filter((shape) => shape.includes("data-part") || !/ stroke-width="/.test(shape))).toEqual([]);
});
