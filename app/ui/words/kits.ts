import type { Flame, FloorKind, GearSize, GearWay, LampMeaning, LoadLayer, Coating } from "~/core/gear";
import { type Container, type ContainerGroup, type Content, putOut } from "~/core/kit";
import { type AllergenMark, type ClassContainer, type ContentChange, type Place, keepsHours } from "~/core/pack";
import type { PrepTask } from "~/core/prep";
import { type Recipe, type Tool, holdColdC } from "~/core/recipe";
import { toScaleGrams, inGrams } from "~/core/quantity";
import type { Section, ShoppingLine, StockUnit } from "~/core/shop";
import {
  amount,
  degrees,
  fraction,
  grams,
  list,
  minutes,
  number,
  sayPutOut,
  sum,
  thin,
  volume,
} from "~/ui/format/format";
import { substanceWords, toolWords } from "./en";
import type { Names } from "./names";

/** Everything said about shopping, prep, kits, packing and gear. */
export const groupWords: Readonly<Record<ContainerGroup, string>> = {
  dry: "dry",
  wet: "wet",
  chilled: "chilled",
  "hold-back": "kept back",
  topping: "topping",
};
export const sectionWords: Readonly<Record<Section, string>> = {
  "fruit-vegetables": "Fruit and vegetables",
  chilled: "Chilled: milk, eggs, butter",
  baking: "Flour, sugar, baking",
  oils: "Oils and acids",
  spreads: "Spreads and toppings",
  frozen: "Frozen",
  household: "Not eaten",
};
/** What is on hand is counted in these. */
export const stockWords: Readonly<Record<StockUnit, { readonly short: string; readonly long: string }>> = {
  g: { short: "g", long: "Grams" },
  ml: { short: "ml", long: "Millilitres" },
  piece: { short: "pieces", long: "Pieces" },
};
export const floorWords: Readonly<Record<FloorKind, string>> = {
  station: "station",
  heat: "heat",
  water: "water",
  exit: "way out",
  extinguisher: "extinguisher",
  "allergy-table": "table set apart",
  "topping-bar": "topping bar",
  packing: "packing table",
  cold: "cold",
};
export const coatingWords: Readonly<Record<Coating, string>> = {
  bare: "bare metal",
  seasoned: "seasoned",
  "non-stick": "non-stick",
};
export const lampWords: Readonly<Record<LampMeaning, string>> = {
  heating: "lit while it heats",
  ready: "lit when it is ready",
};
export const flameWords: Readonly<Record<Flame, string>> = {
  gas: "gas from the pipe",
  "camping-gas": "a camping stove",
};
export const layerWords: Readonly<Record<LoadLayer, string>> = {
  heat: "What gets hot, on the floor of the car",
  gear: "Bowls and tools",
  table: "For the table",
  "dry-kits": "Dry kits",
  cold: "Cold boxes",
  "first-hand": "At hand first",
};

/** "11 cm across; 2½ min, turn once, 1½ min": how one piece is cooked. */
export function sayPiece({ pieceDiameterCm, heat }: Pick<Recipe, "pieceDiameterCm" | "heat">, locale: string): string {
  const sides = [heat.side1.likely, heat.side2?.likely ?? 0]
    .filter((each) => each > 0)
    .map((each) => minutes(each, locale));
  const halves = heat.halves ? `half, ${minutes(heat.halves.likely, locale)}, the other half, ` : "";
  return `${number(pieceDiameterCm, locale, 1)}${thin}cm across; ${halves}${sides.join(", turn once, ")}`;
}

/** "500 ml bag", "2 egg boxes", "3 sachets". */
export function containerName(container: Pick<Container, "kind" | "sizeMl" | "count" | "contents">): string {
  const times = container.count > 1 ? `${container.count} × ` : "";
  if (container.kind === "egg-box") return `${times}egg box`;
  if (container.kind === "as-sold")
    return `${container.count} ${container.contents[0]?.packs?.name ?? "pack"}, as sold`;
  const size = container.sizeMl ?? 0;
  const shown = size >= 1000 ? `${size / 1000}${thin}l` : `${size}${thin}ml`;
  return `${times}${shown} ${container.kind}`;
}

