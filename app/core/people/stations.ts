import type { Audience, Participant, Station } from "./types";

/** Names that can be shouted across a room and not be mistaken for one another; used in order when the class has none of its own. */
export const stationNames: readonly string[] = [
  "Heron",
  "Otter",
  "Willow",
  "Kingfisher",
  "Bulrush",
  "Dragonfly",
  "Pebble",
  "Swan",
  "Minnow",
  "Alder",
  "Teal",
  "Lantern",
  "Jetty",
  "Moorhen",
  "Osprey",
  "Sedge",
  "Curlew",
  "Ripple",
  "Grebe",
  "Iris",
];

/** How much longer or shorter this audience takes over the same handwork (starting values). */
export const paceOf: Readonly<Record<Audience, number>> = {
  "small-children": 1.5,
  "school-age": 1.2,
  teens: 1,
  adults: 0.8,
  mixed: 1.2,
};

/** Audiences for whom an adult must be at the hot place. */
export const needsAdultAtHeat = (audience: Audience): boolean =>
  audience === "small-children" || audience === "school-age" || audience === "mixed";

/**
 * Station sizes for `people` at up to `stationSize` each, as even as can be: 13 at 4 makes 4, 3, 3, 3.
 * @param people whole, 0 or more.  @param stationSize whole, 1 or more.
 * @throws {RangeError} outside that.
 */
export function stationSizes(people: number, stationSize: number): number[] {
  if (!Number.isInteger(people) || people < 0)
    throw new RangeError(`expected a whole number of people, 0 or more, got ${people}.`);
  if (!Number.isInteger(stationSize) || stationSize < 1)
    throw new RangeError(`expected a station size of 1 or more, got ${stationSize}.`);
  const count = Math.ceil(people / stationSize);
  return Array.from({ length: count }, (_, index) => Math.floor(people / count) + (index < people % count ? 1 : 0));
}

/** The name of the station with this index: the class's own names first, then the usual ones, then numbers. */
export function nameOfStation(index: number, own: readonly string[]): string {
  return own[index] ?? stationNames.filter((name) => !own.includes(name))[index - own.length] ?? `Station ${index + 1}`;
}

/** Everyone who works at a station; helpers and tasters do not. */
export const isAtStation = (person: Participant): boolean => person.role === "cook" || person.role === "grown-up";

/** Seats the register in its order, so that people entered together sit together. */
export function seat(
  people: number,
  stationSize: number,
  register: readonly Participant[],
  own: readonly string[],
): Station[] {
  const cooks = register.filter(isAtStation);
  let from = 0;
  return stationSizes(people, stationSize).map((size, index) => {
    const seated = cooks.slice(from, from + size).map((person) => person.id);
    from += size;
    return { id: `s${index + 1}`, name: nameOfStation(index, own), size, people: seated };
  });
}
