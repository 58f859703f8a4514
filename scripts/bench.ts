import { surfaceIdOf } from "~/core/ids";
import { inMinutes } from "~/core/quantity";
// npm run bench [-- core | pages]: the time of plan() for classes of three sizes, and of the main pages of a built server under
// load, as multiples of its barest page, with few classes stored and with a thousand.
// Bounded in count and time, to this machine only. Prints tables; asserts nothing.
import { spawn } from "node:child_process";
import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import { CalendarDate } from "@internationalized/date";
import pg from "pg";
import { type Guest, type SeatingProblem, costOf, seatings } from "~/core/seating";
import fc from "fast-check";
import { type Timeline, lateBatters, schedule, searchThrough, usualEffort } from "~/core/schedule";
import { bestOfEveryOrder, roomsOfEveryKind } from "../test/every-order";
import { chromiumInstalled } from "./lib/chromium.mjs";
import { screenTimes } from "./screens";
import { shapes } from "./shapes";
import { plan } from "~/core/plan";
import { demoAccounts, demoClasses } from "~/demo/boathouse";
import { starterRecipes } from "~/demo/recipes";

const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
const percentile = (values: number[], share: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))] ?? NaN;

/** Surfaces for three dishes: at each table, or shared by all. */
const surfacesAt = (at: "station" | "shared") =>
  [
    { id: "g", name: "Griddle", kind: "electric-griddle" as const, places: 4, own: 1, shared: 6 },
    { id: "c", name: "Pan", kind: "crepe-pan" as const, places: 1, own: 2, shared: 8 },
    { id: "w", name: "Iron", kind: "waffle-iron" as const, places: 2, own: 1, shared: 6 },
  ].map(({ id, own, shared, ...one }) => ({
    ...one,
    id: surfaceIdOf(id),
    count: at === "station" ? own : shared,
    at,
    preheatMinutes: null,
    watts: 0,
  }));

function planTimes(at: "station" | "shared"): Record<string, string>[] {
  const { next } = demoClasses(new CalendarDate(2026, 11, 24));
  const kitchen = { ...next.kitchen, surfaces: surfacesAt(at) };
  return [12, 60, 200].map((people) => {
    const run = (n: number) => {
      // A new brief each time, as at every keystroke; recipes and pantry stay the same objects, as in the browser.
      const register = Array.from({ length: people }, (_, index) => ({
        ...(next.people[index % next.people.length] ?? next.people[0]),
        id: `p${index}`,
        name: `Person ${index}`,
      })) as typeof next.people;
      const input = {
        ...next,
        kitchen,
        people: register,
        brief: { ...next.brief, people, stationSize: 4, minutes: inMinutes(90 + n) },
        dishes: starterRecipes.map((recipe, index) => ({ id: `d${index}`, recipe, variantId: null, stations: null })),
      };
      const from = performance.now();
      plan(input);
      return performance.now() - from;
    };
    for (let n = 0; n < 60; n += 1) run(n);
    const times = Array.from({ length: 120 }, (_, n) => run(n));
    return {
      people: String(people),
      stations: String(people / 4),
      surfaces: at === "station" ? "at each table" : "shared",
      "median ms": median(times).toFixed(1),
      "p95 ms": percentile(times, 0.95).toFixed(1),
    };
  });
}

/**
 * The search for an order over classes of many shapes: how much sooner everything is ready than by rule, how far above the bound, how far
 * above a search ten times as long (the best anybody knows of where the bound is not reached), and the processor's time.
 */
function orderTimes(): Record<string, string>[] {
  const ready = (timeline: Timeline) => timeline.bells.find((bell) => bell.kind === "eat")?.at ?? NaN;
  const gaps: number[] = [];
  const rows = shapes.map(({ name, input }) => {
    const rule = ready(schedule(input));
    const before = process.cpuUsage();
    const { timeline } = searchThrough(input);
    const used = process.cpuUsage(before);
    const found = ready(timeline);
    const { starts, schedulesEach } = usualEffort(input);
    const best = timeline.isProved
      ? found
      : Math.min(found, ready(searchThrough(input, { starts: starts * 2, schedulesEach: schedulesEach * 5 }).timeline));
    gaps.push(100 * (found / best - 1));
    return {
      class: name,
      "ready by rule": rule.toFixed(1),
      "as found": found.toFixed(1),
      "above the bound": timeline.isProved ? "proved" : `${(100 * (found / timeline.bound - 1)).toFixed(2)} %`,
      "above the best known": `${(100 * (found / best - 1)).toFixed(2)} %`,
      "processor ms": ((used.user + used.system) / 1000).toFixed(0),
    };
  });
  const mean = gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length;
  return [
    ...rows,
    {
      class: "mean, worst",
      "ready by rule": "",
      "as found": "",
      "above the bound": "",
      "above the best known": `${mean.toFixed(2)} %, ${Math.max(...gaps).toFixed(2)} %`,
      "processor ms": "",
    },
  ];
}

