// The timing sheet under a thumb: lines are dragged and moved by keys on the strip of time. The server makes the new sheet.
const step = 0.5;
const still = 6;

const sheet = () => document.getElementById("timing");
const strip = () => document.getElementById("strip");
const grips = () => [...strip().querySelectorAll(".grip")];

function send(handler, values) {
  const query = new URLSearchParams({ handler, ...values });
  const token = sheet().querySelector("input[name=__RequestVerificationToken]").value;
  return window.htmx.ajax("POST", `/plan/${sheet().dataset.practice}?${query}`, {
    source: sheet(),
    target: sheet(),
    swap: "outerHTML",
    values: { __RequestVerificationToken: token },
  });
}

const place = (grip, to) => to !== Number(grip.dataset.index) && send("Place", { key: grip.dataset.key, to });

function lengthen(grip, by) {
  const minutes = Math.max(step, Number(grip.dataset.minutes) + by);
  return send("Minutes", { key: grip.dataset.key, minutes });
}

document.addEventListener("keydown", (event) => {
  const grip = event.target.closest?.(".grip");
  if (!grip || event.ctrlKey || event.metaKey || event.altKey) {
    return;
  }
  const index = Number(grip.dataset.index);
  const does = {
    ArrowLeft: () => index > 0 && place(grip, index - 1),
    ArrowRight: () => index < grips().length - 1 && place(grip, index + 1),
    "+": () => lengthen(grip, step),
    "=": () => lengthen(grip, step),
    "-": () => lengthen(grip, -step),
    Delete: () => send("Act", { key: grip.dataset.key, act: "Off" }),
  }[event.key];
  if (does) {
    event.preventDefault();
    does();
  }
});

// A press without a move opens what there is of the line.
document.addEventListener("click", (event) => {
  const grip = event.target.closest(".grip");
  if (grip && !grip.dragged) {
    document.getElementById(`line-${grip.dataset.key}`)?.scrollIntoView({ block: "center" });
    document.getElementById(`details-${grip.dataset.key}`)?.setAttribute("open", "");
  }
});

document.addEventListener("pointerdown", (event) => {
  const edge = event.target.closest("[data-edge]");
  const grip = edge ? edge.parentElement.querySelector(".grip") : event.target.closest(".grip");
  if (!grip || grip.disabled || event.button !== 0) {
    return;
  }
  const from = event.clientX;
  const band = grip.parentElement;
  const perSecond = strip().clientWidth / Number(strip().dataset.whole);
  const minutes = Number(grip.dataset.minutes);
  const times = Number(grip.dataset.times);
  grip.dragged = false;
  let moved = 0;

  const minutesAt = () => Math.max(step, Math.round((minutes + moved / perSecond / 60 / times) / step) * step);

  /** The place on the sheet over which the middle of the line is. */
  function placeAt() {
    const middle = band.getBoundingClientRect().left + band.offsetWidth / 2;
    const others = grips().filter((other) => other !== grip);
    return others.filter((other) => {
      const box = other.parentElement.getBoundingClientRect();
      return box.left + box.width / 2 < middle;
    }).length;
  }

  function move(now) {
    moved = now.clientX - from;
    if (Math.abs(moved) <= still && !grip.dragged) {
      return;
    }
    grip.dragged = true;
    band.classList.add("is-dragged");
    if (edge) {
      grip.querySelector("b").textContent = `${minutesAt()} min`;
    } else {
      band.style.transform = `translateX(${moved}px)`;
    }
  }

  function end(now) {
    stop();
    if (!grip.dragged) {
      return;
    }
    const to = edge ? null : placeAt();
    band.style.transform = "";
    band.classList.remove("is-dragged");
    if (now.type === "pointercancel") {
      return;
    }
    if (edge) {
      send("Minutes", { key: grip.dataset.key, minutes: minutesAt() });
    } else {
      place(grip, to);
    }
  }

  function stop() {
    document.removeEventListener("pointermove", move);
    document.removeEventListener("pointerup", end);
    document.removeEventListener("pointercancel", end);
  }

  document.addEventListener("pointermove", move);
  document.addEventListener("pointerup", end);
  document.addEventListener("pointercancel", end);
});

// What stood open before a change stands open after it.
let opened = [];
document.addEventListener("htmx:beforeSwap", () => {
  opened = [...document.querySelectorAll("#timing details[open]")].map((details) => details.id);
});
document.addEventListener("htmx:afterSwap", () => {
  opened.forEach((id) => document.getElementById(id)?.setAttribute("open", ""));
});
