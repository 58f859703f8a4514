import { readFileSync, readdirSync } from "node:fs";
import { checkBatter, effectsOf, fatMakeUpGrams, remediesFor, souringAcidMl, swapsFor } from "~/core/batter";
import { tareReadings } from "~/core/kit";
import { packingOfClass } from "~/core/pack";
import { shoppingList } from "~/core/shop";
import { ratio, toNumber, inGrams, inPieces, inMillilitres } from "~/core/quantity";
import { type Recipe, applyEdits, checkRecipe } from "~/core/recipe";
import { loadsFor } from "~/core/scale";
import { readClassFile } from "~/formats/class-file";
import { plan } from "./plan";
import { waysOutFor } from "./remedies";
import type { ClassInput, ClassPlan } from "./types";

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
  within(fatMakeUpGrams(inGrams(160 * milk), 2), 4.1);
  within(7 * fatMakeUpGrams(inGrams(160 * milk), 2), 28.5);
  const starts = new Map<number, number>();
  for (const load of made.timeline.tasks.filter((task) => task.kind === "load"))
    starts.set(load.start, (starts.get(load.start) ?? 0) + load.pieces);
  expect([...starts.values()]).toEqual([4, 3]);
  const switchedOn = Math.min(
    ...made.timeline.tasks.filter((task) => task.kind === "preheat").map((task) => task.start),
  );
  expect(made.timeline.lastLoadEnd - switchedOn).toBeCloseTo(75, 6);
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
  expect(loadsFor(inPieces(15), 3 * 2)).toBe(3);
  expect(made.timeline.lastLoadEnd - made.timeline.firstPour).toBeCloseTo(16.5, 6);
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
  expect(made.timeline.lastLoadEnd - made.timeline.firstPour).toBeCloseTo(minutes, 6);
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
  expect(made.timeline.lastLoadEnd - made.timeline.firstPour).toBeCloseTo(15, 6);
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
  within(souringAcidMl(inMillilitres(1.25 * 236.588), "us"), 18.5);
  within(1.25 * 236.588 - souringAcidMl(inMillilitres(1.25 * 236.588), "us"), 277);
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

/** A case's input, for what is done to it before it is planned. */
function inputOf(name: string): ClassInput {
  const read = readClassFile(readFileSync(`test/cases/${name}.json`, "utf8"));
  if (!read.ok) throw new Error(read.problems.join("\n"));
  return read.input;
}
const withFirst = (input: ClassInput, change: (recipe: Recipe) => Recipe): ClassInput => ({
  ...input,
  dishes: input.dishes.map((dish) => ({ ...dish, recipe: change(dish.recipe) })),
});
const pantryOf = (input: ClassInput) => new Map(input.pantry.map((one) => [one.id, one]));

test("C1: leaner milk taken as a swap adds the butter that makes up its fat, about 4.1 g a dish and 28.5 g in all", () => {
  const input = inputOf("c1-oven-puffed");
  const pantry = pantryOf(input);
  const asWritten = withFirst(input, (recipe) => ({
    ...recipe,
    lines: recipe.lines.map((line) =>
      line.ingredientId === "semi-skimmed-milk" ? { ...line, ingredientId: "whole-milk" } : line,
    ),
  }));
  const swapped = withFirst(asWritten, (recipe) => {
    const offer = swapsFor(recipe, pantry).find((one) => one.toIngredientId === "semi-skimmed-milk");
    if (!offer) throw new Error("leaner milk is offered");
    return effectsOf(recipe, offer, pantry).recipe;
  });
  const made = plan(swapped);
  for (const station of made.stations) {
    const fat = station.kit.find((line) => line.lineId.endsWith("-fat"));
    within(fat?.main?.grams, 4.1, 0.02);
  }
  within((total(made, "butter")?.buyGrams ?? 0) - 280, 28.5, 0.02);
});

test("C2: less soda settles it, and a number for the sugar makes it packable", () => {
  const input = inputOf("c2-cultured-milk");
  const pantry = pantryOf(input);
  const mended = withFirst(input, (recipe) => {
    const sweet = {
      ...recipe,
      lines: recipe.lines.map((line) =>
        line.amount.kind === "unknown"
          ? { ...line, amount: { kind: "exact" as const, amount: { value: ratio(3n), unit: "tbsp" as const } } }
          : line,
      ),
    };
    const soda = checkBatter(sweet, pantry).find((finding) => finding.code === "soda-left-over");
    const [remedy] = soda ? remediesFor(soda, sweet, pantry) : [];
    return remedy ? applyEdits(sweet, remedy.edits) : sweet;
  });
  const made = plan(mended);
  expect(made.isPackable).toBe(true);
  // Mended for the yogurt; soured cream takes less, and its variant goes on saying so.
  const [yogurt] = made.dishes;
  const own = made.findings.filter((finding) => finding.dishId === yogurt?.id).map((finding) => finding.code);
  expect(own).not.toContain("soda-left-over");
});

