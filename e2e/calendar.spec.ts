import { expect, test } from "@playwright/test";
import { demoAddress, axeFaults, signIn } from "./addresses";

test.beforeEach(({ page }) => signIn(page));

test("a session is planned, changed, taken out and brought back, and the calendar goes out as iCalendar", async ({
  page,
}) => {
  await page.goto(`${demoAddress}/calendar`);
  await page.getByRole("button", { name: "Plan a session" }).click();
  const form = page.getByRole("dialog");
  await form.getByLabel("Length, min").fill("5");
  await form.getByLabel("Note (optional)").fill("Bring gloves; wind from the sea");
  await form.getByRole("button", { name: "Plan it" }).click();
  await expect(form.getByRole("alert")).toContainText("10 minutes to a day");
  await form.getByLabel("Length, min").fill("150");
  await form.getByRole("combobox", { name: "Site" }).click();
  await page.getByRole("option", { name: "Store yard" }).click();
  await form.getByRole("checkbox", { name: "Perrin Askew" }).uncheck();
  await form.getByRole("button", { name: "Plan it" }).click();
  const line = page
    .locator("div")
    .filter({ hasText: "Bring gloves; wind from the sea" })
    .filter({ has: page.getByRole("button", { name: "Remove" }) })
    .last();
  await expect(line).toBeVisible();
  await expect(page.getByText("3 planned", { exact: true })).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Add to calendar" }).click(),
  ]);
  const text = await (await download.createReadStream()).toArray();
  expect(Buffer.concat(text).toString()).toMatch(/BEGIN:VCALENDAR\r\n[^]*LOCATION:Store yard[^]*END:VCALENDAR\r\n$/);
  await line.getByRole("button", { name: "Remove" }).click();
  await expect(page.getByText("2 planned", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("3 planned", { exact: true })).toBeVisible();
  expect(await axeFaults(page)).toEqual([]);
});

test("a site with a low limit refuses a trick that the model flies above it, with the number", async ({ page }) => {
  await page.goto(`${demoAddress}/yard`);
  await page.getByRole("region", { name: "Store yard" }).getByRole("button", { name: "Change" }).click();
  await page.getByLabel("Clear ground all round, m").fill("90");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await page.goto(`${demoAddress}/session`);
  await page.getByRole("checkbox", { name: "Ysolde Marr flies" }).check();
  await page.getByRole("combobox", { name: "Site" }).click();
  await page.getByRole("option", { name: "Store yard" }).click();
  const plan = page.getByRole("group", { name: "Plan of Ysolde Marr" });
  await plan.getByRole("button", { name: "Add a block" }).click();
  // One new step is the limit.
  await plan.getByRole("button", { name: "Remove Flip, ease only the end" }).click();
  await plan
    .getByRole("combobox", { name: /^Step, now/ })
    .last()
    .click();
  await page.getByRole("option", { name: "Hang", exact: true }).click();
  await expect(page.getByRole("alert").filter({ hasText: "Not here today" })).toContainText(
    /Hang goes up to \d+(\.\d)?\sm with this aircraft; the limit at Store yard is 12\sm/,
  );
  await expect(page.getByRole("button", { name: "Start with Ysolde Marr" })).toBeDisabled();
  await page.getByRole("combobox", { name: "Site" }).click();
  await page.getByRole("option", { name: "Evaporation pans" }).click();
  await expect(page.getByRole("button", { name: "Start with Ysolde Marr" })).toBeEnabled();
});

test("a target date says what it takes, and goes with its pilot's pace", async ({ page }) => {
  await page.goto(`${demoAddress}/calendar`);
  const targets = page.getByRole("region", { name: "Target dates" });
  await expect(targets.getByText(/about \d+ more attempts .* over \d+ open steps/).first()).toBeVisible();
  await expect(page.getByRole("table", { name: "Weeks" })).toBeVisible();
  await targets.getByRole("button", { name: "Add target" }).click();
  const form = page.getByRole("dialog");
  await form.getByRole("combobox", { name: "Step signed off" }).click();
  await page.getByRole("option", { name: "Hang", exact: true }).click();
  await form.getByRole("button", { name: "Save target" }).click();
  await expect(targets.getByText("Hang", { exact: true })).toBeVisible();
  await targets.getByRole("button", { name: "Remove" }).last().click();
  await expect(targets.getByText("Hang", { exact: true })).toHaveCount(0);
});
