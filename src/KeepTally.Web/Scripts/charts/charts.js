// Ordinary charts, drawn over a table that says the same: bars by day, with a line where a limit is.
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
} from "chart.js";

Chart.register(BarController, BarElement, CategoryScale, LinearScale, LineController, LineElement, PointElement);

Chart.defaults.font.family = getComputedStyle(document.body).fontFamily;
Chart.defaults.font.size = 14;

const colour = (name) => getComputedStyle(document.documentElement).getPropertyValue(name).trim();

function draw(canvas) {
  const { days, limit } = JSON.parse(canvas.dataset.bars);
  const [ink, work, now] = ["--ink", "--work", "--now"].map(colour);
  const line = {
    type: "line",
    data: days.map(() => limit),
    borderColor: now,
    borderDash: [6, 4],
    borderWidth: 3,
    pointRadius: 0,
  };
  return new Chart(canvas, {
    type: "bar",
    data: {
      labels: days.map(({ day }) => day),
      datasets: [
        { data: days.map(({ count }) => count), backgroundColor: work, maxBarThickness: 28 },
        ...(limit ? [line] : []),
      ],
    },
    options: {
      animation: false,
      events: [],
      maintainAspectRatio: false,
      scales: {
        x: { grid: { display: false }, ticks: { color: ink } },
        y: { beginAtZero: true, ticks: { color: ink, precision: 0 }, grid: { color: colour("--line") } },
      },
    },
  });
}

const charts = [...document.querySelectorAll("canvas[data-bars]")].map(draw);
// The look was changed: the colours of the page are others now.
new MutationObserver(() => {
  for (const chart of charts) {
    const { canvas } = chart;
    chart.destroy();
    charts[charts.indexOf(chart)] = draw(canvas);
  }
}).observe(document.documentElement, { attributeFilter: ["data-bs-theme"] });
