import { CalendarDate } from "@internationalized/date";
import type { RouteConfigEntry } from "@react-router/dev/routes";
import { type Kysely, sql } from "kysely";
import { canonical } from "~/core/plan";
import type { DB } from "~/db/schema";
import { demoClasses } from "~/demo/boathouse";
import routes from "~/routes";
import { classOr404 } from "~/services/classes.server";
import { addStarterRecipes } from "~/services/demo.server";
import { aClass, anAccount, programDatabase } from "../../test/database";
import { type Door, ask, cookieOf } from "../../test/doors";

interface Place {
  readonly file: string;
  readonly path: string;
  readonly layouts: readonly string[];
}

/** Every route of the table of contents, with the layouts it stands in. */
function placesIn(entries: readonly RouteConfigEntry[], path = "", layouts: readonly string[] = []): Place[] {
  return entries.flatMap((entry) => {
    const own = [path, entry.path].filter(Boolean).join("/");
    return [{ file: entry.file, path: own, layouts }, ...placesIn(entry.children ?? [], own, [...layouts, entry.file])];
  });
}
const places = placesIn(routes);
const behindSignIn = places.filter((place) => place.layouts.includes("routes/signed-in.tsx"));

const leadOnly = [
  "routes/account/accounts.tsx",
  "routes/account/outbox.tsx",
  "routes/account/upkeep.tsx",
  "routes/classes/import.tsx",
  "routes/classes/people/intake-admin.tsx",
  "routes/classes/people/people-import.tsx",
  "routes/classes/people/person.tsx",
  "routes/classes/people/privacy.tsx",
  "routes/classes/removed.tsx",
  "routes/files/class-file.ts",
  "routes/files/people-csv.ts",
  "routes/files/person-record.ts",
];
/** A stream that never ends by itself has tests of its own. */
const streams = ["routes/classes/teach/changes.ts"];

/** These only lead on to another page. */
const leadsOn = ["routes/classes/front.tsx", "routes/account/sign-out.ts"];
/** These are one button without a field. */
const buttons = ["routes/account/sign-out.ts", "routes/recipes/shelf.tsx"];
/** What an address may say after the question mark, where it needs to. */
const pathOf = (file: string) => (file === "routes/recipes/compare.tsx" ? "/?from=1&to=1" : "/");
const doorOf = (file: string): Promise<Door> => import(`../${file}`) as Promise<Door>;
const { next } = demoClasses(new CalendarDate(2026, 11, 25));
let db: Kysely<DB>;
let lead = "";
let cookies = { lead: "", assistant: "" };
let params: Record<string, string> = {};

beforeAll(async () => {
  db = await programDatabase();
  lead = await anAccount(db);
  const assistant = await anAccount(db, "assistant");
  cookies = { lead: await cookieOf(lead), assistant: await cookieOf(assistant) };
  await addStarterRecipes(db, lead);
  const classId = await aClass(db, next, lead);
  const { input } = await classOr404(classId);
  params = {
    classId,
    personId: input.people[0]?.id ?? "",
    ingredientId: "butter",
    foodId: "new",
    kind: "wall",
    kitchenId: input.kitchen.id,
    recipeId: "slipway-pancakes",
    revision: "1",
    "*": "s1/dry/flour",
  };
});
afterAll(() => db.destroy());

test("every address but signing in, the very first account, an intake link and what is nowhere stands behind the sign-in", () => {
  const open = places.filter((place) => !behindSignIn.includes(place) && place.file !== "routes/signed-in.tsx");
  expect(open.map((place) => place.path)).toEqual([
    "sign-in",
    "first-account",
    "forgotten",
    "new-password/:token",
    "intake/:token",
    "*",
  ]);
  expect(behindSignIn.length).toBeGreaterThan(50);
});

