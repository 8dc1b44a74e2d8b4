// Who has this practice open, and where each of them is.
export class Here {
  #root;
  #practice;
  #device;
  #list = document.getElementById("here-now");
  #sheet = "";

  constructor(root, { practice, device }) {
    this.#root = root;
    this.#practice = practice;
    this.#device = device;
  }

  /** @param present everyone, as [{device, name, sheet}]. */
  show(present) {
    const others = present.filter(({ device }) => device !== this.#device);
    this.#list.hidden = others.length === 0;
    this.#list.textContent = others.length
      ? `Also here: ${others.map(({ name, sheet }) => (sheet ? `${name} on ${this.#nameOf(sheet)}` : name)).join(", ")}`
      : "";
    for (const tab of this.#root.querySelectorAll("[data-tab]")) {
      const there = others.filter(({ sheet }) => sheet && this.#tabOf(sheet) === tab);
      tab.dataset.here = there.map(({ name }) => name).join(", ");
      tab.title = tab.dataset.here;
    }
  }

  /** Tells the others where this device is; everything where nothing is chosen. */
  look(sheet = this.#sheet) {
    this.#sheet = sheet;
    fetch(`/api/practices/${this.#practice}/here`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ device: this.#device, sheet }),
    }).catch(() => {});
  }

  #nameOf(sheet) {
    const article = document.getElementById(`sheet-${sheet}`);
    return (this.#tabOf(sheet) ?? article?.querySelector("h2"))?.textContent.trim() ?? "one sheet";
  }

  #tabOf(sheet) {
    const article = document.getElementById(`sheet-${sheet}`);
    return article?.closest("[data-drill]")?.querySelector(`[data-tab="${article.dataset.order}"]`);
  }
}
