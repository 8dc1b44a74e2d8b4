// Paper for daylight, hall for a dim one; the system's wish holds until the coach chooses.
const word = () => (document.documentElement.dataset.bsTheme === "dark" ? "Hall" : "Paper");

for (const button of document.querySelectorAll("[data-theme-switch]")) {
  const label = () => {
    button.textContent = word();
    button.setAttribute("aria-label", `Look: ${word()}. Change it`);
  };
  label();
  button.addEventListener("click", () => {
    const dark = document.documentElement.dataset.bsTheme !== "dark";
    document.documentElement.dataset.bsTheme = dark ? "dark" : "light";
    try {
      localStorage.setItem("theme", dark ? "hall" : "paper");
    } catch {
      // A browser that keeps nothing still shows the chosen look until the page is left.
    }
    label();
  });
}
