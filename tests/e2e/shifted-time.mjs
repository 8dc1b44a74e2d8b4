// All tests live at noon, whatever the hour: server and pages have a clock that goes as fast as the machine's, but so many
// milliseconds on, so that no day ends while they run.
process.env.KEEP_TALLY_SHIFT ??= String(new Date().setHours(12, 0, 0, 0) - Date.now());

/** Milliseconds from the machine's clock to that of the tests. */
export const shift = Number(process.env.KEEP_TALLY_SHIFT);

// How far the application that runs now, and its pages, have leapt beyond that.
let leapt = 0;

/** Another application has not leapt yet. */
export const beginAnew = () => (leapt = 0);

/** Every page of a browser, of whatever device, reads the shifted clock. */
export function shiftPages(browser) {
  const newContext = browser.newContext.bind(browser);
  browser.newContext = async (options) => {
    const context = await newContext(options);
    await context.addInitScript(live, [shift, leapt]);
    return context;
  };
}

/** In the page: its clocks are so far on, and what they have leapt. Told again, it is only the leaps. */
function live([milliseconds, leaps]) {
  if (Date.leapTo) {
    Date.leapTo(leaps);
    return;
  }
  const Real = Date;
  const steady = performance.now.bind(performance);
  const { get: stamp } = Object.getOwnPropertyDescriptor(Event.prototype, "timeStamp");
  globalThis.Date = class extends Real {
    constructor(...parts) {
      super(...(parts.length === 0 ? [Date.now()] : parts));
    }
    static now() {
      return Real.now() + milliseconds + leaps;
    }
    static leapTo(all) {
      leaps = all;
    }
  };
  performance.now = () => steady() + leaps;
  Object.defineProperty(Event.prototype, "timeStamp", {
    configurable: true,
    get() {
      return stamp.call(this) + leaps;
    },
  });
}

/**
 * Server and pages go so many milliseconds on at once, as after a moment in which nothing ran. Where the server is not there, or has
 * a process of its own, nothing leaps: one has to wait.
 */
export async function leap(page, milliseconds) {
  const all = leapt + milliseconds;
  const went = await page.evaluate(
    ([by, all]) => {
      const request = new XMLHttpRequest();
      request.open("POST", `/leap?${by}`, false);
      try {
        request.send();
      } catch {
        return false;
      }
      if (request.status === 204) {
        Date.leapTo(all);
      }
      return request.status === 204;
    },
    [milliseconds, all],
  );
  if (!went) {
    return;
  }
  leapt = all;
  await Promise.all(
    page
      .context()
      .browser()
      .contexts()
      .flatMap((context) => [
        context.addInitScript(live, [shift, all]),
        ...context.pages().map((other) => other.evaluate((leaps) => Date.leapTo(leaps), all)),
      ]),
  );
}
