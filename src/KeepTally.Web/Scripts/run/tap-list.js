// The last taps, each with a button that takes it back or puts it back.
export class TapList {
  #list = document.getElementById("taps");
  #none = document.getElementById("no-taps");
  #shown = "";
  #undo;

  constructor(undo) {
    this.#undo = undo;
  }

  show(taps) {
    const now = JSON.stringify(taps);
    if (now === this.#shown) {
      return;
    }
    this.#shown = now;
    this.#none.hidden = taps.length > 0;
    this.#list.replaceChildren(...taps.map((tap) => this.#line(tap)));
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
