import type { Grams } from "~/core/quantity";
import type { Substance } from "./allergens";

/** What an ingredient does in a batter; leaveners and salt are measured more strictly than the rest. */
export const roles = [
  "flour",
  "starch",
  "sugar",
  "powder",
  "soda",
  "salt",
  "spice",
  "vanilla",
  "fat",
  "egg",
  "liquid",
  "acid",
  "fruit",
  "vegetable",
  "topping",
  "spray",
  "other",
] as const;
export type Role = (typeof roles)[number];

/** How a cup is filled; for flour the ways differ by up to a fifth. */
export const fillMethods = ["sifted", "spooned", "dipped"] as const;
export type FillMethod = (typeof fillMethods)[number];

export const storages = ["dry", "chilled", "frozen"] as const;
export type Storage = (typeof storages)[number];

export const labelKinds = ["whole", "packaged"] as const;
export type LabelKind = (typeof labelKinds)[number];

/** What is bought and worked on to get an ingredient: a lemon for its juice, a courgette for what is grated of it. */
export interface RawForm {
  readonly name: string;
  /** Share of its weight that is left after peeling, coring, squeezing, grating or draining; above 0, up to 1. */
  readonly keeps: number;
  /** Grams of one whole piece as bought; absent for what is bought by weight. */
  readonly pieceGrams?: Grams | undefined;
}

/** An ingredient as numbers. Percentages are by mass, 0 to 100. */
export interface Ingredient {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  /** "whole" foods (an egg, a banana, tap water) carry no label to read; "packaged" ones are unknown until theirs was read. */
  readonly label: LabelKind;
  /** Grams in one US cup, one figure or one per way of filling. */
  readonly gramsPerCup?: number | Readonly<Record<FillMethod, number>>;
  /** Grams in one US teaspoon, for what is measured by the spoon. */
  readonly gramsPerTsp?: number;
  /** Where a teaspoon of it depends on the brand (coarse salt): the lightest and the heaviest, in grams. */
  readonly tspSpread?: { readonly low: number; readonly high: number };
  /** Grams of one piece: an egg without its shell, a banana without its skin. */
  readonly pieceGrams?: Grams;
  readonly waterPercent: number;
  readonly fatPercent: number;
  readonly sugarPercent: number;
  /** Grams per ml of the substance itself, without the air between grains: what it displaces in a batter. */
  readonly trueDensity: number;
  /** Teaspoons of baking soda that one US cup of it neutralises; 0 when it is not acid. */
  readonly neutralisesTsp: number;
  /** True when it makes a batter so dark that browning cannot be seen. */
  readonly darkens: boolean;
  readonly storage: Storage;
  /** How it is bought, where that is not as it is used. */
  readonly raw?: RawForm | undefined;
  /** What it contains by its nature, whatever the label says. */
  readonly contains: readonly Substance[];
  /** Where the figures come from, in general terms. */
  readonly source: string;
}

/** Jurisdiction of a label: its silence means something only for substances its law obliges it to declare. */
export const markets = ["us", "eu", "anz"] as const;
export type Market = (typeof markets)[number];

/** What one person read on the product in hand. */
export interface LabelReading {
  readonly ingredientId: string;
  readonly product: string;
  readonly contains: readonly Substance[];
  readonly mayContain: readonly Substance[];
  /** The market the product was made for; that of the class where nobody says. */
  readonly market?: Market | undefined;
  /** Whose list the class goes by; put there by {@link knownFood}, never stored. */
  readonly seenFrom?: Market | undefined;
  /** Substances and foods that nobody is obliged to declare, looked for in the whole list and not found. */
  readonly lookedFor?: readonly string[] | undefined;
  /** Foods beyond the substances that the list names: corn, banana. */
  readonly foods?: readonly string[] | undefined;
  /** The product claims to be gluten-free, as its market's law allows. */
  readonly isGlutenFree?: boolean | undefined;
  readonly readBy: string;
  /** ISO date. */
  readonly readOn: string;
}

/** How a product is sold: `unitGrams` in each unit (a sachet, a tub), `unitsPerPack` to the pack. */
export interface PackSize {
  readonly ingredientId: string;
  readonly unitGrams: Grams;
  readonly unitsPerPack: number;
  readonly unitName: string;
  /** What is really bought, as it stands on the packet. A label read on another product does not count for this one. */
  readonly product?: string | undefined;
  /** Price of one pack in hundredths of the currency the class is reckoned in. */
  readonly price?: number | undefined;
  /** The same product in other sizes, in the order they were written down. */
  readonly sizes?: readonly OtherSize[] | undefined;
}

/** Another size of a product: what the label says is the same, only the pack is not. */
export interface OtherSize {
  readonly unitGrams: Grams;
  readonly unitsPerPack: number;
  readonly price?: number | undefined;
}

