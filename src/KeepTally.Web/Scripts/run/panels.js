/** @import { Coach } from "./coach.js" */
/** @import { Drill } from "./drill.js" */
/** @import { Screen } from "./screen.js" */
/** @import { Session } from "./session.js" */

// What waits behind a button of the run screen: taps and their corrections, players, boards, notes, habits, own counts, the race.
import { Amend } from "./amend.js";
import { letBackClose } from "./back-closes.js";
import { Boards } from "../board/boards.js";
import { Habits } from "./habits.js";
import { More } from "./more.js";
import { OwnCounts } from "./own-counts.js";
import { Race } from "./race.js";
import { TapList } from "./tap-list.js";
import { ThisScreen } from "./this-screen.js";
import { Who } from "./who.js";
import { Written } from "./written.js";

const by = (id) => document.getElementById(id);

export class Panels {
  #session;
  #screen;
  #coach;
  #more = new More();
  #boards;
  #thisScreen;
  #who;

  /**
   * @param root
   * @param {object} with
   * @param {Session} with.session the practice as it is open here.
   * @param {Screen} with.screen
   * @param {Coach} with.coach
   * @param {Drill} with.drill
   * @param with.guests players who are not in the squad.
   * @param with.choices how this screen sounds, shows and is pressed.
   * @param with.sound
   * @param with.signals
   */
  constructor(root, { session, screen, coach, drill, guests, choices, sound, signals }) {
    const { core, time, practice } = session;
    this.#session = session;
    this.#screen = screen;
    this.#coach = coach;
    letBackClose(root, (panel) => (panel.matches("dialog") ? panel.close() : this.close()));
    const amend = new Amend({
      look: (tap) => core.amendable(tap),
      change: (tap, change) => coach.act(core.amend(tap, change, time.now())),
    });
    const taps = new TapList({ undo: (tap) => coach.undo(tap), change: (tap) => amend.open(tap) });
    screen.when(["run.taps"], (run) => taps.show(run.taps));
    this.#boards = new Boards(by("boards"), () => core.boards(time.now()));
    screen.at("look", () => by("boards").open && this.#boards.show());
    this.#thisScreen = new ThisScreen({
      choices,
      changed() {
        by("calls-fault").textContent = core.callAt(choices.now.calls);
        signals.plan();
      },
      hear: (kind) => sound.try(kind === "mark" ? "win" : kind),
    });
    this.#who = new Who({
      look: () => core.who(time.now()),
      change: (change) => coach.changeRoster(change),
      welcome: (name) => this.#welcome(name, guests),
    });
    const written = new Written({
      look: () => core.who(time.now()),
      note: (text, unit) => coach.act(core.note(text, unit, time.now())),
      stop: (reason) => this.stopToTeach(reason),
      cue: (text, unit) => coach.act(core.cue(text, unit, time.now())),
    });
    screen.at("turn", () => written.offer(drill.run));
    new Habits(root, {
      look: () => core.habits(),
      see: (habit, player) => coach.act(core.see(habit, player, time.now())),
    });
    new OwnCounts({
      look: () => core.ownCounts(time.now()),
      say: (sheet, unit, count) => coach.act(core.count(sheet, unit, count, time.now())),
      opened: () => this.close(),
    });
    new Race(root, {
      practice,
      lanes: () => drill.lanes,
      begin: () => screen.run?.primary === "start" && coach.go(),
      tap: ({ sheet, unit, outcome }, value) => coach.act(core.tap(sheet, { unit, outcome, value }, time.now())),
    });
    this.#listen();
  }

  /** What stands behind "More" goes; the pad is what the thumb wants next. */
  close() {
    this.#more.show(false);
  }

  stopToTeach(reason = "") {
    this.#coach.execute("freeze", reason);
    this.close();
  }

  /** Who is here was changed elsewhere. */
  renew() {
    this.#who.renew();
  }

  #listen() {
    const opens = {
      "note-now": () => {
        this.#more.show(true, "notes");
        by("note").elements[0].focus();
      },
      "who-open": () => {
        this.close();
        this.#who.open();
      },
      "boards-open": () => {
        this.#boards.show();
        by("boards").showModal();
      },
      "this-screen-open": () => {
        this.close();
        this.#thisScreen.open();
      },
      "course-open": () => by("course").showModal(),
      "keys-open": () => by("keys").showModal(),
    };
    for (const [id, open] of Object.entries(opens)) {
      by(id)?.addEventListener("click", open);
    }
  }

  /** Where there is no network, the screen knows of a guest at once all the same. */
  async #welcome(name, guests) {
    const told = await guests.welcome(name);
    if (!told.name) {
      return told;
    }
    this.#screen.forget();
    this.#screen.show();
    const isIn = this.#coach.changeRoster({ off: null, in: told.player, sheet: null });
    this.renew();
    return { ...told, in: isIn };
  }
}
