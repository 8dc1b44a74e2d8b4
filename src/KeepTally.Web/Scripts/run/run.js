// The run screen: shows what the core says, passes on what the coach does, keeps it, sends it, and hears the others.
import { Binding } from "./bind.js";
import { ClockFace } from "./clock-face.js";
import { loadCore } from "./core.js";
import { Keep } from "./keep.js";
import { listenToKeys } from "./keys.js";
import { keepAtHand } from "./offline.js";
import { Pad } from "./pad.js";
import { SharedTime } from "./shared-time.js";
import { Signals } from "./signals.js";
import { Sound } from "./sound.js";
import { TapList } from "./tap-list.js";
import { stayAwake } from "./wake.js";
import { Boards } from "../board/boards.js";
import { Who } from "./who.js";
import { Wire } from "./wire.js";

const root = document.getElementById("run");
const by = (id) => document.getElementById(id);
const practice = Number(root.dataset.practice);
const framePause = 50;
const viewPause = 1000;
const heardPause = 16;

const says = by("says");
let saysTimer;
function tell(words) {
  says.textContent = words;
  says.hidden = !words;
  clearTimeout(saysTimer);
  saysTimer = setTimeout(() => (says.hidden = true), 8000);
}

async function begin() {
  const [core, keep] = await Promise.all([loadCore(), Keep.open(practice)]);
  const time = new SharedTime(Number(root.dataset.origin));
  // A page load is a device of its own: two tabs can never give two events the same number.
  const device = crypto.randomUUID().slice(0, 8);
  const fault = core.open(by("practice").textContent, device);
  if (fault) {
    tell(`This practice cannot be read: ${fault}`);
    return;
  }
  for (const event of await keep.all()) {
    if (event.sent >= 0) {
      core.hear(event.sheet, event.line);
    }
  }
  await Promise.race([time.keepMeasuring(), new Promise((done) => setTimeout(done, 700))]);

  const sound = new Sound();
  const signals = new Signals(core, time, sound);
  const face = new ClockFace();
  const wire = new Wire({
    keep,
    practice,
    after: Number(root.dataset.after),
    hear(sheet, line) {
      core.hear(sheet, line);
      showSoon();
    },
    yields(sheet, line) {
      core.yield(sheet, line);
      showSoon();
    },
    state: showNet,
    refused: (problem) => tell(`One tap could not be kept: ${problem}`),
  });
  const taps = new TapList((tap) => act(core.undo(tap.sheet, tap.device, tap.n, time.now())));
  let view;
  let drill;
  let inside;
  const around = new Binding(root, { without: "[data-drill]" });

  /** Shows it at once, then keeps it, then sends it. */
  function act(said) {
    if (said.refused) {
      tell(said.refused);
      return;
    }
    show();
    if (said.why) {
      by("why").textContent = said.why;
    }
    if (view.run?.clock.rep) {
      signals.anew();
    }
    keep.put(said.events, 0).then(
      () => wire.send(),
      () => tell("This device keeps nothing: its storage is full or closed. Free some space, then reload."),
    );
  }

  // What others say may come in bursts: one look shows them all.
  let soon;
  function showSoon() {
    soon ??= setTimeout(() => {
      soon = undefined;
      show();
    }, heardPause);
  }

  function show() {
    const due = core.due(time.now());
    if (due.events.length > 0) {
      keep.put(due.events, 0).then(() => wire.send());
    }
    const before = view;
    view = core.view(time.now());
    if (before?.block !== view.block) {
      showDrill();
    }
    if (view.run) {
      around.show({ run: view.run });
      inside.show({ run: view.run, sheets: view.run.sheets });
      face.show(view.run.clock);
      taps.show(view.run.taps);
      showUndo(view.run.last);
      by("go").dataset.does = view.run.primary;
    }
    by("back").hidden = !view.canGoBack;
    if (rowsOf(before) !== rowsOf(view)) {
      numberRows();
    }
    showContest(view.run?.contest ?? []);
    if (by("boards").open) {
      boards.show();
    }
    if (before?.run?.clock.state !== view.run?.clock.state) {
      signals.anew();
    }
  }

  /** Who won is said by tapping the name; who goes where then is the core's. */
  function showContest(contest) {
    const names = JSON.stringify(contest);
    if (by("contest").dataset.shown === names) {
      return;
    }
    by("contest").dataset.shown = names;
    by("contest").replaceChildren(
      ...contest.map(({ sheet, player, name }) => {
        const chip = document.createElement("button");
        chip.type = "button";
        chip.className = "chip";
        chip.textContent = `${name} won`;
        chip.addEventListener("click", () => act(core.moveOn(sheet, player, time.now())));
        return chip;
      }),
    );
  }

  const rowsOf = (shown) => shown?.run?.sheets.map((sheet) => sheet?.rows.length ?? 0).join();

  function showDrill() {
    for (const section of root.querySelectorAll("[data-drill]")) {
      section.hidden = Number(section.dataset.drill) !== view.block;
    }
    for (const block of root.querySelectorAll("[data-block]")) {
      const index = Number(block.dataset.block);
      block.className = index < view.block ? "is-done" : index === view.block ? "is-now" : "";
      block.toggleAttribute("aria-current", index === view.block);
    }
    by("over").hidden = !view.over;
    document.body.classList.toggle("is-over", view.over);
    by("why").textContent = "";
    drill = root.querySelector(`[data-drill="${view.block}"]`);
    inside = drill && new Binding(drill);
    if (view.over) {
      document.body.dataset.clock = "over";
    }
    numberRows();
  }

  const rows = () => (drill ? [...drill.querySelectorAll(".row-pad")].filter((row) => row.offsetParent) : []);

  function numberRows() {
    rows().forEach((row, index) => (row.querySelector(".row-digit").textContent = index < 9 ? index + 1 : ""));
  }

  function showUndo(last) {
    by("undo").disabled = !last;
    by("undo-what").textContent = last ? last.text : "nothing yet";
  }

  const undoLast = () => {
    const last = view.run?.last;
    if (last) {
      act(core.undo(last.sheet, last.device, last.n, time.now()));
    }
  };
  const say = (word, reason = "") => act(core.say(word, reason, time.now()));
  const go = () => view.run && say(view.run.primary);

  const who = new Who({
    look: () => core.who(time.now()),
    change: (change) => act(core.change(change, time.now())),
  });
  const boards = new Boards(by("boards"), () => core.boards(time.now()));
  const pad = new Pad(root, {
    tap: (sheet, touch) => act(core.tap(sheet, touch, time.now())),
    turn: (sheet, unit) => act(core.passTurn(sheet, unit, time.now())),
    touched: () => sound.wake(),
  });
  root.addEventListener("click", (event) => {
    const chip = event.target.closest("[data-say], [data-freeze], [data-tab]");
    if (chip?.dataset.tab) {
      showGroup(chip);
    } else if (chip?.dataset.freeze) {
      say("freeze", chip.dataset.freeze);
      showMore(false);
    } else if (chip) {
      sayFromChip(chip);
    }
  });

  /** What ends something asks once more, on the button itself; once said, it asks anew. */
  function sayFromChip(chip) {
    const { sure, say: word } = chip.dataset;
    if (sure && !chip.classList.contains("is-asking")) {
      const plain = chip.textContent;
      chip.classList.add("is-asking");
      chip.textContent = sure;
      chip.calm = () => {
        clearTimeout(waiting);
        chip.classList.remove("is-asking");
        chip.textContent = plain;
      };
      const waiting = setTimeout(chip.calm, 4000);
      return;
    }
    chip.calm?.();
    say(word);
    showMore(false);
  }

  function showGroup(tab) {
    for (const other of tab.parentElement.children) {
      other.setAttribute("aria-selected", String(other === tab));
    }
    for (const sheet of drill.querySelectorAll(".sheet")) {
      sheet.toggleAttribute("data-behind", sheet.dataset.order !== tab.dataset.tab);
    }
    numberRows();
  }

  function showMore(open = by("more").hidden) {
    by("more").hidden = !open;
    by("more-open").setAttribute("aria-expanded", String(open));
  }

  function showNet({ online, waiting }) {
    by("net").textContent = online
      ? waiting
        ? `${waiting} to send`
        : "Saved"
      : waiting
        ? `${waiting} kept here`
        : "No network";
    by("net").dataset.net = online ? "on" : "off";
  }

  function showSound() {
    by("sound").textContent = sound.on ? "Sound on" : "Sound off";
    by("sound").setAttribute("aria-pressed", String(sound.on));
  }

  by("go").addEventListener("click", go);
  by("undo").addEventListener("click", undoLast);
  by("more-open").addEventListener("click", () => showMore());
  by("who-open").addEventListener("click", () => who.open());
  by("boards-open").addEventListener("click", () => {
    boards.show();
    by("boards").showModal();
  });
  by("keys-open").addEventListener("click", () => by("keys").showModal());
  by("sound").addEventListener("click", () => {
    sound.toggle();
    showSound();
  });
  document.addEventListener("keydown", () => sound.wake());
  listenToKeys({
    rows,
    tap: (button) => pad.press(button),
    go,
    undo: undoLast,
    next: () => view.run?.primary === "end" && go(),
    keys: () => by("keys").showModal(),
  });

  function frame() {
    if (view.run && document.visibilityState === "visible") {
      const clock = core.clock(time.now());
      if (clock) {
        if (clock.state !== view.run.clock.state || clock.round !== view.run.clock.round) {
          show();
        } else {
          face.show(clock);
        }
      }
    }
  }

  showSound();
  show();
  by("go").disabled = false;
  root.setAttribute("aria-busy", "false");
  setInterval(frame, framePause);
  setInterval(() => {
    show();
    signals.plan();
  }, viewPause);
  document.addEventListener("visibilitychange", () => show());
  wire.listen();
  wire.send();
  stayAwake();
  await keepAtHand();
}

begin().catch((failure) => {
  console.error(failure);
  tell("The run screen could not start. Reload the page; everything tapped so far is kept.");
});
