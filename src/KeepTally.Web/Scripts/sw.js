// Keeps the run screen at hand without a network: pages from the network first, everything they load from the cache
// where it is there. Results and events are never answered from the cache.
const cacheName = "keep-tally-run-1";
const networkPatience = 2500;

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

// What a page loaded before this worker took over is named by the page itself.
self.addEventListener("message", (event) => {
  if (event.data?.keep) {
    event.waitUntil(
      caches.open(cacheName).then((cache) => Promise.allSettled(event.data.keep.map((url) => keep(cache, url)))),
    );
  }
});

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== "GET" || url.origin !== location.origin || url.pathname.startsWith("/api/")) {
    return;
  }
  if (request.mode === "navigate") {
    event.respondWith(/^\/(run|board)\//.test(url.pathname) ? networkFirst(request) : fetch(request).catch(offline));
    return;
  }
  if (/^\/(dist|_framework)\//.test(url.pathname) || url.pathname === "/mark.svg") {
    event.respondWith(url.pathname.startsWith("/_framework/") ? cacheFirst(request) : networkFirst(request));
  }
});

async function offline() {
  const kept = await caches.match("/offline", { ignoreVary: true });
  return kept ?? Response.error();
}

async function keep(cache, url) {
  const response = await fetch(url, { credentials: "same-origin" });
  if (response.ok && !response.redirected) {
    await cache.put(url, response);
  }
}

async function networkFirst(request) {
  const cache = await caches.open(cacheName);
  const kept = await cache.match(request, { ignoreVary: true });
  try {
    const patience = kept ? AbortSignal.timeout(networkPatience) : undefined;
    const response = await fetch(request, { signal: patience });
    if (response.ok && !response.redirected) {
      await cache.put(request, response.clone());
    }
    return response.status >= 500 && kept ? kept : response;
  } catch (failure) {
    if (kept) {
      return kept;
    }
    throw failure;
  }
}

// Files of the core carry their version in their name, except the loader, which names the others.
async function cacheFirst(request) {
  if (request.url.endsWith("/dotnet.js")) {
    return networkFirst(request);
  }
  const cache = await caches.open(cacheName);
  const kept = await cache.match(request, { ignoreVary: true });
  if (kept) {
    return kept;
  }
  const response = await fetch(request);
  if (response.ok) {
    await cache.put(request, response.clone());
  }
  return response;
}
