import { expect, test, type Page } from "@playwright/test";
import { axeFaults, demoAddress, openPilot, signIn } from "./addresses";

const chart = (page: Page) => page.getByRole("group", { name: /^Depth chart/ });

test.describe("depth chart", () => {
  test("every name stands clear of every other at 1280, and arrows, Enter and the list reach every step", async ({
    page,
  }) => {
    await page.setViewportSize({ width: 1280, height: 900 });
    await signIn(page);
    await openPilot(page, "Corvin Haldt");
    const meetings = await chart(page).evaluate((svg) => {
      const boxes = [...svg.querySelectorAll("[data-step]")].flatMap((mark) =>
        [...mark.querySelectorAll("text, path, circle, rect:not(.ring)")].map((part) => ({
          step: mark.getAttribute("data-step")!,
          box: (part as SVGGraphicsElement).getBoundingClientRect(),
        })),
      );
      return boxes.flatMap((a, i) =>
        boxes
          .slice(i + 1)
          .filter(
            (b) =>
              a.step !== b.step &&
              a.box.left < b.box.right &&
              b.box.left < a.box.right &&
              a.box.top < b.box.bottom &&
              b.box.top < a.box.bottom,
          )
          .map((b) => `${a.step} meets ${b.step}`),
      );
    });
    expect(meetings).toEqual([]);
    await chart(page)
      .getByRole("button", { name: /^Slow flip: signed off/ })
      .focus();
    await page.keyboard.press("ArrowDown");
    await page.keyboard.press("Enter");
    await expect(page).toHaveURL(/step=flip-ease-quarter/);
    await expect(page.getByRole("region", { name: "Flip, ease the last quarter" })).toContainText("Needs");
    await page.getByRole("button", { name: "review due", exact: true }).click();
    await page.getByRole("button", { name: "As a list" }).click();
    await page.getByRole("button", { name: "all", exact: true }).click();
    await expect(page.getByRole("link", { name: /Split-S/ }).first()).toBeAttached();
    expect(await axeFaults(page)).toEqual([]);
  });

  test("on a phone the stages stand one under the other, without sideways scroll", async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    await signIn(page);
    await openPilot(page, "Odalie Venn");
    await page.getByRole("button", { name: "Slow flip" }).click();
    await expect(page).toHaveURL(/step=flip-slow/);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    expect(await axeFaults(page)).toEqual([]);
  });
});

test.describe.serial("the coach's own syllabus", () => {
  const mark = (page: Page) => page.getByRole("group", { name: "Rule" }).last();

  test("a pass mark is edited, saved as a version, and judged by at once; the version before can be put back", async ({
    page,
  }) => {
    await signIn(page);
    await page.goto(`${demoAddress}/syllabus`);
    await page.getByRole("button", { name: "Flip, ease only the end", exact: true }).click();
    await mark(page).getByLabel("of the last").fill("6");
    await mark(page).getByLabel("Clean").fill("5");
    const bar = page.getByRole("region", { name: "Not saved yet" });
    await expect(bar).toContainText("5 of the last 6 clean");
    await page.reload();
    await expect(bar).toContainText("Kept on this device from before");
    await bar.getByLabel("Why it changes").fill("The very end wants more proof");
    await bar.getByRole("button", { name: "Save as version 1" }).click();
    await expect(page.getByText("version 1 active")).toBeVisible();
    await openPilot(page, "Corvin Haldt");
    await expect(page.getByText(/5 of the last 6 clean, each direction on its own/)).toBeVisible();
    await page.goto(`${demoAddress}/records`);
    await expect(page.getByText(/saved syllabus 1 .*The very end wants more proof/)).toBeVisible();
  });

  test("steps move by keys, a circle is refused by name, and the other coach is told when somebody was first", async ({
    page,
    browser,
  }) => {
    await signIn(page);
    const other = await (await browser.newContext()).newPage();
    await signIn(other, "Edda Rusk");
    for (const one of [page, other]) {
      await one.goto(`${demoAddress}/syllabus`);
      await one.getByRole("button", { name: "Look-back flip", exact: true }).click();
    }
    await other.getByLabel("Aim").fill("Watch the ground go away.");
    await other.getByLabel("Bail-out").click();
    await page.getByRole("button", { name: "Move Look-back flip" }).focus();
    await page.keyboard.press("Space");
    await page.waitForTimeout(300);
    await page.keyboard.press("ArrowDown");
    await page.waitForTimeout(300);
    await page.keyboard.press("Space");
    const bar = (one: Page) => one.getByRole("region", { name: "Not saved yet" });
    await expect(bar(page)).toContainText("order of the steps");
    await bar(page).getByLabel("Why it changes").fill("Split-S first");
    await bar(page)
      .getByRole("button", { name: /^Save as version/ })
      .click();
    await expect(page.getByText("version 2 active")).toBeVisible();
    await bar(other).getByLabel("Why it changes").fill("Clearer");
    await bar(other)
      .getByRole("button", { name: /^Save as version/ })
      .click();
    await expect(other.getByText(/Someone saved version 2 meanwhile/)).toBeVisible();
    await expect(bar(other)).toContainText("Look-back flip: aim");
    await page.getByRole("link", { name: "View", exact: true }).first().click();
    await page.getByRole("button", { name: "Make this version active" }).click();
    await expect(page.getByText("version 3 active")).toBeVisible();
    expect(await axeFaults(page)).toEqual([]);
    await other.context().close();
  });

  test("it goes out as JSON and as a booklet, and a pilot reads it", async ({ page }) => {
    await signIn(page, "Odalie Venn");
    await page.goto(`${demoAddress}/syllabus`);
    await expect(page.getByRole("button", { name: "Add a step" })).toHaveCount(0);
    for (const [name, ending] of [
      ["Export JSON", /\.json$/],
      ["Booklet, PDF", /\.pdf$/],
    ] as const) {
      const [download] = await Promise.all([
        page.waitForEvent("download"),
        page.getByRole("link", { name, exact: true }).click(),
      ]);
      expect(download.suggestedFilename()).toMatch(ending);
    }
  });
});

