// What waits behind "More". On a phone a menu of pages, each as large as the screen; with room to spare all stands open.
const by = (id) => document.getElementById(id);

export class More {
  #panel = by("more");
  #head = by("more-head");
  #button = by("more-open");

  constructor() {
    this.#button.addEventListener("click", () => this.show(this.#panel.hidden));
    by("more-done").addEventListener("click", () => this.show(false));
    this.#panel.addEventListener("click", ({ target }) => {
      const page = target.closest("[data-more]");
      if (page) {
        this.#turn(page.dataset.more, page.querySelector("b").textContent);
      }
    });
    // What opens elsewhere is opened by the button that always does.
    document.addEventListener("click", ({ target }) => {
      const opens = target.closest("[data-open]")?.dataset.open;
      if (opens) {
        this.show(false);
        target.closest("dialog")?.close();
        (opens === "own-counts" ? document.querySelector("[data-own-counts]") : by(opens)).click();
      }
    });
  }

  /** @param page the page it opens at; the menu where it is left out. */
  show(open, page = "") {
    this.#panel.hidden = !open;
    this.#button.setAttribute("aria-expanded", String(open));
    if (open) {
      const entry = page && this.#panel.querySelector(`[data-more="${page}"] b`);
      this.#turn(page, entry?.textContent);
    }
  }

  #turn(page, name = "More") {
    this.#panel.dataset.page = page;
    this.#head.textContent = name;
    this.#panel.scrollTop = 0;
    if (this.#head.offsetParent) {
      this.#head.focus({ preventScroll: true });
    }
  }
}
