// What eight weeks of practices say, and what is to come: read by a coach at a desk.
import { expect, test } from "./application.mjs";
import { openResult } from "./folds.mjs";
import { RunScreen } from "./run-screen.mjs";

test("a player's trend is read, a skill changed, and the fit moves; a past run is scored again with other rules", async ({
  page,
}) => {
  await page.goto("/drills/minute-trios/past");
  await expect(page.locator(".judged").first()).toContainText(/Steady|Up from|Down from/);
  await expect(page.getByRole("img", { name: /Share made/ })).toBeVisible();

  await page.goto("/squad");
  await page.getByRole("link", { name: "Ada Fenwick", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Ada Fenwick" })).toBeVisible();
  await expect(page.locator(".judged").first()).toContainText(/trend|change|Up|Down/);
  await expect(page.getByRole("heading", { name: "Load" })).toBeVisible();

  await page.goto("/drills/three-gates/simulation");
  const played = page.locator(".fit-lines li").first();
  await page.getByRole("textbox", { name: "Share made, %" }).fill("30");
  await expect(played).toHaveText(/in (no|hardly any) run|in [12] of 10/);
  await page.getByRole("textbox", { name: "Share made, %" }).fill("90");
  await expect(played).toHaveText(/in (every|nearly every) run|in 9 of 10/);
  await page.getByRole("textbox", { name: "Share made, %" }).fill("130");
  await expect(page.getByRole("alert")).toContainText("from 0 to 100");

  await page.goto("/results");
  await page.locator(".practice-list a", { hasText: "Shooting on the move" }).last().click();
  const gates = await openResult(page, /Three gates/);
  await gates.getByRole("link", { name: "Re-score with other rules" }).click();
  await page.getByLabel("Makes to clear a step").fill("1");
  await page.getByRole("button", { name: "Re-score" }).click();
  await expect(page.locator(".judged")).toContainText(/with the other rules|First with both rules/);
});

test("a past tap is put right at a desk, and the results say what it was", async ({ page }) => {
  await page.goto("/results");
  await page.locator(".practice-list a", { hasText: "Clean under pressure" }).last().click();
  const drill = await openResult(page, /Clean or not/);
  await drill.getByRole("link", { name: "Every tap of A" }).click();
  await page
    .locator(".taps-kept li", { hasText: "Miss" })
    .first()
    .getByRole("link", { name: /^Change/ })
    .click();
  await page.locator('select[name="outcome"]').selectOption("clean");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.locator(".taps-kept li", { hasText: "Miss" }).first()).toBeVisible();
  await page.goto("/results");
  await page.locator(".practice-list a", { hasText: "Clean under pressure" }).last().click();
  await openResult(page, /Clean or not/);
  await expect(drill.getByText("One tap corrected afterwards")).toBeVisible();

  await page.getByRole("link", { name: "Print report" }).click();
  await expect(page.getByRole("main")).toContainText("made");
  const paper = await page.pdf({ format: "A4" });
  expect(paper.toString("latin1").match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);
});

test("a player who comes near the day's limit is told of before the practice and while it runs", async ({ page }) => {
  await page.goto("/squad/loads");
  const limits = page.getByRole("textbox", { name: /One line each/ });
  await limits.fill("throw 5-18: many");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("alert")).toContainText("line 1");
  await limits.fill("throw 5-18: 2; 1=28");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("These are the club's own limits.")).toBeVisible();

  await page.goto("/plan/1/ahead");
  await expect(page.getByRole("heading", { name: "Rest is due" })).toBeVisible();
  await page.goto("/plan/foresight");
  await expect(page.getByText("Drill by drill")).toBeVisible();

  await page.goto("/");
  await page.getByRole("button", { name: "Start practice" }).click();
  const screen = new RunScreen(page);
  await screen.ready();
  await screen.start();
  await screen.tap("Ada", "Clean");
  await expect(page.locator(".load-now")).toContainText(/Ada: rest is due today|Ada: 2 throws/);
  await expect(page.locator(".load-now")).toContainText("medical people come first");
});
