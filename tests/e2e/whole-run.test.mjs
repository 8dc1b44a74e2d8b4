// What nothing in a gym may stop: horns on the audio clock, taps put right, keys that were learnt, one hand.
import { readFile } from "node:fs/promises";
import { expect, test } from "./application.mjs";
import { openResult } from "./folds.mjs";
import { RunScreen } from "./run-screen.mjs";

const voices = new URL("../../src/KeepTally.Web/Scripts/run/voices.js", import.meta.url);
const near = 20;

/** What reading two clocks one after the other may add: the audio clock moves on by a whole buffer. */
const reading = 10;

/** Notes down every voice as it is planned: its pitch, when it is to sound by the wall clock, and whether it was taken back. */
function listen() {
  window.planned = [];
  const create = BaseAudioContext.prototype.createOscillator;
  BaseAudioContext.prototype.createOscillator = function () {
    const voice = create.call(this);
    const [start, disconnect] = [voice.start.bind(voice), voice.disconnect.bind(voice)];
    const note = { taken: false };
    voice.start = (when) => {
      Object.assign(note, { hz: Math.round(voice.frequency.value), at: Date.now() + (when - this.currentTime) * 1000 });
      window.planned.push(note);
      start(when);
    };
    voice.disconnect = () => {
      note.taken = true;
      disconnect();
    };
    return voice;
  };
}

/** When the lowest note of the horn is to sound, of those that were not taken back. */
const horns = (page) =>
  page.evaluate(() => window.planned.filter(({ hz, taken }) => hz === 233 && !taken).map(({ at }) => at));

/** How many of them are still to come, by the clock of the page. */
const hornsToCome = (page) =>
  page.evaluate(() => window.planned.filter(({ hz, taken, at }) => hz === 233 && !taken && at > Date.now()).length);

const hornAt = async (page) => Math.max(...(await horns(page)));

/** The moments at which an event of a type was said, by the wall clock. */
async function saidAt(page, type) {
  const [origin, practice] = await page.locator("#run").evaluate(({ dataset }) => [dataset.origin, dataset.practice]);
  const lines = await page.evaluate(async (id) => {
    const stream = new EventSource(`/api/practices/${id}/events?after=0`);
    const heard = [];
    stream.onmessage = ({ data }) => heard.push(JSON.parse(JSON.parse(data).line));
    await new Promise((done) => stream.addEventListener("ready", done));
    stream.close();
    return heard;
  }, practice);
  return lines.filter((line) => line.type === type).map((line) => line.at + Number(origin));
}

test.describe("the core of the browser itself, beside a busy script", () => {
  test.use({ core: "compiled" });

  test("the horn is planned well ahead, to twenty milliseconds, and no busy script delays it", async ({ page }) => {
    await page.addInitScript(listen);
    const screen = await RunScreen.begin(page);
    // Its count-in is waited for: what is planned is not to leap.
    await screen.go.click();
    await expect(screen.clock).toHaveAttribute("data-state", "work");
    await expect(screen.net).toHaveText("Saved");

    await test.step("as soon as work begins it is known when the horn sounds", async () => {
      const [begun] = await saidAt(page, "start");
      const countIn = (await screen.seconds()) > 0 && (await page.evaluate(() => window.planned.length)) > 0 ? 5000 : 0;
      await expect.poll(() => hornAt(page)).toBeGreaterThan(begun);
      expect(Math.abs((await hornAt(page)) - begun - countIn - 60_000)).toBeLessThanOrEqual(near + reading);
    });

    await test.step("a script that is busy for two seconds changes nothing", async () => {
      const before = await hornAt(page);
      await page.evaluate(() => {
        const until = Date.now() + 2000;
        while (Date.now() < until);
      });
      await page.waitForTimeout(300);
      expect(Math.abs((await hornAt(page)) - before)).toBeLessThanOrEqual(near + reading);
    });

    await test.step("in a pause nothing is planned, and after it the horn is as much later", async () => {
      const before = await hornAt(page);
      await screen.go.click();
      await expect.poll(async () => (await horns(page)).length).toBe(0);
      await page.waitForTimeout(700);
      await screen.go.click();
      await expect.poll(async () => (await horns(page)).length).toBe(1);
      await expect(screen.net).toHaveText("Saved");
      const [[paused], [resumed]] = [await saidAt(page, "pause"), await saidAt(page, "resume")];
      expect(Math.abs((await hornAt(page)) - before - (resumed - paused))).toBeLessThanOrEqual(near + reading);
    });

    await test.step("twenty seconds less move it, and work stopped by hand takes it back", async () => {
      const before = await hornAt(page);
      await page.getByRole("button", { name: "20 seconds less" }).click();
      await expect
        .poll(async () => Math.abs((await hornAt(page)) - before + 20_000))
        .toBeLessThanOrEqual(near + reading);
      await page.getByRole("button", { name: "Stop the work now" }).click();
      await expect(screen.clock).toHaveAttribute("data-state", "change");
      await page.getByRole("button", { name: "Begin the work now" }).click();
      await expect(screen.clock).toHaveAttribute("data-state", "work");
      expect(await screen.clock.locator("[data-clock=round]").textContent()).toContain("Round 2");
    });

    await test.step("what is switched off is not planned", async () => {
      await page.locator("#this-screen-open").click();
      await page.getByRole("checkbox", { name: "Work is over" }).uncheck();
      await expect.poll(() => hornsToCome(page)).toBe(0);
    });
  });
});

