// Plays one rep on a drawn layout. Where everything goes stands in the page, from the core; here it is only moved.
const played = new WeakSet();

/** Makes every rep below a part of the page ready to be played, each once. */
export function playReps(root) {
  for (const figure of root.querySelectorAll("[data-rep]")) {
    if (!played.has(figure)) {
      played.add(figure);
      play(figure);
    }
  }
}

function play(figure) {
  const beats = JSON.parse(figure.dataset.rep);
  const keys = figure.querySelector(".rep-keys");
  if (!keys) {
    return;
  }
  keys.hidden = false;
  const pieces = [...figure.querySelectorAll("[data-piece]")];
  /** @type {Map<number, [string, string]>} */
  const home = new Map(pieces.map((piece) => [Number(piece.dataset.piece), [piece.dataset.x, piece.dataset.y]]));
  const still = matchMedia("(prefers-reduced-motion: reduce)");
  // How many steps have been played, and which play of them this is: a new one ends the one before.
  let done = 0;
  let turn = 0;
  // The step that is being gone, where one is.
  let going = null;

  const placeAt = (piece, [x, y]) =>
    figure.querySelector(`[data-piece="${piece}"]`).setAttribute("transform", `translate(${x} ${y})`);

  /** @returns {Map<number, [any, any]>} where each piece is. */
  const whereAfter = (count) => {
    const at = new Map(home);
    for (const beat of beats.slice(0, count)) {
      for (const { piece, x, y } of beat.moves) {
        at.set(piece, [x, y]);
      }
    }
    return at;
  };

  const show = (count, now = count - 1) => {
    done = count;
    for (const [piece, spot] of whereAfter(count)) {
      placeAt(piece, spot);
    }
    mark(now);
  };

  const mark = (beat) => {
    for (const line of figure.querySelectorAll("[data-beat]")) {
      line.classList.toggle("is-now", Number(line.dataset.beat) === beat);
      line.toggleAttribute("aria-current", Number(line.dataset.beat) === beat);
    }
  };

  const slowly = () => (figure.querySelector("[data-rep-slow]").getAttribute("aria-pressed") === "true" ? 2 : 1);

  // One step: everything in it at once, each as long as it takes.
  const move = (index, mine) =>
    new Promise((over) => {
      going = index;
      const beat = beats[index];
      const from = whereAfter(index);
      const began = performance.now();
      mark(index);
      const frame = (now) => {
        if (mine !== turn) {
          over(false);
          return;
        }
        const seconds = (now - began) / 1000 / slowly();
        for (const { piece, x, y, seconds: takes } of beat.moves) {
          const share = Math.min(1, Math.max(0, seconds / takes));
          const [x0, y0] = from.get(piece).map(Number);
          placeAt(piece, [x0 + (x - x0) * share, y0 + (y - y0) * share]);
        }
        if (seconds >= beat.seconds) {
          done = index + 1;
          going = null;
          over(true);
        } else {
          requestAnimationFrame(frame);
        }
      };
      requestAnimationFrame(frame);
    });

  const key = figure.querySelector("[data-rep-play]");
  const stop = () => {
    turn++;
    going = null;
    key.textContent = "Play it";
    key.setAttribute("aria-pressed", "false");
  };

  key.addEventListener("click", async () => {
    if (key.getAttribute("aria-pressed") === "true") {
      stop();
      show(done);
      return;
    }
    const mine = ++turn;
    key.textContent = "Stop";
    key.setAttribute("aria-pressed", "true");
    show(done === beats.length ? 0 : done);
    while (done < beats.length && (await move(done, mine))) {
      // The next step follows.
    }
    if (mine === turn) {
      stop();
    }
  });

  for (const step of figure.querySelectorAll("[data-rep-step]")) {
    const by = Number(step.dataset.repStep);
    step.addEventListener("click", async () => {
      // Who presses on while a step is being gone has seen enough of it; who presses back sees it from its start.
      if (going !== null) {
        done = going + 1;
      }
      stop();
      if (by < 0 || still.matches || done === beats.length) {
        show(done === beats.length && by > 0 ? 0 : Math.min(beats.length, Math.max(0, done + by)));
      } else {
        show(done);
        await move(done, ++turn);
      }
    });
  }

  const slow = figure.querySelector("[data-rep-slow]");
  slow.addEventListener("click", () =>
    slow.setAttribute("aria-pressed", String(slow.getAttribute("aria-pressed") !== "true")),
  );
}
