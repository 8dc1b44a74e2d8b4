// Lines on the strip of time are dragged, by their middle to another place and by their end to other minutes, and moved by keys.
const step = 0.5;
const still = 6;

const strip = () => document.getElementById("strip");
const grips = () => [...strip().querySelectorAll(".grip")];

/** @param send takes what is asked and of which line. */
export function listenToStrip({ send }) {
  const place = (grip, to) => to !== Number(grip.dataset.index) && send("Place", { key: grip.dataset.key, to });
  const setMinutes = (grip, minutes) => send("Minutes", { key: grip.dataset.key, minutes });
  const act = (grip, what) => send("Act", { key: grip.dataset.key, act: what });

  document.addEventListener("keydown", (event) => {
    const grip = event.target.closest?.(".grip");
    const what = grip && !event.ctrlKey && !event.metaKey && !event.altKey && keys[event.key];
    if (what) {
      event.preventDefault();
      act(grip, what);
    }
  });

  // A press without a move opens what there is of the line.
  document.addEventListener("click", (event) => {
    const grip = event.target.closest(".grip");
    if (grip && !grip.dragged) {
      document.getElementById(`details-${grip.dataset.key}`)?.setAttribute("open", "");
      document
        .getElementById(`line-${grip.dataset.key}`)
        ?.querySelector("summary")
        .scrollIntoView({ block: "nearest" });
    }
  });

  document.addEventListener("pointerdown", (event) => {
    const edge = event.target.closest("[data-edge]");
    const grip = edge ? edge.parentElement.querySelector(".grip") : event.target.closest(".grip");
    if (grip && !grip.disabled && event.button === 0) {
      new Drag(grip, event.clientX, edge ? (minutes) => setMinutes(grip, minutes) : null, (to) => place(grip, to));
    }
  });
}

const keys = {
  ArrowLeft: "Earlier",
  ArrowRight: "Later",
  "+": "Longer",
  "=": "Longer",
  "-": "Shorter",
  Delete: "Off",
};

/** One drag of a line, from the press until it is let go. */
class Drag {
  #grip;
  #band;
  #from;
  #setMinutes;
  #place;
  #moved = 0;
  #off = new AbortController();

  /** @param setMinutes takes the minutes, where its end is dragged; else null. @param place takes the place on the sheet. */
  constructor(grip, from, setMinutes, place) {
    [this.#grip, this.#band, this.#from, this.#setMinutes, this.#place] = [
      grip,
      grip.parentElement,
      from,
      setMinutes,
      place,
    ];
    grip.dragged = false;
    const { signal } = this.#off;
    document.addEventListener("pointermove", (event) => this.#move(event), { signal });
    document.addEventListener("pointerup", () => this.#end(true), { signal });
    document.addEventListener("pointercancel", () => this.#end(false), { signal });
  }

  /** To the half minute; at a circuit those at each station. */
  get #minutes() {
    const { minutes, times } = this.#grip.dataset;
    const perMinute = (strip().clientWidth / Number(strip().dataset.whole)) * 60;
    return Math.max(step, Math.round((Number(minutes) + this.#moved / perMinute / Number(times)) / step) * step);
  }

  /** The place on the sheet over which the middle of the line is. */
  get #to() {
    const middle = this.#band.getBoundingClientRect().left + this.#band.offsetWidth / 2;
    return grips().filter((other) => {
      const box = other.parentElement.getBoundingClientRect();
      return other !== this.#grip && box.left + box.width / 2 < middle;
    }).length;
  }

  #move({ clientX }) {
    this.#moved = clientX - this.#from;
    if (Math.abs(this.#moved) <= still && !this.#grip.dragged) {
      return;
    }
    this.#grip.dragged = true;
    this.#band.classList.add("is-dragged");
    if (this.#setMinutes) {
      this.#grip.querySelector("b").textContent = `${this.#minutes} min`;
    } else {
      this.#band.style.transform = `translateX(${this.#moved}px)`;
    }
  }

  #end(done) {
    this.#off.abort();
    if (!this.#grip.dragged) {
      return;
    }
    const to = this.#to;
    this.#band.style.transform = "";
    this.#band.classList.remove("is-dragged");
    if (done && this.#setMinutes) {
      this.#setMinutes(this.#minutes);
    } else if (done) {
      this.#place(to);
    }
  }
}
