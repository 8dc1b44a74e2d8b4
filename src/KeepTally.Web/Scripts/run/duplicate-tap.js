// The same tap from two devices at nearly the same moment: both count, until a coach says that it was one.
import { keyOf } from "./event-key.js";

const by = (id) => document.getElementById(id);

export class DuplicateTap {
  #now;
  #both = new Set();

  /** @param one takes back the later of the two. */
  constructor(one) {
    by("duplicate-tap-one").addEventListener("click", () => one(this.#now));
    by("duplicate-tap-both").addEventListener("click", () => {
      this.#both.add(keyOf(this.#now));
      this.show(this.#now);
    });
  }

  /** @param {import("../views").DuplicateTapView | null} duplicate */
  show(duplicate) {
    this.#now = duplicate;
    by("duplicate-tap").hidden = !duplicate || this.#both.has(keyOf(duplicate));
    by("duplicate-tap-what").textContent = duplicate?.text ?? "";
  }
}
