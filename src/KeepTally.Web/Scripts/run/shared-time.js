// The clock all devices share: the server's, as this device last measured it. Without a network the last measure holds.
import { SteadyClock } from "./steady-clock.js";

const key = "clock-offset";
// So many times it asks, until it is sure enough: this many milliseconds between the least and the most it can be.
const fewest = 5;
const most = 16;
const sure = 40;
// Clocks are read in whole milliseconds.
const grain = 1;
// Two devices are to be within this of one another.
const close = 50;
const rest = 60_000;
const minute = 60_000;
const worthTelling = 2 * minute;
// A page is drawn and has come within this.
const onItsWay = 10_000;
// So long a screen waits for its clock before it wakes; and so long where it would else be hours off.
const patience = 700;
const longPatience = 8000;

export class SharedTime {
  #steady = new SteadyClock(() => this.#again());
  #offset;
  #uncertain = null;
  #measuring;
  #origin;
  #tell;
  #told = false;
  #erased;
  #doubtful;

  /**
   * @param {object} told
   * @param {number} told.origin the run's origin, in milliseconds since 1970.
   * @param {number} told.served the server's time when it made the page: until this device has measured once, that is all there is.
   * @param {(words: string) => void} [told.tell] takes words for the coach.
   * @param {(at: number) => any} [told.erased] is told when a player was last erased.
   */
  constructor({ origin, served, tell = () => {}, erased = () => {} }) {
    this.#origin = origin;
    this.#tell = tell;
    this.#erased = erased;
    const measured = localStorage.getItem(key);
    const least = served - Date.now();
    const remembered = measured === null ? least : Number(measured) || 0;
    // The server's time has only gone on since it made the page: less than that is wrong. More is right for a page that was kept, and
    // wrong where the time of this device was set since.
    this.#offset = Math.max(remembered, least);
    // A device whose time was right is taken to be right still: a page that was kept is not held up where there is no network.
    this.#doubtful = this.#offset - least > onItsWay && Math.abs(remembered) > onItsWay;
  }

  /** Milliseconds since the run's origin. */
  now() {
    return this.#steady.now() + this.#offset - this.#origin;
  }

  /** The same for a moment by this device's time of day. */
  at(wall) {
    return this.#steady.at(wall) + this.#offset - this.#origin;
  }

  /**
   * Asks a few times. The server read its clock after it was asked and before the answer came, so each trip says the least and
   * the most the offset can be; what all of them allow is narrower than the quickest alone, where one was quick on its way there
   * and another on its way back. Wrong by half of that at the most.
   */
  measure() {
    this.#measuring ??= this.#ask()
      .then(() => this.#tellOnce())
      .finally(() => (this.#measuring = undefined));
    return this.#measuring;
  }

  /**
   * Measures while the page still wakes. How far off that is may be the page's own doing, since it answers late meanwhile: nothing
   * is told of it.
   */
  measureEarly() {
    this.#ask().catch(() => {});
  }

  async #ask() {
    let least = -Infinity;
    let greatest = Infinity;
    let erasedAt = 0;
    for (let i = 0; i < most && (i < fewest || greatest - least > sure); i++) {
      const asked = performance.now();
      const here = this.#steady.now();
      const response = await fetch("/api/time", { cache: "no-store" });
      const trip = performance.now() - asked;
      const { now, erased } = await response.json();
      erasedAt = erased;
      const allowed = { least: now - here - trip - grain, greatest: now - here + grain };
      const disjoint = allowed.least > greatest || allowed.greatest < least;
      // This device slept meanwhile: only what was heard since is true.
      least = disjoint ? allowed.least : Math.max(least, allowed.least);
      greatest = disjoint ? allowed.greatest : Math.min(greatest, allowed.greatest);
    }
    this.#offset = Math.round((least + greatest) / 2);
    this.#uncertain = (greatest - least) / 2;
    localStorage.setItem(key, String(Math.round(this.#offset + this.#steady.now() - Date.now())));
    this.#erased(erasedAt);
  }

  /** How far off the shared clock may be here, in milliseconds; null while it was not measured. */
  get uncertain() {
    return this.#uncertain;
  }

  /**
   * Measures from now on; resolves once the clock is known or cannot be measured, or when the coach has waited long enough. By a clock
   * that is hours off the drill would be played to its end, and everyone moved on.
   */
  async known() {
    const waited = this.#doubtful ? longPatience : patience;
    await Promise.race([this.keepMeasuring(), new Promise((done) => setTimeout(done, waited))]);
  }

  /** Measures now and then; resolves once the clock is known well enough, or cannot be measured. */
  keepMeasuring() {
    setInterval(() => this.#again(), rest);
    // A device that slept, or whose time was set, is right again at once.
    document.addEventListener("visibilitychange", () => document.visibilityState === "visible" && this.#again());
    if (this.#uncertain !== null && this.#uncertain <= close) {
      this.#tellOnce();
      return Promise.resolve();
    }
    return this.#again();
  }

  #again() {
    return this.measure().catch(() => {});
  }

  #tellOnce() {
    if (this.#uncertain > close && !this.#told) {
      this.#told = true;
      this.#tell(
        `The network is slow: the clock here may be off by up to ${Math.round(this.#uncertain)} thousandths of a second.`,
      );
    }
    if (Math.abs(this.#offset) > worthTelling && !this.#told) {
      this.#told = true;
      const way = this.#offset < 0 ? "ahead" : "behind";
      this.#tell(
        `The clock of this device is ${spanOf(Math.abs(this.#offset))} ${way}. The shared clock is used here.`,
      );
    }
  }
}

function spanOf(milliseconds) {
  const minutes = Math.round(milliseconds / minute);
  return minutes < 120 ? `${minutes} minutes` : `${Math.round(minutes / 60)} hours`;
}
