import { readFile } from "node:fs/promises";
import { expect, test, type Page } from "@playwright/test";
import { axeFaults, demoAddress, openPilot, signIn } from "./addresses";

test.beforeEach(({ page }) => signIn(page));

async function openLines(page: Page, pilot = "Corvin Haldt"): Promise<void> {
  await openPilot(page, pilot);
  // The pilot stays at hand.
  await page.goto(`${demoAddress}/lines`);
  await expect(page.getByRole("heading", { name: "Lines", level: 1 })).toBeVisible();
}
const profile = (page: Page) => page.getByRole("img", { name: /^Height over the way/ });
const items = (page: Page) => page.locator("ol [aria-pressed]:not([aria-roledescription])");
/** The model has flown what was last changed. */
const flown = async (page: Page) => {
  await expect(profile(page)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole("progressbar", { name: "Flying the line in the model" })).toHaveCount(0, {
    timeout: 60_000,
  });
};

test("a line is begun, put together, moved by keys, kept, given, printed and read in again", async ({ page }) => {
  await openLines(page);
  await page.getByRole("link", { name: "Begin a line" }).click();
  await page.getByLabel("Find a trick").fill("flip in one");
  await page.getByRole("button", { name: /^Flip in one movement, backward/ }).click();
  await flown(page);
  await page.getByLabel("Find a trick").fill("pure roll, left");
  await page.getByRole("button", { name: /^Pure roll, left/ }).click();
  await flown(page);
  await expect(items(page)).toHaveCount(2);

  await test.step("moved by the keys of its handle, and back", async () => {
    const handle = page.getByRole("button", { name: "Move Flip in one movement, backward" });
    await handle.focus();
    await page.keyboard.press("Space");
    await page.waitForTimeout(300);
    await page.keyboard.press("ArrowRight");
    await page.waitForTimeout(300);
    await page.keyboard.press("Space");
    await expect(items(page).first()).toContainText("Pure roll, left");
    await page.getByRole("button", { name: "Undo" }).click();
    await expect(items(page).first()).toContainText("Flip in one movement");
  });

  await test.step("kept, given, and there after a reload", async () => {
    await page.getByLabel("Name", { exact: true }).fill("Journey");
    await page.getByRole("button", { name: "Save line" }).click();
    await expect(page.getByText("version 1")).toBeVisible();
    await page.getByRole("checkbox", { name: "Odalie Venn" }).click();
    await expect(page.getByText(/given to Odalie Venn/)).toBeVisible();
    await page.reload();
    await flown(page);
    await expect(page.getByText(/given to Odalie Venn/)).toBeVisible();
    expect(await axeFaults(page)).toEqual([]);
  });

  await test.step("on one page, and as a file that comes in again", async () => {
    await expect(page.getByRole("button", { name: "On paper" })).toBeEnabled({ timeout: 60_000 });
    const [paper] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("button", { name: "On paper" }).click(),
    ]);
    expect((await readFile(await paper.path())).subarray(0, 5).toString()).toBe("%PDF-");
    const [file] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("button", { name: "Export file" }).click(),
    ]);
    const text = await readFile(await file.path(), "utf8");
    const broken = text.replace("roll-pure-left", "roll-nowhere");
    const read = (content: string) =>
      page
        .getByLabel("File with a line")
        .setInputFiles({ name: "line.json", mimeType: "application/json", buffer: Buffer.from(content) });
    await read(broken);
    await expect(page.getByText(/Nothing was changed\. line\.json: item 2/i)).toBeVisible();
    await read(text.replace("roll-pure-left", "hang-left"));
    await expect(items(page).nth(1)).toContainText("Hang, left");
  });
});

test("a line that breaks its site's limit says so, and the weak joint of another is practised by itself", async ({
  page,
}) => {
  await openLines(page);
  await page.getByRole("link", { name: "Yard there and back" }).click();
  await flown(page);
  await expect(page.getByText(/goes to .*, limit 12.0/).first()).toBeVisible({ timeout: 60_000 });
  await page.getByRole("link", { name: "Lines", exact: true }).click();
  await page.getByRole("link", { name: "Windmill hang" }).click();
  await flown(page);
  const breaks = page.getByRole("list", { name: "Where it breaks" }).getByRole("listitem");
  await expect(breaks.nth(2)).toContainText("9 of 12 broke");
  await page.getByRole("button", { name: "Practise 2 → 3 by itself" }).click();
  await expect(page.getByRole("heading", { name: "A new line" })).toBeVisible();
  await expect(items(page)).toHaveCount(2);
  await expect(items(page).first()).toContainText("Pure roll, left");
});

test("lines are invented out of what the pilot has, and one is taken up", async ({ page }) => {
  await openLines(page);
  await page.getByRole("link", { name: "The first two" }).click();
  await flown(page);
  await page.getByRole("button", { name: "Invent lines" }).click();
  const dialog = page.getByRole("dialog", { name: /^Invent lines for Corvin/ });
  // Made of the line that is open: no table of pairs is worked out for it.
  await dialog.getByRole("combobox", { name: "Kind" }).click();
  await page.getByRole("option", { name: "Same beginning, other end" }).click();
  await dialog.getByRole("button", { name: "Invent", exact: true }).click();
  const proposals = dialog.getByRole("listitem");
  await expect(proposals.first()).toContainText("Flip in one movement, backward →", { timeout: 120_000 });
  const words = await proposals.first().locator("p").first().innerText();
  await proposals.first().getByRole("button", { name: "Take it up" }).click();
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await flown(page);
  await expect(items(page).nth(1)).toContainText(words.split(" → ")[1]);
  await expect(page.getByText(/, changed/)).toBeVisible();
});

test("a line is read on a phone, by the pilot it was given to", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openLines(page, "Odalie Venn");
  await page.getByRole("link", { name: "The first two" }).click();
  await flown(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
