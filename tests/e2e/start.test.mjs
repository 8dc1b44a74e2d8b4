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
  await expectRefused(["--certificate", "nowhere.pem"], /no such file/);
  await expectRefused(["--address", "tally"], /Write --address https:/);
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
