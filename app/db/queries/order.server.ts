import { type SurfaceId } from "~/core/ids";
import type { Kysely } from "kysely";
import type { Kitchen } from "~/core/gear";
import { stationId, stationIndex } from "~/core/people";
import type { Order, OrderedLoad } from "~/core/schedule";
import type { DB } from "../schema";

/** Every load of the orders of classes, with its parts, in order; one row for an order without loads. */
export const orderRows = async (db: Kysely<DB>, classIds: readonly string[]) =>
  db
    .selectFrom("class_order")
    .leftJoin("class_load", "class_load.class_id", "class_order.class_id")
    .leftJoin("class_load_part", (join) =>
      join
        .onRef("class_load_part.class_id", "=", "class_load.class_id")
        .onRef("class_load_part.load", "=", "class_load.position"),
    )
    .select([
      "class_order.class_id",
      "demo_surface",
      "demo_number",
      "demo_station",
      "shows_first",
      "is_wished",
      "class_load.position as load",
      "surface",
      "number",
      "station",
      "pieces",
    ])
    .where("class_order.class_id", "in", classIds)
    .orderBy("class_load.position")
    .orderBy("class_load_part.position")
    .execute();

/** An order from its rows, on the surfaces that stand at those places of the kitchen's list now. */
export function orderFrom(rows: Awaited<ReturnType<typeof orderRows>>, kitchen: Kitchen): Order | undefined {
  const [first] = rows;
  if (!first) return undefined;
  const surfaceAt = (place: number | null): SurfaceId | undefined =>
    place === null ? undefined : kitchen.surfaces[place]?.id;
  const loads = new Map<number, OrderedLoad & { parts: { stationId: string; pieces: number }[] }>();
  for (const { load, surface, number, station, pieces } of rows) {
    const surfaceId = surfaceAt(surface);
    if (load === null || number === null || station === null || pieces === null || surfaceId === undefined) continue;
    const found = loads.get(load) ?? { surfaceId, number, parts: [] };
    found.parts.push({ stationId: stationId(station), pieces });
    loads.set(load, found);
  }
  const shownOn = surfaceAt(first.demo_surface);
  return {
    loads: [...loads.values()],
    demoAt:
      shownOn === undefined || first.demo_number === null
        ? null
        : {
            surfaceId: shownOn,
            number: first.demo_number,
            ...(first.demo_station === null ? {} : { stationId: stationId(first.demo_station) }),
          },
    showsFirst: first.shows_first,
    ...(first.is_wished ? { isWished: true } : {}),
  };
}

/** Replaces the stored order of a class; undefined leaves it to the rules. */
export async function writeOrder(
  db: Kysely<DB>,
  classId: string,
  kitchen: Kitchen,
  order: Order | undefined,
): Promise<void> {
  await db.deleteFrom("class_order").where("class_id", "=", classId).execute();
  if (!order) return;
  const placeOf = (surfaceId: string | undefined) => kitchen.surfaces.findIndex((one) => one.id === surfaceId);
  const demo = placeOf(order.demoAt?.surfaceId);
  await db
    .insertInto("class_order")
    .values({
      class_id: classId,
      demo_surface: demo < 0 ? null : demo,
      demo_number: demo < 0 ? null : (order.demoAt?.number ?? null),
      demo_station: demo < 0 || order.demoAt?.stationId === undefined ? null : stationIndex(order.demoAt.stationId),
      shows_first: order.showsFirst,
      is_wished: order.isWished ?? false,
    })
    .execute();
  const loads = order.loads.flatMap((load) => {
    const surface = placeOf(load.surfaceId);
    return surface < 0 ? [] : [{ ...load, surface }];
  });
  if (loads.length === 0) return;
  await db
    .insertInto("class_load")
    .values(loads.map(({ surface, number }, position) => ({ class_id: classId, position, surface, number })))
    .execute();
  await db
    .insertInto("class_load_part")
    .values(
      loads.flatMap(({ parts }, load) =>
        parts.map((part, position) => ({
          class_id: classId,
          load,
          position,
          station: stationIndex(part.stationId),
          pieces: part.pieces,
        })),
      ),
    )
    .execute();
}
