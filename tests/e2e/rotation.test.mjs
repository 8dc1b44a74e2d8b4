// A coach splits the squad, moves one by hand, runs a circuit through all its changes, and people come and go.
import { expect, test } from "./application.mjs";
import { openLine } from "./folds.mjs";
import { RunScreen } from "./run-screen.mjs";

const stations = ["minute-trios", "three-gates", "habit-pairs", "clean-or-not"];
const drills = ["1 Minute trios", "2 Three gates", "3 Habit pairs", "4 Clean or not"];

async function markAbsent(page, names) {
  await page.goto("/");
  for (const name of names) {
    const tile = page.getByRole("button", { name: new RegExp(`\\d+ ${name}`) });
    for (const presence of ["late", "absent"]) {
      await tile.click();
      await expect(tile).toHaveAttribute("data-presence", presence);
    }
  }
}

/** The groups of the first drill, players by full name. */
const groupsOn = (page) =>
  page
    .locator("[data-made]")
    .first()
    .locator("[data-group]")
    .evaluateAll((groups) =>
      groups.map((group) => [...group.querySelectorAll("[data-player]")].map((player) => player.textContent.trim())),
    );

test("three absent, four ways with positions spread, one moved by keyboard, and so they play", async ({
  page,
  context,
}) => {
  await markAbsent(page, ["Ada Fenwick", "Dora Quill", "Hana Pemberley"]);
  await page.getByRole("link", { name: /By hand/ }).click();
  await page.getByRole("button", { name: "positions spread" }).click();
  await expect(page.locator("#way-Spread")).toHaveAttribute("aria-pressed", "true");
  await expect(page.locator(".even").first()).toContainText("Even in number; positions spread");
  const before = await groupsOn(page);
  expect(before.map((group) => group.length)).toEqual([3, 2, 2, 2]);
  expect(before.flat()).not.toContain("Ada Fenwick");

  const mover = before[0][0];
  await page.locator("[data-made]").first().getByRole("button", { name: mover }).focus();
  await page.keyboard.press("ArrowRight");
  await expect.poll(async () => (await groupsOn(page))[1]).toContain(mover);
  await expect(page.locator(":focus")).toHaveText(mover);
  await expect(page.locator(".even").first()).toContainText("Before: Even in number");
  await page.keyboard.press("ArrowRight");
  await expect.poll(async () => (await groupsOn(page))[2]).toContain(mover);
  const moved = await groupsOn(page);

  // By thumb: pick one, then another to change with.
  const [one, other] = [moved[0][0], moved[3][0]];
  const first = page.locator("[data-made]").first();
  const exchange = async () => {
    await first.getByRole("button", { name: one }).click();
    await first.getByRole("button", { name: other }).click();
  };
  await context.setOffline(true);
  await exchange();
  await expect(page.getByRole("alert")).toContainText("Nothing changed: there is no network.");
  await expect(first.locator("[aria-pressed=true]")).toHaveCount(0);
  expect(await groupsOn(page)).toEqual(moved);
  const groups = page.locator("#groups input[name=number]").first();
  const stood = await groups.inputValue();
  await groups.fill("2");
  await groups.press("Tab");
  await expect(groups).toHaveValue(stood);
  await context.setOffline(false);
  await exchange();
  await expect.poll(async () => (await groupsOn(page))[3]).toContain(one);
  const asked = await groupsOn(page);

  const screen = await RunScreen.begin(page);
  const dealt = await screen.drill
    .locator(".below-of")
    .evaluateAll((sheets) =>
      sheets.map((sheet) => [...sheet.querySelectorAll(".people b")].map((name) => name.textContent).sort()),
    );
  expect(dealt).toEqual(asked.map((group) => group.map((name) => name.split(" ")[0]).sort()));
});

