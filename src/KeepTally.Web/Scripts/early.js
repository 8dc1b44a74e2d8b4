import { show } from "./run/choices.js";

// Before the core is there, the page already stands as the server drew it. What is pressed then is kept here, so that a
// reload loses nothing, and counted as soon as the core can.
const root = () => document.getElementById("run");
const place = () => `early-${root().dataset.practice}`;

const early = {
  get presses() {
    return JSON.parse(sessionStorage.getItem(place()) ?? "[]");
  },
  /** Everything pressed so far; from now on presses are not kept here any more. */
  take() {
    const { presses } = early;
    document.removeEventListener("pointerdown", keep, true);
    document.removeEventListener("click", keepByKey, true);
    return presses;
  },
  forget() {
    sessionStorage.removeItem(place());
  },
};

function keep(event) {
  const button = event.target.closest?.("button.pad, #go");
  if (!root() || !button || button.disabled || event.button > 0) {
    return;
  }
  event.preventDefault();
  const { outcome = null, zone = null, reading = null } = button.dataset;
  const press =
    button.id === "go"
      ? { command: button.dataset.does }
      : {
          sheet: button.closest("[data-sheet]").dataset.sheet,
          unit: button.closest("[data-unit]").dataset.unit,
          outcome,
          zone,
          reading,
          tags: tagsBeside(button),
        };
  const presses = [...early.presses, { ...press, at: Date.now() }];
  sessionStorage.setItem(place(), JSON.stringify(presses));
  button.classList.add("is-kept");
  const kept = document.getElementById("early-kept");
  kept.textContent = presses.length === 1 ? "1 press kept" : `${presses.length} presses kept`;
}

function tagsBeside(button) {
  const pressed = button.closest(".row-pad")?.querySelectorAll("button[data-tag][aria-pressed=true]") ?? [];
  return Object.fromEntries([...pressed].map((tag) => [tag.dataset.tag, tag.dataset.value]));
}

function keepByKey(event) {
  if (event.detail === 0) {
    keep(event);
  }
}

// Without a network the page comes from this device's own store, as it was when it was last fetched: what has changed since
// is not shown as if it were so.
const old = 20_000;
document.addEventListener("DOMContentLoaded", () => {
  const now = Date.now() + (Number(localStorage.getItem("clock-offset")) || 0);
  root()?.classList.toggle("is-old", now - Number(root().dataset.now) > old);
});
document.addEventListener("pointerdown", keep, true);
document.addEventListener("click", keepByKey, true);
window.early = early;
show();
