import { surfaceIdOf } from "~/core/ids";
import { inMinutes } from "~/core/quantity";
import type { Kysely, Selectable } from "kysely";
import type {
  Circuit,
  Coating,
  Flame,
  Floor,
  FloorKind,
  Kitchen,
  LampMeaning,
  SharedThing,
  Surface,
  SurfaceSize,
} from "~/core/gear";
import type { SurfaceKind, Tool } from "~/core/recipe";
import type { DB, SurfaceTable } from "../schema";

const sizeOf = (row: Selectable<SurfaceTable>): SurfaceSize | undefined =>
  row.diameter_cm !== null
    ? { kind: "round", diameterCm: row.diameter_cm }
    : row.width_cm !== null && row.depth_cm !== null
      ? { kind: "rect", widthCm: row.width_cm, depthCm: row.depth_cm }
      : undefined;

function toSurface(row: Selectable<SurfaceTable>): Surface {
  const size = sizeOf(row);
  return {
    id: surfaceIdOf(row.id),
    name: row.name,
    kind: row.kind as SurfaceKind,
    places: row.places,
    count: row.count,
    at: row.at as Surface["at"],
    preheatMinutes: row.preheat_minutes === null ? null : inMinutes(row.preheat_minutes),
    watts: row.watts,
    ...(size ? { size } : {}),
    ...(row.coating === null ? {} : { coating: row.coating as Coating }),
    ...(row.has_hot_handle === null ? {} : { hasHotHandle: row.has_hot_handle }),
    ...(row.lamp === null ? {} : { lamp: row.lamp as LampMeaning }),
    ...(row.flame === null ? {} : { flame: row.flame as Flame }),
  };
}

/** The columns of a surface; the other way round of the mapper above. */
const surfaceColumns = (one: Surface) => ({
  name: one.name,
  kind: one.kind,
  places: one.places,
  count: one.count,
  at: one.at,
  preheat_minutes: one.preheatMinutes,
  watts: one.watts,
  diameter_cm: one.size?.kind === "round" ? one.size.diameterCm : null,
  width_cm: one.size?.kind === "rect" ? one.size.widthCm : null,
  depth_cm: one.size?.kind === "rect" ? one.size.depthCm : null,
  coating: one.coating ?? null,
  has_hot_handle: one.hasHotHandle ?? null,
  lamp: one.lamp ?? null,
  flame: one.flame ?? null,
});

/** Every kitchen with its surfaces, circuits, gear and sketch, by name; with `only`, just that one. */
export async function kitchens(db: Kysely<DB>, only?: string): Promise<(Kitchen & { version: number })[]> {
  const isOnly = only !== undefined;
  const id = only ?? "";
  const [rooms, surfaces, gear, rounds, circuits, floors, marks] = await Promise.all([
    db
      .selectFrom("kitchen")
      .selectAll()
      .$if(isOnly, (query) => query.where("id", "=", id))
      .orderBy("name")
      .execute(),
    db
      .selectFrom("surface")
      .selectAll()
      .$if(isOnly, (query) => query.where("kitchen_id", "=", id))
      .orderBy("position")
      .execute(),
    db
      .selectFrom("kitchen_gear")
      .selectAll()
      .$if(isOnly, (query) => query.where("kitchen_id", "=", id))
      .orderBy("tool")
      .execute(),
    db
      .selectFrom("kitchen_round")
      .selectAll()
      .$if(isOnly, (query) => query.where("kitchen_id", "=", id))
      .orderBy("thing")
      .execute(),
    db
      .selectFrom("circuit")
      .selectAll()
      .$if(isOnly, (query) => query.where("kitchen_id", "=", id))
      .orderBy("position")
      .execute(),
    db
      .selectFrom("kitchen_floor")
      .selectAll()
      .$if(isOnly, (query) => query.where("kitchen_id", "=", id))
      .execute(),
    db
      .selectFrom("floor_mark")
      .selectAll()
      .$if(isOnly, (query) => query.where("kitchen_id", "=", id))
      .orderBy("position")
      .execute(),
  ]);
  return rooms.map((room) => {
    const feeds = circuits
      .filter((one) => one.kitchen_id === room.id)
      .map((one): Circuit => ({
        id: one.id,
        name: one.name,
        volts: one.volts,
        amps: one.amps,
        sockets: one.sockets,
        plugAmps: one.plug_amps,
      }));
    const goesRound = rounds
      .filter((one) => one.kitchen_id === room.id)
      .map((one) => ({ thing: one.thing as SharedThing, count: one.count }));
    const floor = floors.find((one) => one.kitchen_id === room.id);
    return {
      id: room.id,
      name: room.name,
      sinks: room.sinks,
      ...(room.altitude_m === null ? {} : { altitudeM: room.altitude_m }),
      version: room.version,
      surfaces: surfaces.filter((one) => one.kitchen_id === room.id).map(toSurface),
      gear: gear
        .filter((one) => one.kitchen_id === room.id)
        .map((one) => ({ tool: one.tool as Tool, owned: one.owned })),
      ...(goesRound.length > 0 ? { goesRound } : {}),
      ...(feeds.length > 0 ? { circuits: feeds } : {}),
      ...(floor
        ? {
            floor: {
              widthM: floor.width_m,
              depthM: floor.depth_m,
              marks: marks
                .filter((one) => one.kitchen_id === room.id)
                .map((one) => ({ kind: one.kind as FloorKind, label: one.label, x: one.x, y: one.y })),
            },
          }
        : {}),
    };
  });
}

