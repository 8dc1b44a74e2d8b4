// Signals on the audio clock: each is planned as soon as it is known, so that no busy script can delay it, and taken back if
// the clock is stopped meanwhile.
import { voice } from "./voices.js";

const key = "sound";
// The audio clock steps in small blocks; beyond that the two clocks have gone apart, as they do when a device slept.
const apart = 0.015;

export class Sound {
  #context = null;
  #master = null;
  #anchor = null;
  #planned = new Map();
  #choices;
  #changed;
  on = localStorage.getItem(key) !== "off";

  /** @param changed is called when what was planned may no longer hold. */
  constructor(choices, changed) {
    this.#choices = choices;
    this.#changed = changed;
  }

  /** Browsers let a page sound only after a touch; the first one opens the way. */
  wake() {
    if (!this.#context) {
      this.#context = new AudioContext();
      this.#master = this.#context.createGain();
      this.#master.connect(this.#context.destination);
      this.#context.addEventListener("statechange", () => this.#changed());
    }
    if (this.#context.state !== "running") {
      this.#context.resume();
    }
  }

  toggle() {
    this.on = !this.on;
    localStorage.setItem(key, this.on ? "on" : "off");
    if (this.on) {
      this.wake();
      this.try("call");
    }
    this.#changed();
  }

  /** Lets one be heard now. */
  try(kind) {
    this.wake();
    this.#loud();
    voice(this.#context, this.#master, kind, this.#context.currentTime + 0.03);
  }

  /** What a tap led to is heard at once, softly. */
  mark(kind) {
    if (this.on && this.#choices.now.sounds.mark && this.#context?.state === "running") {
      this.try(kind);
    }
  }

  /**
   * Plans the signals that are to come, and takes back those that are not to come any more.
   * @param signals by name: { kind, at }, at in milliseconds of the shared clock.
   * @param now the same clock now.
   */
  keep(signals, now) {
    if (this.#context?.state !== "running") {
      return;
    }
    this.#loud();
    const { currentTime } = this.#context;
    const drift = this.#anchor ? this.#anchor.heard + (now - this.#anchor.at) / 1000 - currentTime : Infinity;
    if (Math.abs(drift) > apart) {
      this.#anchor = { heard: currentTime, at: now };
      this.#withdraw(() => true);
    }
    const { sounds } = this.#choices.now;
    const wanted = new Map([...signals].filter(([, { kind }]) => this.on && sounds[kind]));
    this.#withdraw((name) => !wanted.has(name));
    for (const [name, { kind, at }] of wanted) {
      if (!this.#planned.has(name)) {
        const start = Math.max(currentTime, this.#anchor.heard + (at - this.#anchor.at) / 1000);
        this.#planned.set(name, { start, end: voice(this.#context, this.#master, kind, start) });
      }
    }
  }

  #loud() {
    this.#master.gain.value = (this.#choices.now.loudness / 100) ** 2;
  }

  /** Takes back what has not sounded yet; what has is remembered a little, so that it does not sound twice. */
  #withdraw(which) {
    const { currentTime } = this.#context;
    for (const [name, { start, end }] of this.#planned) {
      if (start > currentTime && which(name)) {
        end();
        this.#planned.delete(name);
      } else if (start < currentTime - 10) {
        this.#planned.delete(name);
      }
    }
  }
}
