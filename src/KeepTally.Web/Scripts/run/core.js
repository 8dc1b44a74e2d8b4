// The core, compiled to WebAssembly: every rule of the run screen lives there. Answers are JSON.
export async function loadCore() {
  const { dotnet } = await import("/_framework/dotnet.js");
  const { getAssemblyExports, getConfig } = await dotnet.create();
  const { Bridge } = (await getAssemblyExports(getConfig().mainAssemblyName)).KeepTally.Browser;
  const read = (text) => (text ? JSON.parse(text) : null);
  /** What came of something said: why not, why so, and the events to keep and to send, each in four lines. */
  const heard = (text) => {
    const [refused, why, ...lines] = text.split("\n");
    const events = [];
    for (let i = 0; i < lines.length; i += 4) {
      events.push({ sheet: lines[i], device: lines[i + 1], n: Number(lines[i + 2]), line: lines[i + 3] });
    }
    return { refused, why, events };
  };
  return {
    open: (practice, device) => Bridge.Open(practice, device),
    hear: (sheet, device, n, line) => Bridge.Hear(sheet, device, n, line),
    hearAll: (sheet, lines) => Bridge.HearAll(sheet, lines.join("\n")),
    takeOut: (sheet, line) => Bridge.TakeOut(sheet, line),
    describe: (sheet, line) => Bridge.Describe(sheet, line),
    tap: (sheet, { unit, outcome, zone, tags, value }, now) => {
      const more = tags && Object.keys(tags).length > 0 ? JSON.stringify(tags) : "";
      return heard(Bridge.Tap(sheet, unit, outcome, zone, more, value ?? NaN, now));
    },
    passTurn: (sheet, unit, now) => heard(Bridge.PassTurn(sheet, unit, now)),
    say: (word, reason, now) => heard(Bridge.Say(word, reason, now)),
    moveOn: (sheet, winner, now) => heard(Bridge.MoveOn(sheet, winner, now)),
    change: (change, now) => heard(Bridge.Change(JSON.stringify(change), now)),
    who: (now) => read(Bridge.Who(now)),
    boards: (now) => read(Bridge.Boards(now)),
    undo: (sheet, device, n, now) => heard(Bridge.Undo(sheet, device, n, now)),
    look: (now) => read(Bridge.Look(now)),
    clock: (now) => read(Bridge.Clock(now)),
    pulse: (now) => Bridge.Pulse(now),
    signals: (from, to) => read(Bridge.Signals(from, to)),
  };
}
