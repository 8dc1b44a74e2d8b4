import { expect, test } from "./application.mjs";
import { openResult } from "./folds.mjs";
import { RunScreen } from "./run-screen.mjs";

/** Puts cards in a practice of their own and begins it. */
async function begin(page, cards) {
  for (const [index, card] of cards.entries()) {
    await page.goto(`/drills/${card}`);
    const practices = page.getByLabel("Practice", { exact: true });
    const mine = (await practices.locator("option").allTextContents()).find((text) => text.startsWith("Practice,"));
    await practices.selectOption({ label: index === 0 ? "A new practice today" : mine });
    await page.getByRole("button", { name: "Add to practice" }).click();
  }
  await page.getByRole("button", { name: "Start practice" }).click();
  const screen = new RunScreen(page);
  await screen.ready();
  return screen;
}

test("zones, tags, turns, readings and the ball are judged by the card, and say why", async ({ page }) => {
  const screen = await begin(page, [
    "corner-calls",
    "approach-timing",
    "long-throw",
    "one-hand-behind",
    "beat-the-minute",
  ]);
  const why = page.locator("#why");

  await test.step("zones: the one asked is marked, where it went is kept", async () => {
    await screen.go.click();
    await expect(screen.row("Ada").locator(".is-asked")).toHaveText(/High left/);
    await screen.tap("Ada", "Low left");
    await expect(why).toHaveText("Asked high left, went low left: a miss. Next: low right.");
    await screen.tap("Ada", "Low right");
    await screen.expectScore("Ada", 1);
    await page.keyboard.press("1");
    await page.keyboard.press("d");
    await expect(screen.taps.first()).toContainText("Ada · high right");
    await screen.endDrill();
  });

  await test.step("tags: said first, they go with the tap and stand for the next", async () => {
    await screen.go.click();
    const group = screen.drill.locator(".row-pad").first();
    await group.getByRole("button", { name: "Screen" }).click();
    await group.getByRole("button", { name: "On time, attack" }).click();
    await expect(screen.taps.first()).toContainText("screen");
    await expect(group.getByRole("button", { name: "Screen" })).toHaveAttribute("aria-pressed", "true");
    await group.getByRole("button", { name: "Switch" }).click();
    await expect(group.getByRole("button", { name: "Screen" })).toHaveAttribute("aria-pressed", "false");
    await screen.endDrill();
  });

  await test.step("readings in turn: a number is asked for, the turn passes", async () => {
    await screen.go.click();
    const first = screen.drill.locator(".row-pad").first();
    await first.getByRole("button", { name: "Throw" }).click();
    await page.locator("#reading-value").fill("31,5");
    await page.getByRole("button", { name: "Record" }).click();
    await expect(screen.taps.first()).toContainText("Throw (31.5)");
    await expect(first).toHaveClass(/waits/);
    await first.getByRole("button", { name: "Take the turn" }).click();
    await expect(first).not.toHaveClass(/waits/);
    await first.getByRole("button", { name: "Throw" }).click();
    await page.getByRole("button", { name: "Cancel" }).click();
    await expect(screen.taps).toHaveCount(2);
    await screen.endDrill();
  });

  await test.step("the ball: what a side can do follows it", async () => {
    await screen.go.click();
    await expect(screen.row("First")).toHaveClass(/has-ball/);
    await expect(screen.row("Second").getByRole("button", { name: "Goal" })).toBeHidden();
    await screen.tap("First", "Miss");
    await expect(why).toHaveText("The ball goes to Second.");
    await screen.tap("Second", "Goal");
    await screen.expectScore("Second", 1);
    await expect(screen.net).toHaveText("Saved");
    await screen.endDrill();
  });

  await test.step("a helper's good pass is one press, counted for the player who has the job", async () => {
    await screen.start();
    const helper = screen.drill.locator(".helpers .pad").first();
    const who = await helper.locator(".pad-who").textContent();
    await helper.click();
    await expect(screen.taps.first()).toContainText(`${who} · Good pass`);
    await expect(why).toHaveText(`Counted for ${who}.`);
    await screen.endDrill();
  });

  await test.step("the results say where it went and in which combination", async () => {
    await page.getByRole("link", { name: "Read the results" }).click();
    const zones = await openResult(page, /Corner calls/);
    await expect(zones.getByRole("table", { name: "Where it went" })).toContainText("high left");
    const tags = await openResult(page, /Timing/);
    await expect(tags.getByRole("table", { name: "By combination" })).toContainText("Screen");
    await expect(await openResult(page, /Long throw/)).toContainText("31.5");
  });
});
