import { type StarterKind, starterKitchens } from "~/core/gear";
import { database } from "~/db/client.server";
import { addKitchen } from "~/db/queries/kitchens.server";
import { addStarterRecipes } from "./demo.server";

/** What a program without classes begins with: a drawn kitchen, the starter recipes, or both. */
export interface Beginning {
  readonly kitchen: StarterKind | undefined;
  readonly hasStarterRecipes: boolean;
}

/** Adds what was chosen to begin with; it is changed afterwards like any other kitchen or recipe. */
export async function begin({ kitchen, hasStarterRecipes }: Beginning, accountId: string): Promise<void> {
  const db = database();
  if (kitchen) await db.transaction().execute((trx) => addKitchen(trx, starterKitchens[kitchen]));
  if (hasStarterRecipes) await addStarterRecipes(db, accountId);
}
