// The events of this device, kept on this device before it is sent: a reload, a crash or a lost network loses nothing.
import { openDB } from "idb";

import { keyOf } from "./event-key.js";
import { LastWords } from "./last-words.js";

const toSend = 0;
const sent = 1;
const refused = -1;

export class Keep {
  #db;
  #practice;
  #lost;
  #waiting = new Map();
  #unkept = [];
  #keeping;
  #lastWords;

  /**
   * @param {number} practice
   * @param {(how: "never" | "cleared") => void} lost is told when what was kept here is gone while the page is open, or nothing can be kept at all.
   */
  static async open(practice, lost = () => {}) {
    const keep = new Keep();
    keep.#practice = practice;
    keep.#lost = lost;
    await keep.#open().catch(() => lost("never"));
    keep.#lastWords = new LastWords(practice);
    await keep.#lastWords.take(async (events) => {
      events.forEach((event) => keep.#waiting.set(keyOf(event), event));
      await keep.#put(events);
    });
    for (const event of await keep.all()) {
      if (event.sent === toSend) {
        keep.#waiting.set(keyOf(event), event);
      }
    }
    return keep;
  }

  async #open() {
    this.#db = await openDB("keep-tally", 1, {
      upgrade(db) {
        const events = db.createObjectStore("events", { keyPath: ["sheet", "device", "n"] });
        events.createIndex("practice", "practice");
      },
      terminated: () => this.#restore(),
    });
  }

  /** The browser has thrown away what was kept: what is not sent yet is still here, and kept anew. */
  async #restore() {
    this.#db = undefined;
    // While it is being thrown away, nothing can be opened.
    for (const pause of [100, 500, 2000]) {
      await new Promise((done) => setTimeout(done, pause));
      try {
        await this.#open();
        await this.#put([...this.#waiting.values()]);
        this.#lost("cleared");
        return;
      } catch {
        this.#db = undefined;
      }
    }
    this.#lost("never");
  }

  /** Whether this window keeps anything. */
  get keeps() {
    return this.#db !== undefined;
  }

  async all() {
    return this.#db ? this.#db.getAllFromIndex("events", "practice", this.#practice) : [];
  }

  /**
   * Keeps events of this device until they are sent: at once, but after the screen has shown them, and what was done
   * meanwhile together.
   */
  toSend(events) {
    const made = events.map((event) => ({
      ...event,
      sent: toSend,
      made: Date.now(),
      page: performance.timeOrigin,
      since: performance.now(),
    }));
    made.forEach((event) => this.#waiting.set(keyOf(event), event));
    this.#unkept.push(...made);
    this.#lastWords.begun(made);
    this.#keeping ??= new Promise((done, failed) => {
      setTimeout(() => this.#keepNow().then(done, failed));
    });
    return this.#keeping;
  }

  #keepNow() {
    this.#keeping = undefined;
    const made = this.#unkept.splice(0);
    return this.#put(made).then(() => this.#lastWords.done(made));
  }

  /** What waits is told otherwise, line by line. */
  async rewrite(told) {
    const waiting = [...this.#waiting.values()].map((event) => ({ ...event, line: told(event.line, event) }));
    waiting.forEach((event) => this.#waiting.set(keyOf(event), event));
    await this.#put(waiting);
  }

  /** These are on record at the server. */
  async sent(events) {
    events.forEach((event) => this.#waiting.delete(keyOf(event)));
    await this.#put(events.map((event) => ({ ...event, sent })));
  }

  /** These the server did not take; they stay listed until the coach has seen them. */
  async refused(events) {
    events.forEach((event) => this.#waiting.delete(keyOf(event)));
    await this.#put(events.map((event) => ({ ...event, sent: refused })));
  }

  /**
   * A refused event is to be sent once more.
   * @param {{ why?: string, sheet: string, device: string, n: number, line?: string }} event
   */
  async again({ why, ...event }) {
    const waits = { ...event, sent: toSend };
    this.#waiting.set(keyOf(event), waits);
    await this.#put([waits]);
  }

  async refusals() {
    return (await this.all()).filter((event) => event.sent === refused);
  }

  async forget({ sheet, device, n }) {
    await this.#db?.delete("events", [sheet, device, n]);
  }

  /** Forgets whatever is on record at the server, of every practice: it is there when it is asked for. */
  async forgetSent() {
    const tx = this.#db?.transaction("events", "readwrite");
    for (let cursor = await tx?.store.openCursor(); cursor; cursor = await cursor.continue()) {
      if (cursor.value.sent === sent) {
        await cursor.delete();
      }
    }
    await tx?.done;
  }

  waits(event) {
    return this.#waiting.has(keyOf(event));
  }

  get waiting() {
    return this.#waiting.size;
  }

  /** When the first of those that wait was made; null where none waits. */
  get waitingSince() {
    const made = [...this.#waiting.values()].map((event) => event.made ?? Date.now());
    return made.length > 0 ? Math.min(...made) : null;
  }

  /** Events that wait to be sent, by sheet, in the order in which they were made. */
  unsent() {
    return Map.groupBy(this.#waiting.values(), (event) => event.sheet);
  }

  async #put(events) {
    if (!this.#db) {
      return;
    }
    const tx = this.#db.transaction("events", "readwrite");
    await Promise.all([...events.map((event) => tx.store.put({ ...event, practice: this.#practice })), tx.done]);
  }
}
