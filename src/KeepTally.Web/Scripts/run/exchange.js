/** @import { Screen } from "./screen.js" */
/** @import { Session } from "./session.js" */

// What is said on this device goes to the server, and what others say comes here: nothing waits for a network.
import { Here } from "./here.js";
import { Others } from "./others.js";
import { restamp } from "./restamp.js";
import { Stream } from "./stream.js";
import { Unkept } from "./unkept.js";
import { Wire } from "./wire.js";

export class Exchange {
  #session;
  #screen;
  #notices;
  #signals;
  #unkept;
  #wire;
  #stream;
  /** Who else has this practice open. */
  here;

  /**
   * @param root
   * @param {object} with
   * @param {Session} with.session the practice as it is open here.
   * @param {Screen} with.screen
   * @param with.notices
   * @param with.signals
   * @param with.guests players who wait to be written down.
   * @param with.state where it is told what waits and what is sent.
   * @param {(version: number) => void} with.replanned is told of a version of the timing sheet.
   */
  constructor(root, { session, screen, notices, signals, guests, state, replanned }) {
    const { core, keep, practice, device } = session;
    this.#session = session;
    this.#screen = screen;
    this.#notices = notices;
    this.#signals = signals;
    this.here = new Here(root, { practice, device });
    this.#unkept = new Unkept({
      describe: ({ sheet, line }) => core.describe(sheet, line),
      seen: (event) => keep.forget(event),
      again: (event) => this.#again(event),
    });
    this.#wire = new Wire({
      keep,
      ready: () => guests.settle(),
      holds: (events) => guests.hold(events),
      state: (now) => state.show(now),
      refused: (events) => this.#refused(events),
      early: (events) => this.#early(events),
      outdone: (event) => this.#outdone(event),
      trouble: (words) =>
        notices.tell(`Not everything could be sent: ${words}. It is saved here and sent again later.`),
    });
    const others = new Others(keep);
    this.#stream = new Stream({
      practice,
      device,
      after: root.dataset.after,
      receive: (event) => this.#receive(event, others),
      state: (online) => this.#connected(online),
      signedOut: () => this.#wire.signedOut(),
      here: (present) => this.here.show(present),
      sheet: replanned,
    });
  }

  /** Keeps events, then sends them. */
  put(made) {
    const { keep, own } = this.#session;
    // Who counts for one place alone says nothing of the others: the coach's device does.
    const events = own.length > 0 ? made.filter(({ sheet }) => own.includes(sheet)) : made;
    if (events.length === 0) {
      return;
    }
    const kept = keep.toSend(events);
    this.#wire.waits();
    kept
      .catch(() =>
        this.#notices.tell(
          "This device cannot save taps: its storage is full or closed. Free some space, then reload.",
        ),
      )
      .then(() => this.#wire.send());
  }

  /** What was refused before this page was opened stays listed. */
  async recall() {
    this.#unkept.add(await this.#session.keep.refusals());
  }

  begin() {
    this.#stream.listen();
    this.#wire.send();
  }

  #showSoon() {
    this.#screen.showSoon(() => this.#signals.plan());
  }

  #receive(event, others) {
    const { core, device } = this.#session;
    // What this device made itself is here already, and marked as sent when the server took it.
    if (event.device !== device) {
      core.receive(event.sheet, event.device, event.n, event.line);
      others.put(event);
      this.#showSoon();
    }
  }

  #connected(online) {
    this.#wire.connected(online);
    if (online) {
      this.here.look();
    }
  }

  #refused(events) {
    events.forEach(({ sheet, line }) => this.#session.core.retract(sheet, line));
    this.#unkept.add(events);
    this.#notices.explain();
    this.#notices.tell(`Not saved: ${events[0].why}.`);
    this.#screen.show();
  }

  async #again(event) {
    const { core, keep } = this.#session;
    core.receive(event.sheet, event.device, event.n, event.line);
    this.#screen.show();
    await keep.again(event);
    this.#wire.send();
  }

  async #early(events) {
    const { core, keep, time } = this.#session;
    await time.measure();
    const count = await restamp(events, { core, keep, time });
    if (count > 0) {
      this.#notices.tell("The clock of this device was wrong. What was pressed meanwhile has the right time now.");
      this.#showSoon();
    }
  }

  #outdone({ sheet, device, n, line }) {
    this.#session.core.receive(sheet, device, n, line);
    this.#notices.tell("Another device saved the same event at another time. That one counts.");
    this.#showSoon();
  }
}
