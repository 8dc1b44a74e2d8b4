// The last taps, each with a button that takes it back or puts it back, and one that puts it right.
import { chipOf } from "./chip.js";

export class TapList {
  #list = document.getElementById("taps");
  #none = document.getElementById("no-taps");
  #lines = new Map();
  #undo;
  #change;

  constructor({ undo, change }) {
    this.#undo = undo;
    this.#change = change;
  }

  /** @param {import("../views").TapView[]} taps */
  show(taps) {
    this.#none.hidden = taps.length > 0;
    // A line that reads as before is the one that stands there already, and is left where it stands.
    const lines = new Map(taps.map((tap) => [tap, this.#lines.get(tap) ?? this.#line(tap)]));
    if (this.#lines.size === 0) {
      // What the server drew gives way to lines that can be pressed.
      this.#list.replaceChildren();
    }
    this.#lines.forEach((line, tap) => lines.has(tap) || line.remove());
    this.#lines = lines;
    let after = this.#list.firstElementChild;
    for (const line of lines.values()) {
      if (line === after) {
        after = after.nextElementSibling;
      } else {
        this.#list.insertBefore(line, after);
      }
    }
  }

  /** @param {import("../views").TapView} tap */
  #line(tap) {
    const line = document.createElement("li");
    line.classList.toggle("is-undone", tap.undone);
    const text = document.createElement("span");
    text.textContent = tap.note ? `${tap.text} (${tap.note})` : tap.text;
    line.append(text);
    if (tap.canChange) {
      line.append(this.#button("Change", tap, this.#change));
    }
    line.append(this.#button(tap.undone ? "Restore" : "Undo", tap, this.#undo));
    return line;
  }

  #button(words, tap, press) {
    const button = chipOf(words);
    button.setAttribute("aria-label", `${words} ${tap.text}`);
    button.addEventListener("click", () => press(tap));
    return button;
  }
}
