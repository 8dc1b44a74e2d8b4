// Shows the clock: figures, and a band that burns down from the right with a notch at each call.

// The band is laid out and painted again only when it is a point shorter on a phone: its battery pays for each time.
const steps = 400;

export class ClockDisplay {
  #root = document.getElementById("clock");
  #parts = Object.fromEntries(
    [...this.#root.querySelectorAll("[data-clock]")].map((part) => [part.dataset.clock, part]),
  );
  #burn = this.#root.querySelector(".burn");
  #notches = this.#root.querySelector(".notches");
  #notched = "";
  #left = -1;

  /** @param {import("../views").ClockView} clock */
  show(clock) {
    for (const [name, part] of Object.entries(this.#parts)) {
      if (part.textContent !== clock[name]) {
        part.textContent = clock[name];
      }
    }
    this.#parts.rep.parentElement.hidden = !clock.rep;
    if (document.body.dataset.clock !== clock.state) {
      this.#root.dataset.state = clock.state;
      document.body.dataset.clock = clock.state;
    }
    this.#root.classList.toggle("is-urgent", clock.urgent);
    this.burn(clock.share);
    const notched = clock.notches.join();
    if (notched !== this.#notched) {
      this.#notched = notched;
      this.#notches.replaceChildren(
        ...clock.notches.map((share) => {
          const notch = document.createElement("i");
          notch.style.left = `${share * 100}%`;
          return notch;
        }),
      );
    }
  }

  /** What is left of the interval, from 0 to 1. */
  burn(share) {
    const left = Math.round(share * steps);
    if (left !== this.#left) {
      this.#left = left;
      this.#burn.style.width = `${(left * 100) / steps}%`;
    }
  }
}
