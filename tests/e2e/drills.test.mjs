import { readFile } from "node:fs/promises";
import { expect, test } from "./application.mjs";
import { openResult } from "./folds.mjs";
import { RunScreen } from "./run-screen.mjs";

test("a card from nothing: gates and a house rule, read, tried, saved, put in a practice, run, read again", async ({
  page,
}) => {
  const words = page.locator("#words");
  const outcome = (n) => page.getByRole("group", { name: `Outcome ${n}` });

  await test.step("write it", async () => {
    await page.goto("/drills");
    await page.getByRole("link", { name: "New card" }).first().click();
    await page.getByLabel("Name", { exact: true }).first().fill("Heron gates");
    await page.getByLabel("Purpose").fill("Three spots, each to be earned.");
    await page.getByRole("button", { name: "Add gates: spots to clear" }).click();
    await page.getByLabel("Gates, in order").fill("left, middle");
    await page.getByLabel("Makes", { exact: true }).fill("2");
    await page.getByLabel("of goes").fill("3");
    await page.getByRole("button", { name: "Add a house rule" }).click();
    const rule = page.getByRole("group", { name: /House rule rule/ });
    await rule.getByLabel("Name").fill("lost");
    await rule.getByLabel("What it decides").fill("A window lost");
    await rule.getByLabel("The options").fill("retry = the same spot again\nfirst = back to the first spot");
    await page.getByRole("button", { name: "Add an ending" }).click();
    const renamed = page.getByRole("group", { name: "House rule lost" });
    await renamed.getByLabel("The default").selectOption("first");
    await page.getByRole("group", { name: "Ending 1" }).getByLabel("At", { exact: true }).fill("90");
    await page.getByRole("group", { name: "Ending 1" }).getByLabel("of", { exact: true }).selectOption("seconds");
    await page.getByLabel("When failed", { exact: true }).selectOption("$lost");
  });

  await test.step("its sentence follows as one types", async () => {
    await expect(words).toContainText(
      "Two steps: left, then middle; two of three clears a step; over after 90 seconds.",
    );
    await expect(words).toContainText("Lost, back to the first step.");
    await expect(words).toContainText("A window lost: back to the first spot (the usual way), or the same spot again.");
  });

  await test.step("what is wrong stands beside its field, and goes when it is mended", async () => {
    await outcome(1).getByLabel("Points", { exact: true }).fill("many");
    const wrong = outcome(1).locator('[data-fault="stages[0].outcomes[0].points"]');
    await expect(wrong).toContainText("a number belongs here");
    await outcome(1).getByLabel("Points", { exact: true }).fill("2");
    await expect(wrong).toBeEmpty();
    await expect(words).toContainText("2 for a make");
  });

  await test.step("try it: every tap says why", async () => {
    await page.getByRole("button", { name: "Try it" }).click();
    const pad = page.locator("#try-pad");
    await expect(pad).toHaveAttribute("aria-busy", "false");
    const tap = (name) => pad.locator(".row-pad").first().getByRole("button", { name }).click();
    const why = page.locator("#try-why");
    await tap("Make");
    await expect(why).toContainText("Not started yet");
    await pad.getByRole("button", { name: "Start" }).click();
    await tap("Make");
    await expect(why).toContainText("2 to Wren, now 2. One made of one; two of three clears it.");
    await tap("Make");
    await expect(why).toContainText("Left cleared: on to middle.");
    await tap("Miss");
    await tap("Make");
    await tap("Miss");
    await expect(why).toContainText("One of three: this window is lost, back to left.");
    await pad.getByRole("button", { name: "+1 min" }).click();
    await pad.getByRole("button", { name: "+1 min" }).click();
    await expect(pad.locator(".row-pad").first()).toHaveClass(/is-done/);
  });

  await test.step("what was written in the text is not lost by saving the fields", async () => {
    await page.getByText("Card as text (JSON)").click();
    const text = page.getByLabel("The card as a text", { exact: true });
    await text.fill((await text.inputValue()).replace("each to be earned", "every one to be earned"));
    await page.getByRole("button", { name: "Save the card" }).click();
    await expect(page).toHaveURL(/edit/);
    await page.getByRole("button", { name: "Use this text" }).click();
    await expect(page.getByLabel("Purpose")).toHaveValue("Three spots, every one to be earned.");
  });

  await test.step("save it and put it in a practice, by the other rules", async () => {
    await page.getByRole("button", { name: "Save the card" }).click();
    await expect(page.getByRole("heading", { name: "Heron gates" })).toBeVisible();
    await page.getByLabel("Practice", { exact: true }).selectOption({ label: "A new practice today" });
    await page.getByLabel("A window lost", { exact: true }).selectOption("retry");
    await page.getByRole("button", { name: "Add to practice" }).click();
    await expect(page.locator(".sheet-lines")).toContainText("Heron gates");
  });

  await test.step("run it: the school chosen is the one that judges", async () => {
    await page.getByRole("button", { name: "Start practice" }).click();
    const screen = new RunScreen(page);
    await screen.ready();
    await screen.start();
    await screen.tap("Ada", "Make");
    await screen.tap("Ada", "Make");
    await screen.tap("Ada", "Miss");
    await screen.tap("Ada", "Miss");
    await expect(page.locator("#why")).toContainText("Second miss: this window is lost, start again.");
    await expect(screen.row("Ada")).toContainText("Middle");
    await screen.endDrill();
    await page.getByRole("link", { name: "Read the results" }).click();
    const results = await openResult(page, /Heron gates/);
    await expect(results.getByRole("row").nth(1)).toContainText("Ada Fenwick");
    await page.goto("/drills/heron-gates");
    await expect(page.locator(".facts")).toContainText("today");
  });

  await test.step("a change of words keeps the version, a change in scoring makes a new one", async () => {
    await page.goto("/drills/edit/heron-gates");
    await page.getByLabel("Cues").fill("Feet first");
    await page.getByLabel("Why this change").fill("they fell backwards");
    await page.getByRole("button", { name: "Save the card" }).click();
    await expect(page.locator(".history")).toContainText("Version 1");
    await expect(page.locator(".history")).toContainText("they fell backwards");
    await page.goto("/drills/edit/heron-gates");
    await page.getByLabel("Makes", { exact: true }).fill("3");
    await page.getByRole("button", { name: "Save the card" }).click();
    await expect(page.locator(".history li").first()).toContainText("Version 2");
    await expect(page.locator(".history")).toContainText("Now: Three of three clears a step.");
  });
});

