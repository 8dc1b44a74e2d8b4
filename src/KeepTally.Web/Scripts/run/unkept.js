// What the server did not take, with the word why; each stays until the coach has seen it.
export class Unkept {
  #root = document.getElementById("unkept");
  #list = this.#root.querySelector("ol");
  #describe;
  #seen;

  /** @param describe puts an event into words. @param seen takes an event the coach has seen. */
  constructor({ describe, seen }) {
    this.#describe = describe;
    this.#seen = seen;
  }

  add(events) {
    for (const event of events) {
      const line = document.createElement("li");
      const what = document.createElement("b");
      what.textContent = this.#describe(event) || "What was said";
      const why = document.createElement("span");
      why.textContent = `: ${event.why}`;
      const button = document.createElement("button");
      button.type = "button";
      button.className = "chip";
      button.textContent = "Seen";
      button.addEventListener("click", () => {
        line.remove();
        this.#root.hidden = this.#list.children.length === 0;
        this.#seen(event);
      });
      line.append(what, why, button);
      this.#list.append(line);
    }
    this.#root.hidden = this.#list.children.length === 0;
  }
}
