// npm run -s plan: runs scripts/plan.ts from one bundled file, made anew when a source has changed, as reading a hundred files of
// TypeScript one by one takes longer than the plan.
import crypto from "node:crypto";
import fs from "node:fs";
import path from "node:path";
import { pathToFileURL } from "node:url";

const here = path.resolve(import.meta.dirname, "..");
const sources = ["app/core", "app/formats", "scripts/plan.ts", "package-lock.json"];

function* filesIn(place) {
  if (fs.statSync(place).isFile()) yield place;
  else
    for (const name of fs.readdirSync(place).sort())
      if (!/\.test\.tsx?$/.test(name)) yield* filesIn(path.join(place, name));
}

const hash = crypto.createHash("sha256");
for (const file of sources.flatMap((place) => [...filesIn(path.join(here, place))])) hash.update(fs.readFileSync(file));
const name = `plan-${hash.digest("hex").slice(0, 20)}.mjs`;
const folder = path.join(here, "node_modules/.cache/apron-bell");
const bundle = path.join(folder, name);
if (!fs.existsSync(bundle)) {
  const { build } = await import("vite");
  await build({
    root: here,
    configFile: false,
    logLevel: "error",
    resolve: { tsconfigPaths: true },
    ssr: { noExternal: true },
    build: {
      ssr: "scripts/plan.ts",
      outDir: folder,
      emptyOutDir: false,
      copyPublicDir: false,
      rollupOptions: { output: { entryFileNames: name } },
    },
  });
}
await import(pathToFileURL(bundle).href);