/** Food that somebody brings to the table: nobody here made it, so it has a label that was read, or it is unknown. */
export interface SharedFood {
  readonly id: string;
  readonly name: string;
  readonly broughtBy: string;
  readonly label: Omit<LabelReading, "ingredientId"> | null;
  /** A household’s own product, used instead of the class’s on its own plates only (remote classes). */
  readonly instead?: Instead | undefined;
}

/** Which ingredient a household has of its own, and which household, by its station from 0. */
export interface Instead {
  readonly station: number;
  readonly ingredientId: string;
}

/** Labels of the products in hand: one that was read on another product than is bought now counts as not read. */
export function labelsInHand(labels: readonly LabelReading[], packs: readonly PackSize[]): Map<string, LabelReading> {
  const products = new Map(packs.flatMap((pack) => (pack.product ? [[pack.ingredientId, pack.product] as const] : [])));
  return new Map(
    labels
      .filter((label) => (products.get(label.ingredientId) ?? label.product) === label.product)
      .map((label) => [label.ingredientId, label]),
  );
}

/** Food brought along as ingredients, so that it is judged like everything else that touches a plate. */
export const sharedFoodId = (food: Pick<SharedFood, "id">): string => `shared-${food.id}`;
const asIngredient = (food: SharedFood): Ingredient => ({
  id: sharedFoodId(food),
  name: food.name,
  role: "other",
  label: "packaged",
  waterPercent: 0,
  fatPercent: 0,
  sugarPercent: 0,
  trueDensity: 1,
  neutralisesTsp: 0,
  darkens: false,
  storage: "dry",
  contains: [],
  source: "",
});

/** What is known of all food of a class: the pantry with what is brought along, and the labels of the products in hand. */
export interface KnownFood {
  readonly pantry: ReadonlyMap<string, Ingredient>;
  readonly labels: ReadonlyMap<string, LabelReading>;
  /** What is brought along, as ingredients: it is on everybody's plate. */
  readonly broughtIds: readonly string[];
  /** What is known at the stations that have products of their own, by station from 0; see {@link foodAt}. */
  readonly own: ReadonlyMap<number, Pick<KnownFood, "pantry" | "labels">>;
}

/** What is known of the food at one station: its own products in place of the class's. */
export const foodAt = (food: KnownFood, station: number | undefined): Pick<KnownFood, "pantry" | "labels"> =>
  (station === undefined ? undefined : food.own.get(station)) ?? food;

/** The products that a station has of its own, by what they stand for. */
export const ownProductsAt = (
  { shared = [] }: { readonly shared?: readonly SharedFood[] | undefined },
  station: number,
): ReadonlyMap<string, string> =>
  new Map(shared.flatMap(({ instead, name }) => (instead?.station === station ? [[instead.ingredientId, name]] : [])));

export function knownFood(input: {
  readonly brief: { readonly regime: Market };
  readonly pantry: readonly Ingredient[];
  readonly labels: readonly LabelReading[];
  readonly packs: readonly PackSize[];
  readonly shared?: readonly SharedFood[] | undefined;
}): KnownFood {
  const pantry = new Map(input.pantry.map((one) => [one.id, one]));
  const seenFrom = input.brief.regime;
  const marketsOf = (label: Pick<LabelReading, "market">) => ({ market: label.market ?? seenFrom, seenFrom });
  const labels = new Map(
    [...labelsInHand(input.labels, input.packs)].map(([id, label]) => [id, { ...label, ...marketsOf(label) }]),
  );
  // A whole food that is bought as a product of some name has a label like any other: what is in the carton is not known unread.
  for (const pack of input.packs) {
    const one = pantry.get(pack.ingredientId);
    if (pack.product && one?.label === "whole") pantry.set(one.id, { ...one, label: "packaged" });
  }
  const all = input.shared ?? [];
  const shared = all.filter((food) => food.instead === undefined);
  for (const food of shared) {
    const id = sharedFoodId(food);
    pantry.set(id, asIngredient(food));
    if (food.label) labels.set(id, { ...food.label, ingredientId: id, ...marketsOf(food.label) });
  }
  const own = new Map<number, { pantry: Map<string, Ingredient>; labels: Map<string, LabelReading> }>();
  for (const { instead, label } of all) {
    if (!instead) continue;
    const { station, ingredientId } = instead;
    const there = own.get(station) ?? { pantry: new Map(pantry), labels: new Map(labels) };
    own.set(station, there);
    const one = pantry.get(ingredientId);
    // A product has a label, whatever it stands for; one that nobody read is unknown.
    if (one) there.pantry.set(ingredientId, { ...one, label: "packaged" });
    if (label) there.labels.set(ingredientId, { ...label, ingredientId, ...marketsOf(label) });
    else there.labels.delete(ingredientId);
  }
  return { pantry, labels, broughtIds: shared.map(sharedFoodId), own };
}
