// Earlier tries at a drill, kept on this device alone: the newest stands first.
const most = 10;

export class Tries {
  #key;
  #root;
  #figures;

  constructor(root) {
    this.#key = `train ${root.dataset.card}`;
    this.#root = root;
    this.#figures = [...root.querySelectorAll("[data-figure]")].map((head) => head.dataset.figure);
    root.querySelector("[data-forget]").addEventListener("click", () => {
      localStorage.removeItem(this.#key);
      this.#show();
    });
    this.#show();
  }

  add(figures, how) {
    const day = new Date().toLocaleDateString("en-GB", { day: "numeric", month: "short" });
    localStorage.setItem(this.#key, JSON.stringify([{ figures, how: `${day}, ${how}` }, ...this.#kept].slice(0, most)));
    this.#show();
  }

  get #kept() {
    try {
      return JSON.parse(localStorage.getItem(this.#key)) ?? [];
    } catch {
      return [];
    }
  }

  #show() {
    const tries = this.#kept;
    this.#root.querySelector("[data-tries]").hidden = tries.length === 0;
    this.#root.querySelector("[data-lines]").replaceChildren(
      ...tries.map(({ figures, how }) => {
        const line = document.createElement("tr");
        const head = document.createElement("th");
        head.scope = "row";
        head.textContent = how;
        line.append(head);
        for (const name of this.#figures) {
          const cell = document.createElement("td");
          cell.className = "num figure";
          cell.textContent = figures[name] ?? "–";
          line.append(cell);
        }
        return line;
      }),
    );
  }
}
