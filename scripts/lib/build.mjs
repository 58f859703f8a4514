// Builds when a source is newer than the last build. Built-in modules only.
import { spawnSync } from "node:child_process";
import crypto from "node:crypto";
import fs from "node:fs";
import path from "node:path";
import zlib from "node:zlib";

const sources = [
  "app",
  "server",
  "public",
  "package-lock.json",
  "vite.config.ts",
  "react-router.config.ts",
  "tsconfig.json",
];
const stamp = "build/sources";

function* filesIn(place) {
  if (!fs.existsSync(place)) return;
  if (fs.statSync(place).isFile()) yield place;
  else
    for (const name of fs.readdirSync(place).sort())
      if (!/\.test\.tsx?$/.test(name)) yield* filesIn(path.join(place, name));
}

/** A digest of names and contents: times lie after a clone or a copy. */
function digest() {
  const hash = crypto.createHash("sha256");
  for (const file of sources.flatMap((place) => [...filesIn(place)]))
    hash.update(file).update("\0").update(fs.readFileSync(file)).update("\0");
  return hash.digest("hex");
}

/** Quiet while it goes well; everything it said when it does not. */
function run(file, args, env) {
  const done = spawnSync(process.execPath, [file, ...args], {
    encoding: "utf8",
    maxBuffer: 64 * 1024 * 1024,
    env: { ...process.env, ...env },
  });
  if (done.status !== 0) process.stderr.write(`${done.stdout}${done.stderr}`);
  return done.status === 0;
}

/** Packs what a browser keeps for a year as small as can be, once, beside each file: at a request there is no time for that. */
function packAssets(folder) {
  for (const name of fs.readdirSync(folder).filter((one) => /\.(?:js|css|svg)$/.test(one))) {
    const file = path.join(folder, name);
    fs.writeFileSync(`${file}.br`, zlib.brotliCompressSync(fs.readFileSync(file)));
  }
}

/** @returns false when the build failed; what failed has been printed. */
export function buildIfNewer() {
  const now = digest();
  if (fs.existsSync(stamp) && fs.readFileSync(stamp, "utf8") === now) return true;
  console.log("Building …");
  if (!run("node_modules/@react-router/dev/bin.js", ["build"], { NODE_ENV: "production" })) return false;
  packAssets("build/client/assets");
  fs.writeFileSync(stamp, now);
  return true;
}
