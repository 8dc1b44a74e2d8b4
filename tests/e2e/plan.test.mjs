// A practice is planned by thumb, by mouse and by keyboard alone, and changed while it runs.
import { expect, test } from "./application.mjs";
import { addDrill, openLine } from "./folds.mjs";
import { RunScreen } from "./run-screen.mjs";

const names = (page) => page.locator(".line .name").allInnerTexts();
const look = (page, text) => page.locator(".look").filter({ hasText: text });

test("a practice from nothing: drills put in, a warning raised and mended, printed", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/plan");
  await page.locator(".new-practice > summary").click();
  await page.getByLabel("Title").fill("From nothing");
  await page.getByLabel("Minutes", { exact: true }).fill("40");
  await page.getByRole("button", { name: "Create practice" }).click();
  await expect(page.getByText("The plan is empty")).toBeVisible();
  for (const card of ["three-gates", "never-twice", "minute-trios"]) {
    await addDrill(page, card.replace("-", " "), card);
  }
  await expect(look(page, "There is no drill in reserve.")).toBeVisible();
  await page
    .getByRole("button", { name: /to reserve$/ })
    .first()
    .click();
  await expect(look(page, "There is no drill in reserve.")).toHaveCount(0);

  // Longer, until players are thirsty: water is offered, and taken.
  const longer = page.getByRole("button", { name: "Minute trios: half a minute more" });
  for (let i = 0; i < 8 && (await look(page, "without water").count()) === 0; i++) {
    const [before] = await page.locator(".line").last().locator(".step .figure").allInnerTexts();
    await longer.click();
    await expect(page.locator(".line").last().locator(".step .figure").first()).not.toHaveText(before);
  }
  const dry = page.locator(".line").filter({ has: look(page, "without water") });
  if ((await dry.count()) > 0) {
    await openLine(dry.first());
  }
  await look(page, "without water")
    .getByRole("button", { name: /^Add water before/ })
    .first()
    .click();
  await expect(look(page, "without water")).toHaveCount(0);
  expect(await names(page)).toContain("Water");
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);

  await page.getByRole("link", { name: "Print" }).click();
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("rowheader")).toHaveCount(4);
  await expect(page.getByRole("button", { name: "Print" })).toBeHidden();
});

test("an offered sheet is taken and changed by the strip of time", async ({ page }) => {
  await page.goto("/plan");
  await page.getByRole("link", { name: /Finding the corners.*nothing planned yet/ }).click();
  await page.getByRole("link", { name: "Suggest a plan" }).click();
  await expect(page.locator(".offer")).toHaveCount(3);
  await page.locator("summary", { hasText: "Skills wanted" }).click();
  await page.getByLabel("shooting", { exact: true }).check();
  await page.getByRole("button", { name: "Suggest", exact: true }).click();
  await expect(page.locator(".offer .why").first()).toContainText("min of shooting");
  await page.getByRole("button", { name: "Use this plan: Step by step" }).click();
  await expect(page.locator(".line").first()).toBeVisible();
  await expect(page.locator(".look")).toHaveCount(0);

  // The end of a line is dragged, and a whole line.
  const first = page.locator("#strip .grip").first();
  const minutes = Number(await first.getAttribute("data-minutes"));
  const edge = await page.locator("#strip [data-edge]").first().boundingBox();
  const perMinute = (await page.locator("#strip").boundingBox()).width / 75;
  await page.mouse.move(edge.x + 6, edge.y + 20);
  await page.mouse.down();
  await page.mouse.move(edge.x + 6 + 2 * perMinute, edge.y + 20, { steps: 4 });
  await page.mouse.up();
  await expect(page.locator("#strip .grip").first()).toHaveAttribute("data-minutes", String(minutes + 2));
  const [one, two] = await names(page);
  const from = await page.locator("#strip .grip").first().boundingBox();
  const over = await page.locator("#strip .grip").nth(1).boundingBox();
  await page.mouse.move(from.x + 10, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 10 + over.x + over.width - from.x, from.y + 20, { steps: 6 });
  await page.mouse.up();
  await expect(page.locator(".line .name").first()).toHaveText(two);
  expect((await names(page))[1]).toBe(one);
});

