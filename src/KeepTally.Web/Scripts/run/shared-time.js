// The clock all devices share: the server's, as this device last measured it. Without a network the last measure holds.
const key = "clock-offset";
const samples = 5;
const rest = 60_000;
const minute = 60_000;
const worthTelling = 2 * minute;

export class SharedTime {
  #offset;
  #origin;
  #tell;
  #told = false;

  /**
   * @param served the server's time when it made the page: until this device has measured once, that is all there is.
   * @param tell takes words for the coach.
   */
  constructor({ origin, served, tell = () => {} }) {
    this.#origin = origin;
    this.#tell = tell;
    const measured = localStorage.getItem(key);
    this.#offset = measured === null ? served - Date.now() : Number(measured) || 0;
  }

  /** Milliseconds since the run's origin. */
  now() {
    return this.at(Date.now());
  }

  /** The same for a moment on this device's own clock. */
  at(here) {
    return here + this.#offset - this.#origin;
  }

  /** Asks a few times and believes the quickest answer. */
  async measure() {
    let best = null;
    for (let i = 0; i < samples; i++) {
      const asked = performance.now();
      const here = Date.now();
      const response = await fetch("/api/time", { cache: "no-store" });
      const trip = performance.now() - asked;
      const { now } = await response.json();
      if (!best || trip < best.trip) {
        best = { trip, offset: now - (here + trip / 2) };
      }
    }
    this.#offset = Math.round(best.offset);
    localStorage.setItem(key, String(this.#offset));
    this.#tellOnce();
  }

  keepMeasuring() {
    const measure = () => this.measure().catch(() => {});
    setInterval(measure, rest);
    // A device that slept, or whose clock was set, is right again at once.
    document.addEventListener("visibilitychange", () => document.visibilityState === "visible" && measure());
    return measure();
  }

  #tellOnce() {
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
