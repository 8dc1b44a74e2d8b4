// Takes the pictures in docs/screenshots from demo data: node screenshots.mjs. Not a test; run it when a view changes.
import { resolve } from "node:path";
import { chromium } from "@playwright/test";
import { Application } from "./application.mjs";
import config from "./playwright.config.mjs";
import { shiftPages } from "./shifted-time.mjs";
import { signIn, stateOf } from "./sign-in.mjs";
import { RunScreen } from "./run-screen.mjs";

const folder = resolve(import.meta.dirname, "../../docs/screenshots");
const app = new Application();
await app.start();
const browser = await chromium.launch(config.use.launchOptions);
shiftPages(browser);
const context = await browser.newContext({
  baseURL: app.url,
  viewport: { width: 1280, height: 800 },
  storageState: stateOf(await signIn(app.url)),
});
const page = await context.newPage();
const shot = (name, options) => page.screenshot({ path: `${folder}/${name}.png`, ...options });
const wide = () => page.setViewportSize({ width: 1280, height: 800 });
const phone = () => page.setViewportSize({ width: 390, height: 844 });
const tapAll = async (screen, taps) => {
  for (const [name, outcome, times = 1] of taps) {
    for (let i = 0; i < times; i++) {
      await screen.tap(name, outcome);
    }
  }
  await page.waitForTimeout(400);
};

try {
  await page.goto("/");
  await page.waitForTimeout(300);
  await phone();
  await page.reload();
  await page.waitForTimeout(300);
  await shot("today-phone");
  await wide();
  await page.goto("/squad?edit=3");
  await shot("squad");
  await page.goto("/squad/season?sort=1");
  await shot("season", { fullPage: true });

  await page.goto("/drills");
  await page.getByLabel("Skill").selectOption("shooting");
  await page.waitForTimeout(500);
  await shot("drills");
  await page.goto("/drills/three-gates");
  await shot("card", { fullPage: true });
  await page.goto("/drills/minute-trios/past");
  await shot("past", { fullPage: true });
  await page.goto("/results");
  await page.locator(".practice-list a", { hasText: "Shooting on the move" }).first().click();
  await page.getByRole("link", { name: "Print report" }).click();
  await page.locator(".report").waitFor();
  await shot("report", { fullPage: true });
  await page.goto("/drills/minute-trios/set-up");
  await shot("set-up", { fullPage: true });
  await page.goto("/drills/edit/three-gates");
  await page.getByRole("button", { name: "Try it" }).click();
  await page.locator("#try-pad[aria-busy=false]").waitFor();
  const tried = page.locator("#try-pad");
  await tried.getByRole("button", { name: "Start" }).click();
  await tried.getByRole("button", { name: "+10 s" }).click();
  for (const outcome of ["Make", "Miss", "Make", "Miss", "Miss"]) {
    await tried.locator(".row-pad").first().getByRole("button", { name: outcome }).click();
  }
  await page.locator("fieldset.stage").scrollIntoViewIfNeeded();
  await page.evaluate(() => document.querySelector("fieldset.stage").scrollIntoView());
  await shot("editor");

  await page.goto("/plan/1");
  await shot("plan", { fullPage: true });
  await page.goto("/plan/1/offers?sport=handball&skill=shooting&skill=defending");
  await shot("offers", { fullPage: true });

  await page.goto("/groups/1");
  await page.locator("#way-Spread").click();
  await page.locator("#way-Spread[aria-pressed=true]").waitFor();
  await page.locator("[data-made]").first().getByRole("button", { name: "Ada" }).focus();
  await page.keyboard.press("ArrowRight");
  await page.locator(".even small").waitFor();
  await page.locator("[data-made]").first().getByRole("button", { name: "Bea" }).click();
  await shot("groups");
  await page.locator("#way-Listed").click();
  await page.locator("#way-Listed[aria-pressed=true]").waitFor();

  await page.goto("/circuit/new");
  for (const [index, card] of ["minute-trios", "three-gates", "habit-pairs", "clean-or-not"].entries()) {
    await page.locator(`#station-${index}`).selectOption(card);
  }
  await page.locator("#circuit-practice").selectOption({ label: "A new practice today" });
  await page.waitForTimeout(700);
  await page.getByRole("button", { name: "Add to the plan" }).click();
  await page.getByRole("button", { name: "Start practice" }).click();
  const circuit = new RunScreen(page);
  await circuit.ready();
  await circuit.start();
  await tapAll(circuit, [
    ["Ada", "Clean", 3],
    ["Bea", "Make", 4],
    ["Bea", "Miss"],
    ["Freya", "Make", 2],
    ["Dora", "Goal"],
    ["Hana", "Miss"],
  ]);
  await shot("run-circuit");
  await circuit.endDrill();

  const screen = await RunScreen.begin(page, "/?practice=1");
  await screen.start();
  await tapAll(screen, [
    ["Ada", "Clean", 4],
    ["Ada", "Goal", 3],
    ["Ada", "Miss", 2],
    ["Bea", "Goal", 4],
    ["Bea", "Miss"],
    ["Cleo", "Clean", 3],
    ["Cleo", "Goal", 3],
    ["Dora", "Miss", 2],
    ["Dora", "Clean", 2],
  ]);
  await shot("run");
  await phone();
  await shot("run-phone");
  await page.locator("#more-open").click();
  await shot("more-phone");
  await page.locator("#more-done").click();
  await wide();
  await screen.endDrill();
  await screen.start();
  await tapAll(screen, [
    ["Ada", "Make", 5],
    ["Ada", "Miss"],
    ["Esme", "Make", 3],
    ["Esme", "Miss", 2],
    ["Juno", "Miss", 2],
    ["Bea", "Make", 5],
    ["Bea", "Make", 4],
    ["Freya", "Make"],
    ["Hana", "Make", 2],
    ["Dora", "Miss"],
  ]);
  await screen.endDrill();
  await screen.start();
  await tapAll(screen, [
    ["Plain", "Ball won", 2],
    ["Striped", "Stop", 3],
    ["Plain", "Goal", 3],
    ["Striped", "Goal", 1],
    ["Plain", "Ball won", 2],
    ["Striped", "Goal", 4],
  ]);
  const board = await context.newPage();
  await board.goto(page.url().replace("/run/", "/board/"));
  await board.locator("#board[aria-busy=false]").waitFor();
  await board.locator("#net[data-net=on]").waitFor();
  await board.screenshot({ path: `${folder}/board.png` });
  await board.close();
  await phone();
  await shot("run-match-phone");
  await wide();
  await page.goto("/results/1");
  await page.waitForTimeout(300);
  await shot("results", { fullPage: true });
} finally {
  await browser.close();
  await app.stop();
}