test("every signal begins within twenty milliseconds of its moment, as it is rendered", async ({ page }) => {
  await page.route("**/voices-under-test.js", async (route) =>
    route.fulfill({ contentType: "text/javascript", body: await readFile(voices, "utf8") }),
  );
  await page.goto("/");
  const moments = { call: 1, go: 2.25, surprise: 3.5, rep: 5, horn: 6.125 };
  const onsets = await page.evaluate(async (moments) => {
    const { voice } = await import("/voices-under-test.js");
    const rate = 44_100;
    const context = new OfflineAudioContext(1, 8 * rate, rate);
    Object.entries(moments).forEach(([kind, at]) => voice(context, context.destination, kind, at));
    const heard = (await context.startRendering()).getChannelData(0);
    const quiet = 0.3 * rate;
    let last = -quiet;
    const onsets = [];
    heard.forEach((value, i) => {
      if (Math.abs(value) > 0.005) {
        if (i - last > quiet) {
          onsets.push(i / rate);
        }
        last = i;
      }
    });
    return onsets;
  }, moments);
  expect(onsets).toHaveLength(Object.keys(moments).length);
  Object.values(moments).forEach((at, index) => expect(Math.abs(onsets[index] - at) * 1000).toBeLessThanOrEqual(near));
});

test("a tap is put right by thumb, on every device, and the results say so", async ({ page, browser, app }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const screen = await RunScreen.begin(page);
  await screen.start();
  const context = await browser.newContext({ storageState: process.env.SIGNED_IN, baseURL: app.url });
  const other = new RunScreen(await context.newPage());
  await other.page.goto(page.url());
  await other.ready();
  await screen.tap("Ada", "Clean");
  await other.expectScore("Ada", 2);

  await page.getByRole("button", { name: /^More/ }).click();
  await page.locator("[data-more=taps]").click();
  await page.getByRole("button", { name: "Change Ada · Clean" }).click();
  const dialog = page.getByRole("dialog", { name: "Change this tap" });
  await dialog.getByRole("button", { name: "Juno" }).click();
  await expect(dialog.getByRole("button", { name: "Juno" })).toHaveAttribute("aria-pressed", "true");
  await dialog.getByRole("button", { name: "Goal" }).click();
  await dialog.getByRole("button", { name: "Done" }).click();
  await expect(screen.taps.first()).toContainText("Juno · Goal (was Ada · Clean)");
  await page.locator("#more-done").click();
  await page.getByRole("button", { name: /^More/ }).click();
  await page.locator("[data-more=notes]").click();
  await page.getByRole("textbox", { name: "Note" }).fill("looks up before the shot");
  await page.getByRole("combobox", { name: "About" }).selectOption({ label: "Bea Marlowe" });
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(screen.taps.first()).toContainText("Bea: looks up before the shot");

  await other.expectScore("Ada", 0);
  await expect(screen.net).toHaveText("Saved");
  await other.page.goto("/results/1");
  await openResult(other.page, /Minute trios/);
  await other.page.getByText("One tap corrected afterwards").click();
  await expect(other.page.getByText("Juno · Goal, was Ada · Clean")).toBeVisible();
  await expect(other.page.getByText("looks up before the shot")).toBeVisible();
  await context.close();
});

