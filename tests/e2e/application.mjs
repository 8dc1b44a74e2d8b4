// The application as a user starts it: a port and a data folder of its own.
import { cpSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { test as base } from "@playwright/test";
import { built, freePort, launchShifted } from "./program.mjs";
import { beginAnew, shiftPages } from "./shifted-time.mjs";
import { Stage } from "./stage.mjs";

export class Application {
  data = mkdtempSync(join(tmpdir(), "keep-tally-"));
  port;
  #stage;
  #core;
  #process;
  #run;

  /** The program that is started; a test of an update puts another in its place. */
  program = built;

  /** What the program has said so far. */
  get said() {
    return this.#run.out();
  }

  /**
   * @param filled a data folder to begin with; without one the demo fills its own.
   * @param stage where it runs; without one in a process of its own, which can be killed.
   * @param core "native" where its pages need no WebAssembly for what a test holds, "both" to compare; on a stage alone.
   */
  constructor(filled, stage, core = "compiled") {
    if (filled) {
      cpSync(filled, this.data, { recursive: true });
    }
    this.#stage = stage;
    this.#core = core;
  }

  get url() {
    return `http://127.0.0.1:${this.port}`;
  }

  /** @param args in place of the demo. */
  async start(...args) {
    this.port ??= await freePort();
    const all = [...(args.length > 0 ? args : ["--demo"]), "--data", this.data, "--port", String(this.port)];
    if (this.#stage) {
      await this.#stage.begin(this.#core, all);
      return;
    }
    const run = launchShifted(all, { program: this.program });
    this.#run = run;
    this.#process = run.process;
    await Promise.race([
      run.said("Keep Tally is ready"),
      run.ended.then(({ error }) => {
        throw new Error(`The application did not start: ${error}`);
      }),
    ]);
  }

  /** As a flat battery does it: no goodbye. */
  async kill() {
    await this.#end("SIGKILL");
  }

  /** As a person does it, so that everything is in one file. */
  async close() {
    await this.#end("SIGTERM");
  }

  async #end(signal) {
    const gone = new Promise((done) => this.#process.once("exit", done));
    this.#process.kill(signal);
    await gone;
  }

  async stop() {
    if (this.#stage) {
      await this.#stage.end();
    } else if (this.#process.exitCode === null && this.#process.signalCode === null) {
      await this.kill();
    }
    rmSync(this.data, { recursive: true, force: true });
  }
}

export const test = base.extend({
  /** Said by the tests that kill the application, or put another in its place. */
  ownProcess: [false, { option: true }],
  /** "compiled" is said by the tests that hold the core as a browser has it, and by those without a network. */
  core: ["native", { option: true }],
  browser: [
    async ({ browser }, use) => {
      shiftPages(browser);
      await use(browser);
    },
    { scope: "worker" },
  ],
  stage: [
    async ({}, use) => {
      const stage = new Stage();
      await use(stage);
      stage.close();
    },
    { scope: "worker" },
  ],
  app: async ({ ownProcess, stage, core }, use) => {
    const app = new Application(process.env.FILLED_DATA, ownProcess ? undefined : stage, core);
    await app.start();
    beginAnew();
    await use(app);
    await app.stop();
  },
  baseURL: async ({ app }, use) => use(app.url),
});

export { expect } from "@playwright/test";
