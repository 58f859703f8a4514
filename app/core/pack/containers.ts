import { type AllergenMark, allergensOn } from "./marks";
import type { Pantry } from "~/core/batter";
import type { Carried } from "~/core/gear";
import { type Container, type KitLine, packingOf } from "~/core/kit";
import { knownFood } from "~/core/pantry";
import { type DishPlan, oncePerPlan } from "~/core/plan";
import { type Grams, type Ratio, one, sumKnown } from "~/core/quantity";

/** Whose kit a container belongs to. */
export type Place =
  | { readonly kind: "station"; readonly stationId: string; readonly name: string }
  | { readonly kind: "demo" }
  | { readonly kind: "spare" }
  /** A bag of dry mix that is stored, by its number. */
  | { readonly kind: "stored"; readonly number: number };

/** A container of the class, wherever it goes. */
export interface ClassContainer extends Container {
  /** Whose kit, and which container of it: stays the same however the amounts change. */
  readonly key: string;
  readonly place: Place;
  readonly dishId: string;
  readonly dishTitle: string;
  readonly factor: Ratio;
  /** It is a batter made before the doors. */
  readonly isBatter?: true;
  /** For which of two mixes it is; absent where the batter is mixed at once. */
  readonly mix?: 1 | 2;
  /** Of a station kept apart: packed before everything else, and closed until it is opened there. */
  readonly isSealed: boolean;
  /** What the products in it contain or may contain by their labels, and whose label nobody has read. */
  readonly marks: readonly AllergenMark[];
}

export interface ClassPacking {
  /** Stations kept apart first, then the stations in the order of the room, the demonstration, the spare kit. */
  readonly containers: readonly ClassContainer[];
  /** What everybody takes from one place, by dish. */
  readonly shared: readonly { readonly dishId: string; readonly lines: readonly KitLine[] }[];
  /** Lines of a dish whose amount nobody knows. */
  readonly open: readonly { readonly dishId: string; readonly lines: readonly KitLine[] }[];
}

export const placeKey = (place: Place): string => (place.kind === "station" ? place.stationId : place.kind);

/** Every container of a class, in the order in which it is packed; the same objects for as long as somebody holds the plan. */
export const packingOfClass = oncePerPlan((input, plan): ClassPacking => {
  const { pantry, labels } = knownFood(input);
  const rule = { per: input.brief.containerPer, isDryMixed: input.brief.kitMode === "dry-mix" };
  // Stations that make the same share one kit: it is put into containers once.
  const known = new Map<readonly KitLine[], ReturnType<typeof packingOf>>();
  const packed = (kit: readonly KitLine[], dish: DishPlan, isStored: boolean, isBatter: boolean) => {
    const asked = { ...rule, isDryMixed: isStored || rule.isDryMixed, isBatter };
    const found = known.get(kit) ?? packingOf(kit, dish.recipe, pantry as Pantry, asked);
    known.set(kit, found);
    return found;
  };
  const kits = [
    ...[...plan.stations]
      .sort((a, b) => Number(b.isApart) - Number(a.isApart))
      .flatMap((station) => {
        const own = {
          place: { kind: "station" as const, stationId: station.id, name: station.name },
          dish: plan.dishes.find((dish) => dish.id === station.dishId),
          factor: station.scale.factor,
          isSealed: station.isApart,
          isBatter: false,
          // What is there once, beside two halves or a batter made ahead, may be of the same bowl and step as they are.
          isOnce: false,
        };
        const { halves, ahead } = station;
        if (ahead)
          return [
            { ...own, kit: ahead.batter, mix: undefined, isBatter: true },
            { ...own, kit: ahead.rest, mix: undefined, isOnce: true },
          ];
        if (!halves) return [{ ...own, kit: station.kit, mix: undefined }];
        const half = { ...own, kit: halves.each, factor: halves.factor };
        return [
          { ...half, mix: 1 as const },
          { ...half, mix: 2 as const },
          { ...own, kit: halves.rest, mix: undefined, isOnce: true },
        ];
      }),
    ...plan.extras.flatMap(({ kind, kit, dishId, factor, stored }) => {
      const dish = plan.dishes.find((each) => each.id === dishId);
      const places: Place[] =
        kind === "stored"
          ? Array.from({ length: stored?.bags ?? 0 }, (_, index) => ({ kind, number: index + 1 }))
          : [{ kind }];
      const own = stored ? { kit: stored.each, factor: one } : { kit, factor };
      return places.map((place) => ({
        place,
        dish,
        ...own,
        isSealed: false,
        isBatter: false,
        isOnce: false,
        mix: undefined,
      }));
    }),
  ];
  const containers: ClassContainer[] = [];
  const shared = new Map<string, Map<string, KitLine>>();
  const open = new Map<string, Map<string, KitLine>>();
  for (const { place, kit, dish, factor, isSealed, mix, isBatter, isOnce } of kits) {
    if (!dish || kit.length === 0) continue;
    const packing = packed(kit, dish, place.kind === "stored", isBatter);
    for (const container of packing.containers)
      containers.push({
        ...container,
        key: `${placeKey(place)}/${place.kind === "stored" ? `${dish.id}/${place.number}/` : ""}${mix === 2 ? "mix-2/" : isOnce ? "once/" : ""}${container.id}`,
        ...(mix === undefined ? {} : { mix }),
        ...(isBatter && container.id === "chilled/batter" ? { isBatter: true as const } : {}),
        place,
        dishId: dish.id,
        dishTitle: dish.recipe.title,
        factor,
        isSealed,
        marks: allergensOn(
          container.contents.map((content) => content.ingredientId),
          pantry,
          labels,
        ),
      });
    for (const [rest, lines] of [
      [shared, packing.shared],
      [open, packing.open],
    ] as const)
      for (const line of lines) {
        const own = rest.get(dish.id) ?? new Map<string, KitLine>();
        rest.set(dish.id, own);
        own.set(line.lineId, line);
      }
  }
  const asRows = (rest: Map<string, Map<string, KitLine>>) =>
    [...rest].map(([dishId, lines]) => ({ dishId, lines: [...lines.values()] }));
  return { containers, shared: asRows(shared), open: asRows(open) };
});

