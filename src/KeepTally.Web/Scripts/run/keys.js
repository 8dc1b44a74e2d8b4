// The whole pad by keyboard: a digit chooses who, a letter taps, space runs the clock, backspace undoes.
export function listenToKeys({ rows, tap, go, undo, next, keys }) {
  let chosen = 0;
  const mark = () => rows().forEach((row, index) => row.classList.toggle("is-chosen", index === chosen));

  document.addEventListener("keydown", (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target.closest("dialog, input, select, textarea")) {
      return;
    }
    const digit = /^[1-9]$/.test(event.key) ? Number(event.key) - 1 : -1;
    if (digit >= 0 && digit < rows().length) {
      chosen = digit;
      mark();
    } else if (event.key === " ") {
      go();
    } else if (event.key === "Backspace") {
      undo();
    } else if (event.key === "?") {
      keys();
    } else if (event.key === "n") {
      next();
    } else {
      const row = rows()[Math.min(chosen, rows().length - 1)];
      const pad = row?.querySelector(`button.pad[data-key="${CSS.escape(event.key.toLowerCase())}"]`);
      if (!pad || pad.disabled || event.repeat) {
        return;
      }
      tap(pad);
    }
    event.preventDefault();
  });
}
