// A practice of five blocks by thumb on a phone, with everything that happens in a gym; and the thumb itself, trained.
import { expect, test } from "./application.mjs";
import { openResult } from "./folds.mjs";
import { RunScreen } from "./run-screen.mjs";

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

test("five blocks by thumb: a guest, a cue, a horn in mid-rep, own counts, an undo, a second device", async ({
  page,
  browser,
  app,
}) => {
  const screen = await RunScreen.begin(page);
  const more = page.locator("#more-open");
  const press = (name) => page.getByRole("button", { name, exact: true });
  const begin = async () => {
    await screen.go.tap();
    await expect(screen.clock).toHaveAttribute("data-state", /countIn|work|break/);
    if ((await screen.clock.getAttribute("data-state")) !== "break") {
      await screen.expectWork();
    }
  };
  const end = async () => {
    await more.tap();
    await page.locator("[data-command=end]").tap();
    await page.locator("[data-command=end]").tap();
    await expect(screen.clock).toHaveAttribute("data-state", "ready");
  };
  const context = await browser.newContext({ storageState: process.env.SIGNED_IN, baseURL: app.url });
  const other = new RunScreen(await context.newPage());
  await other.page.goto(page.url());
  await other.ready();

  await test.step("the cue that matters is pinned, and stands there until the work begins", async () => {
    await more.tap();
    await page.locator("[data-more=notes]").tap();
    await press("Feet before hands").tap();
    await page.locator("#more-done").tap();
    await expect(page.locator("#prompt")).toContainText("Feet before hands");
    await expect(other.page.locator("#prompt")).toContainText("Feet before hands");
    await begin();
    await expect(page.locator("#prompt")).not.toContainText("Feet before hands");
  });

  await test.step("a player who is not in the squad joins for today and comes in", async () => {
    await more.tap();
    await page.locator("[data-open=who-open]").tap();
    const name = page.getByLabel("Guest", { exact: true });
    await name.fill("Ada Fenwick");
    await press("Add guest").tap();
    await expect(page.locator("#who-hint")).toContainText("is in the squad");
    await name.fill("Nia Farrow");
    await press("Add guest").tap();
    await expect(page.locator("#who-hint")).toHaveText("Nia Farrow is in.");
    await expect(page.locator("#who-groups")).toContainText("Nia Farrow");
    await page.locator("#who").getByRole("button", { name: "Done" }).tap();
    await expect(page.locator("#undo-what")).toContainText("Nia in");
    await expect(other.page.locator("#undo-what")).toContainText("Nia in");
  });

  await test.step("the last ball counts though the horn came in the middle of it", async () => {
    await screen.row("Ada").getByRole("button", { name: "Clean" }).tap();
    await screen.expectScore("Ada", 2);
    await more.tap();
    await page.locator("[data-more=clock]").tap();
    await press("Stop the work now").tap();
    await expect(screen.clock).toHaveAttribute("data-state", "change");
    await expect(page.locator("#more")).toBeHidden();
    await screen.row("Ada").getByRole("button", { name: "Goal" }).tap();
    await screen.expectScore("Ada", 3);
    await other.expectScore("Ada", 3);
  });

  await test.step("who had eight? and one of them had not", async () => {
    await more.tap();
    await page.locator("[data-open=who-open]").tap();
    await press("Own counts").tap();
    const grid = page.locator("#own-counts");
    await grid.getByRole("button", { name: "8", exact: true }).tap();
    await grid.getByRole("button", { name: /Bea$/ }).tap();
    await grid.getByRole("button", { name: /Esme$/ }).tap();
    await expect(grid.getByRole("button", { name: /Esme 8$/ })).toBeVisible();
    await grid.getByRole("button", { name: "Done" }).tap();
    await expect(screen.row("Bea")).toContainText("own count 8");
    await screen.undo.tap();
    await expect(page.locator("#why")).toContainText("Undone: Esme · own count 8");
    await screen.expectScore("Ada", 3);
  });

  await test.step("the other blocks are gone through with the thumb", async () => {
    await end();
    for (const tap of [/Make/, /Goal/, null, null]) {
      await begin();
      if (tap) {
        await screen.drill.getByRole("button", { name: tap }).filter({ visible: true }).first().tap();
      }
      await end();
    }
    await expect(screen.net).toHaveText("Saved");
  });

  await test.step("the results say what happened", async () => {
    await page.goto(`/results/${await page.locator("#run").getAttribute("data-practice")}`);
    const table = await openResult(page, /Minute trios/);
    await expect(table.getByRole("columnheader", { name: "Own count" })).toBeVisible();
    await expect(table.getByRole("row", { name: /Bea Marlowe/ })).toContainText("8");
    await expect(table.getByRole("row", { name: /Esme Thornbury/ })).not.toContainText("8");
    await expect(table).toContainText("Nia Farrow");
  });
});

test("the thumb is trained on a simulated drill, and its tries stay", async ({ page }) => {
  await page.goto("/drills/three-gates/train");
  await page.locator("[data-length]").selectOption("20");
  await page.getByRole("button", { name: "Start" }).tap();
  const seen = page.locator("[data-seen]");
  let tapped = 0;
  while (tapped < 3) {
    await expect(seen).not.toHaveAttribute("data-form", "");
    const [who, what] = (await seen.textContent()).split(": ");
    await page.locator(".row-pad", { hasText: who }).getByRole("button", { name: what }).first().tap();
    tapped++;
    await expect(seen).toHaveAttribute("data-form", "");
  }
  await expect(seen).toHaveText("Done.", { timeout: 60_000 });
  const line = page.locator("[data-lines] tr").first();
  const figures = (await line.locator("td").allTextContents()).map(Number);
  const [shown, right, , missed, doubled, player, what, extra] = figures;
  expect(right).toBe(3);
  expect(missed).toBe(shown - 3);
  expect([doubled, player, what, extra]).toEqual([0, 0, 0, 0]);

  await page.reload();
  await expect(page.locator("[data-lines] tr")).toHaveCount(1);
  await page.getByRole("button", { name: "Delete these tries" }).tap();
  await expect(page.locator("[data-tries]")).toBeHidden();
});
