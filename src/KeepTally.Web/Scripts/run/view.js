// What the screen shows, kept up to date from what the core says has changed.
const partial = (sheet) => sheet && !Array.isArray(sheet.rows);

export class View {
  /**
   * Everything shown.
   * @type {import("../views").PracticeView | undefined}
   */
  now;

  /** What was shown is of another sheet: the next look is the whole. */
  forget() {
    this.now = undefined;
  }

  /** Takes one look of the core in; the names of what has changed, or null where everything has. */
  take(look) {
    if (look.whole) {
      this.now = look.whole;
      return null;
    }
    const changed = new Set();
    this.now.canGoBack = look.canGoBack ?? this.now.canGoBack;
    for (const [name, value] of Object.entries(look.run)) {
      if (name === "sheets") {
        Object.entries(value).forEach(([index, sheet]) => this.#takeSheet(index, sheet, changed));
      } else if (name === "taps") {
        const before = this.now.run.taps;
        this.now.run.taps = value.map((tap) => (typeof tap === "number" ? before[tap] : tap));
        changed.add("run.taps");
      } else if (name === "last") {
        this.now.run.last = this.now.run.taps[value] ?? null;
        changed.add("run.last");
      } else {
        this.now.run[name] = value;
        changed.add("run").add(`run.${name}`);
      }
    }
    return changed;
  }

  #takeSheet(index, sheet, changed) {
    const sheets = this.now.run.sheets;
    if (!partial(sheet)) {
      sheets[index] = sheet;
      changed.add(`sheets.${index}.all`);
      return;
    }
    const { rows, ...rest } = sheet;
    Object.assign(sheets[index], rest);
    changed.add(`sheets.${index}`);
    if (rest.people) {
      changed.add(`sheets.${index}.people`);
    }
    for (const [row, values] of Object.entries(rows)) {
      Object.assign(sheets[index].rows[row], values);
      changed.add(`sheets.${index}.rows.${row}`);
    }
  }
}
