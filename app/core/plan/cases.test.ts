import { readFileSync, readdirSync } from "node:fs";
import { fatMakeUpGrams, souringAcidMl } from "~/core/batter";
import { tareReadings } from "~/core/kit";
import { toNumber } from "~/core/quantity";
import { roundsFor } from "~/core/scale";
import { readClassFile } from "~/formats/class-file";
import { plan } from "./plan";
import type { ClassPlan } from "./types";

/** The worked cases, with the figures worked out by hand; grams and millilitres within 1 %, the rest exact. */
function planOf(name: string): ClassPlan {
  const read = readClassFile(readFileSync(`test/cases/${name}.json`, "utf8"));
  if (!read.ok) throw new Error(read.problems.join("\n"));
  return plan(read.input);
}
const total = (made: ClassPlan, ingredientId: string) => made.totals.find((one) => one.ingredientId === ingredientId);
const codes = (made: ClassPlan) => made.findings.map((finding) => finding.code);
const within = (actual: number | undefined, wanted: number, share = 0.01) => {
  expect(actual).toBeGreaterThanOrEqual(wanted * (1 - share));
  expect(actual).toBeLessThanOrEqual(wanted * (1 + share));
};
/** Grams of milk in a millilitre. */
const milk = 244 / 236.588;

test("every case file is read", () => {
  const files = readdirSync("test/cases").filter((name) => name.endsWith(".json"));
  expect(files.length).toBeGreaterThanOrEqual(10);
  for (const file of files)
    expect(readClassFile(readFileSync(`test/cases/${file}`, "utf8"))).toMatchObject({ ok: true });
});

test("C1: oven-puffed in two branches, two ovens of two dishes", () => {
  const made = planOf("c1-oven-puffed");
  expect(total(made, "egg")?.buyPieces).toBe(35);
  expect(total(made, "plain-flour")?.buyGrams).toBe(595);
  within((total(made, "semi-skimmed-milk")?.buyGrams ?? 0) / milk, 1120);
  expect(total(made, "sugar")?.buyGrams).toBe(80);
  expect(total(made, "butter")?.buyGrams).toBe(280);
  within(fatMakeUpGrams(160 * milk, 2), 4.1);
  within(7 * fatMakeUpGrams(160 * milk, 2), 28.5);
  const starts = new Map<number, number>();
  for (const load of made.timeline.tasks.filter((task) => task.kind === "load"))
    starts.set(load.start, (starts.get(load.start) ?? 0) + load.pieces);
  expect([...starts.values()]).toEqual([4, 3]);
  const switchedOn = Math.min(
    ...made.timeline.tasks.filter((task) => task.kind === "preheat").map((task) => task.start),
  );
  expect(made.timeline.lastLoadEnd - switchedOn).toBe(75);
  for (const dish of made.dishes) within(dish.batter.looseness, 3.9, 0.02);
  expect(made.findings.filter((finding) => finding.stage === "recipe")).toEqual([]);
});

test("C2: soda with cultured milk, three variants, one amount unknown", () => {
  const made = planOf("c2-cultured-milk");
  expect(made.isPackable).toBe(false);
  expect(made.findings).toEqual(
    expect.arrayContaining([
      expect.objectContaining({ code: "amount-unknown", ingredientId: "sugar", said: "a few spoons" }),
    ]),
  );
  const soda = made.findings.find((finding) => finding.code === "soda-left-over");
  if (soda?.code !== "soda-left-over") throw new Error("the soda that is left over was not found");
  within(soda.neutralisedTsp, 0.42);
  // Three quarters of a metric teaspoon are a little more than of a US one; the hand-worked 0.33 takes them as equal.
  within(soda.sodaTsp - soda.neutralisedTsp, 0.33, 0.05);
  within(made.dishes[0]?.batter.millilitres, 981);
  for (const station of made.stations)
    expect(station.scale).toMatchObject({ piecesMade: 15, piecesWanted: 12, over: 3 });
  expect(roundsFor(15, 3, 2)).toBe(3);
  expect(made.timeline.lastLoadEnd - made.timeline.firstPour).toBe(16.5);
  expect(made.dishes.map((dish) => [dish.variantName, dish.stations])).toEqual([
    [null, 3],
    ["With soured cream", 1],
    ["With buttermilk", 1],
  ]);
});

test("C3: fritters, blocked as written", () => {
  const made = planOf("c3-fritters-as-written");
  expect(made.isPackable).toBe(false);
  expect(made.findings).toEqual(
    expect.arrayContaining([
      expect.objectContaining({ code: "wrong-twin", named: "baking-soda", listed: "baking-powder" }),
      expect.objectContaining({ code: "listed-not-used", ingredientId: "baking-powder" }),
      expect.objectContaining({ code: "used-not-listed", ingredientId: "garlic" }),
    ]),
  );
});

