// What is looked for all practice long: one press counts it for the team, or in the list for a player.
const dialog = document.getElementById("whose");

export class Habits {
  /** @type {() => import("../views").HabitView[]} */
  #look;
  #see;

  /**
   * @param root
   * @param {object} on
   * @param {() => import("../views").HabitView[]} on.look each habit with the players.
   * @param {(habit: string, player: string) => void} on.see
   */
  constructor(root, { look, see }) {
    this.#look = look;
    this.#see = see;
    root.addEventListener("click", (event) => {
      const seen = event.target.closest("[data-see]");
      if (seen) {
        see(seen.dataset.see, "");
      } else if (event.target.closest("#habits-open")) {
        this.#show();
        dialog.showModal();
      }
    });
    dialog.addEventListener("click", (event) => {
      const chip = event.target.closest("[data-habit]");
      if (chip) {
        const { habit, player } = chip.dataset;
        this.#see(habit, player);
        this.#show();
        dialog.querySelector(`[data-habit="${CSS.escape(habit)}"][data-player="${CSS.escape(player)}"]`)?.focus();
      }
    });
  }

  #show() {
    document.getElementById("whose-habits").replaceChildren(
      ...this.#look().map(({ habit, count, players }) => {
        const section = document.createElement("section");
        const head = document.createElement("h3");
        head.textContent = `${habit} (${count} in all)`;
        const chips = document.createElement("div");
        chips.className = "chips";
        chips.append(
          ...players.map(({ id, name, count: own }) => {
            const chip = document.createElement("button");
            chip.type = "button";
            chip.className = "chip";
            Object.assign(chip.dataset, { habit, player: id });
            chip.textContent = own > 0 ? `${name} ${own}` : name;
            return chip;
          }),
        );
        section.append(head, chips);
        return section;
      }),
    );
  }
}
