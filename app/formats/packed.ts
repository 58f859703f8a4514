/**
 * Large values on their way from the server to the same program in the browser, as one text each. A router's own serialiser walks every
 * object at every request; a class is the same object as long as nobody changes it, so its text is made once. At the other end an equal
 * text is the same object again, so that nothing that follows from it is worked out anew.
 */
declare const holds: unique symbol;
export type Packed<T> = string & { readonly [holds]: T };

const texts = new WeakMap<object, string>();

/** Values by their text, newest last; few, as a page holds one class and the book. */
const values = new Map<string, object>();
const mostValues = 200;

function remember(text: string, value: object): void {
  const [oldest] = values.keys();
  if (values.size >= mostValues && oldest !== undefined) values.delete(oldest);
  values.set(text, value);
  texts.set(value, text);
}

/** JSON has no whole numbers of any length; no key of ours begins with this sign. */
const bigKey = "\u0001big";

/** A value as text: JSON, with whole numbers of any length kept as such. Fields without a value are left out. */
export function pack<T extends object>(value: T): Packed<T> {
  const before = texts.get(value);
  // The text may have gone from what is remembered, while its value lives on.
  if (before !== undefined && values.get(before) === value) return before as Packed<T>;
  const text =
    before ??
    JSON.stringify(value, (_key, each: unknown) => (typeof each === "bigint" ? { [bigKey]: String(each) } : each));
  remember(text, value);
  return text as Packed<T>;
}

/** The value again; the same object for the same text. */
export function unpack<T extends object>(text: Packed<T>): T {
  const known = values.get(text);
  if (known) return known as T;
  const value = JSON.parse(text, (_key, each: unknown) =>
    typeof each === "object" && each !== null && bigKey in each ? BigInt(String(each[bigKey])) : each,
  ) as T;
  remember(text, value);
  return value;
}
