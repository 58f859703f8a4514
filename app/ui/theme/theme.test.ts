import fs from "node:fs";
import path from "node:path";
import { expect, test } from "@jest/globals";
import { rooms } from "./colors";
import { fields } from "./fields";
import { parts } from "./parts";
import { recipes } from "./recipes";
import { sheets } from "./sheets";

const files = fs
  .readdirSync("app", { recursive: true, encoding: "utf8" })
  .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file) && !file.startsWith(path.join("ui", "theme")))
  // What is chosen of a part is no name: those are held by types and by the test below.
  .map((file) => fs.readFileSync(path.join("app", file), "utf8"));
const withoutParts = files.map((text) => text.replace(/parts\.\w+\.of\([^;]*?\}\)/g, "part"));

/** Every selector of the theme, those within an at-rule too. */
const selectorsOf = (styles: object): string[] =>
  Object.entries(styles).flatMap(([where, style]) =>
    where.startsWith("@") ? selectorsOf(style as object) : [where, ...nestedOf(style as object)],
  );
/** What a style says of what stands within it: "&.is-on", "& .small". */
const nestedOf = (style: object): string[] =>
  Object.entries(style).flatMap(([where, nested]) =>
    nested !== null && typeof nested === "object" ? [where, ...nestedOf(nested as object)] : [],
  );
const namesIn = (selector: string): string[] =>
  [...selector.matchAll(/\.([a-z][\w-]*)/gi)].map(([, name]) => name ?? "");

const themed = new Set([
  ...sheets.flatMap(selectorsOf).flatMap(namesIn),
  ...[...Object.keys(fields), ...Object.values(rooms)].flatMap(namesIn),
  ...namesIn(fs.readFileSync("app/print.css", "utf8")),
]);

/** The words of a text between quotes or backticks; what a template puts in (`may-${may}`) leaves its beginning, with a star. */
const wordsIn = (text: string): string[] => [
  ...[...text.matchAll(/`([^`]*)`/g)].map(([, words]) => (words ?? "").replace(/\$\{[^}]*\}/g, "* ")),
  // A word that is compared with is none that is written.
  ...[...text.matchAll(/([=!]= )?"([^"]*)"/g)].flatMap(([, compared, words]) => (compared ? [] : [words ?? ""])),
];
const written = withoutParts.flatMap((text) =>
  [...text.matchAll(/className=(?:"([^"]*)"|\{((?:[^{}]|\{[^{}]*\})*)\})/g)].flatMap(([, plain, put]) =>
    plain === undefined ? wordsIn(put ?? "") : [plain],
  ),
);
const named = Object.values(recipes).map(({ className }) => `${className ?? ""}__`);
const isOfPart = (name: string) => named.some((begins) => name.startsWith(begins));
const used = new Set(written.flatMap((words) => words.split(/\s+/)).filter((word) => /^[a-z]/i.test(word)));

test("every class name a page writes is one the theme has a style for", () => {
  const unknown = [...used].filter((word) =>
    word.endsWith("*") ? ![...themed].some((name) => name.startsWith(word.slice(0, -1))) : !themed.has(word),
  );
  expect(unknown).toEqual([]);
  expect(used.size).toBeGreaterThan(200);
});

test("the theme has no style for a class that nothing writes", () => {
  const all = files.join("\n");
  const beginnings = [...used].filter((word) => word.endsWith("*")).map((word) => word.slice(0, -1));
  const idle = [...themed].filter(
    (name) =>
      !used.has(name) &&
      !beginnings.some((begins) => name.startsWith(begins)) &&
      !new RegExp(`["'\` ]${name}["'\` ]`).test(all) &&
      // Chakra's own parts are named by it, ours by their recipes.
      !name.startsWith("chakra-") &&
      !isOfPart(name),
  );
  expect(idle).toEqual([]);
});

test("every slot and every variant of our own parts is asked for by a page, by the name its style has", () => {
  const all = files.join("\n");
  const idle = Object.entries(recipes).flatMap(([key, { slots, variants }]) => [
    ...(slots as readonly string[]).filter(
      (slot) => !new RegExp(`(\\bparts\\.${key}(\\.of\\([^;]*?\\))?|\\b(names|its))\\.${slot}\\b`).test(all),
    ),
    ...Object.keys(variants ?? {}).filter((variant) => !new RegExp(`\\b${variant}\\b`).test(all)),
  ]);
  expect(idle).toEqual([]);
  const missing = Object.entries(parts).flatMap(([key, part]) => {
    const recipe = recipes[key as keyof typeof recipes];
    const styled = new Set<string>([...recipe.slots]);
    return Object.keys(recipe.base ?? {})
      .filter((slot) => styled.has(slot))
      .map((slot) => (part as unknown as Record<string, string>)[slot] ?? "")
      .filter((name) => !themed.has(name));
  });
  expect(missing).toEqual([]);
});

test("a variant adds its own name to the slot's", () => {
  expect(parts.lanes.task).toBe("lanes__task");
  expect(parts.lanes.of({ look: "heat", isChain: true, isBelow: false }).task).toBe(
    "lanes__task lanes__task--look_heat lanes__task--isChain_true",
  );
  expect(themed).toContain("lanes__task--look_heat");
});
