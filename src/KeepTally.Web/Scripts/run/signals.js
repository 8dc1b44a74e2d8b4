// Hears the clock's signals ahead of time and lets them sound, flash and shake at their moment, each once.
const ahead = 1500;
const forgotten = 250;
const shakes = { call: 30, go: 200, horn: [300, 80, 300], surprise: [120, 60, 120, 60, 120], rep: 150 };

export class Signals {
  #core;
  #time;
  #sound;
  #flash = document.getElementById("flash");
  #asked = null;
  #timers = [];

  constructor(core, time, sound) {
    this.#core = core;
    this.#time = time;
    this.#sound = sound;
  }

  /** Plans what comes soon; what is long past is not made up for. */
  plan() {
    const now = this.#time.now();
    const from = Math.max(this.#asked ?? now - 1, now - forgotten);
    const to = now + ahead;
    if (to <= from) {
      return;
    }
    for (const signal of this.#core.signals(from, to)) {
      const wait = signal.in - (now - from);
      this.#sound.plan(signal.kind, wait);
      this.#timers.push(setTimeout(() => this.#show(signal.kind), Math.max(0, wait)));
    }
    this.#asked = to;
  }

  /** The clock was stopped, started or mended: what was planned no longer holds. */
  anew() {
    this.#timers.forEach(clearTimeout);
    this.#timers = [];
    this.#sound.withdraw();
    this.#asked = null;
    this.plan();
  }

  #show(kind) {
    this.#flash.classList.remove(...Object.keys(shakes));
    void this.#flash.offsetWidth;
    this.#flash.classList.add(kind);
    navigator.vibrate?.(shakes[kind]);
  }
}
