import type { Kysely } from "kysely";
import type { ClassInput } from "~/core/plan";
import { ingredientsNamedIn } from "~/core/recipe";
import { within } from "~/db/client.server";
import { addClass } from "~/db/queries/classes.server";
import { addKitchen, kitchens } from "~/db/queries/kitchens.server";
import { addIngredients, allIngredients } from "~/db/queries/pantry.server";
import { addRevision, recipeOf } from "~/db/queries/recipes.server";
import type { DB } from "~/db/schema";
import { toPlain } from "~/formats/class-file";
import { canonical } from "~/core/plan";

const suffixed = (id: string, n: number) => `${id.slice(0, 60)}-${n}`;

/** An ingredient in a form that is the same for the same ingredient: what it contains is a set, in whatever order it was written. */
export const formOfIngredient = (one: ClassInput["pantry"][number]): string =>
  canonical({ ...one, contains: [...one.contains].sort() });

/** Names for ingredients that the file means differently than our pantry does: they come in under a name of their own. */
function ingredientNames(
  input: ClassInput,
  ours: ClassInput["pantry"],
): { rename: Map<string, string>; added: ClassInput["pantry"] } {
  const known = new Map(ours.map((one) => [one.id, formOfIngredient(one)]));
  const rename = new Map<string, string>();
  const added = input.pantry.flatMap((one) => {
    if (known.get(one.id) === formOfIngredient(one)) return [];
    let id = one.id;
    for (let n = 2; known.has(id) && known.get(id) !== formOfIngredient({ ...one, id }); n += 1)
      id = suffixed(one.id, n);
    if (id !== one.id) rename.set(one.id, id);
    return known.has(id) ? [] : [{ ...one, id }];
  });
  return { rename, added };
}

/** Every `ingredientId` and `mentions` of a value under its new name. */
function renamed<T>(value: T, rename: ReadonlyMap<string, string>): T {
  if (Array.isArray(value)) return value.map((one) => renamed(one, rename)) as T;
  if (value === null || typeof value !== "object") return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, field]) => {
      if (key === "ingredientId" && typeof field === "string") return [key, rename.get(field) ?? field];
      if (key === "mentions" && Array.isArray(field)) return [key, field.map((one: string) => rename.get(one) ?? one)];
      return [key, renamed(field, rename)];
    }),
  ) as T;
}

/**
 * Brings a class from a file in whole: its ingredients and recipes under new names where ours differ, its kitchen as a new one
 * unless an equal one is there. All or nothing.
 * @returns the new class's id, or the ingredient that the file names but does not bring.
 */
export async function importClass(
  db: Kysely<DB>,
  input: ClassInput,
  accountId: string | null,
  isDemo = false,
): Promise<{ id: string } | { missing: string }> {
  return within(db, async (trx) => {
    const { rename, added } = ingredientNames(input, await allIngredients(trx));
    const file = rename.size > 0 ? renamed(input, rename) : input;
    const known = new Set([...(await allIngredients(trx)), ...added].map((one) => one.id));
    const named = [
      ...[...file.labels, ...file.packs].map((one) => one.ingredientId),
      ...file.dishes.flatMap((dish) => ingredientsNamedIn(dish.recipe)),
    ];
    const missing = named.find((id) => !known.has(id));
    if (missing) return { missing };
    await addIngredients(trx, added);

    const dishes: ClassInput["dishes"][number][] = [];
    for (const dish of file.dishes)
      dishes.push({ ...dish, recipe: await recipeForImport(trx, dish.recipe, accountId) });
    const rooms = await kitchens(trx);
    const { id: _fileRoomId, ...room } = file.kitchen;
    const shape = (one: ClassInput["kitchen"]) =>
      canonical({
        name: one.name,
        sinks: one.sinks,
        altitudeM: one.altitudeM,
        surfaces: one.surfaces.map(({ id: _id, ...surface }) => surface),
        circuits: one.circuits?.map(({ id: _id, ...circuit }) => circuit),
        floor: one.floor,
        gear: [...one.gear].sort((a, b) => (a.tool < b.tool ? -1 : 1)),
        goesRound: [...(one.goesRound ?? [])].sort((a, b) => (a.thing < b.thing ? -1 : 1)),
      });
    const same = rooms.find((one) => shape(one) === shape(file.kitchen));
    const kitchenId = same?.id ?? (await addKitchen(trx, room));
    return { id: await addClass(trx, { ...file, dishes }, kitchenId, accountId, isDemo) };
  });
}

/** The recipe as it is stored here: the equal one that is there, or a new one under a free name. */
async function recipeForImport(
  db: Kysely<DB>,
  recipe: ClassInput["dishes"][number]["recipe"],
  accountId: string | null,
): Promise<ClassInput["dishes"][number]["recipe"]> {
  for (let n = 1; ; n += 1) {
    const candidate = n === 1 ? recipe : { ...recipe, id: suffixed(recipe.id, n) };
    const ours = await recipeOf(db, candidate.id);
    if (ours && canonical(toPlain(ours)) === canonical(toPlain(candidate))) return candidate;
    if (ours) continue;
    await addRevision(db, candidate, accountId);
    return candidate;
  }
}
