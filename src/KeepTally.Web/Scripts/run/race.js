// A watch for lanes that race side by side: one start, a stop for each lane, and what a lane took is written down at once.
const by = (id) => document.getElementById(id);
const shown = 50;

export class Race {
  #place;
  #lanes;
  #begin;
  #tap;
  #ticking;
  #race;

  /**
   * @param practice under whose number a race is kept over a reload; @param lanes gives who can race: {sheet, unit, outcome,
   * name}; @param begin starts the drill where it was not started; @param tap takes (lane, seconds) and says what came of it.
   */
  constructor(root, { practice, lanes, begin, tap }) {
    this.#place = `race-${practice}`;
    this.#lanes = lanes;
    this.#begin = begin;
    this.#tap = tap;
    this.#race = JSON.parse(sessionStorage.getItem(this.#place) ?? "null");
    root.addEventListener("click", (event) => {
      if (event.target.closest("[data-race]")) {
        this.#open();
      }
    });
    // A thumb's press counts when it lands; a key presses by a click without one.
    by("race").addEventListener("pointerdown", (event) => this.#press(event));
    by("race").addEventListener("click", (event) => event.detail === 0 && this.#press(event));
    by("race").addEventListener("close", () => clearInterval(this.#ticking));
  }

  #open() {
    const lanes = this.#lanes();
    const same = this.#race && this.#race.lanes.some((lane) => lanes.some((other) => isSame(lane, other)));
    if (!same || !this.#race.began || this.#race.lanes.every((lane) => lane.took !== undefined)) {
      this.#race = { began: null, lanes };
    }
    by("race-why").textContent = "";
    this.#show();
    by("race").showModal();
    this.#tick();
  }

  #press(event) {
    const at = performance.timeOrigin + event.timeStamp;
    const button = event.target.closest("button");
    if (button?.id === "race-start") {
      event.preventDefault();
      this.#begin();
      this.#race = { began: this.#race.began ? null : at, lanes: this.#lanes() };
      by("race-why").textContent = "";
      this.#tick();
    } else if (button?.dataset.lane && !button.disabled) {
      event.preventDefault();
      this.#stop(this.#race.lanes[Number(button.dataset.lane)], at);
    } else {
      return;
    }
    this.#keep();
    this.#show();
  }

  #stop(lane, at) {
    const seconds = Math.round((at - this.#race.began) / 10) / 100;
    lane.took = seconds.toFixed(2);
    by("race-why").textContent = `${lane.name}: ${this.#tap(lane, seconds)}`;
  }

  #tick() {
    clearInterval(this.#ticking);
    this.#ticking = setInterval(() => this.#showTime(), shown);
  }

  #keep() {
    sessionStorage.setItem(this.#place, JSON.stringify(this.#race));
  }

  #showTime() {
    const { began, lanes } = this.#race;
    const over = lanes.every((lane) => lane.took !== undefined);
    by("race-time").hidden = over;
    by("race-time").textContent = began
      ? ((performance.timeOrigin + performance.now() - began) / 1000).toFixed(1)
      : "0.0";
  }

  #show() {
    const { began, lanes } = this.#race;
    const focused = document.activeElement?.dataset?.lane;
    by("race-start").textContent = began ? "Start anew" : "Start";
    by("race-lanes").replaceChildren(
      ...lanes.map(({ name, took }, index) => {
        const button = document.createElement("button");
        button.type = "button";
        button.className = "pad";
        button.dataset.lane = index;
        button.disabled = !began || took !== undefined;
        button.textContent = took === undefined ? `Stop ${name}` : `${name} ${took} s`;
        return button;
      }),
    );
    by("race-lanes").querySelector(`[data-lane="${focused}"]:not([disabled])`)?.focus();
    this.#showTime();
  }
}

const isSame = (lane, other) => lane.sheet === other.sheet && lane.unit === other.unit;
