// The board the players see. It hears what the coaches say and shows it; it says nothing itself.
import { ClockDisplay } from "../run/clock-display.js";
import { showInTitle } from "../run/tab-title.js";
import { loadCore } from "../run/core.js";
import { keepAtHand } from "../run/offline.js";
import { SharedTime } from "../run/shared-time.js";
import { Stream } from "../run/stream.js";
import { View } from "../run/view.js";
import { stayAwake } from "../run/wake.js";
import { Boards } from "./boards.js";

const root = document.getElementById("board");
const by = (id) => document.getElementById(id);
const framePause = 100;
const viewPause = 1000;
const receivedPause = 16;

async function begin() {
  const time = new SharedTime({ origin: Number(root.dataset.origin), served: Number(root.dataset.now) });
  time.measureEarly();
  const core = await loadCore();
  const fault = core.open(by("practice").textContent, "board");
  if (fault) {
    by("prompt").textContent = `This practice cannot be read: ${fault}`;
    return;
  }
  await time.known();
  const boards = new Boards(root, () => core.boards(time.now()));
  const clockDisplay = new ClockDisplay();
  const drills = JSON.parse(by("practice").textContent).runs;
  const screen = new View();

  function show() {
    screen.take(core.look(time.now()));
    const view = screen.now;
    by("board-over").hidden = !view.over;
    by("board-drill").textContent = view.over ? "" : drills[view.block].name;
    document.body.classList.toggle("is-over", view.over);
    by("prompt").textContent = view.run?.prompt ?? view.result ?? "";
    boards.show();
    showInTitle(view.run?.clock);
    if (view.run) {
      clockDisplay.show(view.run.clock);
      showRound(view.run.round);
    }
  }

  function showRound(groups) {
    by("board-round").hidden = groups.length === 0;
    by("play").hidden ||= groups.length > 0;
    by("board-round").replaceChildren(
      ...groups.map((group) => {
        const line = document.createElement("li");
        line.classList.toggle("is-moving", group.moving);
        for (const [tag, words, kind] of [
          ["b", group.letter, `bib bib-${group.pattern}`],
          ["span", group.players, "who"],
          ["span", group.here, "here"],
          ["span", group.next, "to"],
        ]) {
          const part = document.createElement(tag);
          part.className = kind;
          part.textContent = words;
          line.append(part, " ");
        }
        return line;
      }),
    );
  }

  let soon;
  const stream = new Stream({
    practice: root.dataset.practice,
    after: root.dataset.after,
    receive({ sheet, device, n, line }) {
      core.receive(sheet, device, n, line);
      soon ??= setTimeout(() => {
        soon = undefined;
        show();
      }, receivedPause);
    },
    state: net,
    // The board says nothing and keeps nothing: it begins anew with the new sheet.
    scores: (are) => are !== root.dataset.scores && location.reload(),
    sheet: (version) => version > Number(root.dataset.sheetVersion) && location.reload(),
  });

  function net(online) {
    by("net").textContent = online ? "Live" : "No network";
    by("net").dataset.net = online ? "on" : "off";
  }

  show();
  root.setAttribute("aria-busy", "false");
  setInterval(() => {
    const share = core.pulse(time.now());
    if (share >= 0) {
      clockDisplay.burn(share);
    } else if (screen.now.run) {
      show();
    }
  }, framePause);
  setInterval(show, viewPause);
  stream.listen();
  stayAwake();
  await keepAtHand();
}

begin().catch((failure) => {
  console.error(failure);
  by("prompt").textContent = "The board could not start. Reload the page.";
});
