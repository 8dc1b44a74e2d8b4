// The button that undoes the last tap, and says which one that is. Another's tap, and one of the drill before, asks once more: a
// thumb that meant its own does not undo it.
const patience = 4000;

export class UndoButton {
  #button = document.getElementById("undo");
  #word = this.#button.querySelector("b");
  #what = document.getElementById("undo-what");
  #last;
  #undo;
  #asked = null;

  /** @param last the last tap that can be undone, if there is one; @param undo undoes it. */
  constructor({ last, undo }) {
    this.#last = last;
    this.#undo = undo;
  }

  show() {
    const last = this.#last();
    if (this.#asked !== last) {
      this.#asked = null;
    }
    this.#button.disabled = !last;
    this.#button.classList.toggle("is-asking", this.#asked !== null);
    this.#word.textContent = this.#asked ? "Sure?" : "Undo";
    this.#what.textContent = last ? [last.ask, last.text].filter(Boolean).join(": ") : "nothing yet";
  }

  press() {
    const last = this.#last();
    if (last?.ask && this.#asked !== last) {
      this.#asked = last;
      this.show();
      setTimeout(() => {
        if (this.#asked === last) {
          this.#asked = null;
          this.show();
        }
      }, patience);
    } else if (last) {
      this.#asked = null;
      this.#undo(last);
    }
  }
}
