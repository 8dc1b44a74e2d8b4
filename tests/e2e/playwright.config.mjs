import { defineConfig } from "@playwright/test";

export default defineConfig({
  testDir: ".",
  globalSetup: "./filled.mjs",
  testMatch: "*.test.mjs",
  fullyParallel: true,
  workers: 2,
  timeout: 90_000,
  forbidOnly: true,
  reporter: "list",
  use: {
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
