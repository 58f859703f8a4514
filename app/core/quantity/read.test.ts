import fc from "fast-check";
import { compare, divide, isSame, multiply, ratio, toNumber } from "./ratio";
import { type QuantityRead, addAmounts, readQuantity } from "./read";
import {
  type MeasuringSystem,
  type Unit,
  gramsIn,
  isMassUnit,
  isVolumeUnit,
  measuringSystems,
  millilitresIn,
  units,
} from "./units";
import { writeAmount } from "./write";

/** What was read, in one line: the form, and behind it what follows. */
function said(text: string, system: MeasuringSystem | undefined = "us"): string {
  const read = readQuantity(text, { system });
  if (!read) return "none";
  const { form } = read;
  const what =
    form.kind === "exact"
      ? writeAmount(form.amount)
      : form.kind === "range"
        ? `${writeAmount(form.from)}..${writeAmount(form.to)}`
        : form.kind === "packs"
          ? `${toNumber(form.packs)} x ${writeAmount(form.each)} ${form.packName}`
          : form.kind === "to-taste"
            ? "to taste"
            : `open: ${read.questions.map((one) => one.code).join(" ")}`;
  return read.rest ? `${what} | ${read.rest}` : what;
}

test.each([
  ["1 ½ cups", "1 1/2 cups"],
  ["1½c.", "1 1/2 cups"],
  ["2–3 Tbsp", "2 tbsp..3 tbsp"],
  ["2 to 3", "2..3"],
  ["between 1 and 1 1/2 cups milk", "1 cup..1 1/2 cups | milk"],
  ["a pinch", "1 pinch"],
  ["¾ stick", "3/4 stick"],
  ["100g", "100 g"],
  ["1/4 cup plus 2 tablespoons", "6 tbsp"],
  ["0,5 l milk", "0.5 l | milk"],
  ["2 lb 3 oz apples", "35 weight oz | apples"],
  ["1.5 dl", "150 ml"],
  ["2 cl rum", "20 ml | rum"],
  ["one and a half cups", "1 1/2 cups"],
  ["two thirds of a cup of water", "2/3 cup | water"],
  ["half a dozen eggs", "6 | eggs"],
  ["1 T sugar", "1 tbsp | sugar"],
  ["1 t sugar", "1 tsp | sugar"],
  ["3 dessertspoons", "6 tsp"],
  ["1 tsp to 1 tbsp honey", "1 tsp..3 tsp | honey"],
  ["2 x 400 g tins beans", "2 x 400 g tin | beans"],
  ["1 400 g tin beans", "1 x 400 g tin | beans"],
  ["2 sachets of 8 g", "2 x 8 g sachet"],
  ["a 500ml carton of cream", "1 x 500 ml carton | cream"],
  ["1 cup plus more for dusting", "1 cup | plus more for dusting"],
  ["2 cups + 1 tbsp for the pan", "2 cups | + 1 tbsp for the pan"],
  ["to taste", "to taste"],
  ["1 200 g flour", "1200 g | flour"],
])("%s is %s", (text, wanted) => {
  expect(said(text)).toBe(wanted);
});

test.each([
  ["14 oz can", "which-ounce"],
  ["8 oz flour", "which-ounce"],
  ["1,120 g", "thousand-or-decimal"],
  ["1.200 g", "thousand-or-decimal"],
  ["1 sachet", "pack-size"],
  ["a few spoons", "vague"],
  ["2 spoons", "which-spoon"],
  ["a knob of butter", "vague"],
  ["1 heaped tbsp", "not-level"],
  ["1 scant cup", "not-level"],
])("%s is asked about: %s", (text, question) => {
  const read = readQuantity(text, { system: "us" });
  expect(read?.form.kind).toBe("unknown");
  expect(read?.questions.map((one) => one.code)).toContain(question);
});

test("fluid ounces and pints are the recipe's country's, and a question without one", () => {
  expect(said("1 pint milk", "us")).toBe("1 US pint | milk");
  expect(said("1 pint milk", "metric")).toBe("open: which-country | milk");
  expect(said("1 imp pint milk", "metric")).toBe("1 imp pint | milk");
});

