// The pad of the run screen with made-up players. The core judges and explains; nothing is kept or sent. The clock can
// be pushed on, so that a minute need not be waited for.
import { Binding } from "../run/bind.js";
import { ClockDisplay } from "../run/clock-display.js";
import { loadCore } from "../run/core.js";
import { Pad } from "../run/pad.js";
import { View } from "../run/view.js";

const by = (id) => document.getElementById(id);
const frame = 100;
let ticking;

export async function openTry() {
  const root = by("try-pad");
  root.setAttribute("aria-busy", "opening");
  clearInterval(ticking);
  const core = await loadCore();
  const fault = core.open(by("try-practice").textContent, "try");
  if (fault) {
    by("try-why").textContent = fault;
    return;
  }
  const clockDisplay = new ClockDisplay();
  const began = performance.now();
  let skipped = 0;
  const screen = new View();
  let view;
  const now = () => performance.now() - began + skipped;
  const drill = root.querySelector("[data-drill]");
  drill.hidden = false;
  const binding = new Binding(root);

  function show() {
    const changed = screen.take(core.look(now()));
    view = screen.now;
    if (view.run) {
      binding.show({ run: view.run, sheets: view.run.sheets }, changed);
      clockDisplay.show(view.run.clock);
      root.querySelector("[data-try=go]").textContent = view.run.primaryLabel;
    }
    root.querySelector("[data-try=go]").disabled = !view.run || view.run.primary === "end";
  }

  function tell(words, what = "") {
    by("try-why").textContent = words;
    const line = document.createElement("li");
    line.textContent = what ? `${what}: ${words}` : words;
    by("try-log").prepend(line);
  }

  const pad = new Pad(root, {
    tap(sheet, touch) {
      const answer = core.tap(sheet, touch, now());
      show();
      tell(answer.refused || answer.why, view.run?.last?.text);
    },
    turn(sheet, unit) {
      core.passTurn(sheet, unit, now());
      show();
    },
  });
  root.addEventListener("click", (event) => {
    const again = event.target.closest("[data-again]")?.dataset.again;
    if (again) {
      const { sheet } = event.target.closest("[data-sheet]").dataset;
      core.again(sheet, { ends: again === "ends", moves: again === "moves" }, now());
      show();
      tell(view.run.last?.text ?? "");
      return;
    }
    const button = event.target.closest("[data-try]");
    const last = view.run?.last;
    switch (button?.dataset.try) {
      case "go":
        core.execute(view.run.primary, "", now());
        break;
      case "undo":
        if (last) {
          core.undo(last.sheet, last.device, last.n, now());
          tell("Taken back.", last.text);
        }
        break;
      case "skip":
        skipped += Number(button.dataset.seconds) * 1000;
        break;
      case "rotate":
      case "whistle":
        core.execute(button.dataset.try, "", now());
        break;
      default:
        return;
    }
    show();
  });
  show();
  root.setAttribute("aria-busy", "false");
  ticking = setInterval(() => (root.isConnected ? show() : clearInterval(ticking)), frame);
  return pad;
}
