// The last tap that can be undone on this screen.
/**
 * @param {import("./session.js").Session} session
 * @param {import("../views").RunView | null | undefined} run
 */
export function lastTap({ isForOnePlace, own }, run) {
  if (!isForOnePlace) {
    return run?.last;
  }
  const taps = run?.taps.filter(({ sheet, undone, move }) => own.includes(sheet) && !undone && !move) ?? [];
  return taps.find(({ ask }) => !ask) ?? taps[0];
}
