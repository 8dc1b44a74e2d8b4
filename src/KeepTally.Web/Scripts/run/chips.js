// The buttons of a drill that are no taps: commands, stops to teach, another group, the same game again.
const patience = 4000;

/** @param done is told once a command is on its way, with what waited behind "More" out of the way. */
export function listenToChips(root, { session, coach, drill, here, stop, done }) {
  const { core, time } = session;
  root.addEventListener("click", (event) => {
    const chip = event.target.closest("[data-command], [data-freeze], [data-tab], [data-again]");
    const { tab, again, freeze } = chip?.dataset ?? {};
    if (tab) {
      here.look(drill.showGroup(chip));
    } else if (again) {
      const { sheet } = chip.closest("[data-sheet]").dataset;
      coach.act(core.again(sheet, { ends: again === "ends", moves: again === "moves" }, time.now()));
    } else if (freeze) {
      stop(freeze);
    } else if (chip) {
      execute(chip);
    }
  });

  /** What ends something asks once more, on the button itself; once done, it asks anew. */
  function execute(chip) {
    const { confirm, command } = chip.dataset;
    if (confirm && !chip.classList.contains("is-asking")) {
      ask(chip, confirm);
      return;
    }
    chip.calm?.();
    coach.execute(command);
    // What has just ended one drill is not to end the next with the same key.
    chip.blur();
    done();
  }
}

function ask(chip, words) {
  const plain = chip.textContent;
  chip.classList.add("is-asking");
  chip.textContent = words;
  chip.calm = () => {
    clearTimeout(waiting);
    chip.classList.remove("is-asking");
    chip.textContent = plain;
  };
  const waiting = setTimeout(chip.calm, patience);
}
