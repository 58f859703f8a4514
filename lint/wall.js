// Who may import whom. Rules for eslint.config.js; app/wall.test.ts holds that each of them refuses what it is for.
import fs from "node:fs";
import path from "node:path";

const root = path.resolve(import.meta.dirname, "..");

/** The core's folders in reading order: a folder may import those before it, never one after. */
export const readingOrder = JSON.parse(fs.readFileSync(path.join(root, "app/core/reading-order.json"), "utf8"));

const folders = fs
  .readdirSync(path.join(root, "app/core"), { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .map((entry) => entry.name);
const unknown = folders.filter((folder) => !readingOrder.includes(folder));
const missing = readingOrder.filter((folder) => !folders.includes(folder));
if (unknown.length > 0 || missing.length > 0)
  throw new Error(
    `app/core/reading-order.json has to name every folder of app/core: not named are ${unknown.join(", ") || "none"}, not there are ${missing.join(", ") || "none"}.`,
  );

const laterThan = (index) =>
  readingOrder.slice(index + 1).map((folder) => ({
    regex: `^(\\.\\.|~/core)/${folder}(/|$)`,
    message: `${readingOrder[index]} is read before ${folder}.`,
  }));

// Two outside packages the core uses, both pure and the same in browser, worker and server: a hash, through plan/hash.ts, and numbers
// from a seed, through schedule/search.ts.
const outside = {
  regex: "^(?!\\.\\.?/(?!\\.\\.)|~/core/|@noble/hashes/|pure-rand/)",
  message: "core imports only core: take data in, give data back.",
};
const not = (names, message) => ({ regex: `(^|/)(${names})(/|$)`, message });
const wallOf = (folder, ...patterns) => ({
  files: [`app/${folder}/**`],
  ignores: ["**/*.test.*"],
  rules: { "no-restricted-imports": ["error", { patterns }] },
});

export const wall = [
  ...readingOrder.map((folder, index) => wallOf(`core/${folder}`, outside, ...laterThan(index))),
  wallOf("formats", not("routes|services|db|devices|workers", "a format turns text into data and back."), {
    regex: "~/ui/(?!theme/colors$)",
    message: "of the interface a format may know the colours for paper only.",
  }),
  wallOf("demo", not("routes|services|db|devices|workers|ui", "the demonstration is data.")),
  wallOf("watch", not("routes|services|ui|core|formats", "what watches the program knows nothing of its subject.")),
  wallOf("db", not("routes|ui|services|devices|workers", "data flows down to here, not back up.")),
  wallOf("devices", not("routes|ui|services|workers", "data flows down to here, not back up.")),
  wallOf("services", not("routes|ui|workers", "data flows down to here, not back up.")),
  wallOf("{ui,workers}", not("routes|services|db|devices", "props or messages in; the route fetches.")),
];
