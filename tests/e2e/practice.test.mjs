import { readFile } from "node:fs/promises";
import { expect, test } from "./application.mjs";
import { openResult } from "./folds.mjs";
import { RunScreen } from "./run-screen.mjs";

test("a drill is tapped, undone and loaded again, and the clock is right", async ({ page }) => {
  const screen = await RunScreen.begin(page);

  await test.step("what can be done is offered, nothing else", async () => {
    await expect(page.getByRole("button", { name: "spacing" })).toBeHidden();
    await screen.start();
    await expect(page.getByRole("button", { name: "spacing" })).toBeVisible();
    await expect(page.getByRole("button", { name: "Rotate now" })).toBeVisible();
  });

  await test.step("taps count by the card and any of them can be undone", async () => {
    await screen.tap("Ada", "Clean");
    await screen.tap("Ada", "Goal");
    await screen.tap("Bea", "Miss");
    await screen.expectScore("Ada", 3);
    await expect(screen.row("Ada").locator("tally-strokes path")).toHaveCount(1);
    await screen.undo.click();
    await expect(screen.row("Bea").locator(".row-how")).not.toContainText("0 of 1");
    await screen.taps.filter({ hasText: "Ada · Clean" }).getByRole("button", { name: "Undo" }).click();
    await screen.expectScore("Ada", 1);
    await screen.taps.filter({ hasText: "Ada · Clean" }).getByRole("button", { name: "Restore" }).click();
    await screen.expectScore("Ada", 3);
  });

  await test.step("a reload in mid-drill changes nothing and the clock is right", async () => {
    await expect(screen.net).toHaveText("Saved");
    // When the clock was read is known as well as reading it is quick.
    const read = async () => {
      const from = Date.now();
      return { from, left: await screen.seconds(), to: Date.now() };
    };
    const before = await read();
    await page.reload();
    await screen.ready();
    await screen.expectScore("Ada", 3);
    const after = await read();
    const passed = (before.left - after.left) * 1000;
    expect(passed).toBeGreaterThanOrEqual(after.from - before.to - 1500);
    expect(passed).toBeLessThanOrEqual(after.to - before.from + 1500);
  });
});

test.describe("the core of the browser itself, since the server goes", () => {
  test.use({ ownProcess: true, serviceWorkers: "allow" });

  test("a practice outlives what happens to it: a lost server, a tap in the moment of a reload", async ({
    page,
    app,
  }) => {
    const screen = await RunScreen.begin(page);
    await screen.start();

    await test.step("the server is killed, taps go on, the server comes back and has them all", async () => {
      await screen.tap("Ada", "Clean");
      await expect(screen.net).toHaveText("Saved");
      // The clock stands meanwhile: how long a machine takes for all this is not its business.
      await screen.go.click();
      await expect(screen.clock).toHaveAttribute("data-state", "paused");
      await app.kill();
      await screen.tap("Cleo", "Clean");
      await screen.tap("Cleo", "Clean");
      await expect(screen.net).toHaveText(/wait since/);
      await page.reload();
      await screen.ready();
      await screen.expectScore("Cleo", 4);
      await app.start();
      await expect(screen.net).toHaveText("Saved");
      const results = await page.request.get("/results/1?handler=Csv");
      expect(await results.text()).toMatch(/Cleo Hartnett,,1,4,2,2/);
    });

    await test.step("taps in the very moment of a reload are there after it", async () => {
      const miss = screen.row("Cleo").getByRole("button", { name: "Miss" });
      await Promise.all([
        page.waitForEvent("load"),
        miss.evaluate((button) => {
          button.click();
          button.click();
          location.reload();
        }),
      ]);
      await screen.ready();
      await expect(screen.row("Cleo").locator(".row-how")).toContainText("2 of 4");
      await expect(screen.net).toHaveText("Saved");
      expect(
        await page.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith("last-words"))),
      ).toEqual([]);
    });
  });
});

