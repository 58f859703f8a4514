// npm run bench: runs scripts/bench.ts from one bundled file, as browsers and the server get the core. Read file by file, every
// function is given its name again each time it is made, which costs plan() a tenth of its time.
import { spawnSync } from "node:child_process";
import path from "node:path";
import { build } from "vite";

const here = path.resolve(import.meta.dirname, "..");
const outDir = path.join(here, "node_modules/.cache/apron-bell/bench");
await build({
  root: here,
  configFile: false,
  logLevel: "error",
  resolve: { tsconfigPaths: true },
  build: { ssr: "scripts/bench.ts", outDir, target: "node20" },
});
const { status } = spawnSync(process.execPath, [path.join(outDir, "bench.js"), ...process.argv.slice(2)], {
  cwd: here,
  stdio: "inherit",
});
process.exitCode = status ?? 1;
