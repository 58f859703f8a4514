import fs from "node:fs";
import fc from "fast-check";
import { starterPantry } from "~/core/pantry";
import { canonical } from "~/core/plan";
import { writeRatio } from "~/core/quantity";
import { readDraft } from "~/core/recipe";
import { starterRecipes } from "~/demo/recipes";
import { recipes } from "../../test/recipes";
import { sayStep } from "~/ui/words/batter";
import { readClassFile, toPlain } from "./class-file";
import { jsonLdIn } from "./page-source.server";
import { readRecipeFile, writeRecipeFile } from "./recipe-file";
import { longestLine, readIngredientLine } from "./recipe-line";
import { familyOfText, readRecipeText } from "./recipe-text";
import { type SchemaWords, minutesOf, schemaOrgOf, textOfSchemaOrg } from "./schema-org";

const context = { pantry: starterPantry, system: "us" as const, partId: "", isTopping: false };
/** Words without notes: what a step says by itself. */
const plainly = (toolName: SchemaWords["toolName"]): SchemaWords => ({ toolName, stepNotes: () => [] });
test("a line that nobody wrote as an ingredient is not gone into: kept by its beginning, open, and asked about", () => {
  const parts = fc.array(fc.constantFrom(",½", "(", ")", "1/", "½ ", "½–", "1 cup ", "or ", "2 ", " and "), {
    minLength: 1,
  });
  fc.assert(
    fc.property(parts, fc.integer({ min: 1, max: 400 }), (some, times) => {
      const said = `1 cup flour${some.join("").repeat(times)}`.trim();
      const figures = said.match(/\d+|[½()]/g)?.length ?? 0;
      const lines = readIngredientLine(said, context);
      if (said.length > longestLine || figures > 24)
        expect(lines).toMatchObject([
          { ingredientId: "", kind: "unknown", amount: "not read", said: said.slice(0, longestLine) },
        ]);
      else expect(lines.map((line) => line.amount)).not.toContain("not read");
    }),
  );
  // As many as are pasted: one line each, in a text of the size that is let in.
  const rows = `${`1 cup flour${",½".repeat(140)}`.slice(0, 299)}\n`.repeat(130);
  const { draft } = readRecipeText(`Title\n\nIngredients\n${rows}\nMethod\nMix it.`, { pantry: starterPantry });
  expect(draft.lines).toHaveLength(130);
  expect(new Set(draft.lines.map((line) => line.amount))).toEqual(new Set(["not read"]));
});

const lineOf = (text: string) => {
  const [line] = readIngredientLine(text, context);
  if (!line) throw new Error(`nothing read from ${text}`);
  return line;
};

describe("one line of a list", () => {
  test("juice of half a lemon buys a lemon; two clear things on one line become two", () => {
    expect(lineOf("juice of half a lemon")).toMatchObject({ ingredientId: "lemon", amount: "1/2", note: "juice" });
    expect(readIngredientLine("salt and pepper", context).map((line) => line.ingredientId)).toEqual([
      "fine-salt",
      "black-pepper",
    ]);
  });

  test("a choice of the author's stays a choice", () => {
    expect(lineOf("2 tbsp butter or oil")).toMatchObject({ ingredientId: "", choices: ["butter", "sunflower-oil"] });
  });

  test("a weight and a cup that mean different batters are asked about", () => {
    expect(lineOf("1 cup (250 g) plain flour")).toMatchObject({ kind: "unknown", amount: "1 cup or 250 g" });
    expect(lineOf("1 cup (125 g) plain flour")).toMatchObject({ kind: "exact", amount: "1 cup" });
  });

  test("a number before what is not counted has lost its unit", () => {
    expect(lineOf("200 plain flour")).toMatchObject({ kind: "unknown", amount: "200" });
    expect(lineOf("3 eggs")).toMatchObject({ kind: "exact", amount: "3" });
  });

  test("top-up, hold-back, per load, per piece, to taste, optional", () => {
    expect(lineOf("80 ml milk, plus up to 40 ml more")).toMatchObject({
      kind: "top-up",
      amount: "80 ml",
      second: "120 ml",
    });
    expect(lineOf("300 ml milk, hold back 50 ml")).toMatchObject({
      kind: "hold-back",
      amount: "300 ml",
      second: "50 ml",
    });
    expect(lineOf("1 tsp oil per load")).toMatchObject({ kind: "per-load", bowl: "pan", note: "" });
    expect(lineOf("2 tsp syrup for each pancake")).toMatchObject({
      kind: "per-piece",
      bowl: "topping",
      note: "",
    });
    expect(lineOf("1 sachet vanilla sugar (8 g)")).toMatchObject({
      kind: "packs",
      amount: "1",
      second: "8 g",
      note: "",
    });
    expect(lineOf("nutmeg, to taste")).toMatchObject({ kind: "to-taste", ingredientId: "nutmeg" });
    expect(lineOf("40 g raisins (optional)")).toMatchObject({ isOptional: true, ingredientId: "raisins" });
  });

  test("never throws, and an empty line is none", () => {
    expect(readIngredientLine("  - ", context)).toEqual([]);
    fc.assert(
      fc.property(fc.string({ maxLength: 40 }), (text) => {
        for (const line of readIngredientLine(text, context)) expect(line.said).toBe(text.trim());
      }),
      { numRuns: 1500 },
    );
  });
});

