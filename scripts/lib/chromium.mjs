// Debian's Chromium for the tests. The same browser without windows of its own is taken where it can be had: it draws and runs
// pages alike, and costs a third less on a machine without a screen.
import fs from "node:fs";
import { installPackages } from "./postgres.mjs";

const places = ["/usr/bin/chromium-headless-shell", "/usr/bin/chromium"];

/** Where it is on this machine, undefined when it is not. */
export const chromiumPath = () => places.find((place) => fs.existsSync(place));

/** The same, installing it where it is missing and that is allowed. */
export function chromiumInstalled() {
  for (const name of ["chromium-headless-shell", "chromium"])
    if (!chromiumPath()) installPackages([name], "the browser for the tests");
  return chromiumPath();
}
