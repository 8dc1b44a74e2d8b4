// An address that is to be passed on can be copied, and shared where the device can.
const button = (words, press) => {
  const made = document.createElement("button");
  made.type = "button";
  made.className = "chip";
  made.textContent = words;
  made.addEventListener("click", press);
  return made;
};

export function offerAddress(place) {
  const { address } = place.dataset;
  const said = document.createElement("span");
  said.setAttribute("role", "status");
  if (navigator.clipboard) {
    place.append(
      " ",
      button("Copy link", async () => {
        await navigator.clipboard.writeText(address).then(
          () => (said.textContent = " Copied."),
          () => (said.textContent = " This browser does not let a page copy."),
        );
      }),
    );
  }
  if (navigator.share) {
    place.append(
      " ",
      button("Share", () => navigator.share({ url: address }).catch(() => {})),
    );
  }
  place.append(said);
}

export function offerAddresses() {
  document.querySelectorAll("[data-address]").forEach(offerAddress);
}
