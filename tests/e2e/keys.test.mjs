import { expect, test } from "./application.mjs";
import { RunScreen } from "./run-screen.mjs";

test("a drill is run by keyboard alone", async ({ page }) => {
  const screen = await RunScreen.begin(page);

  // What the clock begins is announced; what is sent of each tap is not.
  const begins = page.getByRole("status").filter({ hasText: /^(Ready|Get ready|Work)/ });
  await page.keyboard.press("Space");
  await expect(begins).toContainText("Get ready");
  await screen.expectWork();
  await expect(begins).toContainText("Work");
  await page.keyboard.press("2");
  await page.keyboard.press("c");
  await page.keyboard.press("g");
  await screen.expectScore("Bea", 3);
  await page.keyboard.press("Backspace");
  await screen.expectScore("Bea", 2);
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("g");
  await screen.expectScore("Cleo", 1);
  await expect(screen.net).toHaveText("Saved");
  await expect(page.locator("#net-said")).toBeEmpty();
  await page.keyboard.press("Space");
  await expect(screen.clock).toHaveAttribute("data-state", "paused");
  const stood = await screen.seconds();
  // The clock is in the title of the tab, too.
  await expect(page).toHaveTitle(
    new RegExp(`^${await screen.clock.locator("[data-clock=left]").textContent()} Paused · `),
  );
  await page.waitForTimeout(1500);
  expect(await screen.seconds()).toBe(stood);
  await page.keyboard.press("Space");
  await expect(screen.clock).toHaveAttribute("data-state", "work");
  await screen.row("Dora").getByRole("button", { name: "Goal" }).focus();
  await page.keyboard.press("Shift+Tab");
  await page.keyboard.press("Tab");
  await page.keyboard.press("Space");
  await screen.expectScore("Dora", 1);
  await expect(screen.clock).toHaveAttribute("data-state", "work");
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
});

test("a thumb finds every pad at least 56 pixels high on a phone, and the drill fits the screen", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const screen = await RunScreen.begin(page);
  await screen.start();

  const pads = await screen.drill.locator(".pad").all();
  const foot = await page.locator(".run-foot").boundingBox();
  for (const pad of pads) {
    const box = await pad.boundingBox();
    expect(box.height).toBeGreaterThanOrEqual(56);
    expect(box.x).toBeGreaterThanOrEqual(0);
    expect(box.x + box.width).toBeLessThanOrEqual(390);
    expect(box.y + box.height).toBeLessThanOrEqual(foot.y);
  }
  for (const button of await page.locator(".run-foot button").all()) {
    expect((await button.boundingBox()).height).toBeGreaterThanOrEqual(56);
  }
});

test("a card is written, saved and put in a practice by keyboard alone", async ({ page }) => {
  /** By the tabulator, as one who has no pointer goes there. */
  async function reach(target) {
    await target.waitFor();
    for (let key = 0; key < 150; key++) {
      if (await target.evaluate((element) => element === document.activeElement)) {
        return;
      }
      await page.keyboard.press("Tab");
    }
    throw new Error(`No tabulator reaches ${target}`);
  }
  async function write(label, text) {
    await reach(page.getByLabel(label, { exact: true }).first());
    await page.keyboard.press("Control+A");
    await page.keyboard.type(text);
  }
  const press = async (name) => {
    await reach(page.getByRole("button", { name, exact: true }).first());
    await page.keyboard.press("Enter");
  };

  await page.goto("/drills");
  await reach(page.getByRole("link", { name: "New card" }).first());
  await page.keyboard.press("Enter");
  await write("Name", "Tern steps");
  await press("Add gates: spots to clear");
  // The hand goes on in what was added.
  await expect(page.getByLabel("Gates, in order")).toBeVisible();
  await expect(page.locator("#card-form :focus")).toHaveCount(1);
  await write("Gates, in order", "near, far");
  await write("Makes", "2");
  await write("of goes", "3");
  await expect(page.locator("#words")).toContainText("Two steps: near, then far; two of three clears a step");
  await press("Save the card");
  await expect(page.getByRole("heading", { name: "Tern steps" })).toBeVisible();
  await press("Add to practice");
  await expect(page.locator("main")).toContainText("Tern steps");
  await expect(page.getByRole("button", { name: "Start practice" }).or(page.locator(".line")).first()).toBeVisible();
});
