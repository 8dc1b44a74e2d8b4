/** @import * as Views from "../views" */

// The core, compiled to WebAssembly: every rule of the run screen lives there. Answers are JSON.

// A coach taps some hundred times a practice: what a tap runs is made fast at once, not after thousands of times. The dearest of
// the interpreter's passes is left out, since the page would be longer in opening for little.
const soonCompiled = [
  "--jiterpreter-minimum-trace-hit-count=100",
  "--jiterpreter-interp-entry-hit-count=20",
  "--jiterpreter-jit-call-hit-count=20",
];

/** @typedef {Awaited<ReturnType<typeof loadCore>>} Core */

export async function loadCore() {
  // The core of this page's own release, or none: an old script never meets a new core.
  const { content: release } = document.querySelector("meta[name=release]");
  const { dotnet } = await import(`/_framework/dotnet.js?release=${release}`);
  performance.mark("core:fetched");
  const { getAssemblyExports, getConfig } = await dotnet
    .withEnvironmentVariable("MONO_INTERPRETER_OPTIONS", "-tiering,-ssa")
    .withRuntimeOptions(soonCompiled)
    .create();
  performance.mark("core:running");
  const { Bridge } = (await getAssemblyExports(getConfig().mainAssemblyName)).KeepTally.Browser;
  performance.mark("core:bound");
  const read = (text) => (text ? JSON.parse(text) : null);
  /** What came of a command: why not, why so, what is worth a sound, and the events to keep and to send, each in four lines. */
  const answer = (text) => {
    const [refused, why, mark, ...lines] = text.split("\n");
    const events = [];
    for (let i = 0; i < lines.length; i += 4) {
      events.push({ sheet: lines[i], device: lines[i + 1], n: Number(lines[i + 2]), line: lines[i + 3] });
    }
    return { refused, why, mark, events };
  };
  return {
    /** @param earlier the devices that this screen was before it was loaded again. */
    open: (practice, device, earlier = []) => Bridge.Open(practice, device, earlier.join(",")),
    /** The runs in their order now, by what they are known by; none where it cannot be read. */
    reopen: (practice, device, { from, to } = { from: "", to: "" }) =>
      Bridge.Reopen(practice, device, from, to).split(",").filter(Boolean),
    /** A player joins on this device alone; why not, or an empty text. */
    writeDown: ({ id, name }) => Bridge.WriteDown(id, name),
    renamed: (line, from, to) => Bridge.Renamed(line, from, to),
    receive: (sheet, device, n, line) => Bridge.Receive(sheet, device, n, line),
    receiveAll: (sheet, lines) => Bridge.ReceiveAll(sheet, lines.join("\n")),
    retract: (sheet, line) => Bridge.Retract(sheet, line),
    describe: (sheet, line) => Bridge.Describe(sheet, line),
    /** @param lastBall when the coach asked that it be the last ball of the round before, if they did. */
    tap: (sheet, { unit, outcome, zone = undefined, tags = undefined, value, laps = [] }, now, lastBall = NaN) => {
      const more = tags && Object.keys(tags).length > 0 ? JSON.stringify(tags) : "";
      return answer(Bridge.Tap(sheet, unit, outcome, zone, more, value ?? NaN, laps.join(","), lastBall, now));
    },
    moveToLastBall: (now) => answer(Bridge.MoveToLastBall(now)),
    passTurn: (sheet, unit, now) => answer(Bridge.PassTurn(sheet, unit, now)),
    execute: (command, reason, now) => answer(Bridge.Execute(command, reason, now)),
    rotateWith: (sheet, winner, now) => answer(Bridge.RotateWith(sheet, winner, now)),
    again: (sheet, { ends, moves }, now) => answer(Bridge.Again(sheet, ends, moves, now)),
    see: (habit, player, now) => answer(Bridge.See(habit, player, now)),
    changeRoster: (change, now) => answer(Bridge.ChangeRoster(JSON.stringify(change), now)),
    /** @returns {Views.WhoView} */
    who: (now) => read(Bridge.Who(now)),
    /** @returns {Views.HabitView[]} */
    habits: () => read(Bridge.Habits()),
    /**
     * What a link carries, in words; or the fault of it.
     * @returns {Views.LinkView}
     */
    linked: (content) => read(Bridge.Linked(content)),
    /**
     * A quick look at a simulation; null where the card cannot be simulated.
     * @returns {Views.WhatIfView | null}
     */
    whatIf: ({ card, stage, share, counts, minutes, pace, runs }) =>
      read(Bridge.WhatIf(card, stage, share, counts, minutes, pace, runs)),
    /** @returns {Views.BoardView[]} */
    boards: (now) => read(Bridge.Boards(now)),
    undo: (sheet, device, n, now) => answer(Bridge.Undo(sheet, device, n, now)),
    /** @returns {Views.AmendView | null} */
    amendable: ({ sheet, device, n }) => read(Bridge.Amendable(sheet, device, n)),
    amend: ({ sheet, device, n }, { unit = "", outcome = "", zone = "", tag = "", value = "", counts = false }, now) =>
      answer(Bridge.Amend(sheet, device, n, unit, outcome, zone, tag, value, counts, now)),
    note: (text, unit, now) => answer(Bridge.Note(text, unit, now)),
    train: (practice, { start, pace, length, skill, seed }) =>
      read(Bridge.Train(practice, start, pace, length, skill, seed)),
    /** @returns {Views.TrainedView | null} */
    trained: (now) => read(Bridge.Trained(now)),
    /** @returns {Views.OwnCountsView} */
    ownCounts: (now) => read(Bridge.OwnCounts(now)),
    count: (sheet, unit, count, now) => answer(Bridge.Count(sheet, unit, count, now)),
    cue: (text, unit, now) => answer(Bridge.Cue(text, unit, now)),
    callAt: (seconds) => Bridge.CallAt(seconds),
    look: (now) => read(Bridge.Look(now)),
    glance: (now) => read(Bridge.Glance(now)),
    /** @returns {Views.ClockView | null} */
    clock: (now) => read(Bridge.Clock(now)),
    pulse: (now) => Bridge.Pulse(now),
    /** @returns {Views.SignalView[]} */
    signals: (from, to) => read(Bridge.Signals(from, to)),
  };
}
