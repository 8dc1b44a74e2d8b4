import { chromium } from "@playwright/test";
import { Application } from "./application.mjs";
const app = new Application();
await app.start();
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox"] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on("pageerror", (e) => console.log("PAGEERROR", e.message));
page.on("console", (m) => m.type() === "error" && console.log("CONSOLE", m.text()));
try {
  await page.goto(app.url + "/circuit/new?practice=1");
  for (const [i, id] of ["minute-trios", "three-gates", "habit-pairs", "clean-or-not"].entries()) { await page.locator(`#station-${i}`).selectOption(id); await page.waitForTimeout(250); }
  await page.locator("#minutes-each").fill("0.2"); await page.locator("#change-seconds").fill("5"); await page.locator("#change-seconds").blur();
  await page.waitForTimeout(300);
  await page.getByRole("button", { name: "Put it on the timing sheet" }).click();
  await page.waitForTimeout(300);
  for (let i = 0; i < 3; i++) { await page.getByRole("button", { name: /Take off/ }).first().click(); await page.waitForTimeout(200); }
  await page.getByRole("button", { name: "Start practice" }).click();
  await page.locator("#run[aria-busy=false]").waitFor();
  await page.screenshot({ path: "/tmp/c-ready.png" });
  await page.locator("#go").click();
  await page.waitForTimeout(6500);
  await page.screenshot({ path: "/tmp/c-work.png" });
  const board = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  board.on("pageerror", (e) => console.log("PAGEERROR", e.message));
  await board.goto(page.url().replace("run", "board"));
  await board.locator("#board[aria-busy=false]").waitFor();
  await board.waitForTimeout(500);
  await board.screenshot({ path: "/tmp/board.png" });
  await page.bringToFront();
  await page.waitForTimeout(6500);
  await page.screenshot({ path: "/tmp/c-change.png" });
  await page.setViewportSize({ width: 390, height: 844 });
  await page.waitForTimeout(6000);
  await page.screenshot({ path: "/tmp/c-phone.png" });
  await page.locator("#more-open").click();
  await page.locator("#boards-open").click();
  await page.waitForTimeout(300);
  await page.screenshot({ path: "/tmp/c-boards-phone.png" });
} catch (e) { console.log(e.message); await page.screenshot({ path: "/tmp/fail.png" }); }
await browser.close();
await app.stop();
