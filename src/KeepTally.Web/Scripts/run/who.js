// Players off, late, in, or changing places in mid-drill: one press each. Who ends up where is the core's.
import { chipOf } from "./chip.js";

export class Who {
  #dialog = document.getElementById("who");
  #groups = document.getElementById("who-groups");
  #bench = document.getElementById("who-bench");
  #hint = document.getElementById("who-hint");
  /** @type {() => import("../views").WhoView} */
  #look;
  #change;
  #picked = null;
  #into = null;

  /**
   * @param look gives who is on and who may come; @param change takes the change of the roster and says whether it came to anything; @param welcome writes a guest
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
    const { player, name, note, into, off, on } = button?.dataset ?? {};
    const picked = this.#picked;
    if (off) {
      this.#say({ off }, `${name} is off.`);
    } else if (into) {
      this.#into = this.#into === into ? null : into;
      this.#mark();
    } else if (player && picked && picked.player !== player && !note) {
      // Who is off comes in for the one who was chosen; two who are on change places.
      this.#say(
        { off: picked.player, in: player },
        on ? `${picked.name} and ${name} change places.` : `${name} is in for ${picked.name}.`,
      );
    } else if (player && on) {
      this.#picked = picked?.player === player ? null : { player, name };
      this.#mark();
    } else if (note) {
      this.#hint.textContent = `${name} is ${note}.`;
    } else if (player) {
      this.#say({ in: player, sheet: this.#into }, `${name} is in.`);
    }
  }

  #say(change, words) {
    const done = this.#change({ off: null, in: null, sheet: null, ...change });
    this.#show();
    this.#hint.textContent = done ? words : "";
  }

  #show() {
    const { groups, bench } = this.#look();
    this.#picked = null;
    this.#into = null;
    this.#groups.replaceChildren(
      ...groups.map((group) => {
        const section = document.createElement("section");
        const head = document.createElement("h3");
        head.textContent = `${group.name} (${group.players.length})`;
        const into = chipOf(`To ${group.name}`);
        into.setAttribute("aria-label", `Next one in to ${group.name}`);
        into.classList.add("who-into");
        into.dataset.into = group.sheet;
        const chips = document.createElement("div");
        chips.className = "chips";
        chips.append(...group.players.map((player) => withOff(playerChip(player, player.goes, true))));
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
    const choosesGroup = this.#groups.children.length > 1 && this.#bench.querySelector("[data-player]");
    for (const into of this.#dialog.querySelectorAll("[data-into]")) {
      into.hidden = !choosesGroup;
      into.setAttribute("aria-pressed", String(into.dataset.into === this.#into));
    }
    this.#hint.textContent = picked
      ? `Tap the player who comes in for ${picked.name}, or changes places with ${picked.name}.`
      : this.#into
        ? "Tap the player who joins this group."
        : "";
  }
}

/** Beside who is on, one press that sends them off. */
function withOff(chip) {
  const off = chipOf("Off");
  off.classList.add("who-off");
  off.dataset.off = chip.dataset.player;
  off.dataset.name = chip.dataset.name;
  off.setAttribute("aria-label", `${chip.dataset.name} off`);
  const pair = document.createElement("span");
  pair.className = "who-pair";
  pair.append(chip, off);
  return pair;
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
