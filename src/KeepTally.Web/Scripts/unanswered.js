// What was pressed and not taken by the server has changed nothing: the page says so, wherever the press came from, until the next one
// is answered. Without this a press with no network would do nothing, and say nothing.

const noNetwork = "Nothing changed: there is no network. Try again when there is one.";
// A page asks by itself, too, when it is opened and every few seconds: of that nothing is said.
const byHand = new Set(["click", "submit", "change", "input", "search", "keyup"]);
const id = "unanswered";

const matters = ({ verb, triggeringEvent }) => verb !== "get" || byHand.has(triggeringEvent?.type);

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

/** Tells of every request of htmx that failed. */
export function tellUnanswered() {
  document.addEventListener("htmx:sendError", ({ detail }) => matters(detail.requestConfig) && tell(noNetwork));
  document.addEventListener("htmx:responseError", ({ detail: { requestConfig, xhr } }) => {
    // Who is signed out is led to the page for that.
    if (xhr.status !== 401 && matters(requestConfig)) {
      tell(xhr.responseText, reload());
    }
  });
  document.addEventListener("htmx:beforeSwap", ({ detail }) => {
    if (!detail.isError && matters(detail.requestConfig)) {
      document.getElementById(id)?.remove();
    }
  });
}
