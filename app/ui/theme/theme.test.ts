import fs from "node:fs";
import path from "node:path";
import { expect, test } from "@jest/globals";
import { system } from ".";

const files = fs
  .readdirSync("app", { recursive: true, encoding: "utf8" })
  .filter((file) => /\.tsx$/.test(file) && !/\.test\.tsx$/.test(file))
  .map((file) => ({ file, text: fs.readFileSync(path.join("app", file), "utf8") }));
const partFiles = fs.readdirSync("app/ui/parts").filter((name) => /\.tsx?$/.test(name) && !/\.test\./.test(name));
const all = files.map(({ text }) => text).join("\n");

test("more than a hundred files compose the design system, and none has a class name of its own", () => {
  const composing = files.filter(({ text }) => /from "(@chakra-ui\/react|~\/ui\/parts\/)/.test(text));
  expect(composing.filter(({ text }) => text.includes('from "@chakra-ui/react"')).length).toBeGreaterThan(100);
  expect(files.filter(({ text }) => /\bclassName\b/.test(text)).map(({ file }) => file)).toEqual([]);
});

test("every composition is used by a page or by another composition", () => {
  const texts = new Map(partFiles.map((name) => [name, fs.readFileSync(path.join("app/ui/parts", name), "utf8")]));
  const made = [...texts].flatMap(([name, text]) =>
    [...text.matchAll(/^export const ([A-Z]\w*) = chakra\(/gm)].map((match) => ({ name, part: match[1] ?? "" })),
  );
  expect(made.length).toBeGreaterThan(100);
  // Drawn, or chosen to be drawn, or what another is made from.
  const idle = made.filter(
    ({ part }) => !new RegExp(`(<|\\? |: |chakra\\()${part}\\b`).test(`${all}\n${[...texts.values()].join("\n")}`),
  );
  expect(idle).toEqual([]);
});

test("what a composition addresses within it is drawn somewhere", () => {
  const parts = partFiles.map((name) => fs.readFileSync(path.join("app/ui/parts", name), "utf8")).join("\n");
  const everything = `${all}\n${parts}`;
  const asked = new Set([...parts.matchAll(/\[data-part=([\w-]+)\]/g)].map((match) => match[1] ?? ""));
  // Parts of Chakra's own widgets are named by them.
  const ofChakra = new Set([
    "item",
    "content",
    "empty",
    "view-control",
    "table-cell",
    "table-cell-trigger",
    "separator",
  ]);
  const missing = [...asked].filter(
    (part) =>
      !ofChakra.has(part) && !new RegExp(`["'\`]${part}["'\`]`).test(everything.replace(/\[data-part=[\w-]+\]/g, "")),
  );
  expect(missing).toEqual([]);
});

test("a role of colour has a value on paper, in the dark and across a bright room", () => {
  const css = JSON.stringify(system._global);
  for (const role of ["bg", "fg", "fg-muted", "accent-solid"]) expect(css).toContain(`--chakra-colors-${role}`);
  expect(css).toContain("[data-shade=dark]");
  expect(css).toContain("[data-room=bright]");
});
