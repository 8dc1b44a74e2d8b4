// What is folded on a page is opened as a coach does it.
import { expect } from "./application.mjs";

/** The result of a drill, opened; a region. */
export async function openResult(page, name) {
  const region = page.getByRole("region", { name });
  await open(region.locator("details.result-fold").first());
  return region;
}

/** A line of a plan, opened. */
export async function openLine(line) {
  await open(line.locator("details.line-fold"));
  return line;
}

async function open(details) {
  if ((await details.getAttribute("open")) === null) {
    await details.locator("summary").first().click();
  }
}

/** Finds a drill by a word of its name on the page of a plan and adds it; its line is there when this ends. */
export async function addDrill(page, name, card) {
  const lines = page.locator(".line");
  const before = await lines.count();
  await page.getByLabel("Search the drill book").fill(name);
  await page.locator(`#add-${card}`).click();
  await expect(lines).toHaveCount(before + 1);
}
