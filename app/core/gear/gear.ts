import { type Pieces, isVolumeUnit } from "~/core/quantity";
import { type Line, type Recipe, pouredWith, type Tool, expectedOf, isBatter, toolsAt } from "~/core/recipe";
import { piecesOn } from "./circles";
import { type SizedDish, dishesIn, sizesOf } from "./sizes";
import type { GearFinding, GearLine, Kitchen, Surface } from "./types";

interface ToolRule {
  readonly per: "station" | "person" | "piece" | "surface" | "class";
  readonly count: number;
  /** The demonstration needs one of its own. */
  readonly isInDemo: boolean;
  /** Counted out and back: blades and points. */
  readonly isCountedBack: boolean;
  /** Share taken along beyond what is needed, for what breaks or falls on the floor (starting value). */
  readonly spare: number;
}
const rule = (per: ToolRule["per"], count = 1, more: Partial<ToolRule> = {}): ToolRule => ({
  per,
  count,
  isInDemo: per !== "class",
  isCountedBack: false,
  spare: 0,
  ...more,
});

/** How many of a tool a step calls for. A tool without a rule does not compile. */
export const gearRules: Readonly<Record<Tool, ToolRule>> = {
  "mixing-bowl": rule("station"),
  "small-bowl": rule("station"),
  whisk: rule("station"),
  spatula: rule("station"),
  ladle: rule("station"),
  turner: rule("station"),
  "measuring-set": rule("station"),
  scale: rule("class", 1, { isInDemo: false }),
  jug: rule("station"),
  grater: rule("station", 1, { isCountedBack: true }),
  knife: rule("station", 1, { isCountedBack: true }),
  board: rule("station"),
  "egg-cup": rule("station", 2),
  brush: rule("surface", 1, { isInDemo: false }),
  tray: rule("station", 1, { isInDemo: false }),
  "oven-dish": rule("station", 1, { isInDemo: false }),
  "oven-gloves": rule("surface", 1, { isInDemo: false }),
  towel: rule("station", 2),
  plate: rule("person", 1, { isInDemo: false }),
  fork: rule("person", 1, { isInDemo: false }),
  sieve: rule("station"),
  stick: rule("piece", 1, { isInDemo: false, isCountedBack: true, spare: 0.1 }),
  "baking-paper": rule("station", 1, { isInDemo: false }),
  mixer: rule("station", 1),
  zester: rule("station", 1, { isCountedBack: true }),
  leveller: rule("station"),
  thermometer: rule("surface", 1, { isInDemo: false }),
  "kitchen-paper": rule("surface", 1, { isInDemo: false }),
  pen: rule("station"),
  "table-knife": rule("station"),
  peeler: rule("station", 1, { isCountedBack: true }),
  rack: rule("station", 1, { isInDemo: false }),
  saucepan: rule("station"),
  microwave: rule("class", 1, { isInDemo: false }),
  gloves: rule("person", 1, { isInDemo: false, spare: 0.1 }),
};

/** Whether one piece of a recipe can lie on a surface at all, and how many: by its size where that is known, never above its cap. */
export const placesOn = (surface: Pick<Surface, "places" | "size">, recipe: Pick<Recipe, "pieceDiameterCm">): number =>
  surface.size ? piecesOn(surface.size, recipe.pieceDiameterCm, surface.places) : surface.places;

/** The surfaces of a kitchen that a recipe can cook on. */
export const surfacesFor = (recipe: Recipe, kitchen: Kitchen): Surface[] =>
  kitchen.surfaces.filter(
    (surface) => surface.count > 0 && recipe.heat.surfaceKinds.includes(surface.kind) && placesOn(surface, recipe) > 0,
  );

