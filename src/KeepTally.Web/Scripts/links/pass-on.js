// A button that makes a link of a card or a plan: its content is fetched, packed into the address, and offered to copy or share.
import { offerAddress } from "../addresses.js";
import { addressOf, pack } from "./packed.js";

/** Longer ones are cut by some messengers. */
const safe = 6000;

async function make(button) {
  const place = document.createElement("p");
  place.setAttribute("role", "status");
  button.parentElement.querySelector("[role=status]")?.remove();
  button.after(place);
  if (!("CompressionStream" in window)) {
    place.textContent = "This browser cannot make a link. Export the file, and send that.";
    return;
  }
  const response = await fetch(button.dataset.passOn).catch(() => null);
  if (!response?.ok) {
    place.textContent = "The link could not be made. Check the network, and press again.";
    return;
  }
  const address = addressOf(await pack(await response.text()));
  place.dataset.address = address;
  place.textContent =
    address.length > safe ? "The link is ready. It is long: some messengers cut it." : "The link is ready.";
  offerAddress(place);
}

export function offerLinks() {
  document.addEventListener("click", ({ target }) => {
    const button = target.closest?.("[data-pass-on]");
    if (button) {
      make(button);
    }
  });
}
