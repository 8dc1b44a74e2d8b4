// Says what this phone can do as it is, by trying it: nothing is taken from its name.
import { openDB } from "idb";

const list = document.querySelector("[data-can-do]");
const hint = document.querySelector("[data-can-hint]");

function say(what, can, words = can ? "yes" : "no") {
  const line = list.querySelector(`[data-can="${what}"]`);
  line.dataset.is = can ? "yes" : "no";
  line.querySelector("b").textContent = words;
}

/** Keeping is tried by keeping. */
async function keeps() {
  try {
    const db = await openDB("keep-tally-try", 1, { upgrade: (opened) => opened.createObjectStore("one") });
    await db.put("one", "kept", "one");
    const kept = (await db.get("one", "one")) === "kept";
    db.close();
    indexedDB.deleteDatabase("keep-tally-try");
    return kept;
  } catch {
    return false;
  }
}

async function stays() {
  return Boolean(await navigator.storage?.persisted?.()) || Boolean(await navigator.storage?.persist?.());
}

/** A worker is refused behind a certificate that the phone does not trust, even where the warning was passed. */
async function reloads() {
  try {
    return Boolean(await navigator.serviceWorker?.register("/sw.js"));
  } catch {
    return false;
  }
}

const installed = matchMedia("(display-mode: standalone)").matches;
const [kept, stayed, worked] = await Promise.all([keeps(), stays(), reloads()]);
say("keep", kept, kept ? "yes" : "no: this window keeps nothing (private mode?)");
say("stay", stayed, stayed ? "yes" : "not guaranteed");
say("reload", worked);
say("install", worked, installed ? "it is there" : worked ? "yes, by the browser’s menu" : "no");
say("awake", "wakeLock" in navigator);
if (!worked) {
  hint.hidden = false;
  hint.textContent = isSecureContext
    ? "To open without a network, this phone needs the certificate. See “Another phone”, or ask the coach."
    : "To open without a network, this phone must use the https address.";
}
