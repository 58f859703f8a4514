import { inMillilitres, inGrams, inPieces } from "~/core/quantity";
import fc from "fast-check";
import { classes } from "../../../test/generators";
import { waysFor } from "~/core/gear";
import { putOut } from "~/core/kit";
import { changesSince, contentsOf, packingOfClass } from "~/core/pack";
import { type ClassInput, plan } from "~/core/plan";
import { prepTasks } from "~/core/prep";
import { shoppingList } from "~/core/shop";
import { demoClasses, demoKitchens } from "~/demo/boathouse";
import { clock } from "~/ui/format/format";
import { namesOf } from "./names";
import {
  besideGrams,
  containerName,
  contentScoops,
  labelLines,
  money,
  sayBasket,
  sayContentChange,
  sayKeeps,
  sayMarks,
  sayOver,
  sayPrep,
  saySteps,
  sayWay,
} from "./kits";

const plain = (text: string) => text.replace(/[\u2009\u00a0\u202f]/g, " ");
const demo = demoClasses();
// Without testers every table makes the same, whoever cooks first.
const next = { ...demo.next, brief: { ...demo.next.brief, testersPerSurface: inPieces(0) } };
const made = plan(next);
const names = namesOf(next, made, "en-GB");
const { containers } = packingOfClass(next, made);
const of = (key: string) => {
  const found = containers.find((one) => one.key === key);
  if (!found) throw new Error(`no ${key}`);
  return found;
};

test("what no spoon comes close to is weighed, on kits and labels as on the cards", () => {
  const content = containers
    .flatMap((one) => one.contents)
    .find(({ measured }) => measured.scoops && !measured.scoops.isWithin && measured.onScale);
  if (!content) throw new Error("the demonstration's salt is off by a third");
  expect(plain(contentScoops(content, "en-GB"))).toBe("2.3 g weighed");
  expect(besideGrams(content, "en-GB")).toBeUndefined();
  fc.assert(
    fc.property(classes, (input) => {
      for (const each of packingOfClass(input, plan(input)).containers.flatMap((one) => one.contents)) {
        const way = putOut(each.measured);
        const isClose = each.measured.scoops?.isWithin ?? false;
        expect(way.by === "spoons" && !isClose && each.measured.onScale !== undefined).toBe(false);
        if (way.by === "spoons") expect(way.counts).toEqual(each.measured.scoops?.counts);
      }
    }),
    { numRuns: 40 },
  );
});

test("hours are written as people there write them", () => {
  const at = (locale: string) => plain(clock("2026-11-28T09:30", "Europe/London", 0, locale));
  expect(at("en-US")).toBe("9:30 AM");
  expect(at("en-GB")).toBe("09:30");
  expect(at("de-DE")).toBe("09:30");
});

