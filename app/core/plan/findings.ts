import { checkRecipe } from "~/core/recipe";
import { type Pantry, checkBatter } from "~/core/batter";
import { checkGear, surfacesFor } from "~/core/gear";
import type { PersonVerdict } from "~/core/allergen";
import { isAtStation } from "~/core/people";
import { checkTimeline, type ScheduleInput, type Timeline } from "~/core/schedule";
import { hasFraction } from "~/core/kit";
import { canonical } from "./hash";
import type { GearLine } from "~/core/gear";
import type { ClassInput, DishPlan, Finding, PlanFinding, Stage, StationPlan } from "./types";

/** Puts a stage and a dish to findings that do not know them. */
const at = <F extends object>(
  stage: Stage,
  dishId: string | null,
  findings: readonly F[],
): (F & { stage: Stage; dishId: string | null })[] => findings.map((finding) => ({ ...finding, stage, dishId }));

const recipeFindings = (dish: DishPlan, pantry: Pantry): Finding[] => [
  ...at("recipe", dish.id, checkRecipe(dish.recipe)),
  ...at("recipe", dish.id, checkBatter(dish.recipe, pantry)),
  ...at(
    "recipe",
    dish.id,
    dish.recipe.lines.flatMap((line) =>
      pantry.has(line.ingredientId)
        ? []
        : [
            {
              code: "ingredient-not-in-pantry" as const,
              level: "blocks" as const,
              lineId: line.id,
              ingredientId: line.ingredientId,
            },
          ],
    ),
  ),
  ...at(
    "recipe",
    dish.id,
    dish.recipe.standing === "draft"
      ? [{ code: "recipe-is-draft" as const, level: "warns" as const, title: dish.variantName ?? dish.recipe.title }]
      : [],
  ),
];

function briefFindings(input: ClassInput, stations: number): PlanFinding[] {
  const named = input.people.filter(isAtStation).length;
  const asked = input.dishes.reduce((sum, dish) => sum + (dish.stations ?? 0), 0);
  const takesRest = input.dishes.some((dish) => dish.stations === null);
  return [
    ...(input.dishes.length === 0 ? [{ code: "no-dish", level: "blocks" } as const] : []),
    ...(asked > stations ? [{ code: "dishes-overbooked", level: "blocks", asked, stations } as const] : []),
    ...(asked < stations && !takesRest && input.dishes.length > 0
      ? [{ code: "dishes-underbooked", level: "blocks", asked, stations } as const]
      : []),
    ...(named < input.brief.people
      ? [{ code: "register-short", level: "notes", named, people: input.brief.people } as const]
      : []),
    ...(named > input.brief.people
      ? [{ code: "register-over", level: "warns", named, people: input.brief.people } as const]
      : []),
  ];
}

function allergyFindings(input: ClassInput, plates: readonly PersonVerdict[]): PlanFinding[] {
  const silent = input.people.filter((person) => !person.hasAnswered).length;
  const findings: PlanFinding[] = silent > 0 ? [{ code: "not-answered", level: "warns", people: silent }] : [];
  const codes = { contains: "cannot-eat", "may-contain": "may-not-eat", unknown: "plate-unknown" } as const;
  for (const person of input.people) {
    const plate = plates.find((one) => one.participantId === person.id);
    if (!plate || !person.hasAnswered || plate.verdict === "clear") continue;
    const ingredientIds = plate.items.filter((item) => item.verdict === plate.verdict).map((item) => item.ingredientId);
    findings.push({
      code: codes[plate.verdict],
      level: "warns",
      participantId: person.id,
      name: person.name,
      ingredientIds,
    });
  }
  if (input.people.some((person) => person.needs.length > 0))
    findings.push({ code: "contact-not-checked", level: "notes" });
  return findings;
}

/** Findings that say the same of several stations become one that names them all. */
function together<F extends PlanFinding & { readonly stationIds: readonly string[] }>(findings: readonly F[]): F[] {
  const groups = new Map<string, F>();
  for (const finding of findings) {
    const key = canonical({ ...finding, stationIds: [] });
    const group = groups.get(key);
    groups.set(key, group ? { ...group, stationIds: [...group.stationIds, ...finding.stationIds] } : finding);
  }
  return [...groups.values()];
}

function amountFindings(stations: readonly StationPlan[], pantry: Pantry): PlanFinding[] {
  const short = stations.filter((station) => station.scale.over < 0);
  const isEgg = (ingredientId: string) => pantry.get(ingredientId)?.role === "egg";
  return [
    ...together(
      short.map((station) => ({
        code: "pieces-short" as const,
        level: "warns" as const,
        stationIds: [station.id],
        made: station.scale.piecesMade,
        wanted: station.scale.piecesWanted,
      })),
    ),
    ...together(
      stations.flatMap((station) =>
        station.kit.flatMap((line) =>
          isEgg(line.ingredientId) && hasFraction(line) && line.main
            ? [
                {
                  code: "egg-fraction" as const,
                  level: "warns" as const,
                  stationIds: [station.id],
                  ingredientId: line.ingredientId,
                  count: line.main.amount.value,
                  grams: line.main.grams ?? 0,
                },
              ]
            : [],
        ),
      ),
    ),
    ...together(
      stations.flatMap((station) =>
        station.kit.flatMap((line) =>
          line.main?.scoops && !line.main.scoops.isWithin
            ? [
                {
                  code: "scoops-off" as const,
                  level: "warns" as const,
                  stationIds: [station.id],
                  ingredientId: line.ingredientId,
                  error: line.main.scoops.error,
                },
              ]
            : [],
        ),
      ),
    ),
  ];
}

/** Everything computed so far that somebody should know of, in the order of the stages. */
export function findingsOf(
  input: ClassInput,
  pantry: Pantry,
  dishes: readonly DishPlan[],
  stations: readonly StationPlan[],
  plates: readonly PersonVerdict[],
  gear: readonly GearLine[],
  timeline: Timeline,
  scheduled: ScheduleInput,
): Finding[] {
  return [
    ...dishes.flatMap((dish) => recipeFindings(dish, pantry)),
    ...at("brief", null, briefFindings(input, stations.length)),
    ...at("allergies", null, allergyFindings(input, plates)),
    ...at("amounts", null, amountFindings(stations, pantry)),
    ...at("gear", null, checkGear(gear)),
    ...dishes.flatMap((dish) =>
      at(
        "gear",
        dish.id,
        surfacesFor(dish.recipe, input.kitchen).length === 0
          ? [
              {
                code: "no-surface" as const,
                level: "blocks" as const,
                recipeTitle: dish.recipe.title,
                wanted: dish.recipe.heat.surfaceKinds,
              },
            ]
          : [],
      ),
    ),
    ...at("timeline", null, checkTimeline(timeline, scheduled, input.brief.minutes)),
  ];
}
