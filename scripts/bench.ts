// npm run bench: the time of plan() for classes of three sizes, and of the five main pages of a built server under load.
// Bounded in count and time, to this machine only. Prints tables; asserts nothing.
import { spawn } from "node:child_process";
import { CalendarDate } from "@internationalized/date";
import { plan } from "~/core/plan";
import { demoAccounts, demoClasses } from "~/demo/boathouse";
import { starterRecipes } from "~/demo/recipes";

const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
const percentile = (values: number[], share: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))] ?? NaN;

function planTimes(): Record<string, string>[] {
  const { next } = demoClasses(new CalendarDate(2026, 11, 24));
  const kitchen = {
    ...next.kitchen,
    surfaces: [
      {
        id: "g",
        name: "Griddle",
        kind: "electric-griddle" as const,
        places: 4,
        count: 1,
        at: "station" as const,
        preheatMinutes: null,
        watts: 0,
      },
      {
        id: "c",
        name: "Pan",
        kind: "crepe-pan" as const,
        places: 1,
        count: 2,
        at: "station" as const,
        preheatMinutes: null,
        watts: 0,
      },
      {
        id: "w",
        name: "Iron",
        kind: "waffle-iron" as const,
        places: 2,
        count: 1,
        at: "station" as const,
        preheatMinutes: null,
        watts: 0,
      },
    ],
  };
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
        brief: { ...next.brief, people, stationSize: 4, minutes: 90 + n },
        dishes: starterRecipes.map((recipe, index) => ({ id: `d${index}`, recipe, variantId: null, stations: null })),
      };
      const from = performance.now();
      plan(input);
      return performance.now() - from;
    };
    for (let n = 0; n < 10; n += 1) run(n);
    const times = Array.from({ length: 40 }, (_, n) => run(n));
    return {
      people: String(people),
      stations: String(people / 4),
      "median ms": median(times).toFixed(1),
      "p95 ms": percentile(times, 0.95).toFixed(1),
    };
  });
}

const connections = 8;
const requestsPerPage = 160;

async function pageTimes(): Promise<Record<string, string>[]> {
  const port = 34_000 + (process.pid % 1000);
  const base = `http://127.0.0.1:${port}`;
  const server = spawn(process.execPath, ["scripts/e2e-server.mjs"], {
    env: { ...process.env, E2E_PORT: String(port) },
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
    const lead = demoAccounts[0];
    const signedIn = await fetch(`${base}/sign-in`, {
      method: "POST",
      redirect: "manual",
      headers: { origin: base, "content-type": "application/x-www-form-urlencoded" },
      body: new URLSearchParams({ email: lead.email, password: lead.password }),
    });
    const cookie = signedIn.headers.get("set-cookie")?.split(";")[0] ?? "";
    const list = await (await fetch(`${base}/`, { headers: { cookie } })).text();
    const id = /\/classes\/([0-9a-f-]{36})"/.exec(list)?.[1] ?? "";
    const pages = [
      "/",
      `/classes/${id}/brief`,
      `/classes/${id}/amounts`,
      `/classes/${id}/timeline`,
      `/classes/${id}/teach`,
    ];
    const rows: Record<string, string>[] = [];
    for (const page of pages) {
      const times: number[] = [];
      let left = requestsPerPage;
      let failed = 0;
      const from = performance.now();
      await Promise.all(
        Array.from({ length: connections }, async () => {
          while (left > 0) {
            left -= 1;
            const start = performance.now();
            const response = await fetch(base + page, { headers: { cookie } });
            await response.text();
            if (!response.ok) failed += 1;
            times.push(performance.now() - start);
          }
        }),
      );
      rows.push({
        page: page.replace(id, ":id"),
        "requests/s": (times.length / ((performance.now() - from) / 1000)).toFixed(0),
        "median ms": median(times).toFixed(0),
        "p95 ms": percentile(times, 0.95).toFixed(0),
        failed: String(failed),
      });
    }
    return rows;
  } finally {
    server.kill("SIGTERM");
    await new Promise((resolve) => server.once("exit", resolve));
  }
}

console.log("plan(), three recipes, stations of four");
console.table(planTimes());
console.log(`pages, ${connections} connections, ${requestsPerPage} requests each, server and load on the same machine`);
console.table(await pageTimes());
