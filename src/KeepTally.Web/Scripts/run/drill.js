// The drill under way on the page: its section, its place in the practice, the lines of its pad.
import { Binding } from "./bind.js";
import { showSetUps } from "./set-ups.js";

const by = (id) => document.getElementById(id);

export class Drill {
  #root;
  #own;
  #section;
  #bound;

  /** @param own the sheets of who counts for one place alone; none for a coach, who sees all. */
  constructor(root, own) {
    this.#root = root;
    this.#own = own;
  }

  /** What this drill is known by; none once all is over. */
  get run() {
    return this.#section?.dataset.run;
  }

  /** The lines of the pad that are in sight, in their order. */
  get rows() {
    return this.#section
      ? [...this.#section.querySelectorAll(".row-pad")].filter((row) => /** @type {HTMLElement} */ (row).offsetParent)
      : [];
  }

  /** Who can race, side by side: each by a button that asks for seconds. */
  get lanes() {
    return [...this.#section.querySelectorAll('.row-pad button.pad[data-reading="s"]:not([disabled])')].map((pad) => ({
      sheet: pad.closest("[data-sheet]").dataset.sheet,
      unit: pad.closest("[data-unit]").dataset.unit,
      outcome: pad.dataset.outcome,
      name: pad.closest(".row-pad").querySelector(".row-name").textContent,
    }));
  }

  /** Another drill is under way, or none. */
  turnTo({ block, over }) {
    for (const section of this.#root.querySelectorAll("[data-drill]")) {
      section.hidden = Number(section.dataset.drill) !== block;
    }
    for (const part of this.#root.querySelectorAll("[data-block]")) {
      mark(part, Number(part.dataset.block), block);
    }
    showSetUps(this.#root, { block, over });
    const names = [...this.#root.querySelectorAll("#course [data-block] span")].map((name) => name.textContent);
    by("run-title").textContent = over ? "Practice done" : (names[block] ?? "");
    by("course-at").textContent = `${Math.min(block + 1, names.length)} of ${names.length}`;
    by("over").hidden = !over;
    by("habits")?.toggleAttribute("hidden", over);
    document.body.classList.toggle("is-over", over);
    if (over) {
      document.body.dataset.clock = "over";
    }
    this.#section = this.#root.querySelector(`[data-drill="${block}"]`);
    this.#bound = this.#section && new Binding(this.#section);
    this.numberRows();
  }

  /** @param changed names of what has changed; everything where it is null. */
  show(run, changed) {
    this.#bound.show({ run, sheets: run.sheets }, changed);
    if (changed === null || [...changed].some((name) => name.endsWith(".all"))) {
      this.numberRows();
    }
  }

  numberRows() {
    this.rows.forEach((row, index) => {
      row.querySelector(".row-digit").textContent = index < 9 ? String(index + 1) : "";
    });
  }

  /** Who counts for one place sees its pad alone. */
  showOwn() {
    for (const sheet of this.#own.length > 0 ? this.#root.querySelectorAll(".sheet, .below-of") : []) {
      sheet.toggleAttribute("data-others", !this.#own.includes(sheet.dataset.sheet));
    }
  }

  /** Brings one group of several to the front. Returns its sheet. */
  showGroup(tab) {
    for (const other of tab.parentElement.children) {
      other.setAttribute("aria-selected", String(other === tab));
    }
    for (const sheet of this.#section.querySelectorAll(".sheet, .below-of")) {
      sheet.toggleAttribute("data-behind", sheet.dataset.order !== tab.dataset.tab);
    }
    this.numberRows();
    return this.#section.querySelector(`.sheet[data-order="${tab.dataset.tab}"]`)?.dataset.sheet;
  }

  /** The button of a line, by what they stand for. */
  padOf({ sheet, unit, outcome }) {
    const row = this.#root.querySelector(
      `[data-sheet="${CSS.escape(sheet)}"] .row-pad[data-unit="${CSS.escape(unit)}"]`,
    );
    return row.querySelector(`button.pad[data-outcome="${CSS.escape(outcome)}"]`);
  }
}

function mark(part, index, block) {
  part.classList.toggle("is-done", index < block);
  part.classList.toggle("is-now", index === block);
  if (index === block) {
    part.setAttribute("aria-current", "step");
  } else {
    part.removeAttribute("aria-current");
  }
}
