// What others said, kept here too, so that a reload without a network shows it. Written together: it is no hurry.
const pause = 300;

export class Others {
  #keep;
  #heard = [];
  #timer;

  constructor(keep) {
    this.#keep = keep;
  }

  put({ sheet, device, n, line }) {
    this.#heard.push({ sheet, device, n, line });
    this.#timer ??= setTimeout(() => {
      this.#timer = undefined;
      this.#keep.sent(this.#heard.splice(0));
    }, pause);
  }
}