/** One round of the assembly line: an ingredient, and the containers it goes into one after the other. */
export interface Round {
  readonly ingredientIds: readonly string[];
  readonly isSealed: boolean;
  readonly grams: Grams | undefined;
  readonly containers: readonly ClassContainer[];
}

/**
 * Containers by what goes into them, so that one bag of flour is opened once: the kits kept apart come as rounds of their own
 * before all others, so that nothing of the rest has been opened by then.
 */
export function roundsOf(containers: readonly ClassContainer[]): Round[] {
  const rounds = new Map<string, ClassContainer[]>();
  for (const container of containers) {
    const ids = [...new Set(container.contents.map((content) => content.ingredientId))];
    const key = `${container.isSealed ? "0" : "1"} ${ids.join(" ")} ${container.group === "hold-back" ? "apart" : ""}`;
    rounds.set(key, [...(rounds.get(key) ?? []), container]);
  }
  return [...rounds.entries()]
    .map(([key, own]): Round => ({
      ingredientIds: [...new Set(own.flatMap((one) => one.contents.map((content) => content.ingredientId)))],
      isSealed: key.startsWith("0"),
      grams: sumKnown(own.map((one) => one.grams)),
      containers: own,
    }))
    .sort((a, b) => Number(b.isSealed) - Number(a.isSealed));
}

/** Hours a container keeps once it is packed (starting values; local food codes come first). */
export const keepsHours: Readonly<Record<Container["group"], number>> = {
  dry: 30 * 24,
  wet: 24,
  chilled: 24,
  "hold-back": 24,
  topping: 24,
};

/** A box of kits as one carries it: what is in it, at most, and what the box and its ice add (starting values). */
export const kitBox = { grams: 6000, share: 1.15, litresPerKg: 2.1, litres: 2 } as const;

/** The kits as boxes to carry: the dry ones, and what stays cold. */
export const carriedKits = (containers: readonly ClassContainer[]): Carried[] =>
  (["dry-kits", "cold"] as const).flatMap((layer): Carried[] => {
    const grams = containers
      .filter((one) => (one.group === "dry" || one.group === "topping" ? "dry-kits" : "cold") === layer)
      .reduce((sum, one) => sum + (one.grams ?? 0), 0);
    const count = Math.ceil(grams / kitBox.grams - 1e-9);
    if (count <= 0) return [];
    return [
      {
        key: layer,
        layer,
        count,
        gramsEach: (grams / count) * kitBox.share,
        litresEach: (grams / count / 1000) * kitBox.litresPerKg + kitBox.litres,
      },
    ];
  });