test("a clicker's keys are learnt by pressing them, and the other thumb is kept", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const screen = await RunScreen.begin(page);
  await screen.start();
  const places = async () => {
    const pads = await screen.row("Ada").locator(".pad:visible").all();
    return Promise.all(pads.map(async (pad) => Math.round((await pad.boundingBox()).x)));
  };
  const before = await places();

  await page.getByRole("button", { name: /^More/ }).click();
  await page.locator("[data-more=screen]").click();
  await page.locator("#this-screen-open").click();
  const dialog = page.getByRole("dialog", { name: "This screen" });
  for (const [action, key] of [
    ["First button of the chosen one", "PageDown"],
    ["Choose the next one", "PageUp"],
    ["Stop to teach", "F5"],
  ]) {
    await dialog.getByRole("button", { name: `Learn a key: ${action}` }).click();
    await page.keyboard.press(key);
    await expect(dialog.locator(".key-line").filter({ hasText: action })).toContainText(key);
  }
  await dialog.getByRole("textbox", { name: "Call the time left at" }).fill("20 soon");
  await dialog.getByText("Left", { exact: true }).click();
  await expect(dialog.getByText('"soon" is no number of seconds')).toBeVisible();
  await dialog.getByRole("textbox", { name: "Call the time left at" }).fill("20");
  await dialog.getByText("Edge of the screen flashes").click();
  await expect(screen.clock.locator(".notches i")).toHaveCount(1);
  await dialog.getByText("Larger").click();
  await dialog.getByRole("button", { name: "Done" }).click();

  await page.keyboard.press("PageDown");
  await expect(screen.taps).toHaveCount(1);
  const first = await screen.taps.first().textContent();
  await page.keyboard.press("PageUp");
  await page.keyboard.press("PageDown");
  await expect(screen.taps).toHaveCount(2);
  expect(await screen.taps.first().textContent()).not.toBe(first);
  await page.keyboard.press("F5");
  await expect(screen.clock).toContainText("Teaching stop");
  await page.keyboard.press("Space");
  await expect(screen.clock).toHaveAttribute("data-state", "work");

  expect(await places()).toEqual(before.toReversed());
  await page.reload();
  await screen.ready();
  expect(await places()).toEqual(before.toReversed());
  const heights = await screen.drill.locator(".pad:visible").all();
  expect((await heights[0].boundingBox()).height).toBeGreaterThanOrEqual(90);
});

test("at the horn no pad moves from under the thumb that counts the last ball", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const screen = await RunScreen.begin(page);
  await screen.start();
  const tops = async () =>
    Promise.all(
      ["Ada", "Bea", "Cleo"].map(async (name) => (await screen.row(name).locator(".pad").first().boundingBox()).y),
    );
  const before = await tops();
  await page.getByRole("button", { name: /^More/ }).click();
  await page.locator("[data-more=clock]").click();
  await page.getByRole("button", { name: "Stop the work now" }).click();
  await expect(screen.clock).toHaveAttribute("data-state", "change");
  await expect(page.locator("#longer")).toBeVisible();
  expect(await tops()).toEqual(before);
  await screen.tap("Bea", "Goal");
  await screen.expectScore("Bea", 1);
});

test("what was said of a tap does not stand beyond the horn", async ({ page }) => {
  const screen = await RunScreen.begin(page);
  await screen.start();
  await screen.tap("Ada", "Clean");
  await expect(page.locator("#why")).toContainText("2 to Ada");

  // Another device stops the work, so that nothing else is said here.
  const other = await page.context().newPage();
  await other.goto("/run/1");
  await new RunScreen(other).ready();
  await other.getByRole("button", { name: "Stop the work now" }).click();

  await expect(screen.clock).toHaveAttribute("data-state", "change");
  await expect(page.locator("#why")).toBeEmpty();
});

test("a whole practice is run by keyboard alone: every block, a stop to teach, an undo, the results", async ({
  page,
}) => {
  await page.goto("/");
  await page.getByRole("button", { name: "Start practice" }).focus();
  await page.keyboard.press("Enter");
  const screen = new RunScreen(page);
  await screen.ready();
  const blocks = await page.locator(".run-strip li").count();
  expect(blocks).toBeGreaterThanOrEqual(5);

  let tapped = 0;
  for (let block = 0; block < blocks; block++) {
    await expect(page.locator(`.run-strip [data-block="${block}"]`)).toHaveAttribute("aria-current", "step");
    await expect(screen.clock).toHaveAttribute("data-state", "ready");
    await page.keyboard.press("Space");
    const plain = '.pad[data-key]:is([data-reading=""], :not([data-reading])):visible';
    if ((await screen.drill.locator(plain).count()) > 0) {
      tapped++;
      await screen.expectWork();
      await page.keyboard.press("1");
      await page.keyboard.press(
        await screen.drill.locator(`.row-pad.is-chosen ${plain}`).first().getAttribute("data-key"),
      );
      await expect(screen.taps).toHaveCount(1);
      await page.keyboard.press("Backspace");
      await expect(screen.taps.first()).toHaveClass(/is-undone/);
      await page.keyboard.press("t");
      await expect(screen.clock).toContainText("Teaching stop");
      await page.keyboard.press("Space");
      await expect(screen.clock).toHaveAttribute("data-state", "work");
    }
    await page.keyboard.press("End");
    await page.keyboard.press("End");
  }

  expect(tapped).toBeGreaterThanOrEqual(5);
  await expect(page.getByRole("heading", { name: "Practice done" })).toBeVisible();
  await page.getByRole("link", { name: "Read the results" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByText(/^Teaching stops in all: no reason given/)).toBeVisible();
});
