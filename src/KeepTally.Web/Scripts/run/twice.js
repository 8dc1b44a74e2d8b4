// The same tap from two devices at nearly the same moment: both count, until somebody says that it was one.
const by = (id) => document.getElementById(id);

export class Twice {
  #now;
  #both = new Set();

  /** @param one takes back the later of the two. */
  constructor(one) {
    by("twice-one").addEventListener("click", () => one(this.#now));
    by("twice-both").addEventListener("click", () => {
      this.#both.add(keyOf(this.#now));
      this.show(this.#now);
    });
  }

  show(twice) {
    this.#now = twice;
    by("twice").hidden = !twice || this.#both.has(keyOf(twice));
    by("twice-what").textContent = twice?.text ?? "";
  }
}

const keyOf = ({ sheet, device, n }) => `${sheet}/${device}/${n}`;
