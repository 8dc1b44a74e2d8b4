// All boards of the drill under way, and the button that plays the next move on them.
import "../elements/place-board.js";

export class Boards {
  #grid;
  #look;
  #next;

  /** @param root holds the grid and the button. @param look gives the boards as they are now. */
  constructor(root, look) {
    this.#grid = root.querySelector("[data-boards]");
    this.#look = look;
    this.#next = root.querySelector("[data-play]");
    this.#next.addEventListener("click", () => this.play());
  }

  show() {
    const boards = this.#look() ?? [];
    if (this.#grid.children.length !== boards.length) {
      this.#grid.replaceChildren(...boards.map(() => document.createElement("place-board")));
      this.#grid.dataset.boards = boards.length;
    }
    this.#next.hidden = !boards.some(({ bibs }) => bibs.some(({ arrow }) => arrow));
    boards.forEach((board, index) => this.#grid.children[index].show(board));
  }

  play() {
    for (const board of this.#grid.children) {
      board.play();
    }
  }
}
