// What a thumb does on the pad: an outcome, a zone, a tag pressed beforehand, a number asked for. It makes one touch of it
// and hands that on; what the touch means is the core's.
import { pressSaid } from "./bind.js";
import { ask } from "./reading.js";

const calm = matchMedia("(prefers-reduced-motion: reduce)");
const glow = [{ boxShadow: "0 0 0 6px var(--now)" }, { boxShadow: "0 0 0 0 transparent" }];
const glowFor = 250;

export class Pad {
  #tap;
  #turn;

  /** @param tap takes (sheet, touch); @param turn takes (sheet, unit). */
  constructor(root, { tap, turn, touched = () => {} }) {
    this.#tap = tap;
    this.#turn = turn;
    // A thumb's press counts when it lands, not when it is lifted.
    root.addEventListener("pointerdown", (event) => {
      touched();
      const pad = event.target.closest("button.pad");
      if (pad && !pad.disabled && event.button === 0) {
        event.preventDefault();
        this.press(pad);
      }
    });
    root.addEventListener("click", (event) => {
      const pad = event.target.closest("button.pad");
      const tag = event.target.closest("button[data-tag]");
      const turn = event.target.closest("button[data-turn]");
      if (pad && event.detail === 0) {
        this.press(pad);
      } else if (tag) {
        this.#say(tag);
      } else if (turn) {
        this.#turn(sheetOf(turn), turn.dataset.turn === "next" ? "" : unitOf(turn));
      }
    });
  }

  async press(pad) {
    const row = pad.closest(".row-pad");
    const { outcome = null, zone = null, reading } = pad.dataset;
    const [sheet, unit] = [sheetOf(pad), unitOf(pad)];
    const read = reading ? await ask(reading, pad.querySelector(".pad-label").textContent) : {};
    if (read === null) {
      return;
    }
    // A button of a job stands beside the lines and carries no tags.
    const pressed = [...(row?.querySelectorAll("button[data-tag][aria-pressed=true]") ?? [])];
    const tags = Object.fromEntries(pressed.map((tag) => [tag.dataset.tag, tag.dataset.value]));
    this.#tap(sheet, { unit, outcome, zone, tags, ...read });
    if (row) {
      pressSaid(row);
    }
    if (!calm.matches) {
      pad.animate(glow, glowFor);
    }
  }

  /** One value of a kind at a time; pressed again it is taken back. */
  #say(tag) {
    const pressed = tag.getAttribute("aria-pressed") === "true";
    for (const other of tag.closest(".row-pad").querySelectorAll(`[data-tag="${CSS.escape(tag.dataset.tag)}"]`)) {
      other.setAttribute("aria-pressed", String(other === tag && !pressed));
    }
  }
}

const sheetOf = (element) => element.closest("[data-sheet]").dataset.sheet;
const unitOf = (element) => element.closest("[data-unit]").dataset.unit;
