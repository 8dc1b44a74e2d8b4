/** @import { Core } from "./core.js" */
/** @import { Drill } from "./drill.js" */
/** @import { PracticeView, RunView } from "../views" */

// Asks the core what is to be seen and hands it to each part of the screen that shows something of it.
import { Binding } from "./bind.js";
import { View } from "./view.js";

const by = (id) => document.getElementById(id);
const receivedPause = 16;
// What stands beside the score comes a frame after it.
const restPause = 30;

export class Screen {
  #core;
  #time;
  #drill;
  #due;
  #view = new View();
  #around;
  #parts = [];
  #followers = { turn: [], whole: [], look: [] };
  #soon;
  #rest;

  /**
   * @param root
   * @param {object} with
   * @param {Core} with.core
   * @param with.time the shared clock.
   * @param {Drill} with.drill the drill under way.
   * @param {(events: any[]) => void} with.due takes the events that the clock has called for.
   */
  constructor(root, { core, time, drill, due }) {
    this.#core = core;
    this.#time = time;
    this.#drill = drill;
    this.#due = due;
    this.#around = new Binding(root, { without: "[data-drill]" });
  }

  /** The drill under way as it was last shown; none once all is over. */
  get run() {
    return this.#view.now?.run;
  }

  /** Whether a tap's score is shown and the rest of what it changed is still to come. */
  get isSettling() {
    return this.#rest !== undefined;
  }

  /**
   * A part is shown whenever what it says has changed.
   * @param {`run.${keyof RunView}`[]} names
   * @param {(run: RunView) => void} show
   */
  when(names, show) {
    this.#parts.push({ names, show });
  }

  /**
   * A part is shown with everything else, whatever has changed.
   * @param {"turn" | "whole" | "look"} what when another drill is under way, or none; at each look that is whole; at each look at all,
   *   at the score of a tap alone, too.
   * @param {(view: PracticeView) => void} show
   */
  at(what, show) {
    this.#followers[what].push(show);
  }

  /** What was shown is of another sheet: the next look is the whole. */
  forget() {
    this.#view.forget();
  }

  show() {
    this.#take(this.#core.look(this.#time.now()));
  }

  /** Shows what others say, which may come in bursts: one look shows them all. */
  showSoon(then = () => {}) {
    this.#soon ??= setTimeout(() => {
      this.#soon = undefined;
      this.show();
      then();
    }, receivedPause);
  }

  /** Shows what came of a tap: its score at once, and what stands beside it a moment later. */
  glance() {
    this.#take(this.#core.glance(this.#time.now()), true);
    this.#rest ??= setTimeout(() => this.settle(), restPause);
  }

  settle() {
    if (this.isSettling) {
      this.show();
      clearTimeout(this.#rest);
      this.#rest = undefined;
    }
  }

  #take(look, glance = false) {
    if (look.due) {
      this.#due(look.due);
    }
    const before = this.#view.now?.block;
    const changed = this.#view.take(look);
    const view = this.#view.now;
    if (before !== view.block) {
      this.#drill.turnTo(view);
      this.#followers.turn.forEach((show) => show(view));
    }
    by("back").hidden = !view.canGoBack;
    if (!view.run) {
      by("prompt").textContent = view.result;
      by("over-result").textContent = view.result;
      return;
    }
    this.#around.show({ run: view.run }, changed);
    this.#drill.show(view.run, changed);
    if (!glance) {
      this.#followers.whole.forEach((show) => show(view));
    }
    for (const { names, show } of this.#parts) {
      if (changed === null || names.some((name) => changed.has(name))) {
        show(view.run);
      }
    }
    this.#followers.look.forEach((show) => show(view));
  }
}
