import { type Arrangement, type OwnSet, isAtStation, stationIndex, stationSizes, tablesOf } from "~/core/people";
import type { SharedFood } from "~/core/pantry";
import { dishByPlace } from "./dishes";
import type { ClassInput } from "./types";

type Seated = Pick<ClassInput, "brief" | "people" | "dishes" | "arrangement" | "shared">;

/**
 * Does it matter at which place a table stands? It does where tables make different things, where one is kept apart, or where one has a
 * product or a measuring set of its own: all of these are given to places.
 */
const doPlacesMatter = ({ dishes, arrangement, shared = [] }: Seated): boolean =>
  dishes.length > 1 ||
  (arrangement?.apart.length ?? 0) > 0 ||
  (arrangement?.sets?.length ?? 0) > 0 ||
  shared.some((food) => food.instead !== undefined);

/** Who sits where now, by place; a place that fell empty keeps its number. */
function seatsNow({ brief, people, arrangement }: Seated): string[][] {
  const tables = tablesOf(brief, people, arrangement);
  const count = Math.max(arrangement?.seats?.length ?? 0, ...tables.map(({ id }) => stationIndex(id) + 1), 0);
  const seats: string[][] = Array.from({ length: count }, () => []);
  for (const { id, people: own } of tables) seats[stationIndex(id)] = [...own];
  return seats;
}

/**
 * A class whose seats are written down as the order of the register has them, where anything hangs on a place: whoever comes or goes
 * after that moves nobody to another table, and so to another dish. The class itself where nothing hangs on it, where a hand arranged
 * the seats already, where more stand on the register than the brief counts, and where a table is kept apart for people nobody named.
 */
export function withKeptSeats<C extends Seated>(input: C): C {
  const named = input.people.filter(isAtStation).length;
  if (input.arrangement?.seats || !doPlacesMatter(input) || named > input.brief.people) return input;
  const seats = seatsNow(input);
  if (seats.every((ids) => ids.length === 0)) return input;
  const kept = { ...input, arrangement: { apart: [], ...input.arrangement, seats, isFromRegister: true } };
  // Places that the register does not name yet are dealt to open tables only: a table kept apart for nobody cannot be written down.
  const drawn = (of: Seated) =>
    tablesOf(of.brief, of.people, of.arrangement)
      .map(({ id, size }) => `${id} ${size}`)
      .join();
  return drawn(kept) === drawn(input) ? kept : input;
}

/** A table with all that is given to its place. */
interface Table {
  readonly ids: readonly string[];
  readonly size: number;
  readonly place: number;
  readonly isApart: boolean;
  readonly set: OwnSet | undefined;
}

/**
 * The seats of a class for another station size: tables that make what most do are dealt anew in the order of the register, every other
 * table stays as it is, with its dish, its product and its set. Undefined where no dish is for all that are left.
 */
function dealtAnew(
  before: Seated,
  stationSize: number,
  people: number,
): { readonly arrangement: Arrangement; readonly places: ReadonlyMap<number, number> } | undefined {
  const { arrangement, dishes, shared = [] } = before;
  const open = dishes.find((dish) => dish.stations === null);
  if (!open) return undefined;
  const own = tablesOf(before.brief, before.people, arrangement);
  const dishAt = dishByPlace(before as ClassInput, own.length);
  const tables = own.map((table): Table & { readonly dishId: string | undefined; readonly isOwn: boolean } => {
    const place = stationIndex(table.id);
    const isApart = arrangement?.apart.includes(place) ?? false;
    const set = arrangement?.sets?.find((one) => one.station === place);
    const hasProduct = shared.some((food) => food.instead?.station === place);
    const dishId = dishAt(place)?.id;
    return {
      ids: table.people,
      size: table.size,
      place,
      isApart,
      set,
      dishId,
      isOwn: dishId !== open.id || isApart || set !== undefined || hasProduct,
    };
  });
  const kept = tables.filter((table) => table.isOwn);
  const inKept = new Set(kept.flatMap((table) => table.ids));
  const rest = before.people.filter((person) => isAtStation(person) && !inKept.has(person.id)).map((one) => one.id);
  const left = Math.max(rest.length, people - kept.reduce((sum, table) => sum + table.size, 0));
  let from = 0;
  const dealt = stationSizes(left, stationSize).map((size): Table => {
    const ids = rest.slice(from, from + size);
    from += size;
    return { ids, size, place: -1, isApart: false, set: undefined };
  });
  const rows = dishes.flatMap((dish): Table[] => {
    const theirs = kept.filter((table) => table.dishId === dish.id);
    return dish === open ? [...theirs, ...dealt] : theirs;
  });
  const sets = rows.flatMap(({ set }, station) => (set ? [{ ...set, station }] : []));
  return {
    arrangement: {
      ...arrangement,
      seats: rows.map((table) => table.ids),
      apart: rows.flatMap((table, place) => (table.isApart ? [place] : [])),
      ...(arrangement?.sets ? { sets } : {}),
      isFromRegister: true,
    },
    places: new Map(rows.flatMap((table, place) => (table.place < 0 ? [] : [[table.place, place] as const]))),
  };
}

const moved = (shared: readonly SharedFood[] | undefined, places: ReadonlyMap<number, number>) =>
  shared?.map((food) =>
    food.instead
      ? { ...food, instead: { ...food.instead, station: places.get(food.instead.station) ?? food.instead.station } }
      : food,
  );

/**
 * What a new brief makes of the seats of a class: those that were dealt by the register stay with their people, so that a dish and a
 * product stay with whom they were made for. Where the size of stations changes, only tables that make what most do are dealt anew.
 * Seats that a hand arranged stay as they are.
 * @param after the class with its new brief and its new dishes, before anything of its seats has changed.
 */
export function withSeatsFor(before: ClassInput, after: ClassInput): ClassInput {
  const isByHand = Boolean(before.arrangement?.seats) && before.arrangement?.isFromRegister !== true;
  const { people, stationSize } = before.brief;
  if (after.brief.people === people && after.brief.stationSize === stationSize) return after;
  if (isByHand || !doPlacesMatter(before)) return after;
  const asBefore = withKeptSeats(before);
  const { seats } = asBefore.arrangement ?? {};
  if (!seats) return after;
  if (after.brief.stationSize === stationSize) return { ...after, arrangement: asBefore.arrangement };
  const dealt = dealtAnew(asBefore, after.brief.stationSize, after.brief.people);
  if (!dealt) return { ...after, arrangement: asBefore.arrangement };
  const shared = moved(after.shared, dealt.places);
  return { ...after, arrangement: dealt.arrangement, ...(shared ? { shared } : {}) };
}

/** The class with another register, the others in the seats they had: what comes of it when somebody comes, goes or changes. */
export const withRegister = (input: ClassInput, people: ClassInput["people"]): ClassInput => ({
  ...withKeptSeats(input),
  people,
});
