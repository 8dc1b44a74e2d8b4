// Each load of the page is a device of its own. What this browser was before is remembered, so that its taps stay its own.
const key = "own-devices";
const most = 30;

/** Remembers this device; those that this browser was before. */
export function earlierDevices(device) {
  const before = read();
  localStorage.setItem(key, JSON.stringify([...before, device].slice(-most)));
  return before;
}

function read() {
  try {
    const kept = JSON.parse(localStorage.getItem(key));
    return Array.isArray(kept) ? kept.filter((id) => typeof id === "string" && !id.includes(",")) : [];
  } catch {
    return [];
  }
}
