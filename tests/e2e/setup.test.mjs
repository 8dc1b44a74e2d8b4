import { expect, test } from "./application.mjs";
import { RunScreen } from "./run-screen.mjs";

test("a drill is paced out in one's own paces, its rep is played, and its card is printed", async ({ page }) => {
  await page.goto("/drills/three-gates");
  await page.getByRole("link", { name: /^Set-up: pace/ }).click();
  const legs = page.locator(".walk-legs li");
  await expect(legs).toHaveCount(3);
  await expect(legs.first()).toContainText("paces");

  await test.step("the stride is walked once; from then on the walk is told in it", async () => {
    await page.getByRole("link", { name: /Measure your own pace/ }).click();
    await page.getByLabel("Length").fill("20");
    await page.getByLabel("Paces it took").fill("8");
    await page.getByRole("button", { name: "Save my pace" }).click();
    await expect(page.getByRole("alert")).toContainText("Nobody's pace is that long or short.");
    await page.getByLabel("Paces it took").fill("25");
    await page.getByRole("button", { name: "Save my pace" }).click();
    await page.getByLabel("Show distances in").selectOption("paces");
    await page.getByRole("button", { name: "Use this unit" }).click();
    await page.getByRole("link", { name: "Back to the set-up" }).click();
    await expect(legs.first()).toContainText("six paces and half a foot (5 m)");
    await expect(page.getByText("In your own paces of 80 cm")).toBeVisible();
  });

  await test.step("the rep is played step by step and at speed", async () => {
    const player = page.locator('[data-piece="0"]');
    const start = await player.getAttribute("transform");
    await page.getByRole("button", { name: "Next step" }).click();
    await expect(page.locator("[data-beat].is-now")).toHaveText("Shoot from the left cone.");
    await page.getByRole("button", { name: "Next step" }).click();
    await expect(page.locator("[data-beat].is-now")).toHaveText("Five of seven: on to the middle.");
    await expect.poll(() => player.getAttribute("transform")).not.toBe(start);
    await page.getByRole("button", { name: "Previous step" }).click();
    await page.getByRole("button", { name: "Previous step" }).click();
    await expect(player).toHaveAttribute("transform", start);
    await page.getByRole("button", { name: "Play" }).click();
    await expect(page.locator("[data-beat].is-now")).toHaveText("Shoot from the right.");
    await expect(page.getByRole("button", { name: "Play" })).toBeVisible();
  });

  await test.step("its card fits one page of A5", async () => {
    await page.getByRole("link", { name: "Set-up card" }).click();
    await expect(page.locator(".scale-bar")).toHaveCount(1);
    const pages = (await page.pdf({ preferCSSPageSize: true })).toString("latin1").match(/\/Type\s*\/Page\b/g);
    expect(pages).toHaveLength(1);
  });
});

test.describe("the core of the browser itself, since the network goes", () => {
  test.use({ core: "compiled" });

  test("zones are tapped where they lie, and the next set-up is one press away", async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    for (const [index, card] of ["three-lanes", "minute-trios"].entries()) {
      await page.goto(`/drills/${card}`);
      await page.locator(".put-more > summary").click();
      const practices = page.getByLabel("Practice", { exact: true });
      const mine = (await practices.locator("option").allTextContents()).find((text) => text.startsWith("Practice,"));
      await practices.selectOption({ label: index === 0 ? "A new practice today" : mine });
      await page.getByRole("button", { name: "Add to practice" }).click();
    }
    await page.getByRole("button", { name: "Start practice" }).click();
    const screen = new RunScreen(page);
    await screen.ready();
    await screen.go.click();

    const pad = screen.drill.locator(".zone-picture:visible").first();
    const zones = {};
    for (const name of ["Left", "Middle", "Right"]) {
      const box = await pad.getByRole("button", { name }).boundingBox();
      expect(box.width).toBeGreaterThanOrEqual(56);
      expect(box.height).toBeGreaterThanOrEqual(56);
      zones[name] = box;
    }
    // The left lane lies at the far side of the layout: at the top.
    expect(zones.Left.y).toBeLessThan(zones.Middle.y);
    expect(zones.Middle.y).toBeLessThan(zones.Right.y);
    await pad.getByRole("button", { name: "Left" }).click();
    await expect(page.locator("#why")).toContainText("Left, as asked. Next: right.");
    await pad.getByRole("button", { name: "Middle" }).click();
    await expect(page.locator("#why")).toContainText("Asked right, went middle: a miss.");

    const setUps = page.locator(".set-up-of:not([hidden]) summary");
    await expect(setUps).toHaveText([/^Three lanes: picture/, /^Next, Minute trios: picture/]);
    await setUps.nth(1).click();
    await expect(page.locator(".set-up-of[open] .walk-legs li")).toHaveCount(3);
    await page.context().setOffline(true);
    await page.locator("#more-open").click();
    await screen.endDrill();
    await expect(setUps).toHaveText([/^Minute trios: picture/]);
    await expect(page.locator(".set-up-of[open]")).toHaveCount(0);
  });
});