describe("a whole recipe", () => {
  const text = `Puffed pancake in the oven
Makes 1
Ingredients
3 eggs
1/2 cup plain flour
1/2 cup whole milk
For the sauce:
1 cup raspberries
1 tbsp sugar
Method
Preheat the oven to 425 F with the dish inside.
Whisk the eggs, half the milk and the flour with baking soda, then the rest of the milk.
Let it stand for 10 minutes.
Bake 18-20 minutes.
Boil the raspberries with the sugar.`;
  const { draft, guessed, systemHint } = readRecipeText(text, { pantry: starterPantry, system: "us" });

  test("family, heat, rest, yield and sub-recipe are taken from the words, and said to be", () => {
    expect(familyOfText(text)).toBe("oven-puffed");
    expect(draft).toMatchObject({
      family: "oven-puffed",
      surfaceFrom: "218",
      surfaceTo: "218",
      restMin: "10",
      claimedPieces: "1",
    });
    expect(guessed).toContain("family");
    expect(systemHint).toBe("us");
    expect(draft.parts).toMatchObject([{ name: "Sauce", kind: "sauce", heat: "hob" }]);
    expect(draft.lines.filter((line) => line.partId !== "").map((line) => line.ingredientId)).toEqual([
      "raspberries",
      "sugar",
    ]);
  });

  test("the steps draw on the list, by halves where they say so, and what is not listed is a mention", () => {
    const draws = draft.steps.map((step) =>
      step.draws
        .map((draw) => `${draw.share} ${draft.lines.find((line) => line.id === draw.lineId)?.ingredientId}`)
        .sort(),
    );
    expect(draws[1]).toEqual(["1 egg", "1 plain-flour", "1/2 whole-milk"]);
    expect(draft.steps[1]?.mentions).toEqual(["baking-soda"]);
    expect(draft.steps.map((step) => step.kind)).toEqual(["preheat", "mix", "rest", "cook", expect.any(String)]);
  });

  test("any text at all is read without throwing", () => {
    const word = fc.constantFrom(
      "flour",
      "1 cup",
      "Method",
      "Ingredients",
      "For the sauce:",
      "2",
      "eggs",
      "1. Whisk.",
      "",
      "Makes 9",
      "bake 5 min",
      "½",
      "8 oz milk",
    );
    fc.assert(
      fc.property(fc.array(fc.oneof(word, fc.string({ maxLength: 20 })), { maxLength: 25 }), (rows) => {
        const { draft: made } = readRecipeText(rows.join("\n"), { pantry: starterPantry });
        expect(readDraft(made, { id: "x", revision: 1 }).recipe.lines).toHaveLength(made.lines.length);
      }),
      { numRuns: 400 },
    );
  });
});

