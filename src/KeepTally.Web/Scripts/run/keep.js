// What was said, kept on this device before it is sent: a reload, a crash or a lost network loses nothing.
import { openDB } from "idb";

export class Keep {
  #db;
  #practice;

  static async open(practice) {
    const keep = new Keep();
    keep.#practice = practice;
    keep.#db = await openDB("keep-tally", 1, {
      upgrade(db) {
        const events = db.createObjectStore("events", { keyPath: ["sheet", "device", "n"] });
        events.createIndex("practice", "practice");
      },
    });
    return keep;
  }

  async all() {
    return this.#db.getAllFromIndex("events", "practice", this.#practice);
  }

  async put(events, sent) {
    const tx = this.#db.transaction("events", "readwrite");
    await Promise.all([...events.map((event) => tx.store.put({ ...event, practice: this.#practice, sent })), tx.done]);
  }

  async unsent() {
    return (await this.all()).filter((event) => !event.sent);
  }
}
