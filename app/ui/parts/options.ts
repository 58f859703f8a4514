/** One choice of a list. */
export interface Option {
  readonly value: string;
  readonly label: string;
}
export const optionsOf = <K extends string>(words: Readonly<Record<K, string>>): Option[] =>
  (Object.entries(words) as [K, string][]).map(([value, label]) => ({ value, label }));
