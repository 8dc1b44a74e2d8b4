// Events that the server takes to be of the future: the time of this device was wrong when they were made. They get the moment at which
// they were made by the clock as it is measured now, under the same number, so that nothing that was pressed is lost.

import { keyOf } from "./event-key.js";

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
      right.set(keyOf(event), JSON.stringify({ ...said, at }));
    }
  }
  for (const event of events.filter((each) => right.has(keyOf(each)))) {
    core.retract(event.sheet, event.line);
    core.receive(event.sheet, event.device, event.n, right.get(keyOf(event)));
  }
  await keep.rewrite((line, event) => right.get(keyOf(event)) ?? line);
  return right.size;
}
