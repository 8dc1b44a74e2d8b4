// Shows the card or plan that came as a link. What it is, is read by the core of this page; no server sees it before it is kept.
import { loadCore } from "../run/core.js";
import { keepAtHand } from "../run/offline.js";
import { unpack } from "./packed.js";

const by = (id) => document.getElementById(id);
let core;

function fail(words) {
  by("link-shown").hidden = true;
  by("link-fault").textContent = words;
  by("link-fault").hidden = false;
}

async function show(link) {
  const text = await unpack(link);
  if (text === null) {
    fail("This link cannot be read. It may have been cut off on its way: copy all of it, or ask for the file.");
    return;
  }
  core ??= await loadCore();
  const { fault, title, kind, lines, isPlan } = core.linked(text);
  if (fault) {
    fail(fault);
    return;
  }
  by("link-fault").hidden = true;
  by("link-title").textContent = title;
  by("link-kind").textContent = kind;
  by("link-lines").replaceChildren(
    ...lines.map((line) => Object.assign(document.createElement("li"), { textContent: line })),
  );
  if (by("link-keep")) {
    by("link-keep").elements.content.value = text;
    by("link-team").hidden = !isPlan;
  }
  by("link-shown").hidden = false;
}

by("link-paste").addEventListener("submit", (event) => {
  event.preventDefault();
  show(by("link-text").value);
});

const shown = () => location.hash.length > 1 && show(location.hash);
addEventListener("hashchange", shown);
shown();
keepAtHand();
