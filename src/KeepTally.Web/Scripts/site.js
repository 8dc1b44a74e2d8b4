import "htmx.org";
import "./elements/tally-strokes.js";
import "./elements/gate-window.js";
import "./theme-switch.js";
import { listKeptRuns } from "./kept-runs.js";

const keptRuns = document.querySelector("[data-kept-runs]");
if (keptRuns && "caches" in window) {
  listKeptRuns(keptRuns);
}
