// Asks for the number a tap carries. Seconds can be taken with a watch.
const by = (id) => document.getElementById(id);

/** The number, or null where the coach thought better of it. */
export function ask(unit, what) {
  const dialog = by("reading");
  const field = by("reading-value");
  const watch = by("reading-watch");
  by("reading-what").textContent = what;
  by("reading-unit").textContent = unit;
  field.value = "";
  watch.hidden = unit !== "s";
  const stop = stopwatch(watch, field);
  dialog.returnValue = "";
  dialog.showModal();
  return new Promise((done) => {
    dialog.addEventListener(
      "close",
      () => {
        stop();
        const value = field.value.trim().replace(",", ".");
        done(dialog.returnValue === "take" && value !== "" && Number.isFinite(Number(value)) ? Number(value) : null);
      },
      { once: true },
    );
  });
}

function stopwatch(button, field) {
  let began = null;
  let showing;
  button.textContent = "Start the watch";
  const seconds = () => ((performance.now() - began) / 1000).toFixed(2);
  button.onclick = () => {
    if (began === null) {
      began = performance.now();
      button.textContent = "Stop";
      showing = setInterval(() => (field.value = seconds()), 50);
    } else {
      field.value = seconds();
      began = null;
      clearInterval(showing);
      button.textContent = "Start again";
    }
  };
  return () => clearInterval(showing);
}
