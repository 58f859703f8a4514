import type { GearLine } from "~/core/gear";
import type { Tool } from "~/core/recipe";
import type { ClassContainer } from "./containers";

/** One thing that a table looks for when the list is called: a container of its kit, or a tool of its own. */
export type Called =
  | { readonly kind: "container"; readonly key: string; readonly container: ClassContainer }
  | { readonly kind: "tool"; readonly key: string; readonly tool: Tool; readonly count: number };

/** What one table has before it. */
export interface CallSheet {
  readonly stationId: string;
  readonly name: string;
  readonly items: readonly Called[];
}

/** The tools of one table under `missing`, apart from any other table's. */
const toolKey = (stationId: string, tool: Tool): string => `${stationId}/tool:${tool}`;

/**
 * What each table unpacks and checks before anything is mixed, in the order of the stations: its containers as they come out of the box,
 * then the tools it has to itself.
 */
export function callSheets(
  stations: readonly { readonly id: string; readonly name: string }[],
  containers: readonly ClassContainer[],
  gear: readonly Pick<GearLine, "tool" | "perStation">[],
): CallSheet[] {
  return stations.map(({ id, name }) => ({
    stationId: id,
    name,
    items: [
      ...containers
        .filter(({ place }) => place.kind === "station" && place.stationId === id)
        .map((container): Called => ({ kind: "container", key: container.key, container })),
      ...gear
        .filter((line) => line.perStation > 0)
        .map(({ tool, perStation }): Called => ({ kind: "tool", key: toolKey(id, tool), tool, count: perStation })),
    ],
  }));
}

/** Missing items by table; marks for items no longer on the list are ignored. */
export const missingOf = (
  sheets: readonly CallSheet[],
  marks: ReadonlyMap<string, unknown>,
): { readonly sheet: CallSheet; readonly item: Called }[] =>
  sheets.flatMap((sheet) => sheet.items.filter((item) => marks.has(item.key)).map((item) => ({ sheet, item })));
