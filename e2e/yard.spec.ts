import { readFile, writeFile } from "node:fs/promises";
import { expect, test, type Page } from "@playwright/test";
import { axeFaults, demoAddress, openPilot, signIn } from "./addresses";

test.beforeEach(({ page }) => signIn(page));

const openPlan = async (page: Page, site: string) => {
  await page.goto(`${demoAddress}/yard`);
  await page.getByRole("region", { name: site }).getByRole("link", { name: "Plan and courses" }).click();
  await expect(page.getByRole("heading", { name: site, level: 1 })).toBeVisible();
  await expect(page.locator(".ol-viewport canvas").first()).toBeVisible();
};
const onPlan = async (page: Page, name: RegExp | string) => {
  const fold = page.getByRole("button", { name: /^On the plan/ });
  if ((await fold.getAttribute("aria-expanded")) !== "true") await fold.click();
  return page.getByRole("listitem").getByRole("button", { name });
};

test("a course of the camp is set out: tapes in order, poles ticked, one measured back, the page fetched", async ({
  page,
}) => {
  await openPlan(page, "Evaporation pans");
  await (await onPlan(page, "Stop line")).click();
  await expect(page.getByRole("heading", { name: "Set out" })).toBeVisible();
  await expect(page.getByRole("checkbox", { name: /Pole \d stands/ })).toHaveCount(5);
  await page.getByRole("checkbox", { name: "Pole 1 stands" }).check();
  await page.reload();
  await expect(page.getByRole("checkbox", { name: "Pole 1 stands" })).toBeChecked();
  await page.getByRole("button", { name: /^Measured back/ }).click();
  for (const [from, to] of [
    ["A", "3"],
    ["B", "3"],
  ]) {
    for (const [label, id] of [
      ["From", from],
      ["To", to],
    ]) {
      await page.getByRole("combobox", { name: label }).click();
      await page.getByRole("option", { name: id, exact: true }).click();
    }
    const row = page.getByRole("row").filter({ has: page.getByRole("checkbox", { name: "Pole 3 stands" }) });
    const tape = Number(
      await row
        .locator("td.num")
        .nth(from === "A" ? 0 : 1)
        .textContent(),
    );
    await page.getByLabel("Measured, m").fill(String(tape + 0.5));
    await page.getByRole("button", { name: "Note it" }).click();
  }
  await expect(page.getByText(/Pole 3 stands 0\.\d+\sm out/)).toBeVisible();
  const paper = await page.getByRole("link", { name: "On paper" }).getAttribute("href");
  const answer = await page.request.get(demoAddress + paper!);
  expect([answer.status(), answer.headers()["content-type"]]).toEqual([200, "application/pdf"]);
});

