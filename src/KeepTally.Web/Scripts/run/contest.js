// Who won is told by tapping the name; who goes where then is the core's.
import { chipOf } from "./chip.js";

/**
 * @param {import("../views").ContestView[]} contest
 * @param {(sheet: string, player: string) => void} won
 */
export function showContest(contest, won) {
  document.getElementById("contest").replaceChildren(
    ...contest.map(({ sheet, player, name }) => {
      const chip = chipOf(`${name} won`);
      chip.addEventListener("click", () => won(sheet, player));
      return chip;
    }),
  );
}