describe("whoever asks gets what is theirs", () => {
  test("nobody is sent to the sign-in from every one of them, and comes back to where they wanted to go", async () => {
    for (const { file } of behindSignIn) {
      const door = await doorOf(file);
      if (!door.loader) continue;
      const answer = await ask(door, "", { params, path: "/classes/x/brief" });
      expect([file, answer.status, answer.location]).toEqual([
        file,
        302,
        `/sign-in?back=${encodeURIComponent("/classes/x/brief")}`,
      ]);
      if (door.action) expect((await ask(door, "", { params, form: { intent: "remove" } })).status).toBe(302);
    }
  });

  test("an assistant gets everything but what only a lead may open", async () => {
    let opened = 0;
    for (const { file } of behindSignIn) {
      const door = await doorOf(file);
      if (!door.loader || streams.includes(file)) continue;
      const wanted = leadOnly.includes(file) ? 403 : file === "routes/files/label-photo.ts" ? 404 : 200;
      const { status } = await ask(door, cookies.assistant, { params, path: pathOf(file) });
      expect([file, status]).toEqual([file, leadsOn.includes(file) ? 302 : wanted]);
      opened += 1;
      if (leadOnly.includes(file) && door.action)
        expect([file, (await ask(door, cookies.assistant, { params, form: { days: "7" } })).status]).toEqual([
          file,
          403,
        ]);
    }
    expect(opened).toBeGreaterThan(40);
  });

  test("an assistant reads of nobody’s health in anything that is sent to them", async () => {
    const hidden = ["hives within minutes", "goes easy on things", "left-handed", "Orla Harrowgate"];
    const asLead = new Set<string>();
    for (const { file } of behindSignIn) {
      const door = await doorOf(file);
      if (!door.loader || streams.includes(file)) continue;
      // The frame of a class sends most where most is needed: on the register.
      const path = file === "routes/classes/class.tsx" ? `/classes/${params.classId ?? ""}/people` : "/";
      const sent = canonical((await ask(door, cookies.assistant, { params, path })).body);
      for (const word of hidden) expect([file, word, sent.includes(word)]).toEqual([file, word, false]);
      const whole = canonical((await ask(door, cookies.lead, { params, path })).body);
      for (const word of hidden) if (whole.includes(word)) asLead.add(word);
    }
    // Otherwise the words above were never there to be hidden.
    expect([...asLead].sort()).toEqual([...hidden].sort());
  });

  test("what people declared goes to the pages that need it, and every look at it is written down, as a page and as data", async () => {
    const frame = await doorOf("routes/classes/class.tsx");
    const needed = [
      ...[
        "brief",
        "people",
        "people/import",
        "people/intake",
        "people/privacy",
        "people/seats",
        "people/turns",
        "people/:personId",
      ],
      ...["allergies", "allergies/matrix", "allergies/brought/:foodId", "allergies/:personId"],
      ...["day-sheet/folder", "labels/:ingredientId"],
    ];
    const within = places.filter((place) => place.layouts.at(-1) === "routes/classes/sheet.tsx");
    const looks = async () =>
      Number(
        (
          await db
            .selectFrom("audit_entry")
            .select((eb) => eb.fn.countAll().as("n"))
            .executeTakeFirstOrThrow()
        ).n,
      );
    const pages = within
      .map((place) => place.path.replace("classes/:classId", "").replace(/^\//, ""))
      .flatMap((page) => (page === "day-sheet/:kind" ? ["day-sheet/wall", "day-sheet/folder"] : [page]));
    expect(pages.length).toBeGreaterThan(25);
    for (const page of pages)
      for (const end of ["", ".data", "/_.data"]) {
        await db.deleteFrom("audit_entry").execute();
        const address = `/classes/${params.classId ?? ""}/${page.replace(/:(\w+)/g, (_, name: string) => params[name] ?? "")}${end}`;
        const sent = canonical((await ask(frame, cookies.lead, { params, path: address })).body);
        const isNeeded = needed.includes(page);
        expect([
          page,
          end,
          sent.includes("rescue-medicine") || sent.includes("hives within minutes"),
          await looks(),
        ]).toEqual([page, end, isNeeded, isNeeded ? 1 : 0]);
      }
  });

  test("the class list goes by pages, either side by itself", async () => {
    const list = await doorOf("routes/classes/list.tsx");
    const titles = async (path: string) => {
      const { ahead, behind, count } = (await ask(list, cookies.lead, { path })).body as {
        ahead: { title: string }[];
        behind: { title: string }[];
        count: { from: number; before: number };
      };
      return { ahead: ahead.map((one) => one.title), behind: behind.map((one) => one.title), count };
    };
    const { input } = await classOr404(params.classId ?? "");
    await sql`insert into class (title, starts_at, time_zone, kitchen_id, people, audience, minutes, pieces_each_num, pieces_each_den,
        station_size, helpers, kit_mode, demo, testers_per_surface, batch_rule, measuring_set_id, regime, hot_places_per_adult,
        doors_minutes, eat_minutes, clean_minutes, has_demo_batch, has_spare_kit, station_names)
      select 'Past ' || n, to_char(timestamp '2020-01-01 10:00' + n * interval '1 day', 'YYYY-MM-DD"T"HH24:MI'), time_zone, kitchen_id, people, audience, minutes,
        pieces_each_num, pieces_each_den, station_size, helpers, kit_mode, demo, testers_per_surface, batch_rule,
        measuring_set_id, regime, hot_places_per_adult, doors_minutes, eat_minutes, clean_minutes, has_demo_batch,
        has_spare_kit, station_names
      from class, generate_series(1, 60) as n where id = ${params.classId}`.execute(db);
    const first = await titles("/");
    expect(first.count.before).toBeGreaterThanOrEqual(60);
    const seen: string[] = [];
    for (let page = 1; page <= Math.ceil(first.count.before / 10); page += 1) {
      const { behind, ahead } = await titles(`/?behind=${page}`);
      seen.push(...behind);
      expect(ahead).toEqual(first.ahead);
    }
    expect(seen).toHaveLength(first.count.before);
    expect(new Set(seen.filter((title) => title.startsWith("Past"))).size).toBe(60);
    expect(seen.indexOf("Past 60")).toBeLessThan(seen.indexOf("Past 1"));
    // No page of the list is the one nearest to it.
    expect((await titles("/?behind=99999")).behind).toEqual(
      (await titles(`/?behind=${Math.ceil(first.count.before / 10)}`)).behind,
    );
    expect((await titles("/?behind=-1&ahead=x")).behind).toEqual(first.behind);
    // By a part of the title, in any letters; what a pattern means by a sign is only that sign.
    expect((await titles("/?find=pAST%206")).behind.sort()).toEqual(["Past 6", "Past 60"]);
    expect((await titles("/?find=PAST%25")).behind).toEqual([]);
    expect((await titles("/?find=%00")).count.before).toBeGreaterThanOrEqual(60);
    await db.deleteFrom("class").where("title", "like", "Past %").execute();
    expect(input.title).not.toMatch(/^Past/);
  });

  test("what there is none of is a sentence with 404, for every kind of thing an address names", async () => {
    const nobody = "00000000-0000-4000-8000-000000000000";
    let asked = 0;
    for (const { file, path, layouts } of behindSignIn) {
      const door = await doorOf(file);
      const named = [...path.matchAll(/:(\w+)/g)].map((match) => match[1] ?? "");
      // The front door of a class only leads on to its brief.
      if (!door.loader || named.length === 0 || [...streams, ...leadsOn].includes(file)) continue;
      for (const name of named)
        for (const none of [nobody, "x", "..%2f"]) {
          // A page within a page leaves it to the outer one to say that its class is not there.
          const answers = await Promise.all(
            [...layouts, file].map(async (each) => {
              const { loader } = await doorOf(each);
              return loader
                ? ask({ loader }, cookies.lead, { params: { ...params, [name]: none }, path: pathOf(file) })
                : undefined;
            }),
          );
          const refusal = answers.find((answer) => answer?.status === 404);
          expect([file, name, none, String(refusal?.body)]).toEqual([
            file,
            name,
            none,
            expect.stringMatching(/^There is no/),
          ]);
          asked += 1;
        }
    }
    expect(asked).toBeGreaterThan(60);
  });
});

const rowsOf = async () => {
  const tables = await sql<{ name: string }>`select table_name as name from information_schema.tables
    where table_schema = 'public' and table_type = 'BASE TABLE' order by 1`.execute(db);
  const counts = await Promise.all(
    tables.rows.map(async ({ name }) => {
      const { rows } = await sql<{ n: number }>`select count(*) as n from ${sql.id(name)}`.execute(db);
      return [name, rows[0]?.n] as const;
    }),
  );
  // That somebody looked is written down, whatever came of it.
  return Object.fromEntries(counts.filter(([name]) => name !== "audit_entry"));
};

test("nonsense posted to every form is refused, never a failure of the program, and changes nothing", async () => {
  const before = { rows: await rowsOf(), input: (await classOr404(params.classId ?? "")).input };
  const bodies = [
    "",
    "version=x&people=%00&dishes[0].what=../..",
    "intent=settle&stage=heat",
    "intent=x&days=0&value=x&hash=1&answer=2&key=",
    `title=${"x".repeat(5000)}&name=${"x".repeat(5000)}`,
    "needs[0].substance=moon&needs[999].note=x",
    "surfaces[0].name=a&surfaces[7].name=b&gear.whisk=-1",
    "__proto__[x]=1&constructor=2",
    "%",
  ];
  let posted = 0;
  for (const { file } of behindSignIn) {
    const door = await doorOf(file);
    if (!door.action || buttons.includes(file)) continue;
    for (const raw of bodies) {
      const answer = await ask(door, cookies.lead, { params, raw });
      posted += 1;
      expect([file, raw.slice(0, 40), answer.status >= 400 && answer.status < 500]).toEqual([
        file,
        raw.slice(0, 40),
        true,
      ]);
      expect([file, raw.slice(0, 40), answer.body]).not.toEqual([file, raw.slice(0, 40), ""]);
    }
  }
  expect(posted).toBeGreaterThan(200);
  expect(await rowsOf()).toEqual(before.rows);
  expect(canonical((await classOr404(params.classId ?? "")).input)).toBe(canonical(before.input));
});
