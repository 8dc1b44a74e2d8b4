// A card of one club goes to another as a link: shown before it is kept, without a network too.
import { expect, test } from "./application.mjs";

// The worker keeps the page; the server is killed.
test.use({ serviceWorkers: "allow", ownProcess: true });

test("a card goes to another club as a link and is shown without a network", async ({ page, app }) => {
  await page.goto("/drills/three-gates");
  await page.getByRole("button", { name: "Link for another club" }).click();
  const made = page.locator("[data-address]");
  await expect(made).toContainText("The link is ready.");
  const link = await made.getAttribute("data-address");
  expect(link).toContain("/import#");

  await page.goto(link);
  await expect(page.getByRole("heading", { name: "Three gates" })).toBeVisible({ timeout: 30_000 });
  await expect(page.locator("#link-lines")).toContainText("five of seven");

  // Once seen, the page works without the server; a link that was cut says so.
  const kept = () => page.evaluate(async () => (await caches.match("/import", { ignoreVary: true })) !== undefined);
  await expect.poll(kept).toBe(true);
  await app.kill();
  await page.goto("/import");
  await page.locator("#link-text").fill(`Have a look: ${link}`);
  await page.getByRole("button", { name: "Show" }).click();
  await expect(page.getByRole("heading", { name: "Three gates" })).toBeVisible({ timeout: 30_000 });
  await page.locator("#link-text").fill(link.slice(0, -40));
  await page.getByRole("button", { name: "Show" }).click();
  await expect(page.locator("#link-fault")).toContainText("cut off");
});
