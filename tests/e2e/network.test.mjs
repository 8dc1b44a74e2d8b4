import { appendFileSync, cpSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { basename, dirname, join } from "node:path";
import { expect, test } from "./application.mjs";
import { built } from "./program.mjs";
import { RunScreen, expectOneClock } from "./run-screen.mjs";
import { signIn } from "./sign-in.mjs";

test.use({ serviceWorkers: "allow", core: "compiled" });

test("without a network the pad works, survives a reload, and sends when it can", async ({ page, context }) => {
  const screen = await RunScreen.begin(page);
  await screen.start();
  await screen.tap("Ada", "Clean");
  await expect(screen.net).toHaveText("Saved");
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.reload();
  await screen.ready();

  await context.setOffline(true);
  await screen.tap("Ada", "Goal");
  await screen.expectScore("Ada", 3);
  await page.locator("#who-open").click();
  await page.getByLabel("Guest", { exact: true }).fill("Nia Farrow");
  await page.getByRole("button", { name: "Add guest" }).click();
  await expect(page.locator("#who-hint")).toHaveText("Nia Farrow is in.");
  await page.getByRole("button", { name: "Done" }).click();
  await expect(page.locator("#undo-what")).toContainText("Nia in");
  await page.reload();
  await screen.ready();
  await screen.expectScore("Ada", 3);
  await expect(page.locator("#undo-what")).toContainText("Nia in");
  await screen.tap("Dora", "Goal");
  await expect(screen.net).toHaveText(/wait since/);
  await page.goto("/squad");
  await expect(page.getByRole("heading", { name: "No network" })).toBeVisible();
  await page.getByRole("link", { name: "Continue practice" }).click();
  await screen.ready();
  await screen.expectScore("Dora", 1);

  await context.setOffline(false);
  await expect(screen.net).toHaveText("Saved");
  // Who joined without a network is known to all since, and once.
  await page.reload();
  await screen.ready();
  await expect(screen.taps.filter({ hasText: "Nia in" })).toHaveCount(1);
  await page.locator("#who-open").click();
  await expect(page.locator(".who-chip", { hasText: "Nia" })).toHaveCount(1);
  await page.getByRole("button", { name: "Done" }).click();
  const csv = await (await page.request.get("/results/1?handler=Csv")).text();
  expect(csv).toMatch(/Ada Fenwick,,1,3,2,2/);
  expect(csv).toMatch(/Dora Quill,,2,1,1,1/);
  expect(csv).toContain("Nia Farrow");
});

test("a tap on one device is seen on another, and undone there", async ({ page, browser, app }) => {
  const one = await RunScreen.begin(page);
  const other = await (await browser.newContext({ baseURL: app.url })).newPage();
  await other.goto("/run/1");
  const two = new RunScreen(other);
  await two.ready();

  await one.start();
  await expect(two.clock).toHaveAttribute("data-state", "work");
  await one.tap("Bea", "Clean");
  await two.expectScore("Bea", 2);
  // It is not this device's own tap: it is named, and asked about.
  await expect(two.undo).toContainText("Other device: Bea · Clean");
  await two.undo.click();
  await expect(two.undo).toContainText("Sure?");
  await two.expectScore("Bea", 2);
  await two.undo.click();
  await one.expectScore("Bea", 0);
  await expectOneClock(one, two);

  // What was said of a tap goes with it, its mark too.
  const why = page.locator("#why");
  for (let taps = 0; taps < 20 && (await why.getAttribute("data-mark")) !== "best"; taps++) {
    await one.tap("Ada", "Clean");
  }
  await expect(why).toHaveAttribute("data-mark", "best");
  await expect(two.row("Ada").locator(".row-score")).toHaveText(
    await one.row("Ada").locator(".row-score").textContent(),
  );
  await two.undo.click();
  await two.undo.click();
  await expect(why).toHaveText("");
  await expect(why).toHaveAttribute("data-mark", "");

  // Something said is told as not sent yet from the very press on, not only once this device has kept it.
  await expect(one.net).toHaveText("Saved");
  const told = await one
    .row("Ada")
    .getByRole("button", { name: "Clean" })
    .evaluate((pad) => {
      pad.click();
      return document.getElementById("net").textContent;
    });
  expect(told).toBe("1 to send");
  await expect(one.net).toHaveText("Saved");
});

test("an hour with the server gone changes nothing: drills, stops, who goes, a reload, what there is to read", async ({
  page,
  context,
}) => {
  const screen = await RunScreen.begin(page);
  await expect
    .poll(() =>
      page.evaluate(
        async () => Boolean(await caches.match("/drills/three-gates")) && Boolean(await caches.match("/run/1")),
      ),
    )
    .toBe(true);
  await context.setOffline(true);
  // Only now: a moved clock takes from the page the list of what it has loaded.
  await page.clock.install();
  await page.reload();
  await screen.ready();

  await screen.go.click();
  await page.clock.runFor(6000);
  await expect(screen.clock).toHaveAttribute("data-state", "work");
  await screen.tap("Ada", "Clean");
  await page.clock.fastForward(70_000);
  await expect(screen.row("Juno")).toBeVisible();
  await expect(page.locator("#net-said")).toHaveText("No network");
  await screen.endDrill();
  await expect(page.getByRole("heading", { name: "Three gates" })).toBeVisible();
  await screen.go.click();
  await page.clock.runFor(6000);
  await screen.tap("Ada", "Make");
  await page.getByRole("button", { name: "spacing" }).click();
  await expect(screen.go).toHaveText("Resume");
  await screen.go.click();
  await page.locator("#who-open").click();
  await page.getByRole("button", { name: "Bea off" }).click();
  await page.getByRole("button", { name: "Done" }).click();
  await expect(screen.row("Bea")).toBeHidden();
  await page.clock.fastForward("57:00");
  await screen.endDrill();
  await expect(page.getByRole("heading", { name: "Win it, score it" })).toBeVisible();
  const waiting = await screen.net.textContent();
  expect(waiting).toMatch(/^\d+ wait since/);

  await page.reload();
  await screen.ready();
  await expect(page.getByRole("heading", { name: "Win it, score it" })).toBeVisible();
  await expect(screen.net).toHaveText(waiting);
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "Shooting under pressure" })).toBeVisible();
  await page.goto("/drills/three-gates");
  await expect(page.getByRole("heading", { name: "Three gates" }).first()).toBeVisible();
});

