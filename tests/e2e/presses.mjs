// How many presses and seconds what a coach does most takes on a phone, and whether anything has to be scrolled to: figures, not
// a test. Run with: node presses.mjs
import { chromium } from "@playwright/test";
import { Application } from "./application.mjs";
import { RunScreen } from "./run-screen.mjs";
import config from "./playwright.config.mjs";
import { signIn, stateOf } from "./sign-in.mjs";

const app = new Application();
await app.start();
const browser = await chromium.launch(config.use.launchOptions);
const context = await browser.newContext({
  baseURL: app.url,
  storageState: stateOf(await signIn(app.url)),
  viewport: { width: 390, height: 844 },
  hasTouch: true,
  isMobile: true,
  serviceWorkers: "block",
});
const page = await context.newPage();
const screen = new RunScreen(page);
const rows = [];

/** Does one thing; every press goes by what it was given. */
async function measure(what, steps) {
  let presses = 0;
  let scrolls = 0;
  const began = performance.now();
  await steps(async (target) => {
    await target.waitFor();
    const box = await target.boundingBox();
    if (box.y < 0 || box.y + box.height > 845) {
      scrolls++;
    }
    await target.tap();
    presses++;
  });
  rows.push({ what, presses, scrolls, seconds: ((performance.now() - began) / 1000).toFixed(1) });
}

const id = (name) => page.locator(`#${name}`);
const button = (name, within = page) => within.getByRole("button", { name, exact: true });
const command = (name) => page.locator(`[data-command=${name}]`);

await page.goto("/");
await measure("start the practice and its first drill", async (press) => {
  await press(button("Start practice"));
  await screen.ready();
  await press(screen.go);
});
await screen.clock.and(page.locator("[data-state=work]")).waitFor();
await measure("tap", (press) =>
  press(button("Clean c", screen.row("Ada")).or(screen.row("Ada").locator(".pad").first()).first()),
);
await measure("undo", (press) => press(screen.undo));
await measure("a late player in", async (press) => {
  await press(id("more-open"));
  await press(page.locator("[data-open=who-open]"));
  await press(page.locator("#who-bench .who-chip").first());
});
await button("Done", id("who")).tap();
await measure("a player off", async (press) => {
  await press(id("more-open"));
  await press(page.locator("[data-open=who-open]"));
  await press(page.locator("#who .who-off").first());
});
await button("Done", id("who")).tap();
await measure("a guest (and the name typed)", async (press) => {
  await press(id("more-open"));
  await press(page.locator("[data-open=who-open]"));
  await page.getByLabel("Guest", { exact: true }).fill("Nia Farrow");
  await press(button("Add guest"));
});
await button("Done", id("who")).tap();
await measure("a reason for a stop", async (press) => {
  await press(id("more-open"));
  await press(page.locator("[data-more=stop]"));
  await press(page.locator("[data-freeze]").first());
});
await screen.go.tap();
await measure("what comes next, and how late it is", async (press) => {
  await press(id("course-open"));
});
await button("Done", id("course")).tap();
await measure("the next drill, early", async (press) => {
  await press(id("more-open"));
  await press(command("end"));
  await press(command("end"));
});
await measure("the score of a player of another group", async (press) => {
  await press(page.locator("[data-tab]:visible").nth(1));
});
await measure("end the practice", async (press) => {
  await press(id("more-open"));
  await press(command("endPractice"));
  await press(command("endPractice"));
});
await measure("who won what", async (press) => {
  await press(page.getByRole("link", { name: "Read the results" }));
});
console.table(rows);
await browser.close();
await app.stop();
process.exit(0);
