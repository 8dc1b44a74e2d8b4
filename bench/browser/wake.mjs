// How soon a run screen is awake: from opening it on a phone to the first tap judged, pressed as soon as its pad is there. In a new
// browser and again in the same one, plain and with the processor slowed four times. Prints one JSON line with the median of some
// openings and where the time went. Runs on what ./check or ./demo published; takes the tools of the end-to-end tests.
import { Application, RunScreen, launch, phoneOf } from "./tools.mjs";

const openings = Number(process.env.OPENINGS ?? 5);

/** Presses a pad as soon as there is one: before the core is there, it is kept and judged first of all. */
function pressAtOnce() {
  const looking = setInterval(() => {
    const pad = [...document.querySelectorAll(".pad[data-outcome]")].find(({ offsetParent }) => offsetParent);
    if (pad && globalThis.early) {
      clearInterval(looking);
      performance.mark("pressed");
      pad.dispatchEvent(new PointerEvent("pointerdown", { bubbles: true, button: 0 }));
    }
  }, 10);
}

const marks = ["pressed", "core:fetched", "core:running", "core:bound", "core:opened", "run:shown"];

/** When each thing was there, in milliseconds from the navigation; the screen is shown when the press is judged. */
async function opened(page, address) {
  await page.goto(address);
  await page.locator("#run[aria-busy=false]").waitFor({ timeout: 120_000 });
  await page.locator("#taps li").first().waitFor({ state: "attached" });
  return page.evaluate(
    (names) => Object.fromEntries(names.map((name) => [name, performance.getEntriesByName(name)[0].startTime])),
    marks,
  );
}

const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];
const middle = (all) =>
  Object.fromEntries(Object.keys(all[0]).map((name) => [name, Math.round(median(all.map((each) => each[name])))]));

const app = new Application();
await app.start();
const result = {};
const device = await phoneOf(app);
try {
  const coach = await launch();
  const screen = await RunScreen.begin(await coach.newPage(device));
  await screen.start();
  const address = screen.page.url();
  await coach.close();
  for (const [name, rate] of [
    ["plain", 1],
    ["slowed", 4],
  ]) {
    const found = { cold: [], again: [] };
    for (let i = 0; i < openings; i++) {
      const browser = await launch();
      const page = await browser.newPage({ ...device, serviceWorkers: "block" });
      await page.addInitScript(pressAtOnce);
      const session = await page.context().newCDPSession(page);
      await session.send("Emulation.setCPUThrottlingRate", { rate });
      found.cold.push(await opened(page, address));
      found.again.push(await opened(page, address));
      await browser.close();
    }
    result[name] = { cold: middle(found.cold), again: middle(found.again) };
  }
} finally {
  await app.stop();
}
console.log(JSON.stringify(result));