test("a window that keeps nothing says so before anything is lost", async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException("refused", "SecurityError");
    };
  });
  const screen = await RunScreen.begin(page);
  await expect(screen.net).toHaveText("Sent, not kept");
  await expect(page.locator("#says")).toContainText("cannot save taps");
  await screen.start();
  // Nothing is kept here: it must be with the others before the page goes.
  const sent = page.waitForResponse((answer) => answer.url().includes("/api/sheets/") && answer.ok());
  await screen.tap("Ada", "Clean");
  await screen.expectScore("Ada", 2);
  await sent;
  await page.reload();
  await screen.ready();
  await screen.expectScore("Ada", 2);
});

test("what waits outlives a storage that is cleared under an open page, and the coach is told", async ({
  app,
  page,
  context,
}) => {
  const screen = await RunScreen.begin(page);
  await screen.start();
  await context.setOffline(true);
  await screen.tap("Ada", "Clean");
  await expect(screen.net).toHaveText(/wait since/);
  const session = await context.newCDPSession(page);
  await session.send("Storage.clearDataForOrigin", { origin: app.url, storageTypes: "indexeddb" });
  await expect(page.locator("#says")).toContainText("deleted what was saved");
  await context.setOffline(false);
  await expect(screen.net).toHaveText("Saved");
  const other = await context.newPage();
  await other.goto("/run/1");
  await new RunScreen(other).expectScore("Ada", 2);
});

test("a page of another release finds no core: an old script never meets a new one", async ({ page }) => {
  await page.goto("/signin");
  const release = await page.locator("meta[name=release]").getAttribute("content");
  const core = (of) => page.request.get(`/_framework/dotnet.js?release=${of}`);
  expect((await core(release)).status()).toBe(200);
  expect((await core("another")).status()).toBe(404);
});

