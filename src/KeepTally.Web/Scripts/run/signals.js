// The clock's signals, asked of the core well ahead: each sounds, flashes and shakes at its moment, once.
import { speak as say } from "./spoken.js";

const ahead = 90_000;
// What is longer past than this is not made up for: a device that slept plays no old calls.
const forgotten = 250;
const shakes = { call: 30, go: 200, horn: [300, 80, 300], surprise: [120, 60, 120, 60, 120], rep: 150 };

export class Signals {
  /** @type {import("./core.js").Core} */
  #core;
  #time;
  #sound;
  #choices;
  #flash = document.getElementById("flash");
  #timers = new Map();
  #soon;

  constructor(core, time, sound, choices) {
    this.#core = core;
    this.#time = time;
    this.#sound = sound;
    this.#choices = choices;
  }

  /** The same once what was tapped has been shown: many in a row plan once. */
  planSoon() {
    this.#soon ??= setTimeout(() => {
      this.#soon = undefined;
      this.plan();
    });
  }

  /** Plans what comes, and takes back what does not come any more: asked as often as one likes, each comes once. */
  plan() {
    const now = this.#time.now();
    const from = now - forgotten;
    const signals = new Map(
      this.#core
        .signals(from, now + ahead)
        .map(({ kind, in: wait, said }) => [`${kind} ${from + wait}`, { kind, said, at: from + wait }]),
    );
    this.#sound.keep(signals, now);
    for (const [name, { timer, at }] of this.#timers) {
      if (at > now && !signals.has(name)) {
        clearTimeout(timer);
        this.#timers.delete(name);
      } else if (at < now - 10_000) {
        this.#timers.delete(name);
      }
    }
    for (const [name, signal] of signals) {
      if (!this.#timers.has(name)) {
        const timer = setTimeout(() => this.#show(signal), Math.max(0, signal.at - now));
        this.#timers.set(name, { timer, at: signal.at });
      }
    }
  }

  #show({ kind, said, at }) {
    if (this.#time.now() - at > forgotten) {
      return;
    }
    const { flash, shake, speak, loudness } = this.#choices.now;
    if (flash) {
      this.#flash.classList.remove(...Object.keys(shakes));
      void this.#flash.offsetWidth;
      this.#flash.classList.add(kind);
    }
    if (shake) {
      navigator.vibrate?.(shakes[kind]);
    }
    if (speak && this.#sound.on) {
      say(said, loudness);
    }
  }
}
