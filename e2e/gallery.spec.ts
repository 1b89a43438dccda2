import { expect, test } from "@playwright/test";
import { emptyAddress, axeFaults } from "./addresses";

for (const theme of ["light", "dark", "sun"]) {
  test(`the shared parts in the theme ${theme}: nothing to trip over, targets large enough, nothing wider than a phone`, async ({
    page,
    context,
  }) => {
    await context.addCookies([{ name: "bathygon-theme", value: theme, url: emptyAddress }]);
    const broken: string[] = [];
    page.on("pageerror", (error) => broken.push(error.message));
    await page.goto(`${emptyAddress}/gallery`);
    await expect(page.getByRole("button", { name: theme })).toHaveAttribute("aria-pressed", "true");
    await expect(page.getByRole("region", { name: "Path" }).getByRole("img").first()).toBeVisible();
    expect(await axeFaults(page)).toEqual([]);
    // WCAG 2.2, success criterion 2.5.8: 24 by 24 CSS pixels.
    const small = await page.getByRole("button").evaluateAll((buttons) =>
      buttons
        .map((button) => ({
          name: button.getAttribute("aria-label") ?? button.textContent,
          box: button.getBoundingClientRect(),
        }))
        .filter(({ box }) => box.width < 24 || box.height < 24)
        .map(({ name, box }) => `${name}: ${Math.round(box.width)}x${Math.round(box.height)}`),
    );
    expect(small).toEqual([]);
    await page.setViewportSize({ width: 390, height: 844 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    expect(broken).toEqual([]);
  });
}
