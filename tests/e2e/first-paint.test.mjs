// What stands on the page before the core is there, and what a press made then comes to.
import { expect, test } from "./application.mjs";
import { RunScreen } from "./run-screen.mjs";

test.use({ core: "compiled" });

/** Keeps the core away until let in. */
async function withoutCore(page, look) {
  await page.route("**/_framework/**", () => {});
  await page.reload({ waitUntil: "domcontentloaded" });
  await look();
  await page.unroute("**/_framework/**");
}

test("run screen and board stand whole before the core is there, and a press made then counts", async ({ page }) => {
  const screen = await RunScreen.begin(page);
  await screen.start();
  await screen.tap("Ada", "Clean");
  await expect(screen.net).toHaveText("Saved");

  await withoutCore(page, async () => {
    await expect(page.locator("#run")).toHaveAttribute("aria-busy", "true");
    await expect(page.locator("#waking")).toBeVisible();
    await expect(screen.drill.locator("h1")).toHaveText("Minute trios");
    await screen.expectScore("Ada", 2);
    await expect(screen.row("Bea").getByRole("button", { name: "Goal" })).toBeVisible();
    await expect(screen.drill.locator(".people li").filter({ hasText: "Esme" })).toContainText("rebounder");
    await expect(screen.clock).toHaveAttribute("data-state", "work");
    expect(await screen.seconds()).toBeGreaterThan(5);
    await expect(screen.undo).toContainText("Ada · Clean");
    await screen.tap("Ada", "Goal");
    await screen.tap("Bea", "Goal");
    await expect(page.locator("#early-kept")).toHaveText("2 presses kept");
  });

  await page.addInitScript(() => {
    globalThis.shifts = 0;
    new PerformanceObserver((list) => list.getEntries().forEach(({ value }) => (globalThis.shifts += value))).observe({
      type: "layout-shift",
      buffered: true,
    });
  });
  await page.reload();
  await screen.ready();
  await screen.expectScore("Ada", 3);
  await screen.expectScore("Bea", 1);
  await expect(page.locator("#waking")).toBeHidden();
  // "Good" is below 0.1 (web.dev, Cumulative Layout Shift); the core takes over without a jump.
  expect(await page.evaluate(() => globalThis.shifts)).toBeLessThan(0.02);
  await expect(screen.net).toHaveText("Saved");
  expect(await (await page.request.get("/results/1?handler=Csv")).text()).toMatch(/Ada Fenwick,,1,3,2,2/);

  await page.goto("/board/1");
  await withoutCore(page, async () => {
    await expect(page.locator("#board-drill")).toHaveText("Minute trios");
    await expect(page.locator("place-board")).toHaveCount(4);
    await expect(page.locator("place-board").first()).toContainText("Ada");
    await expect(page.locator("#clock [data-clock=word]")).toHaveText("Work");
  });
});

test("a core that cannot start says so and what to do", async ({ page }) => {
  await RunScreen.begin(page);
  await page.route("**/_framework/**", (route) => route.abort());
  await page.reload();

  await expect(page.locator("#says")).toContainText("could not start");
  await expect(page.locator("#says")).toContainText("Reload the page");
});
