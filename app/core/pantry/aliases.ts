import type { Ingredient } from "./types";

/**
 * The words people write for an ingredient. One id means the word is clear; several are a question, the likeliest first. A word
 * that leaves the type open in a way that changes the batter ("flour", "plant milk") is never answered here; one whose types hardly
 * differ, or of which nearly everybody means the first ("~"), is taken for it and marked.
 */
// One row an ingredient: laid out by the formatter the list would be four times as long and could not be read down.
// prettier-ignore
const words: readonly (readonly [words: string, ...ids: readonly string[]])[] = [
  ["plain flour|all purpose flour|all-purpose flour|ap flour|plain wheat flour|plain white flour|white flour|wheat flour|00 flour|flour type plain|flour, all-purpose", "plain-flour"],
  ["self raising flour|self-raising flour|self rising flour|self-rising flour|sr flour|self raising wheat flour|self-raising wheat flour", "self-raising-flour"],
  ["wholemeal flour|whole wheat flour|wholewheat flour|whole-wheat flour|wholemeal wheat flour|plain wholemeal flour", "wholemeal-flour"],
  ["gluten free flour|gluten-free flour|gluten free flour blend|gluten-free flour blend|gluten-free plain flour|gluten free plain flour|gluten-free plain flour blend|gf flour", "gluten-free-flour"],
  ["strong flour|bread flour|strong white flour|strong white bread flour", "strong-flour"],
  ["buckwheat flour|buckwheat", "buckwheat-flour"],
  ["rye flour", "rye-flour"],
  ["spelt flour", "spelt-flour"],
  ["rice flour", "rice-flour"],
  ["oat flour", "oat-flour"],
  ["flour|baking flour", "plain-flour", "self-raising-flour", "wholemeal-flour", "gluten-free-flour"],
  ["cornmeal|fine cornmeal|polenta|fine polenta|maize meal", "fine-cornmeal"],
  ["cornflour|corn starch|cornstarch|cornflour (starch)", "cornflour"],
  ["potato starch", "potato-starch"],
  ["ground almonds|almond flour|almond meal", "ground-almonds"],
  ["oats|rolled oats|porridge oats", "oats"],
  ["sugar|granulated sugar|white sugar", "sugar"],
  ["caster sugar|superfine sugar|golden caster sugar", "caster-sugar"],
  ["brown sugar|soft brown sugar|light brown sugar|dark brown sugar|packed brown sugar|brown sugar, packed|muscovado sugar", "brown-sugar"],
  ["icing sugar|powdered sugar|confectioners sugar|confectioners' sugar", "icing-sugar"],
  ["vanilla sugar", "vanilla-sugar"],
  ["cocoa pancake mix|cocoa mix", "cocoa-mix"],
  ["cocoa powder|cocoa|unsweetened cocoa|unsweetened cocoa powder", "cocoa"],
  ["milk powder|dried milk|powdered milk", "milk-powder"],
  ["baking powder|double acting baking powder|double-acting baking powder", "baking-powder"],
  ["baking soda|bicarbonate of soda|bicarb|bicarb of soda|soda|sodium bicarbonate", "baking-soda"],
  ["raising agent|leavener|leavening", "baking-powder", "baking-soda"],
  ["table salt|fine salt|fine table salt|fine sea salt", "fine-salt"],
  ["coarse salt|flaky salt|flaked salt|sea salt flakes|coarse sea salt|kosher salt|rock salt", "coarse-salt"],
  ["salt|sea salt", "~fine-salt", "coarse-salt"],
  ["cinnamon|ground cinnamon", "cinnamon"],
  ["nutmeg|ground nutmeg|grated nutmeg", "nutmeg"],
  ["ginger|ground ginger", "ginger"],
  ["mixed spice|pumpkin spice", "mixed-spice"],
  ["cardamom|ground cardamom", "cardamom"],
  ["pepper|black pepper|ground black pepper|ground pepper", "black-pepper"],
  ["paprika|sweet paprika|smoked paprika", "paprika"],
  ["vanilla|vanilla extract|vanilla essence|pure vanilla|pure vanilla extract|vanilla flavouring|vanilla flavoring", "vanilla"],
  ["egg|eggs|hen's egg|hen's eggs|medium egg|medium eggs|free range egg|free range eggs|free-range eggs", "egg"],
  ["egg white|egg whites|whites|white of egg|whites of eggs", "egg-white"],
  ["whole milk|full fat milk|full-fat milk|full cream milk", "whole-milk"],
  ["semi skimmed milk|semi-skimmed milk|2% milk|half fat milk|low fat milk|low-fat milk", "semi-skimmed-milk"],
  ["skimmed milk|skim milk|fat free milk", "skimmed-milk"],
  ["soured milk|milk soured with acid", "soured-milk"],
  ["milk", "~whole-milk", "semi-skimmed-milk", "skimmed-milk"],
  ["buttermilk|cultured buttermilk", "buttermilk"],
  ["yogurt|yoghurt|plain yogurt|plain yoghurt|natural yogurt|natural yoghurt", "plain-yogurt"],
  ["sour cream|soured cream", "soured-cream"],
  ["cream|whipping cream|heavy cream", "cream"],
  ["double cream|thick cream", "double-cream"],
  ["cream cheese|full fat cream cheese|full-fat cream cheese", "cream-cheese"],
  ["black treacle|treacle|molasses|dark molasses", "treacle"],
  ["oat drink|oat milk", "oat-drink"],
  ["soy drink|soy milk|soya drink|soya milk", "soy-drink"],
  ["almond drink|almond milk", "almond-drink"],
  ["coconut drink", "coconut-drink"],
  ["canned coconut milk|tinned coconut milk", "canned-coconut-milk"],
  ["coconut milk", "canned-coconut-milk", "coconut-drink"],
  ["plant milk|plant drink|non-dairy milk|dairy-free milk", "oat-drink", "soy-drink", "almond-drink", "coconut-drink"],
  ["water|cold water|warm water|tap water|lukewarm water", "water"],
  ["sparkling water|soda water|fizzy water", "sparkling-water"],
  ["butter|unsalted butter|salted butter|melted butter", "butter"],
  ["margarine|plant spread|vegan butter|dairy-free spread", "plant-spread"],
  ["sunflower oil|vegetable oil|veg oil|rapeseed oil|canola oil|neutral oil|cooking oil", "sunflower-oil"],
  ["olive oil", "olive-oil"],
  ["coconut oil", "coconut-oil"],
  ["oil", "~sunflower-oil", "olive-oil", "coconut-oil"],
  ["pan spray|cooking spray|oil spray|non-stick spray|nonstick spray|nonstick cooking spray|non-stick cooking spray", "pan-spray"],
  ["lemon juice", "lemon-juice"],
  ["vinegar|white vinegar|cider vinegar|apple cider vinegar", "vinegar"],
  ["cream of tartar", "cream-of-tartar"],
  ["lemon|lemons|unwaxed lemon", "lemon"],
  ["lemon zest|grated lemon zest", "lemon-zest"],
  ["orange|oranges", "orange"],
  ["banana|bananas|ripe banana|ripe bananas|mashed banana|banana, peeled", "banana"],
  ["apple|apples|grated apple|eating apple|dessert apple|cooking apple|apple, grated", "apple"],
  ["pear|pears", "pear"],
  ["blueberries|blueberry|frozen blueberries", "blueberries"],
  ["raspberries|frozen raspberries", "raspberries"],
  ["strawberries", "strawberries"],
  ["berries|mixed berries|frozen berries", "blueberries", "raspberries", "strawberries"],
  ["raisins|sultanas|golden raisins|seedless raisins", "raisins"],
  ["courgette|courgettes|zucchini|grated courgette|grated zucchini", "courgette"],
  ["carrot|carrots|grated carrot", "carrot"],
  ["potato|potatoes|grated potato|floury potato|floury potatoes|waxy potatoes|baking potatoes", "potato"],
  ["onion|onions", "onion"],
  ["spring onion|spring onions|scallions|scallion|green onions", "spring-onion"],
  ["garlic|garlic clove|garlic cloves|clove of garlic|cloves of garlic|cloves garlic|clove garlic", "garlic"],
  ["spinach|baby spinach", "spinach"],
  ["herbs|parsley|chives|dill|soft herbs|chopped soft herbs", "herbs"],
  ["pumpkin puree|pumpkin purée|pumpkin", "pumpkin"],
  ["sweetcorn|corn kernels|sweetcorn kernels|sweetcorn kernels, drained", "sweetcorn"],
  ["hard cheese|cheddar|mature cheddar|parmesan|gouda|emmental|edam|hard cheese, finely grated|grated hard cheese|grated cheese|cheese|hard cheese, grated", "hard-cheese"],
  ["feta", "~soft-cheese", "hard-cheese"],
  ["soft cheese|cream cheese|ricotta|cottage cheese|curd cheese|quark|soft white cheese", "soft-cheese"],
  ["ham|cooked ham", "ham"],
  ["bacon|bacon rashers", "bacon"],
  ["chia|chia seed|chia seeds", "chia"],
  ["linseed|ground linseed|flaxseed|flax|ground flax|flax seed|flax seeds|flax seed meal|milled linseed|ground flaxseed|flax meal", "linseed"],
  ["xanthan gum|xanthan", "xanthan"],
  ["yeast|dried yeast|instant yeast|fast-action yeast|fast action dried yeast|fast-action dried yeast", "dried-yeast"],
  ["maple syrup|pancake syrup|breakfast syrup|maple-type syrup", "syrup"],
  ["syrup", "~syrup", "golden-syrup"],
  ["golden syrup", "golden-syrup"],
  ["honey|runny honey", "honey"],
  ["jam|strawberry jam", "jam"],
  ["chocolate spread", "chocolate-spread"],
  ["chocolate chips|chocolate pieces|mini chocolate chips|semisweet chocolate chips|semi-sweet chocolate chips|plain chocolate chips|dark chocolate pieces|dark chocolate chips", "chocolate-pieces"],
  ["walnuts|chopped walnuts", "walnuts"],
  ["pecans|chopped pecans", "pecans"],
  ["nuts|chopped nuts", "walnuts", "pecans"],
  ["desiccated coconut|shredded coconut", "desiccated-coconut"],
  ["peanut butter", "peanut-butter"],
  ["sprinkles", "sprinkles"],
  ["marshmallow topping|marshmallow cream", "marshmallow-topping"],
];

