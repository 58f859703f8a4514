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

/** An ingredient as numbers. Percentages are by mass, 0 to 100. */
export interface Ingredient {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  /** "whole" foods (an egg, a banana, tap water) carry no label to read; "packaged" ones are unknown until theirs was read. */
  readonly label: "whole" | "packaged";
  /** Grams in one US cup, one figure or one per way of filling. */
  readonly gramsPerCup?: number | Readonly<Record<FillMethod, number>>;
  /** Grams in one US teaspoon, for what is measured by the spoon. */
  readonly gramsPerTsp?: number;
  /** Grams of one piece: an egg without its shell, a banana without its skin. */
  readonly pieceGrams?: number;
  readonly waterPercent: number;
  readonly fatPercent: number;
  /** Grams per ml of the substance itself, without the air between grains: what it displaces in a batter. */
  readonly trueDensity: number;
  /** Teaspoons of baking soda that one US cup of it neutralises; 0 when it is not acid. */
  readonly neutralisesTsp: number;
  readonly storage: Storage;
  /** What it contains by its nature, whatever the label says. */
  readonly contains: readonly Substance[];
  /** Where the figures come from, in general terms. */
  readonly source: string;
}

/** What one person read on the product in hand. */
export interface LabelReading {
  readonly ingredientId: string;
  readonly product: string;
  readonly contains: readonly Substance[];
  readonly mayContain: readonly Substance[];
  readonly readBy: string;
  /** ISO date. */
  readonly readOn: string;
}

/** How a product is sold: `unitGrams` in each unit (a sachet, a tub), `unitsPerPack` to the pack. */
export interface PackSize {
  readonly ingredientId: string;
  readonly unitGrams: number;
  readonly unitsPerPack: number;
  readonly unitName: string;
}
