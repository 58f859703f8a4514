import { sayExposure } from "~/ui/words/people";
import { CalendarDate } from "@internationalized/date";
import { batterOf } from "~/core/batter";
import { kitOf, scaleOption } from "~/core/kit";
import { starterPantry } from "~/core/pantry";
import { holdUpOf, reasonsOf, watchesOf, plan, stages, withMorePeople } from "~/core/plan";
import { measuringSetOf, ratio, scoopTolerance, inPieces, inGrams } from "~/core/quantity";
import { batchRules, scaleStation } from "~/core/scale";
import { demoClasses } from "~/demo/boathouse";
import { starterRecipes } from "~/demo/recipes";
import { markup, said } from "../../test/sheets";
import { PlateTable, ItemTable } from "./allergen/Tables";
import { countedIn } from "./brief/Consequences";
import { Figures } from "./class/Figures";
import { Findings } from "./class/Findings";
import { Stages } from "./class/Stages";
import { KitTable, StationCard, TareCard } from "./kit/StationCard";
import { HomeSheet } from "./recipe/HomeSheet";
import { RecipeSheet } from "./recipe/RecipeSheet";
import { Gains } from "./scale/Gains";
import { ScaleTable } from "./scale/ScaleTable";
import { BellLine } from "./schedule/BellLine";
import { Lanes } from "./schedule/Lanes";
import { namesOf } from "./words/names";

const { next: asPlanned, current } = demoClasses(new CalendarDate(2026, 11, 24));
// Without testers every table makes the same, whoever cooks first.
const next = { ...asPlanned, brief: { ...asPlanned.brief, testersPerSurface: inPieces(0) } };
const made = plan(next);
const names = namesOf(next, made, "en-GB");

test("a station card says which scoops, how far off, and grams beside", () => {
  const [station] = made.stations;
  const dish = made.dishes.find((one) => one.id === station?.dishId);
  if (!station || !dish) throw new Error("the class has a station");
  const text = said(
    <StationCard
      station={station}
      dish={dish}
      ingredientName={names.ingredient}
      isEgg={() => false}
      surfaces={[]}
      people={["Wren"]}
      stamp="stamp"
    />,
  );
  expect(text).toContain("1 1⁄2 × the recipe makes 12 , 12 wanted");
  expect(text).toMatch(/plain wheat flour 1 cup \+ 1⁄2 cup \+ 1⁄3 cup \+ 2 tsp 229 g/);
  expect(text).toMatch(/apart, if needed: /);
  expect(text).toContain("Wren");
});

test("an amount nobody knows stands out in the kit instead of being left out", () => {
  const broken = {
    ...next,
    dishes: next.dishes.map((dish) => ({
      ...dish,
      recipe: {
        ...dish.recipe,
        lines: dish.recipe.lines.map((line) =>
          line.id === "sugar" ? { ...line, amount: { kind: "unknown" as const, said: "some" } } : line,
        ),
      },
    })),
  };
  const kit = plan(broken).stations[0]?.kit ?? [];
  expect(markup(<KitTable kit={kit} ingredientName={names.ingredient} isEgg={() => false} />)).toMatch(
    /<span data-alert="">amount not known/,
  );
});

test("the plate table puts the gravest first and gives every verdict its reason", () => {
  const text = said(
    <PlateTable
      people={next.people}
      plates={made.plates}
      stations={made.stations}
      names={names}
      base="/classes/x"
      sayWay={(exposure) => sayExposure(exposure, next, made, names)}
    />,
  );
  expect(text.indexOf("Ezra Larkspur")).toBeLessThan(text.indexOf("Wren Adeyo"));
  expect(text).toContain("hen's egg: contains, because it has egg by nature.");
  expect(text).toContain("nobody has read the label of the baking powder");
  expect(text).toContain("Has not answered yet. No answer is not “none”.");
});

