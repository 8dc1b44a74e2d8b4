// A slider beside each figure of a simulation. While it is moved the core of this page plays the drill a few hundred times and
// redraws at once; when it rests the form is sent, and the server plays it 20,000 times.
import { loadCore } from "../run/core.js";

const form = document.querySelector(".simulation-form");
const card = document.getElementById("simulation-card");
// So long a look may take and still be felt as at once, in milliseconds.
const atOnce = 60;
const fewest = 40;
const most = 600;
let runs = 200;
let core;
let loading;
let due = false;

const figure = (name) => Number(form.elements[name]?.value.replace(",", ".") ?? 0);

function look() {
  due = false;
  const began = performance.now();
  const found = core.whatIf({
    card: card.textContent,
    stage: figure("stage"),
    share: figure("percent") / 100,
    counts: card.dataset.counts,
    minutes: figure("minutes"),
    pace: figure("pace"),
    runs,
  });
  const took = performance.now() - began;
  if (found) {
    show(found);
    // As many runs as this device plays in the time of a look.
    runs = Math.max(fewest, Math.min(most, Math.round((runs * atOnce) / Math.max(took, 1))));
  }
}

function show({ words, charts }) {
  const fit = document.getElementById("fit");
  const head = document.createElement("p");
  head.className = "quiet";
  head.textContent = `Quick estimate from ${runs} simulated runs.`;
  const list = document.createElement("ul");
  list.className = "fit-lines";
  list.append(...words.map((line) => Object.assign(document.createElement("li"), { textContent: line })));
  const row = document.createElement("div");
  row.className = "chart-row";
  row.append(...charts.map(drawn));
  fit.replaceChildren(head, list, row);
}

function drawn({ finding, svg, key }) {
  const chart = document.createElement("figure");
  chart.className = "chart-figure";
  // The core draws it, from figures and from names it has made safe.
  chart.innerHTML = svg;
  const told = Object.assign(document.createElement("figcaption"), { textContent: finding });
  chart.prepend(told);
  if (key) {
    chart.append(Object.assign(document.createElement("p"), { className: "chart-key", textContent: key }));
  }
  return chart;
}

for (const { dataset, name, id, labels } of form.querySelectorAll("[data-slides]")) {
  const field = form.elements[name];
  const slider = document.createElement("input");
  const [min, max, step] = dataset.slides.split(" ");
  Object.assign(slider, { type: "range", min, max, step, value: String(figure(name)) });
  slider.id = `slide-${id || name}`;
  slider.setAttribute("aria-label", labels[0].querySelector("span").textContent);
  field.addEventListener("input", () => {
    slider.value = String(figure(name));
  });
  slider.addEventListener("pointerdown", wake);
  slider.addEventListener("focus", wake);
  slider.addEventListener("input", () => {
    field.value = slider.value;
    if (core && !due) {
      due = true;
      requestAnimationFrame(look);
    }
  });
  field.after(slider);
}

/** The core is loaded when a slider is first touched: who only reads does not wait for it. */
function wake() {
  loading ??= loadCore().then((loaded) => {
    core = loaded;
  });
}