/** For which half of a batter a container is; nothing where it is mixed at once. */
export const sayMix = ({ mix }: Pick<ClassContainer, "mix">): string =>
  mix === undefined ? "" : mix === 1 ? ", first half" : ", second half";

/** Whose kit a container is of. */
export const placeName = (place: Place): string =>
  place.kind === "station"
    ? place.name
    : { demo: "Your own bowl", spare: "Spare kit", stored: "Dry mix to keep" }[place.kind];

/** A content as a scale shows it, as scoops where the set has them, or counted. */
export function contentGrams({ measured }: Pick<Content, "measured">, locale: string): string {
  return measured.grams === undefined
    ? amount(measured.amount, locale)
    : grams(toScaleGrams(measured.grams).shown, locale);
}
export function contentScoops({ measured, packs, isBeaten }: Content, locale: string): string {
  if (packs) return `${fraction(packs.exact, locale)} ${packs.name}`;
  if (isBeaten && measured.grams !== undefined)
    return `${amount(measured.amount, locale)}, beaten: ${grams(toScaleGrams(measured.grams).shown, locale)}`;
  return sayPutOut(putOut(measured), locale);
}

/** The spoons or pieces beside a weight; `undefined` where the scale is the only way. */
export const besideGrams = (content: Content, locale: string): string | undefined =>
  !content.packs && putOut(content.measured).by === "scale" ? undefined : contentScoops(content, locale);

/** What the products in a container hold, for its label: never a word that could be taken for a promise. */
export function sayMarks(marks: readonly AllergenMark[], names: Pick<Names, "ingredient" | "locale">): string[] {
  const say = (substances: readonly (keyof typeof substanceWords)[]) =>
    list(
      [...new Set(substances)].map((one) => substanceWords[one]),
      names.locale,
    );
  const contains = marks.flatMap((one) => one.contains);
  const may = marks.flatMap((one) => one.mayContain).filter((one) => !contains.includes(one));
  const unread = marks.filter((one) => one.isUnread).map((one) => names.ingredient(one.ingredientId));
  const foods = [...new Set(marks.flatMap((one) => one.foods))];
  return [
    ...(contains.length > 0 ? [`Contains ${say(contains)}.`] : []),
    ...(may.length > 0 ? [`May contain ${say(may)}.`] : []),
    ...(foods.length > 0 ? [`The label names ${list(foods, names.locale)}.`] : []),
    ...(unread.length > 0 ? [`Label not read: ${list(unread, names.locale)}.`] : []),
    ...(contains.length + may.length + foods.length + unread.length === 0 ? [nothingDeclared(marks)] : []),
  ];
}

/** Where no label declares anything: whether there was one to read. */
const nothingDeclared = (marks: readonly AllergenMark[]): string => {
  const labelled = marks.filter((one) => one.hasLabel).length;
  if (labelled === 0) return "Fresh food: no label to read.";
  return labelled === marks.length
    ? "None declared on the labels read."
    : "None declared on the labels read; fresh food has none to read.";
};

/** Which steps of the recipe a container belongs to. */
export const saySteps = (steps: readonly number[], locale: string): string =>
  steps.length === 0
    ? "no step named"
    : `step ${list(
        steps.map((step) => String(step)),
        locale,
      )}`;

/** How long it keeps, for the label. */
export function sayKeeps(group: ContainerGroup, locale: string): string {
  const hours = keepsHours[group];
  return hours >= 48
    ? `within ${hours / 24} days of packing`
    : `within ${hours} hours of packing, kept at ${degrees(holdColdC, locale)} or below`;
}

/** "50 g more wheat flour", "12 g less milk", "milk is now oat drink". */
export function sayContentChange(change: ContentChange, names: Pick<Names, "ingredient" | "locale">): string {
  const what = names.ingredient(change.ingredientId);
  if (change.byGrams !== undefined) {
    const by = grams(toScaleGrams(inGrams(Math.abs(change.byGrams))).shown, names.locale);
    return change.byGrams > 0 ? `put in ${by} more ${what}` : `take out ${by} of ${what}`;
  }
  if (!change.to) return `take out the ${what}`;
  if (!change.from) return `put in ${what}`;
  return `${what}: another number of pieces`;
}

