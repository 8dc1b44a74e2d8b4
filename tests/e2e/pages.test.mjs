import AxeBuilder from "@axe-core/playwright";
import { expect, test } from "./application.mjs";
import { RunScreen } from "./run-screen.mjs";

/** Judges pages one after the other, by day and in a dim hall; what offends is said at the end, all of it. */
class Access {
  #page;
  offences = [];

  constructor(page) {
    this.#page = page;
  }

  async judge(name) {
    await this.#look("light");
    await this.#fits(name);
    await this.#analyze(name, (axe) => axe);
    // In the dark a page is the same but for its colours.
    await this.#look("dark");
    await this.#analyze(`${name}, dark`, (axe) => axe.withRules(["color-contrast"]));
    await this.#look("light");
  }

  /** On the narrowest phone nothing has to be pushed sideways (WCAG 2.2, 1.4.10 Reflow). */
  async #fits(name) {
    const usual = this.#page.viewportSize();
    await this.#page.setViewportSize({ width: 320, height: 640 });
    const [wide, widest] = await this.#page.evaluate(async () => {
      // A chart follows its page a frame later.
      await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
      const { scrollWidth } = document.documentElement;
      const past = [...document.querySelectorAll("body *")].find(
        (part) => scrollWidth > 320 && part.getBoundingClientRect().right >= scrollWidth - 1,
      );
      return [scrollWidth, past?.outerHTML.slice(0, 120)];
    });
    if (wide > 320) {
      this.offences.push(`${name}: ${wide} pixels wide on a phone of 320: ${widest}`);
    }
    await this.#page.setViewportSize(usual);
  }

  async #look(theme) {
    await this.#page.waitForLoadState();
    return this.#page.evaluate(async (look) => {
      document.documentElement.dataset.bsTheme = look;
      // What fades, a tap's glow or a colour, is judged once it has faded, drawn or not.
      document.getAnimations().forEach((each) => each.finish());
    }, theme);
  }

  async #analyze(name, by) {
    // No page holds a frame, so nothing is lost by judging in the page itself, which is faster.
    const axe = new AxeBuilder({ page: this.#page }).options({ resultTypes: ["violations"] }).setLegacyMode(true);
    const { violations } = await by(axe).analyze();
    this.offences.push(
      ...violations.map((each) => `${name}: ${each.id}: ${each.nodes.map((node) => node.html).join(" ")}`),
    );
  }
}

for (const look of ["light", "dark"]) {
  test.describe(`by the system's choice, ${look}`, () => {
    test.use({ colorScheme: look });
    test("pages begin so", async ({ page }) => {
      await page.goto("/signin");
      expect(await page.evaluate(() => document.documentElement.dataset.bsTheme)).toBe(look);
    });
  });
}