test("cups without a system are read, with the question whose they are", () => {
  const read = readQuantity("2 cups flour");
  expect(read?.form).toMatchObject({ kind: "exact" });
  expect(read?.questions.map((one) => one.code)).toEqual(["which-system"]);
});

test("the same amount said again answers an ounce, and is kept beside a cup", () => {
  expect(said("3½ oz (100 g) butter")).toBe("100 g | butter");
  expect(readQuantity("1 cup (240 ml) milk", { system: "us" })?.also.map((one) => writeAmount(one))).toEqual([
    "240 ml",
  ]);
});

test.each(["flour", "", "large eggs", "the rest", "½½½"])(
  "“%s” does not begin with an amount it can be sure of",
  (text) => {
    const read = readQuantity(text, { system: "us" });
    expect(read === undefined || read.form.kind === "unknown" || read.rest !== "").toBe(true);
  },
);

const amounts = fc.record({
  value: fc.oneof(
    fc.tuple(fc.bigInt(1n, 5000n), fc.bigInt(1n, 64n)).map(([num, den]) => ratio(num, den)),
    fc.tuple(fc.bigInt(1n, 9_999_999n), fc.constantFrom(1n, 10n, 100n, 1000n)).map(([num, den]) => ratio(num, den)),
  ),
  unit: fc.constantFrom(...units),
});

test("what is written is read back unchanged, for every unit, system and decimal mark", () => {
  fc.assert(
    fc.property(
      amounts,
      fc.constantFrom(...measuringSystems),
      fc.constantFrom("." as const, "," as const),
      (amount, system, decimalMark) => {
        const read = readQuantity(writeAmount(amount, { decimalMark }), { system }) as QuantityRead;
        expect(read.questions).toEqual([]);
        expect(read.rest).toBe("");
        if (read.form.kind !== "exact") throw new Error(`read as ${read.form.kind}`);
        expect(read.form.amount.unit).toBe(amount.unit);
        expect(isSame(read.form.amount.value, amount.value)).toBe(true);
      },
    ),
    { numRuns: 3000 },
  );
});

test("adding amounts of two units loses nothing, and never mixes weight with volume", () => {
  const size = (unit: Unit, system: MeasuringSystem) =>
    isVolumeUnit(unit) ? millilitresIn(unit, system) : isMassUnit(unit) ? gramsIn(unit) : undefined;
  fc.assert(
    fc.property(amounts, amounts, fc.constantFrom(...measuringSystems), (a, b, system) => {
      const sum = addAmounts(a, b, system);
      const [sizeA, sizeB] = [size(a.unit, system), size(b.unit, system)];
      if (!sum) {
        expect(a.unit !== b.unit && (isVolumeUnit(a.unit) !== isVolumeUnit(b.unit) || !sizeA || !sizeB)).toBe(true);
        return;
      }
      const sizeSum = size(sum.unit, system);
      if (!sizeA || !sizeB || !sizeSum) return;
      const total = multiply(sum.value, sizeSum);
      const parts = [multiply(a.value, sizeA), multiply(b.value, sizeB)];
      expect(
        isSame(
          total,
          ratio(
            (parts[0]?.num ?? 0n) * (parts[1]?.den ?? 1n) + (parts[1]?.num ?? 0n) * (parts[0]?.den ?? 1n),
            (parts[0]?.den ?? 1n) * (parts[1]?.den ?? 1n),
          ),
        ),
      ).toBe(true);
      expect(compare(divide(sum.value, ratio(1n)), ratio(0n))).toBe(1);
    }),
  );
});

test("never throws, whatever is typed", () => {
  const alphabet = fc.constantFrom(..."0123456789 ½¼/.,-–()xgmlcupoztbspa stick of to plus oz");
  fc.assert(
    fc.property(
      fc.array(alphabet, { maxLength: 24 }).map((signs) => signs.join("")),
      fc.constantFrom(...measuringSystems, undefined),
      (text, system) => {
        const read = readQuantity(text, { system });
        if (read?.form.kind === "exact") expect(read.form.amount.value.num >= 0n).toBe(true);
      },
    ),
    { numRuns: 4000 },
  );
});
