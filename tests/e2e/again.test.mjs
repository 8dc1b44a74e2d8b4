// After a game is won: another one, each with one press. What is counted beside the score. Lanes that race.
import { expect, test } from "./application.mjs";
import { openResult } from "./folds.mjs";
import { RunScreen } from "./run-screen.mjs";

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

test("a match is won, played again with ends changed, and every game has its line", async ({ page, app }) => {
  const screen = await RunScreen.begin(page);
  await screen.start();
  await page.locator("[data-see]").first().click();
  await expect(page.locator("[data-see] b").first()).toHaveText("1");
  await page.locator("#habits-open").click();
  await page.locator("#whose [data-habit]").first().click();
  await page.locator("#whose").getByRole("button", { name: "Done" }).click();
  // Tapped, then named: it was seen once.
  await expect(page.locator("[data-see] b").first()).toHaveText("1");

  for (const _ of [1, 2]) {
    await page.locator("#more-open").click();
    await screen.endDrill();
  }
  await screen.start();
  const result = screen.drill.locator(".sheet-result");
  for (let goal = 0; goal < 30 && (await result.isHidden()); goal++) {
    await screen.row("Plain").locator("[data-outcome=goal]").click();
  }
  await expect(result).toContainText("Plain won");
  await page.getByRole("button", { name: "Rematch, change ends" }).click();
  await expect(screen.drill.locator(".games")).toHaveText("Game 2. Won so far: Plain 1, Striped 0. Ends changed.");
  await screen.expectScore("Plain", 0);
  await expect(page.locator("#undo-what")).toHaveText("Rematch, ends changed");
  await screen.expectWork();
  await screen.row("Striped").locator("[data-outcome=goal]").click();
  const score = await screen.row("Striped").locator(".row-score").textContent();
  expect(Number(score)).toBeGreaterThan(0);
  await page.reload();
  await screen.ready();
  await screen.expectScore("Striped", score);
  await page.locator("#more-open").click();
  // The results are read from the server: the end is to be there.
  const sent = page.waitForResponse(
    (answer) => answer.url().includes("/api/sheets/") && answer.request().postData()?.includes('"end"'),
  );
  await screen.endDrill();
  await sent;

  await page.goto(`${app.url}/results/1`);
  await openResult(page, /Win it/);
  await expect(page.locator(".games-played li")).toHaveText([/Game 1.*Plain won/, /Game 2.*Striped won/]);
  await expect(page.locator(".seen li")).toContainText("Loose ball 1");
});

test("groups race on one watch, a stop for each", async ({ page, app }) => {
  await page.goto(`${app.url}/drills/shuttle-relay`);
  await page.locator(".put-more > summary").click();
  await page.getByLabel(/They run/).selectOption("together");
  await page.locator("select[name=practice]").selectOption("");
  await page.getByRole("button", { name: "Add to practice" }).click();
  const screen = await RunScreen.begin(page, page.url());
  await screen.go.click();
  await screen.drill.locator("[data-race]").click();
  const race = page.locator("#race");
  await race.getByRole("button", { name: "Start" }).click();
  await race.getByRole("button", { name: "Stop" }).first().click();
  await expect(race.locator("#race-why")).toContainText("recorded");
  await page.reload();
  await screen.ready();
  await screen.drill.locator("[data-race]").click();
  const stops = race.getByRole("button", { name: "Stop" });
  const left = await stops.count();
  for (let lane = left; lane > 0; lane--) {
    await stops.first().click();
    await expect(stops).toHaveCount(lane - 1);
  }
  await race.getByRole("button", { name: "Close" }).click();
  await expect(page.locator("#taps li")).toHaveCount(left + 1);
});
