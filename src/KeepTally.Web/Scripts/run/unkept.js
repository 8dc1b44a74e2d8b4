// What the server did not take, with the word why; each stays listed until the coach has seen it.
export class Unkept {
  #dialog = document.getElementById("unkept");
  #open = document.getElementById("unkept-open");
  #list = this.#dialog.querySelector("ol");
  #describe;
  #seen;

  /** @param describe puts an event into words. @param seen takes an event the coach has seen. */
  constructor({ describe, seen }) {
    this.#describe = describe;
    this.#seen = seen;
    this.#open.addEventListener("click", () => this.#dialog.showModal());
  }

  add(events) {
    this.#list.append(...events.map((event) => this.#line(event)));
    this.#count();
  }

  #line(event) {
    const line = document.createElement("li");
    const what = document.createElement("b");
    what.textContent = this.#describe(event) || "What was said";
    const why = document.createElement("span");
    why.textContent = event.why;
    const button = document.createElement("button");
    button.type = "button";
    button.className = "chip";
    button.textContent = "Seen";
    button.addEventListener("click", () => {
      line.remove();
      this.#count();
      this.#seen(event);
    });
    line.append(what, why, button);
    return line;
  }

  #count() {
    const count = this.#list.children.length;
    this.#open.hidden = count === 0;
    this.#open.textContent = `${count} not kept`;
    if (count === 0) {
      this.#dialog.close();
    }
  }
}