/** One label in lines, the most important first; for paper, for the printer, and for a record. */
export function labelLines(
  container: ClassContainer,
  about: { readonly title: string; readonly day: string; readonly packed?: string | undefined },
  names: Pick<Names, "ingredient" | "locale">,
): string[] {
  const { locale } = names;
  const what = container.contents.map((content) =>
    container.contents.length === 1
      ? `${names.ingredient(content.ingredientId)}${content.isApart ? ", only if needed" : ""}`
      : `${names.ingredient(content.ingredientId)} ${contentGrams(content, locale)}`,
  );
  const [only] = container.contents;
  const much =
    container.contents.length === 1 && only
      ? only.measured.grams === undefined || only.measured.amount.unit === "piece"
        ? contentScoops(only, locale)
        : [contentGrams(only, locale), besideGrams(only, locale)].filter((way) => way !== undefined).join(" = ")
      : container.grams === undefined
        ? ""
        : `${grams(toScaleGrams(container.grams).shown, locale)} in all`;
  return [
    `${placeName(container.place)}${sayMix(container)}${container.isSealed ? " · apart, sealed" : ""}`,
    `${container.isBatter ? "Batter made before the doors: " : ""}${what.join(", ")}`,
    ...(much === "" ? [] : [much]),
    `${container.dishTitle}, ${saySteps(container.steps, locale)}`,
    sayMarks(container.marks, names).join(" "),
    `${about.title}, ${about.day}`,
    `${about.packed ? `Packed ${about.packed}. ` : "Packed ________ by ________ "}Use ${sayKeeps(container.group, names.locale)}.`,
  ];
}

/** What to do, in one sentence. */
export function sayPrep(task: PrepTask, names: Pick<Names, "ingredient" | "locale" | "dish">): string {
  const { locale } = names;
  const what = list(task.ingredientIds.map(names.ingredient), locale);
  const much = task.grams === undefined ? "an amount nobody knows yet of " : `${grams(task.grams, locale)} of `;
  const kept = task.keptGrams === undefined ? "" : `, which leaves ${grams(task.keptGrams, locale)}`;
  switch (task.kind) {
    case "thaw":
      return `Thaw ${much}${what} in the fridge overnight, drain before packing${kept}.`;
    case "trim":
      return `Get ready ${task.grams === undefined ? "" : `${grams(task.grams, locale)} as bought for `}${what}${kept}: wash, trim, peel, grate or squeeze.`;
    case "squeeze":
      return task.isSalted ? `Salt ${much}${what}, wait, squeeze${kept}.` : `Squeeze ${much}${what}${kept}.`;
    case "drain":
      return `Drain ${much}${what} in a sieve${kept}.`;
    case "soak-gel":
      return `Stir ${much}${what} into its water and let it swell.`;
    case "sour-milk":
      return `Stir the acid into the milk (${what}) and let it stand until it thickens.`;
    case "melt":
      return `Melt ${much}${what} and let it cool below ${degrees(50, locale)} before it meets egg.`;
    case "rest-batter":
      return `Mix the batter for the demonstration, ${names.dish(task.dishId)}, and let it rest${task.keepsHours >= 2 ? " chilled" : ""}.`;
    case "make-batter":
      return `Make ${much}batter for ${names.dish(task.dishId)}${task.batches ? ` (${fraction(task.batches, locale)} × the recipe)` : ""}, fill it into a tub for each table, label it, and keep it at ${degrees(holdColdC, locale)} or below until it is poured.`;
    case "make-part":
      return `Make the ${task.part ?? "part"} for ${names.dish(task.dishId)}.`;
    case "dry-mix":
      return `Mix ${much}dry mix for ${names.dish(task.dishId)} (${what}) and fill ${list(
        task.bags.map(
          (bag) =>
            `${bag.count} × ${grams(toScaleGrams(bag.grams).shown, locale)} (${fraction(bag.factor, locale)} of a batch)`,
        ),
        locale,
      )}. Each bag wants its wet containers beside it.`;
    case "chill-down":
      return `Cold boxes: ${what} at ${degrees(holdColdC, locale)} or below. Ice packs in, thermometer in, last into the car.`;
    default:
      return task.kind satisfies never;
  }
}