test("nothing said of any random class has a hole in it, and nothing says “safe”", () => {
  const kinds = new Set<string>();
  fc.assert(
    fc.property(classes, (input) => {
      const each = plan(input);
      const its = namesOf(input, each, "en-GB");
      const pantry = new Map(input.pantry.map((one) => [one.id, one]));
      const tasks = prepTasks(input, each, pantry);
      for (const task of tasks) kinds.add(task.kind);
      const packing = packingOfClass(input, each).containers;
      const lines = shoppingList([{ classId: "a", totals: each.totals, packs: next.packs }], pantry, new Map(), []);
      const said = [
        ...tasks.map((task) => sayPrep(task, its)),
        ...packing.flatMap((one) => [
          containerName(one),
          ...labelLines(one, { title: input.title, day: "Sat" }, its),
          ...changesSince([], contentsOf(one)).map((change) => sayContentChange(change, its)),
        ]),
        ...lines.flatMap((line) => [sayBasket(line, "en-GB"), sayOver(line, "en-GB")]),
        ...each.gear.flatMap((line) =>
          waysFor(
            line,
            each.gear,
            each.dishes.map((dish) => dish.recipe),
            each.stations.length,
            demoKitchens,
          ).map((way) => sayWay(way, "en-GB")),
        ),
      ];
      expect(said.filter((sentence) => /undefined|\bNaN\b|\[object|\bnull\b|\bsafe(ly)?\b/i.test(sentence))).toEqual(
        [],
      );
    }),
    { numRuns: 30, examples: Object.values(demo).map((one): [ClassInput] => [one]) },
  );
  // The demonstration's own classes are among them, so this does not hang on what was drawn.
  expect(kinds.size).toBeGreaterThan(3);
});

describe("a label", () => {
  test("says whose, what, how much both ways, which step, what is in it, and leaves room for a hand", () => {
    const lines = labelLines(of("s1/dry/flour"), { title: "Junior squad breakfast", day: "Sat, 28 Nov" }, names).map(
      plain,
    );
    expect(lines[0]).toBe("Stroke");
    expect(lines[1]).toBe("plain wheat flour");
    expect(lines[2]).toMatch(/^229 g = 1 cup \+ /);
    expect(lines[3]).toBe("Slipway pancakes, step 1");
    expect(lines[4]).toBe("Contains wheat.");
    expect(lines[6]).toBe("Packed ________ by ________ Use within 30 days of packing.");
  });

  test("half an egg goes by its weight, a top-up only if needed, a packed one by whom and when", () => {
    expect(plain(labelLines(of("s1/chilled/egg"), { title: "", day: "" }, names)[2] ?? "")).toBe("1 1⁄2, beaten: 75 g");
    expect(labelLines(of("s1/hold-back/milk"), { title: "", day: "" }, names)[1]).toBe("whole milk, only if needed");
    expect(labelLines(of("s1/dry/flour"), { title: "", day: "", packed: "28 Nov by Marit" }, names).at(-1)).toMatch(
      /^Packed 28 Nov by Marit\. Use within/,
    );
  });

  test("names what nobody read, and says “none declared” only of labels that were read", () => {
    expect(sayMarks(of("s1/dry/powder").marks, names)).toEqual(["Label not read: baking powder."]);
    expect(sayMarks(of("s1/dry/sugar").marks, names)).toEqual(["None declared on the labels read."]);
    expect(
      sayMarks(
        [{ ingredientId: "sugar", contains: [], mayContain: ["milk"], foods: [], hasLabel: true, isUnread: false }],
        names,
      ),
    ).toEqual(["May contain milk."]);
  });
});

test("short words: containers, steps, keeping, sums", () => {
  expect(plain(containerName({ kind: "bottle", sizeMl: inMillilitres(2000), count: 2, contents: [] }))).toBe(
    "2 × 2 l bottle",
  );
  expect(containerName({ kind: "egg-box", sizeMl: undefined, count: 1, contents: [] })).toBe("egg box");
  expect([saySteps([], "en-GB"), saySteps([1, 4], "en-GB")]).toEqual(["no step named", "step 1 and 4"]);
  expect(sayKeeps("dry", "en-GB")).toBe("within 30 days of packing");
  expect(money(1999, "en-GB", undefined)).toBe("19.99");
  expect(money(1999, "en-US", "USD")).toBe("$19.99");
  expect(money(1999, "en-GB", "EUR")).toBe("€19.99");
});

test("changes are said in grams where both are weighed", () => {
  const content = { ingredientId: "plain-flour", lineId: "flour", grams: inGrams(200), amount: "200 g" };
  const say = (before: (typeof content)[], now: (typeof content)[]) =>
    changesSince(before, now).map((change) => plain(sayContentChange(change, names)));
  expect(say([content], [{ ...content, grams: inGrams(261) }])).toEqual(["put in 61 g more plain wheat flour"]);
  expect(say([content], [{ ...content, grams: inGrams(150) }])).toEqual(["take out 50 g of plain wheat flour"]);
  expect(say([content], [])).toEqual(["take out the plain wheat flour"]);
});

test("a bottle of milk is litres in the shop, as it says on it", () => {
  const milk = shoppingList(
    [
      {
        classId: "x",
        totals: made.totals.filter((one) => one.ingredientId === "whole-milk"),
        packs: [{ ingredientId: "whole-milk", unitGrams: inGrams(2060), unitsPerPack: 1, unitName: "bottle" }],
      },
    ],
    new Map(next.pantry.map((one) => [one.id, one])),
    new Map(),
    [],
  );
  expect(milk.map((line) => plain(sayBasket(line, "en-GB")))).toEqual([expect.stringMatching(/^\d+ × 2 l bottle$/)]);
  expect(milk.map((line) => plain(sayOver(line, "en-GB")))).toEqual([expect.stringMatching(/^[\d.,]+ (?:l|ml) over$/)]);
});
