// Keeps a practice at hand without a network. What belongs together is kept together: the pages, scripts and core of one
// release lie in one cache, and go together when a newer release has taken their place and no open page is of the old one.
// Nothing of the API is ever answered from here. A new worker waits, as workers do, until no page of the old one is open.
const prefix = "keep-tally ";
const networkPatience = 2500;
const worker = /** @type {ServiceWorkerGlobalScope} */ (/** @type {unknown} */ (self));

worker.addEventListener("activate", (event) => event.waitUntil(worker.clients.claim()));

// A page names its release, what it has loaded, and the pages that go with it.
worker.addEventListener("message", (event) => {
  if (event.data?.keep) {
    event.waitUntil(keepRelease(event.data));
  } else if (event.data?.take) {
    event.waitUntil(worker.skipWaiting());
  }
});

worker.addEventListener("fetch", (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== "GET" || url.origin !== location.origin || url.pathname.startsWith("/api/")) {
    return;
  }
  // What comes is shown at once and kept beside that: a slow storage holds nothing up.
  const keep = (name, response) => event.waitUntil(keepAs(name, response.clone()));
  if (request.mode === "navigate") {
    event.respondWith(page(request, url, keep));
  } else if (/^\/(dist|_framework)\//.test(url.pathname) || /\.(svg|png|webmanifest)$/.test(url.pathname)) {
    event.respondWith(isOfOneRelease(url) ? cacheFirst(request, keep) : networkFirst(request));
  }
});

/** Whether an address can never mean anything else: it carries the print of the file, or the release. */
function isOfOneRelease(url) {
  return url.searchParams.has("release") || /\.[a-z0-9]{10}\.[a-z]+$/.test(url.pathname);
}

async function keepRelease({ release, keep, pages }) {
  const cache = await caches.open(prefix + release);
  // Files of a release do not change; pages do.
  await Promise.allSettled(keep.map(async (url) => (await cache.match(url, { ignoreVary: true })) ?? put(cache, url)));
  await Promise.allSettled(pages.map((url) => put(cache, url)));
  await tidy(release, cache);
}

/** Whatever no open page needs any more goes; practices that were at hand are kept anew, as they are now. */
async function tidy(release, cache) {
  const { held } = await navigator.locks.query();
  const inUse = new Set(held.map(({ name }) => name));
  for (const name of await caches.keys()) {
    if (name === prefix + release || inUse.has(name)) {
      continue;
    }
    const old = await caches.open(name);
    for (const { url } of await old.keys()) {
      const { pathname, search } = new URL(url);
      if (/^\/(run|board)\//.test(pathname)) {
        await put(cache, pathname + search).catch(() => {});
      }
    }
    await caches.delete(name);
  }
}

async function put(cache, url) {
  const response = await fetch(url, { credentials: "same-origin" });
  if (response.ok && !response.redirected) {
    await cache.put(url, response);
  }
}

async function page(request, url, keep) {
  const kept = await keptPage(url);
  try {
    const response = await fromNetwork(request, kept);
    if (response.ok && !response.redirected && /^\/(run|board)\//.test(url.pathname)) {
      keep(url.pathname, response);
    }
    return response.status >= 500 && kept ? kept : response;
  } catch {
    return kept ?? (await caches.match("/offline", { ignoreVary: true })) ?? Response.error();
  }
}

/** The page as it was kept last; Today is that of the practice at hand. */
async function keptPage(url) {
  const names = (await caches.keys()).filter((name) => name.startsWith(prefix)).reverse();
  for (const name of names) {
    const cache = await caches.open(name);
    const kept = await cache.match(url.pathname + url.search, { ignoreVary: true, ignoreSearch: url.pathname === "/" });
    if (kept) {
      return kept;
    }
  }
}

async function networkFirst(request) {
  const kept = await caches.match(request, { ignoreVary: true });
  try {
    const response = await fromNetwork(request, kept);
    return response.status >= 500 && kept ? kept : response;
  } catch (failure) {
    if (kept) {
      return kept;
    }
    throw failure;
  }
}

/** Where something kept can be shown, an answer is waited for so long; one that has begun to come is let come whole. */
async function fromNetwork(request, kept) {
  const patience = new AbortController();
  const timer = kept && setTimeout(() => patience.abort(), networkPatience);
  try {
    return await fetch(request, { signal: patience.signal });
  } finally {
    clearTimeout(timer);
  }
}

async function cacheFirst(request, keep) {
  const kept = await caches.match(request, { ignoreVary: true });
  if (kept) {
    return kept;
  }
  const response = await fetch(request);
  if (response.ok) {
    keep(request.url, response);
  }
  return response;
}

/** Keeps what has just come with the rest of its release, before the page has named anything. */
async function keepAs(url, response) {
  const release = response.headers.get("Keep-Tally-Release");
  if (release) {
    const cache = await caches.open(prefix + release);
    await cache.put(url, response).catch(() => {});
  }
}