export interface GearDemand {
  /** Each dish cooked, with the stations that cook it, the people at them and the pieces that are eaten of it. */
  readonly dishes: readonly (SizedDish & {
    readonly stations: number;
    readonly people: number;
    readonly pieces: Pieces;
    /** The whole recipe where its batter is made before the doors: whoever makes it needs what its mixing names. */
    readonly madeAhead?: Recipe | undefined;
    /** Whole servings these make at their tables; absent where a piece is one. */
    readonly servings?: number | undefined;
  })[];
  readonly isMeasuring: boolean;
  readonly hasDemo: boolean;
  readonly surfaces: number;
}

/** What is used up: bought with the food, as far as there is not enough of it. */
export const consumables = ["stick", "baking-paper", "kitchen-paper", "gloves"] as const satisfies readonly Tool[];

export const isUsedUp = (tool: Tool): boolean => consumables.some((one) => one === tool);

/** What a gear list uses up, and how much of it there is; the shopping list buys the rest. */
export const usedUpOf = (lines: readonly GearLine[]): Pick<GearLine, "tool" | "needed" | "owned">[] =>
  lines.flatMap(({ tool, needed, owned }) => (isUsedUp(tool) ? [{ tool, needed, owned }] : []));

const isByCup = (line: Line): boolean => {
  const amount = expectedOf(line.amount);
  return amount !== undefined && isVolumeUnit(amount.unit) && amount.unit !== "dash";
};

/**
 * Tools the steps of a recipe name, and cups and spoons with a straight edge where the station measures with them; where it does not,
 * they stay in the prep room.
 */
function toolsOf(recipe: Recipe, isMeasuring: boolean): Set<Tool> {
  const named = recipe.steps.flatMap((step) => toolsAt(step, recipe));
  if (!isMeasuring) return new Set(named.filter((tool) => tool !== "measuring-set" && tool !== "leveller"));
  const isMeasured = recipe.lines.some((line) => isBatter(line, recipe) && isByCup(line));
  return new Set(isMeasured ? [...named, "measuring-set", "leveller"] : named);
}

/** How many of a tool each calls for: what is drawn is thin and odd, so two turners go under it; each mix has its own bowl. */
const countOf = (tool: Tool, { recipe: { family, rounds }, mixes }: Pick<SizedDish, "recipe" | "mixes">): number =>
  tool === "turner" && family === "drawn"
    ? 2
    : gearRules[tool].count *
      // Pieces of each round have a tray, and a label, of their own.
      (tool === "mixing-bowl" ? (mixes ?? 1) : tool === "tray" ? Math.max(1, rounds?.length ?? 1) : 1);

/**
 * What goes round in a class, with how many of each there are: as the kitchen says, and of pens as many as it counts, at most one a
 * table. Timeline, gear list and contact ask this alone, so that no more pieces are drawn at once than pens are carried in.
 * @param tables the recipe of each table.
 */
export function goesRoundIn(
  { goesRound = [], gear }: Pick<Kitchen, "goesRound" | "gear">,
  tables: readonly Recipe[],
): NonNullable<Kitchen["goesRound"]> {
  const drawing = tables.filter((recipe) => pouredWith(recipe) === "pen").length;
  if (drawing === 0 || goesRound.some((one) => one.thing === "pen")) return goesRound;
  const owned = gear.find((one) => one.tool === "pen")?.owned ?? 0;
  return [...goesRound, { thing: "pen", count: owned > 0 ? Math.min(owned, drawing) : drawing }];
}

