import { bringIn, expect, importClass, test } from "./fixtures";

const pairs = `Weir pairs
Ingredients
200 g plain flour
8 g baking powder
240 g buttermilk
1 egg
4 g butter
20 g jam
Method
1. Whisk flour and baking powder, stir in buttermilk and egg.
2. Heat a griddle.
3. Cook in butter on both sides, 2 minutes each.
4. Put two together with jam.`;

test("pairs, greasing every third load, an alternative, heat by surface, a gate and a word for the room are written by hand", async ({
  page,
}) => {
  await page.goto("/recipes/bring-in");
  await page.getByLabel("The recipe").fill(pairs);
  await page.getByLabel("Its cups and spoons are").selectOption("metric");
  await page.getByRole("button", { name: "Show me how you read it" }).click();
  await expect(page.getByRole("heading", { name: "Look it through" })).toBeVisible();
  const lines = page.getByRole("region", { name: "List" }).getByRole("listitem");
  const lineOf = (name: string) => lines.filter({ has: page.locator(`input[value="${name}"]`) });

  const grease = lineOf("butter");
  await grease.getByText("used", { exact: false }).first().click();
  await grease.getByLabel("Amount is").selectOption("per-load");
  await grease.getByLabel("Bowl").selectOption("pan");
  await grease.getByLabel("greased before").selectOption("3");
  const jam = lineOf("strawberry jam");
  await jam.getByText("used", { exact: false }).first().click();
  await jam.getByLabel("Amount is").selectOption("per-serving");
  await jam.getByLabel("Bowl").selectOption("topping");
  const milk = lineOf("cultured buttermilk");
  await milk.getByText("used", { exact: false }).first().click();
  await milk.getByRole("button", { name: "Add an alternative" }).click();
  await milk.getByLabel("Alternative 1").fill("plain yogurt");
  await milk.getByLabel("so much of it").fill("230 g");
  await milk.getByLabel("because").fill("thicker");

  const steps = page.getByRole("region", { name: "Method" });
  const heat = steps.getByRole("listitem", { name: "Step 2" });
  await heat.getByText("cautions", { exact: false }).first().click();
  await heat.getByLabel("Go on when it").selectOption("celsius-at-least");
  await heat.getByLabel("so much", { exact: true }).fill("lots");
  await expect(heat.getByText(/“lots”/)).toBeVisible();
  await heat.getByLabel("so much", { exact: true }).fill("180");
  const mix = steps.getByRole("listitem", { name: "Step 1" });
  await mix.getByText("cautions", { exact: false }).first().click();
  await mix.getByRole("group", { name: "Shown with a drawing" }).getByLabel("a pinch").check();
  await mix.getByLabel("The one point made here").fill("Acid makes the bubbles.");
  await mix.getByLabel("The one question asked here").fill("Why stop now?");

  await page.getByRole("group", { name: "Cooks on" }).getByLabel("pan on a hob").check();
  await page.getByText("Otherwise on some surfaces").click();
  await page.getByRole("combobox", { name: "Otherwise on" }).selectOption("hob-pan");
  await page.getByLabel("Dial in words, pan on a hob").fill("4 of 9");
  await page.getByLabel("Ready when, pan on a hob").selectOption("butter-foams");
  await page.getByLabel("is poured in two halves").check();
  await page.getByLabel("From the first half to the second, likely").fill("1.5");
  await page.getByRole("button", { name: "Add a step" }).click();
  const hold = steps.getByRole("listitem", { name: "Step 5" });
  await hold.getByLabel("Step 5 is").selectOption("hold");
  await hold.getByLabel("Step 5, what is done").fill("Lay them into the low oven.");
  await hold.getByText("cautions", { exact: false }).first().click();
  await hold.getByRole("combobox", { name: "Kept" }).selectOption("oven");
  await hold.getByRole("textbox", { name: "at", exact: true }).fill("90");
  await hold.getByRole("textbox", { name: "at most" }).fill("20");
  await page.getByLabel("Water-to-flour ratio aimed at").fill("1.9");
  await page.getByLabel("Eaten together").fill("2");
  await page.getByRole("combobox", { name: "as a", exact: true }).selectOption("pair");

  await page.getByRole("button", { name: "Save the recipe" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Weir pairs" })).toBeVisible();
  for (const words of [
    "the first load of a surface and every 3rd",
    "each serving",
    "or 230 g plain yogurt: thicker",
    "1.9 g of water aimed at to a gram of flour, eaten as a pair of 2",
    "Pan on a hob: dial: 4 of 9, ready when butter foams and goes quiet.",
    "Go on when the thermometer reads at least 180 °C",
    "Acid makes the bubbles.",
    "Why stop now?",
    "As much as stays between thumb and one finger.",
    "after 1.5 min the other half.",
    "Kept in the oven at 90 °C (194 °F), 20 min at most; local food rules come first.",
  ])
    await expect(page.getByRole("main")).toContainText(words);
});

test("a class takes a bowl of one batch, cooks what is wanted, takes another milk; the brief leaves it, one press takes it back", async ({
  page,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "From one bowl");
  await page.goto(`${base}/scaling`);
  const bowl = page.getByRole("region", { name: "The bowl: Slipway pancakes", exact: true });
  await bowl.getByLabel("Each table makes").selectOption("1");
  await bowl.getByLabel("and cooks").selectOption("wanted");
  await bowl.getByLabel("and mixes").selectOption("halves");
  await bowl.getByLabel("for whole milk").selectOption("buttermilk");
  await bowl.getByRole("button", { name: "Save this bowl" }).click();
  await expect(page.getByText("Kept. What follows has changed with it.")).toBeVisible();

  await page.goto(`${base}/amounts`);
  await expect(page.getByText("a bowl of 1 batch, whatever is wanted, makes", { exact: false }).first()).toBeVisible();
  const card = page.getByRole("region", { name: /^Station / }).first();
  await expect(card).toContainText("1 × the recipe makes");
  await expect(card).toContainText("Two halves: this for each, in a bowl of its own");
  await expect(card).toContainText("cultured buttermilk");
  await expect(card).not.toContainText("whole milk");
  await page.goto(`${base}/recipe`);
  await expect(page.getByText("which the recipe advises against", { exact: false }).first()).toBeVisible();

  // What the brief does not show it does not take away.
  await page.goto(`${base}/brief`);
  await page.getByLabel("Minutes in all").fill("95");
  await page.getByText("Times, batches, names").click();
  await page.getByLabel("Tasters", { exact: true }).fill("6");
  await page.getByRole("button", { name: "Save the brief" }).click();
  await expect(page.getByText("Saved.", { exact: true })).toBeVisible();
  await page.goto(`${base}/scaling`);
  await expect(bowl.getByLabel("Each table makes")).toHaveValue("1");
  await expect(bowl.getByLabel("for whole milk")).toHaveValue("buttermilk");
  await expect(bowl.getByLabel("and mixes")).toHaveValue("halves");
  await page.goto(`${base}/kits`);
  await expect(page.getByRole("main")).toContainText("second half");
  await page.goto(`${base}/timeline`);
  await expect(page.getByRole("main")).toContainText("mix the second half");

  await page.goto(`${base}/amounts`);
  await expect(page.getByText("; feeds 6").first()).toBeVisible();
  await page.goto(`${base}/scaling`);
  await page.getByRole("button", { name: "Take back: the bowl and the alternatives of Slipway pancakes" }).click();
  await expect(page.getByText("Taken back.")).toBeVisible();
  await expect(bowl.getByLabel("Each table makes")).toHaveValue("");
  await expect(page.getByRole("button", { name: "Take back:" })).toHaveCount(0);

  const odd = await page.request.post(`${base}/scaling`, {
    form: { intent: "dish", version: "1", dishId: "nobody's", bowl: "1", cooks: "all" },
    headers: { Origin: new URL(page.url()).origin },
  });
  expect(odd.status()).toBe(400);
});

test("aims, and what is said and asked, stand on the run sheet at their bells, and are ticked in the log", async ({
  page,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "Said and asked");
  await page.goto(`${base}/brief`);
  await page.getByText("Times, batches, names").click();
  const aims = page.getByLabel("Teaching aims");
  await expect(aims).toHaveValue(/Level a spoon/);
  await aims.fill("Level a spoon\n\nName the leavener\n" + "x".repeat(161));
  await page.getByRole("button", { name: "Save the brief" }).click();
  await expect(page.getByText("161 letters", { exact: false })).toBeVisible();
  await expect(aims).toHaveValue(/Name the leavener/);
  await aims.fill("Level a spoon\n\nName the leavener\nLevel a spoon");
  await page.getByRole("button", { name: "Save the brief" }).click();
  await expect(page.getByText("Saved.", { exact: true })).toBeVisible();
  await page.goto(`${base}/timeline`);
  await expect(page.getByRole("region", { name: "What they are to learn" }).getByRole("listitem")).toHaveText([
    "Level a spoon",
    "Name the leavener",
  ]);
  const sheet = page.getByRole("table", { name: "By the minute" });
  await expect(sheet.getByText("What do you think twenty strokes more would do?")).toHaveCount(1);
  await expect(sheet.getByText("Nobody tosses one", { exact: false })).toHaveCount(1);
  await page.goto(`${base}/amounts`);
  await expect(page.getByText("twenty strokes more", { exact: false })).toHaveCount(0);

  await page.goto(`${base}/log`);
  const asked = page.getByRole("checkbox", { name: "asked: What do you think twenty strokes more would do?" });
  await asked.check();
  const reached = page.getByRole("region", { name: "What they were to learn" });
  await reached.getByLabel("Name the leavener").check();
  await expect(page.getByRole("status", { name: "Ticks" })).toHaveText("all saved");
  // What was seen says why it comes and what to do the next time.
  const seen = page.getByRole("region", { name: "Seen on a piece: Slipway pancakes" });
  await expect(seen.getByText("not hot enough", { exact: false })).toHaveCount(0);
  await seen.getByLabel("pale", { exact: true }).check();
  await expect(seen.getByText("not hot enough: a little hotter")).toBeVisible();
  await expect(page.getByRole("status", { name: "Ticks" })).toHaveText("all saved");
  await page.reload();
  await expect(asked).toBeChecked();
  await expect(reached.getByLabel("Name the leavener")).toBeChecked();
  await expect(reached.getByLabel("Level a spoon")).not.toBeChecked();
  const table = await (await page.request.get(`${base}/log.csv`)).text();
  expect(table).toContain("aim,,,,,,not ticked: Level a spoon");
  expect(table).toContain("aim,,,,,,reached: Name the leavener");
  await expect(seen.getByLabel("pale", { exact: true })).toBeChecked();
});

test("how hands do it is drawn at the step, on the card, and on one sheet for the wall", async ({ page }) => {
  const base = await bringIn(page, "Junior squad breakfast", "Shown by hand");
  await page.goto(`${base}/techniques`);
  const wall = page.getByRole("listitem").filter({ hasText: "Fish it out with a larger piece of shell" });
  await expect(wall).toHaveCount(1);
  await expect(page.getByText("Pour and swirl.")).toHaveCount(0);
  // What to do about a piece that looks wrong hangs beside it, for the surfaces of this class.
  const wrong = page.getByRole("table").filter({ hasText: "What you see" }).first();
  await expect(wrong.getByRole("row", { name: "filled at once, it cooled down" })).toContainText("fewer at a time");
  await page.goto(`${base}/recipe`);
  await expect(page.getByText("Read it at eye level.")).not.toHaveCount(0);
  await page.goto(`${base}/amounts`);
  await expect(page.getByRole("region", { name: /^Station / }).first()).toContainText("Turn once.");
  const first = page.getByRole("region", { name: /^Station / }).first();
  await first.getByText("A piece looks wrong").click();
  await expect(first.getByRole("row", { name: /^pale not hot enough/ })).toContainText("a little hotter");
});

test("pieces are finished in rounds of their own and dry mix is stored: written by hand, decided by a class, on card, sheet and labels", async ({
  page,
}) => {
  await page.goto("/recipes/bring-in");
  await page.getByLabel("The recipe").fill(pairs.replace("Weir pairs", "Weir cakes"));
  await page.getByLabel("Its cups and spoons are").selectOption("metric");
  await page.getByRole("button", { name: "Show me how you read it" }).click();
  await page.getByRole("button", { name: "Finish some pieces differently" }).click();
  await page.getByLabel("Round 2").fill("With jam");
  await page.getByLabel("parts of the bowl").nth(1).fill("none");
  await expect(page.getByRole("note").getByText("“none”", { exact: false })).toBeVisible();
  await page.getByLabel("parts of the bowl").nth(1).fill("2");
  await page.getByLabel("Each table decides how many of each while it cooks", { exact: false }).check();
  const lines = page.getByRole("region", { name: "List" }).getByRole("listitem");
  const jam = lines.filter({ has: page.locator('input[value="strawberry jam"]') });
  await jam.getByText("used", { exact: false }).first().click();
  await jam.getByLabel("Amount is").selectOption("per-piece");
  await jam.getByLabel("Only for").selectOption("With jam");
  const grease = lines.filter({ has: page.locator('input[value="butter"]') });
  await grease.getByLabel("Bowl").selectOption("pan");
  await page.getByRole("button", { name: "Save the recipe" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Weir cakes" })).toBeVisible();
  await expect(
    page.getByText("1 plain to 2 with jam, in this order, each by itself. Each table decides while it cooks"),
  ).toBeVisible();
  await expect(page.getByText("only for: with jam", { exact: false })).toBeVisible();

  const base = await importClass(page, "c11-half-with-berries");
  await page.goto(`${base}/amounts`);
  const card = page.getByRole("region", { name: /^Station / }).first();
  await expect(card).toContainText("First 6 plain, then 6 with berries; each on a tray of its own.");
  await expect(card).toContainText("only for: with berries");
  // The second table measures with what it has at home.
  const sets = page.getByRole("region", { name: "Other cups and spoons at a table" });
  await sets.locator("select[name=station]").selectOption({ index: 1 });
  await sets.getByLabel("measures with").selectOption("metric-spoons");
  await sets.getByRole("button", { name: "Save this set" }).click();
  await expect(sets.getByText("Kept. Its card follows.")).toBeVisible();
  const cards = page.getByRole("region", { name: /^Station / });
  await expect(cards.nth(1)).toContainText("measured with Metric spoons only");
  await expect(cards.nth(0)).not.toContainText("measured with");
  await page.goto(`${base}/timeline`);
  await expect(
    page.getByRole("table", { name: "By the minute" }).getByText("6 pieces, with berries").first(),
  ).toBeVisible();
  await page.goto(`${base}/take-home`);
  await expect(page.getByRole("region", { name: "Tray labels" }).getByRole("article")).toHaveCount(4);
  await expect(page.getByRole("region", { name: "Dry mix to keep" }).getByRole("article")).toHaveCount(3);
  await page.goto(`${base}/kits`);
  await expect(page.getByRole("heading", { name: "Dry mix to keep", exact: true })).toBeVisible();

  // Decided by the class: twice as many with berries, and no mix to keep; what is no number changes nothing.
  await page.goto(`${base}/scaling`);
  const bowl = page.getByRole("region", { name: /^The bowl: / });
  const odd = await page.request.post(`${base}/scaling`, {
    form: {
      intent: "dish",
      version: "1",
      dishId: await bowl.locator("input[name=dishId]").inputValue(),
      bowl: "",
      cooks: "all",
      bulk: "lots",
      "round-plain": "1",
      "round-berry": "1",
    },
    headers: { Origin: new URL(page.url()).origin },
  });
  expect(odd.status()).toBe(400);
  expect(await odd.text()).toContain("whole batches, from 1 to 40");
  await bowl.getByLabel("With berries, parts").fill("2");
  await bowl.getByLabel("Dry mix, batches in all").fill("");
  await bowl.getByRole("button", { name: "Save this bowl" }).click();
  await expect(page.getByText("Kept. What follows has changed with it.")).toBeVisible();
  await page.goto(`${base}/amounts`);
  await expect(card).toContainText("First 4 plain, then 8 with berries");
  await page.goto(`${base}/take-home`);
  await expect(page.getByRole("region", { name: "Dry mix to keep" })).toHaveCount(0);

  // Left to the tables: what may be wanted on top stands apart, and what it may cost is said.
  const open = await importClass(page, "c18-decided-while-it-cooks");
  await page.goto(`${open}/amounts`);
  await expect(card).toContainText("Decide at the table how many of each, before the first pour. Likely: 6 plain, 6");
  await expect(card).toContainText("apart, if needed: 4 tbsp");
  await page.goto(`${open}/timeline`);
  await expect(page.getByText("decides while it cooks how many of each kind it makes", { exact: false })).toBeVisible();

  // In class a table says what it makes of them; it is kept, told in loads, and stands in the log.
  await page.goto(`${open}/teach`);
  const table = page.getByRole("region", { name: "Heron", exact: true });
  await expect(table).toContainText("Not decided yet; likely 6 plain, then 6 with berries");
  for (let press = 0; press < 4; press += 1)
    await table.getByRole("button", { name: "one fewer with berries" }).click();
  await expect(table).toContainText(
    "First 10 plain, then 2 with berries; each on a tray of its own. 3 loads, 1 fewer than",
  );
  await expect(page.getByText("all saved", { exact: true })).toBeVisible();
  await page.reload();
  await expect(table).toContainText("First 10 plain, then 2 with berries");
  await page.goto(`${open}/log`);
  await expect(page.getByText("First 10 plain, then 2 with berries", { exact: false })).toBeVisible();
});

test("each adult at the heat has a card with all that is theirs, and each topping its bowl and label", async ({
  page,
}) => {
  const base = await bringIn(page, "Junior squad breakfast", "Two at the heat", (file) => {
    file.class.brief.helpers = 2;
  });
  await page.goto(`${base}/timeline`);
  const rows = page.getByRole("table", { name: "By the minute" }).getByRole("row");
  const testers = await rows.filter({ hasText: "the tester of" }).count();
  expect(testers).toBeGreaterThan(0);
  await page.getByRole("link", { name: "Cards for helpers" }).click();
  const cards = page.getByRole("region", { name: /^Card: / });
  await expect(cards.first()).toHaveAccessibleName("Card: Helper 1");
  await expect(cards.getByRole("row").filter({ hasText: "the tester of" })).toHaveCount(testers);
  await expect(cards.first()).toContainText("Nobody leaves the heat");
  // A wish by hand holds, says what it costs, and is taken back with one press.
  await page.goto(`${base}/timeline`);
  await page.getByLabel("Cooks first").selectOption({ label: "Rudder" });
  await page.getByRole("button", { name: "This table first" }).click();
  await expect(page.getByText("Rudder cooks first.")).toBeVisible();
  await expect(page.getByText("The order was wished by hand and is kept:", { exact: false })).toBeVisible();
  await expect(rows.filter({ hasText: "the tester of" }).first()).toContainText("Rudder");
  await page.getByRole("button", { name: "Back to the usual order" }).click();
  await expect(page.getByText("The order was wished by hand", { exact: false })).toHaveCount(0);

  // One load by hand: the same twice is refused, another is laid before the first.
  await page.getByText("Move a load by hand").click();
  const lay = page.getByLabel("Lay", { exact: true });
  await lay.selectOption({ index: 0 });
  await page.getByRole("button", { name: "Move it" }).click();
  await expect(page.getByText("Choose two loads that are not the same.", { exact: false })).toBeVisible();
  await lay.selectOption({ index: 2 });
  await page.getByRole("button", { name: "Move it" }).click();
  await expect(page.getByText("A load moved by hand.")).toBeVisible();
  await expect(page.getByText("The order was wished by hand and is kept:", { exact: false })).toBeVisible();
  await page.getByRole("button", { name: "Back to the usual order" }).click();
  await expect(page.getByText("The order was wished by hand", { exact: false })).toHaveCount(0);
  await page.goto(`${base}/toppings`);
  const bowls = page.getByRole("article");
  await expect(bowls.filter({ hasText: "breakfast syrup" })).toContainText("Label not read: not known what is in it.");
  await expect(bowls.filter({ hasText: "blueberries" })).toContainText("A spoon of its own.");
});

test("what goes round the tables is written down with the kitchen, refused when it is no number, and waited for", async ({
  page,
}) => {
  const base = await importClass(page, "c15-one-mixer");
  await page.goto(`${base}/timeline`);
  await expect(page.getByRole("main")).toContainText("of waiting for the hand mixer, as one goes round");
  await expect(page.getByRole("main")).toContainText("The hand mixer comes to them now.");

  await page.goto("/kitchens/new");
  await page.getByLabel("Name", { exact: true }).fill("Slipway shed");
  await page.getByLabel("Surface 1", { exact: true }).fill("Griddle");
  await page.getByLabel("Kind").first().selectOption({ index: 1 });
  await page.getByLabel("Pieces a load").first().fill("4");
  await page.getByText("What goes round the tables").click();
  await page.getByLabel("hand mixer, going round").fill("none");
  await page.getByRole("button", { name: "Save the kitchen" }).click();
  await expect(page.getByLabel("hand mixer, going round")).toHaveValue("none");
  await expect(page.getByText("what came is not a number", { exact: false })).toBeVisible();
  await page.getByLabel("hand mixer, going round").fill("2");
  await page.getByRole("button", { name: "Save the kitchen" }).click();
  await page.getByRole("link", { name: "Slipway shed" }).click();
  await expect(page.getByText("2 × hand mixer")).toBeVisible();
});

test("where nobody cooks but the instructor, the brief says who tastes, and one table is theirs", async ({ page }) => {
  const base = await bringIn(page, "Junior squad breakfast", "Only shown", (file) => {
    Object.assign(file.class, { people: [], arrangement: undefined, order: undefined });
  });
  await page.goto(`${base}/brief`);
  await page.getByLabel("People", { exact: true }).fill("0");
  await page.getByText("Times, batches, names").click();
  await page.getByLabel("Tasters", { exact: true }).fill("12");
  await page.getByRole("button", { name: "Save the brief" }).click();
  await expect(page.getByText("Saved.", { exact: true })).toBeVisible();
  await page.goto(`${base}/amounts`);
  const cards = page.getByRole("region", { name: /^Station / });
  await expect(cards).toHaveCount(1);
  await expect(cards).toContainText("You cook, 12 taste");
});

test("a household of a remote class has a product of its own: entered by hand, refused twice, on its card and its plates", async ({
  page,
}) => {
  const base = await importClass(page, "c20-own-products");
  await page.goto(`${base}/allergies`);
  const items = page.getByRole("table", { name: "By item" });
  await expect(items.getByRole("row", { name: /Weir mill cornmeal/ })).toContainText("Household 1 only");
  await page.goto(`${base}/allergies/brought/new`);
  await page.getByLabel("What it is").fill("Shore salt");
  await page.getByLabel("Brought by").fill("Household 2");
  await page.getByLabel("In place of").selectOption("butter");
  await page.getByLabel("At", { exact: true }).selectOption({ label: "Household 3" });
  await page.getByRole("button", { name: "Add it" }).click();
  await expect(
    page.getByText("This household has a product of its own for it already.", { exact: false }),
  ).toBeVisible();
  await page.getByLabel("In place of").selectOption("fine-salt");
  await page.getByLabel("At", { exact: true }).selectOption({ label: "Household 2" });
  await page.getByRole("button", { name: "Add it" }).click();
  await expect(items.getByRole("row", { name: /Shore salt/ })).toContainText("Household 2 only");
  await page.goto(`${base}/amounts`);
  await expect(page.getByRole("region", { name: "Station Household 2" })).toContainText("of your own: Shore salt");
  await expect(page.getByRole("region", { name: "Station Household 3" })).toContainText(
    "of your own: Their own butter",
  );
});
