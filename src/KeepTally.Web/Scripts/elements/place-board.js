// A board of places: boxes, bibs and the next move as arrows. It draws what it is given; where everything stands is the core's.
const svg = "http://www.w3.org/2000/svg";
const calm = matchMedia("(prefers-reduced-motion: reduce)");
const walk = { duration: 1400, easing: "ease-in-out", fill: "forwards" };
const stay = 1600;
const bib = "M-9 -11 L-4 -11 Q0 -5 4 -11 L9 -11 Q8 -3 11 1 L11 11 L-11 11 L-11 1 Q-8 -3 -9 -11 Z";
const hems = [
  "M-11 6 H11",
  "M-11 6 H11 M-11 7.7 H11 M-11 9.4 H11",
  "M-11 6 H11 V11 H-11 Z",
  "M-9.6 6.4 H10 M-8.4 8.8 H9",
];
const drawn = 24;

function make(name, attributes, ...children) {
  const element = document.createElementNS(svg, name);
  for (const [key, value] of Object.entries(attributes)) {
    element.setAttribute(key, value);
  }
  element.append(...children);
  return element;
}

const at = (x, y, size) => `translate(${x}px, ${y}px) scale(${size / drawn})`;

class PlaceBoard extends HTMLElement {
  #shown = "";
  #board;
  #bibs = new Map();

  show(board) {
    const text = JSON.stringify(board);
    if (text === this.#shown) {
      return;
    }
    const moves = board.moving && !this.#board?.moving;
    this.#shown = text;
    this.#board = board;
    this.#draw();
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
      const group = this.#bibs.get(one.id);
      const walking = group.animate(
        [{ transform: at(one.x, one.y, one.size) }, { transform: at(one.toX, one.toY, one.toSize) }],
        walk,
      );
      if (!forGood) {
        walking.finished.then(() => setTimeout(() => walking.cancel(), stay)).catch(() => {});
      }
    }
  }

  #draw() {
    const { width, height, name, places, bibs } = this.#board;
    this.#bibs.clear();
    const head = document.createElement("h2");
    head.textContent = name;
    const picture = make("svg", {
      viewBox: `-1 -1 ${width + 2} ${height + 2}`,
      role: "img",
      "aria-label": bibs.map((each) => `${each.name}: ${placeOf(places, each)}`).join("; "),
    });
    for (const place of places) {
      const kind = `board-place${place.line ? " is-line" : ""}${place.active ? " is-active" : ""}`;
      // A long name is written smaller, so that it stays in its box.
      const size = Math.min(6.4, (place.w - 4) / (place.name.length * 0.5));
      const label = make("text", { x: place.x + 2, y: place.y + 6.6, style: `font-size: ${size}px` });
      label.textContent = place.name;
      picture.append(
        make(
          "g",
          { class: kind },
          make("rect", { x: place.x, y: place.y, width: place.w, height: place.h, rx: 1 }),
          label,
        ),
      );
    }
    for (const each of bibs.filter((one) => one.arrow)) {
      picture.append(make("path", { class: "board-arrow", d: each.arrow, pathLength: 1 }), tipOf(each));
    }
    for (const each of bibs) {
      const letters = make("text", { class: "bib-letters", y: 4 });
      letters.textContent = each.letters;
      const under = make("text", { class: "bib-name", y: 19.5 });
      under.textContent = each.name;
      if (each.name.length > 7) {
        under.setAttribute("textLength", 24);
        under.setAttribute("lengthAdjust", "spacingAndGlyphs");
      }
      const group = make(
        "g",
        { class: `board-bib hem-${each.pattern}`, style: `transform: ${at(each.x, each.y, each.size)}` },
        make("path", { class: "vest", d: bib }),
        make("path", { class: "hem", d: hems[each.pattern] }),
        letters,
        under,
      );
      this.#bibs.set(each.id, group);
      picture.append(group);
    }
    this.replaceChildren(...(name ? [head] : []), picture);
  }
}

/** The head of an arrow, turned the way the curve comes in. */
function tipOf({ arrow }) {
  const [, , mx, my, x, y] = arrow.match(/-?[\d.]+/g).map(Number);
  const turn = (Math.atan2(y - my, x - mx) * 180) / Math.PI;
  return make("path", {
    class: "board-tip",
    d: "M0 0 L-5 -3 L-5 3 Z",
    transform: `translate(${x} ${y}) rotate(${turn})`,
  });
}

const placeOf = (places, { x, y }) =>
  places.find((place) => x >= place.x && x <= place.x + place.w && y >= place.y && y <= place.y + place.h)?.name ?? "";

customElements.define("place-board", PlaceBoard);
