import { mkdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { findBrowser } from "./lib/install.mjs";
import { own, root } from "./lib/paths.mjs";
import { PlainFailure, runMain, say } from "./lib/say.mjs";

/**
 * Takes the pictures of docs/screenshots from a running demo: npm run screenshots -- [address] [folder] [name …].
 * For the tally it starts a session and taps twice, so load the demo afresh afterwards (--reset) if that matters.
 */
const [address = "http://127.0.0.1:3000", folder = join(root, "docs/screenshots"), ...wanted] = process.argv.slice(2);

const byName = async (page, name) =>
  (await page.getByRole("link", { name, exact: true }).first().getAttribute("href")) ?? "";

async function openSetup(page, name, part) {
  await page.goto(`${address}/squad`);
  await page.goto(address + (await byName(page, name)).replace("/pilot", "/setup"));
  await page.getByRole("tab", { name: part }).click();
  await page.waitForTimeout(1200);
}

async function openLab(page, step) {
  await page.goto(`${address}/squad`);
  await page.goto(`${address}${(await byName(page, "Corvin Haldt")).replace("/pilot", "/lab")}&step=${step}`);
  await page.getByText("What it measures").waitFor();
  await page.getByRole("button", { name: /^Minimum start height/ }).waitFor({ timeout: 120_000 });
  // Flown once more from that height.
  await page.waitForTimeout(2500);
}

const views = {
  calendar: async (page) => page.goto(`${address}/calendar`),
  yard: async (page) => {
    // With an aircraft at hand, and the day of a wind.
    await page.goto(`${address}/squad`);
    await page.goto(address + (await byName(page, "Odalie Venn")));
    await page.getByRole("heading", { name: "Odalie Venn", level: 1 }).waitFor();
    await page.waitForTimeout(800);
    await page.goto(`${address}/yard`);
    await page
      .getByRole("region", { name: "Evaporation pans" })
      .getByRole("link", { name: "Plan and courses" })
      .click();
    await page.getByLabel("Wind, m/s").last().fill("4");
    await page.keyboard.press("Tab");
    await page.getByRole("button", { name: /^On the plan/ }).click();
    await page.getByRole("button", { name: /^Split-S, right/ }).click();
    await page.getByText(/are flown to their end/).waitFor({ timeout: 60_000 });
    await page.waitForTimeout(1500);
    await page.evaluate(() => document.activeElement?.blur());
    await page.evaluate(() => document.scrollingElement.scrollTo(0, 0));
    await page.locator("main").evaluate((main) => main.scrollTo(0, 0));
  },
  syllabus: async (page) => {
    await page.goto(`${address}/syllabus`);
    await page.getByRole("button", { name: "Slow flip", exact: true }).click();
  },
  "pilot-step": async (page) => {
    await page.goto(`${address}/squad`);
    await page.goto(address + (await byName(page, "Brannoch Sile")));
    await page.getByRole("heading", { name: "Slow flip", level: 2 }).scrollIntoViewIfNeeded();
    await page.mouse.wheel(0, 620);
    await page.waitForTimeout(800);
  },
  squad: async (page) => page.goto(`${address}/squad`),
  pilot: async (page) => {
    await page.goto(`${address}/squad`);
    await page.goto(address + (await byName(page, "Odalie Venn")));
  },
  setup: async (page) => openSetup(page, "Brannoch Sile", "Rates"),
  brief: async (page) => {
    await page.goto(`${address}/squad`);
    await page.goto(address + (await byName(page, "Odalie Venn")).replace("/pilot", "/brief"));
    await page.getByRole("button", { name: /^Minimum start height/ }).waitFor({ timeout: 120_000 });
    await page.getByText(/begin .* up$/).waitFor();
    await page.getByLabel("Moment of the trick").fill("0.9");
  },
  lab: async (page) => {
    await openLab(page, "loop-over");
    await page.getByLabel("Dashed line").click();
    await page.getByRole("option", { name: "float over the top" }).click();
    await page.getByText("The dashed one").waitFor();
    await page.getByLabel("Moment of the trick").fill("1.1");
    await page.evaluate(() => document.scrollingElement.scrollTo(0, 0));
    await page.locator("main").evaluate((main) => main.scrollTo(0, 0));
  },
  choreographer: async (page) => {
    await page.goto(`${address}/squad`);
    const lab = (await byName(page, "Odalie Venn")).replace("/pilot", "/lab");
    await page.goto(`${address}${lab}&step=flip-ease-quarter`);
    await page.getByRole("link", { name: "Edit phases" }).click();
    await page.getByRole("button", { name: /^Phase 5,/ }).click();
    await page.waitForTimeout(1200);
  },
  "lab-scatter": async (page) => {
    await openLab(page, "flip-slow");
    await page.getByRole("button", { name: "1000 runs" }).click();
    await page.getByRole("button", { name: "Run 1000 flights" }).click();
    await page.getByText("of 1000 runs").waitFor({ timeout: 60_000 });
    await page.locator("#forgiving").evaluate((heading) => heading.scrollIntoView());
    await page.waitForTimeout(800);
  },
  session: async (page) => {
    await page.goto(`${address}/session`);
    for (const name of ["Corvin Haldt", "Odalie Venn", "Ysolde Marr"])
      await page.getByRole("checkbox", { name: `${name} flies` }).check();
    await page.getByRole("combobox", { name: "Site" }).click();
    await page.getByRole("option", { name: "Evaporation pans" }).click();
    await page.getByText("Flying the tricks in the model").waitFor({ state: "detached", timeout: 60_000 });
  },
  lines: async (page) => {
    await openLine(page, "Down to the dyke");
    await page
      .getByRole("button", { name: /^climb \d/ })
      .nth(1)
      .waitFor({ timeout: 120_000 });
    await page.getByRole("slider", { name: "Moment of the line" }).fill("4.2");
    await page.getByText("Bail-outs").waitFor();
  },
  practice: async (page) => {
    await page.goto(`${address}/squad`);
    await page.goto(`${address}${(await byName(page, "Odalie Venn")).replace("/pilot", "/practice")}&step=loop-over`);
    await page.getByRole("button", { name: "Start try" }).waitFor({ timeout: 60_000 });
    await page.getByRole("button", { name: "Half" }).click();
    await page.getByRole("button", { name: "Start try" }).click();
    // Pulled round too soon: something to be told.
    for (const [keys, ms] of [
      [["w"], 500],
      [["w", "ArrowDown"], 260],
      [["ArrowDown"], 420],
    ]) {
      for (const key of keys) await page.keyboard.down(key);
      await page.waitForTimeout(ms);
      for (const key of keys) await page.keyboard.up(key);
    }
    await page.waitForTimeout(500);
    const end = page.getByRole("button", { name: "End try" });
    if (await end.isVisible()) await end.click();
    await page.getByText(/tries clean in this sitting/).waitFor();
    await page.getByRole("button", { name: "By eye" }).click();
    await page.waitForTimeout(600);
    await page.evaluate(() => document.activeElement?.blur());
  },
  tape: async (page) => {
    await page.goto(`${address}/squad`);
    await page.goto(address + (await byName(page, "Odalie Venn")).replace("/pilot", "/tape"));
    await page.getByRole("button", { name: "Open brine-thursday.csv" }).click();
    await page.getByRole("status", { name: "Fix this first" }).waitFor({ timeout: 60_000 });
    await page.getByText(/^Flown most like/).waitFor();
    await page.getByLabel("Moment of the trick").fill("0.7");
  },
  live: async (page) => {
    await page.goto(`${address}/squad`);
    await page.goto(address + (await byName(page, "Tamsel Orrick")).replace("/pilot", "/tape/live"));
    await page.getByRole("button", { name: "Fly it" }).click();
    await page.getByRole("button", { name: "Read its settings" }).click();
    await page.getByText(/^2 tricks so far|· 2 tricks so far/).waitFor({ timeout: 90_000 });
  },
  "own-record": async (page) => page.goto(`${address}/pilot`),
  tally: async (page) => {
    await page.goto(`${address}/squad`);
    await page.goto(address + (await byName(page, "Ysolde Marr")).replace("/pilot", "/session"));
    await page.getByRole("button", { name: /^Start with/ }).click();
    await page.waitForURL(/session\/[0-9a-f-]{36}/);
    await page.getByRole("button", { name: /^Clean/ }).click();
    await page.getByRole("button", { name: /^Rough/ }).click();
    await page.getByText("All sent").waitFor();
  },
};

/** A line of the camp, flown by Corvin. */
async function openLine(page, name) {
  await page.goto(`${address}/squad`);
  await page.goto(address + (await byName(page, "Corvin Haldt")).replace("/pilot", "/lines"));
  await page.getByRole("link", { name, exact: true }).click();
  await page.getByRole("img", { name: /^Height over the way/ }).waitFor({ timeout: 120_000 });
}

/** What only a pilot sees is taken as one. */
const signsIn = { "own-record": "Odalie Venn" };

async function signIn(page, name = "Maren Tolvik") {
  const password = readFileSync(join(own, "demo/database/coach-password"), "utf8");
  const answer = await page.request.post(`${address}/api/sign-in`, { data: { name, password } });
  if (!answer.ok()) throw new PlainFailure(`Could not sign in to ${address}: is it this checkout's demo?`);
}

await runMain(async () => {
  const executablePath = findBrowser();
  if (!executablePath) throw new PlainFailure("Chromium is missing; npm test installs it.");
  mkdirSync(folder, { recursive: true });
  const browser = await chromium.launch({
    executablePath,
    args: [
      "--use-angle=swiftshader",
      "--enable-unsafe-swiftshader",
      "--no-sandbox",
      "--disable-quic",
      "--no-first-run",
      "--disable-background-networking",
    ],
  });
  for (const [name, open] of Object.entries(views)) {
    if (wanted.length && !wanted.includes(name)) continue;
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await signIn(page, signsIn[name]);
    page.on("pageerror", (error) => say(`${name}: ${error.message}`));
    await open(page);
    await page.waitForTimeout(600);
    await page.screenshot({ path: join(folder, `${name}.png`) });
    if (name === "tally") {
      await page.setViewportSize({ width: 390, height: 844 });
      await page.waitForTimeout(300);
      await page.screenshot({ path: join(folder, "tally-phone.png") });
    }
    await page.close();
    say(name);
  }
  await browser.close();
});
