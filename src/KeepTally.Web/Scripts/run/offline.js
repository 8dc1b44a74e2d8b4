// Asks for the worker that keeps this page at hand without a network, and names what it has loaded so far.
export async function keepAtHand() {
  if (!("serviceWorker" in navigator)) {
    return;
  }
  await navigator.serviceWorker.register("/sw.js");
  const { active } = await navigator.serviceWorker.ready;
  const loaded = performance
    .getEntriesByType("resource")
    .filter((entry) => URL.canParse(entry.name))
    .map((entry) => new URL(entry.name))
    .filter((url) => url.origin === location.origin && !url.pathname.startsWith("/api/") && url.pathname !== "/sw.js")
    .map((url) => url.pathname + url.search);
  active.postMessage({ keep: [...new Set([location.pathname, "/offline", "/mark.svg", ...loaded])] });
}
