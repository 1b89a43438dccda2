import { expect, test, type Page } from "@playwright/test";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { axeFaults, demoAddress, deskScreens, openPilot, pickForDevice, signIn } from "./addresses";

// The longest journeys of all, which begin first by the name of this file: two browsers are busy to the end.

/** Prose that somebody wrote has the unit it was written in: the built-in syllabus, and what the demo's people typed. */
const prose = ["src/syllabus/built-in", "scripts/demo-data"]
  .flatMap((folder) => readdirSync(folder).map((file) => readFileSync(join(folder, file), "utf8")))
  .join("\n");

const figure = {
  metric: /\d[\s\u202f](m|m\/s|°C)(?![\w²/])/,
  imperial: /\d[\s\u202f](ft|ft\/s|oz|°F)(?![\w²/])/,
} as const;
/** The same in labels of what is typed: "Wind, m/s". */
const label = { metric: /, ?(m|m\/s|°C)( |$)/, imperial: /, ?(ft|ft\/s|oz|°F)( |$)/ } as const;

/** Every figure and label on a page in the units of a system, but for those in prose. */
async function saidIn(page: Page, system: keyof typeof figure): Promise<string[]> {
  const texts = await page.evaluate(() => {
    const found: string[] = [];
    for (const one of document.querySelectorAll("body *")) {
      if (one.closest("script, style")) continue;
      const own = [...one.childNodes].some(({ nodeType, textContent }) => nodeType === 3 && textContent?.trim());
      // A figure and its unit stand in elements of their own: read with their line.
      if (own) found.push((one.parentElement ?? one).textContent ?? "");
      for (const name of ["aria-label", "placeholder"]) {
        const text = one.getAttribute(name);
        if (text) found.push(text);
      }
    }
    return [...new Set(found)];
  });
  return texts.flatMap((text) => {
    const match = figure[system].exec(text) ?? label[system].exec(text);
    if (!match) return [];
    const said = text.slice(Math.max(0, match.index - 8), match.index + match[0].length);
    return prose.includes(said.trim()) ? [] : [said];
  });
}

/** Signed in, with a pilot at hand: what each address has to end with. */
async function openWithPilot(page: Page): Promise<string> {
  await signIn(page);
  await openPilot(page, "Odalie Venn");
  return new URL(page.url()).search;
}

test("nothing for assistive technology to trip over, in any look", async ({ page }) => {
  // Colours in between two looks are none.
  await page.emulateMedia({ reducedMotion: "reduce" });
  const search = await openWithPilot(page);
  const looks = ["Light", "Dark", "Full sun"];
  for (const path of [...deskScreens, "/account", "/people", "/records", "/join"]) {
    await page.goto(`${demoAddress}${path}${search}`);
    if (path === "/brief") await expect(page.getByRole("button", { name: /^Hang time/ })).toBeVisible();
    if (path === "/lab") await expect(page.getByRole("button", { name: /^Highest point/ })).toBeVisible();
    expect([path, await axeFaults(page)]).toEqual([path, []]);
    // A look changes colours and nothing else.
    if (path === "/join") continue;
    for (const look of looks.slice(1)) {
      await pickForDevice(page, "Theme", look);
      expect([path, look, await axeFaults(page, ["color-contrast"])]).toEqual([path, look, []]);
    }
    // The next page is opened in the look that this one ended in.
    looks.unshift(looks.pop()!);
  }
});

test("every screen says lengths, speeds, weights and temperatures in the units chosen, and takes them so", async ({
  page,
}) => {
  const search = await openWithPilot(page);
  const opposite = { imperial: "metric", metric: "imperial" } as const;
  /** Looks at what is open in both systems, the one chosen last first: every other page is opened in each of them. */
  let chosen: keyof typeof figure = "metric";
  const inBoth = async (name: string, look: (units: typeof chosen) => Promise<void> = async () => {}) => {
    for (const units of [chosen, opposite[chosen]]) {
      if (units !== chosen) await pickForDevice(page, "Units", units === "metric" ? "Metric" : "Imperial");
      chosen = units;
      await look(units);
      expect([units, name, await saidIn(page, opposite[units])]).toEqual([units, name, []]);
    }
  };
  for (const path of [...deskScreens, "/brief?step=gap-wide"]) {
    const [where, step] = path.split("?");
    await page.goto(`${demoAddress}${where}${search}${step ? `&${step}` : ""}`);
    await page.waitForLoadState("networkidle");
    await inBoth(path, async (units) => {
      if (path === "/brief" || path === "/lab")
        await expect(page.getByRole("button", { name: /^(Hang time|Highest point)/ }).first()).toBeVisible();
      // It would be seen.
      if (["/brief", "/lab", "/yard"].includes(path)) expect((await saidIn(page, units)).length).toBeGreaterThan(1);
    });
    if (path === "/yard") {
      await page.getByRole("link", { name: "Plan and courses" }).first().click();
      await expect(page.getByRole("heading", { name: "Set out" })).toBeVisible();
      await inBoth("plan");
    }
  }
  await page.goto(`${demoAddress}/setup${search}`);
  for (const part of ["Throttle", "Tilt", "Measured"]) {
    await page.getByRole("tab", { name: part }).click();
    await inBoth(part);
  }
});