test("how many groups follows from a number, a size, or from what there is, and stays so", async ({ page }) => {
  await page.goto("/groups/1");
  const first = page.locator("[data-made]").first().locator("[data-group]");
  await expect(first).toHaveCount(4);
  await page.locator("#number-1").fill("3");
  await page.locator("#number-1").blur();
  await expect(first).toHaveCount(3);
  await page.locator("#by-1").selectOption({ label: "players in a group" });
  await expect(first).toHaveCount(4);
  await page.locator("#by-1").selectOption({ label: "as many as can be" });
  await expect(page.locator("main")).toContainText("Four groups: more would be too small.");
  await page.getByLabel("Balls", { exact: true }).fill("4");
  await page.getByLabel("Balls", { exact: true }).blur();
  await expect(page.locator("main")).toContainText("Two groups: there are no more balls.");
  await page.reload();
  await expect(first).toHaveCount(2);
});

test("a circuit of four through all its changes: every name finds its place", async ({ page }) => {
  await page.goto("/circuit/new?practice=1");
  for (const [index, id] of stations.entries()) {
    await page.locator(`#station-${index}`).selectOption(id);
  }
  await page.getByLabel("Minutes at each station", { exact: true }).fill("0.1");
  await page.getByLabel("Change-over, seconds").fill("4");
  await expect(page.locator("#circuit-grid")).toContainText("36 seconds in all");
  await page.getByRole("button", { name: "Add to the plan" }).click();
  await page.goto("/plan/1");
  for (let left = 9; left > 0; left--) {
    const line = await openLine(page.locator("li.line").first());
    await line.getByRole("button", { name: /^Remove/ }).click();
    await expect(page.locator("li.line")).toHaveCount(left);
  }
  const screen = await RunScreen.begin(page);
  await screen.go.click();

  const places = () =>
    page.locator(".circuit-people li").evaluateAll((lines) =>
      lines.map((line) => ({
        names: line.querySelector(".who").textContent.split(", "),
        here: line.querySelector(".here").textContent,
        next: line.querySelector(".to").textContent,
      })),
    );
  const been = new Map();
  let told;
  for (let round = 0; round < 4; round++) {
    await expect(screen.clock).toContainText(`Round ${round + 1} of 4`);
    await screen.expectWork();
    const now = await places();
    expect(now.map((each) => each.here)).toEqual(drills.map((_, group) => drills[(group + round) % 4]));
    for (const { names, here } of now) {
      names.forEach((name) => been.set(name, [...(been.get(name) ?? []), here]));
    }
    // Where they were told to go next is where they are now, and the pad of that station has them.
    if (told) {
      expect(now.map((each) => each.here)).toEqual(told);
    }
    told = now.map((each) => each.next);
    const thrower = now.find((each) => each.here === "2 Three gates").names[0];
    await screen.tap(thrower, "Make");
    await expect(screen.row(thrower).locator("[data-text$=detail]")).toContainText("1 of 5");
    if (round === 1) {
      // One limps off and a late one comes in: they go round with a group from here on.
      await page.locator("#who-open").click();
      const who = page.locator("#who");
      await who.getByRole("button", { name: "Ada off" }).click();
      await who.locator("#who-bench").getByRole("button", { name: "Greta Winslow" }).click();
      await expect(who.locator("#who-hint")).toHaveText("Greta is in.");
      await who.getByRole("button", { name: "Done" }).click();
      const after = await places();
      expect(after.flatMap((each) => each.names)).not.toContain("Ada");
      expect(after.map((each) => each.names.length)).toEqual([3, 3, 3, 3]);
      expect(after[0].names).toContain("Greta");
    }
    await screen.leapToEnd();
    if (round < 3) {
      await expect(screen.clock).toHaveAttribute("data-state", "change");
      await expect(page.locator("#prompt")).toContainText("next station");
      await screen.leapToEnd();
    }
  }
  expect(been.size).toBe(13);
  expect(been.get("Ada")).toEqual(drills.slice(0, 2));
  expect(been.get("Greta")).toEqual(drills.slice(2));
  for (const [name, where] of [...been].filter(([name]) => !["Ada", "Greta"].includes(name))) {
    expect([...where].sort(), name).toEqual([...drills].sort());
  }
  await expect(screen.clock).toHaveAttribute("data-state", "over");
  await screen.go.click();
  await page.getByRole("link", { name: "Read the results" }).click();
  await expect(page.locator("main")).toContainText("Three gates");
});

