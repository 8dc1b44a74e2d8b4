// The open window of a gate: hits filled, misses hollow, what is still to come a dot.
const forms = { h: "hit", m: "miss", "-": "to come" };

class GateWindow extends HTMLElement {
  static observedAttributes = ["marks"];

  attributeChangedCallback() {
    const marks = this.getAttribute("marks") ?? "";
    this.replaceChildren(
      ...[...marks].map((mark) => {
        const square = document.createElement("i");
        square.className = `gate-${mark === "-" ? "open" : mark}`;
        return square;
      }),
    );
    if (marks) {
      this.setAttribute("role", "img");
      this.setAttribute("aria-label", [...marks].map((mark) => forms[mark]).join(", "));
    } else {
      this.removeAttribute("role");
      this.removeAttribute("aria-label");
    }
  }
}

customElements.define("gate-window", GateWindow);
