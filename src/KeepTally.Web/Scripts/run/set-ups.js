// The set-up of the drill under way and of the next one, one press away; all others are out of the way.
import { playReps } from "../setup/rep.js";

export function showSetUps(root, view) {
  for (const part of root.querySelectorAll(".set-up-of")) {
    const ahead = Number(part.dataset.of) - view.block;
    const out = view.over || part.dataset.empty === "true" || ahead < 0 || ahead > 1;
    if (out || part.dataset.ahead !== String(ahead)) {
      part.open = false;
    }
    part.hidden = out;
    part.dataset.ahead = ahead;
    const summary = part.querySelector("summary");
    summary.textContent = `${ahead === 1 ? "Next, " : ""}${summary.dataset.name}: picture, order of events, paces`;
  }
  playReps(root);
}
