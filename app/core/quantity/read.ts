import { type Ratio, add, compare, divide, multiply, ratio, readRatio } from "./ratio";
import {
  type Amount,
  type MeasuringSystem,
  type Unit,
  gramsIn,
  isMassUnit,
  isVolumeUnit,
  millilitresIn,
} from "./units";

/**
 * Reads amounts as people type and speak them: "1 ½ cups", "1½c.", "2–3 Tbsp", "¾ stick", "14 oz can", "1/4 cup plus 2
 * tablespoons", "0,5 l", "a pinch". What a word leaves open is a question with its possible answers; nothing is guessed.
 */

/** What the text leaves open. Until it is answered the form is "unknown", but for `which-system`, which a recipe answers once. */
export type QuantityQuestion =
  /** "oz": by weight, or fluid of either country. */
  | { readonly code: "which-ounce"; readonly said: string; readonly options: readonly Amount[] }
  /** "fl oz", "pint", "quart" in a recipe that is not US: the two countries' measures differ by a fifth. */
  | { readonly code: "which-country"; readonly said: string; readonly options: readonly Amount[] }
  /** Cup, tbsp and tsp without a measuring system. */
  | { readonly code: "which-system"; readonly said: string }
  /** "spoon": tea, dessert or table. */
  | { readonly code: "which-spoon"; readonly said: string; readonly options: readonly Amount[] }
  /** "1,120" and "1.200": a thousand or a decimal. */
  | { readonly code: "thousand-or-decimal"; readonly said: string; readonly options: readonly Amount[] }
  /** A tin, sachet or packet whose net weight is not said. */
  | { readonly code: "pack-size"; readonly said: string }
  /** Heaped, scant, generous: not a level measure. */
  | { readonly code: "not-level"; readonly said: string; readonly options: readonly Amount[] }
  /** "some", "a few", "a handful", "a knob". */
  | { readonly code: "vague"; readonly said: string };

/** What was read. "packs" are tins and sachets with their net amount. */
export type QuantityForm =
  | { readonly kind: "exact"; readonly amount: Amount }
  | { readonly kind: "range"; readonly from: Amount; readonly to: Amount }
  | { readonly kind: "packs"; readonly packs: Ratio; readonly each: Amount; readonly packName: string }
  | { readonly kind: "to-taste" }
  | { readonly kind: "unknown"; readonly said: string };

export interface QuantityRead {
  readonly form: QuantityForm;
  readonly questions: readonly QuantityQuestion[];
  /** The same amount said again another way: "1 cup (125 g)". */
  readonly also: readonly Amount[];
  /** What follows the amount, without a leading "of". */
  readonly rest: string;
}

export interface ReadOptions {
  /** The recipe's measuring system; without it cups and spoons are a question. */
  readonly system?: MeasuringSystem | undefined;
}

type Word =
  | { readonly is: "unit"; readonly unit: Unit; readonly times?: Ratio }
  | { readonly is: "ounce" }
  | { readonly is: "country"; readonly us: Unit; readonly uk: Unit | undefined; readonly ukTimes?: Ratio }
  | { readonly is: "spoon" }
  | { readonly is: "dessertspoon" }
  | { readonly is: "pack"; readonly name: string }
  | { readonly is: "vague" };

const ten = ratio(10n);
const hundred = ratio(100n);

