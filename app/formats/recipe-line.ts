import { type Ingredient, namesAnother, readIngredientName, toGrams, wordsFor } from "~/core/pantry";
import {
  type Amount,
  type MeasuringSystem,
  type QuantityRead,
  isMassUnit,
  isVolumeUnit,
  readQuantity,
  writeAmount,
  writeRatio,
} from "~/core/quantity";
import { type Bowl, type DraftLine, type Guess, emptyLine } from "~/core/recipe";

/**
 * One line of an ingredient list as people write it, read into a draft line: what is certain is filled in, what was taken for granted
 * is marked, what is open stays open with its choices. Nothing is guessed that changes a batter.
 */
export interface LineContext {
  readonly pantry: readonly Ingredient[];
  readonly system: MeasuringSystem | undefined;
  /** The sub-recipe of the heading above; empty for the batter. */
  readonly partId: string;
  /** True below a heading such as "To serve". */
  readonly isTopping: boolean;
}

const bullet = /^\s*(?:[-*•·–—▢□☐●○◦+]|\d{1,2}[.)](?=\s+\D)|\[\s?\])\s*/u;
const optional = /\s*[([]?\boptional\b[)\]]?[:,]?\s*/i;
/** "(omit for savoury)": may be left out, and when is kept as a remark. */
const leftOut = /\b(?:omit|leave out|skip) (?:it )?(?:for|if|when)\b/i;
const toServe =
  /\b(?:to serve|for serving|to finish|to top|for topping|for dusting|to dust|for drizzling|to drizzle|to garnish|for garnish)\b/i;
const forPan =
  /\bfor (?:the |each )?(?:pan|griddle|iron|frying|greasing|cooking|brushing|skillet|dish(?:es)?|tin)\b|\bto (?:grease|fry|cook)\b/i;
const perLoad = /\b(?:per|each|every|a) (?:load|batch on the (?:pan|griddle)|round|lot)\b/i;
const perPiece = /\b(?:per|each|every|a|for each) (?:pancake|crepe|crêpe|waffle|fritter|piece|one|person)\b/i;
const toTasteEnd = /[,(\s]*\b(?:to taste|as needed|as required|as you like)\b\)?/i;

const bowlByRole: Readonly<Partial<Record<Ingredient["role"], Bowl>>> = {
  flour: "dry",
  starch: "dry",
  sugar: "dry",
  powder: "dry",
  soda: "dry",
  salt: "dry",
  spice: "dry",
  liquid: "wet",
  egg: "wet",
  fat: "wet",
  vanilla: "wet",
  acid: "wet",
  spray: "pan",
  topping: "topping",
};

