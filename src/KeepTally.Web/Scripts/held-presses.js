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
  held.splice(0).forEach((pressed) => pressed.click());
}

/** Without htmx, as where its script could not be loaded: one after the other, the last as the form it is, whose answer is the page. */
async function send() {
  removeEventListener("htmx:ready", release);
  while (held.length > 1) {
    const pressed = held.shift();
    await fetch(pressed.formAction, { method: "POST", body: new FormData(pressed.form, pressed) }).catch(() => null);
  }
  removeEventListener("click", hold, true);
  const last = held.pop();
  last?.form.requestSubmit(last);
}

const timer = setTimeout(send, patience);
addEventListener("click", hold, true);
addEventListener("htmx:ready", release, { once: true });
