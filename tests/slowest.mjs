// What a check spent its time on: node tests/slowest.mjs FOLDER, where the runners left NAME.xml (xUnit) and Playwright.json.
import { existsSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

const folder = process.argv[2];
const shown = 10;
const unescape = (text) =>
  text
    .replaceAll("&quot;", '"')
    .replaceAll("&lt;", "<")
    .replaceAll("&gt;", ">")
    .replaceAll("&amp;", "&");

function fromXunit(name) {
  const text = readFileSync(join(folder, `${name}.xml`), "utf8");
  return [...text.matchAll(/<test [^>]*>/g)].map(([element]) => ({
    suite: name,
    test: unescape(element.match(/ name="([^"]*)"/)[1]),
    seconds: Number(element.match(/ time="([^"]*)"/)[1]),
  }));
}

function fromPlaywright(file) {
  const tests = [];
  const walk = (suite) => {
    suite.suites?.forEach(walk);
    suite.specs?.forEach((spec) =>
      tests.push({
        suite: "Playwright",
        test: `${spec.file}: ${spec.title}`,
        seconds: spec.tests
          .flatMap((test) => test.results)
          .reduce((sum, result) => sum + result.duration / 1000, 0),
      }),
    );
  };
  JSON.parse(readFileSync(file, "utf8")).suites.forEach(walk);
  return tests;
}

const browser = join(folder, "Playwright.json");
const all = [
  ...readdirSync(folder)
    .filter((file) => file.endsWith(".xml"))
    .flatMap((file) => fromXunit(file.slice(0, -4))),
  ...(existsSync(browser) ? fromPlaywright(browser) : []),
];
console.log(`\nThe ${shown} slowest tests`);
for (const { suite, test, seconds } of all
  .toSorted((a, b) => b.seconds - a.seconds)
  .slice(0, shown)) {
  console.log(`${seconds.toFixed(1).padStart(7)} s  ${suite}: ${test}`);
}
