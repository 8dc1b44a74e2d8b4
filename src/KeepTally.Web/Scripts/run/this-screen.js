// The choices for this screen: the thumb, the size, what is heard and felt, and keys of a clicker or a foot switch, each
// learnt by pressing it once.
const plain = ["Escape", "Tab"];

export class ThisScreen {
  #dialog = document.getElementById("this-screen");
  #choices;
  #try;
  #learning = null;

  /** @param choices what stands; @param changed after each change; @param hear lets a sound be heard. */
  constructor({ choices, changed, hear }) {
    this.#choices = choices;
    this.#try = hear;
    this.#dialog.addEventListener("change", ({ target }) => {
      this.#take(target);
      changed();
    });
    this.#dialog.addEventListener("click", ({ target }) => {
      const learn = target.closest("[data-learn]");
      const forget = target.closest("[data-forget]");
      const hearing = target.closest("[data-hear]");
      if (learn) {
        this.#learn(learn);
      } else if (forget) {
        this.#keys((keys) => Object.entries(keys).filter(([, action]) => action !== forget.dataset.forget));
      } else if (hearing) {
        this.#try(hearing.dataset.hear);
      }
    });
    this.#dialog.addEventListener("keydown", (event) => {
      if (this.#learning && !plain.includes(event.key)) {
        event.preventDefault();
        const action = this.#learning.dataset.learn;
        const pressed = nameOf(event);
        this.#learning = null;
        this.#keys((keys) => [...Object.entries(keys).filter(([key]) => key !== pressed), [pressed, action]]);
      }
    });
    this.#dialog.addEventListener("close", () => (this.#learning = null));
    this.#dialog.querySelector("#voice").hidden = !window.speechSynthesis;
    this.#dialog.querySelector("#shaking").hidden = !navigator.vibrate;
  }

  open() {
    this.#show();
    this.#dialog.showModal();
  }

  #take({ name, value, checked, type, dataset }) {
    if (dataset.sound) {
      this.#choices.change({ sounds: { ...this.#choices.now.sounds, [dataset.sound]: checked } });
    } else {
      this.#choices.change({ [name]: type === "checkbox" ? checked : type === "range" ? Number(value) : value });
    }
  }

  #learn(button) {
    this.#show();
    this.#learning = button;
    button.textContent = "Press it now";
    button.focus();
  }

  #keys(change) {
    this.#choices.change({ keys: Object.fromEntries(change(this.#choices.now.keys)) });
    this.#show();
  }

  #show() {
    const now = this.#choices.now;
    for (const field of this.#dialog.querySelectorAll("input")) {
      if (field.dataset.sound) {
        field.checked = now.sounds[field.dataset.sound];
      } else if (field.type === "checkbox") {
        field.checked = now[field.name];
      } else if (field.type === "radio") {
        field.checked = now[field.name] === field.value;
      } else {
        field.value = now[field.name];
      }
    }
    for (const line of this.#dialog.querySelectorAll("[data-action]")) {
      const { action } = line.dataset;
      const keys = Object.keys(now.keys).filter((key) => now.keys[key] === action);
      line.querySelector(".learnt").textContent = keys.join(", ");
      line.querySelector("[data-learn]").textContent = "Learn a key";
      line.querySelector("[data-forget]").hidden = keys.length === 0;
    }
  }
}

/** What a key is called: the place on the keyboard where it has one, as remote keys often have none. */
export const nameOf = (event) => event.code || event.key;
