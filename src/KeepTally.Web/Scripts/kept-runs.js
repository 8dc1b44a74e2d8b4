// Without a network: the run screens this device has at hand.
export async function listKeptRuns(list) {
  const runs = [];
  for (const name of await caches.keys()) {
    for (const request of await (await caches.open(name)).keys()) {
      const { pathname } = new URL(request.url);
      if (pathname.startsWith("/run/")) {
        runs.push(pathname);
      }
    }
  }
  list.replaceChildren(
    ...[...new Set(runs)].map((path) => {
      const line = document.createElement("li");
      const link = document.createElement("a");
      link.href = path;
      link.className = "btn btn-now";
      link.textContent = "Continue practice";
      line.append(link);
      return line;
    }),
  );
}
