import { expect, test, type Page } from "@playwright/test";
import { axeFaults, openPilot, signIn } from "./addresses";

test.use({ serviceWorkers: "allow" });

/** A session of two, begun and flown a little, on a phone. */
async function begin(page: Page): Promise<void> {
  await signIn(page);
  await openPilot(page, "Ysolde Marr");
  await page.getByRole("link", { name: "Start session" }).click();
  await page.getByRole("checkbox", { name: "Odalie Venn flies" }).check();
  await page.getByRole("button", { name: "Start with 2 pilots" }).click();
  await expect(page.getByRole("button", { name: /^Clean/ })).toBeEnabled();
  await page.setViewportSize({ width: 390, height: 844 });
}

test("with a glove on: everything tapped is 56 high, all four outcomes and the next pilot are in sight on any screen", async ({
  page,
}) => {
  await begin(page);
  // The mark of an aircraft to be checked takes room as well.
  await page.keyboard.press("x");
  await page.getByRole("button", { name: "Later" }).click();
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await page.keyboard.press("r");
  await page.keyboard.press("1");
  await expect(page.getByRole("status", { name: "How to fix it" })).toBeVisible();
  const low = await page.getByRole("main").evaluate((main) =>
    [...main.querySelectorAll("button, a[href], [role=radio]")]
      .map((one) => ({
        name: one.getAttribute("aria-label") ?? one.textContent,
        high: one.getBoundingClientRect().height,
      }))
      // The reason behind a figure is for the desk; it opens from the whole line.
      .filter(({ name, high }) => high < 56 && !name?.endsWith("Why this number"))
      .map(({ name, high }) => `${name}: ${Math.round(high)}`),
  );
  expect(low).toEqual([]);
  for (const [width, height] of [
    [390, 844],
    [360, 640],
    [844, 390],
    [820, 1180],
  ]) {
    await page.setViewportSize({ width, height });
    await page.evaluate(() => window.scrollTo(0, 0));
    for (const outcome of ["Clean", "Rough", "Bailed", "Crashed"])
      await expect(page.getByRole("button", { name: new RegExp(`^${outcome}`) }), `${width}x${height}`).toBeInViewport({
        ratio: 1,
      });
  }
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  for (const name of [/^Undo/, /^Next:/]) await expect(page.getByRole("button", { name }).first()).toBeInViewport();
});

test("nobody trips over the tally in any look, and the look is changed there", async ({ page }) => {
  await begin(page);
  // What is not there yet is grey, and fades in.
  await expect(page.getByRole("button", { name: "Brief", exact: true })).toBeEnabled();
  await page.waitForTimeout(600);
  for (const look of ["Light", "Dark", "Full sun"]) {
    await page.getByRole("button", { name: look }).click();
    await expect(page.getByRole("button", { name: look })).toHaveAttribute("aria-pressed", "true");
    // Colours fade from one look into the other.
    await page.waitForTimeout(600);
    expect(await axeFaults(page), look).toEqual([]);
  }
});

test("turns are taken out of order, taken back, and end only when asked twice", async ({ page }) => {
  await begin(page);
  const name = page.getByRole("heading", { level: 1 });
  const first = (await name.textContent())!;
  await page.getByRole("button", { name: /^Start pack/ }).click();
  await expect(page.getByRole("button", { name: /^Pack \d, \d:\d\d left/ })).toBeVisible();
  await page.getByRole("button", { name: /whose turn it is/ }).click();
  await page
    .getByRole("dialog")
    .getByRole("button", { name: /, next|next,/ })
    .click();
  await expect(name).not.toHaveText(first);
  // The clock stopped with the turn.
  await expect(page.getByRole("button", { name: /^Start pack/ })).toBeVisible();
  await page.getByRole("button", { name: /whose turn it is/ }).click();
  await page.getByRole("button", { name: "Back to the turn before" }).click();
  await expect(name).toHaveText(first);
  await page.getByRole("button", { name: "End the session" }).click();
  await page.getByRole("button", { name: "Fly on" }).click();
  await expect(page.getByRole("button", { name: /^Clean/ })).toBeVisible();
  await page.getByRole("button", { name: "End the session" }).click();
  await page.getByRole("button", { name: "End it" }).click();
  await expect(page.getByRole("heading", { name: "Debrief" })).toBeVisible();
});

test("without a network: somebody comes late, an aircraft crashes and is cleared, somebody leaves; another device ends it", async ({
  page,
  context,
  browser,
}) => {
  await begin(page);
  await expect(page.getByText("All sent")).toBeVisible();
  await context.setOffline(true);
  await page.getByRole("button", { name: /whose turn it is/ }).click();
  await page.getByRole("list", { name: "Pilots not in this session" }).getByText("Corvin Haldt").click();
  await page.getByRole("button", { name: /^Corvin Haldt next|^Corvin Haldt 0/ }).click();
  await expect(page.getByRole("heading", { name: "Corvin Haldt", level: 1 })).toBeVisible();
  await page.getByRole("button", { name: /^Crashed/ }).click();
  const check = page.getByRole("dialog", { name: /^After the crash/ });
  await check.getByRole("button", { name: "Later" }).click();
  await expect(page.getByText(/crashed: not through goggles/)).toBeVisible();
  await page.getByRole("button", { name: "Check it" }).click();
  await check.getByRole("button", { name: "Changed" }).click();
  await check.getByLabel("Tilt now, °").fill("18.5");
  await expect(check.getByText(/It moved by/)).toBeVisible();
  await check.getByRole("switch").check();
  await check.getByRole("button", { name: "Clear it to fly" }).click();
  await expect(page.getByText(/crashed: not through goggles/)).toHaveCount(0);
  await page.getByRole("button", { name: /whose turn it is/ }).click();
  await page.getByRole("button", { name: "Ysolde Marr leaves" }).click();
  await page.keyboard.press("Escape");
  await expect(page.getByText(/4 waiting on this device/)).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText("All sent")).toBeVisible();

  // Another coach, on another device, ends it.
  const other = await (await browser.newContext()).newPage();
  await signIn(other, "Edda Rusk");
  await other.goto(page.url());
  await expect(other.getByRole("button", { name: "End the session" })).toBeEnabled();
  await other.getByRole("button", { name: "End the session" }).click();
  await other.getByRole("button", { name: "End it" }).click();
  await expect(other.getByRole("heading", { name: "Debrief" })).toBeVisible();
  const ended = page.getByRole("alertdialog", { name: "Session ended" });
  await expect(ended).toContainText("Edda Rusk ended it", { timeout: 40_000 });
  await ended.getByRole("button", { name: "Open it again and fly on" }).click();
  await expect(page.getByRole("button", { name: /^Clean/ })).toBeEnabled();
});
