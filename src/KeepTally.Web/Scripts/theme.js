// Runs before the page is painted, so that a dark hall is never lit up by a white flash.
const chosen = (() => {
  try {
    return localStorage.getItem("theme");
  } catch {
    return null;
  }
})();
const dark = chosen ? chosen === "hall" : matchMedia("(prefers-color-scheme: dark)").matches;
document.documentElement.dataset.bsTheme = dark ? "dark" : "light";
