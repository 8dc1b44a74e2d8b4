/** A small button with words on it. */
export function chipOf(words) {
  const chip = document.createElement("button");
  chip.type = "button";
  chip.className = "chip";
  chip.textContent = words;
  return chip;
}
