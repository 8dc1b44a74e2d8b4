// What was pressed and not taken by the server is told, wherever the press came from, until the next one is answered. Without this a
// press with no network would do nothing, and say nothing.

const notSent = "Nothing changed: there is no network. Try again when there is one.";
// The press may have come through, and only its answer was lost.
const noAnswer = "This may not be saved: there is no network. Check when there is one, then try again.";
const unsure = "This may not be saved: something went wrong. Reload the page and check.";
// A page asks by itself, too, when it is opened and every few seconds: of that nothing is said.
const byHand = new Set(["click", "submit", "change", "input", "search", "keyup"]);
const id = "unanswered";

const matters = ({ verb, triggeringEvent }) => verb !== "get" || byHand.has(triggeringEvent?.type);

/** A form of fields that say how things stand says so again; what a coach types at length is never touched. */
const restore = ({ elt }) => elt.closest("form[data-stands]")?.reset();

function tell(words, mend) {
  document.getElementById(id)?.remove();
  const notice = document.createElement("div");
  Object.assign(notice, { id, role: "alert" });
  notice.append(words);
  if (mend) {
    notice.append(mend);
  }
  document.body.append(notice);
}

function reload() {
  const button = document.createElement("button");
  Object.assign(button, { type: "button", className: "mark", textContent: "Reload" });
  button.addEventListener("click", () => location.reload());
  return button;
}

/**
 * A form that htmx does not send leaves the page, and what was typed with it: with no network it stays. A server on this very device
 * is there with no network, too: it is asked first.
 */
async function send(form, submitter) {
  const there = await fetch("/api/time", { cache: "no-store" }).catch(() => null);
  if (there) {
    asked.add(form);
    form.requestSubmit(submitter);
  } else {
    tell(notSent);
  }
}

const asking = new WeakSet();
const asked = new WeakSet();
function hold(event) {
  const form = /** @type {HTMLFormElement} */ (event.target);
  if (navigator.onLine || event.defaultPrevented || form.method !== "post" || asked.delete(form)) {
    return;
  }
  event.preventDefault();
  if (!asking.has(form)) {
    asking.add(form);
    send(form, event.submitter).finally(() => asking.delete(form));
  }
}

// Where there was no network already, nothing went out.
const unsent = new WeakSet();

/** Tells of every request of htmx that failed, and of a form that cannot be sent. */
export function tellUnanswered() {
  // The last to hear of it: what others send themselves is not held.
  addEventListener("submit", hold);
  document.addEventListener("htmx:beforeSend", ({ detail }) => navigator.onLine || unsent.add(detail.xhr));
  document.addEventListener("htmx:sendError", ({ detail }) => {
    if (matters(detail.requestConfig)) {
      restore(detail);
      tell(unsent.has(detail.xhr) ? notSent : noAnswer);
    }
  });
  document.addEventListener("htmx:responseError", ({ detail }) => {
    const { requestConfig, xhr } = detail;
    // Who is signed out is led to the page for that.
    if (xhr.status !== 401 && matters(requestConfig)) {
      restore(detail);
      // A page of another program on the way, as of a proxy, is no sentence.
      tell(xhr.responseText.includes("<") ? unsure : xhr.responseText, reload());
    }
  });
  document.addEventListener("htmx:beforeSwap", ({ detail }) => {
    if (!detail.isError && matters(detail.requestConfig)) {
      document.getElementById(id)?.remove();
    }
  });
}
