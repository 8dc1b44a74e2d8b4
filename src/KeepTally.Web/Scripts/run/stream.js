// Hears every event of a practice in the order of the record. Each names the one before it: where one was missed, the line
// is opened anew from the last that was received, and the server sends what is missing.
const again = 5000;

export class Stream {
  #practice;
  #after;
  #receive;
  #state;
  #signedOut;
  #device;
  #here;
  #sheet;
  #scores;

  /**
   * @param {object} told
   * @param told.practice the practice whose events are heard.
   * @param told.after the last event known already.
   * @param {(event: { sheet: string, device: string, n: number, line: string }) => void} told.receive
   * @param {(online: boolean) => void} told.state takes whether the line stands.
   * @param {() => void} [told.signedOut] is told when the server does not know this device any more.
   * @param {string} [told.device] the id of this device.
   * @param {(present: any) => void} [told.here] takes who has the practice open.
   * @param {(version: number) => void} [told.sheet] takes the version of the timing sheet.
   * @param {(are: string) => void} [told.scores] takes whether the players' board has scores hidden or shown.
   */
  constructor({
    practice,
    after,
    receive,
    state,
    signedOut = () => {},
    device = "",
    here = () => {},
    sheet = () => {},
    scores = () => {},
  }) {
    this.#practice = practice;
    this.#after = Number(after);
    this.#receive = receive;
    this.#state = state;
    this.#signedOut = signedOut;
    this.#device = device;
    this.#here = here;
    this.#sheet = sheet;
    this.#scores = scores;
  }

  /** A line that was refused does not say why. */
  async #askWhy() {
    const response = await fetch("/api/time", { cache: "no-store" }).catch(() => null);
    if (response?.status === 401) {
      this.#signedOut();
    }
  }

  listen() {
    const source = new EventSource(
      `/api/practices/${this.#practice}/events?after=${this.#after}&device=${this.#device}`,
    );
    source.addEventListener("here", ({ data }) => this.#here(JSON.parse(data)));
    source.addEventListener("sheet", ({ data }) => this.#sheet(Number(data)));
    source.addEventListener("scores", ({ data }) => this.#scores(data));
    source.onopen = () => this.#state(true);
    source.onerror = () => {
      this.#state(false);
      if (source.readyState === EventSource.CLOSED) {
        this.#askWhy();
        setTimeout(() => this.listen(), again);
      }
    };
    source.onmessage = ({ data, lastEventId }) => {
      const event = JSON.parse(data);
      const sequence = Number(lastEventId);
      if (sequence <= this.#after) {
        return;
      }
      if (event.after > this.#after) {
        source.close();
        this.listen();
        return;
      }
      this.#after = sequence;
      this.#receive(event);
    };
  }
}
