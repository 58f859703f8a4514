// One start command to a data folder: a second would stop the first one's database when it ends. Built-in modules only.
import fs from "node:fs";
import path from "node:path";

const fileOf = (dataDir) => path.join(dataDir, "running.json");

/** When a process was started, in the kernel's ticks: a number that is used again belongs to another process. */
function startOf(pid) {
  try {
    const stat = fs.readFileSync(`/proc/${pid}/stat`, "utf8");
    return stat.slice(stat.lastIndexOf(")") + 2).split(" ")[19];
  } catch {
    // Without /proc the number alone decides.
    try {
      process.kill(pid, 0);
      return "";
    } catch {
      return undefined;
    }
  }
}

/** Who has a folder now; undefined for nobody, also where a killed one left its mark. */
export function holderOf(dataDir) {
  try {
    const other = JSON.parse(fs.readFileSync(fileOf(dataDir), "utf8"));
    if (Number.isInteger(other.pid) && startOf(other.pid) === other.start)
      return { pid: other.pid, address: other.address };
  } catch {
    // No mark, or none that can be read.
  }
  return undefined;
}

/**
 * Takes the folder, or gives who has it. What a killed start left behind is taken over.
 * @returns undefined when it is ours now; otherwise the address the running one answers at.
 */
export function takeFolder(dataDir, address) {
  fs.mkdirSync(dataDir, { recursive: true });
  const file = fileOf(dataDir);
  const mine = JSON.stringify({ pid: process.pid, start: startOf(process.pid), address });
  for (;;) {
    try {
      fs.writeFileSync(file, mine, { flag: "wx" });
      return undefined;
    } catch (error) {
      if (error.code !== "EEXIST") throw error;
    }
    const other = holderOf(dataDir);
    if (other) return other;
    // Nobody of that number and start: left behind by one that was killed.
    fs.rmSync(file, { force: true });
  }
}

/** Gives the folder back, if it is ours. */
export function leaveFolder(dataDir) {
  try {
    if (JSON.parse(fs.readFileSync(fileOf(dataDir), "utf8")).pid === process.pid) fs.rmSync(fileOf(dataDir));
  } catch {
    // Gone already.
  }
}
