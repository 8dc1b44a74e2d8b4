// The clock of this device as it goes on evenly: where its time of day is set while the page is open, what was said before stays as
// long ago as it was.
const pause = 1000;
// The two clocks of a device are read one after the other.
const apart = 200;

export class SteadyClock {
  #base = Date.now() - performance.now();
  #wall = this.#base;
  #slept = document.visibilityState === "hidden";

  /** @param stepped is told when the time of day has moved by more than the time that passed. */
  constructor(stepped) {
    setInterval(() => this.#look(stepped), pause);
    document.addEventListener("visibilitychange", () => {
      this.#slept ||= document.visibilityState === "hidden";
      this.#look(stepped);
      this.#slept = document.visibilityState === "hidden";
    });
  }

  /** Milliseconds since 1970, as this device took it to be when the page was opened. */
  now() {
    return this.#base + performance.now();
  }

  /** The same for a moment read from the time of day just now. */
  at(wall) {
    return wall + this.now() - Date.now();
  }

  #look(stepped) {
    const step = Date.now() - performance.now() - this.#wall;
    if (Math.abs(step) < apart) {
      return;
    }
    this.#wall += step;
    // A device that sleeps counts nothing meanwhile; one that is looked at has had its time set.
    if (this.#slept && step > 0) {
      this.#base += step;
    }
    stepped();
  }
}
