// The run screen as a coach sees it.
import { expect } from "./application.mjs";
import { leap } from "./shifted-time.mjs";

export class RunScreen {
  constructor(page) {
    this.page = page;
    this.clock = page.locator("#clock");
    this.go = page.locator("#go");
    this.undo = page.locator("#undo");
    this.net = page.locator("#net");
    this.taps = page.locator("#taps li");
    this.drill = page.locator("[data-drill]:not([hidden])");
  }

  /** From Today to the first drill, ready to start. */
  static async begin(page, today = "/") {
    await page.goto(today);
    await page.getByRole("button", { name: "Start practice" }).click();
    const screen = new RunScreen(page);
    await screen.ready();
    return screen;
  }

  async ready() {
    await expect(this.page.locator("#run")).toHaveAttribute("aria-busy", "false", { timeout: 60_000 });
  }

  /** Starts the drill; most of its count-in is leapt over. */
  async start() {
    await this.go.click();
    await this.expectWork();
  }

  /** Until work begins; most of what comes before is leapt over. */
  async expectWork() {
    await expect(this.clock).toHaveAttribute("data-state", /countIn|change|work/);
    if ((await this.clock.getAttribute("data-state")) !== "work") {
      await this.leapToEnd();
    }
    await expect(this.clock).toHaveAttribute("data-state", "work", { timeout: 60_000 });
  }

  /** What is left of the interval is a second, or less. */
  async leapToEnd() {
    const left = await this.seconds();
    if (left > 1) {
      await leap(this.page, (left - 1) * 1000);
    }
  }

  row(name) {
    return this.drill.locator(".row-pad").filter({ has: this.page.locator(".row-name", { hasText: name }) });
  }

  async tap(name, outcome) {
    await this.row(name).getByRole("button", { name: outcome }).click();
  }

  async expectScore(name, score) {
    await expect(this.row(name).locator(".row-score")).toHaveText(String(score));
  }

  /** Ends the drill from the list of more, saying twice that one is sure. */
  async endDrill() {
    const end = this.page.locator("[data-command=end]");
    await end.click();
    await end.click();
  }

  seconds() {
    return this.clock
      .locator("[data-clock=left]")
      .textContent()
      .then((text) => text.split(":").reduce((sum, part) => sum * 60 + Number(part), 0));
  }
}

/** Two screens show the same second, or the next. They are read at one moment, as far as a busy machine does so. */
export async function expectOneClock(one, two) {
  await expect
    .poll(async () => {
      const [left, leftThere] = await Promise.all([one.seconds(), two.seconds()]);
      return Math.abs(left - leftThere);
    })
    .toBeLessThanOrEqual(1);
}