test("a plan is drawn with the pointer and by keys, undone, saved, taken out as GeoJSON and read in again", async ({
  page,
}, info) => {
  await openPlan(page, "Store yard");
  const canvas = page.locator(".ol-viewport");
  const box = (await canvas.boundingBox())!;
  await test.step("drawn", async () => {
    await page.getByRole("button", { name: "Draw", exact: true }).click();
    await page.getByRole("menuitem", { name: "Tree" }).click();
    await canvas.click({ position: { x: box.width * 0.62, y: box.height * 0.62 } });
    await expect(page.getByRole("heading", { name: "Tree" })).toBeVisible();
    await page.getByLabel("Name", { exact: true }).fill("old pear");
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByRole("button", { name: "Redo" }).click();
    await expect(page.getByLabel("Name", { exact: true })).toHaveValue("old pear");
  });
  await test.step("moved by keys and by the pointer", async () => {
    await page.getByRole("button", { name: /^By numbers/ }).click();
    const east = page.getByLabel("East, m");
    const before = Number(await east.inputValue());
    await page.getByRole("heading", { name: "Tree" }).click();
    for (let i = 0; i < 4; i++) await page.keyboard.press("ArrowRight");
    await expect.poll(async () => Number(await east.inputValue()) - before).toBeCloseTo(2, 1);
    await page.getByRole("button", { name: "Draw", exact: true }).click();
    await page.getByRole("menuitem", { name: "Post", exact: true }).click();
    await canvas.click({ position: { x: box.width * 0.45, y: box.height * 0.7 } });
    await page.mouse.move(box.x + box.width * 0.45, box.y + box.height * 0.7);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * 0.4, box.y + box.height * 0.72, { steps: 6 });
    await page.mouse.up();
    await expect(page.getByText("changed, not saved", { exact: false })).toBeVisible();
  });
  await test.step("saved, and there after a reload", async () => {
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await expect(page.getByText("The plan is saved")).toBeVisible();
    await page.reload();
    await expect(await onPlan(page, /old pear/)).toBeVisible();
  });
  await test.step("out and in", async () => {
    const [download] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("button", { name: "Export file" }).click(),
    ]);
    const text = await readFile(await download.path(), "utf8");
    const file = JSON.parse(text) as { type: string; features: { properties: { name: string } }[] };
    expect(file.type).toBe("FeatureCollection");
    file.features = file.features.filter(({ properties }) => properties.name !== "old pear");
    const path = info.outputPath("yard.geojson");
    await writeFile(path, JSON.stringify(file));
    await page.getByLabel("File with a plan, GeoJSON").setInputFiles(path);
    await expect(await onPlan(page, /old pear/)).toHaveCount(0);
    await writeFile(path, text.replace(/"coordinates":\s*\[\s*[\d.]+/, '"coordinates": [120.5'));
    await page.getByLabel("File with a plan, GeoJSON").setInputFiles(path);
    await expect(page.getByRole("alert").filter({ hasText: "km from the site" })).toBeVisible();
    await page.getByRole("button", { name: "Drop changes" }).click();
    await expect(await onPlan(page, /old pear/)).toBeVisible();
  });
});

test("a trick is laid on the plan: flown there with the errors of usual hands, what it breaks in red until it is turned; a sketch lies underneath", async ({
  page,
}) => {
  await openPilot(page, "Odalie Venn");
  await openPlan(page, "Dyke");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await page.getByRole("menuitem", { name: "A trick or a line flown here" }).click();
  await page.getByRole("combobox", { name: "Trick" }).click();
  await page.getByRole("option", { name: "Split-S", exact: true }).click();
  await page.getByRole("button", { name: "Lay it" }).click();
  await expect(page.getByRole("heading", { name: "Split-S, right" })).toBeVisible();
  await expect(page.getByText(/are flown to their end/)).toBeVisible();
  const red = page.getByRole("alert").filter({ hasText: "weekend walkers; a dead aircraft is thrown" });
  await expect(red).toContainText("Split-S, right");
  await page.getByRole("button", { name: /^Picture underneath/ }).click();
  const sketch = await page.evaluate(() => {
    const canvas = document.createElement("canvas");
    canvas.width = canvas.height = 40;
    return canvas.toDataURL("image/png").split(",")[1];
  });
  const file = { name: "sketch.png", mimeType: "image/png", buffer: Buffer.from(sketch, "base64") };
  // The plan itself asks for it.
  const picture = page.waitForResponse((response) => response.url().includes("/site-pictures/"));
  await page.getByLabel("Picture to lie under the plan").setInputFiles(file);
  await expect(page.getByRole("button", { name: "Another picture" })).toBeVisible();
  const kept = await picture;
  expect([kept.status(), kept.headers()["content-type"]]).toEqual([200, "image/jpeg"]);
  expect(await axeFaults(page)).toEqual([]);
  await page.getByRole("button", { name: "Drop changes" }).click();
  await expect(await onPlan(page, /Split-S/)).toHaveCount(0);
});

test("nobody trips over the plan in any look or width", async ({ page }) => {
  for (const width of [1280, 390])
    for (const look of ["light", "dark", "sun"]) {
      await page.setViewportSize({ width, height: 844 });
      await page.context().addCookies([{ name: "bathygon-theme", value: look, url: demoAddress }]);
      await openPlan(page, "Evaporation pans");
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
      expect([look, width, await axeFaults(page)]).toEqual([look, width, []]);
    }
});
