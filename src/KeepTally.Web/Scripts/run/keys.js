// The whole pad by keyboard: a digit or an arrow chooses who, a letter taps, space runs the clock, backspace undoes.
const steps = { ArrowUp: -1, ArrowDown: 1 };

export function listenToKeys({ rows, tap, go, undo, next, keys, whistle, end }) {
  let chosen = 0;
  const choose = (index) => {
    const all = rows();
    chosen = Math.max(0, Math.min(index, all.length - 1));
    all.forEach((row, each) => row.classList.toggle("is-chosen", each === chosen));
    all[chosen]?.scrollIntoView({ block: "nearest" });
  };

  document.addEventListener("keydown", (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target.closest("dialog, input, select, textarea")) {
      return;
    }
    // Who walks along the buttons by keyboard presses the one they are on.
    if ((event.key === " " || event.key === "Enter") && event.target.matches("button:focus-visible, a:focus-visible")) {
      return;
    }
    const digit = /^[1-9]$/.test(event.key) ? Number(event.key) - 1 : -1;
    if (digit >= 0 && digit < rows().length) {
      choose(digit);
    } else if (event.key in steps) {
      choose(chosen + steps[event.key]);
    } else if (event.key === " ") {
      go();
    } else if (event.key === "Backspace") {
      undo();
    } else if (event.key === "End") {
      end();
    } else if (event.key === "Enter") {
      whistle();
    } else if (event.key === "?") {
      keys();
    } else {
      const row = rows()[Math.min(chosen, rows().length - 1)];
      const button = `button.pad[data-key="${CSS.escape(event.key.toLowerCase())}"]`;
      const pad = row?.querySelector(button) ?? row?.closest(".sheet").querySelector(`.helpers ${button}`);
      if (event.repeat) {
        return;
      }
      // A card may give an outcome the letter n: the outcome comes first.
      if (pad && !pad.disabled) {
        tap(pad);
      } else if (event.key === "n") {
        next();
      } else {
        return;
      }
    }
    event.preventDefault();
  });
}
