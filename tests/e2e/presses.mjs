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
await context.close();
await app.stop();

// A real club: from the link in the window to the first tap.
const club = new Application();
await club.start("--new-password", "nobody");
const head = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
const first = await head.newPage();
await first.goto(club.said.match(/http:\S+\/first\?key=\S+/)[0]);
await measure("a new club: name, team and password (three fields)", async (press) => {
  await first.getByLabel("Your name").fill("Robin");
  await first.getByLabel("Your team").fill("Terns");
  await first.getByLabel("A password").fill("gravel otter plinth sway");
  await press(first.getByRole("button", { name: "Continue" }));
});
await measure("a new club: names of players (one paste)", async (press) => {
  await first.getByLabel("Names, one a line").fill("Ada\nBea\nCleo\nDora\nEsme\nFreya\nHana\nIris");
  await press(first.getByRole("button", { name: "Continue" }));
});
await measure("a new club: a ready practice and its first tap", async (press) => {
  await press(
    first
      .getByRole("button", { name: "Start Handball: shooting" })
      .or(first.getByRole("button", { name: /^Start / }).first())
      .first(),
  );
  const there = new RunScreen(first);
  await there.ready();
  await press(there.go);
  await there.clock.and(first.locator("[data-state=work]")).waitFor({ timeout: 60_000 });
  await press(first.locator("[data-drill]:not([hidden]) button.pad:not([disabled])").first());
});
console.table(rows);
await browser.close();
await club.stop();
process.exit(0);