test.describe("no page offends against the rules of access", () => {
  test.use({ colorScheme: "light" });
  let access;

  test.beforeEach(({ page }) => (access = new Access(page)));
  test.afterEach(() => expect(access.offences).toEqual([]));

  test("the squad and what became of practices", async ({ page }) => {
    for (const path of [
      "/",
      "/squad",
      "/kept",
      "/squad?edit=1",
      "/squad/import",
      "/results",
      "/nowhere",
      "/drills/minute-trios/past",
      "/drills/three-gates/simulation",
      "/players/1",
      "/squad/coverage",
      "/squad/loads",
      "/results/import",
    ]) {
      await page.goto(path);
      await access.judge(path);
    }
    await page.goto("/results");
    await page.locator(".practice-list a").nth(1).click();
    await page.waitForURL(/results\/\d+$/);
    await expect(page.locator(".drill-results")).toBeVisible();
    await access.judge("results of a past practice");
    await page.getByRole("link", { name: "Print report" }).click();
    await expect(page.locator(".report")).toBeVisible();
    await access.judge("report");
  });

  test("drills and plans", async ({ page }) => {
    for (const path of ["/drills", "/drills/minute-trios", "/drills/import", "/drills/edit/never-twice"]) {
      await page.goto(path);
      await access.judge(path);
    }
    await page.getByRole("button", { name: "Try it" }).click();
    await page.locator("#try-pad[aria-busy=false]").waitFor();
    await access.judge("try it");
    for (const path of [
      "/plan",
      "/plan/1",
      "/plan/1/offers",
      "/plan/1/print",
      "/plan/1/ahead",
      "/plan/foresight",
      "/plan/equipment",
    ]) {
      await page.goto(path);
      await access.judge(path);
    }
    for (const path of ["/groups/1", "/circuit/new"]) {
      await page.goto(path);
      await access.judge(path);
    }
    for (const [index, card] of ["three-gates", "habit-pairs", "clean-or-not", "stay-on"].entries()) {
      await page.locator(`#station-${index}`).selectOption(card);
    }
    await page.getByRole("button", { name: "Add to the plan" }).click();
    await page.getByRole("link", { name: "Circuit of 4" }).last().click();
    await page.waitForURL(/circuit\/\d+$/);
    await access.judge("circuit");
    await page.getByRole("link", { name: "Station cards to print" }).click();
    await page.waitForURL(/circuit\/\d+\//);
    await access.judge("station cards");
  });

  test("setting up", async ({ page }) => {
    for (const path of ["/drills/corner-calls/set-up", "/drills/three-lanes/set-up/card", "/paces"]) {
      await page.goto(path);
      await access.judge(path);
    }
    await page.goto("/drills/corner-calls/set-up/edit");
    await page.locator("#x-0").fill("far");
    await page.locator("#x-0").press("Tab");
    await page.getByRole("alert").waitFor();
    await access.judge("the editor of layouts");
  });

  test("people, doors and phones", async ({ page }) => {
    for (const path of [
      "/people",
      "/people/record",
      "/backup",
      "/you",
      "/phones",
      "/begin/squad",
      "/begin/practice",
      "/join",
    ]) {
      await page.goto(path);
      await access.judge(path);
    }
    await page.goto("/door/1");
    await page.getByRole("button", { name: "Make a code" }).click();
    await page.getByRole("button", { name: "Make a link" }).click();
    await access.judge("door");
    await page.goto("/you");
    await page.getByRole("button", { name: "Sign out here" }).click();
    await page.waitForURL(/signin/);
    await access.judge("sign in");
  });

  test("in practice and after", async ({ page }) => {
    const screen = await RunScreen.begin(page);
    await access.judge("run, ready");
    await screen.start();
    await screen.tap("Ada", "Clean");
    await access.judge("run, work");
    await page.locator("#who-open").click();
    await page.locator(".who-chip").first().click();
    await access.judge("who comes, who goes");
    await page.keyboard.press("Escape");
    await page.locator("#boards-open").click();
    await access.judge("who is where");
    await page.keyboard.press("Escape");
    await page.setViewportSize({ width: 390, height: 844 });
    await page.locator("#more-open").click();
    await access.judge("run, phone, more");
    await screen.endDrill();
    await screen.start();
    await access.judge("run, groups");
    await page.goto("/results/1");
    await access.judge("results");
    await page.goto("/board/1");
    await page.locator("#board[aria-busy=false]").waitFor();
    await access.judge("board");
  });
});

test("a tap on a name marks absent and the groups follow", async ({ page }) => {
  await page.goto("/");
  const ada = page.getByRole("button", { name: /\d+ Ada Fenwick/ });
  await expect(ada).toHaveAttribute("data-presence", "here");
  await ada.click();
  await expect(ada).toHaveAttribute("data-presence", "late");
  await expect(ada).toBeFocused();
  await expect(page.locator("#here-head")).toContainText("11");

  const screen = await RunScreen.begin(page);
  await expect(screen.drill.getByText("Ada Fenwick")).toHaveCount(0);
});

test("a player is added, found wanting, and corrected", async ({ page }) => {
  await page.goto("/squad");
  await page.getByLabel("Number").fill("9999");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.getByText("Write a name.")).toBeVisible();
  await expect(page.getByText("A number is from 0 to 999.")).toBeVisible();
  await page.getByLabel("Name", { exact: true }).fill("Zoe Fern");
  await page.getByLabel("Number").fill("21");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await page.getByRole("link", { name: "Edit Zoe Fern" }).click();
  await page.getByLabel("Plays").fill("pivot, left wing");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("row", { name: /Zoe Fern/ })).toContainText("pivot, left wing");
});

test("the theme is chosen and stays chosen, or follows the system", async ({ page }) => {
  const html = page.locator("html");
  await page.goto("/");
  await page.locator("#site-menu summary").click();
  await page.getByLabel("Dark").check();
  await page.goto("/squad");
  await expect(html).toHaveAttribute("data-bs-theme", "dark");
  await page.locator("#site-menu summary").click();
  await page.getByLabel("Automatic").check();
  await expect(html).toHaveAttribute("data-bs-theme", "light");
  await page.emulateMedia({ colorScheme: "dark" });
  await expect(html).toHaveAttribute("data-bs-theme", "dark");
});
