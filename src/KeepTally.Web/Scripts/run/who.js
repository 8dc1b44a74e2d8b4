// Who comes, goes or changes places in mid-drill: tap somebody, then what is to happen. Who ends up where is the core's.
import { chipOf } from "./chip.js";

export class Who {
  #dialog = document.getElementById("who");
  #groups = document.getElementById("who-groups");
  #bench = document.getElementById("who-bench");
  #hint = document.getElementById("who-hint");
  #act = document.getElementById("who-act");
  #look;
  #change;
  #picked = null;

  /**
   * @param look gives who is on and who may come; @param change takes the change of the roster; @param welcome writes a guest
   * down, and gives words for the coach.
   */
  constructor({ look, change, welcome }) {
    this.#look = look;
    this.#change = change;
    document.getElementById("guest")?.addEventListener("submit", async (event) => {
      event.preventDefault();
      const [field] = event.target.elements;
      const { name, fault, in: isIn } = await welcome(field.value);
      field.value = name ? "" : field.value;
      this.#hint.textContent = fault ?? (isIn ? `${name} is in.` : `${name} may come in: tap the name.`);
    });
    this.#dialog.addEventListener("click", (event) => this.#press(event.target.closest("button")));
  }

  open() {
    this.#show();
    this.#dialog.showModal();
  }

  /** Who is here has changed elsewhere. */
  renew() {
    if (this.#dialog.open) {
      const said = this.#hint.textContent;
      this.#show();
      this.#hint.textContent = said;
    }
  }

  #press(button) {
    const { player, name, note, into } = button?.dataset ?? {};
    const kept = Boolean(note || this.#picked?.note);
    const pair = player && this.#picked && this.#picked.player !== player && !kept;
    if (pair && (this.#picked.on || button.dataset.on)) {
      // Of two, who is on goes off for the other; two who are on change places.
      const [off, on] = this.#picked.on ? [this.#picked.player, player] : [player, this.#picked.player];
      this.#say({ off, in: on });
    } else if (player) {
      this.#picked = this.#picked?.player === player ? null : { player, name, note, on: Boolean(button.dataset.on) };
      this.#mark();
    } else if (into && this.#picked) {
      this.#say({ in: this.#picked.player, sheet: into });
    } else if (button === this.#act && this.#picked) {
      this.#say(this.#picked.on ? { off: this.#picked.player } : { in: this.#picked.player });
    }
  }

  #say(change) {
    this.#change({ off: null, in: null, sheet: null, ...change });
    this.#show();
  }

  #show() {
    const { groups, bench } = this.#look();
    this.#picked = null;
    this.#groups.replaceChildren(
      ...groups.map((group) => {
        const section = document.createElement("section");
        const head = document.createElement("h3");
        head.textContent = `${group.name} (${group.players.length})`;
        const into = chipOf(`Into ${group.name}`);
        into.classList.add("who-into");
        into.dataset.into = group.sheet;
        const chips = document.createElement("div");
        chips.className = "chips";
        chips.append(...group.players.map((player) => playerChip(player, player.goes, true)));
        section.append(head, into, chips);
        return section;
      }),
    );
    const none = document.createElement("p");
    none.className = "quiet";
    none.textContent = "Nobody is off.";
    this.#bench.replaceChildren(
      ...(bench.length ? bench.map((player) => playerChip(player, player.note, false)) : [none]),
    );
    this.#mark();
  }

  #mark() {
    const picked = this.#picked;
    for (const chip of this.#dialog.querySelectorAll("[data-player]")) {
      chip.setAttribute("aria-pressed", String(chip.dataset.player === picked?.player));
    }
    for (const into of this.#dialog.querySelectorAll("[data-into]")) {
      into.hidden = !picked || picked.on || Boolean(picked.note) || this.#groups.children.length < 2;
    }
    // Whoever is kept from this drill is not offered what would do nothing.
    this.#act.hidden = !picked || Boolean(!picked.on && picked.note);
    this.#act.textContent = picked?.on ? `${picked.name} goes off` : picked ? `${picked.name} comes in` : "";
    this.#hint.textContent = picked?.on
      ? `Or tap who comes in for ${picked.name}, or who changes places with ${picked.name}.`
      : picked?.note
        ? `${picked.name} is ${picked.note}.`
        : picked
          ? `Or tap a group, or who ${picked.name} comes in for.`
          : "Tap a player.";
  }
}

function playerChip({ id, name, call }, note, on) {
  const chip = chipOf(name);
  chip.classList.add("who-chip");
  chip.dataset.player = id;
  chip.dataset.name = call;
  if (on) {
    chip.dataset.on = "true";
  }
  if (note && !on) {
    chip.dataset.note = note;
  }
  if (note) {
    const small = document.createElement("small");
    small.textContent = note;
    chip.append(small);
  }
  return chip;
}