const squares = {
  format: "keep-tally/drill@1",
  id: "four-squares",
  name: "Four squares",
  sports: ["any sport"],
  players: { min: 1, best: 1, max: 3 },
  minutes: 5,
  equipment: [{ item: "cone", count: 9, per: "group" }],
  stages: [{ name: "Asked", scores: "player", targets: { zones: ["north", "east", "south", "west"], rounds: 1 } }],
};

async function bringIn(page, card) {
  await page.goto("/drills/import");
  await page.getByLabel("Or paste the text").fill(JSON.stringify(card));
  await page.getByRole("button", { name: "Import" }).click();
  await expect(page.locator("#taken")).toContainText(card.id);
  await page.goto(`/drills/${card.id}/set-up`);
  await page.getByRole("link", { name: "Draw it" }).click();
  await page.waitForURL("**/set-up/edit**");
  await page.waitForLoadState("load");
}

/** What a coach types for each zone: from the left, from the near side, long and wide. */
const lie = {
  north: ["4", "6", "3", "3"],
  east: ["7", "3", "3", "3"],
  south: ["4", "3", "3", "3"],
  west: ["7", "6", "3", "3"],
};

async function check(page) {
  await expect(page.locator(".walk-sum")).toContainText("Carry nine cones.");
  await expect(page.locator(".walk-legs li")).toHaveCount(9);
  await expect(page.locator(".walk-legs li").first()).toContainText(
    "4 m (five paces and a foot), turn left, 3 m (four paces)",
  );
}

test("a target drill is laid out by typing distances, with undo and a fault told", async ({ page }) => {
  await bringIn(page, squares);
  const settled = () => page.waitForResponse((response) => response.request().method() === "POST");
  const type = async (field, text) => {
    const done = settled();
    await page.locator(`#${field}`).fill(text);
    await page.locator(`#${field}`).press("Tab");
    await done;
  };
  await type("floor-width", "12");
  await type("floor-length", "far");
  await expect(page.getByRole("alert")).toContainText("“far”".replaceAll(/[“”]/g, '"') + " is no distance");
  await expect(page.locator("#floor-width")).toHaveValue("12 m");
  for (const [index, [name, [x, y, length, width]]] of Object.entries(lie).entries()) {
    await page.getByRole("button", { name: `Zone “${name}”` }).click();
    await expect(page.locator(`#id-${index}`)).toHaveValue(name);
    await type(`x-${index}`, x);
    await type(`y-${index}`, y);
    await type(`length-${index}`, length);
    await type(`width-${index}`, width);
  }
  await page.getByRole("button", { name: "Cone", exact: true }).click();
  await expect(page.locator("#id-4")).toHaveValue("cone-1");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.locator("#id-4")).toHaveCount(0);
  await page.getByRole("button", { name: "Add a step" }).click();
  await type("step-0", "Throw at the square that is asked.");
  await page.getByRole("button", { name: "Save the set-up" }).click();
  await expect(page.getByRole("heading", { name: "Set-up", level: 1, exact: true })).toBeVisible();
  await check(page);
  await expect(page.locator("[data-beat]")).toHaveText("Throw at the square that is asked.");
});

test("and again by keyboard alone", async ({ page }) => {
  await bringIn(page, squares);
  const press = async (...keys) => {
    for (const key of keys) {
      const done = page.waitForResponse((response) => response.request().method() === "POST");
      await page.keyboard.press(key);
      await done;
    }
  };
  const go = async (name) => {
    await page.getByRole("button", { name, exact: true }).focus();
    await press("Enter");
  };
  await page.locator("#floor-width").focus();
  await page.keyboard.type("12");
  await press("Tab");
  for (const [name, [x, y]] of Object.entries(lie)) {
    await go(`Zone “${name}”`);
    // It is in hand at the near left corner, three metres each way; half a metre with each press.
    await expect(page.locator("#in-hand")).toBeFocused();
    await press(...Array(Number(x) * 2).fill("ArrowRight"), ...Array(Number(y) * 2).fill("ArrowUp"));
  }
  await go("Disc");
  await expect(page.locator("#in-hand")).toBeFocused();
  await press("ArrowRight", "Delete");
  await go("Add a step");
  await page.locator("#step-0").focus();
  await page.keyboard.type("Throw at the square that is asked.");
  await press("Tab");
  await page.getByRole("button", { name: "Save the set-up" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Set-up", level: 1, exact: true })).toBeVisible();
  await check(page);
});

test("a press on Save is kept where the drawing comes back while the finger is down", async ({ page }) => {
  let answer;
  const asked = new Promise((resolve) => (answer = resolve));
  await bringIn(page, squares);
  await page.route("**/set-up/edit**", async (route) => {
    if (route.request().method() === "POST") {
      await asked;
    }
    await route.continue();
  });
  await page.locator("#floor-width").fill("14");
  const sent = page.waitForRequest((request) => request.method() === "POST");
  await page.locator("#floor-width").press("Tab");
  await sent;
  const save = page.getByRole("button", { name: "Save the set-up" });
  const box = await save.boundingBox();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  const came = page.waitForResponse((response) => response.request().method() === "POST");
  answer();
  await (await came).finished();
  await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => setTimeout(drawn))));
  const saved = page.waitForRequest((request) => request.method() === "POST" && request.url().includes("Save"));
  await page.mouse.up();
  await saved;
  await expect(page.getByRole("link", { name: "Edit the drawing" })).toBeVisible();
});
