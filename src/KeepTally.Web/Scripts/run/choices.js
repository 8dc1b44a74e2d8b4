// What is chosen for this screen alone: the thumb, the size of pads, what is heard and felt, and keys that were learnt. It
// stays on this device.
const key = "this-screen";
const usual = {
  thumb: "right",
  size: "usual",
  sounds: { go: true, horn: true, call: true, surprise: true, rep: true, mark: true },
  loudness: 80,
  calls: "",
  speak: false,
  flash: true,
  shake: true,
  keys: {},
};

export class Choices {
  #kept = read();

  get now() {
    return this.#kept;
  }

  change(change) {
    this.#kept = { ...this.#kept, ...change };
    localStorage.setItem(key, JSON.stringify(this.#kept));
    show(this.#kept);
  }
}

function read() {
  const kept = parsed(localStorage.getItem(key));
  return { ...usual, ...kept, sounds: { ...usual.sounds, ...kept?.sounds } };
}

/** What cannot be read is as if it had never been chosen: a practice is not to fail for it. */
function parsed(text) {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** The page is laid out by these two from its first line on: nothing moves when the rest comes. */
export function show({ thumb, size } = read()) {
  document.documentElement.dataset.thumb = thumb;
  document.documentElement.dataset.size = size;
}
