// What a coach writes on the run screen: a note to somebody or to the drill, and why the drill is stopped.
export class Written {
  #whom = document.getElementById("note-whom");
  #look;

  /** @param look who is on the drill and who is off; @param note takes (text, player); @param stop takes a reason. */
  constructor({ look, note, stop }) {
    this.#look = look;
    on("note", (text) => note(text, this.#whom.value));
    on("stop-why", stop);
    this.#whom?.addEventListener("focus", () => this.offer());
  }

  /** Offers those who are here now. */
  offer() {
    if (!this.#whom) {
      return;
    }
    const chosen = this.#whom.value;
    const { groups, bench } = this.#look();
    const players = [...groups.flatMap(({ players }) => players), ...bench];
    const options = players.map(({ id, name }) => new Option(name, id, false, id === chosen));
    this.#whom.replaceChildren(new Option("The drill", "", false, chosen === ""), ...options);
  }
}

function on(id, take) {
  const form = document.getElementById(id);
  form?.addEventListener("submit", (event) => {
    event.preventDefault();
    const [field] = form.elements;
    const text = field.value.trim();
    if (text) {
      take(text);
      field.value = "";
      field.blur();
    }
  });
}
