import { expect, test } from "@playwright/test";
import { v7 as newId } from "uuid";
import { firstSettings } from "../src/core/flight";
import { axeFaults, demoAddress, openPilot, signIn } from "./addresses";

test.beforeEach(({ page }) => signIn(page));

test("a made-up aircraft is flown live: its tricks are called, its settings compared and written on the ground, and the recording is read", async ({
  page,
  context,
}) => {
  await openPilot(page, "Odalie Venn");
  await page.getByRole("navigation").getByRole("link", { name: "Tape", exact: true }).click();
  await page.getByRole("link", { name: "Live" }).click();
  await expect(page.getByRole("heading", { name: "Where it comes from" })).toBeVisible();
  expect(await axeFaults(page)).toEqual([]);
  await page.getByRole("button", { name: "Fly it" }).click();
  await expect(page.getByText("Made-up aircraft: open")).toBeVisible();
  const called = page.getByRole("status", { name: "Trick called" });
  await expect(called).toContainText("Flip, backward", { timeout: 40_000 });
  await expect(page.getByText(/of them are safe on this device/)).toBeVisible();

  // What the line does wrong is said, and stops nothing.
  await page.getByRole("button", { name: "Send garbage" }).click();
  await page.getByRole("button", { name: "Jump the clock" }).click();
  await expect(page.getByText(/▲ The line: .*1 jump of its clock/)).toBeVisible();
  await expect(called).toContainText("Flip, forward", { timeout: 40_000 });
  // The setup it holds is the newest of hers.
  await page.getByRole("button", { name: "Read its settings" }).click();
  await expect(page.getByText(/^The same as setup 1/)).toBeVisible();
  expect(await axeFaults(page)).toEqual([]);
  // The line drops and comes back by itself; nothing that was recorded is lost.
  await context.setOffline(true);
  await context.setOffline(false);

  await page.getByRole("button", { name: "Stop and read it" }).click();
  await expect(page.getByRole("heading", { name: /^live 20/, level: 1 })).toBeVisible();
  await expect(page.getByRole("list", { name: "Tricks found" }).getByRole("button")).toHaveText([
    /^Flip, backward/,
    /^Flip, forward/,
  ]);
  // Until it is kept it stays on the device.
  await page.goto(page.url().replace("/tape", "/tape/live"));
  await expect(page.getByRole("heading", { name: "Left on this device" })).toBeVisible();
  await page.getByRole("button", { name: "Throw it away" }).click();
  await expect(page.getByRole("heading", { name: "Left on this device" })).toHaveCount(0);
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test("other settings are written only on the ground with the propellers off, the difference first", async ({
  page,
}) => {
  await openPilot(page, "Wenna Loft");
  // A newer setup than the one that the aircraft holds.
  const href = await page.getByRole("navigation").getByRole("link", { name: "Tape", exact: true }).getAttribute("href");
  const aircraftId = new URL(href!, demoAddress).searchParams.get("aircraft");
  const saved = await page.request.post(`${demoAddress}/api/save-setup`, {
    data: { id: newId(), aircraftId, basedOn: 1, reason: "Slower, for the tests", settings: firstSettings },
    headers: { origin: demoAddress },
  });
  expect([200, 409]).toContain(saved.status());
  await page.goto(`${demoAddress}${href!.replace("/tape", "/tape/live")}`);
  await page.getByRole("button", { name: "Fly it" }).click();
  await expect(page.getByText("Made-up aircraft: open")).toBeVisible();
  await page.getByRole("button", { name: "Read its settings" }).click();
  const changes = page.getByRole("list", { name: "What writing changes" });
  await expect(changes.getByRole("listitem")).not.toHaveCount(0);
  const write = page.getByRole("button", { name: /^Write setup 2 to it/ });
  await expect(write).toBeDisabled();
  await expect(page.getByText("Take the propellers off first, and tick it.")).toBeVisible();
  await page.getByLabel("The propellers are off").check();
  // It flies by now: nothing may be written.
  await expect(page.getByText(/The throttle is not closed|The aircraft turns/)).toBeVisible();
  await expect(write).toBeDisabled();
  await page.getByRole("button", { name: "Land", exact: true }).click();
  await expect(write).toBeEnabled({ timeout: 40_000 });
  await write.click();
  await expect(page.getByText(/^Written\./)).toBeVisible();
  await page.getByRole("button", { name: "Save them in the aircraft" }).click();
  await expect(page.getByText("Saved in the aircraft.")).toBeVisible();
  await page.getByRole("button", { name: "Read its settings" }).click();
  await expect(page.getByText(/^The same as setup 2\./)).toBeVisible();
});
