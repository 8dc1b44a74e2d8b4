import { chmodSync, existsSync, mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "./application.mjs";
import { launch } from "./program.mjs";

async function expectRefused(args, words) {
  const { code, out, error } = await launch(args).ended;
  expect(code).toBe(2);
  expect(out).toBe("");
  expect(error.trim().split("\n")).toHaveLength(1);
  expect(error).toMatch(words);
}

test("a port in use is said in one line with the mend", async ({ app }) => {
  const data = mkdtempSync(join(tmpdir(), "keep-tally-"));
  await expectRefused(["--data", data, "--port", String(app.port)], /Port \d+ is in use.*--port N/);
});

test("a data folder that cannot be written is said in one line with the mend", async () => {
  const file = join(mkdtempSync(join(tmpdir(), "keep-tally-")), "file");
  writeFileSync(file, "");
  await expectRefused(["--data", join(file, "data")], /cannot be written.*--data DIR/);
  expect(existsSync(join(file, "data"))).toBe(false);
});

test("a data folder that holds something else is said in one line and left alone", async () => {
  const data = mkdtempSync(join(tmpdir(), "keep-tally-"));
  writeFileSync(
    join(data, "tally.db"),
    "my shopping list, which is longer than a header of a database is\n".repeat(40),
  );
  chmodSync(join(data, "tally.db"), 0o600);
  await expectRefused(["--data", data], /cannot be opened.*--data DIR/);
});

test("a word that is not known is said in one line", async () => {
  await expectRefused(["--port", "eleven"], /a port is a number/);
  await expectRefused(["--colour"], /--colour is not known here/);
  await expectRefused(["--certificate", "nowhere.pem"], /--certificate: there is no file/);
  await expectRefused(["--address", "tally"], /--address: "tally" is no address; write https:/);
  await expectRefused(["--new-password"], /the name is missing/);
});

test.describe("one that is killed", () => {
  test.use({ ownProcess: true });

  test("a second one on the same data folder is refused in one line, and can start when the first is gone", async ({
    app,
  }) => {
    await expectRefused(["--data", app.data], /in use by another Keep Tally.*--data DIR/);
    await app.kill();
    await app.start();
  });
});

test("an empty database is said in one line and left alone", async () => {
  const data = mkdtempSync(join(tmpdir(), "keep-tally-"));
  writeFileSync(join(data, "tally.db"), "");
  await expectRefused(["--data", data], /is an empty file.*begin with nothing/);
});

test("the demo opens on Today as its head coach, once, on its own machine", async ({ app, browser }) => {
  const context = await browser.newContext({ storageState: undefined, baseURL: app.url });
  expect(await context.cookies()).toEqual([]);
  const page = await context.newPage();
  await page.goto("/");
  await expect(page.getByText(/^Demo with a made-up club. You are Robin Teal/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Start practice" })).toBeVisible();
  await page.goto("/you");
  await page.getByRole("button", { name: "Sign out here" }).click();
  await page.waitForURL(/signin/);
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await context.close();
});

test.describe("one that starts anew", () => {
  test.use({ ownProcess: true });

  test("a backup is downloaded, checked and restored by page, and the restore is undone", async ({ app, page }) => {
    const addTeam = async (name) => {
      await page.goto("/squad");
      await page.getByLabel("Name of a new team").fill(name);
      await page.getByRole("button", { name: "Add team" }).click();
    };
    const teams = async () => (await page.goto("/people"), page.locator("main").innerText());
    await addTeam("Terns before");
    await page.goto("/backup");
    const [backup] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("button", { name: "Download a backup" }).click(),
    ]);
    const file = join(app.data, "downloaded.db");
    await backup.saveAs(file);
    await addTeam("Terns after");

    await page.goto("/backup");
    await page.getByLabel("A backup").setInputFiles(file);
    await page.getByRole("button", { name: "Check this file" }).click();
    await expect(page.getByRole("heading", { name: "Restore this backup?" })).toBeVisible();
    await page.getByRole("button", { name: "Restore", exact: true }).click();

    await expect(page.getByRole("heading", { name: "Restoring" })).toBeVisible();
    await page.waitForURL(app.url + "/");
    expect(await teams()).toContain("Terns before");
    expect(await teams()).not.toContain("Terns after");
    await page.goto("/backup");
    await page.getByText("Restore, delete").first().click();
    await page.getByRole("button", { name: "Restore it: replace all data here" }).first().click();
    await page.waitForURL(app.url + "/");
    expect(await teams()).toContain("Terns after");
  });
});
