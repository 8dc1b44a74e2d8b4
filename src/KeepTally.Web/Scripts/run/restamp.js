// Events that the server takes to be of the future: the time of this device was wrong when they were made. They get the moment at which
// they were made by the clock as it is measured now, under the same number, so that nothing that was pressed is lost.

/** How long ago an event was made here, in milliseconds: counted evenly where this page made it. */
const ageOf = ({ page, since, made }) =>
  page === performance.timeOrigin ? performance.now() - since : Math.max(0, Date.now() - made);

/** @returns how many were put right. */
export async function restamp(events, { core, keep, time }) {
  const now = time.now();
  const right = new Map();
  for (const event of events) {
    const at = Math.round(now - ageOf(event));
    const said = JSON.parse(event.line);
    if (at >= 0 && said.at > at) {
      right.set(event.line, JSON.stringify({ ...said, at }));
    }
  }
  for (const { sheet, device, n, line } of events.filter((event) => right.has(event.line))) {
    core.retract(sheet, line);
    core.receive(sheet, device, n, right.get(line));
  }
  await keep.rewrite((line) => right.get(line) ?? line);
  return right.size;
}
