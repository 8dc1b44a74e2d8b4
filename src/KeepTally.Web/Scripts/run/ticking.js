/** @import { Screen } from "./screen.js" */
/** @import { Session } from "./session.js" */

// The band burns down at every frame; words are asked for only when they read differently.
import { showInTitle } from "./tab-title.js";

const framePause = 50;
const viewPause = 1000;

/**
 * @param {object} with
 * @param {Session} with.session the practice as it is open here.
 * @param {Screen} with.screen
 * @param with.signals
 * @param with.clockDisplay
 */
export function keepTicking({ session, screen, signals, clockDisplay }) {
  const { core, time } = session;

  function frame() {
    const { run } = screen;
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
      screen.show();
    } else if (clock) {
      clockDisplay.show(clock);
      showInTitle(clock);
    }
  }

  function look() {
    screen.show();
    signals.plan();
  }

  setInterval(frame, framePause);
  setInterval(() => {
    look();
    if (document.hidden && screen.run) {
      showInTitle(core.clock(time.now()));
    }
  }, viewPause);
  document.addEventListener("visibilitychange", look);
}
