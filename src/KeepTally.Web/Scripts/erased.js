// What this device has kept of a player who was erased since goes at its next contact.
import { forgetPages } from "./run/offline.js";

const key = "erased-seen";

/**
 * @param at when a player was last erased, as the server says.
 * @returns whether this device had not heard of it yet.
 */
export async function hearOfErasure(at) {
  const seen = Number(localStorage.getItem(key) ?? 0);
  if (!(at > seen)) {
    return false;
  }
  if ("caches" in window) {
    await forgetPages();
  }
  localStorage.setItem(key, String(at));
  return true;
}
