// All tests live at noon, whatever the hour: server and pages have a clock that goes as fast as the machine's, but so many
// milliseconds on, so that no day ends while they run.
process.env.KEEP_TALLY_SHIFT ??= String(new Date().setHours(12, 0, 0, 0) - Date.now());

/** Milliseconds from the machine's clock to that of the tests. */
export const shift = Number(process.env.KEEP_TALLY_SHIFT);

/** Every page of a browser, of whatever device, reads the shifted clock. */
export function shiftPages(browser) {
  const newContext = browser.newContext.bind(browser);
  browser.newContext = async (options) => {
    const context = await newContext(options);
    await context.addInitScript((milliseconds) => {
      // Told twice in one page it would be shifted twice.
      if (Date.isShifted) {
        return;
      }
      const Real = Date;
      globalThis.Date = class extends Real {
        constructor(...parts) {
          super(...(parts.length === 0 ? [Real.now() + milliseconds] : parts));
        }
        static isShifted = true;
        static now() {
          return Real.now() + milliseconds;
        }
      };
    }, shift);
    return context;
  };
}
