// Runs before the page is painted, so that a dark hall is never lit up by a white flash. An open page follows the system as
// long as the coach has not chosen.
const system = matchMedia("(prefers-color-scheme: dark)");
const chosen = () => {
  try {
    return localStorage.getItem("theme");
  } catch {
    return null;
  }
};
const show = () => {
  const theme = chosen();
  // "hall" and "paper" are what an earlier release kept.
  const dark = theme === "dark" || theme === "hall" || (theme !== "light" && theme !== "paper" && system.matches);
  document.documentElement.dataset.bsTheme = dark ? "dark" : "light";
};
show();
system.addEventListener("change", show);
addEventListener("storage", show);
addEventListener("theme", show);
