// Trains the thumb: what happens is worked out by the core ahead of time and shown at its moment; the pad is the real one.
import { Binding } from "../run/bind.js";
import { ClockDisplay } from "../run/clock-display.js";
import { loadCore } from "../run/core.js";
import { Pad } from "../run/pad.js";
import { View } from "../run/view.js";
import { Tries } from "./tries.js";

const root = document.querySelector("[data-train]");
const by = (id) => document.getElementById(id);
const part = (name) => root.querySelector(`[data-${name}]`);
const frame = 100;
const share = 0.55;
// Anyone who sees the last one has time to tap it.
const grace = 3000;
const seenFor = 1500;
const lead = 1500;

async function begin() {
  const core = await loadCore();
  const practice = by("try-practice").textContent;
  const drill = root.querySelector("[data-drill]");
  const tries = new Tries(root);
  const clockDisplay = new ClockDisplay();
  const began = performance.now();
  const now = () => performance.now() - began;
  let screen;
  let binding;
  let timers = [];
  let running = false;

  function open() {
    core.open(practice, `try${Math.floor(now())}`);
    screen = new View();
    binding = new Binding(by("try-pad"));
    drill.hidden = false;
    show();
  }

  function show() {
    const changed = screen.take(core.look(now()));
    if (screen.now.run) {
      binding.show({ run: screen.now.run, sheets: screen.now.run.sheets }, changed);
      clockDisplay.show(screen.now.run.clock);
    }
  }

  function seen({ who, what, form }) {
    part("seen").textContent = who ? `${who}: ${what}` : what;
    part("seen").dataset.form = form;
    timers.push(setTimeout(() => (part("seen").dataset.form = ""), seenFor));
  }

  /** The rep moves on the floor before it is seen what came of it. */
  function move() {
    const key = root.querySelector("[data-rep-play]");
    if (key?.getAttribute("aria-pressed") === "false") {
      key.click();
    }
  }

  function play() {
    timers.forEach(clearTimeout);
    timers = [];
    open();
    const start = now();
    const shown = core.train(practice, {
      start,
      pace: Number(part("pace").value) * 1000,
      length: Number(part("length").value) * 1000,
      skill: share,
      seed: crypto.getRandomValues(new Int32Array(1))[0] & 0x7fffffff,
    });
    core.execute("start", "", start);
    running = true;
    root.classList.add("is-playing");
    window.scrollTo(0, 0);
    part("begin").textContent = "Stop";
    for (const each of shown) {
      timers.push(setTimeout(move, each.at - lead - now()));
      timers.push(setTimeout(() => seen(each), each.at - now()));
    }
    timers.push(setTimeout(end, (shown.at(-1)?.at ?? start) + grace - now()));
    by("try-why").textContent = "";
    show();
  }

  function end() {
    timers.forEach(clearTimeout);
    running = false;
    root.classList.remove("is-playing");
    part("begin").textContent = "Again";
    part("seen").textContent = "Done.";
    part("seen").dataset.form = "";
    tries.add(core.trained(now()), `every ${part("pace").value} s`);
  }

  new Pad(root, {
    tap(sheet, touch) {
      if (running) {
        const answer = core.tap(sheet, touch, now());
        by("try-why").textContent = answer.refused || answer.why;
        show();
      }
    },
    turn(sheet, unit) {
      core.passTurn(sheet, unit, now());
      show();
    },
  });
  part("undo").addEventListener("click", () => {
    const last = screen.now.run?.last;
    if (last) {
      core.undo(last.sheet, last.device, last.n, now());
      show();
    }
  });
  part("begin").addEventListener("click", () => (running ? end() : play()));
  open();
  part("begin").disabled = false;
  by("try-pad").setAttribute("aria-busy", "false");
  setInterval(show, frame);
}

if (root.querySelector("[data-begin]")) {
  begin();
}