/** Classes that are laid in every order, drawn from a fixed seed. */
const drawnClasses = 120;

/**
 * Small classes of every kind (testers, hands, tables apart, washing, halves, windows, a shared ladle) against the best of all orders:
 * how often the search missed it and by how much, false bounds and false proofs.
 */
function everyOrder(): Record<string, string>[] {
  const gaps: number[] = [];
  let [windows, bounds, proofs, proved] = [0, 0, 0, 0];
  for (const input of fc.sample(roomsOfEveryKind, { seed: 20_261_201, numRuns: drawnClasses })) {
    const best = bestOfEveryOrder(input, 5000);
    if (!best) continue;
    const { timeline } = searchThrough(input);
    const optimum = best.score.served / 60;
    const found = timeline.bells.find((bell) => bell.kind === "eat")?.at ?? NaN;
    if (lateBatters(timeline).length > 0 && best.score.broken === 0) windows += 1;
    else gaps.push(100 * Math.max(0, found / optimum - 1));
    if (timeline.bound > optimum + 1e-6) bounds += 1;
    if (timeline.isProved) proved += 1;
    if (timeline.isProved && found > optimum + 1e-6) proofs += 1;
  }
  return [
    {
      classes: String(gaps.length + windows),
      "mean above the best": `${(gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length).toFixed(2)} %`,
      worst: `${Math.max(...gaps).toFixed(2)} %`,
      missed: String(gaps.filter((gap) => gap > 1e-6).length),
      "windows broken that an order keeps": String(windows),
      "bounds above the best": String(bounds),
      proved: String(proved),
      "proved and not the best": String(proofs),
    },
  ];
}

/** How long the whole seating search takes, and what the first and the last round cost. */
function seatingTimes(): Record<string, string>[] {
  return [
    [12, 4],
    [30, 8],
    [60, 15],
  ].map(([people = 0, stations = 1]) => {
    const guests = Array.from({ length: people }, (_, index): Guest => ({
      id: `g${index}`,
      ageBand: index % 3 === 0 ? "adult" : index % 3 === 1 ? "6-11" : "under-6",
      grownUpId: index % 3 === 0 ? undefined : `g${index - (index % 3)}`,
      needs: index % 7 === 0 ? ["milk"] : index % 11 === 0 ? ["egg"] : [],
    }));
    const problem: SeatingProblem = {
      guests,
      stations,
      size: Math.ceil(people / stations),
      helpers: 1,
      plates: guests.map((guest) =>
        Array.from({ length: stations }, (_, station) =>
          guest.needs.length > 0 && station < stations - 2 ? "contains" : "clear",
        ),
      ),
      apart: [],
    };
    const from = performance.now();
    const start = guests.map((_, index) => (index * 7) % stations);
    const search = seatings(problem, start);
    let next = search.next();
    const first = next.value.cost;
    while (!next.done) next = search.next();
    return {
      people: String(people),
      stations: String(stations),
      "cost before": String(costOf(problem, start)),
      "after one round": String(first),
      after: String(next.value.cost),
      ms: (performance.now() - from).toFixed(0),
    };
  });
}

/**
 * Frames while somebody types in the brief of the demonstration's class: every key planned and shown. The longest frame, and the
 * fewest frames in any one second.
 */
