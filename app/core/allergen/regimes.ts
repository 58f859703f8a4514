import { type Substance, groupOf } from "~/core/pantry";

/** What the law of a region makes a label declare: views on the one tree. Sources: the published lists of each region. */
export const regimes = {
  us: ["milk", "egg", "fish", "crustacean", "tree-nut", "peanut", "wheat", "soy", "sesame"],
  eu: [
    "gluten",
    "crustacean",
    "egg",
    "fish",
    "peanut",
    "soy",
    "milk",
    "tree-nut",
    "celery",
    "mustard",
    "sesame",
    "sulphite",
    "lupin",
    "mollusc",
  ],
  anz: [
    "milk",
    "egg",
    "fish",
    "crustacean",
    "mollusc",
    "peanut",
    "soy",
    "sesame",
    "wheat",
    "gluten",
    "lupin",
    "sulphite",
    "almond",
    "brazil-nut",
    "cashew",
    "hazelnut",
    "macadamia",
    "pecan",
    "pistachio",
    "walnut",
    "pine-nut",
  ],
} as const satisfies Record<string, readonly Substance[]>;
export type Regime = keyof typeof regimes;

/**
 * Must a label of this market name a substance where the product has it? Only then does its silence mean anything; "may contain" is
 * voluntary almost everywhere. Pine nut is a tree nut in the US and in Australia and New Zealand, not among the fourteen.
 * @param seenFrom whose list the class goes by: where that counts pine nuts among the tree nuts, the silence of a label that need not name
 * them says nothing of tree nuts as a whole.
 */
export function isObliged(substance: Substance, market: Regime, seenFrom: Regime = market): boolean {
  const list: readonly Substance[] = regimes[market];
  if (substance === "tree-nut" && market === "eu" && seenFrom !== "eu") return false;
  if (substance === "tree-nut" && market === "anz") return true;
  if (substance === "pine-nut") return market !== "eu";
  const group = groupOf(substance);
  return list.includes(substance) || (group !== undefined && list.includes(group));
}
