// Completes package-lock.json with the platform builds that npm leaves out when it cannot see them.
// npm drops an optional package that the registry does not offer from the lock, and `npm ci` then refuses
// the very lock npm wrote. Run after every change of dependencies: `npm run lock`.
import fs from "node:fs";

const file = "package-lock.json";
const lock = JSON.parse(fs.readFileSync(file, "utf8"));
const packages = lock.packages;
const systems = ["darwin", "linux", "win32", "android", "freebsd", "openbsd", "netbsd", "sunos", "aix", "openharmony"];
const processors = ["arm64", "x64", "ia32", "arm", "ppc64", "s390x", "riscv64", "loong64", "wasm32", "mips64el"];

/** Is `name` found by Node's upward walk from the package that lives at `from`? */
function isLocked(from, name) {
  for (let at = from; ;) {
    if (packages[`${at ? `${at}/` : ""}node_modules/${name}`]) return true;
    if (!at) return false;
    const up = at.lastIndexOf("/node_modules/");
    at = up < 0 ? "" : at.slice(0, up);
  }
}

for (const [where, entry] of Object.entries({ ...packages })) {
  for (const [name, version] of Object.entries(entry.optionalDependencies ?? {})) {
    if (isLocked(where, name)) continue;
    const parts = name.split("/").pop().split("-");
    const os = systems.find((x) => parts.includes(x));
    const cpu = processors.find((x) => parts.includes(x));
    if (!os || !cpu || !/^\d+\.\d+\.\d+/.test(version)) throw new Error(`cannot complete ${name}@${version}`);
    packages[`node_modules/${name}`] = {
      version,
      cpu: [cpu],
      ...(entry.dev ? { dev: true } : {}),
      ...(os === "linux" ? { libc: [name.includes("musl") ? "musl" : "glibc"] } : {}),
      optional: true,
      os: [os],
    };
  }
}
lock.packages = Object.fromEntries(Object.entries(packages).sort(([a], [b]) => (a < b ? -1 : 1)));
fs.writeFileSync(file, `${JSON.stringify(lock, null, 2)}\n`);
