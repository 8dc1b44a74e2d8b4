// Puts a tap right after the fact: whose it was, what it was, where it went. What can be said is the core's.
import { chipOf } from "./chip.js";

export class Amend {
  #dialog = document.getElementById("amend");
  #what = document.getElementById("amend-what");
  #count = document.getElementById("amend-count");
  #tap;
  /** @type {(tap: any) => import("../views").AmendView | null} */
  #look;
  #change;

  /** @param look what of a tap can be put right; @param change says what is otherwise. */
  constructor({ look, change }) {
    this.#look = look;
    this.#change = change;
    this.#dialog.addEventListener("click", ({ target }) => {
      const pick = target.closest("[data-pick]");
      if (pick?.dataset.tag) {
        this.#say({ tag: pick.dataset.tag, value: pick.dataset.id });
      } else if (pick) {
        this.#say({ [pick.dataset.pick]: pick.dataset.id });
      } else if (target.closest("#amend-count")) {
        this.#say({ counts: true });
      }
    });
  }

  open(tap) {
    this.#tap = tap;
    if (this.#show()) {
      this.#dialog.showModal();
    }
  }

  #say(change) {
    this.#change(this.#tap, change);
    if (!this.#show()) {
      // It went to another group.
      this.#dialog.close();
    }
  }

  #show() {
    const view = this.#look(this.#tap);
    if (!view) {
      return false;
    }
    this.#what.textContent = view.text;
    this.#count.hidden = !view.late;
    for (const name of ["unit", "outcome", "zone"]) {
      const picks = view[`${name}s`];
      const section = this.#dialog.querySelector(`[data-of="${name}"]`);
      section.hidden = picks.length < 2;
      section.querySelector(".chips").replaceChildren(...picks.map((pick) => pickOf(name, pick)));
    }
    this.#dialog.querySelector("[data-tags]").replaceChildren(...view.tags.map(tagOf));
    return true;
  }
}

function tagOf({ tag, name, picks }) {
  const section = document.createElement("section");
  const head = document.createElement("h3");
  head.textContent = name;
  const chips = document.createElement("div");
  chips.className = "chips";
  chips.append(
    ...picks.map((pick) => {
      const chip = pickOf("tag", pick);
      chip.dataset.tag = tag;
      return chip;
    }),
  );
  section.append(head, chips);
  return section;
}

function pickOf(name, { id, name: label, on }) {
  const chip = chipOf(label);
  chip.dataset.pick = name;
  chip.dataset.id = id;
  chip.setAttribute("aria-pressed", String(on));
  return chip;
}
