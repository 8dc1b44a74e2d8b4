// What the figures of a browser are measured with: the tools of the end-to-end tests.
import { createRequire } from "node:module";
import { resolve } from "node:path";

const e2e = resolve(import.meta.dirname, "../../tests/e2e");

const { chromium } = createRequire(`${e2e}/package.json`)("@playwright/test");
export const { Application } = await import(`${e2e}/application.mjs`);
export const { RunScreen } = await import(`${e2e}/run-screen.mjs`);
const { default: config } = await import(`${e2e}/playwright.config.mjs`);
const { signIn, stateOf } = await import(`${e2e}/sign-in.mjs`);

export const launch = () => chromium.launch(config.use.launchOptions);

/** A phone of the head coach. */
export const phoneOf = async (app) => ({
  baseURL: app.url,
  viewport: { width: 390, height: 844 },
  storageState: stateOf(await signIn(app.url)),
});
