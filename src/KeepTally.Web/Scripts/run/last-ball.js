// For three seconds after a horn without a change-over: the last ball was of the players before. One press moves the tap that
// was just made, or lets the next one count for them.
const patience = 5000;

export class LastBall {
  #button = document.getElementById("last-ball");
  #asked = null;
  #offered = "";

  /** @param move moves the tap since the horn and says whether there was one; @param now gives the moment. */
  constructor({ move, now }) {
    this.#button.addEventListener("click", () => {
      if (!move()) {
        const asked = now();
        this.#asked = asked;
        setTimeout(() => {
          if (this.#asked === asked) {
            this.#calm();
          }
        }, patience);
      }
      this.#show();
    });
  }

  /** @param words what is offered; empty where there is nothing. */
  offer(words) {
    this.#offered = words;
    this.#show();
  }

  /** When it was asked for, for the one tap that follows; undefined where it was not. */
  take() {
    const asked = this.#asked ?? undefined;
    this.#calm();
    return asked;
  }

  #calm() {
    this.#asked = null;
    this.#show();
  }

  #show() {
    const isAsked = this.#asked !== null;
    this.#button.hidden = !this.#offered && !isAsked;
    this.#button.setAttribute("aria-pressed", String(isAsked));
    if (this.#offered) {
      this.#button.textContent = this.#offered;
    }
  }
}
