// Every shipped card on a phone: whatever its pads hold, nothing runs off the edge of the screen.
import { readdirSync } from "node:fs";
import { resolve } from "node:path";
import { expect, test } from "./application.mjs";
import { RunScreen } from "./run-screen.mjs";

const cards = readdirSync(resolve(import.meta.dirname, "../../src/KeepTally.Store/Book/Cards")).map((file) =>
  file.replace(".json", ""),
);

for (const [groups, words] of [
  [1, "one group"],
  [2, "two groups"],
  [4, "four groups"],
]) {
  test(`no card is wider than a phone, in ${words}`, async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    await page.goto(`/drills/${cards[0]}`);
    const token = await page.locator("#put input[name=__RequestVerificationToken]").getAttribute("value");
    const practice = await page.locator("#in-practice option").first().getAttribute("value");
    // As the page sends it, without drawing Today anew for each of them.
    for (const card of cards) {
      const answer = await page.request.post(`/drills/${card}?handler=Put`, {
        form: { practice, minutes: "8", groups: String(groups), __RequestVerificationToken: token },
        maxRedirects: 0,
      });
      expect(answer.status(), card).toBe(302);
    }
    const screen = await RunScreen.begin(page, `/?practice=${practice}`);
    await expect(screen.drill).toBeVisible();

    // Each drill is laid open in turn as it would stand, with all it can show.
    const wide = await page.evaluate(() => {
      const drills = [...document.querySelectorAll("[data-drill]")];
      document.body.dataset.clock = "work";
      return drills.flatMap((drill) => {
        drills.forEach((other) => (other.hidden = other !== drill));
        drill.querySelectorAll(".sheet, .row-pad, .people li").forEach((part) => (part.hidden = false));
        const past = [...drill.querySelectorAll("*")].find((part) => {
          const { width, right } = part.getBoundingClientRect();
          return width > 0 && right > innerWidth + 0.5 && !part.closest(".visually-hidden");
        });
        return past ? [`${drill.querySelector("h1").textContent}: ${past.className}`] : [];
      });
    });
    expect(wide).toEqual([]);
  });
}