test.each([
  ["c3-fritters-mended", 22],
  ["c3-fritters-mended-two-pans", 11],
])("C3 mended: %s cooks in %d minutes", (name, minutes) => {
  const made = planOf(name);
  expect(made.isPackable).toBe(true);
  within(450 * 0.65, 292);
  within(made.dishes[0]?.batter.grams, 613);
  expect(total(made, "courgette")?.buyGrams).toBe(2250);
  expect(made.stations[0]?.kit.find((line) => line.ingredientId === "fine-salt")?.main?.grams).toBe(5);
  for (const station of made.stations) expect(station.scale).toMatchObject({ piecesMade: 13, piecesWanted: 12 });
  expect(made.timeline.lastLoadEnd - made.timeline.firstPour).toBe(minutes);
  // Twelve minutes with the salt and the squeezing stand before any mixing.
  const own = made.timeline.tasks.filter((task) => task.stationId === "s1");
  const [waited, squeezed, mixed] = [
    own.find((task) => task.kind === "wait"),
    own.find((task) => task.stepId === "squeeze"),
    own.find((task) => task.kind === "mix"),
  ];
  expect((waited?.end ?? 0) - (waited?.start ?? 0)).toBeGreaterThanOrEqual(12);
  expect(squeezed?.start).toBeGreaterThanOrEqual(waited?.end ?? Infinity);
  expect(mixed?.start).toBeGreaterThanOrEqual(squeezed?.end ?? Infinity);
});

test("C4: the gel does not make it egg-free, and the flour's powder is unread", () => {
  const made = planOf("c4-fruit-gel-gluten-free");
  expect(
    made.plates.find((plate) => plate.participantId === "p3")?.items.find((item) => item.ingredientId === "egg")
      ?.verdict,
  ).toBe("contains");
  expect(
    made.plates
      .find((plate) => plate.participantId === "p5")
      ?.items.find((item) => item.ingredientId === "baking-powder")?.verdict,
  ).toBe("unknown");
  expect(total(made, "gluten-free-flour")?.buyGrams).toBe(1260);
  expect(total(made, "baking-powder")?.buyGrams).toBe(63);
  within((total(made, "whole-milk")?.expectedGrams ?? 0) / milk, 720);
  within((total(made, "whole-milk")?.buyGrams ?? 0) / milk, 1080);
  expect(made.stations).toHaveLength(9);
  for (const station of made.stations) {
    const apart = station.kit.find((line) => line.ingredientId === "whole-milk")?.apart;
    expect(apart && toNumber(apart.amount.value)).toBe(40);
  }
});

test("C5: weighed in one bowl, running and zero-each", () => {
  const made = planOf("c5-weighed-small-batch");
  const readings = tareReadings(made.stations[0]?.kit ?? []);
  expect(readings.map((one) => Math.round(one.running))).toEqual([140, 200, 250, 384]);
  expect(readings.map((one) => Math.round(one.each))).toEqual([140, 60, 50, 134]);
  expect(made.stations).toHaveLength(11);
  for (const station of made.stations)
    expect(station).toMatchObject({ scale: { piecesMade: 8, piecesWanted: 6 }, loads: 3 });
  const pieces = made.figures.find((figure) => figure.code === "pieces-made");
  expect(pieces?.value).toBe(88);
  expect(made.figures.find((figure) => figure.code === "over")?.value).toBe(22);
  expect(made.timeline.lastLoadEnd - made.timeline.firstPour).toBe(15);
});

test("C6: scoops of a set without ⅓ cup, soured milk, and not gluten-free whatever its name", () => {
  const made = planOf("c6-measuring-lesson");
  const scoopsOf = (ingredientId: string) =>
    made.stations[0]?.kit.find((line) => line.ingredientId === ingredientId)?.main?.scoops;
  const said = (ingredientId: string) =>
    scoopsOf(ingredientId)?.counts.map(({ count, size, unit }) => [count, toNumber(size), unit]);
  expect(said("plain-flour")).toEqual([
    [1, 0.5, "cup"],
    [2, 1, "tbsp"],
    [2, 1, "tsp"],
  ]);
  expect(scoopsOf("plain-flour")?.error).toBe(0);
  expect(said("baking-powder")).toEqual([
    [1, 1, "tbsp"],
    [1, 0.5, "tsp"],
  ]);
  within(made.stations[0]?.kit.find((line) => line.ingredientId === "butter")?.main?.grams, 21, 0.02);
  within(souringAcidMl(1.25 * 236.588, "us"), 18.5);
  within(1.25 * 236.588 - souringAcidMl(1.25 * 236.588, "us"), 277);
  expect(codes(made)).not.toContain("powder-outside-band");
  expect(made.plates[0]?.items.find((item) => item.ingredientId === "plain-flour")?.verdict).toBe("contains");
});

test("C7: sachets to boxes; the mix keeps its milk; gelatine is a matter of diet", () => {
  const made = planOf("c7-sachets");
  const packs = total(made, "cocoa-mix")?.packs;
  within(packs?.exactUnits, 13.44);
  expect(packs).toMatchObject({ units: 14, packs: 2, spareUnits: 6 });
  expect(made.plates[0]?.items.find((item) => item.ingredientId === "cocoa-mix")?.verdict).toBe("contains");
  expect(made.plates[1]?.items.find((item) => item.ingredientId === "marshmallow-topping")?.verdict).toBe("contains");
});

test("C8: six households, own kits, labels first", () => {
  const made = planOf("c8-remote-households");
  expect(made.stations).toHaveLength(6);
  expect(made.stations.map((station) => station.kit.map((line) => line.ingredientId).includes("oat-drink"))).toEqual([
    false,
    false,
    false,
    false,
    true,
    true,
  ]);
  for (const station of made.stations) expect(station.scale.piecesMade).toBe(4);
  expect(total(made, "butter")?.buyGrams).toBe(180);
  const wheat = made.plates.find((plate) => plate.participantId === "p1");
  expect(wheat?.items.filter((item) => item.verdict === "unknown").map((item) => item.ingredientId)).toEqual([
    "fine-cornmeal",
    "baking-powder",
  ]);
});
