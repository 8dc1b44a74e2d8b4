// The published schemas, held by an independent validator (JSON Schema 2020-12, Ajv) against the reader of the core.
import { spawnSync } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import Ajv from "ajv/dist/2020.js";
import { tally } from "./program.mjs";
import { expect, test } from "./application.mjs";

const root = resolve(import.meta.dirname, "../..");
const read = (file) => JSON.parse(readFileSync(file, "utf8"));
const files = (folder) => readdirSync(folder).map((name) => join(folder, name));
const shipped = files(join(root, "src/KeepTally.Store/Book/Cards")).map(read);
const cases = files(join(root, "tests/cases"));

/** The cards of a case: one, or those of a timing sheet. */
const cardsOf = (folder) =>
  readdirSync(folder).includes("cards") ? files(join(folder, "cards")) : [join(folder, "card.json")];

function validator(name) {
  const ajv = new Ajv({ strict: true, allErrors: false });
  ajv.addSchema(read(join(root, "docs/schemas/drill@1.schema.json")));
  return name === "drill"
    ? ajv.getSchema("urn:keep-tally:drill@1")
    : ajv.compile(read(join(root, `docs/schemas/${name}@1.schema.json`)));
}

/** Every place of a card where something can be put or taken: [parent, key]. */
function* places(value) {
  for (const key of Object.keys(value ?? {})) {
    yield [value, key];
    if (typeof value[key] === "object") {
      yield* places(value[key]);
    }
  }
}

// Open by design: section 6 leaves a layout open; what a card calls its own choices, values and recipients is its own.
const free = new Set(["layout", "choices", "values", "points", "options", "tags", "surface", "marks", "paths"]);

/** Cards broken in one place each: a property nobody knows, a wrong type, or a word that is not one of the choices. */
function broken() {
  const cards = [];
  shipped.forEach((card, index) => {
    const inside = [...places(card)].filter(([parent, key]) => !free.has(key) && parent !== card.layout);
    for (let i = index % 7; i < inside.length; i += 7) {
      const copy = structuredClone(card);
      delete copy.layout;
      const there = [...places(copy)].filter(([, key]) => !free.has(key));
      const [parent, key] = there[i] ?? [];
      const value = parent?.[key];
      if (
        value === undefined ||
        copy.options === parent ||
        Object.values(copy.options ?? {}).some((o) => o.choices === parent)
      ) {
        continue;
      }
      if (Array.isArray(value)) {
        parent[key] = 7;
      } else if (typeof value === "object") {
        value.nobodyKnowsThis = 1;
      } else if (typeof value === "number") {
        parent[key] = true;
      } else if (typeof value === "boolean") {
        parent[key] = "perhaps";
      } else {
        parent[key] = 12;
      }
      cards.push(copy);
    }
  });
  return cards;
}

test("every shipped card, the book and every case fit the published schemas", async () => {
  const drill = validator("drill");
  for (const card of [...shipped, ...cases.flatMap(cardsOf).map(read)]) {
    expect(drill(card), `${card.id}: ${JSON.stringify(drill.errors)}`).toBe(true);
  }
  const book = validator("book");
  expect(book({ format: "keep-tally/book@1", cards: shipped }), JSON.stringify(book.errors)).toBe(true);
  const plan = validator("plan");
  for (const folder of cases.filter((each) => readdirSync(each).includes("plan.json"))) {
    expect(plan(read(join(folder, "plan.json"))), JSON.stringify(plan.errors)).toBe(true);
  }
  expect(plan({ ...read(join(root, "tests/cases/plan-ninety-minutes/plan.json")), pace: 1 })).toBe(false);
  const log = validator("log");
  for (const folder of cases.filter((each) => readdirSync(each).includes("log.jsonl"))) {
    for (const line of readFileSync(join(folder, "log.jsonl"), "utf8").trim().split("\n")) {
      expect(log(JSON.parse(line)), `${line}: ${JSON.stringify(log.errors)}`).toBe(true);
    }
  }
});

test("what the schema refuses the core refuses, over several hundred broken cards", async () => {
  const drill = validator("drill");
  const cards = broken();
  expect(cards.length).toBeGreaterThan(300);
  const folder = mkdtempSync(join(tmpdir(), "cards-"));
  const names = cards.map((card, index) => {
    const name = join(folder, `${index}.json`);
    writeFileSync(name, JSON.stringify(card));
    return name;
  });
  const said = spawnSync("dotnet", [tally, "check", "--card", ...names], { encoding: "utf8" });
  rmSync(folder, { recursive: true });
  const refused = new Set([...said.stderr.matchAll(/(\d+)\.json: /g)].map((match) => Number(match[1])));
  const differ = cards
    .map((card, index) => (drill(card) === !refused.has(index) ? null : JSON.stringify(card)))
    .filter(Boolean);
  expect(said.status).toBe(2);
  expect(differ.slice(0, 3)).toEqual([]);
});

test("the schemas are served at an address that stays", async ({ page }) => {
  const answer = await page.request.get("/formats/drill@1.schema.json");
  expect(answer.headers()["content-type"]).toContain("application/schema+json");
  expect((await answer.json()).$id).toBe("urn:keep-tally:drill@1");
});
