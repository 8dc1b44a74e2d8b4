// Asks for the worker that keeps this page at hand without a network, and names what it has loaded so far.
const release = () => document.querySelector("meta[name=release]").content;

/**
 * Keeps this page, and those that go with it, at hand.
 * @param pages what is to be read without a network besides.
 * @returns whether it can be opened again without a network.
 */
export async function keepAtHand(pages = []) {
  if (!("serviceWorker" in navigator) || !navigator.locks) {
    return false;
  }
  // As long as this page is open, nothing of its release goes.
  navigator.locks.request(`keep-tally ${release()}`, { mode: "shared" }, () => new Promise(() => {}));
  try {
    await navigator.serviceWorker.register("/sw.js");
  } catch {
    // Refused, as behind a certificate that this phone does not trust.
    return false;
  }
  const { active } = await navigator.serviceWorker.ready;
  const loaded = performance
    .getEntriesByType("resource")
    .filter((entry) => URL.canParse(entry.name))
    .map((entry) => new URL(entry.name))
    .filter((url) => url.origin === location.origin && !url.pathname.startsWith("/api/") && url.pathname !== "/sw.js")
    .map((url) => url.pathname + url.search);
  active.postMessage({
    release: release(),
    keep: [...new Set(["/mark.svg", ...loaded])],
    pages: [location.pathname, "/offline", ...pages],
  });
  return true;
}

/** What was kept of pages is gone; taps that wait are not touched. */
export async function forgetPages() {
  for (const name of await caches.keys()) {
    const cache = await caches.open(name);
    for (const request of await cache.keys()) {
      if (!/^\/(dist|_framework|offline)/.test(new URL(request.url).pathname)) {
        await cache.delete(request);
      }
    }
  }
}

/** A newer worker takes over, unless a practice is open somewhere. */
export async function takeNewWorker() {
  const registration = await navigator.serviceWorker?.getRegistration();
  if (!registration?.waiting || !navigator.locks) {
    return;
  }
  const { held } = await navigator.locks.query();
  if (!held.some(({ name }) => name.startsWith("keep-tally "))) {
    registration.waiting.postMessage({ take: true });
  }
}
