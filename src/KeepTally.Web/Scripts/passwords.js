// What is typed into a field for a password can be shown.
export function letPasswordsBeSeen() {
  for (const field of document.querySelectorAll("input[type=password]")) {
    const button = document.createElement("button");
    button.type = "button";
    button.className = "chip show-password";
    button.textContent = "Show";
    button.setAttribute("aria-label", "Show what is typed");
    button.setAttribute("aria-pressed", "false");
    button.addEventListener("click", () => {
      const shown = field.type === "text";
      field.type = shown ? "password" : "text";
      button.textContent = shown ? "Show" : "Hide";
      button.setAttribute("aria-pressed", String(!shown));
    });
    field.after(button);
  }
}