export function sayWay(way: GearWay, locale: string): string {
  switch (way.kind) {
    case "borrow":
      return `borrow ${way.count} from ${way.from}`;
    case "replace":
      return `use ${way.count} ${toolWords[way.by]} instead`;
    case "rotate":
      return `take turns, ${way.turns} stations to one: about ${minutes(way.minutes, locale)} longer`;
    case "buy":
      return `buy ${way.count}`;
    default:
      return way satisfies never;
  }
}

/** An amount of a line as shops sell it: litres of what pours, grams of the rest. */
export const sayBought = (value: number, line: Pick<ShoppingLine, "gramsPerMl">, locale: string): string =>
  line.gramsPerMl === undefined ? grams(value, locale) : volume(value / line.gramsPerMl, locale);

/** Bottles come in round sizes; the weight of one is as good as its density, so the size nearest by is what stands on it. */
function sizeOf(value: number, line: Pick<ShoppingLine, "gramsPerMl">, locale: string): string {
  if (line.gramsPerMl === undefined) return grams(value, locale);
  const ml = value / line.gramsPerMl;
  const round = Math.round(ml / 50) * 50;
  return volume(Math.abs(ml - round) <= ml * 0.015 ? round : ml, locale);
}

/** What a line is called: food by its name at the shop, what the steps use up as tools are called. */
export const nameOfLine = (line: Pick<ShoppingLine, "name" | "tool">): string =>
  line.tool ? toolWords[line.tool] : line.name;

/** What to take from the shelf: "2 × 1.5 kg bag"; or how much, where nobody said how it is sold. */
export function sayBasket(line: ShoppingLine, locale: string): string {
  const loose =
    line.buyPieces !== undefined
      ? `${line.buyPieces}`
      : line.buyGrams === undefined
        ? line.isToTaste
          ? "to taste"
          : "amount not known"
        : line.buyGrams < 1e-6
          ? line.isToTaste
            ? "to taste"
            : "nothing"
          : sayBought(Math.ceil(line.buyGrams), line, locale);
  if (!line.basket) return loose;
  if (line.basket.take.length === 0) return "nothing";
  return line.basket.take
    .map(({ id, count }) => {
      const size = line.sizes.find((one) => one.id === id);
      if (!size) return `${count}`;
      if (size.unitsPerPack === 1) return `${count} × ${sizeOf(size.unitGrams, line, locale)} ${size.unitName}`;
      return `${count} ${count === 1 ? "pack" : "packs"} of ${size.unitsPerPack}${line.unit === "piece" ? "" : ` × ${sizeOf(size.unitGrams, line, locale)} ${size.unitName}`}`;
    })
    .join(" + ");
}

/** What stays over. */
export function sayOver(line: ShoppingLine, locale: string): string {
  if (line.over === undefined || line.over < 0.5) return "";
  const [size] = line.sizes;
  if (line.unit === "piece") return `${number(line.over, locale, 0)} over`;
  if (size && size.unitsPerPack > 1) return `${Math.floor(line.over / size.unitGrams + 1e-9)} ${size.unitName} over`;
  return `${sayBought(line.over, line, locale)} over`;
}

/** Hundredths as a sum, in the currency the class's prices are in; a bare sum where nobody said which. */
export const money = (hundredths: number, locale: string, currency: string | undefined): string =>
  sum(hundredths / 100, locale, currency);

/** "2 of 1.5 l, 1 of 4 l, at the least". A ladle is of its size, a bowl at least of it. */
export const saySizes = (sizes: readonly GearSize[], tool: Tool, locale: string): string =>
  `${list(
    sizes.map(({ unit, size, count }) => `${count} of ${number(size, locale, 1)}${thin}${unit}`),
    locale,
  )}${tool === "mixing-bowl" ? ", or larger" : ""}`;
