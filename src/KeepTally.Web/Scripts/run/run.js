// The run screen: shows what the core says, passes on what the coach does, keeps it, sends it, and hears the others.
import { Amend } from "./amend.js";
import { Asked } from "./asked.js";
import { letBackClose } from "./back-closes.js";
import { Binding } from "./bind.js";
import { chipOf } from "./chip.js";
import { Choices } from "./choices.js";
import { ClockDisplay } from "./clock-display.js";
import { loadCore } from "./core.js";
import { hearOfErasure } from "../erased.js";
import { Here } from "./here.js";
import { Habits } from "./habits.js";
import { Keep } from "./keep.js";
import { LastBall } from "./last-ball.js";
import { listenToKeys } from "./keys.js";
import { More } from "./more.js";
import { keepAtHand } from "./offline.js";
import { Pad } from "./pad.js";
import { Others } from "./others.js";
import { earlierDevices } from "./own-devices.js";
import { OwnCounts } from "./own-counts.js";
import { Race } from "./race.js";
import { Replan } from "./replan.js";
import { restamp } from "./restamp.js";
import { showSetUps } from "./set-ups.js";
import { SharedTime } from "./shared-time.js";
import { SentState } from "./sent.js";
import { Signals } from "./signals.js";
import { Sound } from "./sound.js";
import { TapList } from "./tap-list.js";
import { showInTitle } from "./tab-title.js";
import { Stream } from "./stream.js";
import { DuplicateTap } from "./duplicate-tap.js";
import { Unkept } from "./unkept.js";
import { UndoButton } from "./undo-button.js";
import { View } from "./view.js";
import { ThisScreen } from "./this-screen.js";
import { stayAwake } from "./wake.js";
import { Boards } from "../board/boards.js";
import { Guests } from "./guest.js";
import { Who } from "./who.js";
import { Wire } from "./wire.js";
import { Written } from "./written.js";

const root = document.getElementById("run");
const by = (id) => document.getElementById(id);
const practice = Number(root.dataset.practice);
const own = root.dataset.own ? root.dataset.own.split(",") : [];
const framePause = 50;
const viewPause = 1000;
const receivedPause = 16;
// What stands beside the score comes a frame after it.
const restPause = 30;
// Every tap is felt: a short buzz, a longer one for what it led to, a double one for what does not count.
const buzzes = { win: 120, best: 80, gate: 50, out: 80, late: [30, 60, 30] };

const says = by("says");
let saysTimer;

/** What the rule made of a tap, with its mark; of none, neither. */
function showWhy(words = "", mark = "") {
  by("why").textContent = words;
  by("why").dataset.mark = mark;
}

function tell(words, forGood = false) {
  says.textContent = words;
  says.hidden = !words;
  clearTimeout(saysTimer);
  if (!forGood) {
    saysTimer = setTimeout(() => (says.hidden = true), 8000);
  }
}

/** What is kept here of an erased player goes; this screen is drawn anew when the coach reloads it. */
async function erased(at) {
  if (await hearOfErasure(at)) {
    await (await keptEvents).forgetSent();
    await keepAtHand(JSON.parse(root.dataset.reads));
    if (at > Number(root.dataset.now)) {
      tell(
        "A player was erased from the squad. Reload this page when you can, and the name disappears here, too.",
        true,
      );
    }
  }
}

let keptEvents;

