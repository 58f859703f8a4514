import type { Kysely } from "kysely";
import type { Ingredient } from "~/core/pantry";
import type { DB } from "~/db/schema";
import { allIngredients } from "~/db/queries/pantry.server";
import { asideOf } from "./aside.server";
import { slugOf } from "./recipes.server";

/** An id for a new ingredient, made from its name and not taken yet. */
export async function freeIngredientId(db: Kysely<DB>, name: string): Promise<string> {
  const base = slugOf(name);
  const rows = await db.selectFrom("ingredient").select("id").where("id", "like", `${base}%`).execute();
  const taken = new Set(rows.map((row) => row.id));
  // "new" is the address of the empty form.
  if (!taken.has(base) && base !== "new") return base;
  for (let n = 2; ; n += 1) if (!taken.has(`${base}-${n}`)) return `${base}-${n}`;
}

/** What a recipe is written with: the whole pantry, and which of it is put aside and so not offered. */
export async function pantryToWrite(db: Kysely<DB>): Promise<{ pantry: Ingredient[]; aside: string[] }> {
  const [pantry, aside] = await Promise.all([allIngredients(db), asideOf(db, "ingredient")]);
  return { pantry, aside: [...aside] };
}
