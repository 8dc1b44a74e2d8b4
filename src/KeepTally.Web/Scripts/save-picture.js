// A picture of the page as a file: the SVG as it is seen, with its ink written into it, or that drawn as PNG. A device that can
// share files is offered that first.
const inked = [
  "display",
  "fill",
  "fill-opacity",
  "font-family",
  "font-size",
  "font-weight",
  "opacity",
  "paint-order",
  "stroke",
  "stroke-dasharray",
  "stroke-linecap",
  "stroke-linejoin",
  "stroke-width",
  "text-anchor",
  "vector-effect",
  "visibility",
];
// Sharp on paper and on a large screen.
const pngWidth = 1600;

/** The picture that a place of buttons is for: the last before it in its figure or section. */
const pictureOf = (place) =>
  [...place.closest("figure, section").querySelectorAll(place.dataset.saves || "svg.chart, svg.scene, svg.landed")]
    .filter((svg) => svg.compareDocumentPosition(place) & Node.DOCUMENT_POSITION_FOLLOWING)
    .at(-1);

function standAlone(svg) {
  const [, , width, height] = svg.getAttribute("viewBox").split(" ").map(Number);
  const copy = svg.cloneNode(true);
  const parts = copy.querySelectorAll("*");
  [...svg.querySelectorAll("*")].forEach((part, index) => {
    const seen = getComputedStyle(part);
    for (const name of inked) {
      parts[index].style.setProperty(name, seen.getPropertyValue(name));
    }
  });
  copy.removeAttribute("class");
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  copy.setAttribute("width", pngWidth);
  copy.setAttribute("height", Math.round((pngWidth * height) / width));
  const ground = document.createElementNS("http://www.w3.org/2000/svg", "rect");
  const [x, y] = svg.getAttribute("viewBox").split(" ");
  for (const [name, value] of Object.entries({
    x,
    y,
    width,
    height,
    fill: getComputedStyle(document.body).backgroundColor,
  })) {
    ground.setAttribute(name, value);
  }
  copy.prepend(ground);
  return new XMLSerializer().serializeToString(copy);
}

async function png(text) {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`;
  await image.decode();
  const canvas = Object.assign(document.createElement("canvas"), { width: image.width, height: image.height });
  canvas.getContext("2d").drawImage(image, 0, 0);
  return new Promise((done) => canvas.toBlob(done, "image/png"));
}

/** The page, the part of it and what the picture shows, as a file is called. */
const nameOf = (place) =>
  [
    document.querySelector("h1")?.textContent,
    place.closest("section")?.querySelector("h2, h3")?.textContent,
    place.closest("figure")?.querySelector("summary")?.textContent,
  ]
    .filter(Boolean)
    .join(" ")
    .trim()
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/-$/, "");

function save(blob, name) {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 1000);
}

export function offerPictures() {
  for (const place of document.querySelectorAll("[data-saves]")) {
    const svg = pictureOf(place);
    if (!svg) {
      continue;
    }
    const file = async (kind) => {
      const text = standAlone(svg);
      return kind === "png" ? png(text) : new Blob([text], { type: "image/svg+xml" });
    };
    const button = (words, press) => {
      const made = Object.assign(document.createElement("button"), {
        type: "button",
        className: "chip",
        textContent: words,
      });
      made.addEventListener("click", press);
      place.append(made, " ");
    };
    if (navigator.canShare?.({ files: [new File([""], "picture.png", { type: "image/png" })] })) {
      button("Share picture", async () => {
        const shared = new File([await file("png")], `${nameOf(place)}.png`, { type: "image/png" });
        await navigator.share({ files: [shared] }).catch(() => {});
      });
    }
    button("Save as PNG", async () => save(await file("png"), `${nameOf(place)}.png`));
    // Where the server draws it as a file, its link stands there already.
    if (!place.querySelector("a")) {
      button("Save as SVG", async () => save(await file("svg"), `${nameOf(place)}.svg`));
    }
  }
}
