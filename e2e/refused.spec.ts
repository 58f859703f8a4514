import net from "node:net";
import { bringIn, expect, openClass, ownClass, test } from "./fixtures";

const nobody = "00000000-0000-4000-8000-000000000000";

test("addresses that are none answer 404 with a sentence, never a 500", async ({ page }) => {
  const base = await openClass(page, "Masters' crepe morning");
  for (const address of [
    "/no/such/page",
    "/classes/not-an-id/brief",
    `/classes/${nobody}/brief`,
    `/classes/${nobody}/teach`,
    `/classes/${nobody}/class-file.json`,
    `/classes/${nobody}/timeline.ics`,
    `/classes/${nobody}/changes`,
    "/recipes/no-such-recipe",
    `/kitchens/${nobody}`,
    "/kitchens/x",
    `${base}/people/${nobody}`,
    `${base}/people/x`,
    `${base}/labels/unobtainium`,
    `${base}/nowhere`,
  ]) {
    const answer = await page.request.get(address);
    expect(answer.status(), address).toBe(404);
    expect(await answer.text(), address).toMatch(/There is no/);
  }
});

/** One request as it is written here, to its last byte; what came back until the other side closed. */
const written = (base: string, text: string): Promise<string> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(base);
    const socket = net.connect(Number(port), hostname, () => socket.write(text));
    let came = "";
    socket.setEncoding("utf8").on("data", (part: string) => (came += part));
    socket.on("end", () => socket.end()).on("close", () => resolve(came));
    socket.on("error", reject);
  });

test("methods nobody needs, proxies that say nonsense and heads of streams are answered, and end", async ({
  page,
  baseURL,
}) => {
  const base = await openClass(page, "Masters' crepe morning");
  const own = baseURL ?? "";
  const lines = (method: string, path: string, ...heads: string[]) =>
    [`${method} ${path} HTTP/1.1`, `Host: ${new URL(own).host}`, "Connection: close", ...heads, "", ""].join("\r\n");
  for (const request of [
    lines("TRACE", "/sign-in"),
    lines("OPTIONS", "/sign-in"),
    lines("GET", "/sign-in", "X-Forwarded-Host: a b"),
    lines("GET", "/sign-in", "X-Forwarded-Host: [1"),
    lines("GET", "/sign-in", "X-Forwarded-Host: a..b:99999"),
    lines("GET", "/sign-in", "X-Forwarded-Proto: gopher"),
    lines("GET", "/sign-in", "X-Forwarded-For: nobody, at, all", "X-Forwarded-Proto: javascript:"),
  ])
    expect(await written(own, request), request).toMatch(/^HTTP\/1\.1 40[05] /);
  expect(await written(own, lines("GET", "/sign-in", "X-Forwarded-For: nobody"))).toMatch(/^HTTP\/1\.1 200 /);
  // A body that is too large: said so, and said that the connection ends.
  const large = `POST /sign-in HTTP/1.1\r\nHost: ${new URL(own).host}\r\nOrigin: ${own}\r\nContent-Length: 900000\r\n\r\nemail=`;
  expect(await written(own, large)).toMatch(/^HTTP\/1\.1 413 [\s\S]*\r\nConnection: close\r\n/);
  // What a device sends, nested as no device does.
  for (const nested of [
    "[".repeat(5000) + "]".repeat(5000),
    `{"events":${'{"a":'.repeat(5000)}1${"}".repeat(5000)}}`,
  ]) {
    const answer = await page.request.post(`${base}/events`, {
      data: nested,
      headers: { origin: own, "content-type": "application/json" },
    });
    expect(answer.status()).toBe(400);
  }
  const head = await page.request.head(`${base}/changes`);
  expect([head.status(), head.headers()["content-type"]]).toEqual([200, "text/event-stream; charset=utf-8"]);
});

