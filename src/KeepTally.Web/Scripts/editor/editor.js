// The editor of a card: puts what is wrong beside its field, renews the text of the card, and opens the pad to try it.
import { openTry } from "./try.js";

const json = (id) => JSON.parse(document.getElementById(id)?.textContent ?? "null");

/** A fault stands in the slot of its own path, else in the nearest one around it. */
function placeFaults() {
  const slots = [...document.querySelectorAll("#card-form [data-fault]")];
  slots.forEach((slot) => {
    slot.textContent = "";
    slot.closest(".field")?.querySelector("[aria-invalid]")?.removeAttribute("aria-invalid");
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
      near.closest(".field")?.querySelector("input, select, textarea")?.setAttribute("aria-invalid", "true");
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
    area.setCustomValidity("This text was changed. Take it first, or reload the page to drop it.");
    area.reportValidity();
    area.setCustomValidity("");
  }
});

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
});

placeFaults();
if (document.getElementById("try-pad")) {
  openTry();
}
