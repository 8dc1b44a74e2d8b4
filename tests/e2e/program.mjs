// The published program, and how it is started.
import { spawn } from "node:child_process";
import { createServer } from "node:net";
import { existsSync } from "node:fs";
import { resolve } from "node:path";

export const built = resolve(import.meta.dirname, "../../artifacts/web/KeepTally.Web.dll");

/** What runs the program by the clock of the tests (KeepTally.Stage). */
export const hook = resolve(import.meta.dirname, "../KeepTally.Stage/bin/Release/net10.0/KeepTally.Stage.dll");

/** The command line, as the tests have built it. */
export const tally = resolve(import.meta.dirname, "../../src/KeepTally.Cli/bin/Release/net10.0/tally.dll");

// What lives for a minute gains nothing from being optimized by what it does, and little from being compiled
// again: only what is called a thousand times is (0x400; the usual is 30).
const briefly = { DOTNET_TieredPGO: "0", DOTNET_TC_CallCountThreshold: "400" };

/** Starts the program by the clock of the tests; without arguments it waits for them, line by line. */
export function launchShifted(args, { program = built, hosting } = {}) {
  if (!existsSync(hook)) {
    throw new Error(`${hook} is missing: build the solution with -c Release first.`);
  }
  const environment = {
    DOTNET_STARTUP_HOOKS: hook,
    ...(args && { KEEP_TALLY_ARGUMENTS: args.join("\t") }),
    ...(hosting && { ASPNETCORE_HOSTINGSTARTUPASSEMBLIES: hosting }),
  };
  return launch([], { program, environment });
}

/** Starts the program; what it says, and how it ends. */
export function launch(args, { program = built, environment = {} } = {}) {
  const started = spawn("dotnet", [program, ...args], {
    // The environment as it is now: the clock of the tests is set in it by a module that may be read later.
    env: { ...process.env, ...briefly, ...environment },
  });
  let out = "";
  let error = "";
  const listeners = [];
  started.stdout.on("data", (data) => {
    out += data;
    listeners.forEach((listener) => listener());
  });
  started.stderr.on("data", (data) => (error += data));
  return {
    process: started,
    out: () => out,
    error: () => error,
    /** Until it says so, from now on. */
    said: (words) => {
      const from = out.length;
      return new Promise((done) => listeners.push(() => out.indexOf(words, from) >= 0 && done()));
    },
    ended: new Promise((done) => started.once("close", (code) => done({ code, out, error }))),
  };
}

const [lowest, highest] = [12_000, 32_000];

/**
 * A port that nobody listens at, below those that the system gives to connections: a server that is killed and comes back
 * would else find it taken.
 */
export async function freePort() {
  for (;;) {
    const port = lowest + Math.floor(Math.random() * (highest - lowest));
    if (await isFree(port)) {
      return port;
    }
  }
}

function isFree(port) {
  return new Promise((done) => {
    const server = createServer()
      .once("error", () => done(false))
      .listen(port, "127.0.0.1", () => server.close(() => done(true)));
  });
}
