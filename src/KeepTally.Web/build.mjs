// Bundles scripts and styles into wwwroot. Everything a page needs ships with the application.
import { readFileSync, rmSync, writeFileSync } from "node:fs";
import { build } from "esbuild";
import * as sass from "sass";
import { notices } from "./notices.mjs";

const out = "wwwroot/dist";
rmSync(out, { recursive: true, force: true });

const scripts = { bundle: true, minify: true, target: "es2022", legalComments: "none", logLevel: "warning" };
await build({ ...scripts, entryPoints: ["Scripts/first.js", "Scripts/early.js"], format: "iife", outdir: out });
await build({
  ...scripts,
  entryPoints: {
    site: "Scripts/site.js",
    run: "Scripts/run/run.js",
    board: "Scripts/board/board.js",
    devices: "Scripts/devices/devices.js",
    editor: "Scripts/editor/editor.js",
    groups: "Scripts/groups/groups.js",
    links: "Scripts/links/links.js",
    phones: "Scripts/phones/phones.js",
    layout: "Scripts/layout/layout.js",
    setup: "Scripts/setup/setup.js",
    simulation: "Scripts/simulation/simulation.js",
    timing: "Scripts/timing/timing.js",
    train: "Scripts/train/train.js",
  },
  format: "esm",
  outdir: out,
  external: ["/_framework/*"],
});
await build({ ...scripts, entryPoints: ["Scripts/sw.js"], format: "iife", outfile: "wwwroot/sw.js" });

const { css } = sass.compile("Styles/site.scss", {
  loadPaths: ["node_modules"],
  quietDeps: true,
  silenceDeprecations: ["import", "global-builtin", "color-functions", "if-function"],
});
writeFileSync("obj/site.css", css);
await build({
  entryPoints: { site: "obj/site.css" },
  bundle: true,
  minify: true,
  outdir: out,
  loader: { ".woff2": "file", ".woff": "empty" },
  assetNames: "[name]",
  logLevel: "warning",
});

// Nothing moves under a thumb because a font comes late: it is preloaded, and where it is late all the same the next page has it.
const styles = `${out}/site.css`;
writeFileSync(styles, readFileSync(styles, "utf8").replaceAll("font-display:swap", "font-display:optional"));

writeFileSync(`${out}/notices.txt`, notices());