test("the item table says what was read, by whom and when, and what was not", () => {
  const text = said(<ItemTable input={next} plan={made} names={names} base="/classes/x" />);
  expect(text).toContain("“plain flour, 1.5 kg bag”, read by Marit Quill, 2026-11-22");
  expect(text).toMatch(/baking powder not read Read the label/);
  expect(text).toMatch(/hen's egg by nature: egg whole food, no label/);
});

test("findings are said once, gravest first, with the recipe they are about where there are several", () => {
  const finding = {
    code: "listed-not-used" as const,
    level: "warns" as const,
    lineId: "x",
    ingredientId: "butter",
    stage: "recipe" as const,
  };
  const [one, two] = made.dishes;
  if (!one || !two) throw new Error("the class has two dishes");
  const text = said(
    <Findings
      names={names}
      findings={[
        { ...finding, dishId: one.id },
        { ...finding, dishId: two.id },
        { code: "no-dish", level: "blocks", stage: "brief", dishId: null },
      ]}
    />,
  );
  expect(text.match(/Butter is listed/g)).toHaveLength(1);
  expect(text.indexOf("No recipe chosen")).toBeLessThan(text.indexOf("Butter is listed"));
  expect(text).toContain("Slipway pancakes; Slipway pancakes, without milk: Butter is listed");
  expect(markup(<Findings names={names} findings={[]} />)).toBe("");
});

test("a figure that changed shows what it was, in words too; one that did not is left alone", () => {
  const more = plan({ ...next, brief: { ...next.brief, people: 18 } });
  const html = markup(<Figures figures={more.figures} before={made.figures} counted={countedIn(more)} names={names} />);
  expect(html).toMatch(
    /<div data-changed=""><dt>Stations.*?was <\/span>4<\/span><span[^>]*>changed to <\/span>5<\/dd>/,
  );
  expect(html).toMatch(/<div><dt>Pieces from a batch/);
  expect(said(<Figures figures={made.figures} counted={countedIn(made)} names={names} />)).not.toContain("was ");
});

test("the stages stand in the order of the work with how they stand, and the register belongs to the brief", () => {
  const marks = Object.fromEntries(
    stages.map((stage) => [
      stage,
      { state: stage === "gear" ? "stale" : "open", questions: stage === "allergies" ? 2 : 0 },
    ]),
  ) as Parameters<typeof Stages>[0]["marks"];
  const html = markup(<Stages base="/classes/x" marks={marks} />, { path: "/classes/x/people" });
  expect(html.match(/<li>/g)).toHaveLength(9);
  expect(html).toMatch(/aria-current="page" href="\/classes\/x\/brief"/);
  expect(html).toContain("2 to look at");
  expect(html).toContain("changed since sign-off");
});

test("folded, the bell line keeps every bell where it is and the times that find room", () => {
  const { timeline } = made;
  const html = markup(
    <BellLine timeline={timeline} startsAt={next.startsAt} timeZone={next.timeZone} available={60} isFolded />,
  );
  expect(html).toMatch(/aria-label="Bell line: Doors 09:30, Gather: mixing 09:40/);
  const bells = [...html.matchAll(/data-part="bell"([^>]*?) style="left:([\d.]+)%"[^>]*>(.*?)<\/div>/g)].map(
    (match) => ({
      isOnWide: match[1]?.includes("data-wide") === true,
      at: Number(match[2]),
      time: /data-part="label">([^<]+)</.exec(match[3] ?? ""),
    }),
  );
  expect(bells).toHaveLength(timeline.bells.length);
  bells.forEach(({ at }, index) =>
    expect(at).toBeCloseTo(((timeline.bells[index]?.at ?? 0) / Math.max(timeline.end, 60)) * 100, 2),
  );
  const shown = bells.filter((bell) => bell.time);
  expect(shown.length).toBeGreaterThan(3);
  shown.slice(1).forEach(({ at }, index) => expect(at - (shown[index]?.at ?? 0)).toBeGreaterThan(4));
  const onPhone = shown.filter((bell) => !bell.isOnWide);
  onPhone.slice(1).forEach(({ at }, index) => expect(at - (onPhone[index]?.at ?? 0)).toBeGreaterThan(10));
});

test("the bell line is true to time, says itself aloud, and marks what has been rung and what runs over", () => {
  const { timeline } = made;
  const html = markup(
    <BellLine
      timeline={timeline}
      startsAt={next.startsAt}
      timeZone={next.timeZone}
      available={60}
      rung={{ "doors-1": 0 }}
      nextBellId="mix-1"
      now={30}
    />,
  );
  expect(html).toMatch(/aria-label="Bell line: Doors 09:30, Gather: mixing 09:40/);
  expect(html.match(/data-part="bell"/g)).toHaveLength(timeline.bells.length);
  const bells = [...html.matchAll(/data-part="bell"([^>]*) style="left:([\d.]+)%/g)];
  const marks = bells.map((match) => match[1] ?? "");
  expect(marks.map((its) => its.includes("data-rung"))).toEqual(timeline.bells.map((bell) => bell.id === "doors-1"));
  expect(marks.map((its) => its.includes("data-next"))).toEqual(timeline.bells.map((bell) => bell.id === "mix-1"));
  const lefts = bells.map((match) => Number(match[2]));
  timeline.bells.forEach((bell, index) => expect(lefts[index]).toBeCloseTo((bell.at / timeline.end) * 100, 2));
  expect(html).toMatch(/data-part="over"/);
  expect(html).toMatch(/data-part="now"/);
});

test("lanes show every task of every station once, with a sentence for who cannot see", () => {
  const chain = new Set(holdUpOf(next, made).links.map((link) => link.taskId));
  const html = markup(
    <Lanes
      timeline={made.timeline}
      stations={made.stations}
      startsAt={next.startsAt}
      timeZone={next.timeZone}
      available={next.brief.minutes}
      roundName={names.round}
      chain={chain}
      reasons={reasonsOf(next, made)}
      adults={watchesOf(next, made).map(({ tasks }, index) => ({ name: `Adult ${index}`, tasks }))}
    />,
  );
  // What holds the class up is marked, and said to who cannot see it.
  expect(chain.size).toBeGreaterThan(3);
  expect(html.match(/data-part="task"[^>]*data-chain=""/g)?.length ?? 0).toBeGreaterThan(3);
  expect(html).toMatch(/which waited for the surface, .*; it holds the class up/);
  // Every load stands three times: with its station and on its surface, by number, and by whose it is.
  const loads = made.timeline.tasks.filter((task) => task.kind === "load");
  // Those of one moment share a block, which names each.
  const titles = (html.match(/title="[^"]*"/g) ?? []).join(" ");
  expect(titles.match(/load \d+, \d+ pieces/g)).toHaveLength(2 * loads.length);
  expect(html).toMatch(/>St 1</);
  expect(html).toMatch(/title="Stroke: Mix, 09:44/);
});

test("a recipe is a page: lines by bowl, steps in order with their cautions, heat on both scales", () => {
  const [dish] = plan(current).dishes;
  if (!dish) throw new Error("the class has a dish");
  const text = said(<RecipeSheet recipe={dish.recipe} ingredientName={names.ingredient} />);
  expect(text.indexOf("Dry bowl")).toBeLessThan(text.indexOf("Wet bowl"));
  expect(text).toContain("semi-skimmed milk , up to 300 ml , until it runs like cream");
  expect(text).toContain("180–210 °C (356–410 °F)");
  expect(text).toContain("Raw egg and raw flour are not for tasting");
  expect(text).toContain("Rest at least 30 min; last pour within 2 h of mixing: flour drinks and relaxes.");
});

test("numbers follow the reader's locale", () => {
  const kit = made.stations[0]?.kit ?? [];
  expect(
    said(<KitTable kit={kit} ingredientName={names.ingredient} isEgg={() => false} />, { locale: "de-DE" }),
  ).toContain("2,3 g");
});

describe("the batter book's sheets", () => {
  const [pancakes] = starterRecipes;
  if (!pancakes) throw new Error("the starter recipes are gone");
  const pantry = new Map(starterPantry.map((one) => [one.id, one]));
  const batter = batterOf(pancakes, pantry);
  const options = { set: measuringSetOf("metric-usual"), tolerance: scoopTolerance, easesSpice: false };

  test("a sub-recipe stands by itself on the page, and what cannot be seen is said at the heat", () => {
    const recipe = {
      ...pancakes,
      blindNote: "Dark: go by time.",
      parts: [
        {
          id: "sauce",
          name: "Berry sauce",
          kind: "sauce" as const,
          heat: "hob" as const,
          minutes: { low: 3, likely: 5, high: 8 },
          makesGrams: inGrams(200),
        },
      ],
      lines: pancakes.lines.map((line) => (line.id === "berries" ? { ...line, partId: "sauce" } : line)),
    };
    const text = said(<RecipeSheet recipe={recipe} ingredientName={names.ingredient} />);
    expect(text).toMatch(/Berry sauce sauce, hob, 5 min ?; makes 200 g 8 g blueberries/);
    expect(text).toContain("Dark: go by time.");
  });

  test("the handout gives cups and grams, cautions once, and the closing words", () => {
    const scale = scaleStation(pancakes, batter, 8, "quarter");
    const kit = kitOf(pancakes, pantry, scale.factor, { loads: 3, pieces: scale.piecesMade }, options);
    const text = said(
      <HomeSheet
        recipe={pancakes}
        way={undefined}
        kit={kit}
        scale={scale}
        set={options.set}
        ingredientName={names.ingredient}
      />,
    );
    expect(text).toMatch(/plain wheat flour 1⁄2 cup \+ 2 × 1⁄3 cup \(153 g \)/);
    expect(text.match(/Burns:/g)).toHaveLength(1);
    expect(text).toContain("Local food, fire and electrical codes");
    expect(text).not.toMatch(/\bsafe\b/i);
    // At home nobody knows how many eat: what goes by the person is told for one.
    const byPerson = {
      ...pancakes,
      lines: pancakes.lines.map((line) =>
        line.id === "syrup"
          ? { ...line, amount: { kind: "per-person" as const, amount: { value: ratio(15n), unit: "g" as const } } }
          : line,
      ),
    };
    expect(
      said(
        <HomeSheet
          recipe={byPerson}
          way={undefined}
          kit={kitOf(byPerson, pantry, scale.factor, { loads: 3, pieces: scale.piecesMade, people: 1 }, options)}
          scale={scale}
          set={options.set}
          ingredientName={names.ingredient}
        />,
      ),
    ).toMatch(/breakfast syrup \(if you like\) [^,]*each person/);
  });

  test("ways to scale stand side by side, with the eggs' two ways out and what cannot be measured", () => {
    const rows = batchRules.map((rule) => {
      const scale = scaleStation(pancakes, batter, 12, rule);
      const kit = kitOf(
        pancakes,
        pantry,
        scale.factor,
        { loads: 3, pieces: scale.piecesMade },
        {
          ...options,
          set: measuringSetOf("us-usual"),
        },
      );
      return scaleOption(rule, pancakes, pantry, { scale, loads: 3, kit });
    });
    const text = said(
      <ScaleTable
        title="Twelve"
        wanted={12}
        options={rows}
        chosen="half"
        wholeEggs={{ factor: ratio(2n), pieces: inPieces(17) }}
        names={names}
      />,
    );
    expect(text).toContain("Half batches (the class’s)");
    expect(text).toContain("1 1⁄2 : 75 g beaten, or 2 whole".replace(" :", ":"));
    expect(text).toContain("fine table salt");
    expect(text).toContain("With whole eggs only: 2 × the recipe, 17 pieces.");
  });

  test("more at the door: each station with what it gains and what its card then says", () => {
    const grown = withMorePeople(next, made, 4);
    const text = said(<Gains gains={grown.gains} before={made} after={grown.plan} names={names} />);
    expect(text).toContain("4 stations become 5");
    expect(text).toMatch(/new station \+\d people/);
    expect(text).toMatch(/\+ .* plain wheat flour , then/);
    expect(said(<Gains gains={[]} before={made} after={made} names={names} />)).toContain("No kit changes.");
  });

  test("the tare card has both readings for every weighed line", () => {
    const kit = kitOf(pancakes, pantry, ratio(1n), { loads: 1, pieces: inPieces(8) }, options);
    const text = said(<TareCard kit={kit} recipe={pancakes} ingredientName={names.ingredient} />);
    expect(text).toMatch(/plain wheat flour 153 g 153 g baking powder 9\.2 g 162 g/);
  });
});
