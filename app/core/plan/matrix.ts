import { type ItemVerdict, type VerdictWord, gravest, hasOpenWords, isConcerned, judgePlate } from "~/core/allergen";
import { foodAt, knownFood } from "~/core/pantry";
import { type Participant, stationIndex } from "~/core/people";
import type { ClassInput, ClassPlan } from "./types";

/** One person against everything that is made or brought in this class. */
export interface MatrixRow {
  readonly person: Participant;
  /** In the order of the matrix's items, whether or not the person eats of them. */
  readonly verdicts: readonly ItemVerdict[];
  /** What is on the person's own plate. */
  readonly own: ReadonlySet<string>;
  /** Most severe cross-contact from the rest of the room. */
  readonly room: VerdictWord;
}

/** Every person with something to watch against every item. */
export function matrixOf(
  input: ClassInput,
  made: ClassPlan,
): { readonly items: readonly string[]; readonly rows: readonly MatrixRow[] } {
  const food = knownFood(input);
  const { broughtIds } = food;
  const placeOf = new Map(
    made.stations.flatMap(({ id, people }) => people.map((one) => [one, stationIndex(id)] as const)),
  );
  const items = [
    ...new Set([...made.dishes.flatMap((dish) => dish.recipe.lines.map((line) => line.ingredientId)), ...broughtIds]),
  ];
  const plateOf = new Map(made.plates.map((plate) => [plate.participantId, plate]));
  const rows = input.people.filter(isConcerned).map((person): MatrixRow => {
    const plate = plateOf.get(person.id);
    // Of somebody who has not answered nothing is known, wherever it comes from.
    const { pantry, labels } = foodAt(food, placeOf.get(person.id));
    const isOpen = !person.hasAnswered || hasOpenWords(person);
    return {
      person,
      verdicts: judgePlate(person, items, pantry, labels).items,
      own: new Set(plate?.items.map((item) => item.ingredientId)),
      room: isOpen ? "unknown" : gravest(plate?.exposures.map((one) => one.verdict) ?? []),
    };
  });
  return { items, rows };
}
