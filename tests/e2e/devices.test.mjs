// Devices by a key: the simulated ones, and a squad of stand-ins from the command line.
import { execFile } from "node:child_process";
import { promisify } from "node:util";
import { expect, test } from "./application.mjs";
import { addDrill } from "./folds.mjs";
import { tally } from "./program.mjs";
import { RunScreen } from "./run-screen.mjs";

/** Makes a key as a head coach does, and opens the simulated devices with it. */
async function connect(context, name) {
  const page = await context.newPage();
  await page.goto("/people");
  await page.getByLabel("Name of the device").fill(name);
  await page.getByRole("button", { name: "Make a key" }).click();
  const link = page.getByRole("link", { name: "Try it on a simulated device" });
  const key = (await link.getAttribute("href")).split("key=")[1];
  await link.click();
  await expect(page.locator("[data-state]")).toContainText(`${name} is connected`);
  return { page, key };
}

test("a clicker and a gate say what they noticed, and the coach's screen has it", async ({ page, context, app }) => {
  await test.step("a sheet with sprints on it", async () => {
    await page.goto("/plan/1");
    await addDrill(page, "sprint", "sprint-gates");
  });
  const screen = await RunScreen.begin(page);
  const { page: devices, key } = await connect(context, "Gate 1");

  await test.step("the clicker starts the clock and counts", async () => {
    await expect(devices.locator("[data-desk]")).toBeVisible();
    await devices.getByRole("button", { name: "Start", exact: true }).click();
    await screen.expectWork();
    await devices.locator("[data-press='1']").click();
    await expect(devices.locator("[data-said] li").first()).toContainText("·");
    await expect(screen.taps).toHaveCount(1);
  });

  await test.step("a squad of stand-ins plays on", async () => {
    const { stdout } = await promisify(execFile)("dotnet", [
      tally,
      ...["stand-in", "--url", app.url, "--key", key, "--pace", "0.2", "--seconds", "2", "--skill", "1"],
    ]);
    expect(stdout).toMatch(/\d+ taps, [1-9]\d* of them counted/);
    await expect.poll(() => screen.taps.count()).toBeGreaterThan(3);
  });

  await test.step("the gate reads a sprint, and the coach sees the seconds", async () => {
    while (!(await screen.drill.getByRole("heading", { level: 1 }).textContent()).includes("Sprint gates")) {
      await screen.endDrill();
      await expect(screen.clock).toHaveAttribute("data-state", "ready");
    }
    await screen.start();
    await expect(devices.locator("[data-drill]")).toContainText("Sprint gates");
    await devices.getByRole("button", { name: "First beam" }).click();
    await expect(devices.locator("[data-gate]")).not.toHaveText("0.00");
    await devices.getByRole("button", { name: "Second beam" }).click();
    const read = await devices.locator("[data-gate]").textContent();
    await expect(screen.taps.first()).toContainText(`${Number(read)}`);
  });
});
