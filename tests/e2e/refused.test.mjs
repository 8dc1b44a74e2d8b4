// One sheet everywhere: what the server does not take, what the stream leaves out, what a wrong clock does.
import { expect, test } from "./application.mjs";
import { RunScreen, expectOneClock } from "./run-screen.mjs";

test("a refused tap is taken back at once, with a word, and can be sent again; other sheets are not held up", async ({
  page,
}) => {
  const screen = await RunScreen.begin(page);
  await screen.start();
  const sheet = await screen.row("Ada").locator("xpath=ancestor::*[@data-sheet]").getAttribute("data-sheet");
  await page.route(`**/api/sheets/${sheet}/events`, (route) =>
    route.continue({
      postData: route
        .request()
        .postData()
        .replace(/"outcome":"[^"]+"/, '"outcome":"nothing"'),
    }),
  );

  await page.route("**/api/sheets/*/events", (route) =>
    route.fulfill({
      status: 507,
      contentType: "application/problem+json",
      body: '{"title":"the disk of the server is full"}',
    }),
  );
  await screen.tap("Cleo", "Goal");
  await expect(page.locator("#says")).toContainText(
    "the disk of the server is full. It is saved here and sent again later",
  );
  await expect(page.locator("#net")).toHaveText("1 to send");
  await page.unroute("**/api/sheets/*/events");
  await expect(page.locator("#net")).toHaveText("Saved");
  await screen.tap("Ada", "Clean");
  await screen.tap("Bea", "Goal");

  await expect(page.locator("#unkept-open")).toHaveText("1 not saved");
  await screen.expectScore("Ada", 0);
  await screen.expectScore("Bea", 1);
  await expect(page.locator("#why")).not.toContainText("Ada");
  await page.unrouteAll();
  await page.reload();
  await screen.ready();
  await screen.expectScore("Ada", 0);
  await screen.expectScore("Bea", 1);
  await page.locator("#unkept-open").click();
  await expect(page.locator("#unkept li")).toContainText("Ada · Clean");
  await expect(page.locator("#unkept li")).toContainText("nothing");
  await page.getByRole("button", { name: "Send again" }).click();
  await expect(page.locator("#unkept")).toBeHidden();
  await screen.expectScore("Ada", 2);
  await expect(page.locator("#net")).toHaveText("Saved");
  await page.reload();
  await screen.ready();
  await screen.expectScore("Ada", 2);
  await expect(page.locator("#unkept-open")).toBeHidden();
});

test("a screen that missed an event notices and fetches it", async ({ page, browser, app }) => {
  const one = await RunScreen.begin(page);
  await one.start();
  const other = await (await browser.newContext({ baseURL: app.url, serviceWorkers: "block" })).newPage();
  let broken = 0;
  await other.route("**/api/practices/1/events*", (route) =>
    broken++ === 0
      ? // A line that leaves out what came before: its event says so.
        route.fulfill({
          contentType: "text/event-stream",
          body: 'id: 99999\ndata: {"sheet":"s","device":"x","n":1,"after":99998,"line":"{}"}\n\n',
        })
      : route.continue(),
  );
  await other.goto("/run/1");
  const two = new RunScreen(other);
  await two.ready();
  await one.tap("Bea", "Clean");

  await two.expectScore("Bea", 2);
  expect(broken).toBeGreaterThan(1);
});

test("a device whose clock is hours off, or set in mid drill, is told so and works by the shared clock", async ({
  page,
  browser,
  app,
}) => {
  const one = await RunScreen.begin(page);
  await one.start();
  const context = await browser.newContext({ baseURL: app.url, serviceWorkers: "block" });
  await context.addInitScript(() => {
    const now = Date.now;
    Date.now = () => now() + 3 * 3600_000;
  });
  const other = await context.newPage();
  await other.goto("/run/1");
  const two = new RunScreen(other);
  await two.ready();

  await expect(other.locator("#says")).toContainText("3 hours ahead");
  await expectOneClock(one, two);
  await two.tap("Bea", "Clean");
  await one.expectScore("Bea", 2);
  // It is another device's tap: asked once more.
  await one.undo.click();
  await one.undo.click();
  await two.expectScore("Bea", 0);

  // Its time is set, and set again, in mid drill: its clock goes on, and every tap counts.
  const hour = 3_600_000;
  let score = 0;
  for (const step of [30_000, -30_000, hour, -hour, 24 * hour]) {
    await other.evaluate((milliseconds) => {
      const now = Date.now;
      Date.now = () => now() + milliseconds;
    }, step);
    await two.tap("Bea", "Clean");
    score += 2;
    await one.expectScore("Bea", score);
    await expectOneClock(one, two);
  }
  await expect(other.locator("#unkept-open")).toBeHidden();
});

test("a device that is an hour ahead when practice begins is put right, and nothing it said is lost", async ({
  page,
}) => {
  // What it measured before its time was set, and no answer when it asks again. The page itself plays the network: where
  // Playwright holds requests, it keeps one of the page that is left for good, and with it the reload.
  await page.addInitScript(() => {
    localStorage.setItem("clock-offset", String(3_600_000));
    const { fetch } = globalThis;
    globalThis.fetch = async (address, ...more) => {
      if (new URL(address, location).pathname === "/api/time") {
        const wait = Number(localStorage.getItem("network"));
        await new Promise((done, lost) => (wait < 0 ? lost(new TypeError("no network")) : setTimeout(done, wait)));
      }
      return fetch(address, ...more);
    };
  });
  const network = (wait) => page.evaluate((milliseconds) => localStorage.setItem("network", milliseconds), wait);
  await page.goto("/");
  await network(-1);
  const screen = await RunScreen.begin(page);
  await screen.go.click();
  await expect(page.locator("#net")).toHaveText(/to send/);

  await network(0);

  await expect(page.locator("#net")).toHaveText("Saved");
  await expect(page.locator("#says")).toContainText("has the right time now");
  await expect(screen.clock).toHaveAttribute("data-state", "work");
  await screen.tap("Ada", "Clean");
  await screen.expectScore("Ada", 2);

  // Loaded again it believes the wrong hour until it has measured, and the network is slow: nobody is moved on meanwhile.
  await network(300);
  await page.reload();
  await screen.ready();
  await screen.expectScore("Ada", 2);
  await expect(page.locator("#unkept-open")).toBeHidden();
});
