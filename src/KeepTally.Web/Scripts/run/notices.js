// What the run screen says: in one place what has happened, in another what the rule made of the last tap.
const shownFor = 8000;

export class Notices {
  #says = document.getElementById("says");
  #why = document.getElementById("why");
  #timer;

  /** @param forGood it stays until something else is said. */
  tell(words, forGood = false) {
    this.#says.textContent = words;
    this.#says.hidden = !words;
    clearTimeout(this.#timer);
    if (!forGood) {
      this.#timer = setTimeout(() => (this.#says.hidden = true), shownFor);
    }
  }

  /** What the rule made of a tap, with its mark; of none, neither. */
  explain(words = "", mark = "") {
    this.#why.textContent = words;
    this.#why.dataset.mark = mark;
  }
}
