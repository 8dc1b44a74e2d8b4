// The menu and the choice of a team: a press beside one or Escape closes it. The theme is chosen in the menu.
const earlier = { hall: "dark", paper: "light" };

function themeNow() {
  try {
    const theme = localStorage.getItem("theme");
    return earlier[theme] ?? theme ?? "auto";
  } catch {
    return "auto";
  }
}

for (const choice of document.querySelectorAll("[data-theme-choice]")) {
  choice.checked = choice.value === themeNow();
  choice.addEventListener("change", () => {
    try {
      localStorage.setItem("theme", choice.value);
    } catch {
      // A browser that keeps nothing goes on with the system's choice.
    }
    dispatchEvent(new Event("theme"));
  });
}

for (const menu of document.querySelectorAll("#site-menu, .team-choice")) {
  document.addEventListener("click", ({ target }) => {
    if (menu.open && !menu.contains(target)) {
      menu.open = false;
    }
  });
  menu.addEventListener("keydown", ({ key }) => {
    if (key === "Escape") {
      menu.open = false;
      menu.querySelector("summary").focus();
    }
  });
}
