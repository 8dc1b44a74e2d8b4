// The core, compiled to WebAssembly: every rule of the run screen lives there. Answers are JSON.
export async function loadCore() {
  const { dotnet } = await import("/_framework/dotnet.js");
  const { getAssemblyExports, getConfig } = await dotnet.create();
  const { Bridge } = (await getAssemblyExports(getConfig().mainAssemblyName)).KeepTally.Browser;
  const read = (text) => (text ? JSON.parse(text) : null);
  return {
    open: (practice, device) => Bridge.Open(practice, device),
    hear: (sheet, line) => Bridge.Hear(sheet, line),
    yield: (sheet, line) => Bridge.Yield(sheet, line),
    tap: (sheet, touch, now) => read(Bridge.Tap(sheet, JSON.stringify(touch), now)),
    passTurn: (sheet, unit, now) => read(Bridge.PassTurn(sheet, unit, now)),
    say: (word, reason, now) => read(Bridge.Say(word, reason, now)),
    moveOn: (sheet, winner, now) => read(Bridge.MoveOn(sheet, winner, now)),
    change: (change, now) => read(Bridge.Change(JSON.stringify(change), now)),
    who: (now) => read(Bridge.Who(now)),
    boards: (now) => read(Bridge.Boards(now)),
    undo: (sheet, device, n, now) => read(Bridge.Undo(sheet, device, n, now)),
    due: (now) => read(Bridge.Due(now)),
    view: (now) => read(Bridge.View(now)),
    clock: (now) => read(Bridge.Clock(now)),
    signals: (from, to) => read(Bridge.Signals(from, to)),
  };
}
