// The editor of layouts under mouse, thumb and keys. Each press goes to the server one after the other with what is typed; what
// it makes of the layout takes the place of what stands. Here is only where the pointer is, and what stood before, to undo.
const form = /** @type {HTMLFormElement} */ (document.getElementById("layout-form"));
const editor = () => document.getElementById("layout-editor");
const text = () => editor().querySelector("[name=text]").value;
const before = [];
let queue = Promise.resolve();

/** @param focus the id that has the focus afterwards; else whatever had it keeps it. */
function send(address, press, focus) {
  queue = queue.then(async () => {
    await released();
    const fields = new FormData(form);
    if (press) {
      fields.set("press", press);
    }
    const was = text();
    if (press === "undo") {
      fields.set("text", before.pop());
    }
    const response = await fetch(address, { method: "POST", body: fields, headers: { "HX-Request": "true" } }).catch(
      () => null,
    );
    if (!response?.ok) {
      tell(
        response
          ? "Not saved. Reload the page and try again."
          : "Not saved: there is no network. Press again when there is.",
      );
      return;
    }
    const made = await response.text();
    await released();
    const held = focus ?? document.activeElement?.id;
    const open = editor().querySelector("#as-json")?.open;
    editor().outerHTML = made;
    if (open) {
      editor().querySelector("#as-json").open = true;
    }
    if (press !== "undo" && text() !== was) {
      before.push(was);
    }
    document.getElementById("undo").disabled = before.length === 0;
    document.getElementById(held)?.focus({ preventScroll: true });
  });
}

// What is under a finger is not replaced: its press would be lost.
let down = false;
const letGo = [];
const clickComes = 50;
addEventListener("pointerdown", () => (down = true), true);
for (const end of ["pointerup", "pointercancel"]) {
  addEventListener(
    end,
    () => {
      down = false;
      // The click comes after the finger has gone, a moment later on a touch screen.
      setTimeout(() => !down && letGo.splice(0).forEach((go) => go()), clickComes);
    },
    true,
  );
}
const released = () => (down ? new Promise((go) => letGo.push(go)) : Promise.resolve());

function tell(words) {
  const says = document.createElement("p");
  says.className = "says";
  says.role = "alert";
  says.textContent = words;
  editor().querySelector(".says")?.remove();
  editor().prepend(says);
}

form.addEventListener("submit", (event) => {
  const { submitter } = event;
  if (submitter?.hasAttribute("data-save")) {
    return;
  }
  event.preventDefault();
  const address = submitter?.hasAttribute("formaction") ? submitter.formAction : form.action;
  const press = submitter?.name === "press" ? submitter.value : "set";
  const after = press.startsWith("put:") || press.startsWith("zone:") ? "in-hand" : null;
  send(address, press, after);
});

form.addEventListener("change", (event) => {
  if (event.target.name !== "json") {
    send(form.action, "set");
  }
});

form.addEventListener("click", (event) => {
  if (event.target.id === "undo") {
    send(form.action, "undo");
  }
});

const arrows = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] };

document.addEventListener("keydown", (event) => {
  const typing = event.target.matches("input, textarea, select");
  if (event.key === "z" && (event.ctrlKey || event.metaKey) && !typing && before.length > 0) {
    event.preventDefault();
    send(form.action, "undo");
    return;
  }
  const mark = event.target.closest?.("[data-mark]");
  if (!mark) {
    return;
  }
  const index = mark.dataset.mark;
  if (arrows[event.key]) {
    event.preventDefault();
    send(form.action, `nudge:${index}:${arrows[event.key].join(":")}`, "in-hand");
  } else if (event.key === "Delete" || event.key === "Backspace") {
    event.preventDefault();
    send(form.action, `drop:${index}`, "put-cone");
  } else if (event.key === "Enter" || event.key === " ") {
    event.preventDefault();
    send(form.action, `take:${index}`, "in-hand");
  }
});

// Dragging: the mark goes with the pointer, in metres of the floor; where it is let go, the server puts it to the nearest step.
let drag = null;

form.addEventListener("pointerdown", (event) => {
  const mark = event.target.closest("[data-mark]");
  if (!mark) {
    return;
  }
  event.preventDefault();
  mark.focus();
  mark.setPointerCapture(event.pointerId);
  drag = { mark, from: floor(mark, event), moved: false };
});

form.addEventListener("pointermove", (event) => {
  if (!drag) {
    return;
  }
  const at = floor(drag.mark, event);
  const [dx, dy] = [at.x - drag.from.x, at.y - drag.from.y];
  drag.moved ||= Math.hypot(dx, dy) > Number(editor().dataset.step) / 3;
  drag.mark.setAttribute("transform", `translate(${dx} ${dy})`);
});

form.addEventListener("pointerup", (event) => {
  if (!drag) {
    return;
  }
  const { mark, from, moved } = drag;
  const at = floor(mark, event);
  drag = null;
  const { mark: index, x, y } = mark.dataset;
  send(
    form.action,
    // The drawing's y runs down, the floor's up.
    moved ? `move:${index}:${Number(x) + at.x - from.x}:${Number(y) - (at.y - from.y)}` : `take:${index}`,
    "in-hand",
  );
});

function floor(mark, event) {
  const svg = mark.ownerSVGElement;
  return new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());
}
