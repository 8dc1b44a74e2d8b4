import htmx from "htmx.org";
import "./elements/tally-strokes.js";
import "./elements/gate-window.js";
import "./theme-switch.js";
import { listKeptRuns } from "./kept-runs.js";

// There is one htmx on a page; scripts of single pages ask for it here.
window.htmx = htmx;

// What is folded on a phone stands open where there is room.
if (matchMedia("(min-width: 861px)").matches) {
  document.querySelectorAll("details[data-wide-open]").forEach((details) => (details.open = true));
}

document.querySelector("[data-print]")?.addEventListener("click", () => print());

const keptRuns = document.querySelector("[data-kept-runs]");
if (keptRuns && "caches" in window) {
  listKeptRuns(keptRuns);
}
