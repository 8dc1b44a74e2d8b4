// What a coach writes on the run screen: a note about a player or the drill, and why the drill is stopped.
export class Written {
  #whom = [document.getElementById("note-whom"), document.getElementById("cue-whom")].filter(Boolean);
  /** @type {() => import("../views").WhoView} */
  #look;

  /**
   * @param look who is on the drill and who is off; @param note takes (text, player); @param stop takes a reason;
   * @param cue takes (text, unit), no text takes it away.
   */
  constructor({ look, note, stop, cue }) {
    this.#look = look;
    on("note", (text) => note(text, document.getElementById("note-whom").value));
    on("stop-why", stop);
    on("cue", (text) => cue(text, document.getElementById("cue-whom").value), true);
    for (const list of this.#whom) {
      list.addEventListener("focus", () => this.offer());
    }
    for (const chip of document.querySelectorAll("[data-cue]")) {
      chip.addEventListener("click", () => cue(chip.dataset.cue, document.getElementById("cue-whom").value));
    }
  }

  /** Offers those who are here now, and the cues of the drill under way. */
  offer(drill) {
    for (const cues of drill ? document.querySelectorAll("[data-cues-of]") : []) {
      cues.hidden = cues.dataset.cuesOf !== drill;
    }
    if (this.#whom.length === 0) {
      return;
    }
    const { groups, bench } = this.#look();
    const players = [...groups.flatMap(({ players }) => players), ...bench];
    for (const list of this.#whom) {
      const stay = [...list.options].filter(({ value, dataset }) => value === "" || "stays" in dataset);
      const chosen = list.value;
      const options = players.map(({ id, name }) => new Option(name, id, false, id === chosen));
      list.replaceChildren(...stay, ...options);
      list.value = [...list.options].some(({ value }) => value === chosen) ? chosen : "";
    }
  }
}

function on(id, take, mayBeEmpty = false) {
  const form = document.getElementById(id);
  form?.addEventListener("submit", (event) => {
    event.preventDefault();
    const [field] = form.elements;
    const text = field.value.trim();
    if (text || mayBeEmpty) {
      take(text);
      field.value = "";
      field.blur();
    }
  });
}
