// The door that devices come to. What is said has a number of its own and is sent until it is answered, so that it counts once.
const pause = 1000;

export class Door {
  #key;
  #n = 0;

  constructor(key) {
    this.#key = key;
  }

  async now() {
    return this.#ask("GET", "/api/device/now");
  }

  /**
   * Listens to a practice until it is told to stop: every event there is passed on at once, as a clock that is
   * stopped while a horn waits.
   */
  async listen(practice, heard, stop) {
    const answer = await fetch(`/api/practices/${practice}/events`, {
      headers: { Authorization: `Bearer ${this.#key}` },
      redirect: "manual",
      signal: stop,
    });
    if (!answer.ok) {
      throw new Error(`answered ${answer.status}`);
    }
    const words = answer.body.pipeThrough(new TextDecoderStream()).getReader();
    for (let piece; !(piece = await words.read()).done;) {
      if (piece.value.includes("data: {")) {
        heard();
      }
    }
  }

  /** @returns what was said, or the fault of it, once the server has answered. */
  async say(what) {
    let word = what.clock ? what : { ...what, n: this.#number(), at: Date.now() + this.ahead };
    for (;;) {
      try {
        const answer = await this.#ask("POST", "/api/device/says", word);
        if (answer.place !== "at" || !("at" in word)) {
          return answer;
        }
        // The time of this machine was set: the server's moment is nearer to the truth.
        const { at, ...rest } = word;
        word = rest;
      } catch {
        await new Promise((done) => setTimeout(done, pause));
      }
    }
  }

  /** By how much the shared clock is ahead of this device's. */
  ahead = 0;

  /** Seconds since 1970, or one more than the last: no number comes twice, after a reload neither. */
  #number() {
    this.#n = Math.max(this.#n + 1, Math.floor(Date.now() / 1000));
    return this.#n;
  }

  async #ask(method, address, body) {
    const answer = await fetch(address, {
      method,
      headers: { Authorization: `Bearer ${this.#key}`, ...(body && { "Content-Type": "application/json" }) },
      body: body && JSON.stringify(body),
      redirect: "manual",
    });
    if (answer.status === 429 || answer.status >= 500) {
      throw new Error(`answered ${answer.status}`);
    }
    if (answer.type === "opaqueredirect" || answer.status === 401 || answer.status === 403) {
      return { fault: "There is no such key. A head coach makes one under People." };
    }
    const told = await answer.json();
    return answer.ok ? told : { fault: told.detail, place: told.place };
  }
}