test("presses that come faster than answers all count, and one without a network is told", async ({
  page,
  context,
}) => {
  await page.goto("/plan/1");
  await openLine(page.locator("#line-2"));
  const minutes = page.locator("#line-2 .step .figure").first();
  await expect(minutes).toHaveText("6.5");
  await page.evaluate(() => {
    for (let i = 0; i < 5; i++) {
      document.getElementById("longer-2").click();
    }
  });
  await expect(minutes).toHaveText("9");
  await expect(page.locator("#longer-2")).toBeEnabled();
  await context.setOffline(true);
  await page.locator("#longer-2").click();
  await expect(page.getByRole("alert")).toHaveText(
    "Nothing changed: there is no network. Try again when there is one.",
  );
  await context.setOffline(false);
  await page.locator("#longer-2").click();
  await expect(minutes).toHaveText("9.5");
  await expect(page.getByRole("alert")).toHaveCount(0);

  // A press leaves the page where the thumb is, and what was removed comes back.
  await page.setViewportSize({ width: 390, height: 844 });
  await openLine(page.locator("#line-2"));
  const remove = page.getByRole("button", { name: "Remove Three gates" });
  await remove.scrollIntoViewIfNeeded();
  const before = await page.evaluate(() => scrollY);
  await remove.click();
  await expect(page.locator(".undo-note")).toContainText("Removed Three gates.");
  expect(Math.abs((await page.evaluate(() => scrollY)) - before)).toBeLessThan(60);
  await page.locator(".undo-note").getByRole("button", { name: "Undo" }).click();
  await expect(page.locator(".line .name").nth(1)).toHaveText("Three gates");
});

test("by keyboard alone", async ({ page }) => {
  await page.goto("/plan/1");
  await page.locator("#strip .grip").nth(1).focus();
  await page.keyboard.press("+");
  await expect(page.locator("#strip .grip").nth(1)).toHaveAttribute("data-minutes", "7");
  await expect(page.locator("#strip .grip").nth(1)).toBeFocused();
  await page.keyboard.press("ArrowLeft");
  await expect(page.locator(".line .name").first()).toHaveText("Three gates");
  await expect(page.locator("#strip .grip").first()).toBeFocused();
  await page.keyboard.press("-");
  await expect(page.locator("#strip .grip").first()).toHaveAttribute("data-minutes", "6.5");
  await page.keyboard.press("Delete");
  await expect(page.locator(".line .name").first()).toHaveText("Minute trios");
});

test.describe("the core of the browser itself, since the network goes", () => {
  test.use({ core: "compiled" });

  test("while practice runs, on two devices: a drill put in, two swapped, one removed", async ({ page, context }) => {
    const screen = await RunScreen.begin(page);
    const strip = (of) => of.locator(".run-strip li");
    const other = await context.newPage();
    await other.setViewportSize({ width: 390, height: 844 });
    await other.goto("/run/1");
    await new RunScreen(other).ready();
    await screen.start();
    await screen.tap("Ada", "Clean");

    // What a device is told of and cannot fetch, or fetches as it was before, it fetches again.
    const old = await (await page.request.get("/run/1")).text();
    await other.route("**/run/1", (route) => route.fulfill({ contentType: "text/html", body: old }), { times: 1 });
    await other.route("**/run/1", (route) => route.fulfill({ status: 503 }), { times: 1 });

    // Three presses on a phone at the side: change the sheet, choose, put it in.
    const phone = await context.newPage();
    await phone.setViewportSize({ width: 390, height: 844 });
    await phone.goto("/plan/1");
    await phone.getByRole("button", { name: "Add Tag the hare" }).click();
    await expect(phone.locator(".line .name").nth(1)).toHaveText("Tag the hare");
    for (const device of [page, other]) {
      await expect(strip(device).nth(1)).toHaveText("Tag the hare");
      await expect(strip(device)).toHaveCount(10);
    }
    await openLine(phone.locator("#line-2"));
    await phone.getByRole("button", { name: "Move up: Three gates" }).click();
    for (const device of [page, other]) {
      await expect(strip(device).nth(1)).toHaveText("Three gates");
    }
    await expect(phone.locator(".line .name").nth(1)).toHaveText("Three gates");
    await phone.getByRole("button", { name: "Remove Three gates" }).click();
    for (const device of [page, other]) {
      await expect(strip(device)).toHaveCount(9);
      await expect(strip(device).nth(1)).toHaveText("Tag the hare");
    }

    // What was tapped stands, what is tapped now counts on both, and the next drill is the one that was put in.
    await screen.expectScore("Ada", 2);
    await screen.tap("Ada", "Clean");
    await new RunScreen(other).expectScore("Ada", 4);
    await screen.endDrill();
    for (const device of [page, other]) {
      await expect(new RunScreen(device).drill.getByRole("heading", { level: 1 })).toHaveText("Tag the hare");
    }
    await screen.start();
    await page.reload();
    await screen.ready();
    await expect(screen.drill.getByRole("heading", { level: 1 })).toHaveText("Tag the hare");

    // One that was away hears of it when it comes back.
    await context.setOffline(true);
    await context.setOffline(false);
    await expect(strip(other)).toHaveCount(9);
  });
});
