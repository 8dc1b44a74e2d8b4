// The board the players see. It hears what the coaches say and shows it; it says nothing itself.
import { ClockFace } from "../run/clock-face.js";
import { loadCore } from "../run/core.js";
import { keepAtHand } from "../run/offline.js";
import { SharedTime } from "../run/shared-time.js";
import { stayAwake } from "../run/wake.js";
import { Boards } from "./boards.js";

const root = document.getElementById("board");
const by = (id) => document.getElementById(id);
const framePause = 100;
const viewPause = 1000;
const again = 5000;

async function begin() {
  const core = await loadCore();
  const time = new SharedTime(Number(root.dataset.origin));
  const fault = core.open(by("practice").textContent, "board");
  if (fault) {
    by("prompt").textContent = `This practice cannot be read: ${fault}`;
    return;
  }
  await Promise.race([time.keepMeasuring(), new Promise((done) => setTimeout(done, 700))]);
  const boards = new Boards(root, () => core.boards(time.now()));
  const face = new ClockFace();
  const drills = JSON.parse(by("practice").textContent).runs;
  let clock;

  function show() {
    core.due(time.now());
    const view = core.view(time.now());
    by("board-over").hidden = !view.over;
    by("board-drill").textContent = view.over ? "" : drills[view.block].name;
    document.body.classList.toggle("is-over", view.over);
    by("prompt").textContent = view.run?.prompt ?? "";
    if (view.run) {
      clock = view.run.clock;
      face.show(clock);
      showRound(view.run.round);
    }
    boards.show();
  }

  function showRound(groups) {
    by("board-round").hidden = groups.length === 0;
    by("play").hidden = groups.length > 0;
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

  let after = root.dataset.after;
  function listen() {
    const source = new EventSource(`/api/practices/${root.dataset.practice}/events?after=${after}`);
    source.onopen = () => net(true);
    source.onerror = () => {
      net(false);
      if (source.readyState === EventSource.CLOSED) {
        setTimeout(listen, again);
      }
    };
    source.onmessage = ({ data, lastEventId }) => {
      after = lastEventId;
      const { sheet, line } = JSON.parse(data);
      core.hear(sheet, line);
      show();
    };
  }

  function net(online) {
    by("net").textContent = online ? "Live" : "No network";
    by("net").dataset.net = online ? "on" : "off";
  }

  show();
  root.setAttribute("aria-busy", "false");
  setInterval(() => {
    const now = core.clock(time.now());
    if (now && (now.state !== clock?.state || now.round !== clock?.round)) {
      show();
    } else if (now) {
      face.show(now);
    }
  }, framePause);
  setInterval(show, viewPause);
  listen();
  stayAwake();
  await keepAtHand();
}

begin().catch((failure) => {
  console.error(failure);
  by("prompt").textContent = "The board could not start. Reload the page.";
});
