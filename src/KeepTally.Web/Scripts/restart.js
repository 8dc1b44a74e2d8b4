// While the application starts again with restored data: opens it as soon as it answers.
const pause = 1000;
const page = document.querySelector("[data-restarts]");

async function look() {
  const answer = await fetch("/signin", { cache: "no-store", redirect: "manual" }).catch(() => null);
  if (answer && answer.status < 500) {
    location.assign("/");
    return;
  }
  setTimeout(look, pause);
}

if (page) {
  // The one that stops answers a moment longer.
  setTimeout(look, 2 * pause);
}
