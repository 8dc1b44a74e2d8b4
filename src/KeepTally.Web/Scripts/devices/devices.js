// Simulated devices. They know of practice only what a real one would be told.
import { Door } from "./door.js";
import { Horn } from "./horn.js";

const root = document.querySelector("[data-devices]");
const part = (name) => root.querySelector(`[data-${name}]`);
const every = 500;
const longestList = 12;
const horn = new Horn();
let door = null;
let sheets = [];
let began = null;

function choose(select, options) {
  const before = select.value;
  const same = options.length === select.length && options.every(([value], index) => select[index].value === value);
  if (!same) {
    select.replaceChildren(...options.map(([value, name]) => new Option(name, value)));
    select.value = options.some(([value]) => value === before) ? before : (options[0]?.[0] ?? "");
  }
}

const sheet = () => sheets.find((each) => each.sheet === part("sheet").value) ?? sheets[0];

function list(into, items) {
  into.replaceChildren(
    ...items.map((words) => {
      const line = document.createElement("li");
      line.append(
        ...words.map(([tag, text]) => {
          const piece = document.createElement(tag);
          piece.textContent = text;
          return piece;
        }),
      );
      return line;
    }),
  );
}

function show(now, told) {
  part("state").textContent =
    now.practice === null
      ? `${now.device} is connected. No practice is under way.`
      : `${now.device} is connected to ${now.title}.`;
  part("desk").hidden = now.practice === null;
  part("drill").textContent = now.drill || "All drills are over.";
  part("word").textContent = now.clock?.word ?? "";
  part("left").textContent = now.clock?.left ?? "";
  part("round").textContent = now.clock?.round ?? "";
  sheets = now.sheets;
  list(
    part("scores"),
    sheets.flatMap((each) =>
      each.units.map((unit) => [
        ["span", each.name ? `${each.name} ${unit.name}` : unit.name],
        ["b", unit.score],
      ]),
    ),
  );
  choose(
    part("sheet"),
    sheets.map((each, index) => [each.sheet, each.name || `Sheet ${index + 1}`]),
  );
  const { units = [], named } = sheet() ?? {};
  choose(part("unit"), [...(named ? [] : [["", "Any player"]]), ...units.map((unit) => [unit.id, unit.name])]);
  showPresses();
  const next = now.signals.find((each) => each.kind !== "call");
  part("signal").textContent = next ? `The next one is in ${Math.ceil(next.in / 1000)} s.` : "No signal for now.";
  horn.hear(now.signals, told);
}

function showPresses() {
  const outcomes = sheet()?.outcomes ?? [];
  const into = part("presses");
  const names = outcomes.map((each) => each.label).join("\n");
  if (into.dataset.names !== names) {
    into.dataset.names = names;
    into.replaceChildren(
      ...outcomes.map((outcome) => {
        const button = document.createElement("button");
        button.type = "button";
        button.className = "btn btn-outline-primary";
        button.dataset.press = outcome.press;
        button.textContent = `${outcome.press} ${outcome.label}`;
        return button;
      }),
    );
  }
}

async function say(what) {
  const heard = await door.say(
    what.clock ? what : { ...what, sheet: sheet()?.sheet, unit: part("unit").value || undefined },
  );
  const words = heard.fault ?? (heard.counts || !heard.sheet ? heard.said : `${heard.said}: does not count`);
  const line = document.createElement("li");
  line.textContent = words || "Nothing to change.";
  part("said").prepend(line);
  while (part("said").children.length > longestList) {
    part("said").lastElementChild.remove();
  }
}

/** What is said in a practice is heard as it is said; where the line breaks, asking goes on and the line is taken up again. */
async function listen(mine, practice, heard) {
  const ends = new AbortController();
  const line = { practice, end: () => ends.abort() };
  mine.line = line;
  try {
    await mine.listen(practice, heard, ends.signal);
  } catch {
    // The line broke, or another practice is listened to.
  }
  if (mine.line === line) {
    mine.line = null;
  }
}

async function follow(mine) {
  let askAgain = (_) => {};
  while (door === mine) {
    const asked = Date.now();
    try {
      const now = await mine.now();
      if (door !== mine) {
        return;
      }
      if (now.fault) {
        part("state").textContent = now.fault;
        part("desk").hidden = true;
        door = null;
        return;
      }
      const told = (asked + Date.now()) / 2;
      mine.ahead = Math.round(now.at - told);
      show(now, told);
      if (now.practice !== null && mine.line?.practice !== now.practice) {
        mine.line?.end();
        listen(mine, now.practice, () => askAgain(undefined));
      }
    } catch {
      part("state").textContent = "No answer. Trying again.";
    }
    await new Promise((done) => {
      askAgain = done;
      setTimeout(done, every);
    });
  }
  mine.line?.end();
}

function connect(key) {
  door = key ? new Door(key) : null;
  if (door) {
    part("state").textContent = "Connecting";
    follow(door);
  }
}

part("key-form").addEventListener("submit", (event) => {
  event.preventDefault();
  connect(document.getElementById("device-key").value.trim());
});
root.addEventListener("click", ({ target }) => {
  const { press, result, clock, beam } = target.dataset;
  if (press) {
    say({ press: Number(press) });
  } else if (result) {
    say({ result });
  } else if (clock) {
    say({ clock });
  } else if (beam === "first") {
    began = performance.now();
  } else if (beam === "second" && began !== null) {
    const value = Math.round((performance.now() - began) / 10) / 100;
    began = null;
    part("gate").textContent = value.toFixed(2);
    say({ value });
  } else if (target === part("horn")) {
    target.setAttribute("aria-pressed", String(horn.toggle()));
  }
});
part("sheet").addEventListener("change", showPresses);
part("speed-form").addEventListener("submit", (event) => {
  event.preventDefault();
  const value = Number(part("speed").value.replace(",", "."));
  if (part("speed").value.trim() && Number.isFinite(value)) {
    say({ value });
    part("speed").value = "";
  } else {
    part("speed").focus();
  }
});
setInterval(() => {
  if (began !== null) {
    part("gate").textContent = ((performance.now() - began) / 1000).toFixed(2);
  }
}, 50);

// A key that was just made comes with the link, behind the mark that no server is sent.
const given = new URLSearchParams(location.hash.slice(1)).get("key");
if (given) {
  history.replaceState(null, "", location.pathname);
  document.getElementById("device-key").value = given;
  connect(given);
}
