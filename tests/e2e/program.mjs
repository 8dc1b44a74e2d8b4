// The published program, and how it is started.
import { spawn } from "node:child_process";
import { createServer } from "node:net";
import { resolve } from "node:path";

export const built = resolve(import.meta.dirname, "../../artifacts/web/KeepTally.Web.dll");

/** The command line, as the tests have built it. */
export const tally = resolve(import.meta.dirname, "../../src/KeepTally.Cli/bin/Release/net10.0/tally.dll");

// What lives for a minute gains nothing from being compiled a second time.
const briefly = { ...process.env, DOTNET_TieredCompilation: "0" };

/** Starts the program; what it says, and how it ends. */
export function launch(args, { program = built, environment = {} } = {}) {
  const process = spawn("dotnet", [program, ...args], { env: { ...briefly, ...environment } });
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
    error: () => error,
    /** Until it says so, from now on. */
    said: (words) => {
      const from = out.length;
      return new Promise((done) => listeners.push(() => out.indexOf(words, from) >= 0 && done()));
    },
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
