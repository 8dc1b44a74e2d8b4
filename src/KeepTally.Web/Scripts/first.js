// What runs before a page is painted.
import "./theme.js";
import "./held-presses.js";
