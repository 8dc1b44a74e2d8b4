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
  list: "[data-list]",
};

function setText(element, value) {
  const text = value ?? "";
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

  /** @param without what inside the root is bound by others, as a selector. */
  constructor(root, { without } = {}) {
    this.#root = root;
    this.#without = without;
    this.#find();
  }

  show(view) {
    let grown = false;
    for (const { element, path } of this.#bound.list) {
      grown = grow(element, read(view, path)?.length ?? 0) || grown;
    }
    if (grown) {
      this.#find();
    }
    const { text, count, marks, show, state, moving } = this.#bound;
    text.forEach(({ element, path }) => setText(element, read(view, path)));
    count.forEach(({ element, path }) => setAttribute(element, "count", read(view, path)));
    marks.forEach(({ element, path }) => setAttribute(element, "marks", read(view, path)));
    show.forEach(({ element, path }) => (element.hidden = !read(view, path)));
    state.forEach((bound) => showRow(bound, read(view, bound.path)));
    moving.forEach(({ element, path }) => showPerson(element, read(view, path)));
  }

  #find() {
    for (const [kind, selector] of Object.entries(kinds)) {
      this.#bound[kind] = [...this.#root.querySelectorAll(selector)]
        .filter((element) => !this.#without || !element.closest(this.#without))
        .map((element) => ({
          element,
          path: element.dataset[kind].split("."),
          pads: kind === "state" ? [...element.querySelectorAll("button.pad")] : [],
          tags: kind === "state" ? [...element.querySelectorAll("button[data-tag]")] : [],
        }));
    }
  }
}

function showRow({ element, pads, tags }, row) {
  element.hidden = row === undefined;
  element.dataset.unit = row?.unit ?? "";
  element.classList.toggle("is-done", Boolean(row?.done));
  element.classList.toggle("leads", Boolean(row?.leads));
  element.classList.toggle("is-empty", !row?.unit);
  element.classList.toggle("waits", Boolean(row?.waits));
  element.classList.toggle("has-ball", Boolean(row?.ball));
  for (const pad of pads) {
    pad.disabled = !row?.unit || row.done;
    pad.hidden = Boolean(row?.withheld?.includes(pad.dataset.outcome));
    pad.classList.toggle("is-asked", Boolean(row?.asked) && pad.dataset.zoneName === row.asked);
  }
  for (const tag of tags) {
    tag.classList.toggle("is-barred", Boolean(row?.barred?.includes(`${tag.dataset.tag}=${tag.dataset.value}`)));
  }
}

function showPerson(element, person) {
  element.classList.toggle("is-moving", Boolean(person?.moving));
  element.classList.toggle("stays", person?.here === person?.next);
  element.hidden = !person;
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
