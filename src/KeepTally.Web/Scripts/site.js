import "htmx.org";
import "./elements/tally-strokes.js";
import "./elements/gate-window.js";
import "./theme-switch.js";
