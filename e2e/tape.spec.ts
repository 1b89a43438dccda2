import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import { madeUpPack } from "../src/core/tape/testing/made-up-pack";
import { axeFaults, openPilot, signIn } from "./addresses";

test.beforeEach(({ page }) => signIn(page));

test("a recording is opened, its tricks are found and measured, and a file that is none is said so", async ({
  page,
}) => {
  await openPilot(page, "Corvin Haldt");
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
  await expect(page.getByRole("heading", { name: "pack 3", level: 1 })).toBeVisible();
  await expect(page.getByRole("status", { name: "Fix this first" })).toBeVisible();
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

test("a recording is kept over a network that dies, goes on from where it was, and its measures go into the attempts", async ({
  page,
  context,
}) => {
  await openPilot(page, "Odalie Venn");
  await page.getByRole("navigation").getByRole("link", { name: "Tape", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Saved recordings" })).toBeVisible();

  const kinds = Array.from({ length: 12 }, () => "flip" as const);
  const { text } = madeUpPack(
    kinds.map((kind, i) => ({ kind, side: i % 2 ? (1 as const) : (-1 as const), turns: 1 })),
    { hz: 500, seed: Date.now() % 1000 },
  );
  const name = `upload ${Date.now()}.csv`;
  const file = { name, mimeType: "text/csv", buffer: Buffer.from(text) };
  const openIt = async () => {
    await page.getByLabel("File with a recording").setInputFiles(file);
    await expect(page.getByRole("heading", { name: name.replace(".csv", ""), level: 1 })).toBeVisible();
  };
  await openIt();
  let pieces = 0;
  await page.route("**/api/keep-piece", async (route) => {
    pieces++;
    // The network dies at the third piece.
    if (pieces === 3) await context.setOffline(true);
    await route.continue();
  });
  await page.getByRole("button", { name: "Save recording" }).click();
  await expect(page.getByText(/it goes on when the network is back/)).toBeVisible();
  // Whoever has had enough comes back later, with the same file.
  await context.setOffline(false);
  await page.reload();
  await expect(page.getByText(/2 of .* pieces arrived/)).toBeVisible();
  await openIt();
  await page.getByRole("button", { name: "Save recording" }).click();
  await expect(page.getByText("✓ Saved")).toBeVisible({ timeout: 60_000 });

  await page.getByRole("button", { name: "All recordings" }).click();
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: `Download ${name}` }).click(),
  ]);
  expect(download.suggestedFilename()).toBe(name);
  expect(readFileSync(await download.path(), "utf8")).toBe(text);
  await page.getByRole("button", { name: `Delete ${name}` }).click();
  await page.getByRole("button", { name: "Delete for good" }).click();
  await expect(page.getByText(name.replace(".csv", ""))).toHaveCount(0);

  // One of the camp: its tricks meet the taps of that day.
  await page.getByRole("button", { name: "Open brine-monday.csv" }).click();
  await expect(page.getByRole("status", { name: "Fix this first" })).toContainText("Forward first");
  await expect(page.getByText(/^Flown most like the flip/)).toBeVisible();
  await expect(page.getByText(/^4 of 4 tricks meet a tap/)).toBeVisible();
  await page.getByRole("button", { name: "Add to 4 attempts" }).click();
  await expect(page.getByText(/^4 attempts measured/)).toBeVisible();
  // Nearer by, and the rates over time.
  await page.getByRole("button", { name: "16×" }).click();
  await page.getByRole("button", { name: "Rates and sticks over time" }).click();
  await expect(page.getByRole("img", { name: "Rates of roll, pitch and yaw over time" })).toBeVisible();
  expect(await axeFaults(page)).toEqual([]);
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test("a film of this device runs beside a recording, and recordings stand side by side", async ({ page }) => {
  await openPilot(page, "Ysolde Marr");
  await page.getByRole("navigation").getByRole("link", { name: "Tape", exact: true }).click();
  await page.getByRole("button", { name: "Open rakes-6.csv" }).click();
  await expect(page.getByRole("heading", { name: "Footage" })).toBeVisible();
  // A film is made on the spot, and opened as one of the device.
  await page.evaluate(async () => {
    const canvas = document.createElement("canvas");
    canvas.getContext("2d")!.fillRect(0, 0, 9, 9);
    const recorder = new MediaRecorder(canvas.captureStream(20));
    const parts: Blob[] = [];
    recorder.ondataavailable = ({ data }) => parts.push(data);
    const ended = new Promise((done) => (recorder.onstop = done));
    recorder.start();
    await new Promise((done) => setTimeout(done, 1200));
    recorder.stop();
    await ended;
    const files = new DataTransfer();
    files.items.add(new File(parts, "pack 1.webm", { type: "video/webm" }));
    const input = document.querySelector<HTMLInputElement>("input[aria-label='File with a film']")!;
    input.files = files.files;
    input.dispatchEvent(new Event("change", { bubbles: true }));
  });
  const film = page.getByLabel("Film pack 1.webm");
  await expect(film).toBeVisible();
  await expect.poll(() => film.evaluate((video: HTMLVideoElement) => video.readyState)).toBeGreaterThan(0);
  await page.getByRole("button", { name: "It comes to rest here" }).click();
  await expect(page.getByText(/^Lined up/)).toBeVisible();

  await page.getByRole("button", { name: "All recordings" }).click();
  await page.getByRole("link", { name: "Side by side" }).click();
  await expect(page.getByRole("heading", { name: "Ysolde Marr on tape" })).toBeVisible();
  await expect(page.getByRole("status", { name: "What changed" })).toContainText("Roughness down");
  await expect(page.getByRole("link", { name: "rakes-1" })).toBeVisible();
  expect(await axeFaults(page)).toEqual([]);
});