async function begin() {
  const state = new SentState();
  keptEvents = Keep.open(practice, (how) => {
    if (how === "never") {
      state.keepsNothing();
    }
    tell(
      how === "never"
        ? "This window cannot save taps (private mode, or no space). They are sent while there is a network. Do not reload while taps wait."
        : "The browser deleted what was saved on this device. Taps that wait are saved again. Do not clear the site data during practice.",
      true,
    );
  });
  const time = new SharedTime({ origin: Number(root.dataset.origin), served: Number(root.dataset.now), tell, erased });
  time.measureEarly();
  const [core, keep] = await Promise.all([loadCore(), keptEvents]);
  // A page load is a device of its own: two tabs can never give two events the same number.
  const device = crypto.randomUUID().slice(0, 8);
  const fault = core.open(by("practice").textContent, device, earlierDevices(device));
  performance.mark("core:opened");
  if (fault) {
    tell(`This practice cannot be read: ${fault}`, true);
    return;
  }
  const guests = new Guests(practice, { core, keep, reopen: (is) => replan.settle(is) });
  guests.writeDown();
  const kept = (await keep.all()).filter((event) => event.sent >= 0);
  Map.groupBy(kept, (event) => event.sheet).forEach((events, sheet) =>
    core.receiveAll(
      sheet,
      events.map((event) => event.line),
    ),
  );
  await Promise.race([time.keepMeasuring(), new Promise((done) => setTimeout(done, 700))]);

  const choices = new Choices();
  const sound = new Sound(choices, () => signals.plan());
  const signals = new Signals(core, time, sound, choices);
  const asked = new Asked(choices, sound);
  const clockDisplay = new ClockDisplay();
  const screen = new View();
  const unkept = new Unkept({
    describe: ({ sheet, line }) => core.describe(sheet, line),
    seen: (event) => keep.forget(event),
    async again(event) {
      core.receive(event.sheet, event.device, event.n, event.line);
      show();
      await keep.again(event);
      wire.send();
    },
  });
  unkept.add(await keep.refusals());
  const wire = new Wire({
    keep,
    ready: () => guests.settle(),
    holds: (events) => guests.hold(events),
    state: (now) => state.show(now),
    refused(events) {
      events.forEach(({ sheet, line }) => core.retract(sheet, line));
      unkept.add(events);
      showWhy();
      tell(`Not saved: ${events[0].why}.`);
      show();
    },
    async early(events) {
      await time.measure();
      const count = await restamp(events, { core, keep, time });
      if (count > 0) {
        tell("The clock of this device was wrong. What was pressed meanwhile has the right time now.");
        showSoon();
      }
    },
    outdone({ sheet, device, n, line }) {
      core.receive(sheet, device, n, line);
      tell("Another device saved the same event at another time. That one counts.");
      showSoon();
    },
    trouble: (words) => tell(`Not everything could be sent: ${words}. It is saved here and sent again later.`),
  });
  const others = new Others(keep);
  const stream = new Stream({
    practice,
    after: root.dataset.after,
    receive(event) {
      // What this device made itself is here already, and marked as sent when the server took it.
      if (event.device !== device) {
        core.receive(event.sheet, event.device, event.n, event.line);
        others.put(event);
        showSoon();
      }
    },
    state(online) {
      wire.connected(online);
      if (online) {
        here.look();
      }
    },
    signedOut: () => wire.signedOut(),
    device,
    here: (present) => here.show(present),
    sheet: (version) => replan.heard(version),
  });
  const replan = new Replan(root, {
    core,
    device,
    done() {
      guests.writeDown();
      screen.forget();
      show();
      showOwn();
      signals.plan();
      who.renew();
      tell("The plan was changed, or a player joined.");
      keepAtHand(JSON.parse(root.dataset.reads));
    },
    missed: () =>
      tell("The plan was changed on another device. Reload this page to see it. Your taps are saved.", true),
  });
  const here = new Here(root, { practice, device });
  const duplicate = new DuplicateTap(({ sheet, device, n }) => act(core.undo(sheet, device, n, time.now())));
  const amend = new Amend({
    look: (tap) => core.amendable(tap),
    change: (tap, change) => act(core.amend(tap, change, time.now())),
  });
  const taps = new TapList({
    undo: (tap) => act(core.undo(tap.sheet, tap.device, tap.n, time.now())),
    change: (tap) => amend.open(tap),
  });
  const lastBall = new LastBall({
    now: () => time.now(),
    move() {
      const answer = core.moveToLastBall(time.now());
      const moved = answer.events.length > 0;
      if (moved) {
        act(answer);
      }
      return moved;
    },
  });
  const more = new More();
  letBackClose(root, (panel) => (panel.matches("dialog") ? panel.close() : more.show(false)));
  let drill;
  let inside;
  let written;
  const around = new Binding(root, { without: "[data-drill]" });

  /** What came of a tap: its score at once, and what stands beside it when that is on the screen. */
  function tapped(answer) {
    act(answer, core.glance);
    if (!answer.refused) {
      rest ??= setTimeout(showRest, restPause);
    }
  }

  let rest;
  function showRest() {
    show();
    clearTimeout(rest);
    rest = undefined;
  }

  /** Shows it at once, then keeps it, then sends it. */
  function act(answer, look = core.look) {
    if (answer.refused) {
      tell(answer.refused);
      return;
    }
    show(look);
    showWhy(answer.why, answer.mark);
    if (answer.mark) {
      sound.mark(answer.mark);
    }
    if (choices.now.shake) {
      navigator.vibrate?.(buzzes[answer.mark] ?? 15);
    }
    signals.planSoon();
    keepAndSend(answer.events);
  }

  function keepAndSend(made) {
    // Who counts for one place alone says nothing of the others: the coach's device does.
    const events = own.length > 0 ? made.filter(({ sheet }) => own.includes(sheet)) : made;
    if (events.length === 0) {
      return;
    }
    const kept = keep.toSend(events);
    wire.waits();
    kept
      .catch(() => tell("This device cannot save taps: its storage is full or closed. Free some space, then reload."))
      .then(() => wire.send());
  }

  // What others say may come in bursts: one look shows them all.
  let soon;
  function showSoon() {
    soon ??= setTimeout(() => {
      soon = undefined;
      show();
      signals.planSoon();
    }, receivedPause);
  }

  function show(how = core.look) {
    const look = how(time.now());
    if (look.due) {
      keepAndSend(look.due);
    }
    const block = screen.now?.block;
    const changed = screen.take(look);
    const view = screen.now;
    if (block !== view.block) {
      showDrill();
    }
    by("back").hidden = !view.canGoBack;
    if (!view.run) {
      by("prompt").textContent = view.result;
      by("over-result").textContent = view.result;
      return;
    }
    const is = (name) => changed === null || changed.has(name);
    around.show({ run: view.run }, changed);
    inside.show({ run: view.run, sheets: view.run.sheets }, changed);
    if (how === core.look) {
      asked.show(view.run);
    }
    if (is("run.clock")) {
      clockDisplay.show(view.run.clock);
      by("whistle").hidden = !view.run.clock.whistle;
      by("longer").hidden = !view.run.clock.more;
    }
    if (is("run.taps")) {
      taps.show(view.run.taps);
    }
    if (is("run.last") && rest === undefined) {
      // What was said of a tap is not left standing when another device has taken it back.
      showWhy();
    }
    if (is("run.last") || is("run.taps")) {
      undo.show();
    }
    if (is("run.lastBall")) {
      lastBall.offer(own.length === 0 ? view.run.lastBall : "");
    }
    if (is("run.primary")) {
      by("go").dataset.does = view.run.primary;
    }
    if (is("run.duplicate")) {
      const said = view.run.duplicate;
      duplicate.show(said && (own.length === 0 || own.includes(said.sheet)) ? said : null);
    }
    if (is("run.contest")) {
      showContest(view.run.contest);
    }
    if (changed === null || [...changed].some((name) => name.endsWith(".all"))) {
      numberRows();
    }
    if (by("boards").open) {
      boards.show();
    }
  }

  /** Who won is told by tapping the name; who goes where then is the core's. */
  function showContest(contest) {
    by("contest").replaceChildren(
      ...contest.map(({ sheet, player, name }) => {
        const chip = chipOf(`${name} won`);
        chip.addEventListener("click", () => act(core.rotateWith(sheet, player, time.now())));
        return chip;
      }),
    );
  }

  function showDrill() {
    const view = screen.now;
    for (const section of root.querySelectorAll("[data-drill]")) {
      section.hidden = Number(section.dataset.drill) !== view.block;
    }
    for (const block of root.querySelectorAll("[data-block]")) {
      const index = Number(block.dataset.block);
      block.classList.toggle("is-done", index < view.block);
      block.classList.toggle("is-now", index === view.block);
      if (index === view.block) {
        block.setAttribute("aria-current", "step");
      } else {
        block.removeAttribute("aria-current");
      }
    }
    showSetUps(root, view);
    const names = [...root.querySelectorAll("#course [data-block] span")].map((name) => name.textContent);
    by("run-title").textContent = view.over ? "Practice done" : (names[view.block] ?? "");
    by("course-at").textContent = `${Math.min(view.block + 1, names.length)} of ${names.length}`;
    by("over").hidden = !view.over;
    by("habits")?.toggleAttribute("hidden", view.over);
    document.body.classList.toggle("is-over", view.over);
    showWhy();
    drill = root.querySelector(`[data-drill="${view.block}"]`);
    inside = drill && new Binding(drill);
    if (view.over) {
      showInTitle(null);
      document.body.dataset.clock = "over";
    }
    numberRows();
    written?.offer(drill?.dataset.run);
  }

  /** Who counts for one place sees its pad alone. */
  function showOwn() {
    for (const sheet of own.length > 0 ? root.querySelectorAll(".sheet, .below-of") : []) {
      sheet.toggleAttribute("data-others", !own.includes(sheet.dataset.sheet));
    }
  }

  const rows = () => (drill ? [...drill.querySelectorAll(".row-pad")].filter((row) => row.offsetParent) : []);

  function numberRows() {
    rows().forEach((row, index) => (row.querySelector(".row-digit").textContent = index < 9 ? index + 1 : ""));
  }

  /** The last tap that can be undone here. */
  const lastHere = () =>
    own.length === 0 ? screen.now.run?.last : (ownTaps().find(({ ask }) => !ask) ?? ownTaps()[0]);

  const ownTaps = () =>
    screen.now.run?.taps.filter(({ sheet, undone, move }) => own.includes(sheet) && !undone && !move) ?? [];

  const undo = new UndoButton({
    last: lastHere,
    undo: ({ sheet, device, n }) => act(core.undo(sheet, device, n, time.now())),
  });

  const undoLast = () => {
    if (rest !== undefined) {
      showRest();
    }
    undo.press();
  };
  // Who counts for one place alone leaves the clock to the coach.
  const execute = (command, reason = "") => own.length === 0 && act(core.execute(command, reason, time.now()));
  const go = () => screen.now.run && execute(screen.now.run.primary);

  /** Where there is no network, the screen knows of a guest at once all the same. */
  async function welcome(name) {
    const told = await guests.welcome(name);
    if (!told.name) {
      return told;
    }
    screen.forget();
    show();
    const came = core.changeRoster({ off: null, in: told.player, sheet: null }, time.now());
    act(came);
    who.renew();
    return { ...told, in: !came.refused && came.events.length > 0 };
  }

  const who = new Who({
    look: () => core.who(time.now()),
    change(change) {
      const answer = core.changeRoster(change, time.now());
      act(answer);
      return !answer.refused && answer.events.length > 0;
    },
    welcome: (name) => welcome(name),
  });
  new Habits(root, {
    look: () => core.habits(),
    see: (habit, player) => act(core.see(habit, player, time.now())),
  });
  new OwnCounts({
    look: () => core.ownCounts(time.now()),
    say: (sheet, unit, count) => act(core.count(sheet, unit, count, time.now())),
    opened: () => more.show(false),
  });
  new Race(root, {
    practice,
    lanes: () =>
      [...drill.querySelectorAll('.row-pad button.pad[data-reading="s"]:not([disabled])')].map((pad) => ({
        sheet: pad.closest("[data-sheet]").dataset.sheet,
        unit: pad.closest("[data-unit]").dataset.unit,
        outcome: pad.dataset.outcome,
        name: pad.closest(".row-pad").querySelector(".row-name").textContent,
      })),
    begin: () => screen.now.run?.primary === "start" && go(),
    tap({ sheet, unit, outcome }, value) {
      act(core.tap(sheet, { unit, outcome, value }, time.now()));
      return by("why").textContent || says.textContent;
    },
  });
  const boards = new Boards(by("boards"), () => core.boards(time.now()));
  const pad = new Pad(root, {
    tap: (sheet, touch) => tapped(core.tap(sheet, touch, time.now(), lastBall.take())),
    turn: (sheet, unit) => act(core.passTurn(sheet, unit, time.now())),
    touched: () => sound.wake(),
  });
  root.addEventListener("click", (event) => {
    const chip = event.target.closest("[data-command], [data-freeze], [data-tab], [data-again]");
    if (chip?.dataset.tab) {
      showGroup(chip);
    } else if (chip?.dataset.again) {
      const how = chip.dataset.again;
      const { sheet } = chip.closest("[data-sheet]").dataset;
      act(core.again(sheet, { ends: how === "ends", moves: how === "moves" }, time.now()));
    } else if (chip?.dataset.freeze) {
      stopToTeach(chip.dataset.freeze);
    } else if (chip) {
      executeFromChip(chip);
    }
  });

  /** What ends something asks once more, on the button itself; once done, it asks anew. */
  function executeFromChip(chip) {
    const { confirm, command } = chip.dataset;
    if (confirm && !chip.classList.contains("is-asking")) {
      const plain = chip.textContent;
      chip.classList.add("is-asking");
      chip.textContent = confirm;
      chip.calm = () => {
        clearTimeout(waiting);
        chip.classList.remove("is-asking");
        chip.textContent = plain;
      };
      const waiting = setTimeout(chip.calm, 4000);
      return;
    }
    chip.calm?.();
    execute(command);
    // What has just ended one drill is not to end the next with the same key.
    chip.blur();
    more.show(false);
  }

  function showGroup(tab) {
    here.look(drill.querySelector(`.sheet[data-order="${tab.dataset.tab}"]`)?.dataset.sheet);
    for (const other of tab.parentElement.children) {
      other.setAttribute("aria-selected", String(other === tab));
    }
    for (const sheet of drill.querySelectorAll(".sheet, .below-of")) {
      sheet.toggleAttribute("data-behind", sheet.dataset.order !== tab.dataset.tab);
    }
    numberRows();
  }

  const thisScreen = new ThisScreen({
    choices,
    changed() {
      by("calls-fault").textContent = core.callAt(choices.now.calls);
      signals.plan();
    },
    hear: (kind) => sound.try(kind === "mark" ? "win" : kind),
  });
  written = new Written({
    look: () => core.who(time.now()),
    note: (text, unit) => act(core.note(text, unit, time.now())),
    stop: stopToTeach,
    cue: (text, unit) => act(core.cue(text, unit, time.now())),
  });

  function stopToTeach(reason = "") {
    execute("freeze", reason);
    more.show(false);
  }

  function showSound() {
    by("sound").textContent = sound.on ? "Sound on" : "Sound off";
    by("sound").setAttribute("aria-pressed", String(sound.on));
  }

  by("go").addEventListener("click", go);
  by("undo").addEventListener("click", undoLast);
  by("note-now")?.addEventListener("click", () => {
    more.show(true, "notes");
    by("note").elements[0].focus();
  });
  by("who-open").addEventListener("click", () => {
    // Once it is said who comes and goes, the pad is what the thumb wants.
    more.show(false);
    who.open();
  });
  by("boards-open").addEventListener("click", () => {
    boards.show();
    by("boards").showModal();
  });
  by("this-screen-open").addEventListener("click", () => {
    more.show(false);
    thisScreen.open();
  });
  by("course-open").addEventListener("click", () => by("course").showModal());
  by("keys-open").addEventListener("click", () => by("keys").showModal());
  by("sound").addEventListener("click", () => {
    sound.toggle();
    showSound();
  });
  document.addEventListener("keydown", () => sound.wake());
  listenToKeys({
    rows,
    learnt: () => choices.now.keys,
    stop: () => stopToTeach(),
    tap: (button) => pad.press(button),
    go,
    undo: undoLast,
    next: () => screen.now.run?.primary === "end" && go(),
    keys: () => by("keys").showModal(),
    end: () => root.querySelector("[data-command=end]").click(),
    whistle: () => screen.now.run?.clock.whistle && execute("whistle"),
  });

  /** The band burns down at every frame; words are asked for only when they read differently. */
  function frame() {
    const { run } = screen.now;
    if (!run || document.visibilityState !== "visible") {
      return;
    }
    const share = core.pulse(time.now());
    if (share >= 0) {
      clockDisplay.burn(share);
      return;
    }
    const clock = core.clock(time.now());
    if (clock && (clock.state !== run.clock.state || clock.round !== run.clock.round)) {
      show();
    } else if (clock) {
      clockDisplay.show(clock);
      showInTitle(clock);
    }
  }

  /** What was pressed before the core was there counts at the moment it was pressed. */
  async function takeEarly() {
    for (const { command, reading, at, ...touch } of window.early.take()) {
      const then = time.at(at);
      if (command) {
        act(core.execute(command, "", then));
      } else if (reading) {
        await pad.press(padOf(touch));
      } else {
        act(core.tap(touch.sheet, touch, then));
      }
    }
    window.early.forget();
    root.querySelectorAll(".is-kept").forEach((button) => button.classList.remove("is-kept"));
  }

  function padOf({ sheet, unit, outcome }) {
    const row = root.querySelector(`[data-sheet="${CSS.escape(sheet)}"] .row-pad[data-unit="${CSS.escape(unit)}"]`);
    return row.querySelector(`button.pad[data-outcome="${CSS.escape(outcome)}"]`);
  }

  showSound();
  showOwn();
  core.callAt(choices.now.calls);
  show();
  by("go").disabled = false;
  await takeEarly();
  root.setAttribute("aria-busy", "false");
  performance.mark("run:shown");
  setInterval(frame, framePause);
  setInterval(() => {
    show();
    signals.plan();
    if (document.hidden && screen.now.run) {
      showInTitle(core.clock(time.now()));
    }
  }, viewPause);
  document.addEventListener("visibilitychange", () => {
    show();
    signals.plan();
  });
  stream.listen();
  wire.send();
  stayAwake();
  if (await state.askForRoom()) {
    tell("This device is nearly full. Free some space before you go on: taps are saved here first.", true);
  }
  state.reloads(await keepAtHand(JSON.parse(root.dataset.reads)));
}

begin().catch((failure) => {
  console.error(failure);
  root.setAttribute("aria-busy", "failed");
  const kept = window.early.presses.length;
  tell(
    `The run screen could not start. ${kept > 0 ? "What you pressed is saved. " : ""}Reload the page; if that does not help, use another browser or update this one.`,
    true,
  );
});