async function typingFrames(base: string, path: string): Promise<Record<string, string>[]> {
  const { chromium } = await import("@playwright/test");
  const executablePath = chromiumInstalled();
  if (!executablePath) throw new Error("No Chromium on this machine: install the package chromium, then repeat.");
  const browser = await chromium.launch({
    executablePath,
    args: ["--disable-gpu", "--disable-background-networking"],
  });
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.goto(`${base}/sign-in`);
    await page.getByLabel("E-mail address").fill(demoAccounts[0].email);
    await page.getByLabel("Password").fill(demoAccounts[0].password);
    await page.getByRole("button", { name: "Sign in" }).click();
    await page.getByRole("heading", { name: "Classes" }).waitFor();
    await page.goto(base + path);
    await page.waitForLoadState("networkidle");
    const rows: Record<string, string>[] = [];
    for (const [label, texts] of [
      ["People", ["12", "13", "14", "15", "16", "17", "18", "24"]],
      ["Station names", ["Heron, Otter", "Heron, Otter, Teal", "Swan, Minnow, Jetty"]],
    ] as const) {
      const field = page.getByLabel(label).first();
      if (!(await field.isVisible())) await page.getByText("Times, batches, names").click();
      await field.click();
      await page.waitForTimeout(1000);
      // As text: the page does not have the helpers that the script's compiler puts into functions.
      await page.evaluate(
        "if (window.frames_) window.frames_.length = 0; else { window.frames_ = []; (function note(at) { window.frames_.push(at); requestAnimationFrame(note); })(performance.now()); }",
      );
      for (const text of texts) {
        // Keys only: looking the field up again at every letter would be measured too.
        await page.keyboard.press("Control+a");
        await page.keyboard.type(text, { delay: 100 });
      }
      const frames = await page.evaluate<number[]>("window.frames_.splice(0)");
      const gaps = frames.slice(1).map((at, index) => at - (frames[index] ?? at));
      const perSecond = frames.flatMap((from, index) => {
        const end = frames.findIndex((at) => at >= from + 1000);
        return end < 0 ? [] : [end - index];
      });
      rows.push({
        field: label,
        "fewest frames in a second": String(Math.min(...perSecond)),
        "median frame ms": median(gaps).toFixed(1),
        "longest frame ms": Math.max(...gaps).toFixed(0),
      });
    }
    return rows;
  } finally {
    await browser.close();
  }
}

const connections = 8;
const requestsPerRound = 40;
const rounds = 5;

/** The barest page behind the sign-in: what the server, the router and the frame cost by themselves. */
const barest = "/outbox";

/** Asks every page in turn, so that whatever the machine does meanwhile falls on all of them; milliseconds by page. */
async function timesOf(base: string, pages: readonly string[], cookie: string): Promise<Map<string, number[]>> {
  const times = new Map<string, number[]>(pages.map((page) => [page, []]));
  let failed = 0;
  for (let round = 0; round < rounds; round += 1)
    for (const page of pages) {
      let left = requestsPerRound;
      await Promise.all(
        Array.from({ length: connections }, async () => {
          while (left > 0) {
            left -= 1;
            const start = performance.now();
            const response = await fetch(base + page, { headers: { cookie } });
            await response.text();
            if (!response.ok) failed += 1;
            times.get(page)?.push(performance.now() - start);
          }
        }),
      );
    }
  if (failed > 0) throw new Error(`${failed} pages did not answer`);
  return times;
}

/** Classes with people, as copies of one, written by the database itself. */
async function store(url: string, id: string, classes: number, peopleEach: number): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const columns = async (table: string, without: string[]) =>
    (
      await client.query<{ column_name: string }>(
        "select column_name from information_schema.columns where table_name = $1 and table_schema = 'public'",
        [table],
      )
    ).rows
      .map((row) => row.column_name)
      .filter((name) => !without.includes(name))
      .join(", ");
  const own = await columns("class", ["id", "title", "starts_at", "is_demo"]);
  await client.query(
    `insert into class (title, starts_at, is_demo, ${own}) select 'Stored ' || n,
       to_char(timestamp '2022-01-01 10:00' + n * interval '1 day', 'YYYY-MM-DD"T"HH24:MI'), false, ${own}
     from class, generate_series(1, ${classes}) as n where id = $1`,
    [id],
  );
  await client.query(
    `insert into class_dish (class_id, position, recipe_id, revision, variant_id, stations)
     select stored.id, position, recipe_id, revision, variant_id, stations from class_dish, class as stored
     where class_id = $1 and stored.title like 'Stored %'`,
    [id],
  );
  await client.query(
    `insert into participant (class_id, position, name, role, age_band, has_answered)
     select stored.id, n, 'Person ' || n, 'cook', 'adult', true from class as stored, generate_series(1, ${peopleEach}) as n
     where stored.title like 'Stored %'`,
  );
  await client.query("analyze");
  await client.end();
}

interface Served {
  readonly base: string;
  /** Address of its database. */
  readonly url: string;
  /** Of the process that started the server. */
  readonly pid: number;
  readonly signIn: (email: string) => Promise<string>;
}