test("what is typed while the editor draws its form again is kept", async ({ page }) => {
  await page.goto("/drills/edit");
  await page.route("**/drills/edit?handler=Change", async (route) => {
    await new Promise((done) => setTimeout(done, 400));
    await route.continue();
  });
  await page.getByLabel("Play", { exact: true }).selectOption("match");
  await page.getByLabel("Purpose").fill("Typed meanwhile");
  await expect(page.getByLabel("Sides", { exact: true })).toBeVisible();
  await expect(page.getByLabel("Purpose")).toHaveValue("Typed meanwhile");

  await page.getByRole("button", { name: "Add an ending" }).click();
  await page.getByLabel("Sides", { exact: true }).fill("blue, white");
  await expect(page.getByRole("group", { name: "Ending 1" })).toBeVisible();
  await expect(page.getByRole("group", { name: "Ending 2" })).toHaveCount(0);
  await expect(page.getByLabel("Sides", { exact: true })).toHaveValue("blue, white");
});

test("a broken card is imported, its errors are read, it is mended and taken", async ({ page }) => {
  await page.goto("/drills/import");
  const card = {
    format: "keep-tally/drill@1",
    id: "marsh-gates",
    name: "Marsh gates",
    stages: [{ outcomes: [{ id: "make", result: "sucess" }], until: [{ points: 5, leed: 2 }] }],
  };
  const paste = page.getByLabel("Or paste the text");
  await paste.fill(JSON.stringify(card));
  await page.getByRole("button", { name: "Import" }).click();
  const faults = page.locator("#faults");
  await expect(faults).toContainText("Nothing was imported");
  await expect(faults).toContainText("stages[0].outcomes[0].result");
  await expect(faults).toContainText("write one of neutral, success, failure");
  await expect(faults).toContainText("stages[0].until[0].leed");
  await expect(paste).toHaveValue(/sucess/);
  card.stages[0].outcomes[0].result = "success";
  card.stages[0].until[0] = { points: 5, lead: 2 };
  await paste.fill(JSON.stringify(card));
  await page.getByRole("button", { name: "Import" }).click();
  await page.locator("#taken").getByRole("link", { name: "marsh-gates" }).click();
  await expect(page.getByRole("heading", { name: "Marsh gates" })).toBeVisible();
});

test("the book goes out and comes back as it was", async ({ page }) => {
  await page.goto("/drills");
  const download = page.waitForEvent("download");
  await page.getByRole("link", { name: "Export" }).click();
  const file = await (await download).path();
  expect(JSON.parse(await readFile(file, "utf8")).cards.length).toBeGreaterThanOrEqual(30);
  await page.goto("/drills/import");
  await page
    .getByLabel("From a file")
    .setInputFiles({ name: "book.json", mimeType: "application/json", buffer: await readFile(file) });
  await page.getByRole("button", { name: "Import" }).click();
  await expect(page.locator("#taken li").filter({ hasNotText: "unchanged" })).toHaveCount(0);
});

test("the book is narrowed by what there is", async ({ page }) => {
  await page.goto("/drills");
  await page.getByRole("searchbox", { name: "Search" }).fill("three gaets");
  await expect(page.locator(".card-tile h2").first()).toHaveText("Three gates");
  await page.getByRole("searchbox", { name: "Search" }).fill("");
  await page.getByLabel("Skill").selectOption("serving");
  await expect(page.locator(".card-tile")).toHaveCount(3);
  await expect(page).toHaveURL(/skill=serving/);
  await page.getByLabel("Players").fill("4");
  await page.getByLabel("Players").blur();
  await expect(page.locator(".card-tile")).toHaveCount(2);
  await page.reload();
  await expect(page.locator(".card-tile")).toHaveCount(2);
});
