// Says aloud what is to be called next, where one alone is at work: eyes stay on the players.
import { speak } from "./spoken.js";

export class Asked {
  #choices;
  #sound;
  #last = "";

  constructor(choices, sound) {
    this.#choices = choices;
    this.#sound = sound;
  }

  /**
   * The same word is said again once something was tapped.
   * @param {import("../views").RunView} run
   */
  show({ clock, sheets, taps }) {
    const rows = sheets.flatMap((sheet) => (sheet ? sheet.rows : []));
    const due = rows.filter(({ asked, waits, done }) => asked && !waits && !done);
    const one = clock.state === "work" && new Set(due.map(({ asked }) => asked)).size === 1 ? due[0] : null;
    const mark = one ? `${one.asked} ${one.unit} ${taps.length} ${taps[0]?.n}` : "";
    if (mark !== this.#last && one && this.#choices.now.speak && this.#sound.on) {
      speak(one.asked, this.#choices.now.loudness);
    }
    this.#last = mark;
  }
}
