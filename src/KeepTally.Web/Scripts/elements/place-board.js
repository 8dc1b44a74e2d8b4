// A board of places, drawn by the core, and the next move played on it.
const calm = matchMedia("(prefers-reduced-motion: reduce)");
/** @type {KeyframeAnimationOptions} */
const walk = { duration: 1400, easing: "ease-in-out", fill: "forwards" };
const stay = 1600;
const drawn = 24;

const at = (x, y, size) => `translate(${x}px, ${y}px) scale(${size / drawn})`;

class PlaceBoard extends HTMLElement {
  #board;

  show(board) {
    if (board.picture === this.#board?.picture && board.name === this.#board.name) {
      return;
    }
    const moves = board.moving && !this.#board?.moving;
    this.#board = board;
    const head = document.createElement("h2");
    head.textContent = board.name;
    this.innerHTML = board.picture;
    if (board.name) {
      this.prepend(head);
    }
    if (moves) {
      this.play(true);
    }
  }

  /** Lets everyone walk to the next place; back again unless they have left for good. */
  play(forGood = false) {
    if (calm.matches || !this.#board) {
      return;
    }
    for (const one of this.#board.bibs.filter((each) => each.x !== each.toX || each.y !== each.toY)) {
      const group = this.querySelector(`[data-bib="${CSS.escape(one.id)}"]`);
      const walking = group.animate(
        [{ transform: at(one.x, one.y, one.size) }, { transform: at(one.toX, one.toY, one.toSize) }],
        walk,
      );
      if (!forGood) {
        walking.finished.then(() => setTimeout(() => walking.cancel(), stay)).catch(() => {});
      }
    }
  }
}

customElements.define("place-board", PlaceBoard);
