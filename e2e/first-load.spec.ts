import { expect, openClass, test } from "./fixtures";

/** What a page may fetch of packed script when it is opened for the first time, in kB of 1,024 bytes. */
const ofAClass = 300;
const ofItsForms = 360;

const sheets = (
  "recipe people people/seats people/turns allergies allergies/matrix amounts scaling kits shopping prep kit-labels " +
  "take-home toppings shapes gear load call timeline helpers log house techniques"
).split(" ");

test("the first load of a page stays small: class pages to 300 kB of script, forms and charts to 360", async ({
  browser,
  leadState,
  page,
}) => {
  const base = await openClass(page, "Junior squad breakfast");
  const pages = [
    [`${base}/brief`, ofItsForms],
    ["/bench", ofItsForms],
    ["/recipes/slipway-pancakes/edit", ofItsForms],
    // Six pages in one: what is further down comes when somebody comes near it.
    [`${base}/sheets`, ofAClass],
    ...sheets.map((sheet) => [`${base}/${sheet}`, ofAClass] as const),
  ] as const;
  for (const [address, bar] of pages) {
    // A browser that has seen nothing yet.
    const context = await browser.newContext({ baseURL: new URL(page.url()).origin, storageState: leadState });
    const first = await context.newPage();
    const network = await context.newCDPSession(first);
    await network.send("Network.enable");
    const scripts = new Set<string>();
    let bytes = 0;
    network.on("Network.responseReceived", ({ requestId, type }) => {
      if (type === "Script") scripts.add(requestId);
    });
    network.on("Network.loadingFinished", ({ requestId, encodedDataLength }) => {
      if (scripts.has(requestId)) bytes += encodedDataLength;
    });
    const answer = await first.goto(address, { waitUntil: "networkidle" });
    expect(answer?.status(), address).toBe(200);
    expect.soft(bytes, `${address}: nothing was packed or counted`).toBeGreaterThan(100 * 1024);
    expect.soft(Math.round(bytes / 1024), address).toBeLessThanOrEqual(bar);
    await context.close();
  }
});
