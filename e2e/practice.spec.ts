import { expect, test, type Page } from "@playwright/test";
import { build } from "esbuild";
import { decode } from "jpeg-js";
import { axeFaults, demoAddress, openPilot, signIn } from "./addresses";
import { moveSticks, plugIn, pullPlug } from "./made-up-radio";

test.use({ serviceWorkers: "allow" });

/** With a pilot at hand who practises a step. */
async function openPractice(page: Page, step: string): Promise<void> {
  await openPilot(page, "Odalie Venn");
  const link = page.getByRole("navigation").getByRole("link", { name: "Practice" });
  await page.goto(`${demoAddress}${await link.getAttribute("href")}&step=${step}`);
  await expect(page.getByRole("button", { name: "Start try" })).toBeVisible();
}

test("a drill is flown by keys in real time, seen two ways, the one next thing is said, and the try is kept; another drill is chosen on a phone", async ({
  page,
}) => {
  await signIn(page);
  await openPractice(page, "flip-one-move");
  const before = Number(
    await page
      .getByText(/practised:/)
      .locator(".num")
      .last()
      .textContent(),
  );
  await page.getByRole("button", { name: "Start try" }).click();
  await page.keyboard.down("w");
  await expect(page.getByText(/^Time/)).toContainText(/[1-9]\.\d/);
  await page.keyboard.up("w");
  await page.keyboard.down("ArrowRight");
  await page.waitForTimeout(400);
  await page.keyboard.up("ArrowRight");
  const end = page.getByRole("button", { name: "End try" });
  if (await end.isVisible()) await end.click();
  await expect(page.getByText(/tries clean in this sitting/)).toContainText("of 1");
  await expect(page.getByRole("heading", { name: /Passed|Not yet/ })).toBeVisible();
  const said = await page
    .getByRole("region", { name: /Passed|Not yet/ })
    .getByRole("status")
    .textContent();
  await page.getByRole("button", { name: "By eye" }).click();
  await expect(page.getByRole("img", { name: /seen from where a coach stands/ })).toBeVisible();
  expect(await axeFaults(page)).toEqual([]);
  // It is an attempt in the simulator once it was sent.
  await expect(page.getByText(/saved on this device/)).toBeHidden();
  await page.reload();
  await expect(
    page
      .getByText(/practised:/)
      .locator(".num")
      .last(),
  ).toHaveText(String(before + 1));
  // Its sticks were kept with it: flown again, it says what it said then.
  const earlier = page.getByRole("region", { name: "Earlier tries" });
  await earlier.getByRole("button", { name: "Show", exact: true }).first().click();
  await expect(earlier.getByRole("status")).toHaveText(said!);
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.getByRole("combobox", { name: "Drill" }).click();
  await page.getByRole("option", { name: "Hang", exact: true }).click();
  await expect(page.getByRole("button", { name: "Start try" })).toBeVisible();
});

