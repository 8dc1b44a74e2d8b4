import { expect, test } from "./application.mjs";
import { RunScreen } from "./run-screen.mjs";

test("quick taps on who is missing, a limit, positions spread: the groups shown are the groups that play", async ({
  page,
}) => {
  await page.goto("/");
  const tile = (name) => page.getByRole("button", { name: new RegExp(`\\d+ ${name}`) });
  for (const name of ["Ada Fenwick", "Dora Quill", "Hana Pemberley"]) {
    await tile(name).click({ noWaitAfter: true });
  }
  for (const name of ["Ada Fenwick", "Dora Quill", "Hana Pemberley"]) {
    await expect(tile(name)).toHaveAttribute("data-presence", "late");
    await tile(name).click({ noWaitAfter: true });
  }
  for (const name of ["Ada Fenwick", "Dora Quill", "Hana Pemberley"]) {
    await expect(tile(name)).toHaveAttribute("data-presence", "absent");
  }
  await expect(page.locator("#here-head")).toContainText("9 of 14");
  await page.getByLabel("Bea Marlowe: restrictions").click();
  await page.getByRole("button", { name: "Bea Marlowe no throwing" }).click();
  await expect(page.locator("#left-out")).toContainText(
    "left out of Minute trios, Three gates, Corner calls in the circuit",
  );
  await page.getByRole("button", { name: "positions spread" }).click();
  await expect(page.getByRole("button", { name: "positions spread" })).toHaveAttribute("aria-pressed", "true");
  const trios = await page.locator(".dealt dd").first().innerText();
  expect(trios).not.toContain("Bea");

  const screen = await RunScreen.begin(page);
  const groups = await screen.drill
    .locator(".sheet")
    .evaluateAll((sheets) =>
      sheets.map((sheet) => [
        sheet.querySelector("h2").textContent.trim().slice(-1),
        sheet.querySelector(".row-name").textContent.split(" ")[0],
      ]),
    );
  for (const [letter, first] of groups) {
    expect(trios).toMatch(new RegExp(`${letter}\\s*[^\\n]*${first}`));
  }
});

test("no tile moves from under a thumb, whatever comes in or follows from a press", async ({ page }) => {
  await page.route("**/before**", async (route) => {
    await new Promise((done) => setTimeout(done, 800));
    await route.continue();
  });
  await page.goto("/");
  const tile = (name) => page.getByRole("button", { name: new RegExp(`\\d+ ${name}`) });
  const came = page.waitForResponse("**/before**");
  const at = await tile("Hana Pemberley").boundingBox();
  await came;
  for (const name of ["Ada Fenwick", "Dora Quill"]) {
    await tile(name).click();
    await expect(tile(name)).toHaveAttribute("data-presence", "late");
  }
  expect(await tile("Hana Pemberley").boundingBox()).toEqual(at);
});

test("what is pressed before the scripts are there is sent once they are", async ({ page }) => {
  await page.route(/\/dist\/site[^/]*\.js/, async (route) => {
    await new Promise((done) => setTimeout(done, 1500));
    await route.continue();
  });
  await page.goto("/", { waitUntil: "commit" });
  const tile = (name) => page.getByRole("button", { name: new RegExp(`\\d+ ${name}`) });
  for (const name of ["Ada Fenwick", "Dora Quill", "Hana Pemberley"]) {
    await tile(name).click({ noWaitAfter: true });
  }
  for (const name of ["Ada Fenwick", "Dora Quill", "Hana Pemberley"]) {
    await expect(tile(name)).toHaveAttribute("data-presence", "late");
  }
});

test("where the scripts never come, every press is sent all the same", async ({ page }) => {
  await page.route(/\/dist\/site[^/]*\.js/, (route) => route.abort());
  await page.goto("/");
  const tile = (name) => page.getByRole("button", { name: new RegExp(`\\d+ ${name}`) });
  const names = ["Ada Fenwick", "Dora Quill", "Hana Pemberley"];
  await page.locator("#attendance-fold > summary").click();
  for (const name of names) {
    await tile(name).click({ noWaitAfter: true });
  }
  await page.waitForEvent("load");
  await page.locator("#attendance-fold > summary").click();
  for (const name of names) {
    await expect(tile(name)).toHaveAttribute("data-presence", "late");
  }
});

test("a press without a network changes nothing and says so, and so does one on a page that is out of date", async ({
  page,
  context,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/");
  await page.locator("#attendance-fold summary").first().click();
  const ada = page.getByRole("button", { name: /\d+ Ada Fenwick/ });
  const alert = page.getByRole("alert");
  await expect(ada).toHaveAttribute("data-presence", "here");
  const { y } = await ada.boundingBox();
  await context.setOffline(true);
  await ada.click();
  await expect(alert).toHaveText("Nothing changed: there is no network. Try again when there is one.");
  await expect(ada).toHaveAttribute("data-presence", "here");
  expect((await ada.boundingBox()).y).toBe(y);
  await context.setOffline(false);
  await ada.click();
  await expect(ada).toHaveAttribute("data-presence", "late");
  await expect(alert).toHaveCount(0);

  // An answer that is lost, or that another program gives, says nothing of what became of the press.
  for (const [answer, words] of [
    [(route) => route.abort("connectionreset"), /^This may not be saved: there is no network/],
    [(route) => route.fulfill({ status: 502, body: "<html>Bad gateway</html>" }), /^This may not be saved: something/],
  ]) {
    await page.route("**/*handler=Mark*", answer, { times: 1 });
    await ada.click();
    await expect(alert).toHaveText(words);
  }

  // Another coach deletes the practice meanwhile.
  const other = await context.newPage();
  await other.goto("/plan/1");
  await other.getByText("Day, time, place and limits", { exact: true }).click();
  await other.getByText("Delete this practice", { exact: true }).click();
  await other.getByRole("button", { name: "Yes, delete it and its plan" }).click();
  await other.waitForURL("/plan");
  await ada.click();
  await expect(alert).toContainText("Nothing changed: this page is out of date. Reload it, then try again.");
  await alert.getByRole("button", { name: "Reload" }).click();
  await expect(ada).toHaveCount(0);
});

test("a form that is sent without a network stays as it was typed and says so", async ({ page, context }) => {
  await page.goto("/squad");
  const form = page.locator("form", { has: page.getByLabel("Name", { exact: true }) });
  await form.getByLabel("Name", { exact: true }).fill("Tess Holloway");
  await context.setOffline(true);
  await form.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.getByRole("alert")).toHaveText(
    "Nothing changed: there is no network. Try again when there is one.",
  );
  await expect(form.getByLabel("Name", { exact: true })).toHaveValue("Tess Holloway");
  await context.setOffline(false);
  await form.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.locator("main")).toContainText("Tess Holloway");
  await expect(form.getByLabel("Name", { exact: true })).toHaveValue("");
});