/** Unit words, longest first where one begins another. `T` and `t` are told apart by their case alone. */
const unitWords: readonly (readonly [RegExp, Word])[] = [
  [/^(?:us|u\.s\.)\s*fl(?:uid|\.)?\s*(?:ozs?|ounces?)\b\.?/i, { is: "unit", unit: "us-fl-oz" }],
  [/^(?:imp(?:erial|\.)?|uk)\s*fl(?:uid|\.)?\s*(?:ozs?|ounces?)\b\.?/i, { is: "unit", unit: "uk-fl-oz" }],
  [/^(?:us|u\.s\.)\s*(?:pints?|pts?)\b\.?/i, { is: "unit", unit: "us-pint" }],
  [/^(?:imp(?:erial|\.)?|uk)\s*(?:pints?|pts?)\b\.?/i, { is: "unit", unit: "uk-pint" }],
  [/^(?:us|u\.s\.)\s*(?:quarts?|qts?)\b\.?/i, { is: "unit", unit: "us-quart" }],
  [/^fl(?:uid|\.)?\s*(?:ozs?|ounces?)\b\.?/i, { is: "country", us: "us-fl-oz", uk: "uk-fl-oz" }],
  [/^(?:weight|wt\.?)\s*(?:ozs?|ounces?)\b\.?/i, { is: "unit", unit: "oz" }],
  [/^(?:ozs?|ounces?)\b\.?\s*(?:\(?(?:by )?weight\)?|wt\b\.?)/i, { is: "unit", unit: "oz" }],
  [/^(?:ozs?|ounces?)\b\.?/i, { is: "ounce" }],
  [/^(?:pints?|pts?)\b\.?/i, { is: "country", us: "us-pint", uk: "uk-pint" }],
  [/^(?:quarts?|qts?)\b\.?/i, { is: "country", us: "us-quart", uk: "uk-pint", ukTimes: ratio(2n) }],
  [/^(?:kg|kgs|kilos?|kilogram(?:me)?s?)\b\.?/i, { is: "unit", unit: "kg" }],
  [/^(?:g|gr|grs|gm|gms|grm|grms|grams?|grammes?)\b\.?/i, { is: "unit", unit: "g" }],
  [/^(?:ml|mls|mil|mils|cc|millilit(?:re|er)s?)\b\.?/i, { is: "unit", unit: "ml" }],
  [/^(?:cl|centilit(?:re|er)s?)\b\.?/i, { is: "unit", unit: "ml", times: ten }],
  [/^(?:dl|decilit(?:re|er)s?)\b\.?/i, { is: "unit", unit: "ml", times: hundred }],
  [/^(?:l|ltrs?|lit(?:re|er)s?)\b\.?/i, { is: "unit", unit: "l" }],
  [/^(?:lbs?|pounds?)\b\.?/i, { is: "unit", unit: "lb" }],
  [/^(?:tablespoon(?:ful)?s?|tbsps?|tbs|tb|tbls?|tblsps?|tblspns?|tbspns?)\b\.?/i, { is: "unit", unit: "tbsp" }],
  [/^(?:teaspoon(?:ful)?s?|tsps?|tspns?)\b\.?/i, { is: "unit", unit: "tsp" }],
  [/^(?:dessertspoon(?:ful)?s?|dsps?|dspns?)\b\.?/i, { is: "dessertspoon" }],
  [/^(?:spoon(?:ful)?s?)\b/i, { is: "spoon" }],
  [/^T\b\.?(?!')/, { is: "unit", unit: "tbsp" }],
  [/^t\b\.?(?!')/, { is: "unit", unit: "tsp" }],
  [/^(?:cup(?:ful)?s?)\b\.?/i, { is: "unit", unit: "cup" }],
  [/^c\b\.?(?!')/i, { is: "unit", unit: "cup" }],
  [/^sticks?\b/i, { is: "unit", unit: "stick" }],
  [/^pinch(?:es)?\b/i, { is: "unit", unit: "pinch" }],
  [/^dash(?:es)?\b/i, { is: "unit", unit: "dash" }],
  [/^(?:sprays?|spritz(?:es)?)\b/i, { is: "unit", unit: "spray" }],
  [/^(?:cans?|tins?)\b/i, { is: "pack", name: "tin" }],
  [/^(?:sachets?|envelopes?)\b/i, { is: "pack", name: "sachet" }],
  [/^(?:packets?|packages?|packs?|pkts?|pkgs?)\b\.?/i, { is: "pack", name: "packet" }],
  [/^(?:cartons?)\b/i, { is: "pack", name: "carton" }],
  [/^(?:jars?)\b/i, { is: "pack", name: "jar" }],
  [/^(?:tubs?|pots?)\b/i, { is: "pack", name: "tub" }],
  [/^(?:bottles?)\b/i, { is: "pack", name: "bottle" }],
  [/^(?:bags?)\b/i, { is: "pack", name: "bag" }],
  [/^(?:boxe?s?)\b/i, { is: "pack", name: "box" }],
  [
    /^(?:handfuls?|knobs?|splash(?:es)?|drizzles?|glugs?|drops?|lumps?|blobs?|squeezes?|squirts?|dollops?|sprinkl(?:e|ing)s?|mugs?|glass(?:es)?|bowls?|ladles?|ladlefuls?|scoops?)\b/i,
    { is: "vague" },
  ],
];

const smallNumbers: Readonly<Record<string, bigint>> = {
  a: 1n,
  an: 1n,
  one: 1n,
  two: 2n,
  three: 3n,
  four: 4n,
  five: 5n,
  six: 6n,
  seven: 7n,
  eight: 8n,
  nine: 9n,
  ten: 10n,
  eleven: 11n,
  twelve: 12n,
};
const partWords: Readonly<Record<string, bigint>> = {
  half: 2n,
  halves: 2n,
  third: 3n,
  thirds: 3n,
  quarter: 4n,
  quarters: 4n,
  fourth: 4n,
  eighth: 8n,
  eighths: 8n,
};
const wholeWord = Object.keys(smallNumbers).join("|");
const partWord = Object.keys(partWords).join("|");

interface ReadNumber {
  readonly value: Ratio;
  /** The other way to read "1,120" and "1.200". */
  readonly other?: Ratio;
  readonly rest: string;
}

const tidy = (text: string): string =>
  text
    .replace(/[\u00a0\u2009\u202f\u2007\u2002\u2003]/g, " ")
    .replace(/[\u2010-\u2015\u2212]/g, "-")
    .replace(/\u2044/g, "/")
    .replace(/[½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞]/g, (sign) => ` ${vulgarAsText(sign)} `)
    .replace(/\s+/g, " ")
    .trim();

function vulgarAsText(sign: string): string {
  const value = readRatio(sign);
  return value ? `${value.num}/${value.den}` : sign;
}

function readNumber(text: string): ReadNumber | undefined {
  const dozens = /^(\d{1,3}|1\/2) dozen\b/i.exec(text);
  if (dozens)
    return {
      value: ratio(/\//.test(dozens[1] ?? "") ? 6n : 12n * BigInt(dozens[1] ?? "1")),
      rest: text.slice(dozens[0].length).trimStart(),
    };
  const mixed = /^(\d{1,9})(?: ?(?:and|&|\+|-) ?| )(\d{1,7}) ?\/ ?(\d{1,7})(?![\d/])/i.exec(text);
  if (mixed) {
    const [all, whole = "0", num = "0", den = "1"] = mixed;
    if (BigInt(den) > 0n && BigInt(num) < BigInt(den))
      return {
        value: add(ratio(BigInt(whole)), ratio(BigInt(num), BigInt(den))),
        rest: text.slice(all.length).trimStart(),
      };
  }
  const simple = /^(\d{1,12}) ?\/ ?(\d{1,7})(?![\d/])/.exec(text);
  if (simple) {
    const [all, num = "0", den = "1"] = simple;
    return BigInt(den) === 0n
      ? undefined
      : { value: ratio(BigInt(num), BigInt(den)), rest: text.slice(all.length).trimStart() };
  }
  const decimal = /^(\d{1,9})[.,](\d{1,12})(?![\d/])/.exec(text);
  if (decimal) {
    const [all, whole = "0", digits = ""] = decimal;
    const value = ratio(BigInt(whole + digits), 10n ** BigInt(digits.length));
    const rest = text.slice(all.length).trimStart();
    // A group of exactly three digits after a number that is not 0 may be thousands in one country and a decimal in the next.
    return digits.length === 3 && BigInt(whole) > 0n && whole.length <= 3
      ? { value, other: ratio(BigInt(whole + digits)), rest }
      : { value, rest };
  }
  const grouped = /^(\d{1,3})((?: \d{3})+)(?![\d/])/.exec(text);
  if (grouped) {
    const [all, head = "", tail = ""] = grouped;
    return { value: ratio(BigInt(head + tail.replace(/ /g, ""))), rest: text.slice(all.length).trimStart() };
  }
  const whole = /^(\d{1,9})(?![\d/])/.exec(text);
  if (whole) return { value: ratio(BigInt(whole[1] ?? "0")), rest: text.slice(whole[0].length).trimStart() };
  return readWordNumber(text);
}

/** "half a", "one and a half", "three quarters of a", "a third", "half a dozen", "a". */
function readWordNumber(text: string): ReadNumber | undefined {
  const dozen = /^(?:(half) a |a |one )?dozen\b/i.exec(text);
  if (dozen) return { value: ratio(dozen[1] ? 6n : 12n), rest: text.slice(dozen[0].length).trimStart() };
  const withPart = new RegExp(`^(${wholeWord}) and (?:(${wholeWord}) )?(${partWord})\\b(?: of)?(?: an?\\b)?`, "i").exec(
    text,
  );
  if (withPart) {
    const [all, whole = "", count = "a", part = ""] = withPart;
    const value = add(
      ratio(smallNumbers[whole.toLowerCase()] ?? 0n),
      ratio(smallNumbers[count.toLowerCase()] ?? 1n, partWords[part.toLowerCase()] ?? 1n),
    );
    return { value, rest: text.slice(all.length).trimStart() };
  }
  const part = new RegExp(`^(?:(${wholeWord})[ -])?(${partWord})\\b(?: of)?(?: an?\\b)?`, "i").exec(text);
  if (part) {
    const [all, count = "a", name = ""] = part;
    return {
      value: ratio(smallNumbers[count.toLowerCase()] ?? 1n, partWords[name.toLowerCase()] ?? 1n),
      rest: text.slice(all.length).trimStart(),
    };
  }
  const whole = new RegExp(`^(${wholeWord})\\b(?= )`, "i").exec(text);
  if (whole && !/^an? (?:few|little|couple|bit|touch|some|lot|good)\b/i.test(text))
    return {
      value: ratio(smallNumbers[(whole[1] ?? "").toLowerCase()] ?? 1n),
      rest: text.slice(whole[0].length).trimStart(),
    };
  return undefined;
}

const modifier =
  /^(?:(heap(?:ed|ing)|round(?:ed)?|scant|generous|big|good|large|small|level(?:led|ed)?|flat|full|metric)\b\.? ?)/i;
const notLevel = /^(?:heap|round|scant|generous)/i;

interface ReadWord {
  readonly word: Word;
  readonly said: string;
  readonly isUneven: boolean;
  readonly rest: string;
}

/** A unit, after words like "level" and "heaped" that only mean something before one. */
function readUnit(text: string): ReadWord | undefined {
  let rest = text;
  let isUneven = false;
  for (let found = modifier.exec(rest); found; found = modifier.exec(rest)) {
    isUneven ||= notLevel.test(found[1] ?? "");
    rest = rest.slice(found[0].length);
  }
  for (const [pattern, word] of unitWords) {
    const found = pattern.exec(rest);
    if (!found) continue;
    // "c" and "t" alone are units only where a word ends: "c." is, "c'est" is not; "large eggs" keeps its "large".
    return { word, said: found[0], isUneven, rest: rest.slice(found[0].length).trimStart() };
  }
  return undefined;
}

interface Part {
  readonly amount: Amount | undefined;
  readonly questions: readonly QuantityQuestion[];
  readonly rest: string;
}

/** What one number and one unit word come to, or the question they are. */
function resolve(
  number: ReadNumber,
  unit: ReadWord | undefined,
  said: string,
  system: MeasuringSystem | undefined,
): Part {
  const rest = unit?.rest ?? number.rest;
  const of = (value: Ratio, one: Unit): Amount => ({ value, unit: one });
  const word = unit?.word ?? ({ is: "unit", unit: "piece" } as const);
  const both = (one: Unit, times?: Ratio): readonly Amount[] =>
    number.other ? [number.value, number.other].map((value) => of(times ? multiply(value, times) : value, one)) : [];
  switch (word.is) {
    case "unit": {
      if (number.other)
        return {
          amount: undefined,
          rest,
          questions: [{ code: "thousand-or-decimal", said, options: both(word.unit, word.times) }],
        };
      const amount = of(word.times ? multiply(number.value, word.times) : number.value, word.unit);
      if (unit?.isUneven)
        return { amount: undefined, rest, questions: [{ code: "not-level", said, options: [amount] }] };
      const isSpoon = word.unit === "cup" || word.unit === "tbsp" || word.unit === "tsp";
      return { amount, rest, questions: isSpoon && !system ? [{ code: "which-system", said }] : [] };
    }
    case "ounce":
      return {
        amount: undefined,
        rest,
        questions: [
          {
            code: "which-ounce",
            said,
            options: [of(number.value, "oz"), of(number.value, "us-fl-oz"), of(number.value, "uk-fl-oz")],
          },
        ],
      };
    case "country": {
      if (system === "us") return { amount: of(number.value, word.us), rest, questions: [] };
      const options = [
        of(number.value, word.us),
        ...(word.uk ? [of(word.ukTimes ? multiply(number.value, word.ukTimes) : number.value, word.uk)] : []),
      ];
      return { amount: undefined, rest, questions: [{ code: "which-country", said, options }] };
    }
    case "spoon":
      return {
        amount: undefined,
        rest,
        questions: [{ code: "which-spoon", said, options: [of(number.value, "tbsp"), of(number.value, "tsp")] }],
      };
    case "dessertspoon":
      // A dessertspoon is two teaspoons wherever it is used at all.
      return {
        amount: of(multiply(number.value, ratio(2n)), "tsp"),
        rest,
        questions: system ? [] : [{ code: "which-system", said }],
      };
    case "pack":
      return { amount: undefined, rest, questions: [{ code: "pack-size", said }] };
    case "vague":
      return { amount: undefined, rest, questions: [{ code: "vague", said }] };
    default:
      return word satisfies never;
  }
}

const withoutOf = (text: string): string => text.replace(/^(?:of\b|x\b)\s*/i, "").trimStart();

/** Both amounts in the smaller of their units, when they measure the same kind of thing; exact. */
export function addAmounts(a: Amount, b: Amount, system: MeasuringSystem | undefined): Amount | undefined {
  if (a.unit === b.unit) return { value: add(a.value, b.value), unit: a.unit };
  const needsSystem = [a.unit, b.unit].some((unit) => unit === "cup" || unit === "tbsp" || unit === "tsp");
  if (needsSystem && !system) return undefined;
  const size = (unit: Unit): Ratio | undefined =>
    isVolumeUnit(unit) ? millilitresIn(unit, system ?? "metric") : isMassUnit(unit) ? gramsIn(unit) : undefined;
  if (isVolumeUnit(a.unit) !== isVolumeUnit(b.unit)) return undefined;
  const [sizeA, sizeB] = [size(a.unit), size(b.unit)];
  if (!sizeA || !sizeB) return undefined;
  const [small, smallSize] = compare(sizeA, sizeB) <= 0 ? [a.unit, sizeA] : [b.unit, sizeB];
  return { value: divide(add(multiply(a.value, sizeA), multiply(b.value, sizeB)), smallSize), unit: small };
}

const unknown = (
  said: string,
  questions: readonly QuantityQuestion[],
  rest: string,
  also: readonly Amount[] = [],
): QuantityRead => ({
  form: { kind: "unknown", said },
  questions,
  also,
  rest: withoutOf(rest),
});

const prefix = /^(?:about|approx(?:imately|\.)?|around|roughly|ca\.?|circa|~|from|between|or so)\s*/i;
const toTaste = /^(?:(?:as much|as many) as you like|to taste|as needed|as required|a little|a bit)\b[ ,]*/i;
/**
 * Reads the amount a text begins with.
 * @returns what was read, the questions it leaves, and the text that follows; `undefined` when it does not begin with an amount.
 * @example readQuantity("1/4 cup plus 2 tablespoons sugar", { system: "us" }) // => exactly 6 tbsp, rest "sugar"
 */
export function readQuantity(text: string, { system }: ReadOptions = {}): QuantityRead | undefined {
  const whole = tidy(text);
  let from = whole.replace(prefix, "");
  const taste = toTaste.exec(from);
  if (taste)
    return { form: { kind: "to-taste" }, questions: [], also: [], rest: withoutOf(from.slice(taste[0].length)) };
  // A bare measure word counts once: "pinch of salt".
  if (/^(?:(?:good|big|small|large|generous) )?(?:pinch|dash)\b/i.test(from)) from = `1 ${from}`;
  const vague =
    /^(?:an? )?(?:small |large |good |generous )?(?:handful|knob|splash|drizzle|glug|drop|squeeze|dollop)s?\b(?= of\b)|^an? (?:small |large |good |generous )?(?:handful|knob|splash|drizzle|glug|drop|squeeze|dollop)\b/i.exec(
      from,
    )?.[0];
  if (vague !== undefined)
    return unknown(vague, [{ code: "vague", said: vague }], from.slice(vague.length).trimStart());
  // "a few spoons", "some": a number was never said.
  const isFew = /^(?:a few|a couple(?: of)?|several|some|lots of|plenty of|a touch(?: of)?)\b ?/i.exec(from);
  if (isFew) {
    const after = readUnit(from.slice(isFew[0].length));
    const rest = after ? after.rest : from.slice(isFew[0].length);
    const said = from.slice(0, from.length - rest.length).trim();
    return unknown(said, [{ code: "vague", said }], rest);
  }
  // "1 400 g tin": with a package behind it the space is between a count and a size, not inside a thousand.
  const counted = /^(\d{1,2}) (?=\d{3}(?!\d))/.exec(from);
  const inPacks =
    counted &&
    readPacks({ value: ratio(BigInt(counted[1] ?? "1")), rest: "" }, from.slice(counted[0].length), system, whole);
  if (inPacks) return inPacks;
  // "2 x 400 g tins", "2 × 25 g sachets"
  const first = readNumber(from);
  if (!first) return undefined;
  const many = /^(?:x|×)\s*/i.exec(first.rest);
  const packed = readPacks(first, many ? first.rest.slice(many[0].length) : first.rest, system, whole);
  if (packed) return packed;

  const saidOf = (rest: string) => from.slice(0, from.length - rest.length).trim();
  // A range, with or without the unit said twice.
  const unitBefore = readUnit(first.rest);
  const afterFirst = unitBefore ? unitBefore.rest : first.rest;
  const joint = /^(?:-|to\b|or\b|and\b(?=.*)) ?/i.exec(afterFirst);
  if (joint && (joint[0].trim() !== "and" || /^between\b/i.test(whole))) {
    const second = readNumber(afterFirst.slice(joint[0].length));
    if (second) {
      const unitAfter = readUnit(second.rest);
      const rest = unitAfter?.rest ?? second.rest;
      const [a, b] = [
        resolve(first, unitBefore ?? unitAfter, saidOf(rest), system),
        resolve(second, unitAfter ?? unitBefore, saidOf(rest), system),
      ];
      return rangeOf(a, b, saidOf(rest), rest, system);
    }
  }

  const part = resolve(first, unitBefore, saidOf(afterFirst), system);
  let { rest } = part;
  let questions = part.questions;
  let amount = part.amount;
  if (unitBefore?.word.is === "pack") {
    const size = packSizeAfter(rest, system);
    if (size)
      return packForm(first.value, size.each, unitBefore.word.name, size.questions, saidOf(size.rest), size.rest);
  }
  // More of it: "2 lb 3 oz", "1 cup plus 2 tbsp", "1 cup and 1 tablespoon". "plus more for the pan" is not counted.
  for (;;) {
    const more = /^(?:,? ?(?:plus|\+|and|&) )?/i.exec(rest)?.[0] ?? "";
    const next = readNumber(rest.slice(more.length));
    if (!next || !unitBefore) break;
    const unit = readUnit(next.rest);
    if (!unit || (more === "" && !(isAdjacent(unitBefore.word) && isAdjacent(unit.word)))) break;
    // After pounds an ounce can only be by weight.
    const word: ReadWord =
      unit.word.is === "ounce" && unitBefore.word.is === "unit" && unitBefore.word.unit === "lb"
        ? { ...unit, word: { is: "unit", unit: "oz" } }
        : unit;
    if (/^(?:more|extra|for|to (?:grease|fry|dust|serve|finish))\b/i.test(word.rest)) break;
    const second = resolve(next, word, saidOf(word.rest), system);
    const sum = amount && second.amount ? addAmounts(amount, second.amount, system) : undefined;
    questions = [...questions, ...second.questions];
    rest = second.rest;
    amount = sum;
    if (!sum) {
      if (questions.length === 0) questions = [{ code: "vague", said: saidOf(rest) }];
      break;
    }
  }
  const said = saidOf(rest);
  const also = alsoAt(rest, system);
  if (also) rest = also.rest;
  const known = also?.amounts ?? [];
  // "3½ oz (100 g)": what is said again without a doubt answers the question.
  if (
    !amount &&
    known[0] &&
    questions.every((question) => question.code === "which-ounce" || question.code === "which-country")
  )
    return { form: { kind: "exact", amount: known[0] }, questions: [], also: known.slice(1), rest: withoutOf(rest) };
  if (!amount) return unknown(said, questions, rest, known);
  const blocking = questions.filter((question) => question.code !== "which-system");
  if (blocking.length > 0) return unknown(said, questions, rest, known);
  return { form: { kind: "exact", amount }, questions, also: known, rest: withoutOf(rest) };
}

const isAdjacent = (word: Word): boolean => word.is === "ounce" || (word.is === "unit" && word.unit !== "piece");

function rangeOf(a: Part, b: Part, said: string, rest: string, system: MeasuringSystem | undefined): QuantityRead {
  const questions = [
    ...a.questions,
    ...b.questions.filter((question) => !a.questions.some((one) => one.code === question.code)),
  ];
  const blocking = questions.filter((question) => question.code !== "which-system");
  const also = alsoAt(rest, system);
  const after = also?.rest ?? rest;
  if (!a.amount || !b.amount || blocking.length > 0) return unknown(said, questions, after, also?.amounts);
  let [from, to] = [a.amount, b.amount];
  if (from.unit !== to.unit) {
    // "1 tsp to 1 tbsp": both in the smaller unit.
    const nothing = { value: ratio(0n), unit: from.unit };
    const [inFrom, inTo] = [addAmounts(from, { ...nothing, unit: to.unit }, system), addAmounts(to, nothing, system)];
    if (!inFrom || !inTo || inFrom.unit !== inTo.unit) return unknown(said, [{ code: "vague", said }], after);
    [from, to] = [inFrom, inTo];
  }
  if (compare(from.value, to.value) > 0) return unknown(said, [{ code: "vague", said }], after);
  return { form: { kind: "range", from, to }, questions, also: also?.amounts ?? [], rest: withoutOf(after) };
}

/** "400 g tin", "(14 oz) can", "x 400 g tins": a count, a net amount, a package. */
function readPacks(
  count: ReadNumber,
  after: string,
  system: MeasuringSystem | undefined,
  whole: string,
): QuantityRead | undefined {
  const open = /^\( ?/.exec(after);
  const size = readNumber(open ? after.slice(open[0].length) : after);
  const said = (rest: string) => whole.slice(0, whole.length - rest.length).trim();
  if (size) {
    const unit = readUnit(size.rest.replace(/^-/, ""));
    if (!unit) return undefined;
    const closed = open ? unit.rest.replace(/^\)/, "").trimStart() : unit.rest;
    const pack = readUnit(closed.replace(/^-/, ""));
    if (pack?.word.is !== "pack") return undefined;
    const each = resolve(size, unit, said(unit.rest), system);
    return packForm(count.value, each.amount, pack.word.name, each.questions, said(pack.rest), pack.rest);
  }
  // "14 oz can of milk", "a 500ml carton": one package with its size before it.
  const unit = readUnit(after.replace(/^-/, ""));
  if (!unit || unit.word.is === "pack") return undefined;
  const pack = readUnit(unit.rest.replace(/^-/, ""));
  if (pack?.word.is !== "pack") return undefined;
  const each = resolve(count, unit, said(unit.rest), system);
  return packForm(ratio(1n), each.amount, pack.word.name, each.questions, said(pack.rest), pack.rest);
}

function packForm(
  packs: Ratio,
  each: Amount | undefined,
  packName: string,
  questions: readonly QuantityQuestion[],
  said: string,
  rest: string,
): QuantityRead {
  return each
    ? { form: { kind: "packs", packs, each, packName }, questions, also: [], rest: withoutOf(rest) }
    : unknown(said, questions, rest);
}

/** "2 sachets of 25 g", "1 tin (400 g)" */
function packSizeAfter(
  text: string,
  system: MeasuringSystem | undefined,
): { each: Amount | undefined; questions: readonly QuantityQuestion[]; rest: string } | undefined {
  const open = /^(?:\(|of |at |à )(?:each )?/i.exec(text);
  if (!open) return undefined;
  const number = readNumber(text.slice(open[0].length));
  const unit = number && readUnit(number.rest);
  if (!number || !unit || unit.word.is === "pack") return undefined;
  const each = resolve(number, unit, text, system);
  return { each: each.amount, questions: each.questions, rest: each.rest.replace(/^(?:each)?\)?/, "").trimStart() };
}

/** The same amount again: "(240 ml)", "/ 125 g", "[2 cups]". */
function alsoAt(
  text: string,
  system: MeasuringSystem | undefined,
): { amounts: readonly Amount[]; rest: string } | undefined {
  const amounts: Amount[] = [];
  let rest = text;
  for (;;) {
    const open = /^(?:\(|\[|\/|\|| - )\s*(?:or |about |approx\.? |= ?)?/i.exec(rest);
    if (!open) break;
    const number = readNumber(rest.slice(open[0].length));
    const unit = number && readUnit(number.rest);
    if (!number || !unit || unit.word.is === "pack") break;
    const part = resolve(number, unit, text, system);
    if (part.amount) amounts.push(part.amount);
    const isBracket = /^[([]/.test(open[0]);
    rest = part.rest;
    if (isBracket) {
      const close = /^[^)\]]{0,30}[)\]]\s*/.exec(rest);
      if (!close) break;
      // "(240 ml / 8 fl oz)" says it a third time; nothing is lost by leaving that out.
      rest = rest.slice(close[0].length);
    }
  }
  return rest === text ? undefined : { amounts, rest: rest.trimStart() };
}
