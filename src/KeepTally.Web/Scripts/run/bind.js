// Puts values of the view onto the page. An attribute names the path of its value; nothing is worked out here.
const read = (view, path) => path.split(".").reduce((value, step) => value?.[step], view);

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

export function bind(root, view) {
  for (const element of root.querySelectorAll("[data-text]")) {
    setText(element, read(view, element.dataset.text));
  }
  for (const element of root.querySelectorAll("[data-count]")) {
    setAttribute(element, "count", read(view, element.dataset.count));
  }
  for (const element of root.querySelectorAll("[data-marks]")) {
    setAttribute(element, "marks", read(view, element.dataset.marks));
  }
  for (const element of root.querySelectorAll("[data-show]")) {
    element.hidden = !read(view, element.dataset.show);
  }
  for (const element of root.querySelectorAll("[data-state]")) {
    const row = read(view, element.dataset.state);
    element.dataset.unit = row?.unit ?? "";
    element.classList.toggle("is-done", Boolean(row?.done));
    element.classList.toggle("leads", Boolean(row?.leads));
    element.classList.toggle("is-empty", !row?.unit);
    element.classList.toggle("waits", Boolean(row?.waits));
    element.classList.toggle("has-ball", Boolean(row?.ball));
    for (const pad of element.querySelectorAll("button.pad")) {
      pad.disabled = !row?.unit || row.done;
      pad.hidden = Boolean(row?.withheld?.includes(pad.dataset.outcome));
      pad.classList.toggle("is-asked", Boolean(row?.asked) && pad.dataset.zoneName === row.asked);
    }
    for (const tag of element.querySelectorAll("button[data-tag]")) {
      tag.classList.toggle("is-barred", Boolean(row?.barred?.includes(`${tag.dataset.tag}=${tag.dataset.value}`)));
    }
  }
  for (const element of root.querySelectorAll("[data-moving]")) {
    const person = read(view, element.dataset.moving);
    element.classList.toggle("is-moving", Boolean(person?.moving));
    element.classList.toggle("stays", person?.here === person?.next);
    element.hidden = !person;
  }
}
