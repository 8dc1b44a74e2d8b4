// Groups by hand: tap a player and then where to, drag, or walk along with the arrow keys. What that does is said by the
// server; this only passes on who goes where.
const chip = (element) => element.closest?.("button[data-player]");
const setOf = (element) => element.closest("[data-made]");
let picked = null;

function pick(button) {
  picked?.setAttribute("aria-pressed", "false");
  picked = button === picked ? null : button;
  picked?.setAttribute("aria-pressed", "true");
  for (const here of document.querySelectorAll(".made-here")) {
    here.hidden = !picked || setOf(here) !== setOf(picked) || here.parentElement === picked.closest("[data-group]");
  }
}

function send(set, address, values, focus) {
  if (picked) {
    pick(picked);
  }
  window.htmx
    .ajax("POST", address, { source: set, target: "#groups", swap: "outerHTML", values })
    // That nothing came of it is told by the page (unanswered.js).
    .catch(() => {})
    .then(() => document.getElementById(focus)?.focus());
}

function move(button, to) {
  const set = setOf(button);
  send(set, set.dataset.move, { player: button.dataset.player, to }, button.id);
}

function meet(one, other) {
  const set = setOf(one);
  send(set, set.dataset.exchange, { player: one.dataset.player, other: other.dataset.player }, one.id);
}

document.addEventListener("click", (event) => {
  const here = event.target.closest(".made-here");
  const button = chip(event.target);
  if (here && picked) {
    move(picked, here.dataset.here);
  } else if (button && picked && picked !== button && setOf(picked) === setOf(button)) {
    meet(picked, button);
  } else if (button) {
    pick(button);
  }
});

document.addEventListener("keydown", (event) => {
  const button = chip(event.target);
  const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
  if (button && event.key === "Escape" && picked) {
    pick(picked);
  } else if (button && step) {
    event.preventDefault();
    const to = Number(button.closest("[data-group]").dataset.group) + step;
    if (setOf(button).querySelector(`[data-group="${to}"]`)) {
      move(button, to);
    }
  }
});

let dragged = null;
document.addEventListener("dragstart", (event) => {
  dragged = chip(event.target);
  event.dataTransfer.effectAllowed = "move";
});
document.addEventListener("dragend", () => (dragged = null));
document.addEventListener("dragover", (event) => {
  const group = event.target.closest?.("[data-group]");
  if (dragged && group && setOf(group) === setOf(dragged)) {
    event.preventDefault();
  }
});
document.addEventListener("drop", (event) => {
  const group = event.target.closest?.("[data-group]");
  if (!dragged || !group || setOf(group) !== setOf(dragged)) {
    return;
  }
  event.preventDefault();
  const other = chip(event.target);
  if (other && other !== dragged && other.closest("[data-group]") !== dragged.closest("[data-group]")) {
    meet(dragged, other);
  } else if (group !== dragged.closest("[data-group]")) {
    move(dragged, group.dataset.group);
  }
});
