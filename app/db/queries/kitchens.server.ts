import type { Kysely } from "kysely";
import type { Kitchen, Surface } from "~/core/gear";
import type { SurfaceKind, Tool } from "~/core/recipe";
import type { DB } from "../schema";

/** Every kitchen with its surfaces and gear, by name; with `only`, just that one. */
export async function kitchens(db: Kysely<DB>, only?: string): Promise<(Kitchen & { version: number })[]> {
  const [rooms, surfaces, gear] = await Promise.all([
    db
      .selectFrom("kitchen")
      .selectAll()
      .$if(only !== undefined, (query) => query.where("id", "=", only ?? ""))
      .orderBy("name")
      .execute(),
    db
      .selectFrom("surface")
      .selectAll()
      .$if(only !== undefined, (query) => query.where("kitchen_id", "=", only ?? ""))
      .orderBy("position")
      .execute(),
    db
      .selectFrom("kitchen_gear")
      .selectAll()
      .$if(only !== undefined, (query) => query.where("kitchen_id", "=", only ?? ""))
      .orderBy("tool")
      .execute(),
  ]);
  return rooms.map((room) => ({
    id: room.id,
    name: room.name,
    sinks: room.sinks,
    version: room.version,
    surfaces: surfaces
      .filter((one) => one.kitchen_id === room.id)
      .map((one): Surface => ({
        id: one.id,
        name: one.name,
        kind: one.kind as SurfaceKind,
        places: one.places,
        count: one.count,
        at: one.at as Surface["at"],
        preheatMinutes: one.preheat_minutes,
        watts: one.watts,
      })),
    gear: gear.filter((one) => one.kitchen_id === room.id).map((one) => ({ tool: one.tool as Tool, owned: one.owned })),
  }));
}

/** Writes the surfaces and gear of a kitchen anew. */
async function writeContents(db: Kysely<DB>, kitchenId: string, kitchen: Omit<Kitchen, "id">): Promise<void> {
  await db.deleteFrom("surface").where("kitchen_id", "=", kitchenId).execute();
  await db.deleteFrom("kitchen_gear").where("kitchen_id", "=", kitchenId).execute();
  if (kitchen.surfaces.length > 0) {
    await db
      .insertInto("surface")
      .values(
        kitchen.surfaces.map((one, position) => ({
          kitchen_id: kitchenId,
          position,
          name: one.name,
          kind: one.kind,
          places: one.places,
          count: one.count,
          at: one.at,
          preheat_minutes: one.preheatMinutes,
          watts: one.watts,
        })),
      )
      .execute();
  }
  if (kitchen.gear.length > 0)
    await db
      .insertInto("kitchen_gear")
      .values(kitchen.gear.map(({ tool, owned }) => ({ kitchen_id: kitchenId, tool, owned })))
      .execute();
}

/** Stores a new kitchen and gives its id. */
export async function addKitchen(db: Kysely<DB>, kitchen: Omit<Kitchen, "id">): Promise<string> {
  const { id } = await db
    .insertInto("kitchen")
    .values({ name: kitchen.name, sinks: kitchen.sinks })
    .returning("id")
    .executeTakeFirstOrThrow();
  await writeContents(db, id, kitchen);
  return id;
}

/** Changes a kitchen that is still at `version`; false when somebody else changed it first. */
export async function changeKitchen(
  db: Kysely<DB>,
  kitchenId: string,
  version: number,
  kitchen: Omit<Kitchen, "id">,
): Promise<boolean> {
  const changed = await db
    .updateTable("kitchen")
    .set({ name: kitchen.name, sinks: kitchen.sinks, version: version + 1, updated_at: new Date() })
    .where("id", "=", kitchenId)
    .where("version", "=", version)
    .executeTakeFirst();
  if (changed.numUpdatedRows === 0n) return false;
  await writeContents(db, kitchenId, kitchen);
  return true;
}