test("a form that is wrong says so beside each field and keeps what was typed", async ({ page }) => {
  await openClass(page, "Junior squad breakfast");
  await page.getByLabel("People").fill("2.5");
  await page.getByLabel("Pieces each").fill("a few");
  await page.getByLabel("Minutes in all").fill("5");
  await page.getByRole("button", { name: "Save the brief" }).click();
  await expect(
    page
      .getByText("Give a whole number from 0 to 400; got “2.5”.")
      .or(page.getByText("Give a whole number from 0 to 400; got 2.5.")),
  ).toBeVisible();
  await expect(page.getByText(/Give a number above 0 and up to 40, .* got “a few”/)).toBeVisible();
  await expect(page.getByText("Give a whole number from 15 to 600; got 5.")).toBeVisible();
  await expect(page.getByLabel("Pieces each")).toHaveValue("a few");
  await page.reload();
  await expect(page.getByLabel("People")).toHaveValue("14");
});

test("without script a wrong form comes back with its sentences and its words", async ({
  browser,
  leadState,
  baseURL,
}) => {
  const context = await browser.newContext({
    javaScriptEnabled: false,
    storageState: leadState,
    ...(baseURL ? { baseURL } : {}),
  });
  const page = await context.newPage();
  await page.goto("/kitchens/new");
  await page.getByLabel("Name").fill("Garden");
  await page.getByLabel("Sinks").fill("many");
  await page.getByRole("button", { name: "Save the kitchen" }).click();
  await expect(page.getByText("Give a whole number from 0 to 40; what came is not a number.")).toBeVisible();
  await expect(page.getByLabel("Name")).toHaveValue("Garden");
  await expect(page.getByLabel("Sinks")).toHaveValue("many");
  await context.close();
});

test("what stands folded in the brief travels unseen, opens where it is wrong, and opens without script", async ({
  page,
  browser,
  leadState,
  baseURL,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "Folded fields");
  const folded = page.getByText("Times, batches, names");
  const save = page.getByRole("button", { name: "Save the brief" });
  const eating = page.getByLabel("Eating");
  await page.goto(`${base}/brief`);
  await folded.click();
  await eating.fill("23");
  await page.getByLabel("a spare kit").check();
  // Folded again, what was typed is still there.
  await folded.click();
  await save.click();
  await expect(page.getByText("Saved.", { exact: true })).toBeVisible();
  await page.goto(`${base}/brief`);
  await page.getByLabel("Minutes in all").fill("95");
  await save.click();
  await expect(page.getByText("Saved.", { exact: true })).toBeVisible();
  await page.reload();
  await folded.click();
  await expect(eating).toHaveValue("23");
  await expect(page.getByLabel("a spare kit")).toBeChecked();
  await expect(page.getByLabel("remote: every station")).not.toBeChecked();

  const context = await browser.newContext({
    javaScriptEnabled: false,
    storageState: leadState,
    ...(baseURL ? { baseURL } : {}),
  });
  const bare = await context.newPage();
  await bare.goto(`${base}/brief?all`);
  await bare.getByLabel("Eating").fill("long");
  await bare.getByRole("button", { name: "Save the brief" }).click();
  await expect(bare.getByLabel("Eating")).toHaveValue("long");
  await expect(bare.getByLabel("Eating")).toHaveAttribute("aria-invalid", "true");
  await context.close();
});