test("a school chosen for a pilot changes the route and the way a loop is flown", async ({ page }) => {
  await signIn(page);
  await openPilot(page, "Perrin Askew");
  await expect(chart(page).getByRole("button", { name: /^Bank limit of 30°/ })).toHaveCount(0);
  await page.getByText("School", { exact: false }).locator("xpath=ancestor-or-self::summary").click();
  await page.getByRole("combobox", { name: /First route/ }).click();
  await page.getByRole("option", { name: "rate mode with a bank limit first", exact: true }).click();
  await page.getByRole("combobox", { name: /Powered loop/ }).click();
  await page.getByRole("option", { name: "float over the top", exact: true }).click();
  await page.getByRole("button", { name: "Save choices" }).click();
  await expect(chart(page).getByRole("button", { name: /^Bank limit of 30°/ })).toBeVisible();
  await page.goto(
    page
      .url()
      .replace("/pilot", "/brief")
      .replace(/&step=[^&]*/, "") + "&step=loop-open",
  );
  await expect(page.getByText("Powered loop: float over the top.")).toBeVisible();
});

test("a season as a page and on paper", async ({ page }) => {
  await signIn(page);
  await openPilot(page, "Tamsel Orrick");
  await page.getByRole("link", { name: "Season", exact: true }).click();
  await expect(page.getByText(/No flight for \d+ days/)).toBeVisible();
  await expect(page.getByText(/attempts on/)).toBeVisible();
  for (const name of ["Export PDF", "Export CSV"]) {
    const [download] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("link", { name, exact: true }).click(),
    ]);
    expect(download.suggestedFilename()).toMatch(/^season-/);
  }
  expect(await axeFaults(page)).toEqual([]);
});

test("the quiz on the sticks is answered, and kept as an attempt", async ({ page }) => {
  await signIn(page, "Odalie Venn");
  await page.goto(`${demoAddress}/brief?step=sticks`);
  await page.getByRole("button", { name: "Begin the quiz, mode 2" }).click();
  // Both sticks have room on a phone.
  for (const width of [360, 390]) {
    await page.setViewportSize({ width, height: 800 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
    await expect(page.getByRole("button", { name: "right stick to the right" })).toBeInViewport({ ratio: 1 });
  }
  const right: Readonly<Record<string, string>> = {
    climb: "left stick up",
    sink: "left stick down",
    "nose up": "right stick down",
    "nose down": "right stick up",
    "right wing down": "right stick to the right",
    "left wing down": "right stick to the left",
    "turn the nose right": "left stick to the right",
    "turn the nose left": "left stick to the left",
  };
  for (let n = 0; n < 8; n++) {
    const asked = (await page.getByText(/Push for: /).textContent())!.replace(/^.*Push for: /, "");
    await page.getByRole("button", { name: right[asked], exact: true }).click();
    await expect(page.getByRole("region", { name: "Quiz" })).toContainText("Right.");
  }
  for (let n = 0; n < 3; n++) {
    const text = (await page.getByRole("region", { name: "Quiz" }).textContent())!;
    const name = /Self-level is on/.test(text)
      ? "the angle of bank"
      : /centre the stick/.test(text)
        ? "it stays banked"
        : "the speed of turning over";
    await page.getByRole("button", { name, exact: true }).click();
  }
  await page.getByRole("button", { name: "Keep as a clean attempt" }).click();
  await expect(page.getByRole("button", { name: "Kept", exact: true })).toBeVisible();
  await expect(page.getByText(/1 in a row of 1/).first()).toBeVisible();
});
