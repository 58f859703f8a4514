import { readFileSync } from "node:fs";
import { techniquesIn } from "~/core/look";
import { packingOfClass } from "~/core/pack";
import { writeRatio, inPieces, inCelsius, inMinutes } from "~/core/quantity";
import { spokenAt } from "~/core/schedule";
import { readClassFile } from "~/formats/class-file";
import { decidedOf } from "./decided";
import { recipesMade } from "./dishes";
import { heatsOf } from "./heats";
import { plan } from "./plan";

test("C18: each table decides while it cooks how many are with berries; what may be wanted on top stands apart", () => {
  const read = readClassFile(readFileSync("test/cases/c18-decided-while-it-cooks.json", "utf8"));
  if (!read.ok) throw new Error(read.problems.join("\n"));
  const made = plan(read.input);
  const [first] = made.stations;
  const line = (id: string) => first?.kit.find((each) => each.lineId === id);
  // Laid as is likely, half and half; all twelve may be with berries: as much again stands apart, and all of it is bought.
  expect(first?.rounds?.map((round) => round.pieces)).toEqual([6, 6]);
  expect(["berries", "zest"].map((id) => [line(id)?.main?.grams, line(id)?.apart?.grams])).toEqual([
    [36, 36],
    [20, 20],
  ]);
  expect(line("flour")?.apart).toBeUndefined();
  expect(made.totals.find((total) => total.ingredientId === "blueberries")?.buyGrams).toBe(144);
  // Twelve pieces on five places in two kinds are four loads however they are shared out: 1 and 11 as well as 6 and 6.
  expect(made.findings).toContainEqual(expect.objectContaining({ code: "rounds-open", loads: 0 }));
  // What a table says then is held against it: ten and two lie in three loads, a load of four minutes and what comes between fewer.
  if (!first) throw new Error("there is no station");
  const decided = (...pieces: number[]) => decidedOf(read.input, made, first, pieces.map(inPieces));
  const { heat } = first.dishId === made.dishes[0]?.id ? made.dishes[0].recipe : { heat: undefined };
  const each =
    (heat?.side1.likely ?? 0) +
    (heat?.side2?.likely ?? 0) +
    (heat?.pourPerPiece ?? 0) +
    (heat?.turnaround ?? 0) +
    (heat?.recover ?? 0);
  expect([decided(6, 6), decided(10, 2), decided(12, 0)?.loads]).toEqual([
    { loads: 4, planned: 4, minutes: inMinutes(0) },
    { loads: 3, planned: 4, minutes: -each },
    3,
  ]);
  // A class that says how many has settled it.
  const [dish] = read.input.dishes;
  if (!dish) throw new Error("there is no dish");
  const settled = plan({
    ...read.input,
    dishes: [
      {
        ...dish,
        rounds: [
          { roundId: "plain", parts: 2 },
          { roundId: "berry", parts: 1 },
        ],
      },
    ],
  });
  expect(settled.stations[0]?.rounds?.map((round) => round.pieces)).toEqual([8, 4]);
  expect(settled.stations[0]?.kit.find((each) => each.lineId === "berries")?.apart).toBeUndefined();
  expect(settled.findings.map((one) => one.code)).not.toContain("rounds-open");
  expect(
    settled.stations.map((station) => decidedOf(read.input, settled, station, [inPieces(8), inPieces(4)])),
  ).toEqual(settled.stations.map(() => undefined));
});

test("C19: a load lies as long as its own kind of surface wants, and the quicker one takes more of them", () => {
  const read = readClassFile(readFileSync("test/cases/c19-pan-and-griddle.json", "utf8"));
  if (!read.ok) throw new Error(read.problems.join("\n"));
  const { timeline, dishes } = plan(read.input);
  const kindOf = (surfaceId: string | null) => timeline.units.find((unit) => unit.id === surfaceId)?.surfaceId;
  const loads = timeline.tasks.filter((task) => task.kind === "load");
  // Two pours of a quarter of a minute at eight tenths of the usual pace, and both sides: 2 + 1.5 in the pan, 4 + 2.5 on the griddle.
  for (const load of loads)
    expect([load.pieces, load.end - load.start]).toEqual([
      2,
      expect.closeTo(kindOf(load.surfaceId) === "pan" ? 3.9 : 6.9, 6),
    ]);
  // Sixteen pieces: five loads in the pan, 19.5 minutes, three on the griddle, 20.7; by the longest of any it would be 27.6.
  expect(loads.filter((load) => kindOf(load.surfaceId) === "pan")).toHaveLength(5);
  expect(loads.filter((load) => kindOf(load.surfaceId) === "griddle")).toHaveLength(3);
  expect(timeline.lastLoadEnd - timeline.firstPour).toBeCloseTo(20.7, 6);
  expect(timeline.isProved).toBe(true);
  // The card shows both: the recipe's own degrees stay, the griddle's stand beside it.
  expect(dishes[0]?.recipe.heat).toMatchObject({
    surfaceC: { from: inCelsius(175), to: inCelsius(190) },
    on: [{ surfaceKind: "electric-griddle", dial: "5 of 9" }],
  });
});

