// Installs the npm packages of the lock file when they are missing or older. Built-in modules only.
import { spawnSync } from "node:child_process";
import fs from "node:fs";

const mark = "node_modules/.apron-bell-lock";

/** @returns false when npm failed; what it said has been printed. */
export function installIfNewer() {
  const lock = fs.readFileSync("package-lock.json", "utf8");
  if (fs.existsSync(mark) && fs.readFileSync(mark, "utf8") === lock) return true;
  console.log("Installing packages (about a minute, once) …");
  // Development dependencies are needed to build, whatever NODE_ENV says.
  const { status } = spawnSync("npm", ["ci", "--include=dev", "--no-audit", "--no-fund", "--loglevel=error"], {
    stdio: ["ignore", "ignore", "inherit"],
  });
  if (status !== 0) return false;
  fs.writeFileSync(mark, lock);
  return true;
}
