// What was pressed before the core was there (early.js) counts at the moment it was pressed.
export async function takeEarlyPresses(root, { session, coach, pad, drill }) {
  const { core, time } = session;
  for (const { command, reading, at, ...touch } of window.early.take()) {
    const then = time.at(at);
    if (command) {
      coach.act(core.execute(command, "", then));
    } else if (reading) {
      await pad.press(drill.padOf(touch));
    } else {
      coach.act(core.tap(touch.sheet, touch, then));
    }
  }
  window.early.forget();
  root.querySelectorAll(".is-kept").forEach((button) => button.classList.remove("is-kept"));
}