describe("schema.org", () => {
  test("pieces, whole time, tools and diet go out; a rest in the method is not counted twice", () => {
    const { recipe } = readDraft(
      readRecipeText(
        "Crepes\nIngredients\n125 g plain flour\n300 ml oat drink\n1 pinch fine salt\nMethod\n1. Whisk the flour, the salt and the oat drink.\n2. Rest 30 minutes.\n3. Cook thin.",
        { pantry: starterPantry, system: "metric" },
      ).draft,
      { id: "c", revision: 1 },
    );
    const out = JSON.parse(
      schemaOrgOf(
        recipe,
        starterPantry,
        plainly((tool) => `a ${tool}`),
      ),
    ) as Record<string, unknown>;
    expect(out.recipeYield).toMatch(/^\d+ pieces$/);
    expect(out.suitableForDiet).toEqual(["https://schema.org/VeganDiet", "https://schema.org/VegetarianDiet"]);
    const [prep, cook, total] = [out.prepTime, out.cookTime, out.totalTime].map(minutesOf);
    // Whole minutes each: the sum may differ by the rounding of the three.
    expect(Math.abs((total ?? 0) - (prep ?? 0) - (cook ?? 0) - 30)).toBeLessThanOrEqual(1.5);
    expect(out.tool).toContainEqual({ "@type": "HowToTool", name: "a whisk" });
    const dairy = { ...recipe, lines: recipe.lines.map((line) => ({ ...line, ingredientId: "whole-milk" })) };
    expect(
      JSON.parse(
        schemaOrgOf(
          dairy,
          starterPantry,
          plainly((tool) => tool),
        ),
      ),
    ).toMatchObject({
      suitableForDiet: ["https://schema.org/VegetarianDiet"],
    });
  });

  test("rounds, half pours, holding and gates go out with the step they belong to", () => {
    const read = readClassFile(fs.readFileSync("test/cases/c11-half-with-berries.json", "utf8"));
    if (!read.ok) throw new Error(read.problems.join("\n"));
    const recipe = read.input.dishes[0]?.recipe;
    if (!recipe) throw new Error("there is no dish");
    const out = JSON.parse(
      schemaOrgOf(recipe, starterPantry, {
        toolName: (tool) => tool,
        stepNotes: (step) => sayStep(step, recipe, (id) => id, "en-GB"),
      }),
    ) as { recipeIngredient: string[]; recipeInstructions: { text: string }[] };
    expect(out.recipeIngredient).toContainEqual(expect.stringMatching(/blueberries.*, only for: with berries/));
    expect(out.recipeInstructions.map((one) => one.text)).toContainEqual(
      expect.stringContaining("In rounds, 1 plain to 1 with berries, each by itself."),
    );
  });

  test("what goes out comes in again with every amount and ingredient", () => {
    for (const recipe of starterRecipes) {
      const back = textOfSchemaOrg(
        JSON.parse(
          schemaOrgOf(
            recipe,
            starterPantry,
            plainly((tool) => tool),
          ),
        ),
      );
      const { draft } = readRecipeText(back ?? "", {
        pantry: starterPantry,
        system: recipe.system,
        family: recipe.family,
      });
      const { recipe: read } = readDraft(draft, { id: "back", revision: 1 });
      expect(draft.title).toBe(recipe.title);
      expect(read.lines.map((line) => line.ingredientId)).toEqual(recipe.lines.map((line) => line.ingredientId));
      const exact = (lines: typeof read.lines) =>
        lines.flatMap((line) =>
          line.amount.kind === "exact"
            ? [`${writeRatio(line.amount.amount.value)} ${line.amount.amount.unit} ${line.ingredientId}`]
            : [],
        );
      expect(exact(read.lines)).toEqual(expect.arrayContaining(exact(recipe.lines)));
      expect(draft.steps.map((step) => step.text)).toEqual(recipe.steps.map((step) => step.text));
    }
  });

  test("recipes inside graphs, sections and lists of types are found; what is none is none", () => {
    const graph = {
      "@graph": [
        { "@type": "WebPage" },
        {
          "@type": ["Thing", "Recipe"],
          name: "Found",
          recipeYield: ["12 pancakes"],
          recipeIngredient: ["2 eggs"],
          recipeInstructions: [
            { "@type": "HowToSection", itemListElement: [{ "@type": "HowToStep", text: "Whisk &amp; rest." }] },
          ],
        },
      ],
    };
    expect(textOfSchemaOrg(graph)).toBe("Found\nMakes 12\nIngredients\n- 2 eggs\nMethod\n1. Whisk & rest.");
    expect(textOfSchemaOrg({ "@type": "Person" })).toBeUndefined();
    expect(textOfSchemaOrg(null)).toBeUndefined();
    expect(textOfSchemaOrg([[[{ "@type": "Recipe" }]]])).toBeUndefined();
  });

  test.each([
    ["PT15M", 15],
    ["PT1H30M", 90],
    ["P1DT2H", 1560],
    ["soon", undefined],
    [20, undefined],
  ])("a duration of %s is %s minutes", (duration, minutes) => {
    expect(minutesOf(duration)).toBe(minutes);
  });

  test("the source of a page gives its data blocks, broken ones passed over, and nothing is run", () => {
    const page =
      '<html><script>window.hit = 1</script><script type="application/ld+json">{"a": 1}</script><script type="application/ld+json">{oops</script><SCRIPT TYPE="application/ld+json">[2]</SCRIPT></html>';
    expect(jsonLdIn(page)).toEqual([{ a: 1 }, [2]]);
    expect(jsonLdIn("<<<>>> no page")).toEqual([]);
  });
});

describe("the recipe's own file", () => {
  test("writes and reads back any recipe with the ingredients it names", () => {
    fc.assert(
      fc.property(recipes, (recipe) => {
        const read = readRecipeFile(JSON.parse(writeRecipeFile(recipe, starterPantry)));
        if (read.kind !== "recipe") throw new Error(read.kind);
        expect(canonical(toPlain(read.file.recipe))).toBe(canonical(toPlain(recipe)));
        expect(read.file.pantry.map((one) => one.id).sort()).toEqual(
          [
            ...new Set(
              [
                ...recipe.lines,
                ...recipe.lines.flatMap((line) => line.alternatives ?? []),
                ...recipe.variants.flatMap((variant) => [...variant.add, ...variant.swaps]),
              ].map((one) => one.ingredientId),
            ),
          ].sort(),
        );
      }),
      { numRuns: 60 },
    );
  });

  test("a broken one says where, another file is none", () => {
    const [recipe] = starterRecipes;
    if (!recipe) throw new Error("the starter recipes are gone");
    const value = JSON.parse(writeRecipeFile(recipe, starterPantry)) as { recipe: { family: string } };
    value.recipe.family = "doughnut";
    expect(readRecipeFile(value)).toMatchObject({
      kind: "broken",
      problems: [expect.stringContaining("recipe › family")],
    });
    expect(readRecipeFile({ format: "something-else" })).toEqual({ kind: "other" });
    expect(readRecipeFile("text")).toEqual({ kind: "other" });
  });
});
