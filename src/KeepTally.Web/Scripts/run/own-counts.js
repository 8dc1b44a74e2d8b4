// After the horn each says how many they had: choose a number, then tap everybody who had it.
import { chipOf } from "./chip.js";

const shownAtOnce = 12;

export class OwnCounts {
  #dialog = document.getElementById("own-counts");
  #hint = document.getElementById("own-counts-hint");
  #numbers = document.getElementById("own-numbers");
  #units = document.getElementById("own-units");
  #number = null;
  #from = 0;
  /** @type {() => import("../views").OwnCountsView} */
  #look;
  #say;

  /**
   * @param {object} on
   * @param {() => import("../views").OwnCountsView} on.look the grid as it stands.
   * @param {(sheet: string, unit: string, count: number) => void} on.say
   * @param {() => void} on.opened is told when it covers the page.
   */
  constructor({ look, say, opened }) {
    this.#look = look;
    this.#say = say;
    document.querySelector("[data-own-counts]").addEventListener("click", () => {
      this.open();
      opened();
    });
    this.#dialog.addEventListener("click", ({ target }) => {
      const { number, more, unit, sheet } = target.closest("button")?.dataset ?? {};
      if (number) {
        this.#number = Number(number);
      } else if (more) {
        this.#from = Math.max(0, this.#from + Number(more));
      } else if (unit && this.#number !== null) {
        this.#say(sheet, unit, this.#number);
      } else {
        return;
      }
      this.#show();
    });
  }

  open() {
    this.#number = null;
    this.#from = 0;
    this.#show();
    this.#dialog.showModal();
  }

  #show() {
    const { round, units } = this.#look();
    const missing = units.filter(({ count }) => count === null).length;
    this.#hint.textContent = [
      round,
      this.#number === null ? "Choose a number" : `Tap who had ${this.#number}`,
      missing > 0 ? `${missing} to go` : "all said",
    ]
      .filter(Boolean)
      .join(" · ");
    const numbers = Array.from({ length: shownAtOnce }, (_, index) => this.#from + index);
    this.#numbers.replaceChildren(
      ...(this.#from > 0 ? [key("less", { more: -shownAtOnce })] : []),
      ...numbers.map((number) => key(number, { number }, number === this.#number)),
      key("more", { more: shownAtOnce }),
    );
    this.#units.replaceChildren(
      ...units.map(({ sheet, unit, name, count }) => {
        const chip = chipOf(count === null ? name : `${name} ${count}`);
        Object.assign(chip.dataset, { sheet, unit });
        chip.setAttribute("aria-pressed", String(count !== null && count === this.#number));
        return chip;
      }),
    );
  }
}

function key(words, data, on) {
  const button = document.createElement("button");
  button.type = "button";
  button.className = "own-number";
  button.textContent = words;
  Object.assign(button.dataset, data);
  if (on !== undefined) {
    button.setAttribute("aria-pressed", String(on));
  }
  return button;
}