test.describe("a server that goes and comes back", () => {
  test.use({ ownProcess: true });

  test("an acknowledged tap outlives kill -9 and is never doubled", async ({ app, request }) => {
    const cookie = await signIn(app.url);
    const page = await (await request.get("/")).text();
    const token = page.match(/name="__RequestVerificationToken"[^>]*value="([^"]+)"/)[1];
    const start = await request.post("/?handler=Start", { form: { practice: "1", __RequestVerificationToken: token } });
    const practice = JSON.parse(
      (await start.text()).match(/<script type="application\/json" id="practice">(.*?)<\/script>/s)[1],
    );
    const sheet = practice.runs[2].sheets[0].id;
    const send = (n) =>
      fetch(`${app.url}/api/sheets/${sheet}/events`, {
        method: "POST",
        headers: { "Content-Type": "application/x-ndjson", cookie },
        body: JSON.stringify({ device: "k", n, at: n, type: "tap", unit: "plain", outcome: "goal" }),
      }).then(
        (response) => response.ok,
        () => false,
      );

    const acknowledged = new Set();
    let n = 0;
    for (let life = 0; life < 3; life++) {
      while (!(await send(++n))) {
        // The first answer of a life is slow; the killing waits for it.
      }
      acknowledged.add(n);
      const killed = new Promise((done) => setTimeout(done, 1500 + 150 * life)).then(() => app.kill());
      let alive = true;
      killed.then(() => (alive = false));
      while (alive) {
        n++;
        // Each tap is sent twice at once: it must count once.
        if ((await Promise.all([send(n), send(n)])).some(Boolean)) {
          acknowledged.add(n);
        }
      }
      await killed;
      await app.start();
    }

    const stream = await fetch(`${app.url}/api/practices/1/events?after=0`, { headers: { cookie } });
    let heard = "";
    for await (const chunk of stream.body.pipeThrough(new TextDecoderStream())) {
      heard += chunk;
      if (heard.includes("event: ready")) {
        break;
      }
    }
    const kept = [...heard.matchAll(/^data: (\{"sheet":"\w{32}".*)$/gm)].map(
      (match) => JSON.parse(JSON.parse(match[1]).line).n,
    );
    expect(acknowledged.size).toBeGreaterThan(20);
    expect(new Set(kept).size).toBe(kept.length);
    expect([...acknowledged].filter((number) => !kept.includes(number))).toEqual([]);
  });

  test("after an update a page takes script and core of the new release, and what was kept of the old goes", async ({
    app,
    page,
    context,
  }) => {
    const folder = mkdtempSync(join(tmpdir(), "keep-tally-newer-"));
    try {
      const screen = await RunScreen.begin(page);
      const names = () => page.evaluate(() => caches.keys());
      await expect.poll(names).toHaveLength(1);
      const [old] = await names();
      // All of it is at hand before the server goes: on a busy machine that takes a while.
      const atHand = (path) => page.evaluate(async (kept) => Boolean(await caches.match(kept)), path);
      await expect.poll(() => atHand("/offline")).toBe(true);
      await expect.poll(() => atHand("/run/1")).toBe(true);
      await app.close();
      // The same program with another list of files: a newer release.
      cpSync(dirname(built), folder, { recursive: true });
      appendFileSync(join(folder, "KeepTally.Web.staticwebassets.endpoints.json"), "\n");
      app.program = join(folder, basename(built));
      await app.start();

      // The page that stayed open goes on with what it has, and nothing of it goes.
      await expect(screen.net).toHaveText("Saved");
      await screen.start();
      await screen.tap("Ada", "Clean");
      expect(await names()).toEqual([old]);

      // The first answer of a program that has just started may take longer than the page waits for it.
      await page.request.get("/run/1");
      await page.reload();
      await screen.ready();
      await screen.expectScore("Ada", 2);
      // The new release is fetched whole first, which takes its time on a busy machine.
      await expect.poll(names).not.toContain(old);
      await expect.poll(() => page.evaluate(async () => Boolean(await caches.match("/run/1")))).toBe(true);
      await context.setOffline(true);
      await page.reload();
      await screen.ready();
      await screen.expectScore("Ada", 2);
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  });
});
