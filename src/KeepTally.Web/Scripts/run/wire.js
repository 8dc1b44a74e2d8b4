import { keyOf } from "./event-key.js";

// Sends the events of this device as soon as it can, each sheet on its own: one that cannot be sent holds no other back. An event may be
// sent twice: it counts once.
const retryAfter = [500, 1000, 2000, 5000];
// The disk of the server is full: it is there, and says so.
const full = 507;
// What the server takes to be of the future is tried again so often, while the rest goes on.
const earlyAgain = 5000;
// An evening without a network is sent in pieces that the server takes.
const most = 500;

export class Wire {
  #keep;
  #state;
  #refused;
  #early;
  #held = new Map();
  #outdone;
  #trouble;
  #ready;
  #holds;
  #sheets = new Map();
  #online = false;
  #signedIn = true;
  #failing = false;

  /**
   * @param {object} told
   * @param told.keep where events are kept.
   * @param {(now: { online: boolean, waiting: number, since: number, signedIn: boolean }) => void} told.state
   * @param {(events: any[]) => void} told.refused takes events with the word why the server did not take them.
   * @param {(events: any[]) => void} told.early takes events that the server takes to be of the future: the clocks do not agree, and
   *   they are sent again.
   * @param {(event: any) => void} told.outdone takes what stands on record under the id of an event of ours.
   * @param {(words: string) => void} told.trouble takes what else the server says.
   * @param {() => any} [told.ready] is done before anything is sent.
   * @param {(events: any[]) => boolean} [told.holds] says which events of a sheet have to wait.
   */
  constructor({ keep, state, refused, early, outdone, trouble, ready = () => {}, holds = () => false }) {
    this.#keep = keep;
    this.#state = state;
    this.#refused = refused;
    this.#early = early;
    this.#outdone = outdone;
    this.#trouble = trouble;
    this.#ready = ready;
    this.#holds = holds;
    // A line that stands may be dead for long before it is known: the browser's word and a send that fails say so sooner.
    addEventListener("offline", () => this.#fails(true));
    addEventListener("online", () => {
      this.#fails(false);
      this.send();
    });
  }

  /** Whether the server answers. */
  connected(online) {
    this.#online = online;
    if (online) {
      this.#signedIn = true;
      this.#failing = false;
      this.#sheets.forEach((sheet) => (sheet.failures = 0));
      this.send();
    }
    this.#tell();
  }

  /** Sends everything that waits; of each sheet one batch at a time. */
  send() {
    for (const sheet of this.#keep.unsent().keys()) {
      this.#sendSheet(sheet);
    }
    this.#tell();
  }

  /** Something waits from now on, which is told before it is kept and sent. */
  waits() {
    this.#tell();
  }

  /** The session is over: what waits goes up when they have signed in again. */
  signedOut() {
    this.#signedIn = false;
    this.#tell();
  }

  #fails(failing) {
    this.#failing = failing;
    this.#tell();
  }

  #tell() {
    this.#state({
      online: this.#online && !this.#failing,
      waiting: this.#keep.waiting,
      since: this.#keep.waitingSince,
      signedIn: this.#signedIn,
    });
  }

  async #sendSheet(id) {
    const sheet = this.#sheets.get(id) ?? { sending: false, failures: 0, timer: 0 };
    this.#sheets.set(id, sheet);
    if (sheet.sending) {
      return;
    }
    sheet.sending = true;
    clearTimeout(sheet.timer);
    try {
      for (let events; (events = await this.#next(id));) {
        await this.#sendBatch(id, events);
      }
      sheet.failures = 0;
    } catch {
      const wait = retryAfter[Math.min(sheet.failures++, retryAfter.length - 1)];
      sheet.timer = setTimeout(() => this.#sendSheet(id), wait);
    } finally {
      sheet.sending = false;
      this.#tell();
    }
  }

  /** What of a sheet can be sent; none where nothing waits. What has to wait for more than a network is tried again with the rest. */
  async #next(id) {
    await this.#ready();
    const events = (this.#keep.unsent().get(id) ?? [])
      .filter((event) => !(this.#held.get(keyOf(event)) > performance.now()))
      .slice(0, most);
    if (events.length === 0) {
      return undefined;
    }
    if (this.#holds(events)) {
      throw new Error("It names a player who is not saved yet.");
    }
    return events;
  }

  async #sendBatch(sheet, events) {
    const response = await fetch(`/api/sheets/${sheet}/events`, {
      method: "POST",
      headers: { "Content-Type": "application/x-ndjson" },
      body: events.map((event) => event.line).join("\n"),
    }).catch((failure) => {
      this.#failing = true;
      throw failure;
    });
    // A server that says no is there, and is not told as a lost network.
    this.#failing = response.status >= 500 && response.status !== full;
    if (response.status === 422) {
      const { faults } = await response.json();
      // What was received meanwhile as it stands on record waits no more, and was not refused.
      const told = faults
        .map(({ line, place, problem, mend }) => ({ ...events[line - 1], place, why: `${problem}; ${mend}` }))
        .filter((event) => this.#keep.waits(event));
      const bad = told.filter(({ place }) => place !== "at").map(({ place, ...event }) => event);
      if (bad.length > 0) {
        await this.#keep.refused(bad);
        this.#refused(bad);
      }
      await this.#holdBack(told.filter(({ place }) => place === "at"));
      return;
    }
    if (!response.ok) {
      if (response.status === 401) {
        this.signedOut();
      } else if (response.status < 500 || response.status === full) {
        const { title } = await response.json().catch(() => ({}));
        this.#trouble(title ?? `the server answered ${response.status}`);
      }
      throw new Error(`The server answered ${response.status}.`);
    }
    events.forEach((event) => this.#held.delete(keyOf(event)));
    this.#signedIn = true;
    const { theirs } = await response.json();
    const stand = theirs.map((line) => ({ sheet, ...idOf(line), line }));
    const outdone = (event) => stand.find((other) => other.device === event.device && other.n === event.n);
    await this.#keep.sent(events.map((event) => outdone(event) ?? event));
    stand.forEach((other) => this.#outdone(other));
  }

  /** At first they are put right and sent at once; what is refused once more waits until the clocks agree. */
  async #holdBack(events) {
    const again = events.filter((event) => this.#held.has(keyOf(event)));
    const until = performance.now() + earlyAgain;
    events.forEach((event) => this.#held.set(keyOf(event), again.includes(event) ? until : 0));
    if (again.length > 0) {
      setTimeout(() => this.send(), earlyAgain);
    }
    if (events.length > 0) {
      await this.#early(events);
    }
  }
}

function idOf(line) {
  const { device, n } = JSON.parse(line);
  return { device, n };
}
