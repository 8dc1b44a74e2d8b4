import htmx from "htmx.org";
import "./elements/tally-strokes.js";
import "./elements/gate-window.js";
import "./restart.js";
import "./site-menu.js";
import { offerAddresses } from "./addresses.js";
import { offerLinks } from "./links/pass-on.js";
import { offerPictures } from "./save-picture.js";
import { letPasswordsBeSeen } from "./passwords.js";
import { listKeptRuns } from "./kept-runs.js";
import { hearOfErasure } from "./erased.js";
import { tellUnanswered } from "./unanswered.js";
import { forgetPages, takeNewWorker } from "./run/offline.js";

// There is one htmx on a page; scripts of single pages ask for it here.
window.htmx = htmx;

// Presses that came before are sent now: htmx takes the page in when it has been parsed, right before this.
const ready = () => dispatchEvent(new Event("htmx:ready"));
if (document.readyState === "complete") {
  ready();
} else {
  document.addEventListener("DOMContentLoaded", ready);
}

// What is folded on a phone stands open where there is room.
if (matchMedia("(min-width: 861px)").matches) {
  document.querySelectorAll("details[data-wide-open]").forEach((details) => (details.open = true));
}

tellUnanswered();
offerAddresses();
offerPictures();
offerLinks();
letPasswordsBeSeen();

// With room for two columns the second is never empty.
if (matchMedia("(min-width: 1000px)").matches) {
  document.querySelector(".drill-results .result-fold")?.setAttribute("open", "");
}

document.querySelector("[data-print]")?.addEventListener("click", () => print());

const keptRuns = document.querySelector("[data-kept-runs]");
if (keptRuns && "caches" in window) {
  listKeptRuns(keptRuns);
}

if (!document.body.classList.contains("running")) {
  takeNewWorker();
}

// Every contact is one at which this device can hear that a player was erased.
if ("caches" in window && !document.body.classList.contains("running")) {
  caches.keys().then(async (names) => {
    const response = names.length > 0 ? await fetch("/api/time").catch(() => null) : null;
    if (response?.ok) {
      await hearOfErasure((await response.json()).erased);
    }
  });
}

// Who signs out leaves no page with names behind.
document.querySelector("[data-forget]")?.addEventListener("submit", async (event) => {
  const { currentTarget: form, submitter } = event;
  if (!("caches" in window) || form.dataset.forgotten) {
    return;
  }
  event.preventDefault();
  await forgetPages();
  form.dataset.forgotten = "yes";
  form.requestSubmit(submitter);
});
