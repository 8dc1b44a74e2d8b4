import "htmx.org";
import "./elements/tally-strokes.js";
import "./elements/gate-window.js";
import "./theme-switch.js";
import { listKeptRuns } from "./kept-runs.js";

// What is folded on a phone stands open where there is room.
if (matchMedia("(min-width: 861px)").matches) {
  document.querySelectorAll("details[data-wide-open]").forEach((details) => (details.open = true));
}

const keptRuns = document.querySelector("[data-kept-runs]");
if (keptRuns && "caches" in window) {
  listKeptRuns(keptRuns);
}
