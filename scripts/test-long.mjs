// npm run test:long: the property tests over many more values with a new seed, again and again for some minutes (20 unless
// LONG_MINUTES says otherwise). The seed of each round is printed; PROPERTY_SEED=<it> npm run jest repeats what failed.
import { spawnSync } from "node:child_process";
import crypto from "node:crypto";
import path from "node:path";

process.chdir(path.resolve(import.meta.dirname, ".."));
const minutes = Number(process.env.LONG_MINUTES ?? 20);
const factor = process.env.PROPERTY_RUNS ?? "6";
const until = Date.now() + minutes * 60_000;
let [rounds, failed] = [0, 0];
const asked = process.env.PROPERTY_SEED;
do {
  const seed = asked ?? String(crypto.randomInt(1, 2 ** 31 - 1));
  console.log(`\n== round ${rounds + 1}, PROPERTY_SEED=${seed} PROPERTY_RUNS=${factor}`);
  const { status } = spawnSync(
    process.execPath,
    [
      "--experimental-vm-modules",
      "--disable-warning=ExperimentalWarning",
      "node_modules/jest/bin/jest.js",
      "--selectProjects=unit",
      "--testTimeout=1800000",
    ],
    { stdio: "inherit", env: { ...process.env, PROPERTY_SEED: seed, PROPERTY_RUNS: factor } },
  );
  rounds += 1;
  if (status !== 0) failed += 1;
} while (Date.now() < until && !asked);
console.log(`\n${rounds - failed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
