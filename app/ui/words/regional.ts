/**
 * Words that are not the same in the Englishes somebody may choose. The program is written in British; what another region says
 * otherwise stands here, and nowhere else.
 */
const spoken = {
  coeliac: { celiac: ["US", "CA"] },
  hob: { stovetop: ["US", "CA"] },
  hobs: { stovetops: ["US", "CA"] },
  colour: { color: ["US"] },
  millilitre: { milliliter: ["US"] },
  millilitres: { milliliters: ["US"] },
  litre: { liter: ["US"] },
  litres: { liters: ["US"] },
  metre: { meter: ["US"] },
  metres: { meters: ["US"] },
  centimetre: { centimeter: ["US"] },
  centimetres: { centimeters: ["US"] },
} as const satisfies Readonly<Record<string, Readonly<Record<string, readonly ("US" | "CA")[]>>>>;
export type BritishWord = keyof typeof spoken;

const tables = new Map<string, ReadonlyMap<string, string>>();

/** The words of a region that are not the British ones. */
export function spokenIn(region: string): ReadonlyMap<string, string> {
  const known = tables.get(region);
  if (known) return known;
  const made = new Map(
    Object.entries(spoken).flatMap(([british, others]) =>
      Object.entries(others).flatMap(([word, regions]) =>
        (regions as readonly string[]).includes(region) ? [[british, word] as const] : [],
      ),
    ),
  );
  tables.set(region, made);
  return made;
}

const anyWord = new RegExp(`\\b(?:${Object.keys(spoken).join("|")})\\b`, "gi");
const regions = new Map<string, string>();
const regionOf = (locale: string): string => {
  const known = regions.get(locale) ?? new Intl.Locale(locale).region ?? "";
  regions.set(locale, known);
  return known;
};

/** Words of the program as the reader's region says them, capitals where they were. Never of what people wrote: that is theirs. */
export function inRegion(text: string, locale: string): string {
  const words = spokenIn(regionOf(locale));
  return words.size === 0
    ? text
    : text.replace(anyWord, (found) => {
        const word = words.get(found.toLowerCase());
        if (word === undefined) return found;
        return found.charAt(0) === found.charAt(0).toUpperCase() ? word.charAt(0).toUpperCase() + word.slice(1) : word;
      });
}

const northAmerica = (word: string) => ({ US: word, CA: word });
/** Foods of the pantry we ship that shops of another region call otherwise; whole names only, so what people wrote themselves stays. */
const sold: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  "plain wheat flour": northAmerica("all-purpose flour"),
  "self-raising wheat flour": northAmerica("self-rising flour"),
  "wholemeal wheat flour": northAmerica("whole wheat flour"),
  "strong white bread flour": northAmerica("bread flour"),
  "caster sugar": northAmerica("superfine sugar"),
  "icing sugar": { US: "powdered sugar" },
  "cornflour (starch)": northAmerica("cornstarch"),
  "double cream": { ...northAmerica("heavy cream"), AU: "thickened cream" },
  "soured cream": { ...northAmerica("sour cream"), AU: "sour cream", NZ: "sour cream", ZA: "sour cream" },
};
/** The foods that are called otherwise somewhere. */
export const soldFoods: readonly string[] = Object.keys(sold);

/** A food as shops of the reader's region call it. */
export const foodIn = (name: string, locale: string): string => sold[name]?.[regionOf(locale)] ?? name;

const known = new WeakMap<object, Map<string, object>>();

/** A list of words by what they are for, in the words of the reader's region: the same object for the same region. */
export function wordsIn<W extends Readonly<Record<string, string>>>(words: W, locale: string): W {
  const region = regionOf(locale);
  if (spokenIn(region).size === 0) return words;
  const own = known.get(words) ?? new Map<string, object>();
  known.set(words, own);
  const before = own.get(region);
  if (before) return before as W;
  const made = Object.fromEntries(Object.entries(words).map(([key, word]) => [key, inRegion(word, locale)])) as W;
  own.set(region, made);
  return made;
}
