import { expect, test } from "@playwright/test";
import { madeUpPack } from "../src/core/tape/testing/made-up-pack";
import { axeFaults, demoAddress, signIn } from "./addresses";

test.beforeEach(({ page }) => signIn(page));

test("a recording is opened, its tricks are found and measured, and a file that is none is said so", async ({
  page,
}) => {
  await page.goto(`${demoAddress}/squad`);
  await page.getByRole("link", { name: "Corvin Haldt", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Corvin Haldt", level: 1 })).toBeVisible();
  await page.getByRole("navigation").getByRole("link", { name: "Tape", exact: true }).click();
  await expect(page.getByRole("heading", { name: "What a recording tells" })).toBeVisible();
  expect(await axeFaults(page)).toEqual([]);

  const file = (name: string, text: string) => ({ name, mimeType: "text/csv", buffer: Buffer.from(text) });
  const input = page.getByLabel("File with a recording");
  await input.setInputFiles(file("letter.csv", "Dear all,\nthe camp begins on Monday.\n"));
  await expect(page.getByRole("main").getByRole("alert")).toHaveText(
    'letter.csv cannot be read. There is no column "time_s".',
  );

  const kinds = ["flip", "roll", "hang", "spin"] as const;
  const { text } = madeUpPack(
    kinds.map((kind, i) => ({ kind, side: i % 2 ? (1 as const) : (-1 as const), turns: 1 })),
    { hz: 500, seed: 21 },
  );
  await input.setInputFiles(file("pack 3.csv", text));
  await expect(page.getByRole("heading", { name: "pack 3", level: 1 })).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole("status", { name: "What to mend first" })).toBeVisible();
  const found = page.getByRole("list", { name: "Tricks found" }).getByRole("button");
  await expect(found).toHaveText([/^Flip, forward/, /^Roll, right/, /^Hang, left/, /^Yaw spin, right/]);
  await found.nth(2).click();
  await expect(page.getByRole("heading", { name: /^Hang, left ·/, level: 2 })).toBeVisible();
  await expect(page.getByRole("img", { name: /^Hang, left drawn round/ })).toBeVisible();
  // On through the pack by a key, and through the trick by its slider.
  await page.keyboard.press("n");
  await expect(page.getByRole("heading", { name: /^Yaw spin, right ·/, level: 2 })).toBeVisible();
  await page.getByLabel("Moment of the trick").fill("0.8");
  expect(await axeFaults(page)).toEqual([]);
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