test("C3: the method's soda and garlic are mended by what the findings offer", () => {
  const input = inputOf("c3-fritters-as-written");
  const pantry = pantryOf(input);
  const mended = withFirst(input, (recipe) => {
    let so = recipe;
    for (let n = 0; n < 6; n += 1) {
      const next = checkRecipe(so).find((finding) => finding.level === "blocks");
      const remedies = next ? remediesFor(next, so, pantry) : [];
      const remedy = remedies.find((one) => one.code === "say-the-twin" || one.code === "leave-out-of-method");
      if (!remedy) break;
      so = applyEdits(so, remedy.edits);
    }
    return so;
  });
  expect(plan(mended).isPackable).toBe(true);
});

test("C4: seed gel for the egg is egg-free, stays a draft until rehearsed, and names the labels to read", () => {
  const input = inputOf("c4-fruit-gel-gluten-free");
  const pantry = pantryOf(input);
  const [dish] = input.dishes;
  if (!dish) throw new Error("the case has a dish");
  const offer = swapsFor(dish.recipe, pantry).find(
    (one) => one.fromIngredientId === "egg" && one.toIngredientId === "chia",
  );
  if (!offer) throw new Error("gel is offered for the egg");
  const effects = effectsOf(dish.recipe, offer, pantry);
  expect(effects.removed).toContain("egg");
  expect(effects.residual).toEqual([]);
  const made = plan(withFirst(input, () => ({ ...effects.recipe, standing: "draft" })));
  expect(codes(made)).toContain("recipe-is-draft");
  expect(
    made.plates.find((plate) => plate.participantId === "p3")?.items.some((item) => item.ingredientId === "egg"),
  ).toBe(false);
});

test("C6: with half a percent of tolerance in the brief no scoops are within it that miss by more", () => {
  const input = inputOf("c6-measuring-lesson");
  const strict = plan({ ...input, brief: { ...input.brief, strictTolerancePercent: 0.5, usualTolerancePercent: 0.5 } });
  for (const line of strict.stations[0]?.kit ?? [])
    if (line.main?.scoops?.isWithin) expect(Math.abs(line.main.scoops.error)).toBeLessThanOrEqual(0.005);
});

test("C7: half a cup of salt is refused, nothing may be packed from it; colour is no cue in a dark batter", () => {
  const input = inputOf("c7-sachets");
  const salted = withFirst(input, (recipe) => ({
    ...recipe,
    lines: [
      ...recipe.lines,
      {
        id: "slip",
        partId: null,
        ingredientId: "fine-salt",
        amount: { kind: "exact" as const, amount: { value: ratio(1n, 2n), unit: "cup" as const } },
        bowl: "dry" as const,
        keeps: 1,
        isOptional: false,
        note: "",
      },
    ],
    heat: { ...recipe.heat, cues: ["brown-edge" as const] },
  }));
  const made = plan(salted);
  expect(made.findings).toContainEqual(
    expect.objectContaining({ code: "ceiling-passed", level: "blocks", role: "salt" }),
  );
  expect(made.isPackable).toBe(false);
  expect(codes(made)).toContain("cue-not-visible");
});

test("C4: for the child who cannot have egg the egg-free version is a way out at a station of its own, and stays unknown until its labels are read", () => {
  const input = inputOf("c4-fruit-gel-gluten-free");
  const pantry = pantryOf(input);
  const [dish] = input.dishes;
  const offer =
    dish &&
    swapsFor(dish.recipe, pantry).find((one) => one.fromIngredientId === "egg" && one.toIngredientId === "chia");
  if (!dish || !offer) throw new Error("gel is offered for the egg");
  const eggFree = { ...effectsOf(dish.recipe, offer, pantry).recipe, id: "double-gel", title: "Double gel" };
  const remedies = waysOutFor(input, "p3", [{ ...eggFree, standing: "draft" }]);
  const own = remedies.find((one) => one.kind === "other-dish");
  expect(own).toMatchObject({ before: "contains", after: "unknown", title: "Double gel" });
  expect(own?.cost?.setApart).toEqual(["p3"]);
  if (!own?.change) throw new Error("another dish was expected");
  const after = plan({ ...input, ...own.change });
  expect(codes(after)).toContain("recipe-is-draft");
  const plate = after.plates.find((one) => one.participantId === "p3");
  expect(plate?.items.some((item) => item.ingredientId === "egg")).toBe(false);
  expect(plate?.exposures.filter((one) => one.substance === "egg")).toEqual([]);
  expect(remedies.at(-1)?.kind).toBe("sit-out");
});

test("C7: with oat drink for the milk the mix keeps its milk: no remedy makes a milk allergy's plate of it", () => {
  const input = inputOf("c7-sachets");
  const [dish] = input.dishes;
  const first = input.people[0];
  if (!dish || !first) throw new Error("the case has a dish and a person");
  const allergic: ClassInput = {
    ...input,
    people: [
      {
        ...first,
        hasAnswered: true,
        needs: [{ kind: "substance", substance: "milk", severity: "allergy", touchOrAir: false, note: "" }],
      },
      ...input.people.slice(1),
    ],
  };
  expect(waysOutFor(allergic, first.id, []).map((one) => one.kind)).toEqual(["sit-out"]);
});