test.describe("the core of the browser beside the same core elsewhere", () => {
  test.use({ core: "both" });

  test("a whole practice: change-over, gates, a match, water, results", async ({ page }) => {
    const screen = await RunScreen.begin(page);
    await screen.start();
    await screen.tap("Ada", "Clean");
    await screen.tap("Ada", "Goal");
    await screen.tap("Bea", "Miss");
    await screen.undo.click();

    await test.step("at the end of the minute everyone is told where to go, and the pads follow", async () => {
      await page.getByRole("button", { name: "Stop the work now" }).click();
      await expect(screen.clock).toHaveAttribute("data-state", "change");
      await expect(page.locator("#prompt")).toContainText("moves on");
      const ada = screen.drill.locator(".people li.is-moving").filter({ hasText: "Ada" });
      await expect(ada).toContainText("shooter");
      await expect(ada.locator(".to")).toHaveText("rebounder");
      await screen.tap("Ada", "Goal");
      await screen.expectScore("Ada", 4);
      await page.getByRole("button", { name: "Begin the work now" }).click();
      await expect(screen.clock).toHaveAttribute("data-state", "work");
      await expect(screen.row("Juno")).toHaveCount(1);
      await expect(screen.row("Ada")).toHaveCount(0);
      await screen.tap("Juno", "Clean");
    });

    await test.step("gates: five of seven, lost at the third miss", async () => {
      await screen.endDrill();
      await expect(screen.drill.locator("h1")).toHaveText("Three gates");
      await expect(page.getByRole("button", { name: "Rotate now" })).toBeHidden();
      await expect(page.getByRole("button", { name: "spacing" })).toBeHidden();
      await screen.start();
      for (const outcome of ["Make", "Miss", "Miss"]) {
        await screen.tap("Ada", outcome);
      }
      await expect(screen.row("Ada").locator("gate-window i.gate-m")).toHaveCount(2);
      await screen.tap("Ada", "Miss");
      await expect(screen.row("Ada").locator("gate-window i.gate-open")).toHaveCount(7);
      for (let i = 0; i < 5; i++) {
        await screen.tap("Esme", "Make");
      }
      await expect(screen.row("Esme")).toContainText("Middle");
      await screen.expectScore("Esme", 1);
    });

    await test.step("a match to eleven by two ends itself", async () => {
      await screen.endDrill();
      await screen.start();
      for (let i = 0; i < 10; i++) {
        await screen.tap("Plain", "Ball won");
        await screen.tap("Striped", "Stop");
      }
      await screen.tap("Plain", "Goal");
      await expect(screen.clock).toHaveAttribute("data-state", "work");
      await screen.tap("Plain", "Goal");
      await expect(screen.drill.locator(".sheet-result")).toHaveText("Plain won, 12 to 10.");
      await screen.go.click();
    });

    await test.step("water has a clock and no pads; what is left is ended unreached", async () => {
      await expect(screen.drill.getByRole("heading", { level: 1 })).toHaveText("Water");
      await expect(page.locator("#prompt")).toHaveText(
        "Win it, score it: Plain won, 12 to 10. Water. Start its clock, or end it and go on.",
      );
      await screen.go.click();
      await expect(screen.clock).toHaveAttribute("data-state", "break");
      const end = page.locator("[data-command=endPractice]");
      await end.click();
      await end.click();
      await expect(page.getByRole("heading", { name: "Practice done" })).toBeVisible();
      await expect(page.locator("#over-result")).toContainText(
        "Not reached: Circuit of 4; Small sides; Round and back.",
      );
      await page.getByRole("button", { name: "Undo: back to the practice" }).click();
      await expect(screen.drill.getByRole("heading", { level: 1 })).toHaveText("Water");
      await end.click();
      await end.click();
      await expect(page.getByRole("heading", { name: "Practice done" })).toBeVisible();
    });

    await test.step("the core of the browser has answered as the same core does elsewhere, call by call", async () => {
      const { calls, differences } = await page.evaluate(() => globalThis.compared);
      expect(differences).toEqual([]);
      expect(calls.Tap).toBeGreaterThan(30);
      expect(Object.keys(calls)).toEqual(
        expect.arrayContaining(["Open", "Glance", "Look", "Clock", "Pulse", "Signals", "Execute", "Undo"]),
      );
    });

    await test.step("the results stand and go out as CSV", async () => {
      await page.getByRole("link", { name: "Read the results" }).click();
      const trios = await openResult(page, /Minute trios/);
      await expect(trios.getByRole("row").nth(1)).toContainText("Ada Fenwick");
      const match = await openResult(page, /Win it/);
      await expect(match.getByRole("row").nth(1)).toContainText("Plain");
      const download = page.waitForEvent("download");
      await page.getByText("Export", { exact: true }).click();
      await page.getByRole("link", { name: "CSV", exact: true }).click();
      const csv = await readFile(await (await download).path(), "utf8");
      expect(csv.split("\r\n")[0]).toContain("Drill,Part,Group,Id,Number,Name");
      expect(csv).not.toContain("Water");
      expect(csv.match(/^.*,(Win it, score it|"Win it, score it").*$/gm)).toHaveLength(2);
      expect(csv).toMatch(/Ada Fenwick,,1,4,3,3/);
    });
  });
});
