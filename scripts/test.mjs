// npm test: everything, from a fresh clone. Installs what it needs, then types, lint, unit, database and browser tests. Ends with
// one plain line, "N passed, N failed". Built-in modules only.
import { spawn, spawnSync } from "node:child_process";
import fs from "node:fs";
import path from "node:path";
import { buildIfNewer } from "./lib/build.mjs";
import { chromiumInstalled } from "./lib/chromium.mjs";
import { installIfNewer } from "./lib/packages.mjs";
import { Sentence, serverBin } from "./lib/postgres.mjs";

process.chdir(path.resolve(import.meta.dirname, ".."));
const counts = { passed: 0, failed: 0 };
const count = (passed, failed) => {
  counts.passed += passed;
  counts.failed += failed;
};

function end() {
  console.log(`\n${counts.passed} passed, ${counts.failed} failed`);
  process.exit(counts.failed === 0 && counts.passed > 0 ? 0 : 1);
}

/** Runs one of the project's tools; true when it ended well. */
function run(title, args) {
  const from = Date.now();
  console.log(`\n== ${title}`);
  const { status } = spawnSync(process.execPath, args, { stdio: ["ignore", "inherit", "inherit"] });
  console.log(`== ${title}: ${status === 0 ? "well" : "FAILED"}, ${Math.round((Date.now() - from) / 1000)} s`);
  return status === 0;
}

/** A check that is one test by itself. What it said is printed when it ended, as others run beside it. */
function check(title, args) {
  const from = Date.now();
  const child = spawn(process.execPath, args, { stdio: ["ignore", "pipe", "pipe"] });
  let said = "";
  for (const stream of [child.stdout, child.stderr]) stream.setEncoding("utf8").on("data", (text) => (said += text));
  return new Promise((resolve) => {
    child.on("close", (code) => {
      const isWell = code === 0;
      count(isWell ? 1 : 0, isWell ? 0 : 1);
      console.log(`\n== ${title}: ${isWell ? "well" : "FAILED"}, ${Math.round((Date.now() - from) / 1000)} s`);
      if (said.trim()) console.log(said.trim());
      resolve(isWell);
    });
  });
}

function need(what, isThere) {
  if (isThere) return;
  console.error(what);
  count(0, 1);
  end();
}

need("The packages could not be installed; what npm said stands above.", installIfNewer());
need(
  "Chromium is not in /usr/bin and may not be installed from here. As root: apt-get install chromium.",
  chromiumInstalled() !== undefined,
);
try {
  serverBin();
} catch (error) {
  if (!(error instanceof Sentence)) throw error;
  need(error.message, false);
}

const bin = (name) => path.join("node_modules", name);
await check("route types", [bin("@react-router/dev/bin.js"), "typegen"]);
// Each of these keeps one core busy, so two go at once.
await Promise.all([
  check("types", [bin("typescript-native/bin/tsc")])
    .then(() =>
      check("types of the core, without browser or Node", [bin("typescript-native/bin/tsc"), "-p", "app/core"]),
    )
    .then(() => check("layout of the code", [bin("prettier/bin/prettier.cjs"), "--check", "--log-level=warn", "."])),
  check("lint", [bin("eslint/bin/eslint.js"), "."]),
]);

fs.mkdirSync("test-results", { recursive: true });
const unitReport = "test-results/jest.json";
fs.rmSync(unitReport, { force: true });
const isJestWell = run("unit and database tests", [
  "--experimental-vm-modules",
  "--disable-warning=ExperimentalWarning",
  bin("jest/bin/jest.js"),
  "--json",
  `--outputFile=${unitReport}`,
]);
if (fs.existsSync(unitReport)) {
  const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = JSON.parse(fs.readFileSync(unitReport, "utf8"));
  count(numPassedTests, numFailedTests + numRuntimeErrorTestSuites);
} else if (!isJestWell) count(0, 1);

const isBuilt = buildIfNewer();
count(isBuilt ? 1 : 0, isBuilt ? 0 : 1);
if (isBuilt) {
  const browserReport = "test-results/report.json";
  fs.rmSync(browserReport, { force: true });
  const isBrowserWell = run("browser tests", [bin("@playwright/test/cli.js"), "test"]);
  if (fs.existsSync(browserReport)) {
    const { stats, errors } = JSON.parse(fs.readFileSync(browserReport, "utf8"));
    count(stats.expected, stats.unexpected + stats.flaky + errors.length);
  } else if (!isBrowserWell) count(0, 1);
  await check("what a bad day does to it, in short", ["scripts/attack.mjs", "--short"]);
}
end();