const byWord: ReadonlyMap<string, readonly string[]> = new Map(
  words.flatMap(([all, ...ids]) => all.split("|").map((word) => [word, ids] as const)),
);
/** The same by id, the longest words first. */
const wordsById: ReadonlyMap<string, readonly string[]> = (() => {
  const found = new Map<string, string[]>();
  for (const [word, ids] of [...byWord].sort(([a], [b]) => b.length - a.length))
    for (const id of new Set(ids.map((one) => one.replace("~", "")))) found.set(id, [...(found.get(id) ?? []), word]);
  return found;
})();

/** What a name was taken for. */
export type NameRead =
  | { readonly kind: "one"; readonly ingredientId: string }
  /** One that nearly everybody means; to be marked as taken for granted. */
  | { readonly kind: "likely"; readonly ingredientId: string; readonly ingredientIds: readonly string[] }
  /** Several could be meant: the author is asked. */
  | { readonly kind: "ask"; readonly ingredientIds: readonly string[] }
  | { readonly kind: "none" };

/** The words a method may use for an ingredient, longest first: its own, and the general ones it falls under ("flour", "milk"). */
export const wordsFor = (ingredientId: string): readonly string[] => wordsById.get(ingredientId) ?? [];

/** Every word that stands for exactly one ingredient, longest first, with it. */
export const clearWords: readonly (readonly [word: string, ingredientId: string])[] = [...byWord]
  .flatMap(([word, ids]) => (ids.length === 1 && ids[0] ? [[word, ids[0]] as const] : []))
  .sort((a, b) => b[0].length - a[0].length);

