// A horn on a shelf: it sounds what it was told ahead of time, at its instant.
import { voice } from "../run/voices.js";

export class Horn {
  #context = null;
  #planned = new Map();

  toggle() {
    if (this.#context) {
      this.#context.close();
      this.#context = null;
      this.#planned.clear();
      return false;
    }
    this.#context = new AudioContext();
    return true;
  }

  /** @param signals each its kind and in how many milliseconds, as told at a moment of this device's clock. */
  hear(signals, told) {
    if (!this.#context) {
      return;
    }
    const wanted = new Map(
      signals.map((each) => [`${each.kind} ${Math.round((told + each.in) / 250)}`, told + each.in]),
    );
    for (const [name, end] of this.#planned) {
      if (!wanted.has(name)) {
        end();
        this.#planned.delete(name);
      }
    }
    for (const [name, at] of wanted) {
      if (!this.#planned.has(name)) {
        const start = this.#context.currentTime + Math.max(0, at - Date.now()) / 1000;
        this.#planned.set(name, voice(this.#context, this.#context.destination, name.split(" ")[0], start));
      }
    }
  }
}
