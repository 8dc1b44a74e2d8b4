// The last taps, each with a button that takes it back or puts it back.
export class TapList {
  #list = document.getElementById("taps");
  #none = document.getElementById("no-taps");
  #lines = new Map();
  #undo;

  constructor(undo) {
    this.#undo = undo;
  }

  show(taps) {
    this.#none.hidden = taps.length > 0;
    // A line that reads as before is the one that stands there already.
    const lines = new Map(taps.map((tap) => [tap, this.#lines.get(tap) ?? this.#line(tap)]));
    this.#lines = lines;
    this.#list.replaceChildren(...lines.values());
  }

  #line(tap) {
    const line = document.createElement("li");
    line.classList.toggle("is-undone", tap.undone);
    const text = document.createElement("span");
    text.textContent = tap.note ? `${tap.text} (${tap.note})` : tap.text;
    const button = document.createElement("button");
    button.type = "button";
    button.className = "chip";
    button.textContent = tap.undone ? "Put back" : "Undo";
    button.setAttribute("aria-label", `${button.textContent} ${tap.text}`);
    button.addEventListener("click", () => this.#undo(tap));
    line.append(text, button);
    return line;
  }
}
