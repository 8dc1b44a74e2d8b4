// The timing sheet under a thumb: what is pressed goes to the server one after the other, and the sheet it makes takes the
// place of the one that stands. Nothing is lost where presses come faster than answers.
import { listenToStrip } from "./strip.js";

const sheet = () => document.getElementById("timing");
const waiting = [];
let busy = false;

/** Sends a form, or a press of the strip, once all before it are answered. */
function send(address, fields) {
  waiting.push({ address, fields });
  if (!busy) {
    work();
  }
}

async function work() {
  busy = true;
  while (waiting.length > 0) {
    const { address, fields } = waiting.shift();
    const put = { source: document.body, target: sheet(), swap: "outerHTML", values: fields };
    // What goes wrong is told by the page (unanswered.js).
    await window.htmx.ajax("POST", address, put).catch(() => {});
  }
  busy = false;
}

document.addEventListener("submit", (event) => {
  if (!sheet().contains(event.target)) {
    return;
  }
  event.preventDefault();
  const { submitter } = event;
  const form = /** @type {HTMLFormElement} */ (event.target);
  const address = submitter?.hasAttribute("formaction") ? submitter.formAction : form.action;
  send(address, Object.fromEntries(new FormData(form, submitter)));
});

listenToStrip({
  send(handler, values) {
    const query = new URLSearchParams({ handler, ...values });
    const token = sheet().querySelector("input[name=__RequestVerificationToken]").value;
    send(`/plan/${sheet().dataset.practice}?${query}`, { __RequestVerificationToken: token });
  },
});

// What stood open before a change stands open after it.
let opened = [];
let stood = 0;
let lines = new Set();
const linesNow = () => [...document.querySelectorAll("#timing .line")].map(({ id }) => id);
document.addEventListener("htmx:beforeSwap", () => {
  opened = [...document.querySelectorAll("#timing details[open]")].map((details) => details.id);
  lines = new Set(linesNow());
  stood = scrollY;
});
document.addEventListener("htmx:afterSwap", ({ detail }) => {
  if (detail.target !== sheet() && detail.elt !== sheet()) {
    return;
  }
  opened.forEach((id) => document.getElementById(id)?.setAttribute("open", ""));
  // What was just added is what the coach looks at next.
  const [added, ...more] = linesNow().filter((id) => !lines.has(id));
  if (added && more.length === 0) {
    document.querySelector(`#${added} .line-fold`).open = true;
  }
  openOne();
  // The page stays where the thumb is.
  scrollTo({ top: stood, behavior: "instant" });
});

/** What can be put back can be for ten seconds. */
const fadesAfter = 10_000;
document.addEventListener("htmx:afterSwap", () => {
  const note = document.querySelector("#timing [data-fades]");
  if (note) {
    setTimeout(() => note.remove(), fadesAfter);
  }
});

/** With room for two columns the second is never empty. */
function openOne() {
  const folds = [...document.querySelectorAll("#timing .line-fold")];
  if (matchMedia("(min-width: 1000px)").matches && !folds.some(({ open }) => open)) {
    (folds.find((fold) => !fold.closest(".has-begun")) ?? folds[0])?.setAttribute("open", "");
  }
}
openOne();

// What waits behind a press that was not taken is let go: it was meant for the sheet with that press in it.
for (const failed of ["htmx:sendError", "htmx:responseError"]) {
  document.addEventListener(failed, ({ detail }) => {
    if (detail.requestConfig.verb !== "get") {
      waiting.length = 0;
    }
  });
}
