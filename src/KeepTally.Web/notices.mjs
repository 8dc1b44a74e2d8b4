// Lists the libraries that ship with the application, with the terms under which their authors let them be used.
import { existsSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

const rule = "\n\n" + "-".repeat(80) + "\n\n";

function ofNpm() {
  const { packages } = JSON.parse(readFileSync("package-lock.json", "utf8"));
  return Object.entries(packages)
    .filter(([path, { dev }]) => path !== "" && !dev && existsSync(path))
    .map(([path, { version, license }]) => {
      const file = readdirSync(path).find((name) => /^licen[cs]e/i.test(name));
      const name = path.replace(/^.*node_modules\//, "");
      return `${name} ${version}: ${license}\n\n${file ? readFileSync(join(path, file), "utf8").trim() : ""}`.trim();
    });
}

const one = (xml, tag) => xml.match(new RegExp(`<${tag}(?:\\s[^>]*)?>([^<]*)</${tag}>`))?.[1].trim() ?? "";

function ofNuGet() {
  const assets = "obj/project.assets.json";
  if (!existsSync(assets)) {
    return [];
  }
  const { libraries, packageFolders } = JSON.parse(readFileSync(assets, "utf8"));
  const folders = Object.keys(packageFolders);
  return Object.entries(libraries)
    .filter(([, { type }]) => type === "package")
    .map(([id, { path, files }]) => {
      const spec = files.find((file) => file.endsWith(".nuspec"));
      const folder = folders.find((each) => existsSync(join(each, path, spec)));
      const xml = folder ? readFileSync(join(folder, path, spec), "utf8") : "";
      const terms = one(xml, "license") || one(xml, "licenseUrl");
      return `${id.replace("/", " ")}: ${terms}\n${one(xml, "copyright") || `© ${one(xml, "authors")}`}`;
    });
}

/** The text of all notices. */
export const notices = () =>
  [
    "Keep Tally ships with the libraries named here. Thank you to their authors.",
    ...ofNpm(),
    ofNuGet().join("\n\n"),
  ].join(rule) + "\n";
