import { expect, test } from "@playwright/test";
import { axeFaults, demoAddress, signIn } from "./addresses";

test("a drill is flown by keys in real time, seen two ways, and the one next thing is said; another drill is chosen on a phone", async ({
  page,
}) => {
  test.setTimeout(90_000);
  await signIn(page);
  await page.goto(`${demoAddress}/squad`);
  await page.getByRole("link", { name: "Odalie Venn", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Odalie Venn", level: 1 })).toBeVisible();
  await page.getByRole("navigation").getByRole("link", { name: "Practice" }).click();
  await page.getByRole("button", { name: "Begin" }).click({ timeout: 30_000 });
  await page.keyboard.down("w");
  const time = page.getByText(/^Time/);
  await expect(time).toContainText(/[1-9]\.\d/);
  await page.keyboard.up("w");
  await page.keyboard.down("ArrowRight");
  await page.waitForTimeout(400);
  await page.keyboard.up("ArrowRight");
  const end = page.getByRole("button", { name: "End the try" });
  if (await end.isVisible()) await end.click();
  await expect(page.getByText(/tries passed in this sitting/)).toContainText("of 1");
  await expect(page.getByRole("heading", { name: /Passed|Not yet/ })).toBeVisible();
  // Something was drawn: not one colour all over.
  const picture = page.getByRole("img", { name: "What the aircraft's camera sees" });
  const seen = await picture.screenshot();
  await page.getByRole("button", { name: "By eye" }).click();
  await expect(page.getByRole("img", { name: /seen from where a coach stands/ })).toBeVisible();
  expect(seen.length).toBeGreaterThan(2500);
  expect(await axeFaults(page)).toEqual([]);
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.getByRole("combobox", { name: "Drill" }).click();
  await page.getByRole("option", { name: "Hang", exact: true }).click();
  await expect(page.getByRole("button", { name: "Begin" })).toBeVisible({ timeout: 30_000 });
});
