// Sends what was said as soon as it can, and hears what others say. An event may be sent twice: it counts once.
const retryAfter = [500, 1000, 2000, 5000];

export class Wire {
  #keep;
  #practice;
  #after;
  #hear;
  #yield;
  #state;
  #refused;
  #sending = false;
  #again = false;
  #failures = 0;
  #online = false;

  constructor({ keep, practice, after, hear, yields, state, refused }) {
    this.#keep = keep;
    this.#practice = practice;
    this.#after = after;
    this.#hear = hear;
    this.#yield = yields;
    this.#state = state;
    this.#refused = refused;
    addEventListener("online", () => this.send());
  }

  listen() {
    const source = new EventSource(`/api/practices/${this.#practice}/events?after=${this.#after}`);
    source.onopen = () => this.#connected(true);
    source.onerror = () => {
      this.#connected(false);
      if (source.readyState === EventSource.CLOSED) {
        setTimeout(() => this.listen(), retryAfter.at(-1));
      }
    };
    source.onmessage = async ({ data, lastEventId }) => {
      this.#after = lastEventId;
      const { sheet, line } = JSON.parse(data);
      this.#hear(sheet, line);
      const { device, n } = JSON.parse(line);
      await this.#keep.put([{ sheet, device, n, line }], 1);
    };
  }

  #connected(online) {
    this.#online = online;
    if (online) {
      this.#failures = 0;
      this.send();
    }
    this.#tell();
  }

  async #tell() {
    const waiting = (await this.#keep.unsent()).length;
    this.#state({ online: this.#online, waiting });
  }

  /** Sends everything unsent, a batch for each sheet; one sending at a time. */
  async send() {
    if (this.#sending) {
      this.#again = true;
      return;
    }
    this.#sending = true;
    try {
      do {
        this.#again = false;
        const bySheet = Map.groupBy(await this.#keep.unsent(), (event) => event.sheet);
        for (const [sheet, events] of bySheet) {
          await this.#sendBatch(sheet, events);
        }
      } while (this.#again);
      this.#failures = 0;
    } catch {
      const wait = retryAfter[Math.min(this.#failures++, retryAfter.length - 1)];
      setTimeout(() => this.send(), wait);
    } finally {
      this.#sending = false;
      await this.#tell();
    }
  }

  async #sendBatch(sheet, events) {
    const response = await fetch(`/api/sheets/${sheet}/events`, {
      method: "POST",
      headers: { "Content-Type": "application/x-ndjson" },
      body: events.map((event) => event.line).join("\n"),
    });
    if (response.status === 422) {
      const { faults } = await response.json();
      const bad = new Set(faults.map((fault) => fault.line - 1));
      await this.#keep.put(
        events.filter((_, index) => bad.has(index)),
        -1,
      );
      this.#refused(faults[0].problem);
      this.#again = true;
      return;
    }
    if (!response.ok) {
      throw new Error(`The server answered ${response.status}.`);
    }
    const { theirs } = await response.json();
    await this.#keep.put(events, 1);
    for (const line of theirs) {
      const { device, n } = JSON.parse(line);
      await this.#keep.put([{ sheet, device, n, line }], 1);
      this.#yield(sheet, line);
    }
  }
}
