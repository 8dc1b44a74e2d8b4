import { existsSync, mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { defineConfig } from "@playwright/test";

// Where the tickets of the head coach lie with which every test begins.
process.env.SIGNED_IN ??= join(mkdtempSync(join(tmpdir(), "keep-tally-tickets-")), "head.json");

// The browser without a window of its own costs a fifth less; where Debian does not have it, the whole one does.
export const chromium = ["/usr/bin/chromium-headless-shell", "/usr/bin/chromium"].find(existsSync);

export default defineConfig({
  testDir: ".",
  globalSetup: "./filled.mjs",
  // In one project: another would begin with a browser and a server of its own.
  testMatch: "*.test.mjs",
  fullyParallel: true,
  // One more than a small machine has cores: a test waits half of its time for the clock of a drill, as long as a coach would.
  workers: 3,
  // Patient, since a machine that checks may have little of its own: what hangs is found all the same.
  timeout: 600_000,
  expect: { timeout: 60_000 },
  forbidOnly: true,
  reporter: [["list"], ["json", { outputFile: process.env.PLAYWRIGHT_TIMES ?? "test-results/times.json" }]],
  use: {
    storageState: process.env.SIGNED_IN,
    // It keeps the whole application for when there is no network; only the tests of that pay for it.
    serviceWorkers: "block",
    actionTimeout: 120_000,
    launchOptions: {
      executablePath: chromium,
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--autoplay-policy=no-user-gesture-required",
      ],
    },
  },
});
