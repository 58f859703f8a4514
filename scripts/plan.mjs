// npm run -s plan: runs scripts/plan.ts from one bundled file, made anew when a source has changed, as reading a hundred files of
// TypeScript one by one takes longer than the plan. What the engine made of the bundle is kept beside it: without that a third of the
// time goes into reading it again. One thread and a large young heap (package.json) spare the helpers and most collections of a run
// that is over in a fifth of a second.
import fs from "node:fs";
import { createRequire } from "node:module";
import path from "node:path";
import vm from "node:vm";

const here = path.resolve(import.meta.dirname, "..");
const sources = ["app/core", "app/formats", "scripts/plan.ts", "scripts/plan.mjs", "package-lock.json"];

/** When the newest of these was written. */
function newest(place) {
  const { mtimeMs } = fs.statSync(place);
  if (!fs.statSync(place).isDirectory()) return mtimeMs;
  return fs
    .readdirSync(place, { withFileTypes: true })
    .reduce((last, entry) => Math.max(last, newest(`${place}/${entry.name}`)), mtimeMs);
}

const folder = path.join(here, "node_modules/.cache/apron-bell");
const bundle = path.join(folder, "plan.cjs");
const isOld = () => {
  const made = fs.statSync(bundle, { throwIfNoEntry: false })?.mtimeMs ?? 0;
  return sources.some((place) => newest(path.join(here, place)) > made);
};
if (isOld()) {
  const { build } = await import("vite");
  // Under a name of its own first: two that start at once each find a whole file, or none.
  const fresh = `plan-${process.pid}.cjs`;
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
      minify: true,
      rollupOptions: { output: { format: "cjs", entryFileNames: fresh } },
    },
  });
  fs.rmSync(`${bundle}.cache`, { force: true });
  fs.renameSync(path.join(folder, fresh), bundle);
}
const cache = fs.existsSync(`${bundle}.cache`) ? fs.readFileSync(`${bundle}.cache`) : undefined;
const script = new vm.Script(`(function (require, process) {${fs.readFileSync(bundle, "utf8")}\n})`, {
  filename: bundle,
  ...(cache ? { cachedData: cache } : {}),
});
script.runInThisContext()(createRequire(bundle), process);
// After the run, so that what was compiled on the way is in it.
if (!cache || script.cachedDataRejected) {
  const fresh = `${bundle}.${process.pid}`;
  fs.writeFileSync(fresh, script.createCachedData());
  fs.renameSync(fresh, `${bundle}.cache`);
}
