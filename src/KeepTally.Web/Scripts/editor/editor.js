// The editor of a card: puts what is wrong beside its field, renews the text of the card, and opens the pad to try it.
import { openTry } from "./try.js";

const json = (id) => JSON.parse(document.getElementById(id)?.textContent ?? "null");

/** A fault stands in the slot of its own path, else in the nearest one around it. */
function placeFaults() {
  const slots = [...document.querySelectorAll("#card-form [data-fault]")];
  slots.forEach((slot) => {
    slot.textContent = "";
    const field = slot.closest(".field")?.querySelector("[aria-invalid]");
    field?.removeAttribute("aria-invalid");
    field?.removeAttribute("aria-describedby");
  });
  for (const { path, text } of json("faults") ?? []) {
    const near = slots
      .filter(
        (slot) =>
          path === slot.dataset.fault ||
          path.startsWith(`${slot.dataset.fault}.`) ||
          path.startsWith(`${slot.dataset.fault}[`),
      )
      .sort((a, b) => b.dataset.fault.length - a.dataset.fault.length)[0];
    if (near) {
      near.textContent = `${near.textContent} ${text}`.trim();
      const field = near.closest(".field")?.querySelector("input:not([type=hidden]), select, textarea");
      field?.setAttribute("aria-invalid", "true");
      if (near.id) {
        field?.setAttribute("aria-describedby", near.id);
      }
    }
  }
}

/** The text of the card follows its fields, until the coach has written in it: then it waits to be taken. */
function renewText() {
  const area = document.getElementById("card-text");
  const text = json("card-json");
  if (area && text && !area.dataset.written) {
    area.value = text;
  }
}

function markTouched() {
  const touched = document.querySelector("#card-form [name=touched]");
  if (touched) {
    touched.value = "true";
  }
}

document.addEventListener("input", (event) => {
  if (event.target.closest("#card-form")) {
    markTouched();
  } else if (event.target.id === "card-text") {
    event.target.dataset.written = "true";
  }
});

// Saving would save the fields: what was written in the text is not to be lost unseen.
document.addEventListener("submit", (event) => {
  const area = document.getElementById("card-text");
  if (event.target.id === "card-form" && area?.dataset.written) {
    event.preventDefault();
    area.closest("details").open = true;
    area.setCustomValidity("You changed this text. Press “Use this text” first, or reload the page to discard it.");
    area.reportValidity();
    area.setCustomValidity("");
  }
});

// What was typed while the form was being drawn again is not lost: it is asked for once more, with that.
const sent = new WeakMap();
const form = () => /** @type {HTMLFormElement} */ (document.getElementById("card-form"));
const fields = () => new URLSearchParams(/** @type {any} */ (new FormData(form()))).toString();
const redraws = ({ target, elt }) => target?.id === "card-form" && document.contains(elt);
document.addEventListener("htmx:beforeRequest", ({ detail }) => {
  if (redraws(detail)) {
    sent.set(detail.xhr, fields());
  }
});
document.addEventListener("htmx:beforeSwap", ({ detail }) => {
  const { elt } = detail.requestConfig;
  if (redraws({ target: detail.target, elt }) && sent.has(detail.xhr) && sent.get(detail.xhr) !== fields()) {
    detail.shouldSwap = false;
    window.htmx.trigger(elt, elt.name === "act" ? "click" : "change");
  }
});

// A button that changes the card is gone with the form it stood in: the hand goes on where the change is.
let pressed;
document.addEventListener("htmx:beforeRequest", (event) => {
  const button = event.detail.elt;
  pressed = button.name === "act" ? button.value : pressed;
});

function focusAfter(act) {
  const [what, path] = act.split(" ");
  const within = (start) =>
    [...form().querySelectorAll("input:not([type=hidden]), select, textarea")].filter((field) =>
      field.name.slice(field.name.indexOf(":") + 1).startsWith(start),
    );
  if (what === "add") {
    // The first field of the last of the list.
    const last = within(`${path}[`).at(-1) ?? within(`${path}.`).at(-1);
    const item = last?.name.slice(last.name.indexOf(":") + 1 + path.length).match(/^(\[\d+\]|\.[^.[]+)/)?.[0];
    (item ? within(path + item)[0] : last)?.focus();
  } else if (what === "set") {
    within(`${path}.`)[0]?.focus();
  } else {
    const same = [...form().querySelectorAll("button[name=act]")].find((button) => button.value === act);
    const list = path?.replace(/\[\d+\]$/, "");
    (
      same ??
      form().querySelector(`button[name=act][value="add ${CSS.escape(list ?? "")}"]`) ??
      within(list ?? "")[0]
    )?.focus();
  }
}

document.addEventListener("htmx:afterSettle", (event) => {
  const id = event.detail.target?.id || event.detail.elt?.id;
  if (document.getElementById("try-pad")?.getAttribute("aria-busy") === "true") {
    openTry();
  }
  if (id === "card-form") {
    // What a button changed is told in words as well, and the text of the card follows.
    document.getElementById("card-form").dispatchEvent(new Event("input", { bubbles: true }));
  }
  placeFaults();
  renewText();
  if (id === "card-form" && pressed) {
    focusAfter(pressed);
    pressed = undefined;
  }
});

// Saved from anywhere in the form.
document.addEventListener("keydown", (event) => {
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "s") {
    const save = document.getElementById("save-card");
    if (save) {
      event.preventDefault();
      save.click();
    }
  }
});

placeFaults();
// What was refused is what the coach wants next: the first field that is wrong, else the words on the whole.
(
  document.querySelector("#card-form [aria-invalid]") ?? document.querySelector("#card-form > .says[role=alert]")
)?.focus();
if (document.getElementById("try-pad")) {
  openTry();
}
