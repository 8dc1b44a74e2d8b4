// Shows the card or plan that came as a link. What it is, is read by the core of this page; no server sees it before it is kept.
import { loadCore } from "../run/core.js";
import { keepAtHand } from "../run/offline.js";
import { unpack } from "./packed.js";

const by = (id) => document.getElementById(id);
let loading;

/** The core, once for the page; where it did not come, it is asked for again. */
const core = () =>
  (loading ??= loadCore().catch((failure) => {
    loading = undefined;
    throw failure;
  }));

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
  const reader = await core().catch(() => null);
  if (!reader) {
    fail("This page has not been loaded whole. Reload it when there is a network.");
    return;
  }
  const { fault, title, kind, lines, isPlan } = reader.linked(text);
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
// What is kept for when there is no network is what the page has loaded: the core is part of it.
core().then(() => keepAtHand(), console.error);
