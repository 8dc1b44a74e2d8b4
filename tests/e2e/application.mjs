// The application as a user starts it: a process of its own, a port and a data folder of its own.
import { spawn } from "node:child_process";
import { cpSync, mkdtempSync, rmSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { test as base } from "@playwright/test";

export const built = resolve(import.meta.dirname, "../../artifacts/web/KeepTally.Web.dll");

export class Application {
  data = mkdtempSync(join(tmpdir(), "keep-tally-"));
  port;
  #process;
  #run;

  /** The program that is started; a test of an update puts another in its place. */
  program = built;

  /** What the program has said so far. */
  get said() {
    return this.#run.out();
  }

  /** @param filled a data folder to begin with; without one the demo fills its own. */
  constructor(filled) {
    if (filled) {
      cpSync(filled, this.data, { recursive: true });
    }
  }

  get url() {
    return `http://127.0.0.1:${this.port}`;
  }

  /** @param args in place of the demo. */
  async start(...args) {
    this.port ??= await freePort();
    const run = launch(
      [...(args.length > 0 ? args : ["--demo"]), "--data", this.data, "--port", String(this.port)],
      this.program,
    );
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
    const gone = new Promise((done) => this.#process.once("exit", done));
    this.#process.kill("SIGKILL");
    await gone;
  }

  /** As a person does it, so that everything is in one file. */
  async close() {
    const gone = new Promise((done) => this.#process.once("exit", done));
    this.#process.kill("SIGTERM");
    await gone;
  }

  async stop() {
    if (this.#process.exitCode === null && this.#process.signalCode === null) {
      await this.kill();
    }
    rmSync(this.data, { recursive: true, force: true });
  }
}

/** Starts the program; what it says, and how it ends. */
export function launch(args, program = built) {
  const process = spawn("dotnet", [program, ...args], { stdio: ["ignore", "pipe", "pipe"] });
  let out = "";
  let error = "";
  const listeners = [];
  process.stdout.on("data", (data) => {
    out += data;
    listeners.forEach((listener) => listener());
  });
  process.stderr.on("data", (data) => (error += data));
  return {
    process,
    out: () => out,
    said: (words) => new Promise((done) => listeners.push(() => out.includes(words) && done())),
    ended: new Promise((done) => process.once("close", (code) => done({ code, out, error }))),
  };
}

export function freePort() {
  return new Promise((done) => {
    const server = createServer().listen(0, "127.0.0.1", () => {
      const { port } = server.address();
      server.close(() => done(port));
    });
  });
}

export const test = base.extend({
  app: async ({}, use) => {
    // The practice in the folder is of the day it was filled on; past midnight each test begins with a demo of its own.
    const today = new Date().toDateString() === process.env.FILLED_DAY;
    const app = new Application(today ? process.env.FILLED_DATA : undefined);
    await app.start();
    await use(app);
    await app.stop();
  },
  baseURL: async ({ app }, use) => use(app.url),
});

export { expect } from "@playwright/test";
