/** Letters without case and accents, as somebody types who is in a hurry: "crepe" finds "Crêpe". */
const plain = (text: string): string => text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase();

/** Whether every word that was typed stands somewhere in a text; nothing typed fits every text. */
export const fits = (text: string, typed: string): boolean =>
  plain(typed)
    .split(/\s+/)
    .every((word) => plain(text).includes(word));

/**
 * The things of a list with every typed word somewhere in their label, those that begin with what was typed first; else in the order of
 * the list. Nothing typed leaves the list as it is.
 */
export function matching<T extends { readonly label: string }>(list: readonly T[], typed: string): T[] {
  const sought = plain(typed).trim();
  const found = list.filter(({ label }) => fits(label, typed));
  const isFirst = ({ label }: T) => plain(label).startsWith(sought);
  return [...found.filter(isFirst), ...found.filter((one) => !isFirst(one))];
}