test("C20: a household's own product is on its card, in nobody's basket, and judged by its own label on its plates only", () => {
  const read = readClassFile(readFileSync("test/cases/c20-own-products.json", "utf8"));
  if (!read.ok) throw new Error(read.problems.join("\n"));
  const { shared: _own, ...without } = read.input;
  const [made, usual] = [plan(read.input), plan(without)];
  const line = (of: typeof made, station: number, id: string) =>
    of.stations[station]?.kit.find((one) => one.ingredientId === id);
  expect([0, 1, 2].map((station) => line(made, station, "fine-cornmeal")?.own)).toEqual([
    "Weir mill cornmeal",
    undefined,
    undefined,
  ]);
  expect([0, 2].map((station) => line(made, station, "butter")?.own)).toEqual([undefined, "Their own butter"]);
  // Measured all the same: it is on the card in the same spoons.
  expect(line(made, 0, "fine-cornmeal")?.main).toEqual(line(usual, 0, "fine-cornmeal")?.main);
  // Five of six households are bought for; what they have is in no container of theirs.
  const bought = (of: typeof made, id: string) => of.totals.find((total) => total.ingredientId === id)?.buyGrams ?? NaN;
  for (const id of ["fine-cornmeal", "butter"]) expect(bought(made, id)).toBeCloseTo((bought(usual, id) * 5) / 6, 6);
  const holds = (station: number, id: string) =>
    packingOfClass(read.input, made).containers.some(
      ({ place, contents }) =>
        place.kind === "station" &&
        place.stationId === made.stations[station]?.id &&
        contents.some((one) => one.ingredientId === id),
    );
  expect([0, 1].map((station) => holds(station, "fine-cornmeal"))).toEqual([false, true]);
  // The child who must not have wheat: unknown by what the class buys, as nobody read it; theirs says it may be in there, which counts for an allergy.
  const verdict = (of: typeof made, id: string) =>
    of.plates.find((plate) => plate.participantId === "p1")?.items.find((item) => item.ingredientId === id)?.verdict;
  expect([verdict(usual, "fine-cornmeal"), verdict(made, "fine-cornmeal")]).toEqual(["unknown", "contains"]);
  // In one room it is told, as it touches what others use.
  const inRoom = plan({ ...read.input, brief: { ...read.input.brief, isRemote: false } });
  expect(inRoom.findings).toContainEqual(
    expect.objectContaining({ code: "own-products-in-a-room", names: ["Weir mill cornmeal", "Their own butter"] }),
  );
  expect(made.findings.map((one) => one.code)).not.toContain("own-products-in-a-room");
});

test("C21: a household with metric cups fills other spoons with the same food; aims and movements go with the class", () => {
  const read = readClassFile(readFileSync("test/cases/c21-spoons-of-their-own.json", "utf8"));
  if (!read.ok) throw new Error(read.problems.join("\n"));
  const made = plan(read.input);
  const scoops = (station: number, id: string) =>
    made.stations[station]?.kit
      .find((line) => line.lineId === id)
      ?.main?.scoops?.counts.map((one) => `${one.count} × ${writeRatio(one.size)} ${one.unit}`);
  // Two whole batches make fourteen where eight are wanted of a batch of seven: 3 cups of 236.6 ml are 709.8 ml of flour.
  expect(made.stations.map((station) => [station.ownSet, station.cooked])).toEqual([
    [undefined, 14],
    ["metric-usual", 14],
    [undefined, 14],
  ]);
  expect(made.stations.map(({ kit }) => kit[0]?.main?.grams)).toEqual([366, 366, 366].map((g) => expect.closeTo(g, 6)));
  expect(scoops(0, "flour")).toEqual(["3 × 1 cup"]);
  // 2 + ½ + ⅓ of 250 ml are 708.3 ml, 0.2 % less; 1 + ½ + ⅓ are 458.3 ml of milk, 3.1 % less than two US cups and within the 5 %.
  expect(scoops(1, "flour")).toEqual(["2 × 1 cup", "1 × 1/2 cup", "1 × 1/3 cup"]);
  expect(scoops(1, "milk")).toEqual(["1 × 1 cup", "1 × 1/2 cup", "1 × 1/3 cup"]);
  expect(scoops(2, "milk")).toEqual(["2 × 1 cup"]);
  // 5 at the doors, 5 and 5 for the bowls, seven loads of two at 3 minutes, 10 to eat and 10 to clean, with what the pans want before.
  expect(made.timeline.tasks.filter((task) => task.kind === "load" && task.stationId === "s2")).toHaveLength(7);
  expect(read.input.brief.aims).toHaveLength(3);
  expect(techniquesIn(recipesMade(made), new Map(read.input.pantry.map((one) => [one.id, one])))).toEqual([
    "level",
    "eye-level",
    "pinch",
    "crack",
    "fish-shell",
    "fold",
    "turn",
  ]);
  const spoken = spokenAt(made.timeline, recipesMade(made));
  expect([...spoken].map(([bell, said]) => [bell, said.map((one) => one.step.id)])).toEqual([
    ["mix", ["dry"]],
    ["pour", ["cook"]],
  ]);
});

test("C19: what each surface is set to when it is switched on is the heat of its own kind, with its dial in words", () => {
  const read = readClassFile(readFileSync("test/cases/c19-pan-and-griddle.json", "utf8"));
  if (!read.ok) throw new Error(read.problems.join("\n"));
  const made = plan(read.input);
  const heats = heatsOf(read.input, made);
  const [recipe] = made.dishes.map((dish) => dish.recipe);
  const onGriddle = recipe?.heat.on?.find((one) => one.surfaceKind === "electric-griddle");
  const kindOf = (surfaceId: string) => read.input.kitchen.surfaces.find((one) => one.id === surfaceId)?.kind;
  expect(onGriddle?.dial).toBe("5 of 9");
  expect(made.timeline.units.map((unit) => [kindOf(unit.surfaceId), heats.get(unit.id)])).toEqual(
    expect.arrayContaining([
      ["electric-griddle", { surfaceC: onGriddle?.surfaceC ?? recipe?.heat.surfaceC, dial: "5 of 9", hasCord: true }],
      ["hob-pan", { surfaceC: recipe?.heat.surfaceC, dial: null, hasCord: false }],
    ]),
  );
});
