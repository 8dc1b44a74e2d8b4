/** @import { Coach } from "./coach.js" */
/** @import { Drill } from "./drill.js" */
/** @import { Panels } from "./panels.js" */
/** @import { Screen } from "./screen.js" */
/** @import { Session } from "./session.js" */

// What is always under the thumb and the keys: the pad, the one next thing, undo, the last ball, a tap that came twice.
import { listenToChips } from "./chips.js";
import { showContest } from "./contest.js";
import { DuplicateTap } from "./duplicate-tap.js";
import { listenToKeys } from "./keys.js";
import { LastBall } from "./last-ball.js";
import { lastTap } from "./last-tap.js";
import { Pad } from "./pad.js";
import { UndoButton } from "./undo-button.js";

const by = (id) => document.getElementById(id);

/**
 * Listens to them, and keeps what they say up to date. Returns the pad.
 * @param root
 * @param {object} with
 * @param {Session} with.session the practice as it is open here.
 * @param {Screen} with.screen
 * @param {Coach} with.coach
 * @param {Drill} with.drill
 * @param {Panels} with.panels
 * @param with.here who else has this practice open.
 * @param with.choices
 * @param with.sound
 */
export function listenToHands(root, { session, screen, coach, drill, panels, here, choices, sound }) {
  const { core, time } = session;
  const lastBall = new LastBall({ now: () => time.now(), move });
  const pad = new Pad(root, {
    tap: (sheet, touch) => coach.tap(sheet, touch, lastBall.take()),
    turn: (sheet, unit) => coach.act(core.passTurn(sheet, unit, time.now())),
    touched: () => sound.wake(),
  });
  const undo = new UndoButton({ last: () => lastTap(session, screen.run), undo: (tap) => coach.undo(tap) });
  const duplicate = new DuplicateTap((tap) => coach.undo(tap));

  /** Returns whether there was a tap since the horn to be moved. */
  function move() {
    const answer = core.moveToLastBall(time.now());
    const moved = answer.events.length > 0;
    if (moved) {
      coach.act(answer);
    }
    return moved;
  }

  function undoLast() {
    screen.settle();
    undo.press();
  }

  screen.when(["run.last", "run.taps"], () => undo.show());
  screen.when(["run.lastBall"], (run) => lastBall.offer(session.isForOnePlace ? "" : run.lastBall));
  screen.when(["run.primary"], ({ primary }) => (by("go").dataset.does = primary));
  screen.when(["run.duplicate"], ({ duplicate: tap }) => duplicate.show(tap && session.isOwn(tap.sheet) ? tap : null));
  screen.when(["run.contest"], ({ contest }) =>
    showContest(contest, (sheet, player) => coach.act(core.rotateWith(sheet, player, time.now()))),
  );

  by("go").addEventListener("click", () => coach.go());
  by("undo").addEventListener("click", undoLast);
  listenToChips(root, {
    session,
    coach,
    drill,
    here,
    stop: (reason) => panels.stopToTeach(reason),
    done: () => panels.close(),
  });
  listenToKeys({
    rows: () => drill.rows,
    learnt: () => choices.now.keys,
    stop: () => panels.stopToTeach(),
    tap: (button) => pad.press(button),
    go: () => coach.go(),
    undo: undoLast,
    next: () => screen.run?.primary === "end" && coach.go(),
    keys: () => by("keys").showModal(),
    end: () => root.querySelector("[data-command=end]").click(),
    whistle: () => screen.run?.clock.whistle && coach.execute("whistle"),
  });
  return pad;
}
