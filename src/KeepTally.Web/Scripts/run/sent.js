// The one small place that always tells: what is kept here, what is sent, how many wait, and since when.
const clock = new Intl.DateTimeFormat(undefined, { hour: "2-digit", minute: "2-digit", hour12: false });
const settled = 2000;
const by = (id) => document.getElementById(id);
const thatWait = (count) => (count === 1 ? "1 entry waits" : `${count} entries wait`);

export class SentState {
  #lostAt;
  #lastSent;
  #state = { online: false, waiting: 0, since: null, signedIn: true };
  #keeps = true;
  #reloads;
  #space = "";
  #announced;
  #announcing;
  #coming;

  constructor() {
    by("net").addEventListener("click", () => {
      this.#fill();
      by("sent").showModal();
    });
  }

  /** @param state whether it is online and signed in, how many wait, and since when. */
  show(state) {
    if (!state.online) {
      this.#lostAt ??= Date.now();
    } else {
      this.#lostAt = undefined;
      if (state.waiting === 0) {
        this.#lastSent = Date.now();
      }
    }
    this.#state = state;
    by("net").textContent = this.#words();
    this.#announce();
    by("net").dataset.net = state.online && state.signedIn ? "on" : "off";
    if (by("sent").open) {
      this.#fill();
    }
  }

  /** By ear only what has changed and stays so: each tap that is sent would be told twice. */
  #announce() {
    const { online, waiting, signedIn } = this.#state;
    const said = !signedIn ? "Signed out" : !online ? "No network" : waiting ? null : "Saved";
    if (said === null || said === this.#coming) {
      return;
    }
    this.#coming = said;
    clearTimeout(this.#announcing);
    this.#announcing = setTimeout(() => {
      // That all is well is news only after something was not.
      if (said !== (this.#announced ?? "Saved")) {
        by("net-said").textContent = said;
        this.#announced = said;
      }
    }, settled);
  }

  /** This window keeps nothing: a reload would lose what waits. */
  keepsNothing() {
    this.#keeps = false;
    this.show(this.#state);
  }

  /** Whether the practice can be opened again without a network. */
  reloads(can) {
    this.#reloads = can;
  }

  /** Asks that what is kept may stay, and how much room there is. */
  async askForRoom() {
    const stays = (await navigator.storage?.persisted?.()) || (await navigator.storage?.persist?.());
    const { quota = 0, usage = 0 } = (await navigator.storage?.estimate?.()) ?? {};
    const tight = quota > 0 && quota - usage < 5_000_000;
    this.#space = tight
      ? "This device is nearly full: free some space before you go on."
      : stays
        ? ""
        : "When this device is short of space it may delete taps that are saved here. Send them before you close.";
    return tight;
  }

  #words() {
    const { online, waiting, since, signedIn } = this.#state;
    if (!signedIn) {
      return waiting ? `Sign in, ${waiting} wait` : "Sign in";
    }
    if (online) {
      return waiting ? `${waiting} to send` : this.#keeps ? "Saved" : "Sent, not kept";
    }
    return waiting ? `${waiting} wait since ${clock.format(since)}` : "No network";
  }

  #fill() {
    const { online, waiting, since, signedIn } = this.#state;
    const lines = [
      online
        ? "The server answers."
        : signedIn
          ? `No network since ${clock.format(this.#lostAt)}. Everything goes on here.`
          : "The server answers, but you are signed out. Everything goes on here.",
      waiting
        ? `${thatWait(waiting)} on this device, the first since ${clock.format(since)}.`
        : this.#lastSent
          ? `Every tap is sent, last checked ${clock.format(this.#lastSent)}.`
          : "Nothing waits on this device.",
      this.#keeps
        ? "Taps are saved on this device before they are sent."
        : "This window cannot save taps (private mode, or no space). Do not reload or close it while taps wait.",
      this.#space,
      this.#reloads === undefined
        ? ""
        : this.#reloads
          ? "This practice opens again here without a network."
          : "Without a network this practice goes on here, but cannot be opened again: see Phones.",
    ];
    by("sent-lines").replaceChildren(
      ...lines.filter(Boolean).map((words) => {
        const line = document.createElement("li");
        line.textContent = words;
        return line;
      }),
    );
    by("sent-in").hidden = signedIn;
  }
}