test("nonsense posted to every form is refused with 4xx and changes nothing", async ({ page, baseURL }) => {
  const base = await bringIn(page, "Junior squad breakfast", "Nonsense class");
  const before = await (await page.request.get(`${base}/class-file.json`)).text();
  const origin = { origin: baseURL ?? "" };
  const person = /people\/([0-9a-f-]{36})/.exec(await (await page.request.get(`${base}/people`)).text())?.[1];
  const bodies = [
    "",
    "version=x&people=%00&dishes[0].what=../..",
    "intent=settle&stage=heat",
    `title=${"x".repeat(5000)}`,
    "needs[0].substance=moon&needs[999].note=x",
    "__proto__[x]=1&constructor=2",
  ];
  for (const [n, address] of [
    `${base}/brief`,
    `${base}/people/new`,
    `${base}/people/${person}`,
    `${base}/people/import`,
    `${base}/labels/butter`,
    `${base}/kits`,
    `${base}/shopping`,
    `${base}/prep`,
    `${base}/kit-labels`,
    base,
    "/classes/new",
    "/classes/import",
    "/kitchens/new",
    "/accounts",
  ].entries()) {
    // Every second one of them for each form, in turn: a refused form is a whole page, and there are many.
    for (const body of bodies.filter((_, index) => index % 2 === n % 2)) {
      const answer = await page.request.post(address, {
        data: body,
        headers: { ...origin, "content-type": "application/x-www-form-urlencoded" },
        maxRedirects: 0,
      });
      expect(answer.status(), `${address} ${body.slice(0, 40)}`).toBeGreaterThanOrEqual(400);
      expect(answer.status(), `${address} ${body.slice(0, 40)}`).toBeLessThan(500);
    }
  }
  for (const body of [
    "",
    "{",
    "[]",
    '{"events":[{"id":"1"}]}',
    '{"events":[]}',
    `{"events":[{"id":"${nobody}","at":-1,"kind":"class-started"}]}`,
  ]) {
    const answer = await page.request.post(`${base}/events`, {
      data: body,
      headers: { ...origin, "content-type": "application/json" },
    });
    expect(answer.status(), body).toBe(400);
  }
  expect(await (await page.request.get(`${base}/class-file.json`)).text()).toBe(before);
});

test("a broken class file is refused whole, with the place of what is wrong", async ({ page }) => {
  await page.goto("/classes/import");
  for (const [text, sentence] of [
    ["", "Nothing came."],
    ["{ half", "This is not JSON."],
    ['{"format":"apron-bell-class","version":9,"class":{}}', "version"],
  ] as const) {
    await page.getByLabel("Or paste its text here").fill(text);
    await page.getByRole("button", { name: "Import it" }).click();
    await expect(page.getByRole("alert")).toContainText(sentence);
    await expect(page.getByLabel("Or paste its text here")).toHaveValue(text);
  }
});

test("of two people editing one class the second is told what changed, and loses nothing", async ({
  page,
  browser,
  assistantState,
  baseURL,
}) => {
  const base = await ownClass(page, "Junior squad breakfast", "Two at one brief");
  const context = await browser.newContext({ storageState: assistantState, ...(baseURL ? { baseURL } : {}) });
  const other = await context.newPage();
  await other.goto(`${base}/brief`);
  await other.getByLabel("Minutes in all").fill("100");
  await other.getByRole("button", { name: "Save the brief" }).click();
  await expect(other.getByText("Saved.")).toBeVisible();
  await page.getByLabel("People").fill("16");
  await page.getByRole("button", { name: "Save the brief" }).click();
  const told = page.getByRole("alert");
  await expect(told).toContainText("Tobin Reed saved this class while you were typing");
  await expect(told.getByRole("row", { name: /minutes 100 90/ })).toBeVisible();
  await expect(page.getByLabel("People")).toHaveValue("16");
  await page.getByLabel("Minutes in all").fill("100");
  await page.getByRole("button", { name: "Save the brief" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("People")).toHaveValue("16");
  await expect(page.getByLabel("Minutes in all")).toHaveValue("100");
  await context.close();
});

test("a page drawn before has a nonce of its own each time, shows what is saved by now, and is nobody else's", async ({
  page,
  browser,
  assistantState,
  baseURL,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "Drawn before");
  const ask = async () => {
    const answer = await page.request.get(`${base}/people`);
    const nonce = /'nonce-([^']+)'/.exec(answer.headers()["content-security-policy"] ?? "")?.[1] ?? "";
    return { nonce, html: await answer.text() };
  };
  // The first is drawn, the second is drawn and kept, the third comes from what was kept.
  const [first, , second] = [await ask(), await ask(), await ask()];
  expect(first.nonce).not.toBe(second.nonce);
  expect(second.html).toContain(`nonce="${second.nonce}"`);
  expect(second.html).not.toContain(first.nonce);
  expect(second.html.replaceAll(second.nonce, "")).toBe(first.html.replaceAll(first.nonce, ""));

  await page.goto(`${base}/people`);
  await expect(page.getByText("Marit Quill").first()).toBeVisible();
  const context = await browser.newContext({ storageState: assistantState, ...(baseURL ? { baseURL } : {}) });
  const theirs = await (await context.request.get(`${base}/people`)).text();
  expect(theirs).toContain("Tobin Reed");
  expect(theirs).not.toBe(first.html);
  await context.close();

  await page.goto(`${base}/brief`);
  await page.getByLabel("Class", { exact: true }).fill("Drawn anew");
  await page.getByRole("button", { name: "Save the brief" }).click();
  await expect(page.getByText("Saved.", { exact: true })).toBeVisible();
  const after = await ask();
  expect(after.html).toContain("Drawn anew");
  expect(after.html).not.toContain("Drawn before");
});

