/** More people than this at one table are a figure, not heads to count. */
const mostHeads = 8;

/** Where people sit around a table seen from above: on which side, and how far along it (0 to 1); the far side takes the odd one. */
export function headsAround(people: number): { readonly isFar: boolean; readonly along: number }[] {
  const heads = Math.min(people, mostHeads);
  const far = Math.ceil(heads / 2);
  return Array.from({ length: heads }, (_, index) => {
    const isFar = index < far;
    return { isFar, along: ((isFar ? index : index - far) + 1) / ((isFar ? far : heads - far) + 1) };
  });
}
