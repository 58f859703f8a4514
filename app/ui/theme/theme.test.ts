import fs from "node:fs";
import path from "node:path";
import { expect, test } from "@jest/globals";
import { mays } from "~/core/turns";
import { rooms } from "./colors";
import { fields } from "./fields";
import { looks } from "./looks";
import { parts } from "./parts";
import { recipes } from "./recipes";
import { sheets } from "./sheets";

const files = fs
  .readdirSync("app", { recursive: true, encoding: "utf8" })
  .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file) && !file.startsWith(path.join("ui", "theme")))
  .map((file) => fs.readFileSync(path.join("app", file), "utf8"));
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

const named = Object.values(recipes).map(({ className }) => `${className ?? ""}__`);
const isOfPart = (name: string) => named.some((begins) => name.startsWith(begins));
const all = files.join("\n");
const names: readonly string[] = Object.values(looks).flat();

test("a look has one name and a style, and a style by name is a look, a part of ours or Chakra's own", () => {
  expect(names.filter((name, at) => names.indexOf(name) !== at)).toEqual([]);
  expect(names.filter((name) => !themed.has(name))).toEqual([]);
  expect([...themed].filter((name) => !names.includes(name) && !isOfPart(name) && !name.startsWith("chakra-"))).toEqual(
    [],
  );
});

test("every look is asked for by a page", () => {
  const kinds = mays.map((may) => `may-${may}`);
  expect(names.filter((name) => !kinds.includes(name) && !new RegExp(`["'\`]${name}["'\`]`).test(all))).toEqual([]);
  expect(names.length).toBeGreaterThan(200);
});

test("every slot and every variant of our own parts is asked for by a page, by the name its style has", () => {
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
    return (
      Object.keys(recipe.base ?? {})
        .filter((slot) => styled.has(slot))
        // Which slots a part has differs from part to part; here each is asked by its name.
        .map((slot) => (part as unknown as Record<string, string>)[slot] ?? "")
        .filter((name) => !themed.has(name))
    );
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