test("an assistant plans and teaches, but does not sign the allergy table, remove classes or see accounts", async ({
  page,
  browser,
  assistantState,
  baseURL,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "For the assistant");
  const context = await browser.newContext({ storageState: assistantState, ...(baseURL ? { baseURL } : {}) });
  const other = await context.newPage();
  await other.goto(`${base}/allergies`);
  await expect(other.getByText("The lead instructor signs this table.")).toBeVisible();
  const origin = { origin: baseURL ?? "" };
  for (const [address, form] of [
    [base, { intent: "settle", stage: "allergies" }],
    [base, { intent: "remove" }],
    ["/accounts", { name: "x" }],
    ["/classes/import", { text: "{}" }],
  ] as const) {
    expect((await other.request.post(address, { form, headers: origin, maxRedirects: 0 })).status(), address).toBe(403);
  }
  expect((await other.request.get("/accounts")).status()).toBe(403);
  expect((await page.request.get(`${base}/brief`)).status()).toBe(200);
  await context.close();
});

test("nobody without an account sees or changes anything; a foreign origin changes nothing", async ({
  page,
  browser,
  baseURL,
}) => {
  const base = await openClass(page, "Masters' crepe morning");
  const context = await browser.newContext({
    storageState: { cookies: [], origins: [] },
    ...(baseURL ? { baseURL } : {}),
  });
  for (const address of [
    "/",
    `${base}/brief`,
    `${base}/people.csv`,
    `${base}/class-file.json`,
    `${base}/changes`,
    "/recipes",
    "/accounts",
  ]) {
    const answer = await context.request.get(address, { maxRedirects: 0 });
    expect(answer.status(), address).toBe(302);
    expect(answer.headers().location, address).toMatch(/^\/sign-in/);
  }
  for (const headers of [{ origin: "http://elsewhere.example" }, {}] as Record<string, string>[]) {
    expect((await page.request.post(base, { form: { intent: "remove" }, headers, maxRedirects: 0 })).status()).toBe(
      403,
    );
    expect(
      (await page.request.post(`${base}/events`, { data: { events: [] }, headers, maxRedirects: 0 })).status(),
    ).toBe(403);
  }
  const headers = (await page.request.get(`${base}/brief`)).headers();
  expect(headers["content-security-policy"]).toMatch(/script-src 'self' 'nonce-[^']+'/);
  expect(headers["content-security-policy"]).not.toContain("unsafe-eval");
  await context.close();
});

test("guessing a password is slowed down", async ({ browser, baseURL }) => {
  const context = await browser.newContext({
    storageState: { cookies: [], origins: [] },
    ...(baseURL ? { baseURL } : {}),
  });
  const attempt = () =>
    context.request.post("/sign-in", {
      form: { email: "nobody@boathouse.example", password: "guess guess guess" },
      headers: { origin: baseURL ?? "" },
    });
  for (let n = 0; n < 5; n += 1) expect((await attempt()).status()).toBe(400);
  const sixth = await attempt();
  expect(sixth.status()).toBe(429);
  expect(Number(sixth.headers()["retry-after"])).toBeGreaterThan(0);
  await context.close();
});