test("a radio left alone falls as physics says; the call comes; pulled out in flight the try ends there and says so", async ({
  page,
}) => {
  await plugIn(page);
  await signIn(page);
  await openPractice(page, "los-hover");
  await expect(page.getByText("Made-up radio")).toBeVisible();
  await page.getByRole("button", { name: "Start try" }).click();
  await expect(page.getByText(/^Into the ground at/)).toBeVisible();
  await openPractice(page, "bail-wall");
  await expect(page.getByText("Wait for the call")).toBeVisible();
  await moveSticks(page, { roll: 0, pitch: 0, yaw: 0, throttle: 0.45 });
  await page.getByRole("button", { name: "Quarter" }).click();
  await page.getByRole("button", { name: "Start try" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "Bail now" })).toBeVisible();
  await pullPlug(page);
  await expect(page.getByText(/The radio is gone: the try ended there/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Try again" })).toBeVisible();
});

/** How many points of a picture have a colour, give or take. */
function pointsOf(jpeg: Buffer, colour: readonly number[]): number {
  const { data } = decode(jpeg);
  let count = 0;
  for (let i = 0; i < data.length; i += 4) if (colour.every((value, k) => Math.abs(data[i + k] - value) < 40)) count++;
  return count;
}

test("by eye it is told which way is front: its front propellers hide the rear ones nose in, and are hidden nose away", async ({
  page,
}) => {
  await page.setViewportSize({ width: 1600, height: 1000 });
  await signIn(page);
  const seen: { front: number; rear: number }[] = [];
  for (const step of ["los-hover", "los-nose-in"]) {
    await openPractice(page, step);
    await page.waitForTimeout(700);
    const picture = page.getByRole("img", { name: /seen from where a coach stands/ });
    const jpeg = await picture.screenshot({ type: "jpeg", quality: 100 });
    seen.push({ front: pointsOf(jpeg, [200, 64, 45]), rear: pointsOf(jpeg, [19, 40, 59]) });
  }
  const [away, toward] = seen;
  expect(away.front).toBeLessThan(12);
  expect(toward.front).toBeGreaterThan(40);
  // The frame of the picture has the colour of the rear ones, too: the same in both.
  expect(away.rear - toward.rear).toBeGreaterThan(40);
});

test("a kept try flies again to the last bit, in Node and in Chromium", async ({ page }) => {
  const { outputFiles } = await build({
    stdin: {
      contents: `
        import { airframePresets, CALM_AIR, createPractice, firstSettings, recipes, replay } from "@/core";
        const { airframe } = airframePresets["five-inch-freestyle"];
        const there = { ...CALM_AIR, entryHeightM: 40, windNorthMps: -5, gusts: { deviationMps: 1, seed: 11 } };
        globalThis.flyTry = () => {
          const practice = createPractice(recipes["flip-one-move-back"], airframe, firstSettings, there);
          for (let i = 0; i < 240; i++)
            practice.advance(1 / 60, { roll: ((i * 7) % 13) / 26 - 0.25, pitch: ((i * 5) % 11) / 22 - 0.2, yaw: ((i * 3) % 17) / 40 - 0.2, throttle: 0.35 });
          const { commands, sticks, ...rest } = practice.record();
          return { ...rest, commands: [...commands], sticks: [...sticks] };
        };
        globalThis.replayTry = (kept) => {
          const record = { ...kept, commands: Float64Array.from(kept.commands), sticks: Float32Array.from(kept.sticks) };
          const { trace } = replay(record, airframe, firstSettings, there);
          return ["northM", "eastM", "heightM", "qw", "qx", "qy", "qz"].map((name) => [...new BigUint64Array(Float64Array.from(trace[name]).buffer)].join());
        };`,
      resolveDir: process.cwd(),
      loader: "ts",
    },
    ...{ bundle: true, write: false, format: "iife", target: "es2022", tsconfig: "tsconfig.json" },
  });
  const script = outputFiles[0].text;
  // oxlint-disable-next-line typescript/no-implied-eval -- a script of this file, brought to the page
  new Function(script)();
  const here = globalThis as unknown as { flyTry: () => object; replayTry: (kept: object) => string[] };
  const kept = here.flyTry();
  await page.evaluate(script);
  const there = await page.evaluate(
    (one) => (globalThis as unknown as typeof here).replayTry(one),
    JSON.parse(JSON.stringify(kept)) as object,
  );
  expect(there[0].length).toBeGreaterThan(1000);
  expect(there).toEqual(here.replayTry(kept));
});

test("practice opens without a network with what this device kept, is flown there, and its try arrives", async ({
  page,
  context,
}) => {
  await signIn(page);
  await openPractice(page, "los-hover");
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  // All files of the program are kept by then.
  await page.reload();
  await expect(page.getByRole("button", { name: "Start try" })).toBeVisible();
  await context.setOffline(true);
  await page.goto(`${demoAddress}/practice?step=los-hover`);
  await expect(page.getByText(/No network: as last seen/)).toBeVisible();
  await page.getByRole("button", { name: "Start try" }).click();
  await page.keyboard.down("s");
  await expect(page.getByText(/^Into the ground at/)).toBeVisible();
  await page.keyboard.up("s");
  await expect(page.getByText("1 try saved on this device, not sent yet.")).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText(/saved on this device/)).toBeHidden();
});
