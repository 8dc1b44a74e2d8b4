// The run screen: opens the practice, makes the parts of the screen and joins them. What each of them does stands with it.
import { Asked } from "./asked.js";
import { Choices } from "./choices.js";
import { ClockDisplay } from "./clock-display.js";
import { Coach } from "./coach.js";
import { loadCore } from "./core.js";
import { Drill } from "./drill.js";
import { takeEarlyPresses } from "./early-presses.js";
import { hearOfErasure } from "../erased.js";
import { Exchange } from "./exchange.js";
import { Guests } from "./guest.js";
import { listenToHands } from "./hands.js";
import { Keep } from "./keep.js";
import { Notices } from "./notices.js";
import { keepAtHand } from "./offline.js";
import { Panels } from "./panels.js";
import { Replan } from "./replan.js";
import { Screen } from "./screen.js";
import { SentState } from "./sent.js";
import { Session } from "./session.js";
import { SharedTime } from "./shared-time.js";
import { Signals } from "./signals.js";
import { Sound } from "./sound.js";
import { SoundButton } from "./sound-button.js";
import { showInTitle } from "./tab-title.js";
import { keepTicking } from "./ticking.js";
import { stayAwake } from "./wake.js";

const root = document.getElementById("run");
const by = (id) => document.getElementById(id);
const pages = JSON.parse(root.dataset.reads);
const notices = new Notices();
const state = new SentState();

/** The practice as this device has it; none where it cannot be read, which is told. */
async function open() {
  const practice = Number(root.dataset.practice);
  const own = root.dataset.own ? root.dataset.own.split(",") : [];
  const keeping = Keep.open(practice, tellOfKeeping);
  const time = new SharedTime({
    origin: Number(root.dataset.origin),
    served: Number(root.dataset.now),
    tell: (words) => notices.tell(words),
    erased: async (at) => erased(at, await keeping),
  });
  time.measureEarly();
  const [core, keep] = await Promise.all([loadCore(), keeping]);
  const session = new Session({ practice, own, core, keep, time });
  const fault = session.open(by("practice").textContent);
  performance.mark("core:opened");
  if (fault) {
    notices.tell(`This practice cannot be read: ${fault}`, true);
    return null;
  }
  return session;
}

/** @param how "never" where nothing can be kept; else what was kept went, and is kept again. */
function tellOfKeeping(how) {
  if (how === "never") {
    state.keepsNothing();
  }
  notices.tell(
    how === "never"
      ? "This window cannot save taps (private mode, or no space). They are sent while there is a network. Do not reload while taps wait."
      : "The browser deleted what was saved on this device. Taps that wait are saved again. Do not clear the site data during practice.",
    true,
  );
}

/** What is kept here of an erased player goes; this screen is drawn anew when the coach reloads it. */
async function erased(at, keep) {
  if (await hearOfErasure(at)) {
    await keep.forgetSent();
    await keepAtHand(pages);
    if (at > Number(root.dataset.now)) {
      notices.tell(
        "A player was erased from the squad. Reload this page when you can, and the name disappears here, too.",
        true,
      );
    }
  }
}

/**
 * What the screen shows of itself, whenever it has changed.
 * @param {object} with
 * @param {Screen} with.screen
 * @param {ClockDisplay} with.clockDisplay
 * @param {Choices} with.choices
 * @param {Sound} with.sound
 */
function follow({ screen, clockDisplay, choices, sound }) {
  const asked = new Asked(choices, sound);
  screen.at("turn", ({ over }) => {
    notices.explain();
    if (over) {
      showInTitle(null);
    }
  });
  screen.at("whole", ({ run }) => asked.show(run));
  let interval = "";
  screen.when(["run.clock"], ({ clock }) => {
    if (interval !== `${clock.state} ${clock.round}`) {
      // At the horn everyone moves on: who is next is not who was next.
      interval = `${clock.state} ${clock.round}`;
      notices.explain();
    }
    clockDisplay.show(clock);
    by("whistle").hidden = !clock.whistle;
    by("longer").hidden = !clock.more;
  });
  screen.when(["run.last"], () => {
    // What was said of a tap is not left standing when another device has taken it back.
    if (!screen.isSettling) {
      notices.explain();
    }
  });
}

async function begin() {
  const session = await open();
  if (!session) {
    return;
  }
  const { core, keep, time, practice, device } = session;
  const guests = new Guests(practice, { core, keep, reopen: (is) => replan.settle(is) });
  guests.writeDown();
  await session.recall();
  await time.known();

  const choices = new Choices();
  const sound = new Sound(choices, () => signals.plan());
  const signals = new Signals(core, time, sound, choices);
  const clockDisplay = new ClockDisplay();
  const drill = new Drill(root, session.own);
  const screen = new Screen(root, { core, time, drill, due: (events) => exchange.put(events) });
  follow({ screen, clockDisplay, choices, sound });
  const replan = new Replan(root, {
    core,
    device,
    done() {
      guests.writeDown();
      screen.forget();
      screen.show();
      drill.showOwn();
      signals.plan();
      panels.renew();
      notices.tell("The plan was changed, or a player joined.");
      keepAtHand(pages);
    },
    missed: () =>
      notices.tell("The plan was changed on another device. Reload this page to see it. Your taps are saved.", true),
  });
  const exchange = new Exchange(root, {
    session,
    screen,
    notices,
    signals,
    guests,
    state,
    replanned: (version) => replan.heard(version),
  });
  await exchange.recall();
  const coach = new Coach({ session, screen, exchange, notices, signals, sound, choices });
  const panels = new Panels(root, { session, screen, coach, drill, guests, choices, sound, signals });
  const { here } = exchange;
  const pad = listenToHands(root, { session, screen, coach, drill, panels, here, choices, sound });
  new SoundButton(sound);

  drill.showOwn();
  core.callAt(choices.now.calls);
  screen.show();
  by("go").disabled = false;
  await takeEarlyPresses(root, { session, coach, pad, drill });
  root.setAttribute("aria-busy", "false");
  performance.mark("run:shown");
  keepTicking({ session, screen, signals, clockDisplay });
  exchange.begin();
  stayAwake();
  if (await state.askForRoom()) {
    notices.tell("This device is nearly full. Free some space before you go on: taps are saved here first.", true);
  }
  state.reloads(await keepAtHand(pages));
}

begin().catch((failure) => {
  console.error(failure);
  root.setAttribute("aria-busy", "failed");
  const kept = window.early.presses.length;
  notices.tell(
    `The run screen could not start. ${kept > 0 ? "What you pressed is saved. " : ""}Reload the page; if that does not help, use another browser or update this one.`,
    true,
  );
});
