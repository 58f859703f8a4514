import fs from "node:fs";
import path from "node:path";
import { ESLint } from "eslint";
import ts from "typescript";
import tseslint from "typescript-eslint";
// @ts-expect-error Rules for the linter are written without types.
import { readingOrder, wall } from "../lint/wall.js";

const root = path.resolve(import.meta.dirname, "..");
const linter = new ESLint({
  cwd: root,
  overrideConfigFile: true,
  overrideConfig: [{ files: ["**/*.{ts,tsx}"], languageOptions: { parser: tseslint.parser } }, ...wall],
});

/** Does the wall refuse this import in a file of this folder? */
async function isRefused(folder: string, from: string): Promise<boolean> {
  const [result] = await linter.lintText(`import { x } from "${from}";\nexport default x;\n`, {
    filePath: path.join(root, "app", folder, "probe.ts"),
  });
  return (result?.messages ?? []).some((message) => message.ruleId === "no-restricted-imports");
}

test.each([
  ["core/quantity", "node:fs"],
  ["core/quantity", "zod"],
  ["core/plan", "~/formats/class-file"],
  ["core/plan", "~/ui/words/en"],
  ["formats", "~/services/classes.server"],
  ["formats", "~/db/schema"],
  ["formats", "~/routes/form"],
  ["formats", "../ui/x/../../routes/form"],
  ["formats", "~/ui/words/en"],
  ["demo", "~/services/classes.server"],
  ["watch", "~/core/plan"],
  ["watch", "~/services/classes.server"],
  ["db", "~/services/classes.server"],
  ["db/queries", "~/devices/mail.server"],
  ["devices", "~/services/classes.server"],
  ["devices", "~/ui/words/en"],
  ["services", "~/routes/form"],
  ["services", "~/ui/words/en"],
  ["ui/parts", "~/services/classes.server"],
  ["ui/parts", "~/db/schema"],
  ["workers", "~/services/classes.server"],
  ["workers", "~/devices/scale"],
])("a file of %s may not import %s", async (folder, from) => {
  expect(await isRefused(folder, from)).toBe(true);
});

test.each([
  ["core/plan", "~/core/schedule"],
  ["formats", "~/core/plan"],
  ["formats", "~/ui/theme/colors"],
  ["devices", "~/db/schema"],
  ["services", "~/db/schema"],
  ["ui/parts", "~/core/plan"],
])("a file of %s may import %s", async (folder, from) => {
  expect(await isRefused(folder, from)).toBe(false);
});

test("each folder of the core refuses every folder that is read after it, and none before", async () => {
  const order = readingOrder as readonly string[];
  for (const [at, folder] of order.entries())
    for (const [other, name] of order.entries())
      if (other !== at)
        expect([folder, name, await isRefused(`core/${folder}`, `~/core/${name}`)]).toEqual([folder, name, other > at]);
});

/** Our own files that a file imports, types as well. */
function importsOf(file: string): string[] {
  const { importedFiles } = ts.preProcessFile(fs.readFileSync(file, "utf8"));
  return importedFiles.flatMap(({ fileName }) => {
    if (!/^(\.|~\/)/.test(fileName)) return [];
    const base = fileName.startsWith("~/")
      ? path.join(root, "app", fileName.slice(2))
      : path.resolve(path.dirname(file), fileName);
    const found = [base, `${base}.ts`, `${base}.tsx`, path.join(base, "index.ts")].find(
      (one) => fs.existsSync(one) && fs.statSync(one).isFile(),
    );
    return found ? [found] : [];
  });
}

test("no file imports itself by way of others", () => {
  const files = fs
    .readdirSync(path.join(root, "app"), { recursive: true, encoding: "utf8" })
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\./.test(file))
    .map((file) => path.join(root, "app", file));
  const edges = new Map(files.map((file) => [file, importsOf(file)]));
  const state = new Map<string, "open" | "done">();
  const circles: string[] = [];
  const visit = (file: string, way: readonly string[]) => {
    if (state.get(file) === "open")
      circles.push([...way.slice(way.indexOf(file)), file].map((one) => path.relative(root, one)).join(" → "));
    if (state.has(file)) return;
    state.set(file, "open");
    for (const next of edges.get(file) ?? []) visit(next, [...way, file]);
    state.set(file, "done");
  };
  for (const file of files) visit(file, []);
  expect(circles).toEqual([]);
});
