// By keyboard and by ear: the focus is never lost, hidden, or left where a key would do harm.
import { expect, test } from "./application.mjs";
import { RunScreen } from "./run-screen.mjs";

test("in the editor the focus follows what a button did, and a refused save leads to what is wrong", async ({
  page,
}) => {
  await page.goto("/drills/edit/three-gates");
  const focused = page.locator(":focus");
  const outcomes = page.getByRole("group", { name: /^Outcome \d/ });
  const before = await outcomes.count();
  await page.getByRole("button", { name: "Add an outcome" }).first().press("Enter");
  await expect(outcomes).toHaveCount(before + 1);
  await expect(outcomes.last().locator(":focus")).toHaveCount(1);
  await expect(focused).toHaveValue("New");

  await page.getByRole("button", { name: `Remove outcome ${before + 1}` }).press("Enter");
  await expect(outcomes).toHaveCount(before);
  await expect(focused).toHaveRole("button");

  const name = page.getByRole("group", { name: "About the drill" }).getByLabel("Name");
  await name.fill("");
  await name.press("Control+s");
  await expect(page.getByRole("alert").first()).toContainText("not right yet");
  await expect(name).toBeFocused();
  const told = await name.getAttribute("aria-describedby");
  await expect(page.locator(`#${told}`)).not.toBeEmpty();
});

test("nothing that has the focus is hidden behind the bar at the foot", async ({ page }) => {
  await page.goto("/drills/edit/three-gates");
  await page.locator("#main a").first().focus();
  const hidden = await page.evaluate(async () => {
    const bar = document.querySelector(".editor .save");
    const all = [
      ...document.querySelectorAll("#card-form input:not([type=hidden]), #card-form select, #card-form button"),
    ];
    const covered = [];
    for (const field of all.filter((each) => each.checkVisibility() && !bar.contains(each))) {
      field.focus();
      await new Promise((done) => requestAnimationFrame(done));
      const [box, foot] = [field.getBoundingClientRect(), bar.getBoundingClientRect()];
      if (box.bottom > foot.top + 1 && box.top < foot.bottom) {
        covered.push(field.name || field.textContent);
      }
    }
    return { covered, stops: all.length };
  });
  expect(hidden.stops).toBeGreaterThan(50);
  expect(hidden.covered).toEqual([]);
});

test("a key ends the drill, the same key does not end the next, and the drill under way is told", async ({ page }) => {
  const screen = await RunScreen.begin(page);
  const current = page.locator(".run-strip [aria-current=step]");
  await expect(current).toHaveText("Minute trios");
  await page.locator("[data-command=end]").focus();
  await page.keyboard.press("Enter");
  await page.keyboard.press("Enter");
  await expect(current).toHaveText("Three gates");
  await page.keyboard.press("Space");
  await expect(screen.clock).not.toHaveAttribute("data-state", "ready");
  await expect(current).toHaveText("Three gates");
  await page.keyboard.press("End");
  await page.keyboard.press("End");
  await expect(current).toHaveText("Win it, score it");
});

test.describe("in forced colours", () => {
  test.use({ forcedColors: "active" });

  test("the band of the clock, the strip of drills and the bibs keep what they tell", async ({ page }) => {
    const screen = await RunScreen.begin(page);
    await screen.start();
    const [fill, ground] = await page.evaluate(() => [
      getComputedStyle(document.querySelector(".clock-band .burn")).backgroundColor,
      getComputedStyle(document.body).backgroundColor,
    ]);
    expect(fill).not.toBe(ground);
    const step = page.locator(".run-strip .is-now");
    const [here, there] = await Promise.all(
      [step, page.locator(".run-strip li").last()].map((part) =>
        part.evaluate((element) => getComputedStyle(element).backgroundColor),
      ),
    );
    expect(here).not.toBe(there);
    const patterns = await page.evaluate(() =>
      [...document.querySelectorAll("[data-drill]:not([hidden]) .row-pad .bib")].map(
        (bib) => getComputedStyle(bib, "::before").background,
      ),
    );
    expect(new Set(patterns).size).toBe(patterns.length);
  });
});
