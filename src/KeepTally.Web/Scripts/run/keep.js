// The events of this device, kept on this device before it is sent: a reload, a crash or a lost network loses nothing.
import { openDB } from "idb";

const toSend = 0;
const sent = 1;
const refused = -1;
const key = ({ sheet, device, n }) => `${sheet}/${device}/${n}`;

export class Keep {
  #db;
  #practice;
  #waiting = new Map();
  #unkept = [];
  #keeping;

  static async open(practice) {
    const keep = new Keep();
    keep.#practice = practice;
    keep.#db = await openDB("keep-tally", 1, {
      upgrade(db) {
        const events = db.createObjectStore("events", { keyPath: ["sheet", "device", "n"] });
        events.createIndex("practice", "practice");
      },
    });
    for (const event of await keep.all()) {
      if (event.sent === toSend) {
        keep.#waiting.set(key(event), event);
      }
    }
    return keep;
  }

  async all() {
    return this.#db.getAllFromIndex("events", "practice", this.#practice);
  }

  /**
   * Keeps events of this device until they are sent: at once, but after the screen has shown them, and what was done
   * meanwhile together.
   */
  toSend(events) {
    events.forEach((event) => this.#waiting.set(key(event), event));
    this.#unkept.push(...events.map((event) => ({ ...event, sent: toSend })));
    this.#keeping ??= new Promise((done, failed) => {
      setTimeout(() => this.#keepNow().then(done, failed));
    });
    return this.#keeping;
  }

  #keepNow() {
    this.#keeping = undefined;
    return this.#put(this.#unkept.splice(0));
  }

  /** These are on record at the server. */
  async sent(events) {
    events.forEach((event) => this.#waiting.delete(key(event)));
    await this.#put(events.map((event) => ({ ...event, sent })));
  }

  /** These the server did not take; they stay listed until the coach has seen them. */
  async refused(events) {
    events.forEach((event) => this.#waiting.delete(key(event)));
    await this.#put(events.map((event) => ({ ...event, sent: refused })));
  }

  async refusals() {
    return (await this.all()).filter((event) => event.sent === refused);
  }

  async forget({ sheet, device, n }) {
    await this.#db.delete("events", [sheet, device, n]);
  }

  waits(event) {
    return this.#waiting.has(key(event));
  }

  get waiting() {
    return this.#waiting.size;
  }

  /** Events that wait to be sent, by sheet, in the order in which they were made. */
  unsent() {
    return Map.groupBy(this.#waiting.values(), (event) => event.sheet);
  }

  async #put(events) {
    const tx = this.#db.transaction("events", "readwrite");
    await Promise.all([...events.map((event) => tx.store.put({ ...event, practice: this.#practice })), tx.done]);
  }
}
