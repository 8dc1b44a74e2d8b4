/** @import { Exchange } from "./exchange.js" */
/** @import { Screen } from "./screen.js" */
/** @import { Session } from "./session.js" */

// What a coach does on this screen: each is a command of the core, shown at once, explained, felt and heard, kept and sent.

// Every tap is felt: a short buzz, a longer one for what it led to, a double one for what does not count.
const buzzes = { win: 120, best: 80, gate: 50, out: 80, late: [30, 60, 30] };

export class Coach {
  #session;
  #screen;
  #exchange;
  #notices;
  #signals;
  #sound;
  #choices;

  /**
   * @param {object} with
   * @param {Session} with.session the practice as it is open here.
   * @param {Screen} with.screen
   * @param {Exchange} with.exchange
   * @param with.notices
   * @param with.signals
   * @param with.sound
   * @param with.choices
   */
  constructor({ session, screen, exchange, notices, signals, sound, choices }) {
    this.#session = session;
    this.#screen = screen;
    this.#exchange = exchange;
    this.#notices = notices;
    this.#signals = signals;
    this.#sound = sound;
    this.#choices = choices;
  }

  /**
   * Takes what came of a command. Returns what is said of it.
   * @param {{ refused: string, why: string, mark: string, events: any[] }} answer
   * @param {() => void} show
   */
  act(answer, show = () => this.#screen.show()) {
    if (answer.refused) {
      this.#notices.tell(answer.refused);
      return answer.refused;
    }
    show();
    this.#notices.explain(answer.why, answer.mark);
    if (answer.mark) {
      this.#sound.mark(answer.mark);
    }
    if (this.#choices.now.shake) {
      navigator.vibrate?.(buzzes[answer.mark] ?? 15);
    }
    this.#signals.planSoon();
    this.#exchange.put(answer.events);
    return answer.why;
  }

  /** @param lastBall when the coach asked that it be the last ball of the round before, if they did. */
  tap(sheet, touch, lastBall) {
    const { core, time } = this.#session;
    this.act(core.tap(sheet, touch, time.now(), lastBall), () => this.#screen.glance());
  }

  undo({ sheet, device, n }) {
    const { core, time } = this.#session;
    this.act(core.undo(sheet, device, n, time.now()));
  }

  /** Who counts for one place alone leaves the clock to the coach. */
  execute(command, reason = "") {
    const { core, time, isForOnePlace } = this.#session;
    if (!isForOnePlace) {
      this.act(core.execute(command, reason, time.now()));
    }
  }

  /** The one thing that comes next: start, resume, end the drill. */
  go() {
    if (this.#screen.run) {
      this.execute(this.#screen.run.primary);
    }
  }

  /** Returns whether anything came of it. */
  changeRoster(change) {
    const { core, time } = this.#session;
    const answer = core.changeRoster(change, time.now());
    this.act(answer);
    return !answer.refused && answer.events.length > 0;
  }
}