test.describe("the core of the browser itself, since the network goes", () => {
  test.use({ core: "compiled" });

  test("one goes off in mid-drill, a late one comes in, and undo brings the first back, without a network too", async ({
    page,
    context,
  }) => {
    await page.goto("/");
    await page.getByRole("button", { name: /\d+ Nell Harcastle/ }).click();
    await expect(page.locator("#here-head")).toContainText("11 of 14");
    const screen = await RunScreen.begin(page);
    await screen.start();
    const shooter = await screen.drill.locator(".row-name").first().textContent();
    await screen.tap(shooter, "Clean");
    await context.setOffline(true);

    const who = page.locator("#who");
    await page.locator("#who-open").click();
    await who.getByRole("button", { name: `${shooter.split(" ")[0]} off` }).click();
    await expect(screen.drill.locator(".row-name").first()).not.toHaveText(shooter);
    const late = who.locator("#who-bench").getByRole("button", { name: "Nell Harcastle" });
    await late.click();
    await expect(late).toHaveCount(0);
    await who.getByRole("button", { name: "Done" }).click();
    await expect(screen.drill.locator(".people b", { hasText: "Nell" })).toHaveCount(1);

    await context.setOffline(false);
    await expect(screen.net).toHaveText("Saved");
    await page.reload();
    await screen.ready();
    await expect(screen.drill.locator(".row-name").first()).not.toHaveText(shooter);

    // Taken back from the list of the last taps, the shooter is there again with what was scored.
    await screen.taps
      .filter({ hasText: `${shooter.split(" ")[0]} off` })
      .getByRole("button")
      .click();
    await page.locator("#who-open").click();
    await expect(who.locator("#who-groups")).toContainText(shooter);
    await who.getByRole("button", { name: "Done" }).click();

    // Who came late is in the next drill too, can be tapped there, and stands in the results.
    await screen.endDrill();
    await expect(screen.drill.locator("h1")).toHaveText("Three gates");
    await screen.start();
    await screen.tap("Nell Harcastle", "Make");
    await expect(screen.row("Nell Harcastle").locator("[data-text$=detail]")).toContainText("1 of 5");
    await expect(screen.net).toHaveText("Saved");
    await page.goto("/results/1");
    await expect(page.locator("main")).toContainText("Nell Harcastle");
  });
});

test("the board shows who is where, and everyone walks on when the coach says so", async ({ page, context }) => {
  const screen = await RunScreen.begin(page);
  await screen.start();
  const board = await context.newPage();
  await board.goto(page.url().replace("/run/", "/board/"));
  await expect(board.locator("#board")).toHaveAttribute("aria-busy", "false");
  await expect(board.locator("place-board")).toHaveCount(4);
  const first = board.locator("place-board").first();
  const standing = () => first.locator("svg").getAttribute("aria-label");
  expect(await standing()).toContain("Shooter");
  await expect(first.locator(".board-arrow")).toHaveCount(3);
  // Read from five metres: letters on the bibs of some fifty pixels and more on a laptop.
  const high = await first
    .locator(".bib-letters")
    .first()
    .evaluate((letters) => letters.getBoundingClientRect().height);
  expect(high).toBeGreaterThan(40);

  const before = await standing();
  await board.getByRole("button", { name: "Show the next move" }).click();
  await page.bringToFront();
  await page.getByRole("button", { name: "Rotate now" }).click();
  await expect.poll(standing).not.toBe(before);

  // What the coach hides is gone from the open board at once, and comes back so.
  await expect(board.locator(".board-scores").first()).toBeVisible();
  const door = await context.newPage();
  await door.goto("/door/1");
  await door.getByRole("button", { name: "Hide scores and who leads" }).click();
  await expect(board.locator(".board-scores")).toHaveCount(0);
  await door.getByRole("button", { name: "Show scores and who leads" }).click();
  await expect(board.locator(".board-scores").first()).toBeVisible();
});
