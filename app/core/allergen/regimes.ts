import type { Substance } from "~/core/pantry";

/** What the law of a region makes a label declare: views on the one tree. Sources: the published lists of each region. */
export const regimes = {
  us: ["milk", "egg", "fish", "crustacean", "tree-nut", "peanut", "wheat", "soy", "sesame"],
  eu: ["gluten", "crustacean", "egg", "fish", "peanut", "soy", "milk", "tree-nut", "celery", "mustard", "sesame", "sulphite", "lupin", "mollusc"],
  anz: ["milk", "egg", "fish", "crustacean", "mollusc", "peanut", "soy", "sesame", "wheat", "gluten", "lupin", "sulphite", "almond", "brazil-nut", "cashew", "hazelnut", "macadamia", "pecan", "pistachio", "walnut"],
} as const satisfies Record<string, readonly Substance[]>;
export type Regime = keyof typeof regimes;