/** The gear list: each tool the steps name, per station, shared and for the instructor, against what the kitchen owns. */
export function gearOf(demand: GearDemand, kitchen: Kitchen): GearLine[] {
  const lines = new Map<Tool, { perStation: number; atStations: number; shared: number; instructor: number }>();
  for (const dish of demand.dishes) {
    const { recipe, stations, people, pieces, servings } = dish;
    for (const tool of toolsOf(recipe, demand.isMeasuring)) {
      const { per, isInDemo } = gearRules[tool];
      const count = countOf(tool, dish);
      const dishes = tool === "oven-dish" ? dish.inOvenAtOnce : undefined;
      const baked = dishesIn(dishes);
      const so = lines.get(tool) ?? { perStation: 0, atStations: 0, shared: 0, instructor: 0 };
      lines.set(tool, {
        perStation: per === "station" ? Math.max(so.perStation, ...(baked ? (dishes ?? []) : [count])) : so.perStation,
        atStations: so.atStations + (per === "station" ? (baked ?? count * stations) : 0),
        shared:
          per === "person"
            ? so.shared + count * people
            : per === "piece"
              ? so.shared + count * (tool === "stick" && recipe.serving?.as === "stick" ? (servings ?? pieces) : pieces)
              : per === "surface"
                ? count * demand.surfaces
                : per === "class"
                  ? count
                  : so.shared,
        instructor: demand.hasDemo && isInDemo && per !== "person" && per !== "piece" ? count : so.instructor,
      });
    }
  }
  for (const { recipe, madeAhead } of demand.dishes) {
    if (!madeAhead) continue;
    const atTables = toolsOf(recipe, demand.isMeasuring);
    for (const tool of toolsOf(madeAhead, true)) {
      if (atTables.has(tool)) continue;
      const so = lines.get(tool) ?? { perStation: 0, atStations: 0, shared: 0, instructor: 0 };
      lines.set(tool, { ...so, instructor: Math.max(so.instructor, gearRules[tool].count) });
    }
  }
  const tables = demand.dishes.flatMap((dish) => Array.from({ length: dish.stations }, () => dish.recipe));
  const goesRound = goesRoundIn(kitchen, tables);
  return [...lines].map(([tool, counted]) => {
    // What goes round is there as often as it goes round, and shown with one of them; as many as tables are each table's own.
    const among = goesRound.find((one) => one.thing === tool)?.count;
    const isSaid = kitchen.goesRound?.some((one) => one.thing === tool) ?? false;
    const rounds = isSaid || (among !== undefined && among < counted.atStations) ? among : undefined;
    const { perStation, atStations, shared, instructor } =
      rounds === undefined
        ? counted
        : {
            perStation: 0,
            atStations: 0,
            shared: Math.min(rounds, counted.atStations + counted.shared),
            instructor: counted.atStations + counted.shared > 0 ? 0 : counted.instructor,
          };
    const needed = Math.ceil((atStations + shared + instructor) * (1 + gearRules[tool].spare) - 1e-9);
    const owned = kitchen.gear.find((one) => one.tool === tool)?.owned;
    const sizes = sizesOf(tool, demand.dishes);
    return {
      tool,
      ...(sizes.length > 0 ? { sizes } : {}),
      perStation,
      shared,
      instructor,
      needed,
      owned,
      short: owned === undefined ? 0 : Math.max(0, needed - owned),
      isCountedBack: gearRules[tool].isCountedBack,
    };
  });
}

/** What the gear list says needs somebody's attention: one finding for all that is short, one for all nobody counted. */
export function checkGear(lines: readonly GearLine[]): GearFinding[] {
  const short = lines.flatMap(({ tool, needed, owned, short: missing }) =>
    owned !== undefined && missing > 0 ? [{ tool, needed, owned }] : [],
  );
  const neededOf = (tool: Tool) => lines.find((line) => line.tool === tool)?.needed ?? 0;
  const [sticks, dishes] = [neededOf("stick"), neededOf("oven-dish")];
  const uncounted = lines.filter((line) => line.owned === undefined).map((line) => line.tool);
  return [
    ...(short.length > 0 ? [{ code: "gear-short", level: "warns", items: short } as const] : []),
    ...(sticks > 0 ? [{ code: "stick-care", level: "notes", sticks } as const] : []),
    ...(dishes > 0 ? [{ code: "dish-care", level: "notes", dishes } as const] : []),
    ...(uncounted.length > 0 ? [{ code: "gear-not-counted", level: "notes", tools: uncounted } as const] : []),
  ];
}