/** The first place where the name of a thing ends and a remark begins. */
function splitName(text: string): { name: string; note: string } {
  const bare = text.replace(/\s+/g, " ").trim();
  const cut = bare.search(/,|;|\s-\s|\s\(|^\(|\s(?:for|to|at|until|plus|in|into|from|per|each) (?=\S)/i);
  if (cut <= 0) return { name: bare, note: "" };
  return {
    name: bare.slice(0, cut).trim(),
    note: bare
      .slice(cut)
      .replace(/^[\s,;-]+/, "")
      .replace(/^\(([^()]*)\)$/, "$1")
      .trim(),
  };
}

/** Two ways of saying the same amount that differ by more than this are a question (starting value: general cup figures differ by as much). */
const sameAmountSlack = 0.15;

function disagrees(
  amount: Amount,
  also: readonly Amount[],
  ingredient: Ingredient,
  system: MeasuringSystem | undefined,
): boolean {
  const mass = (one: Amount) => {
    const ways = (["sifted", "spooned", "dipped"] as const).map((fill) =>
      toGrams(one, ingredient, system ?? "metric", fill),
    );
    const known = ways.filter((grams) => grams !== undefined);
    return known.length > 0 ? { low: Math.min(...known), high: Math.max(...known) } : undefined;
  };
  const a = mass(amount);
  return also.some((one) => {
    const b = mass(one);
    return (
      a !== undefined &&
      b !== undefined &&
      (a.low > b.high * (1 + sameAmountSlack) || b.low > a.high * (1 + sameAmountSlack))
    );
  });
}

/** The amount at the end of a line: "Flour: 200 g", "milk ..... 300 ml", "Sugar, 2 tbsp". */
function amountAtEnd(
  text: string,
  system: MeasuringSystem | undefined,
): { read: QuantityRead; name: string } | undefined {
  const cuts = [
    ...text.matchAll(
      /\s*(?::|\.{2,}|\t|\s[-–—]\s|,|=|\s)\s*(?=(?:\d|[½⅓⅔¼¾⅛⅜⅝⅞]|an? |one |two |three |half |some\b|pinch|dash))/giu,
    ),
  ];
  for (const cut of cuts) {
    const name = text.slice(0, cut.index).trim();
    const read = readQuantity(text.slice(cut.index + cut[0].length), { system });
    const isUnit =
      read &&
      read.rest === "" &&
      (read.form.kind !== "exact" ||
        read.form.amount.unit !== "piece" ||
        /[:=\t]|\.{2}|\s[-–—]\s|,/.test(cut[0]) ||
        /^eggs?$|bananas?$|lemons?$/i.test(name));
    if (read && isUnit && name !== "" && !/\d/.test(name)) return { read, name };
  }
  return undefined;
}

interface Extra {
  readonly kind: "top-up" | "hold-back";
  readonly amount: Amount;
  readonly isMore: boolean;
}

/** ", up to 120 ml", "plus up to 40 ml more", ", hold back 50 ml": a second amount with a meaning of its own. */
function takeExtra(text: string, system: MeasuringSystem | undefined): { extra: Extra; text: string } | undefined {
  const found =
    /[,;(]?\s*\b(?:(?:plus|and|then|\+)?\s*(up to)|(hold(?:ing)? back|keep(?:ing)? back|reserv(?:e|ing)))\s+/i.exec(
      text,
    );
  if (!found || found.index === 0) return undefined;
  const read = readQuantity(text.slice(found.index + found[0].length), { system });
  if (read?.form.kind !== "exact") return undefined;
  const more = /^(?:more|extra|further)\b\s*/i.exec(read.rest);
  const rest = read.rest.slice(more?.[0].length ?? 0).replace(/^\)/, "");
  return {
    extra: { kind: found[1] ? "top-up" : "hold-back", amount: read.form.amount, isMore: more !== null },
    text: `${text.slice(0, found.index)} ${rest}`.trim(),
  };
}

/** "flour, plain", "flour (plain)", "flour self raising": the same words with the kind in front. */
function turnedRound(name: string): string[] {
  const apart = /^([a-z' ]+?)\s*[,(]\s*([a-z' -]+?)\)?$/i.exec(name);
  if (apart) return [`${apart[2]} ${apart[1]}`];
  // What stands before a comma is never dropped: "cashew butter, melted" is no butter.
  if (/[,(]/.test(name)) return [];
  const [first = "", ...others] = name.split(" ");
  return others.length > 0 && others.length < 4 ? [`${others.join(" ")} ${first}`] : [];
}
const rank = { none: 0, ask: 1, likely: 2, one: 3 } as const;

/** "slices of", "cloves of": how a thing is counted, not what it is. */
const countWord = /^(?:slices?|rashers?|sprigs?|leaves|leaf|heads?|stalks?|pieces?|bunch(?:es)?)\s+(?:of\s+)?(?=\S)/i;

interface Named {
  readonly ingredientId: string;
  readonly choices: readonly string[];
  readonly isGuess: boolean;
}

/** "lactose-free milk", "vegan cheese": another thing than what it stands for, unless the ingredient goes by that very word. */
const madeWithout =
  /\b(?:dairy|lactose|egg|gluten|wheat|nut|milk|sugar)[- ]free\b|\bvegan\b|\bplant[- ]based\b|\bnon[- ]dairy\b/i;
const isMadeWithout = (name: string, one: Ingredient): boolean => {
  const said = madeWithout.exec(name)?.[0];
  if (said === undefined) return false;
  const plain = (text: string) => text.toLowerCase().replace(/-/g, " ");
  return ![one.name, ...wordsFor(one.id)].some((word) => plain(word).includes(plain(said)));
};

function nameOf(name: string, { pantry, system }: Pick<LineContext, "pantry" | "system">): Named {
  // "Large" is 50 g without its shell in the US and Australia, 60 g in Europe.
  if (/^(?:extra )?large (?:free[- ]range )?eggs?\b/i.test(name)) {
    const ingredientId = system === "us" || system === "au" ? "egg" : "large-egg";
    return { ingredientId, choices: ["egg", "large-egg"], isGuess: true };
  }
  const isSame = (id: string) => {
    const one = pantry.find((each) => each.id === id);
    return one === undefined || !(namesAnother(name, one) || isMadeWithout(name, one));
  };
  const known = [name, ...turnedRound(name)]
    .map((way) => readIngredientName(way, pantry))
    .reduce((best, one) => (rank[one.kind] > rank[best.kind] ? one : best));
  const read =
    (known.kind === "one" || known.kind === "likely") && !isSame(known.ingredientId)
      ? ({ kind: "none" } as const)
      : known;
  if (read.kind === "one") return { ingredientId: read.ingredientId, choices: [], isGuess: false };
  if (read.kind === "likely") return { ingredientId: read.ingredientId, choices: read.ingredientIds, isGuess: true };
  if (read.kind === "ask") return { ingredientId: "", choices: read.ingredientIds, isGuess: false };
  // "butter or oil": whoever wrote it left a choice, and it stays one.
  const ways = name.split(/\s+or\s+|\s*\/\s*/i);
  const choices =
    ways.length > 1
      ? ways.flatMap((way) => {
          const one = nameOf(way, { pantry, system });
          return one.ingredientId ? [one.ingredientId] : one.choices;
        })
      : [];
  return { ingredientId: "", choices: [...new Set(choices)], isGuess: false };
}

/** A remark less the words that have become the kind of the amount. */
const without = (words: RegExp, remark: string): string =>
  remark
    .replace(new RegExp(`(?:for )?(?:${words.source})`, "i"), "")
    .replace(/^[\s,]+|[\s,]+$/g, "")
    .slice(0, 300);

/** What the ingredient is called and what is remarked about it. "flour, plain": a kind behind the comma belongs to the name. */
function nameAndNote(text: string, context: LineContext): { name: string; note: string } {
  const whole = text.replace(/\s+/g, " ").trim();
  const isClear = (name: string) => readIngredientName(name, context.pantry).kind === "one";
  const isTurned = !isClear(whole) && nameOf(whole, context).ingredientId !== "" && turnedRound(whole).some(isClear);
  const { name, note } = isTurned ? { name: whole, note: "" } : splitName(text);
  return { name: name.replace(countWord, ""), note };
}

/** "1 sachet baking powder (15 g)": the size of the pack stands behind the name. */
function packsBehindName(
  read: QuantityRead,
  system: MeasuringSystem | undefined,
): Pick<DraftLine, "amount" | "second" | "packName"> | undefined {
  if (read.form.kind !== "unknown" || !read.questions.some((question) => question.code === "pack-size"))
    return undefined;
  const bracket = /\(\s*([^()]+?)\s*(?:each)?\)/.exec(read.rest);
  const each = bracket && readQuantity(bracket[1] ?? "", { system });
  const [, count = "", packName = ""] = /^(.*\S)\s+(\w+?)s?$/.exec(read.form.said) ?? [];
  const packs = readQuantity(/^an?$/i.test(count) ? "1" : count, { system });
  return each?.form.kind === "exact" && each.rest === "" && packs?.form.kind === "exact" && packs.rest === ""
    ? {
        amount: writeRatio(packs.form.amount.value),
        second: writeAmount(each.form.amount),
        packName: packName.toLowerCase(),
      }
    : undefined;
}

const measures =
  "cups?|c|tablespoons?|tbsps?|tbs|tb|teaspoons?|tsps?|ts|ounces?|oz|pounds?|lbs?|grams?|g|kilos?|kg|millilit(?:re|er)s?|ml|lit(?:re|er)s?|l|pints?|quarts?|sticks?|pinch(?:es)?|dash(?:es)?";
const shares: Readonly<Record<string, string>> = { half: "1/2", quarter: "1/4", third: "1/3" };
const numbers: Readonly<Record<string, string>> = {
  a: "1",
  an: "1",
  one: "1",
  two: "2",
  three: "3",
  "1": "1",
  "2": "2",
  "3": "3",
};

/** "A cup and a half of", "1 quarter cup", "three quarters of a cup": the same as a number with a fraction. */
function plainAmount(text: string): string {
  return (
    text
      .replace(/\b(?:lg|lrg|lge)\b\.?(?= )/gi, "large")
      // "1 cup (heaped) flour": the brackets make no difference to the cup.
      .replace(
        new RegExp(
          `\\b(${measures})\\s*\\(\\s*(heaped|heaping|rounded|scant|generous|level|levelled|leveled)\\s*\\)`,
          "i",
        ),
        "$2 $1",
      )
      .replace(/\bmed\b\.?(?= )/gi, "medium")
      .replace(
        new RegExp(`^(an?|one|two|three|\\d+)\\s+(${measures})\\s+and\\s+an?\\s+(half|quarter|third)\\b`, "i"),
        (_all, count: string, unit: string, share: string) =>
          `${numbers[count.toLowerCase()] ?? count} ${shares[share.toLowerCase()]} ${unit}`,
      )
      .replace(
        new RegExp(
          `^(an?|one|two|three|[123])\\s+(half|quarter|third)s?(?:\\s+of\\s+an?|\\s+an?)?\\s+(${measures})\\b`,
          "i",
        ),
        (_all, count: string, share: string, unit: string) =>
          `${numbers[count.toLowerCase()]}/${(shares[share.toLowerCase()] ?? "1/1").slice(2)} ${unit}`,
      )
  );
}

/** "1 cup less 2 tablespoons buttermilk": what is taken off stands before the name. */
const lessOf = new RegExp(
  `^(.+?\\b(?:${measures})\\b)\\s+(?:less|minus)\\s+(?:\\d[\\d/.,\\s]*|[½⅓⅔¼¾⅛⅜⅝⅞]|an?\\s|one\\s|two\\s|three\\s|four\\s|half(?:\\s+an?)?\\s)\\s*(?:${measures})\\b\\s+(?:of\\s+)?(.+)$`,
  "iu",
);

/** Where one line goes on to a second amount: "plus 1 tbsp", "and half a teaspoon", "soaked in 3 tbsp", "less 2 tbsp". */
const goesOn = new RegExp(
  `[,;(]?\\s*(?:\\b(plus|and|with|less|minus|soaked in|dissolved in|mixed with|mixed into|stirred into|in)|[+&])\\s+(?:about\\s+|another\\s+|an? extra\\s+)?(?=(?:\\d[\\d/.,\\s]*|[½⅓⅔¼¾⅛⅜⅝⅞]|an?\\s|one\\s|two\\s|three\\s|four\\s|half(?:\\s+an?)?\\s)\\s*(?:heaped\\s+|level\\s+|large\\s+|extra\\s+|whole\\s+|medium\\s+)?(?:${measures}|eggs?|(?:egg )?(?:whites?|yolks?))\\b)`,
  "giu",
);
/** What leaves the amount of a line open, whatever figure stands before it. */
const leavesOpen =
  /\b(?:or )?as (?:needed|required|necessary)\b|\b(?:keep|hold|set|reserv)(?:e|ing)? (?:some|a little|a bit|part|a few|aside)\b|\bsome back\b|\bor (?:so|more|less)\b|\bgive or take\b/i;
/** Said behind the name, a heap is as much of a question as before the spoon. */
const unevenEnd = /\b(?:heaped|heaping|rounded|scant|generous)\b/i;
/** "plus extra for dusting": more of the same, for something else, and nobody said how much. */
const extraFor =
  /[,;(]?\s*(?:\b(?:plus|and|with)|\+|\b)\s*(?:a little |some |a bit )?(?:extra|more)\b(?:\s+\w+)?\s+(?:for|to|if|as|when)\s+(.+)$/i;

/** Ingredients that one asks the weight of a piece of are counted; a bare number before anything else is a missing unit. */
const canCount = (ingredient: Ingredient | undefined): boolean => ingredient?.pieceGrams !== undefined;

/** The name that stands in a piece of a line, without its amount. */
const nameIn = (text: string, { system }: LineContext): string => readQuantity(text, { system })?.rest ?? text;

/** "¼ tsp each salt and cinnamon": the same amount of each, as the lines it comes to; undefined for a line that is none such. */
function ofEach(text: string, said: string, context: LineContext): Omit<DraftLine, "id">[] | undefined {
  const found = /^(.+?)\s+each\s+(?:of\s+)?(\S.*)$/i.exec(text) ?? /^(.+?)\s+of\s+each\s*:?\s+(\S.*)$/i.exec(text);
  const amount = found?.[1] ?? "";
  const read = found && readQuantity(amount, { system: context.system });
  const names = (found?.[2] ?? "")
    .split(/\s*,\s*(?:and\s+)?|\s+and\s+|\s*&\s*|\s*\+\s*/i)
    .filter((name) => name !== "");
  if (!read || read.rest !== "" || names.length < 2) return undefined;
  return names.flatMap((name) =>
    readIngredientLine(`${amount} ${name}`, context).map((line) => ({
      ...line,
      said,
      guesses: [...new Set<Guess>([...line.guesses, "note"])],
    })),
  );
}

/** A line with a second amount in it, as the lines it comes to; undefined for one that has none. */
function goingOn(text: string, said: string, context: LineContext): Omit<DraftLine, "id">[] | undefined {
  const more = extraFor.exec(text);
  if (more && more.index > 0) {
    const first = readIngredientLine(text.slice(0, more.index), context);
    const [one] = first;
    if (one && first.length === 1 && (one.ingredientId !== "" || one.choices.length > 0) && one.kind !== "unknown") {
      const bowl: Bowl =
        forPan.test(`for ${more[1]}`) || /greas|pan|griddle|fry/i.test(more[1] ?? "")
          ? "pan"
          : toServe.test(more[0]) || /serv|top|drizzl|dust/i.test(more[1] ?? "")
            ? "topping"
            : one.bowl;
      const extra = {
        ...one,
        kind: "unknown" as const,
        amount: more[0].replace(/^[\s,;(]+|\)$/g, ""),
        second: "",
        packName: "",
        bowl,
        note: "",
      };
      return [
        { ...one, said },
        { ...extra, said, guesses: [...new Set<Guess>([...one.guesses, "note"])] },
      ];
    }
  }
  const lessened = lessOf.exec(text);
  if (lessened) {
    const [one, ...others] = readIngredientLine(`${lessened[1]} ${lessened[2]}`, context);
    if (one && others.length === 0 && one.ingredientId !== "")
      return [{ ...one, said, kind: "unknown", amount: said, second: "", packName: "" }];
  }
  for (const found of text.matchAll(goesOn)) {
    if (found.index === 0) continue;
    // "(or 1 cup milk with 1 tbsp vinegar)": what would do instead is no part of it.
    if (/\((?:or|alternatively|otherwise|if)\b[^()]*$/i.test(text.slice(0, found.index))) continue;
    const [before, after] = [text.slice(0, found.index), text.slice(found.index + found[0].length)];
    // "2 cups and 2 tbsp flour", "1 and 1/2 cups": the first amount has no name of its own yet.
    const first = readIngredientLine(before, context);
    const [one] = first;
    if (!one || first.length !== 1 || one.kind === "unknown") continue;
    // "2 egg yolks + 3 whites": what the first is nobody knows, that there is a second everybody sees.
    const isNamed = one.ingredientId !== "" || /[a-z]{3}/i.test(one.amount === "" ? "" : nameIn(before, context));
    if (!isNamed) continue;
    // "200 g self-raising flour or 200 g plain flour plus 2 tsp baking powder": which of it goes on is a question.
    if (/\bor\s+(?:\d|[½⅓⅔¼¾])/i.test(before))
      return [{ ...one, said, kind: "unknown", amount: said, second: "", packName: "" }];
    const isLess = /less|minus/i.test(found[1] ?? "");
    const second = isLess ? [] : readIngredientLine(after.replace(/\)$/, ""), context);
    if (second.length > 0 && second.every((line) => line.ingredientId !== ""))
      return [
        { ...one, said },
        ...second.map((line) => ({ ...line, said, guesses: [...new Set<Guess>([...line.guesses, "note"])] })),
      ];
    if (one.ingredientId === "") continue;
    // More of the same, or less of it, or of what nobody can tell: the amount is a question.
    return [{ ...one, said, kind: "unknown", amount: said, second: "", packName: "" }];
  }
  return undefined;
}

/** Numbers in a remark that are no amount of the ingredient: degrees, lengths, minutes, steps, shares. */
const noAmount =
  /\d[\d.,/–-]*\s*(?:°|degrees?|deg\b|[cf]\b|%|per ?cent|cm|mm|inch(?:es)?|["”″]|min(?:ute)?s?|hours?|hrs?|h\b|seconds?|days?|ways?|parts?|pieces?|slices?|times?)|\bstep \d+/giu;
const someAmount = new RegExp(`(?:\\d[\\d/.,]*|[½⅓⅔¼¾⅛⅜⅝⅞]|\\bhalf(?: an?)?|\\ban?)\\s*(?:${measures})\\b`, "iu");

/** Is there an amount in a remark that nobody has used? One in brackets that says the same in another unit has been compared. */
function hasUnusedAmount(
  note: string,
  ingredient: Ingredient | undefined,
  read: QuantityRead,
  system: MeasuringSystem | undefined,
): boolean {
  const bare = note.replace(noAmount, " ");
  const found = someAmount.exec(bare);
  if (!found) return false;
  const other = readQuantity(bare.slice(found.index), { system });
  const { form } = read;
  if (!ingredient || other?.form.kind !== "exact" || form.kind !== "exact")
    return form.kind !== "packs" && form.kind !== "unknown";
  const known = toGrams(form.amount, ingredient, system ?? "metric", "spooned");
  const asOther = toGrams(other.form.amount, ingredient, system ?? "metric", "spooned");
  if (known === undefined || asOther === undefined) return true;
  // Comparable, and the same within what two kitchens make of one cup.
  return disagrees(form.amount, [other.form.amount], ingredient, system);
}

/** Letters of a line of a list at most; nobody writes an ingredient with more. */
export const longestLine = 300;
/** Figures and brackets of a line at most: each is tried in several readings, so that many of them cost more than their number. */
const mostFigures = 24;
const figures = /\d+|[¼½¾⅐-⅞()]/g;

/** Is a line one that nobody wrote as an ingredient, and that is not gone into? It is kept as it stands, and asked about. */
const isNoIngredient = (said: string): boolean =>
  said.length > longestLine || (said.match(figures)?.length ?? 0) > mostFigures;

/**
 * Reads one line of an ingredient list. Takes no longer than a bounded time for a line, however it is made.
 * @returns usually one line; two for "salt and pepper"; none for an empty one.
 */
export function readIngredientLine(written: string, context: LineContext): Omit<DraftLine, "id">[] {
  const { pantry, system } = context;
  const said = written.trim();
  if (isNoIngredient(said))
    return [
      {
        ...emptyLine(""),
        partId: context.partId,
        said: said.slice(0, longestLine),
        kind: "unknown",
        amount: "not read",
        guesses: ["ingredient"],
      },
    ];
  let text = plainAmount(said.replace(bullet, "").replace(/\s+/g, " ").trim());
  if (text === "") return [];
  const each = ofEach(text, said, context);
  if (each) return each;
  const going = goingOn(text, said, context);
  if (going) return going;
  const isOptional = optional.test(text) || leftOut.test(text);
  text = text
    .replace(optional, " ")
    .replace(/[\s,:]+$/, "")
    .trim();
  const guesses = new Set<Guess>();
  const extra = takeExtra(text, system);
  if (extra) text = extra.text;

  // "juice of 1 lemon", "zest of half an orange": what is bought is the fruit.
  const partOf =
    /^(?:the )?(juice|zest|grated zest|finely grated zest|zest and juice|juice and zest) (?:of|from) (?=\S)/i.exec(
      text,
    );
  let prefixNote = "";
  if (partOf) {
    prefixNote = (partOf[1] ?? "").toLowerCase();
    text = text.slice(partOf[0].length);
  }

  const isTaste = toTasteEnd.test(text);
  const leading = readQuantity(text, { system });
  const trailing = leading && leading.form.kind !== "unknown" ? undefined : amountAtEnd(text, system);
  const read = trailing?.read ?? leading;
  const { name, note } = nameAndNote((trailing?.name ?? (read ? read.rest : text)).replace(toTasteEnd, " "), context);
  const remarks = [prefixNote, note].filter(Boolean).join(", ");

  // "salt and pepper": two things, both to taste.
  const pair = /^([a-z ]+?) (?:and|&) ([a-z ]+)$/i.exec(name);
  if (pair && nameOf(name, context).ingredientId === "") {
    const both = [pair[1] ?? "", pair[2] ?? ""].map((one) => nameOf(one, context));
    if (
      both.every((one) => one.ingredientId !== "") &&
      (!read ||
        read.form.kind === "to-taste" ||
        isTaste ||
        (read.form.kind === "exact" && read.form.amount.unit === "pinch"))
    )
      return [pair[1] ?? "", pair[2] ?? ""].flatMap((one) =>
        readIngredientLine(read?.form.kind === "exact" ? `1 pinch ${one}` : `${one} to taste`, context).map((line) => ({
          ...line,
          said,
          guesses: [...new Set<Guess>([...line.guesses, "note"])],
        })),
      );
  }

  const named = nameOf(name, context);
  if (named.isGuess) guesses.add("ingredient");
  const ingredient = pantry.find((one) => one.id === named.ingredientId);
  const whole = `${name} ${note}`;
  // More of it for the pan sends none of the rest there.
  const isPan = forPan.test(
    said.replace(/[,;(]?\s*(?:plus|and|with|\+)\s+(?:a (?:little|bit) )?(?:extra|more)\b.*$/i, ""),
  );
  const bowl: Bowl =
    context.isTopping || toServe.test(said)
      ? "topping"
      : isPan || ingredient?.role === "spray"
        ? "pan"
        : ((ingredient && bowlByRole[ingredient.role]) ?? "bowl");
  // A vegetable or a cheese may go anywhere; flour, egg and milk have their bowl.
  if (ingredient && bowl === "bowl") guesses.add("bowl");

  const line: Omit<DraftLine, "id"> = {
    ...emptyLine(""),
    partId: context.partId,
    ingredientId: named.ingredientId,
    choices: named.choices,
    said,
    bowl,
    isOptional,
    note: remarks.slice(0, 300),
    guesses: [],
  };
  const done = (more: Partial<DraftLine>): Omit<DraftLine, "id">[] => [{ ...line, ...more, guesses: [...guesses] }];
  const open = (saidAmount: string) => done({ kind: "unknown", amount: saidAmount });

  if (!read)
    return isTaste || bowl === "topping" ? done({ kind: "to-taste" }) : open(isPan ? "for the pan" : "not said");
  // What was not used of a line is asked about: a figure in the remark, or words that take the figure back.
  const isUnused = leavesOpen.test(said) || unevenEnd.test(note) || hasUnusedAmount(note, ingredient, read, system);
  if (isUnused && read.form.kind !== "to-taste" && !extra) return open(said);
  const { form } = read;
  if (form.kind === "to-taste" || (isTaste && form.kind === "unknown")) return done({ kind: "to-taste" });
  if (form.kind === "unknown") {
    // What can be asked stays an amount with its question; what was never a figure is an open amount.
    const packs = packsBehindName(read, system);
    // The remark was the size, and stands in its field now.
    if (packs) return done({ kind: "packs", ...packs, note: prefixNote });
    const isVague = read.questions.every((question) => question.code === "vague");
    return isVague ? open(form.said) : done({ kind: "exact", amount: form.said });
  }
  if (form.kind === "packs")
    return done({
      kind: "packs",
      amount: writeRatio(form.packs),
      second: writeAmount(form.each),
      packName: form.packName,
    });
  if (form.kind === "range") {
    if (form.from.unit === "piece" && !canCount(ingredient) && named.ingredientId !== "")
      return open(`${writeRatio(form.from.value)}–${writeRatio(form.to.value)}`);
    return done({ kind: "range", amount: writeAmount(form.from), second: writeAmount(form.to) });
  }
  const { amount } = form;
  if (amount.unit === "piece" && named.ingredientId !== "" && !canCount(ingredient))
    return open(writeRatio(amount.value));
  if (ingredient && disagrees(amount, read.also, ingredient, system))
    return open([amount, ...read.also].map((one) => writeAmount(one)).join(" or "));
  if (amount.unit === "stick" && ingredient && ingredient.role !== "fat") return open(writeAmount(amount));
  if (extra && (isVolumeUnit(amount.unit) || isMassUnit(amount.unit)) && extra.extra.amount.unit === amount.unit) {
    const second = extra.extra;
    if (second.kind === "hold-back")
      return done({ kind: "hold-back", amount: writeAmount(amount), second: writeAmount(second.amount) });
    const most = second.isMore
      ? {
          ...amount,
          value: {
            num: amount.value.num * second.amount.value.den + second.amount.value.num * amount.value.den,
            den: amount.value.den * second.amount.value.den,
          },
        }
      : second.amount;
    return done({ kind: "top-up", amount: writeAmount(amount), second: writeAmount(most) });
  }
  if (extra) return open(said);
  if (perLoad.test(whole))
    return done({ kind: "per-load", amount: writeAmount(amount), bowl: "pan", note: without(perLoad, remarks) });
  if (perPiece.test(whole))
    return done({
      kind: "per-piece",
      amount: writeAmount(amount),
      bowl: bowl === "pan" ? "pan" : "topping",
      note: without(perPiece, remarks),
    });
  return done({ kind: "exact", amount: writeAmount(amount) });
}
