// The whole pad by keyboard: a digit or an arrow chooses who, a letter taps, space runs the clock, backspace undoes. What a
// coach has taught a key comes first.
import { nameOf } from "./this-screen.js";

const steps = { ArrowUp: -1, ArrowDown: 1 };

export function listenToKeys({ rows, learnt, tap, go, undo, next, keys, whistle, stop, end }) {
  let chosen = 0;
  const choose = (index) => {
    const all = rows();
    chosen = Math.max(0, Math.min(index, all.length - 1));
    all.forEach((row, each) => row.classList.toggle("is-chosen", each === chosen));
    all[chosen]?.scrollIntoView({ block: "nearest" });
  };

  const chosenRow = () => rows()[Math.min(chosen, rows().length - 1)];
  /** The nth button that stands in the line of who is chosen; in turns, of whose turn it is. */
  const tapAt = (place) => {
    const buttons = (row) =>
      [...(row?.querySelectorAll("button.pad:not([hidden])") ?? [])].filter((pad) => pad.offsetParent);
    const row = [chosenRow(), ...rows()].find((each) => buttons(each).length > 0);
    const pad = buttons(row)[place];
    if (pad && !pad.disabled) {
      tap(pad);
    }
  };
  const taught = {
    go,
    undo,
    whistle,
    stop,
    next: () => choose(chosen + 1 < rows().length ? chosen + 1 : 0),
    first: () => tapAt(0),
    second: () => tapAt(1),
    third: () => tapAt(2),
  };

  document.addEventListener("keydown", (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target.closest("dialog, input, select, textarea")) {
      return;
    }
    const action = learnt()[nameOf(event)];
    if (action) {
      event.preventDefault();
      if (!event.repeat) {
        taught[action]();
      }
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
      const row = chosenRow();
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
      } else if (event.key === "t") {
        stop();
      } else {
        return;
      }
    }
    event.preventDefault();
  });
}
