// What is pressed in the very moment a page is left is not in the database yet: it is written down in one piece as the page goes,
// and comes into the database when the practice is next opened here.
import { keyOf } from "./event-key.js";

export class LastWords {
  #name;
  // Each page writes its own, so that two that are left at once do not write over each other.
  #own;
  #open = new Map();
  #written = false;

  /** @param practice whose events they are; pages of other practices leave theirs alone. */
  constructor(practice) {
    this.#name = `last-words-${practice}-`;
    this.#own = `${this.#name}${performance.timeOrigin}`;
    addEventListener("pagehide", () => this.#write());
  }

  /** These are being kept. */
  begun(events) {
    events.forEach((event) => this.#open.set(keyOf(event), event));
  }

  /** These are kept. */
  done(events) {
    events.forEach((event) => this.#open.delete(keyOf(event)));
    if (this.#written && this.#open.size === 0) {
      // The page was not left after all.
      localStorage.removeItem(this.#own);
      this.#written = false;
    }
  }

  /** @param put keeps what other pages of this practice had no time for; it is forgotten here once that is done. */
  async take(put) {
    try {
      for (const name of Object.keys(localStorage).filter((key) => key.startsWith(this.#name))) {
        await put(JSON.parse(localStorage.getItem(name)));
        localStorage.removeItem(name);
      }
    } catch {
      // A window without storage has none of it; what could not be kept stays for the next time.
    }
  }

  #write() {
    if (this.#open.size > 0) {
      try {
        localStorage.setItem(this.#own, JSON.stringify([...this.#open.values()]));
        this.#written = true;
      } catch {
        // No room and no storage: the database is all there is.
      }
    }
  }
}
