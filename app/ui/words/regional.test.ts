import { surfaceKinds } from "~/core/recipe";
import { severityWords, surfaceWords } from "./en";
import { starterPantry } from "~/core/pantry";
import { foodIn, inRegion, soldFoods, spokenIn, wordsIn } from "./regional";

test("a region's own words stand for the British ones, capitals kept, parts of words left alone", () => {
  expect(inRegion("Coeliac disease, a pan on a hob, 3 litres", "en-US")).toBe(
    "Celiac disease, a pan on a stovetop, 3 liters",
  );
  expect(inRegion("Coeliac disease, a pan on a hob, 3 litres", "en-CA-u-mu-celsius")).toBe(
    "Celiac disease, a pan on a stovetop, 3 litres",
  );
  expect(inRegion("a hobby, uncoloured", "en-US")).toBe("a hobby, uncoloured");
  for (const locale of ["en-GB", "en-AU", "en-IE", "en-NZ", "en-ZA"])
    expect(inRegion("a coeliac at the hob", locale)).toBe("a coeliac at the hob");
});

test("a list of words keeps its keys, is the same list where nothing differs, and one list for one region", () => {
  expect(wordsIn(severityWords, "en-GB")).toBe(severityWords);
  const american = wordsIn(severityWords, "en-US");
  expect(american).toBe(wordsIn(severityWords, "en-US-u-mu-fahrenhe"));
  expect(american.coeliac).toBe("celiac");
  expect(Object.keys(american).sort()).toEqual(Object.keys(severityWords).sort());
  const changed = surfaceKinds.filter((kind) => wordsIn(surfaceWords, "en-US")[kind] !== surfaceWords[kind]);
  expect(changed).toEqual(["hob-pan"]);
});

test("no word of a region is itself turned into another", () => {
  for (const region of ["US", "CA"])
    for (const word of spokenIn(region).values()) expect(inRegion(word, `en-${region}`)).toBe(word);
});

test("foods we ship are called as shops of a region call them; what people name themselves is theirs", () => {
  expect(foodIn("icing sugar", "en-US")).toBe("powdered sugar");
  expect(foodIn("icing sugar", "en-CA-u-mu-celsius")).toBe("icing sugar");
  expect(foodIn("plain wheat flour", "en-GB")).toBe("plain wheat flour");
  expect(foodIn("Aunt Wren’s icing sugar", "en-US")).toBe("Aunt Wren’s icing sugar");
  const shipped = starterPantry.map((one) => one.name);
  expect(soldFoods.filter((name) => !shipped.includes(name))).toEqual([]);
});