describe("the cases, bought and packed", () => {
  const inputOf = (name: string): ClassInput => {
    const read = readClassFile(readFileSync(`test/cases/${name}.json`, "utf8"));
    if (!read.ok) throw new Error(read.problems.join("\n"));
    return read.input;
  };
  const packed = (name: string, more: Partial<ClassInput["brief"]> = {}) => {
    const read = inputOf(name);
    const input = { ...read, brief: { ...read.brief, ...more } };
    const made = plan(input);
    const pantry = new Map(input.pantry.map((one) => [one.id, one]));
    const needs = [{ classId: "a", totals: made.totals, packs: input.packs }];
    return { made, packing: packingOfClass(input, made), list: shoppingList(needs, pantry, new Map(), []) };
  };
  const bought = (list: ReturnType<typeof packed>["list"], key: string) => list.find((line) => line.key === key);
  const held = ({ packing }: ReturnType<typeof packed>, id: string) =>
    packing.containers.flatMap((one) => one.contents).filter((content) => content.ingredientId === id);

  test("C1: 35 eggs in seven boxes of five, and one dish and two pairs of gloves as they are needed", () => {
    const made = packed("c1-oven-puffed");
    expect(bought(made.list, "egg")).toMatchObject({ unit: "piece", buyPieces: 35 });
    expect(made.packing.containers.filter((one) => one.kind === "egg-box")).toHaveLength(7);
    expect(held(made, "sugar")).toHaveLength(4);
    expect(made.made.gear.find((line) => line.tool === "oven-dish")?.needed).toBe(7);
  });

  test("C2: sugar cannot be packed or priced, everything else can", () => {
    const made = packed("c2-cultured-milk");
    expect(made.packing.open.every((one) => one.lines.every((line) => line.ingredientId === "sugar"))).toBe(true);
    expect(made.packing.open).toHaveLength(3);
    expect(bought(made.list, "sugar")).toMatchObject({ buyGrams: undefined });
    expect([held(made, "soured-cream").length, held(made, "buttermilk").length]).toEqual([1, 1]);
  });

  test("C3: 2.25 kg grated are 2.37 kg of courgettes, salt is one pot for two steps, five graters and ten towels", () => {
    const made = packed("c3-fritters-mended");
    within(bought(made.list, "courgette")?.buyGrams, 2250 / 0.95);
    const salt = made.packing.containers.filter((one) =>
      one.contents.some((content) => content.ingredientId === "fine-salt"),
    );
    expect(salt).toHaveLength(5);
    expect(salt.every((one) => one.steps.length === 2)).toBe(true);
    const needed = (tool: string) => made.made.gear.find((line) => line.tool === tool)?.needed;
    expect([needed("grater"), needed("towel")]).toEqual([5, 10]);
  });

  test("C4: milk for 1,080 ml is bought, 40 ml of it in nine small containers kept back", () => {
    const made = packed("c4-fruit-gel-gluten-free");
    within(bought(made.list, "whole-milk")?.buyGrams, 1080 * 1.0313);
    const apart = made.packing.containers.filter((one) => one.group === "hold-back");
    expect(apart).toHaveLength(9);
    for (const one of apart) within(one.grams, 40 * 1.0313);
    expect(bought(made.list, "water")).toBeUndefined();
  });

  test("C5: one container for all the dry things of a pair holds 200 g", () => {
    const made = packed("c5-weighed-small-batch", { containerPer: "bowl" });
    const dry = made.packing.containers.filter((one) => one.group === "dry");
    expect(dry).toHaveLength(11);
    for (const one of dry) within(one.grams, 200);
    expect(bought(made.list, "egg")?.buyPieces).toBe(11);
  });

  test("C6: the acid is three lemons, and a dry mix would be one bag a group", () => {
    expect(bought(packed("c6-measuring-lesson").list, "lemon-juice")).toMatchObject({ name: "lemons", buyPieces: 3 });
    const mixed = packed("c6-measuring-lesson", { kitMode: "dry-mix" });
    expect(mixed.packing.containers.filter((one) => one.id === "dry/mix")).toHaveLength(6);
  });

  test("C7: two boxes, six whole sachets and what is left of one over", () => {
    const line = bought(packed("c7-sachets").list, "cocoa-mix");
    expect(line?.basket?.take).toEqual([{ id: "0", count: 2 }]);
    expect(Math.floor((line?.over ?? 0) / 25)).toBe(6);
  });

  test("C8: six kits of seven containers, corn by the tin with its water, 180 g of pan butter", () => {
    const made = packed("c8-remote-households");
    expect(made.packing.containers).toHaveLength(42);
    within(bought(made.list, "sweetcorn")?.buyGrams, 540 / 0.6);
    expect(held(made, "butter").reduce((sum, content) => sum + (content.measured.grams ?? 0), 0)).toBe(180);
  });
});