/** Words for preparation or packaging, stripped one by one until a known name is left. */
const aside =
  /^(?:fresh(?:ly)?|finely|coarsely|pure|floury|snipped|mature|good-quality|unbleached|unsulphured|roughly|thinly|chopped|sliced|diced|grated|mashed|ripe|melted|softened|soft|cold|warm|lukewarm|hot|room temperature|beaten|lightly|whisked|sifted|packed|firmly|loosely|organic|free-range|free range|large|medium|small|big|of|the|a|an|good|extra|more|some|unsalted|salted|plain|natural|squeezed|peeled|cooled|frozen|thawed|drained|cooked|raw|whole|dried|ground|unsweetened|sweetened|level|heaped|optional|a little|very|about) /i;

/**
 * One word in front makes another thing of it: dried fruit has none of the water, fresh ginger is no powder, fresh yeast is used by
 * about three times the weight. Such a name is asked about instead of being taken for the nearest.
 */
const anotherThing =
  /\b(?:freeze-)?dried (?:blueberr|apple|banana|pear|raspberr|strawberr|orange|onion|carrot|spinach|potato|pumpkin|courgette)|\b(?:fresh(?:ly)?|grated|chopped|minced|candied|crystallised|crystallized|stem)(?: \w+)? (?:ginger|yeast)\b|\bginger root\b/;

