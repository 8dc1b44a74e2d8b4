// Asks for the number a tap carries. Seconds can be taken with a watch.
import { chipOf } from "./chip.js";

const thumb = matchMedia("(pointer: coarse)");
const by = (id) => document.getElementById(id);

/** The number, as { value } with the laps it is made of; null where the coach thought better of it. */
export function ask(unit, what) {
  const dialog = by("reading");
  const field = by("reading-value");
  const watch = by("reading-watch");
  by("reading-what").textContent = what;
  by("reading-unit").textContent = unit;
  field.value = "";
  // Under a thumb the keys of the dialog do: no keyboard comes up over them.
  field.inputMode = thumb.matches ? "none" : "decimal";
  watch.hidden = unit !== "s";
  by("reading-laps").replaceChildren();
  by("reading-lap").hidden = true;
  by("reading-keys").onclick = ({ target }) => press(field, target.closest("button")?.dataset.digit);
  const stop = stopwatch(watch, field);
  dialog.returnValue = "";
  dialog.showModal();
  return new Promise((done) => {
    dialog.addEventListener(
      "close",
      () => {
        const laps = stop();
        const value = field.value.trim().replace(",", ".");
        const taken = dialog.returnValue === "take" && value !== "" && Number.isFinite(Number(value));
        done(taken ? { value: Number(value), laps: lapsOf(Number(value), laps) } : null);
      },
      { once: true },
    );
  });
}

/** A lap taken alone, or a number that was typed over the watch, is not made of laps. */
function lapsOf(value, laps) {
  const sum = laps.reduce((all, lap) => all + lap, 0);
  return laps.length > 1 && Math.abs(sum - value) < 0.005 ? laps : [];
}

/** Large keys for the thumb. */
function press(field, digit) {
  if (digit) {
    field.value = digit === "⌫" ? field.value.slice(0, -1) : field.value + digit;
  }
}

/** A lap stands beside the watch, and can be taken in place of the whole. */
function addLap(field, laps, seconds) {
  const before = laps.reduce((sum, lap) => sum + lap, 0);
  const lap = Math.round((seconds - before) * 100) / 100;
  laps.push(lap);
  const item = document.createElement("li");
  const chip = chipOf(`Lap ${laps.length}: ${lap.toFixed(2)}`);
  chip.addEventListener("click", () => (field.value = lap.toFixed(2)));
  item.append(chip);
  by("reading-laps").append(item);
}

function stopwatch(button, field) {
  let began = null;
  let showing;
  let laps = [];
  const lap = by("reading-lap");
  button.textContent = "Start the watch";
  const seconds = () => ((performance.now() - began) / 1000).toFixed(2);
  button.onclick = () => {
    if (began === null) {
      began = performance.now();
      button.textContent = "Stop";
      laps = [];
      by("reading-laps").replaceChildren();
      lap.hidden = false;
      showing = setInterval(() => (field.value = seconds()), 50);
    } else {
      field.value = seconds();
      if (laps.length > 0) {
        addLap(field, laps, Number(field.value));
      }
      lap.hidden = true;
      began = null;
      clearInterval(showing);
      button.textContent = "Start again";
    }
  };
  lap.onclick = () => began !== null && addLap(field, laps, Number(seconds()));
  return () => {
    clearInterval(showing);
    return laps;
  };
}
