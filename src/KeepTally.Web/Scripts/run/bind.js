// Puts values of the view onto the page. An attribute names the path of its value; nothing is worked out here. What is
// bound is looked for once, and again when a list has grown: this stands on the path of every tap.
const read = (view, path) => path.reduce((value, step) => value?.[step], view);
const kinds = {
  text: "[data-text]",
  count: "[data-count]",
  marks: "[data-marks]",
  show: "[data-show]",
  state: ".row-pad[data-state]",
  moving: "[data-moving]",
  helper: "[data-helper]",
  list: "[data-list]",
};

function setText(element, value) {
  const text = String(value ?? "");
  if (element.textContent !== text) {
    element.textContent = text;
  }
}

function setAttribute(element, name, value) {
  const text = String(value ?? "");
  if (element.getAttribute(name) !== text) {
    element.setAttribute(name, text);
  }
}

export class Binding {
  #root;
  #without;
  #bound = {};

  /**
   * @param root
   * @param {{ without?: string }} options without: what inside the root is bound by others, as a selector.
   */
  constructor(root, { without } = {}) {
    this.#root = root;
    this.#without = without;
    this.#find();
  }

  /** @param changed names of what has changed since it was last shown; everything where it is left out. */
  show(view, changed = null) {
    if (changed?.size === 0) {
      return;
    }
    const is = (part) => changed === null || changed.has(part.name) || changed.has(part.all);
    let grown = false;
    for (const { element, path } of this.#bound.list.filter(is)) {
      grown = grow(element, read(view, path)?.length ?? 0) || grown;
    }
    if (grown) {
      this.#find();
    }
    for (const [kind, show] of Object.entries(shows)) {
      for (const bound of this.#bound[kind]) {
        if (grown || is(bound)) {
          show(bound, read(view, bound.path));
        }
      }
    }
  }

  #find() {
    for (const [kind, selector] of Object.entries(kinds)) {
      this.#bound[kind] = [...this.#root.querySelectorAll(selector)]
        .filter((element) => !this.#without || !element.closest(this.#without))
        .map((element) => ({
          element,
          path: element.dataset[kind].split("."),
          ...partOf(element.dataset[kind].split(".")),
          pads: kind === "state" ? [...element.querySelectorAll("button.pad")] : [],
          tags: kind === "state" ? [...element.querySelectorAll("button[data-tag]")] : [],
        }));
    }
  }
}

/** The name under which a change of a value is told: its row, its sheet's people, its sheet, or the run. */
function partOf([first, index, list, row]) {
  if (first !== "sheets") {
    return { name: "run" };
  }
  const all = `sheets.${index}.all`;
  return list === "rows" && row !== undefined
    ? { name: `sheets.${index}.rows.${row}`, all }
    : list === "people"
      ? { name: `sheets.${index}.people`, all }
      : { name: `sheets.${index}`, all };
}

const shows = {
  text: ({ element }, value) => setText(element, value),
  count: ({ element }, value) => setAttribute(element, "count", value),
  marks: ({ element }, value) => setAttribute(element, "marks", value),
  show: ({ element }, value) => (element.hidden = !value),
  state: (bound, value) => showRow(bound, value),
  moving: ({ element }, value) => showPerson(element, value),
  helper: ({ element }, value) => {
    element.dataset.unit = value?.unit ?? "";
    element.disabled = !value?.unit;
  },
};

function showRow({ element, pads, tags }, row) {
  element.hidden = row === undefined;
  const said = `${row?.unit ?? ""}\n${row?.said ?? ""}`;
  if (element.dataset.said !== said) {
    element.dataset.said = said;
    pressSaid(element);
  }
  element.dataset.unit = row?.unit ?? "";
  element.classList.toggle("is-done", Boolean(row?.done));
  element.classList.toggle("leads", Boolean(row?.leads));
  element.classList.toggle("is-empty", !row?.unit);
  element.classList.toggle("waits", Boolean(row?.waits));
  element.classList.toggle("has-ball", Boolean(row?.ball));
  for (const pad of pads) {
    pad.disabled = !row?.unit || row.done;
    pad.hidden = Boolean(row?.withheld?.split("\n").includes(pad.dataset.outcome));
    pad.classList.toggle("is-asked", Boolean(row?.asked) && pad.dataset.zoneName === row.asked);
  }
  for (const tag of tags) {
    tag.classList.toggle(
      "is-barred",
      Boolean(row?.barred?.split("\n").includes(`${tag.dataset.tag}=${tag.dataset.value}`)),
    );
  }
}

function showPerson(element, person) {
  element.classList.toggle("is-moving", Boolean(person?.moving));
  element.classList.toggle("stays", person?.here === person?.next);
  element.hidden = !person;
}

/** Presses what the next tap says until the coach says otherwise. */
export function pressSaid(row) {
  const said = (row.dataset.said ?? "").split("\n").slice(1);
  for (const tag of row.querySelectorAll("button[data-tag]")) {
    tag.setAttribute("aria-pressed", String(said.includes(`${tag.dataset.tag}=${tag.dataset.value}`)));
  }
}

/** A list has as many children as the view has entries; further ones are copies of the last. */
function grow(list, count) {
  const path = list.dataset.list;
  const before = list.children.length;
  for (let n = before; n > 0 && n < count; n++) {
    const copy = list.lastElementChild.cloneNode(true);
    const [was, now] = [`${path}.${n - 1}`, `${path}.${n}`];
    for (const element of [copy, ...copy.querySelectorAll("*")]) {
      for (const attribute of element.attributes) {
        if (attribute.value === was || attribute.value.startsWith(`${was}.`)) {
          attribute.value = now + attribute.value.slice(was.length);
        }
      }
    }
    const name = copy.querySelector("[id]");
    if (name) {
      name.id = `${name.id}-${n}`;
      copy.setAttribute("aria-labelledby", name.id);
    }
    list.append(copy);
  }
  return list.children.length > before;
}
