// What the server did not take, with the word why; each stays listed until the coach sends it again or deletes it.
export class Unkept {
  #dialog = document.getElementById("unkept");
  #open = document.getElementById("unkept-open");
  #list = this.#dialog.querySelector("ol");
  #describe;
  #seen;
  #again;

  /** @param describe puts an event into words. @param seen takes an event the coach deletes, @param again one to be sent again. */
  constructor({ describe, seen, again }) {
    this.#describe = describe;
    this.#seen = seen;
    this.#again = again;
    this.#open.addEventListener("click", () => this.#dialog.showModal());
  }

  add(events) {
    this.#list.append(...events.map((event) => this.#line(event)));
    this.#count();
  }

  #line(event) {
    const line = document.createElement("li");
    const what = document.createElement("b");
    what.textContent = this.#describe(event) || "An entry";
    const why = document.createElement("span");
    why.textContent = event.why;
    const button = (words, then) => {
      const made = document.createElement("button");
      made.type = "button";
      made.className = "chip";
      made.textContent = words;
      made.addEventListener("click", () => {
        line.remove();
        this.#count();
        then(event);
      });
      return made;
    };
    const acts = document.createElement("span");
    acts.className = "acts";
    acts.append(button("Send again", this.#again), button("Delete", this.#seen));
    line.append(what, why, acts);
    return line;
  }

  #count() {
    const count = this.#list.children.length;
    this.#open.hidden = count === 0;
    this.#open.textContent = `${count} not saved`;
    if (count === 0) {
      this.#dialog.close();
    }
  }
}
