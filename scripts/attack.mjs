// npm run attack: what somebody who means no good, or a bad day, does to the program; bounded, on loopback, on a database of its own.
// Made-up inputs over every address and field, then kills of server, database and single connections under load. Ends by itself.
// Options: --short (what npm test carries), --seed <n>.
import { spawn } from "node:child_process";
import crypto from "node:crypto";
import fs from "node:fs";
import net from "node:net";
import os from "node:os";
import path from "node:path";
import process from "node:process";
import pg from "pg";

process.chdir(path.resolve(import.meta.dirname, ".."));
const isShort = process.argv.includes("--short");
const seedAt = process.argv.indexOf("--seed");
let seed = seedAt > 0 ? Number(process.argv[seedAt + 1]) : 20261126;
const wanted = isShort ? { inputs: 400, kills: 3, checked: 20 } : { inputs: 20_000, kills: 50, checked: 200 };
const atOnce = 8;
/** What has to hold: memory in MB, seconds until the service is back, milliseconds of the slowest answer. */
const bars = { memory: 100, back: isShort ? 40 : 10, slowest: 2000 };

// A small generator of its own, so that a seed says what was sent.
const random = () => {
  seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
  return seed / 2 ** 32;
};
const pick = (list) => list[Math.floor(random() * list.length)];

