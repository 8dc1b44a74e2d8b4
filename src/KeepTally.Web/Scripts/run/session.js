/** @import { Core } from "./core.js" */
/** @import { SharedTime } from "./shared-time.js" */

// A practice as it is open on this screen: what of it is whose, and where its core, its clock and its memory are.
import { earlierDevices } from "./own-devices.js";

export class Session {
  /**
   * @param {object} has
   * @param {number} has.practice
   * @param {string[]} has.own the sheets of who counts for one place alone; none for a coach.
   * @param {Core} has.core
   * @param has.keep where events are kept.
   * @param {SharedTime} has.time the shared clock.
   */
  constructor({ practice, own, core, keep, time }) {
    this.practice = practice;
    this.own = own;
    this.core = core;
    this.keep = keep;
    this.time = time;
    // A page load is a device of its own: two tabs can never give two events the same number.
    this.device = crypto.randomUUID().slice(0, 8);
  }

  /** Opens it in the core. Returns what is wrong with it, or an empty text. */
  open(text) {
    return this.core.open(text, this.device, earlierDevices(this.device));
  }

  /** Hands the core what this device has kept and the server has. */
  async recall() {
    const kept = (await this.keep.all()).filter((event) => event.sent >= 0);
    Map.groupBy(kept, (event) => event.sheet).forEach((events, sheet) =>
      this.core.receiveAll(
        sheet,
        events.map((event) => event.line),
      ),
    );
  }

  get isForOnePlace() {
    return this.own.length > 0;
  }

  isOwn(sheet) {
    return !this.isForOnePlace || this.own.includes(sheet);
  }
}