/** A program of its own with the demonstration, for as long as it is measured. */
async function served<T>(measure: (program: Served) => Promise<T>): Promise<T> {
  const port = 34_000 + (process.pid % 1000);
  const base = `http://127.0.0.1:${port}`;
  const told = path.join(os.tmpdir(), `apron-bell-bench-${port}.url`);
  const server = spawn(process.execPath, ["scripts/e2e-server.mjs"], {
    env: { ...process.env, E2E_PORT: String(port), E2E_DATABASE_FILE: told },
    stdio: ["ignore", "ignore", "inherit"],
  });
  try {
    for (
      let n = 0;
      n < 60 &&
      !(await fetch(`${base}/healthz`).then(
        (response) => response.ok,
        () => false,
      ));
      n += 1
    )
      await new Promise((resolve) => setTimeout(resolve, 500));
    const signIn = async (email: string) => {
      const signedIn = await fetch(`${base}/sign-in`, {
        method: "POST",
        redirect: "manual",
        headers: { origin: base, "content-type": "application/x-www-form-urlencoded" },
        body: new URLSearchParams({ email, password: demoAccounts[0].password }),
      });
      return signedIn.headers.get("set-cookie")?.split(";")[0] ?? "";
    };
    const { url } = JSON.parse(fs.readFileSync(told, "utf8")) as { url: string };
    return await measure({ base, url, pid: server.pid ?? 0, signIn });
  } finally {
    server.kill("SIGTERM");
    await new Promise((resolve) => server.once("exit", resolve));
  }
}

const firstClass = async (base: string, cookie: string): Promise<string> =>
  /\/classes\/([0-9a-f-]{36})"/.exec(await (await fetch(`${base}/`, { headers: { cookie } })).text())?.[1] ?? "";

const pageTimes = (): Promise<{ pages: Record<string, string>[]; typing: Record<string, string>[] }> =>
  served(async ({ base, url, signIn }) => {
    const cookie = await signIn(demoAccounts[0].email);
    const id = await firstClass(base, cookie);
    const stages = [
      "brief",
      "people",
      "allergies",
      "amounts",
      "kits",
      "shopping",
      "gear",
      "timeline",
      "teach",
      "sheets",
      "log",
    ];
    const pages = [barest, "/", "/recipes", ...stages.map((stage) => `/classes/${id}/${stage}`)];
    await timesOf(base, pages, cookie);
    const few = await timesOf(base, pages, cookie);
    await store(url, id, 1000, 30);
    await timesOf(base, ["/"], cookie);
    const many = await timesOf(base, pages, cookie);
    const p95 = (times: Map<string, number[]>, page: string) => percentile(times.get(page) ?? [], 0.95);
    const rows = pages.map((page) => ({
      page: page.replace(id, ":id"),
      "median ms": median(few.get(page) ?? []).toFixed(0),
      "p95 ms": p95(few, page).toFixed(0),
      "p95, times the barest": (p95(few, page) / p95(few, barest)).toFixed(2),
      "median with 1,000 classes, times without": (median(many.get(page) ?? []) / median(few.get(page) ?? [])).toFixed(
        2,
      ),
      "p95 with 1,000 classes, times the barest": (p95(many, page) / p95(many, barest)).toFixed(2),
    }));
    return { pages: rows, typing: await typingFrames(base, `/classes/${id}/brief`) };
  });

const screensTable = (): Promise<Record<string, string>[]> =>
  served(async ({ base, url, pid, signIn }) => {
    const lead = demoAccounts[0].email;
    const id = await firstClass(base, await signIn(lead));
    const { toLast, processorSeconds } = await screenTimes(base, url, lead, id, signIn, pid);
    return [
      {
        "press to last screen, median ms": median(toLast).toFixed(0),
        "p95 ms": percentile(toLast, 0.95).toFixed(0),
        "processor ms of the server a press": (processorSeconds * 1000).toFixed(0),
      },
    ];
  });

const isAsked = (part: string) => process.argv.length <= 2 || process.argv.includes(part);
if (isAsked("core")) {
  console.log("seats: all rounds of the search, families of three, needs, two stations they can eat at");
  console.table(seatingTimes());
  console.log("the order of the loads: rule, search, bound");
  console.table(orderTimes());
  console.log("small classes of every kind against the best of all orders");
  console.table(everyOrder());
  console.log("plan(), three recipes, stations of four");
  console.table([...planTimes("station"), ...planTimes("shared")]);
}
if (isAsked("pages")) {
  console.log(
    `pages, ${connections} connections, ${requestsPerRound * rounds} requests each in ${rounds} rounds, server and load on the same machine`,
  );
  const measured = await pageTimes();
  console.table(measured.pages);
  console.log("typing in the brief, in Chromium on the same machine");
  console.table(measured.typing);
}
if (isAsked("screens")) {
  console.log("200 screens that listen to one class, screens and server on the same machine");
  console.table(await screensTable());
}
