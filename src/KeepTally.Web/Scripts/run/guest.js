// A player who is not in the squad joins for today. Who they are on record is the server's to say: without a network they join
// under a name of this device alone, and what is said of them waits here until they are written down.
export class Guests {
  #practice;
  #place;
  #core;
  #keep;
  #reopen;
  #settling = false;

  /** @param reopen takes { from, to }, opens the practice anew as it is on record, and says whether it could. */
  constructor(practice, { core, keep, reopen }) {
    this.#practice = practice;
    this.#place = `guests-${practice}`;
    this.#core = core;
    this.#keep = keep;
    this.#reopen = reopen;
  }

  /** @returns name and player once they may come in, or the fault in words. */
  async welcome(name) {
    const told = await this.#write({ name });
    if (told) {
      if (told.player) {
        // The sheet that names them is on its way; here they are known at once.
        this.#core.writeDown({ id: told.player, name: told.name });
      }
      return told.fault ? { fault: told.fault } : { name: told.name, player: told.player };
    }
    const guest = { id: `guest-${crypto.randomUUID().slice(0, 8)}`, name: name.trim() };
    const fault = this.#core.writeDown(guest);
    if (fault) {
      return { fault };
    }
    this.#waiting = [...this.#waiting, guest];
    return { name: guest.name, player: guest.id };
  }

  /** Those who joined here and are not on record yet may come in, after a reload and on a new sheet, too. */
  writeDown() {
    this.#waiting.forEach((guest) => this.#core.writeDown(guest));
  }

  /** Whether these events wait for a player to be written down. */
  hold(events) {
    const waiting = this.#waiting;
    return events.some(({ line }) => waiting.some(({ id }) => line.includes(`"${id}"`)));
  }

  /** Writes down the guests that wait, once there is a network. */
  async settle() {
    if (this.#settling) {
      return;
    }
    this.#settling = true;
    for (const guest of this.#waiting) {
      guest.player ??= (await this.#write({ name: guest.name, late: true }))?.player;
      const is = { from: guest.id, to: guest.player };
      if (!guest.player || !(await this.#reopen(is))) {
        break;
      }
      // Once the practice goes on under who they are, so does what is kept.
      await this.#keep.rewrite((line) => this.#core.renamed(line, is.from, is.to));
      this.#waiting = this.#waiting.filter(({ id }) => id !== guest.id);
    }
    this.#settling = false;
  }

  get #waiting() {
    return JSON.parse(localStorage.getItem(this.#place) ?? "[]");
  }

  set #waiting(guests) {
    if (guests.length > 0) {
      localStorage.setItem(this.#place, JSON.stringify(guests));
    } else {
      localStorage.removeItem(this.#place);
    }
  }

  /** What the server says; null where it does not answer. */
  async #write(guest) {
    const answer = await fetch(`/api/practices/${this.#practice}/guests`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify(guest),
      redirect: "manual",
    }).catch(() => null);
    if (!answer || answer.status >= 500) {
      return null;
    }
    const told = await answer.json().catch(() => ({}));
    return answer.ok ? told : { fault: told.detail ?? "Not added. Sign in again, then try once more." };
  }
}