/** Draws the sketch of a kitchen anew. */
async function saveFloor(db: Kysely<DB>, kitchenId: string, floor: Floor): Promise<void> {
  await db.deleteFrom("kitchen_floor").where("kitchen_id", "=", kitchenId).execute();
  const { widthM, depthM, marks } = floor;
  await db.insertInto("kitchen_floor").values({ kitchen_id: kitchenId, width_m: widthM, depth_m: depthM }).execute();
  if (marks.length > 0)
    await db
      .insertInto("floor_mark")
      .values(marks.map((one, position) => ({ kitchen_id: kitchenId, position, ...one })))
      .execute();
}

/** What stands in a kitchen's own row. */
const factsOf = ({ name, sinks, altitudeM }: Omit<Kitchen, "id">) => ({ name, sinks, altitude_m: altitudeM ?? null });

/** Moves a kitchen on from `version`, with what changed in its row; false when somebody else changed it first. */
async function moveOn(
  db: Kysely<DB>,
  kitchenId: string,
  version: number,
  facts: Partial<ReturnType<typeof factsOf>> = {},
): Promise<boolean> {
  const changed = await db
    .updateTable("kitchen")
    .set({ ...facts, version: version + 1, updated_at: new Date() })
    .where("id", "=", kitchenId)
    .where("version", "=", version)
    .executeTakeFirst();
  return changed.numUpdatedRows > 0n;
}

/** Changes the sketch of a kitchen that is still at `version`; false when somebody else changed either first. */
export async function changeFloor(db: Kysely<DB>, kitchenId: string, version: number, floor: Floor): Promise<boolean> {
  if (!(await moveOn(db, kitchenId, version))) return false;
  await saveFloor(db, kitchenId, floor);
  return true;
}

/** Writes the surfaces, circuits, gear and sketch of a kitchen anew. */
async function writeContents(db: Kysely<DB>, kitchenId: string, kitchen: Omit<Kitchen, "id">): Promise<void> {
  await db.deleteFrom("surface").where("kitchen_id", "=", kitchenId).execute();
  await db.deleteFrom("kitchen_gear").where("kitchen_id", "=", kitchenId).execute();
  await db.deleteFrom("kitchen_round").where("kitchen_id", "=", kitchenId).execute();
  await db.deleteFrom("circuit").where("kitchen_id", "=", kitchenId).execute();
  if (kitchen.goesRound && kitchen.goesRound.length > 0)
    await db
      .insertInto("kitchen_round")
      .values(kitchen.goesRound.map(({ thing, count }) => ({ kitchen_id: kitchenId, thing, count })))
      .execute();
  if (kitchen.circuits && kitchen.circuits.length > 0)
    await db
      .insertInto("circuit")
      .values(
        kitchen.circuits.map((one, position) => ({
          kitchen_id: kitchenId,
          position,
          name: one.name,
          volts: one.volts,
          amps: one.amps,
          sockets: one.sockets,
          plug_amps: one.plugAmps,
        })),
      )
      .execute();
  if (kitchen.floor) await saveFloor(db, kitchenId, kitchen.floor);
  if (kitchen.surfaces.length > 0) {
    await db
      .insertInto("surface")
      .values(kitchen.surfaces.map((one, position) => ({ kitchen_id: kitchenId, position, ...surfaceColumns(one) })))
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
  const { id } = await db.insertInto("kitchen").values(factsOf(kitchen)).returning("id").executeTakeFirstOrThrow();
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
  if (!(await moveOn(db, kitchenId, version, factsOf(kitchen)))) return false;
  await writeContents(db, kitchenId, kitchen);
  return true;
}

/** What other kitchens own: what could be borrowed. */
export const gearElsewhere = async (db: Kysely<DB>, kitchenId: string): Promise<Pick<Kitchen, "name" | "gear">[]> =>
  (await kitchens(db)).filter((one) => one.id !== kitchenId).map(({ name, gear }) => ({ name, gear }));
