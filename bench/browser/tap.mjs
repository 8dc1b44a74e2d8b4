// What a tap costs the browser: a run screen with twelve pads, tapped by a thumb, beside a fixed piece of script in the same
// page, and how soon the players' board on another device shows it. Prints one JSON line. Runs on what ./check or ./demo published; takes the tools of the end-to-end tests.
import { Application, RunScreen, launch, phoneOf } from "./tools.mjs";

const taps = Number(process.env.TAPS ?? 60);

const quantile = (times, share) => times.toSorted((a, b) => a - b)[Math.floor(times.length * share)];
const figures = (times) => ({ median: quantile(times, 0.5), p95: quantile(times, 0.95) });

/** Some arithmetic and some text, always the same: how fast the page is just now. */
function yardstick() {
  const began = performance.now();
  let sum = 0;
  let text = "";
  for (let i = 0; i < 200_000; i++) {
    sum = (sum * 31 + i) % 1_000_003;
    text = i % 100 === 0 ? String(sum) : text + (i % 7);
  }
  globalThis.yardstick = sum + text.length;
  return performance.now() - began;
}

/** Presses the misses of all rows in turn, so that nobody wins; the time the handler takes, until the screen is changed. */
async function press(count) {
  const pads = [...document.querySelectorAll("[data-drill]:not([hidden]) .pad[data-outcome=miss]")].filter((pad) => pad.offsetParent);
  const times = [];
  for (let i = 0; i < count; i++) {
    const pad = pads[i % pads.length];
    const box = pad.getBoundingClientRect();
    const event = new PointerEvent("pointerdown", { bubbles: true, button: 0, clientX: box.x + 5, clientY: box.y + 5 });
    const began = performance.now();
    pad.dispatchEvent(event);
    times.push(performance.now() - began);
    await new Promise((done) => setTimeout(done, 120));
  }
  return times;
}

/** All script the page runs for a press, its keeping, its sending and the echo of the server too, as a sampling profiler sees it. */
async function scriptPerTap(page, session, count) {
  const script = async (doing) => {
    await session.send("Profiler.start");
    await doing();
    const { profile } = await session.send("Profiler.stop");
    const waits = new Set(
      profile.nodes
        .filter(({ callFrame }) => ["(idle)", "(program)", "(root)"].includes(callFrame.functionName))
        .map(({ id }) => id),
    );
    return profile.samples.reduce((sum, id, i) => sum + (waits.has(id) ? 0 : profile.timeDeltas[i] / 1000), 0);
  };
  const still = await script(() => page.waitForTimeout(120 * count));
  return ((await script(() => page.evaluate(press, count))) - still) / count;
}

/** Waits on the board for its next change, and tells when the frame with it was drawn, by the machine's clock. */
function nextFrame() {
  const grid = document.querySelector("[data-boards]");
  return new Promise((done) => {
    const seen = new MutationObserver(() => {
      seen.disconnect();
      // A message posted in a frame's own turn is taken once that frame is drawn.
      const { port1, port2 } = new MessageChannel();
      port1.onmessage = () => done(performance.timeOrigin + performance.now());
      requestAnimationFrame(() => port2.postMessage(null));
    });
    seen.observe(grid, { childList: true, subtree: true, characterData: true });
  });
}

/** Presses what changes the score, or takes it back; tells when, by the machine's clock. */
function change(undo) {
  const pad = document.querySelector("[data-drill]:not([hidden]) .pad[data-outcome=clean]");
  const began = performance.timeOrigin + performance.now();
  if (undo) {
    document.getElementById("undo").click();
  } else {
    pad.dispatchEvent(new PointerEvent("pointerdown", { bubbles: true, button: 0 }));
  }
  return began;
}

/** From a press on the run screen to the frame of the board on another device that shows it. */
async function toBoard(run, board, count) {
  const times = [];
  for (let i = 0; i < count; i++) {
    const drawn = board.evaluate(nextFrame);
    await run.waitForTimeout(150);
    const began = await run.evaluate(change, i % 2 === 1);
    times.push((await drawn) - began);
  }
  return times;
}

const app = new Application();
await app.start();
const browser = await launch();
const page = await browser.newPage(await phoneOf(app));
const session = await page.context().newCDPSession(page);
await session.send("Profiler.enable");
await session.send("Profiler.setSamplingInterval", { interval: 200 });
const result = {};
try {
  await page.goto("/drills/minute-trios");
  await page.locator(".put-more > summary").click();
  await page.locator("select[name=practice]").selectOption("");
  await page.getByRole("button", { name: "Add to practice" }).click();
  await page.getByRole("button", { name: "Start practice" }).click();
  const screen = new RunScreen(page);
  await screen.ready();
  await screen.go.click();
  await page.waitForTimeout(6000);
  result.pads = await page.locator("[data-drill]:not([hidden]) .pad:visible").count();
  const board = await (
    await browser.newContext({
      baseURL: app.url,
      viewport: { width: 1280, height: 800 },
      storageState: await page.context().storageState(),
    })
  ).newPage();
  await board.goto(page.url().replace("/run/", "/board/"));
  await board.locator("#board[aria-busy=false]").waitFor();
  result.board = figures(await toBoard(page, board, taps));
  await board.close();
  result.rows = await page.locator("[data-drill]:not([hidden]) .row-pad").count();
  for (const [name, rate] of [
    ["plain", 1],
    ["slowed", 4],
  ]) {
    await session.send("Emulation.setCPUThrottlingRate", { rate });
    await page.evaluate(press, 20);
    const beside = [];
    for (let i = 0; i < 9; i++) {
      beside.push(await page.evaluate(yardstick));
    }
    result[name] = {
      press: figures(await page.evaluate(press, taps)),
      scriptPerTap: await scriptPerTap(page, session, taps),
      yardstick: quantile(beside, 0.5),
    };
  }
} finally {
  await browser.close();
  await app.stop();
}
console.log(JSON.stringify(result));
