// Two hundred screens that listen to one class: how long a press takes to reach the last of them, and what it costs the server.
import { spawnSync } from "node:child_process";
import fs from "node:fs";
import http from "node:http";
import pg from "pg";

const screens = 200;
const perAccount = 20;
const presses = 40;
/** Between two presses, in milliseconds: the last screen has heard of one before the next. */
const pause = 300;

/** Accounts beside the lead's, with the same password, so that no account has more streams than it may. */
async function addAccounts(url: string, like: string, count: number): Promise<string[]> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const emails = Array.from({ length: count }, (_, n) => `screen-${n}@boathouse.example`);
  await client.query(
    `insert into account (email, name, role, password_hash)
     select unnest($1::text[]), 'Screen', role, password_hash from account where email = $2`,
    [emails, like],
  );
  await client.end();
  return emails;
}

/** Processor seconds a process has used, in steps of a hundredth. */
function usedBy(pid: number): number {
  const stat = fs.readFileSync(`/proc/${pid}/stat`, "utf8");
  const fields = stat.slice(stat.lastIndexOf(")") + 2).split(" ");
  return (Number(fields[11]) + Number(fields[12])) / 100;
}

const childOf = (pid: number): number =>
  Number(
    spawnSync("pgrep", ["-P", String(pid), "-f", "serve.mjs"], { encoding: "utf8" })
      .stdout.trim()
      .split("\n")[0],
  );

/**
 * @param signIn gives the cookie of an account by its address.
 * @param serverPid the process that started the server.
 * @returns milliseconds from each press to the last screen, and processor seconds of the server a press.
 */
export async function screenTimes(
  base: string,
  url: string,
  lead: string,
  classId: string,
  signIn: (email: string) => Promise<string>,
  serverPid: number,
): Promise<{ readonly toLast: number[]; readonly processorSeconds: number }> {
  const cookies = await Promise.all((await addAccounts(url, lead, screens / perAccount)).map(signIn));
  let heard = () => {};
  const agent = new http.Agent({ maxSockets: Infinity });
  const open = Array.from(
    { length: screens },
    (_, n) =>
      new Promise<http.IncomingMessage>((resolve, reject) => {
        const headers = { cookie: cookies[Math.floor(n / perAccount)] ?? "" };
        http
          .get(`${base}/classes/${classId}/changes`, { agent, headers }, (answer) => {
            if (answer.statusCode !== 200) return reject(new Error(`a stream answered ${answer.statusCode}`));
            answer.setEncoding("utf8").on("data", (text: string) => {
              if (text.includes("event: news")) heard();
              else resolve(answer);
            });
          })
          .on("error", reject);
      }),
  );
  const streams = await Promise.all(open);
  const pid = childOf(serverPid);
  const toLast: number[] = [];
  const press = () =>
    fetch(`${base}/classes/${classId}/events`, {
      method: "POST",
      headers: { origin: base, "content-type": "application/json", cookie: cookies[0] ?? "" },
      body: JSON.stringify({
        now: Date.now(),
        events: [{ id: crypto.randomUUID(), at: Date.now(), kind: "pieces-counted", stationId: "s1", pieces: 3 }],
      }),
    });
  // Twice before anything is measured, as the first press pins the class.
  let used = 0;
  for (let n = -2; n < presses; n += 1) {
    if (n === 0) used = usedBy(pid);
    let count = 0;
    const all = new Promise<void>((resolve) => {
      heard = () => {
        count += 1;
        if (count === screens) resolve();
      };
    });
    const from = performance.now();
    await press();
    await all;
    if (n >= 0) toLast.push(performance.now() - from);
    await new Promise((resolve) => setTimeout(resolve, pause));
  }
  const processorSeconds = (usedBy(pid) - used) / presses;
  for (const stream of streams) stream.destroy();
  agent.destroy();
  return { toLast, processorSeconds };
}
