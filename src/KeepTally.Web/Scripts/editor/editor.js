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

/** The text of the card follows its fields, unless the coach is writing in it. */
function renewText() {
  const area = document.getElementById("card-text");
  const text = json("card-json");
  if (area && text && document.activeElement !== area) {
    area.value = text;
  }
}

function markTouched() {
  const touched = document.querySelector("#card-form [name=touched]");
  if (touched) {
    touched.value = "true";
  }
}

document.addEventListener("input", (event) => event.target.closest("#card-form") && markTouched());

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
