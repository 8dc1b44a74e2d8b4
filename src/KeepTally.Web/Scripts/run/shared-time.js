// The clock all devices share: the server's, as this device last measured it. Without a network the last measure holds.
const key = "clock-offset";
const samples = 5;
const rest = 60_000;

export class SharedTime {
  #offset = Number(localStorage.getItem(key)) || 0;
  #origin;

  constructor(origin) {
    this.#origin = origin;
  }

  /** Milliseconds since the run's origin. */
  now() {
    return Date.now() + this.#offset - this.#origin;
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
  }

  keepMeasuring() {
    const measure = () => this.measure().catch(() => {});
    setInterval(measure, rest);
    return measure();
  }
}
