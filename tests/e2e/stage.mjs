// One process in which one application after another runs (KeepTally.Stage): what was compiled for one test the next has ready.
import { launchShifted } from "./program.mjs";

export class Stage {
  #run;
  #ended;

  constructor() {
    this.#run = launchShifted(undefined, { hosting: "KeepTally.Stage" });
  }

  /**
   * Until the application is ready. One at a time.
   * @param core "native", "compiled" or "both": where the core of its pages runs (NativeCore).
   */
  async begin(core, args) {
    const ready = this.#run.said("Keep Tally is ready");
    this.#ended = this.#run.said("Ended:");
    this.#say([core, ...args].join("\t"));
    const failed = Promise.race([this.#ended, this.#run.ended]).then(() => {
      throw new Error(`The application did not start: ${this.#run.error()}`);
    });
    await Promise.race([ready, failed]);
    failed.catch(() => {});
  }

  async end() {
    this.#say("");
    await this.#ended;
  }

  close() {
    this.#run.process.kill("SIGKILL");
  }

  #say(line) {
    this.#run.process.stdin.write(`${line}\n`);
  }
}
