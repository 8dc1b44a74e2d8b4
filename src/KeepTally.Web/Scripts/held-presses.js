// A press of what htmx sends is held until htmx is there: sent as a plain form it would leave the page, and the presses that come
// with it, as of quick thumbs on who is missing, would be lost.
const patience = 4000;
const held = [];

function hold(event) {
  const pressed = event.target.closest?.("button[hx-post]");
  if (pressed && !pressed.disabled) {
    event.preventDefault();
    event.stopPropagation();
    held.push(pressed);
  }
}

function release() {
  clearTimeout(timer);
  removeEventListener("click", hold, true);
  for (const pressed of held.splice(0)) {
    pressed.click();
  }
}

// Without htmx, as where its script could not be loaded, the form is sent as it is.
const timer = setTimeout(release, patience);
addEventListener("click", hold, true);
addEventListener("htmx:ready", release, { once: true });
