// The mark of the product: a count as strokes in fives, four uprights and a slash.
const most = 30;
const height = 20;
const gap = 5;
const fiveWidth = 4 * gap + 6;

function fiveAt(x) {
  const uprights = [0, 1, 2, 3].map((i) => `M${x + 3 + i * gap} 2v${height - 4}`).join("");
  return `${uprights}M${x} ${height - 5}L${x + 3 * gap + 6} 5`;
}

function paths(count) {
  let d = "";
  let x = 0;
  for (let left = Math.min(count, most); left > 0; left -= 5) {
    if (left >= 5) {
      d += fiveAt(x);
      x += fiveWidth;
    } else {
      for (let i = 0; i < left; i++) {
        d += `M${x + 3 + i * gap} 2v${height - 4}`;
      }
      x += left * gap + 3;
    }
  }
  return { d, width: x };
}

class TallyStrokes extends HTMLElement {
  static observedAttributes = ["count"];

  attributeChangedCallback() {
    const count = Math.max(0, Math.floor(Number(this.getAttribute("count")) || 0));
    const { d, width } = paths(count);
    this.innerHTML = count ? `<svg viewBox="0 0 ${width} ${height}" role="presentation"><path d="${d}"/></svg>` : "";
    // Set by script: the policy of the pages lets no style stand in markup.
    this.firstElementChild?.style.setProperty("aspect-ratio", `${width} / ${height}`);
  }
}

customElements.define("tally-strokes", TallyStrokes);