const freePort = () =>
  new Promise((resolve) => {
    const probe = net.createServer().listen(0, "127.0.0.1", () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });
const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

const folder = fs.mkdtempSync(path.join(os.tmpdir(), "apron-bell-attack-"));
const port = await freePort();
const base = `http://127.0.0.1:${port}`;
const { DATABASE_URL: _url, ...env } = process.env;
const program = spawn(process.execPath, ["scripts/start.mjs"], {
  env: { ...env, PORT: String(port), APRON_DATA_DIR: folder },
  stdio: ["ignore", "pipe", "pipe"],
});
let said = "";
for (const stream of [program.stdout, program.stderr])
  stream.on("data", (chunk) => {
    said = (said + chunk).slice(-200_000);
    if (process.env.ATTACK_LOG) fs.appendFileSync(process.env.ATTACK_LOG, chunk);
  });
const problems = [];
const fail = (sentence) => {
  problems.push(sentence);
  console.error(`  ✘ ${sentence}`);
};

async function end(code) {
  program.kill("SIGTERM");
  if (program.exitCode === null) await new Promise((resolve) => program.once("exit", resolve));
  fs.rmSync(folder, { recursive: true, force: true });
  process.exit(code);
}
process.on("SIGINT", () => void end(1));
process.on("SIGTERM", () => void end(1));

for (let n = 0; n < 600 && !said.includes("Apron Bell is ready"); n += 1) {
  if (program.exitCode !== null) throw new Error(said);
  await sleep(200);
}
const home = path.join(folder, "pg");
const clusterHome = fs.existsSync(path.join(home, "password"))
  ? home
  : /the database is in (\S+)\./.exec(fs.readFileSync(path.join(folder, "README"), "utf8"))[1];
const databaseUrl = () =>
  `postgres://app:${fs.readFileSync(path.join(clusterHome, "password"), "utf8")}@127.0.0.1:${fs.readFileSync(path.join(clusterHome, "port"), "utf8").trim()}/postgres`;
const ask = async (text, values) => {
  for (let n = 0; ; n += 1) {
    const client = new pg.Client({ connectionString: databaseUrl() });
    client.on("error", () => {});
    try {
      await client.connect();
      return (await client.query(text, values)).rows;
    } catch (error) {
      if (n > 60) throw error;
      await sleep(250);
    } finally {
      await client.end().catch(() => {});
    }
  }
};

const [, email, password] = /Demo sign-in: (\S+) {2}(\S+)/.exec(said);
async function signIn() {
  const answer = await fetch(`${base}/sign-in`, {
    method: "POST",
    redirect: "manual",
    headers: { origin: base, "content-type": "application/x-www-form-urlencoded" },
    body: new URLSearchParams({ email, password, back: "/" }),
  });
  const cookie = answer.headers.get("set-cookie")?.split(";")[0];
  if (!cookie) throw new Error(`not signed in: ${answer.status}`);
  return cookie;
}
const cookie = await signIn();
const get = (address, headers = {}) => fetch(base + address, { redirect: "manual", headers: { cookie, ...headers } });

// ——— Made-up inputs ———
const classes = await ask("select id, title from class order by title");
const people = await ask("select id, class_id from participant");
const [kitchen] = await ask("select id from kitchen limit 1");
const files = fs.readFileSync("app/routes.ts", "utf8");
/** Every address of the table of contents, with real ids in its places where there are any. */
const addresses = [...files.matchAll(/route\("([^"]+)"/g)].map(([, one]) => one);
const nested = new Set(
  [...files.matchAll(/prefix\("classes(?:\/:classId)?", \[([\s\S]*?)\n {4}(?:  )?\]\)/g)].flatMap(([, block]) =>
    [...block.matchAll(/route\("([^"]+)"/g)].map(([, one]) => one),
  ),
);
const full = addresses.flatMap((one) => {
  if (!nested.has(one)) return one === "*" ? ["/nowhere"] : [`/${one}`];
  return one === "new" || one === "import"
    ? [`/classes/${one}`]
    : one === ":classId"
      ? ["/classes/:classId"]
      : [`/classes/:classId/${one}`];
});
const nasty = [
  "",
  "\u0000",
  "a\u0000b",
  "\ud800",
  "\udfff x",
  "-1",
  "0",
  "2147483648",
  "9999999999999999999999",
  "1e308",
  "NaN",
  "null",
  "undefined",
  "[]",
  "{}",
  '{"__proto__":{"x":1}}',
  "<script>alert(1)</script>",
  "'; drop table class; --",
  "../../etc/passwd",
  "%00",
  "%",
  "=cmd|' /C calc'!A0",
  "x".repeat(5000),
  "é".repeat(2000),
  "👩‍🍳".repeat(300),
  "1/0",
  "½½½",
  // What takes long to read; in full, as forms that are too large come of it.
  ...(isShort
    ? []
    : [
        `1 cup flour${",½".repeat(8000)}`,
        "(".repeat(19_000),
        `makes${" ".repeat(9000)}x`,
        `${"[".repeat(5000)}${"]".repeat(5000)}`,
        `{"events":${'{"a":'.repeat(5000)}1${"}".repeat(5000)}}`,
      ]),
  "2026-13-45",
  "25:61",
  "true",
  "on",
  "Boat/House",
  "00000000-0000-0000-0000-000000000000",
];
const value = () =>
  random() < 0.15 ? crypto.createHash("sha256").update(String(random())).digest("hex").slice(0, 20) : pick(nasty);
const place = () => encodeURIComponent(pick(nasty).toWellFormed()).slice(0, 400) || "%00";
const filled = (address) => {
  const one = pick(classes);
  return address
    .replace(":classId", random() < 0.9 ? one.id : place())
    .replace(":personId", random() < 0.7 ? (people.find((each) => each.class_id === one.id)?.id ?? "new") : place())
    .replace(":kitchenId", random() < 0.8 ? kitchen.id : place())
    .replace(":recipeId", random() < 0.8 ? "slipway-pancakes" : place())
    .replace(":revision", random() < 0.5 ? "1" : place())
    .replace(":ingredientId", random() < 0.8 ? pick(["butter", "egg", "whole-milk"]) : place())
    .replace(":foodId", random() < 0.5 ? "new" : place())
    .replace(":kind", random() < 0.8 ? pick(["wall", "folder"]) : place())
    .replace(":token", place())
    .replace("/*", `/${place()}`);
};
// Classes are not removed, accounts not closed, nobody signed out: the attack goes on.
const isEnd = (address) => /sign-out|^\/accounts/.test(address);
const spared = new Set(["remove", "remove-now"]);
/** The fields of a page's forms, as they stand in it. */
const known = new Map();
async function fieldsOf(address) {
  if (!known.has(address)) {
    const text = await get(filled(address))
      .then((answer) => answer.text())
      .catch(() => "");
    const names = [...text.matchAll(/ name="([^"]{1,60})"/g)].map(([, name]) => name.replace(/&amp;/g, "&"));
    const intents = [...text.matchAll(/name="intent"[^>]*value="([^"]+)"|value="([^"]+)"[^>]*name="intent"/g)].map(
      (found) => found[1] ?? found[2],
    );
    known.set(address, {
      names: [...new Set(names)],
      intents: [...new Set(intents)].filter((one) => !spared.has(one)),
    });
  }
  return known.get(address);
}
const isJson = (address) => /\/(?:events|ticks)$/.test(address);
const isReadOnly = (address) => /\.(?:json|jsonld|csv|ics|pdf)$|photo$|changes$/.test(address);

async function bodyFor(address) {
  if (isJson(address)) {
    const event = {
      id: random() < 0.5 ? crypto.randomUUID() : value(),
      at: random() < 0.5 ? Date.now() * random() * 2 : value(),
      kind: pick(["bell-rung", "note-added", "x"]),
      text: value(),
      bellId: value(),
      list: "packing",
      key: value(),
      isOn: true,
    };
    const json =
      random() < 0.2
        ? value()
        : JSON.stringify({
            now: pick([undefined, 0, -1, "x", Date.now()]),
            events: random() < 0.1 ? value() : [event, event],
          });
    return { body: json.toWellFormed(), type: "application/json" };
  }
  const { names, intents } = await fieldsOf(address);
  const form = new URLSearchParams();
  for (const name of names) if (random() < 0.7) form.append(name, value().toWellFormed().replace("\ufffd", "\u0000"));
  if (intents.length > 0) form.set("intent", random() < 0.9 ? pick(intents) : value());
  if (random() < 0.2) form.append(value().toWellFormed(), value().toWellFormed());
  if (spared.has(form.get("intent"))) form.set("intent", "x");
  return random() < 0.05
    ? {
        body: value().toWellFormed(),
        type: pick(["multipart/form-data; boundary=x", "application/json", "text/plain"]),
      }
    : { body: form.toString(), type: "application/x-www-form-urlencoded" };
}

const memoryOf = () => {
  const pid = servePid();
  const found = pid && /VmRSS:\s+(\d+)/.exec(fs.readFileSync(`/proc/${pid}/status`, "utf8"));
  return found ? Number(found[1]) / 1024 : 0;
};
function servePid() {
  for (const pid of fs.readdirSync("/proc")) {
    if (!/^\d+$/.test(pid)) continue;
    try {
      const line = fs.readFileSync(`/proc/${pid}/cmdline`, "utf8");
      const parent = fs.readFileSync(`/proc/${pid}/stat`, "utf8").split(") ")[1].split(" ")[1];
      if (line.includes("serve.mjs") && Number(parent) === program.pid) return Number(pid);
    } catch {
      // Gone meanwhile.
    }
  }
  return undefined;
}
/** Everything that is kept, as one word: what was refused must not have changed it. */
const keptWord = async () => {
  const tables = await ask(
    "select table_name from information_schema.tables where table_schema = 'public' and table_name not in ('attempt', 'audit_entry', 'login_session', 'backup_run') order by 1",
  );
  const parts = tables.map(
    ({ table_name: name }) => `(select coalesce(md5(string_agg(t::text, '|' order by t::text)), '') from "${name}" t)`,
  );
  return (await ask(`select md5(concat(${parts.join(",")})) as word`))[0].word;
};

const counts = new Map();
let sent = 0;
let slowestAnswer = 0;
async function one(address) {
  const isPost = !isReadOnly(address) && random() < 0.8;
  const target = filled(address) + (random() < 0.1 ? `?${place()}=${place()}` : "");
  const began = Date.now();
  let answer;
  try {
    if (isPost) {
      const { body, type } = await bodyFor(address);
      answer = await fetch(base + target, {
        method: "POST",
        redirect: "manual",
        headers: { cookie, origin: base, "content-type": type },
        body,
      });
    } else answer = await get(target);
    // A stream does not end by itself.
    if (target.includes("/changes")) await answer.body?.cancel();
    else await answer.arrayBuffer();
  } catch (error) {
    fail(`${isPost ? "POST" : "GET"} ${target.slice(0, 120)}: ${error.cause?.code ?? error.message}`);
    return undefined;
  }
  sent += 1;
  const took = Date.now() - began;
  slowestAnswer = Math.max(slowestAnswer, took);
  // In short the machine carries a whole test run beside it: there it is told, not judged.
  if (!isShort && took > bars.slowest) fail(`${isPost ? "POST" : "GET"} ${target.slice(0, 120)} took ${took} ms`);
  if (process.env.ATTACK_SLOW && took > 500)
    console.log(`  slow: ${took} ms ${isPost ? "POST" : "GET"} ${target.slice(0, 100)} ${answer.status}`);
  counts.set(answer.status, (counts.get(answer.status) ?? 0) + 1);
  if (answer.status >= 500) fail(`${isPost ? "POST" : "GET"} ${target.slice(0, 160)}: ${answer.status}`);
  return isPost ? answer.status : undefined;
}

const targets = full.filter((address) => !isEnd(address));
console.log(`${targets.length} addresses, seed ${seed}`);
for (const address of targets) if (!isReadOnly(address) && !isJson(address)) await fieldsOf(address);
// Memory is compared once everything has been loaded and asked for a few times.
for (let n = 0; n < (isShort ? 64 : 2000); n += 1) await one(targets[n % targets.length]);
const memoryBefore = memoryOf();
let next = 0;
await Promise.all(
  Array.from({ length: atOnce }, async () => {
    while (next < wanted.inputs && problems.length < 40) {
      next += 1;
      await one(targets[next % targets.length]);
    }
  }),
);
let halves = 0;
for (let n = 0; n < wanted.checked; n += 1) {
  const before = await keptWord();
  const status = await one(pick(targets));
  if (status !== undefined && status >= 400 && (await keptWord()) !== before) halves += 1;
}
if (halves > 0) fail(`${halves} of ${wanted.checked} refused posts changed something`);

const memoryBetween = memoryOf();
// One long body in pieces, without a length and without an account.
const long = await new Promise((resolve) => {
  const socket = net.connect(port, "127.0.0.1", () => {
    socket.write(
      `POST /sign-in HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nOrigin: ${base}\r\nTransfer-Encoding: chunked\r\nContent-Type: application/x-www-form-urlencoded\r\n\r\n`,
    );
    const piece = "x".repeat(65_536);
    let pieces = 0;
    const more = () => {
      if (socket.destroyed || pieces > 4800) return;
      pieces += 1;
      socket.write(`10000\r\n${piece}\r\n`, () => setImmediate(more));
    };
    more();
  });
  let text = "";
  socket.on("data", (chunk) => (text += chunk));
  socket.on("error", () => {});
  socket.on("close", () => resolve(text));
  setTimeout(() => socket.destroy(), 20_000).unref();
});
if (memoryOf() - memoryBetween > bars.memory) fail(`one long body took ${(memoryOf() - memoryBetween).toFixed(0)} MB`);
if (!/ 413 /.test(long)) fail(`a body of 300 MB in pieces was answered “${long.slice(0, 60)}”, not refused`);
// A picture whose head says that it is decoded at many times its size.
const interlaced = Buffer.alloc(1_400_000, 7);
interlaced.set([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13, 0x49, 0x48, 0x44, 0x52]);
interlaced.set([0, 0, 0x13, 0x88, 0, 0, 0x0f, 0xa0, 8, 6, 0, 0, 1], 16);
const pictured = new FormData();
for (const [name, text] of Object.entries({
  product: "x",
  readOn: "2026-11-24",
  contains: "milk",
  version: "0",
}))
  pictured.set(name, text);
pictured.set("photo", new Blob([interlaced], { type: "image/png" }), "label.png");
const pictureAnswer = await fetch(`${base}/classes/${classes[0].id}/labels/butter`, {
  method: "POST",
  redirect: "manual",
  headers: { cookie, origin: base },
  body: pictured,
});
if (pictureAnswer.status !== 400 || !(await pictureAnswer.text()).includes("no JPEG or PNG picture"))
  fail(`an interlaced picture was answered ${pictureAnswer.status}, not refused`);
const memoryAfter = memoryOf();
if (!isShort && memoryAfter - memoryBefore > bars.memory)
  fail(`memory went from ${memoryBefore.toFixed(0)} to ${memoryAfter.toFixed(0)} MB`);
console.log(
  `inputs: ${sent} sent, ${[...counts]
    .sort(([a], [b]) => a - b)
    .map(([status, n]) => `${status} × ${n}`)
    .join(
      ", ",
    )}; ${halves} half changes in ${wanted.checked}; slowest ${slowestAnswer} ms; memory ${memoryBefore.toFixed(0)} → ${memoryAfter.toFixed(0)} MB`,
);

// ——— Kills under load ———
const [room] = classes;
const acknowledged = new Set();
const sentIds = new Set();
let isKilling = true;
const clients = Array.from({ length: 6 }, async () => {
  while (isKilling) {
    const event = { id: crypto.randomUUID(), at: Date.now(), kind: "note-added", text: "under load" };
    sentIds.add(event.id);
    for (let tries = 0; tries < 200; tries += 1) {
      try {
        const answer = await fetch(`${base}/classes/${room.id}/events`, {
          method: "POST",
          headers: { cookie, origin: base, "content-type": "application/json" },
          body: JSON.stringify({ now: Date.now(), events: [event] }),
          signal: AbortSignal.timeout(20_000),
        });
        if (answer.ok && (await answer.json()).kept.includes(event.id)) {
          acknowledged.add(event.id);
          break;
        }
      } catch {
        // The server is away: as a device would, it waits and sends the same again.
      }
      await sleep(100);
    }
  }
});
const isBack = async () => {
  const answer = await fetch(`${base}/readyz`, { signal: AbortSignal.timeout(2000) }).catch(() => undefined);
  return answer?.status === 200;
};
let slowest = 0;
for (let n = 0; n < wanted.kills; n += 1) {
  await sleep(300 + random() * 700);
  const kind = n % 5 === 0 ? "database" : n % 5 === 1 ? "server" : "connections";
  if (kind === "database") {
    const pid = Number(fs.readFileSync(path.join(clusterHome, "data/postmaster.pid"), "utf8").split("\n")[0]);
    process.kill(pid, "SIGKILL");
  } else if (kind === "server") {
    const pid = servePid();
    if (pid) process.kill(pid, "SIGKILL");
  } else
    await ask("select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'apron-bell'").catch(
      () => {},
    );
  const from = Date.now();
  await sleep(50);
  while (!(await isBack()) && Date.now() - from < 40_000) await sleep(100);
  const seconds = (Date.now() - from) / 1000;
  slowest = Math.max(slowest, seconds);
  if (seconds > bars.back) fail(`after a killed ${kind} the service took ${seconds.toFixed(1)} s`);
}
isKilling = false;
await Promise.all(clients);
const kept = await ask(
  "select id, count(*)::int as n from live_event where class_id = $1 and kind = 'note-added' group by id",
  [room.id],
);
const there = new Map(kept.map((row) => [row.id, row.n]));
const lost = [...acknowledged].filter((id) => there.get(id) !== 1).length;
if (lost > 0) fail(`${lost} of ${acknowledged.size} acknowledged events are lost or doubled`);
if (program.exitCode !== null) fail("the start command has ended");
console.log(
  `kills: ${wanted.kills}, ${acknowledged.size} events acknowledged, ${lost} lost or doubled, back within ${slowest.toFixed(1)} s`,
);
console.log(problems.length === 0 ? "attack: well" : `attack: ${problems.length} problems`);

await end(problems.length === 0 ? 0 : 1);