const normal = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[’`]/g, "'")
    .replace(/\([^)]*\)/g, " ")
    .replace(/\s+/g, " ")
    .trim();

const singular = (text: string): string => text.replace(/(?<=[a-z]{3})(?:oes)$/, "o").replace(/(?<=[a-z]{3})s$/, "");

/**
 * What somebody wrote, looked up: the pantry's own names first, then the words people use; then the same without "freshly",
 * "melted" and the like, and without what follows a comma.
 */
export function readIngredientName(text: string, pantry: readonly Ingredient[]): NameRead {
  const own = new Map<string, string>();
  for (const one of pantry) own.set(one.name.toLowerCase(), one.id);
  const there = new Set(pantry.map((one) => one.id));
  const lookUp = (name: string): NameRead => {
    const named = byWord.get(name) ?? byWord.get(singular(name));
    const ids = named?.map((id) => id.replace("~", "")).filter((id) => there.has(id)) ?? [];
    const [first] = ids;
    if (first && named?.[0] === `~${first}`) return { kind: "likely", ingredientId: first, ingredientIds: ids };
    // A word that leaves the type open stays open, even where the pantry has only one of them.
    if (named && named.length > 1 && first) return { kind: "ask", ingredientIds: ids };
    if (first) return { kind: "one", ingredientId: first };
    const exact = own.get(name) ?? own.get(singular(name));
    return exact ? { kind: "one", ingredientId: exact } : { kind: "none" };
  };
  const named = own.get(text.toLowerCase().trim());
  if (named) return { kind: "one", ingredientId: named };
  const full = normal(text);
  if (anotherThing.test(full)) return { kind: "none" };
  const attempts = [
    full,
    ...full
      .split(/,| - |;/)
      .slice(0, 1)
      .map((part) => part.trim()),
  ];
  for (const start of attempts) {
    for (let name = start; name !== ""; name = name.replace(aside, "")) {
      const found = lookUp(name);
      if (found.kind !== "none") return found;
      if (!aside.test(name)) break;
    }
  }
  // "milk at room temperature", "butter for the pan", "flour sifted": the longest known beginning.
  const terms = (attempts[1] ?? full).split(" ");
  let from = 0;
  while (from < terms.length - 1 && aside.test(`${terms[from]} `)) from += 1;
  for (let to = terms.length - 1; to > from; to -= 1) {
    const next = terms[to] ?? "";
    if (
      !/^(?:for|at|in|to|from|with|plus|or|and|as|until|if|,|sifted|melted|beaten|softened|mashed|grated|chopped|drained|cooled|separated|rinsed|levelled|squeezed|peeled|packed|sliced|divided|warmed|whisked)$/.test(
        next,
      )
    )
      continue;
    // "or": another ingredient would do; that is a choice of the author's.
    if (next === "or" || next === "and") return { kind: "none" };
    const found = lookUp(terms.slice(from, to).join(" "));
    if (found.kind !== "none") return found;
  }
  return { kind: "none" };
}
