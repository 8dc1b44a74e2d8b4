// The timing sheet has changed while practice runs: the drills of this page are put in their new order, those that are new come
// in, those removed go. What stands on the page already stays as it is, and nothing said here is lost.
const pause = 1000;
const most = 20;

export class Replan {
  #root;
  #core;
  #device;
  #done;
  #missed;
  #version;
  #wanted;
  #busy = false;

  /** @param done is told once the drills are in their new order. @param missed is told where they could not be had. */
  constructor(root, { core, device, done, missed }) {
    this.#root = root;
    this.#core = core;
    this.#device = device;
    this.#done = done;
    this.#missed = missed;
    this.#version = Number(root.dataset.sheetVersion);
    this.#wanted = this.#version;
  }

  /** A version of the sheet was heard of. */
  async heard(version) {
    this.#wanted = Math.max(this.#wanted, version);
    if (this.#busy) {
      return;
    }
    this.#busy = true;
    try {
      // An answer that fails, or was made a moment too early, is asked for again: the version is told once.
      for (let tries = 0; tries < most && this.#wanted > this.#version; tries++) {
        if (tries > 0) {
          await new Promise((done) => setTimeout(done, pause));
        }
        const page = await this.#fetch();
        if (page) {
          this.#take(page);
        }
      }
      if (this.#wanted > this.#version) {
        this.#missed();
      }
    } finally {
      this.#busy = false;
    }
  }

  /** Opens it anew whatever is new: a guest who joined here goes by the id on record. */
  async settle(settled) {
    const page = await this.#fetch();
    return page !== null && this.#take(page, settled);
  }

  /** The page as the server makes it now; none without a network, where the version is told again once there is one. */
  async #fetch() {
    const response = await fetch(location.pathname, { cache: "no-store" }).catch(() => null);
    if (!response?.ok || response.redirected) {
      return null;
    }
    const page = new DOMParser().parseFromString(await response.text(), "text/html");
    return page.getElementById("run") ? page : null;
  }

  #take(page, settled) {
    const runs = this.#core.reopen(page.getElementById("practice").textContent, this.#device, settled);
    if (runs.length === 0) {
      return false;
    }
    this.#version = Number(page.getElementById("run").dataset.sheetVersion);
    this.#order(page, runs, ".run-strip", ".run-strip > li", (line, index) => (line.dataset.block = index), true);
    this.#order(page, runs, "#course ol", "#course li", (line, index) => (line.dataset.block = index), true);
    this.#order(page, runs, null, "section[data-drill]", (section, index) => (section.dataset.drill = index), false);
    this.#order(page, runs, null, ".set-up-of", (part, index) => (part.dataset.of = index), false);
    this.#done();
    return true;
  }

  /** Puts what stands for each run in the order of the runs; of new ones, and where asked for of all, the server's is taken. */
  #order(page, runs, list, selector, number, anew) {
    const here = this.#byRun(this.#root, selector);
    const there = this.#byRun(page, selector);
    const parts = runs.map((run) => (anew || !here.has(run) ? (there.get(run) ?? here.get(run)) : here.get(run)));
    const first = [...here.values()][0];
    const parent = list ? this.#root.querySelector(list) : first.parentElement;
    const mark = document.createComment("");
    parent.insertBefore(mark, first);
    here.forEach((part) => part.remove());
    parts.forEach((part, index) => {
      number(part, index);
      parent.insertBefore(document.adoptNode(part), mark);
    });
    mark.remove();
  }

  #byRun(root, selector) {
    return new Map([...root.querySelectorAll(selector)].map((part) => [part.dataset.run, part]));
  }
}
