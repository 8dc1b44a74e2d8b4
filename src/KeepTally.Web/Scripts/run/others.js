// The events of others, kept here too, so that a reload without a network shows it. Written together: it is no hurry.
const pause = 300;

export class Others {
  #keep;
  #received = [];
  #timer;

  constructor(keep) {
    this.#keep = keep;
  }

  put({ sheet, device, n, line }) {
    this.#received.push({ sheet, device, n, line });
    this.#timer ??= setTimeout(() => {
      this.#timer = undefined;
      this.#keep.sent(this.#received.splice(0));
    }, pause);
  }
}
