import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { defineConfig } from "@playwright/test";

// Where the tickets of the head coach lie with which every test begins.
process.env.SIGNED_IN ??= join(mkdtempSync(join(tmpdir(), "keep-tally-tickets-")), "head.json");

export default defineConfig({
  testDir: ".",
  globalSetup: "./filled.mjs",
  testMatch: "*.test.mjs",
  fullyParallel: true,
  workers: 2,
  // Patient, since a machine that checks may have little of its own: what hangs is found all the same.
  timeout: 180_000,
  expect: { timeout: 10_000 },
  forbidOnly: true,
  reporter: "list",
  use: {
    storageState: process.env.SIGNED_IN,
    launchOptions: {
      executablePath: "/usr/bin/chromium",
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
