import { createRequire } from "node:module";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { runTypeScript, startApplication } from "../lib/application.mjs";
import { ensureBuild } from "../lib/build.mjs";
import { browserPackages, findBrowser, prepareMachine } from "../lib/install.mjs";
import { startMariaDb } from "../lib/mariadb.mjs";
import { freePort } from "../lib/processes.mjs";
import { PlainFailure, say } from "../lib/say.mjs";
import { typablePassword } from "../lib/secrets.mjs";

/**
 * `npm run bench -- pages [name …]`: what each page of the demo asks of a browser. JavaScript as sent until the page can be used, and in all with what it
 * shows; how far things jump while it loads; how long the browser is held up while a slider is dragged by 60 moves; what is wider than a narrow screen;
 * what still moves for somebody who asked for less of it; and what axe finds in three themes and two widths.
 * With E2E_DEMO and E2E_PASSWORD a running demo is measured, as by the journeys.
 */
const LIMITS = { usableKb: 300, shift: 0.02, moveMs: 100, slowMoves: 3 };
const WIDTHS = [640, 390, 360];
const THEMES = ["light", "dark", "sun"];
const MOVES = 60;
/** Sliders tried on a page, at most. */
const SLIDERS = 3;
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

const PAGES = {
  squad: "/squad",
  pilot: "/pilot",
  ...Object.fromEntries(
    ["Rates", "Throttle", "Punch", "Tilt", "Mix", "Fleet", "By stage", "Measured"].map((tab) => [
      `setup ${tab}`,
      { path: "/setup", tab },
    ]),
  ),
  brief: "/brief",
  lab: "/lab?step=flip-slow",
  choreographer: "/lab/choreographer?step=flip-ease-quarter",
  practice: "/practice",
  drill: "/practice?step=loop-over",
  lines: "/lines",
  plan: "/session",
  tally: "/session/RUNNING",
  debrief: "/session/OVER",
  tape: "/tape",
  live: "/tape/live",
  month: "/tape/month",
  calendar: "/calendar",
  yard: "/yard",
  site: "/yard/SITE",
  syllabus: "/syllabus",
  season: "/season",
  people: "/people",
  records: "/records",
  account: "/account",
  field: "/field",
  "practice-here": "/practice-here",
};

/** What is looked at in a page while it loads. Read by the functions below. */
function watchPage() {
  const seen = { shift: 0, shifted: [], begunAt: null, usableAt: null, long: [], frames: 0 };
  Object.assign(window, { seen });
  performance.setResourceTimingBufferSize(5000);
  const nameOf = (node) => {
    const element = node?.nodeType === 1 ? node : node?.parentElement;
    return element ? `${element.tagName.toLowerCase()} "${element.textContent.trim().slice(0, 30)}"` : "?";
  };
  new PerformanceObserver((list) => {
    for (const { value, hadRecentInput, sources } of list.getEntries())
      if (!hadRecentInput) {
        seen.shift += value;
        seen.shifted.push({ value, what: sources.slice(0, 3).map(({ node }) => nameOf(node)) });
      }
  }).observe({ type: "layout-shift", buffered: true });
  new PerformanceObserver((list) => seen.long.push(...list.getEntries().map(({ duration }) => duration))).observe({
    type: "longtask",
  });
  // What can be pressed can be pressed once React has taken it over.
  const usable = (element) => Object.keys(element).some((key) => key.startsWith("__reactProps"));
  const begin = () => {
    if ([...document.querySelectorAll("a, button")].some(usable)) seen.begunAt = performance.now();
    else setTimeout(begin, 0);
  };
  begin();
  const look = () => {
    const all = [...document.querySelectorAll("main a, main button, main input")];
    const any = all.length ? all : [...document.querySelectorAll("main *")];
    if (any.length && any.every(usable)) seen.usableAt = performance.now();
    else setTimeout(look, 5);
  };
  look();
  const ask = window.requestAnimationFrame.bind(window);
  window.requestAnimationFrame = (callback) => {
    seen.frames++;
    return ask(callback);
  };
}

const kb = (bytes) => Math.round(bytes / 1024);

/** JavaScript as sent: until the page could be used, and in all. */
const scripts = (page) =>
  page.evaluate(() => {
    const sent = performance
      .getEntriesByType("resource")
      .filter(({ name }) => new URL(name).pathname.endsWith(".js"))
      .map(({ startTime, encodedBodySize }) => ({ startTime, encodedBodySize }));
    const sum = (list) => list.reduce((all, { encodedBodySize }) => all + encodedBodySize, 0);
    // What was asked for once React had begun to take the page over holds nothing up.
    return { usable: sum(sent.filter(({ startTime }) => startTime <= window.seen.begunAt)), all: sum(sent) };
  });

/** Drags a slider by so many moves, a frame each: how long the browser was held up, each time it was. */
async function drag(page, slider) {
  await slider.scrollIntoViewIfNeeded();
  const box = await slider.evaluate((input) => {
    const { x, y, width, height } = (input.closest(".MuiSlider-root") ?? input).getBoundingClientRect();
    const thumb = input.closest(".MuiSlider-thumb")?.getBoundingClientRect();
    return { x, y: y + height / 2, width, from: thumb ? thumb.x + thumb.width / 2 : x + width / 2 };
  });
  await page.evaluate(() => void (window.seen.long.length = 0));
  await page.mouse.move(box.from, box.y);
  await page.mouse.down();
  for (let n = 1; n <= MOVES; n++) {
    await page.mouse.move(box.x + box.width * (0.5 + 0.3 * Math.sin((2 * Math.PI * n) / MOVES)), box.y);
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(done)));
  }
  await page.mouse.up();
  await page.waitForTimeout(200);
  return page.evaluate(() => window.seen.long);
}

const widerThan = (page) =>
  page.evaluate(() => {
    const over = [document.documentElement, document.querySelector("main")].find(
      (element) => element && element.scrollWidth > element.clientWidth + 1,
    );
    return over ? over.scrollWidth - over.clientWidth : 0;
  });

/** Animations that run, and whether frames are drawn though nothing happens. */
const whatMoves = (page) =>
  page.evaluate(async () => {
    const before = window.seen.frames;
    const running = document.getAnimations().filter(({ playState }) => playState === "running").length;
    await new Promise((done) => setTimeout(done, 1000));
    return running + (window.seen.frames - before > 10 ? 1 : 0);
  });

const axeSource = readFileSync(createRequire(import.meta.url).resolve("axe-core/axe.min.js"), "utf8");

async function axeFaults(page) {
  await page.evaluate(axeSource);
  return page.evaluate(async () => {
    const { violations } = await window.axe.run(document, { resultTypes: ["violations"] });
    return violations.map(({ id, nodes }) => `${id}: ${nodes[0].target.join(" ")}`);
  });
}

const settled = async (page) => {
  await page.waitForFunction(() => window.seen.usableAt !== null, null, { timeout: 30_000 });
  await page.waitForTimeout(1000);
  // What is flown in the model first; what is still at it after half a minute is measured as it is.
  await page
    .waitForFunction(() => !document.querySelector("[role=progressbar]:not([aria-valuenow])"), null, {
      timeout: 30_000,
    })
    .catch(() => undefined);
  await page.waitForTimeout(500);
};

/** One page, each part of it in a context that has loaded nothing before. */
async function measurePage(browser, state, { url, tab }) {
  const open = async (options, theme = "light") => {
    const context = await browser.newContext({ storageState: state, serviceWorkers: "block", ...options });
    await context.addCookies([{ name: "bathygon-theme", value: theme, url }]);
    const page = await context.newPage();
    await page.addInitScript(watchPage);
    await page.goto(url);
    await settled(page);
    if (tab) {
      await page.getByRole("tab", { name: tab }).click();
      await page.waitForTimeout(800);
    }
    return { context, page };
  };
  const found = [];
  const { context, page } = await open({ viewport: DESK });
  const sent = await scripts(page);
  const { shift, shifted } = await page.evaluate(() => window.seen);
  if (shift >= LIMITS.shift)
    found.push(...shifted.filter(({ value }) => value > 0.002).map(({ value, what }) => `${value.toFixed(3)} ${what}`));
  let slow = 0;
  let worst = 0;
  const sliders = await page.getByRole("slider").all();
  for (const slider of sliders.slice(0, SLIDERS)) {
    if (!(await slider.isEnabled())) continue;
    const name = await slider.evaluate(
      (input) =>
        input.getAttribute("aria-label") ?? document.getElementById(input.getAttribute("aria-labelledby"))?.textContent,
    );
    const long = await drag(page, slider);
    if (long.length > LIMITS.slowMoves || Math.max(0, ...long) > LIMITS.moveMs)
      found.push(`slider ${name}: ${long.map((ms) => Math.round(ms)).join(", ")} ms`);
    slow = Math.max(slow, long.length);
    worst = Math.max(worst, ...long);
  }
  await context.close();
  const wide = [];
  const narrow = await open({ viewport: { width: WIDTHS[0], height: 844 } });
  for (const width of WIDTHS) {
    await narrow.page.setViewportSize({ width, height: 844 });
    await narrow.page.waitForTimeout(300);
    const over = await widerThan(narrow.page);
    if (over) wide.push(`${width}+${over}`);
  }
  await narrow.context.close();
  let moving = 0;
  const faults = new Set();
  for (const theme of THEMES) {
    const still = await open({ viewport: DESK, reducedMotion: "reduce" }, theme);
    if (theme === THEMES[0]) moving = await whatMoves(still.page);
    for (const viewport of [DESK, PHONE]) {
      await still.page.setViewportSize(viewport);
      await still.page.waitForTimeout(300);
      for (const fault of await axeFaults(still.page)) faults.add(`${theme} ${viewport.width}: ${fault}`);
    }
    await still.context.close();
  }
  found.push(...faults);
  return { sent, shift, sliders: sliders.length, slow, worst, wide, moving, faults: faults.size, found };
}

const over = (text, wrong) => (wrong ? `${text} !` : text);
const row = (name, cells) => console.log(`  ${name.padEnd(16)}${cells.map((cell) => cell.padStart(12)).join("")}`);

/** Serves a throw-away demo, unless one is told. */
async function demo(stops) {
  if (process.env.E2E_DEMO) return { address: process.env.E2E_DEMO, password: process.env.E2E_PASSWORD };
  const build = await ensureBuild();
  const scratch = mkdtempSync(join(tmpdir(), "bathygon-pages-"));
  stops.push(async () => rmSync(scratch, { recursive: true, force: true }));
  const database = await startMariaDb(scratch, { throwAway: true });
  stops.push(database.stop);
  const password = typablePassword();
  await runTypeScript("prepare-database.ts", ["--demo"], { ...database.env, BATHYGON_DEMO_PASSWORD: password });
  const application = await startApplication(build, await freePort(), database.env);
  stops.push(application.stop);
  return { address: application.address, password };
}

/** Signs the coach in and finds what the paths name; begins a session for the tally. */
async function lookAround(browser, { address, password }) {
  const context = await browser.newContext();
  const answer = await context.request.post(`${address}/api/sign-in`, { data: { name: "Maren Tolvik", password } });
  if (!answer.ok()) throw new PlainFailure(`Could not sign in: ${await answer.text()}`);
  const text = async (path) => (await context.request.get(`${address}${path}`)).text();
  const first = async (path, pattern) => pattern.exec(await text(path))[1];
  const pilot = await first("/squad", /pilot=([0-9a-f-]{36})[^"]*"[^>]*>Odalie Venn</);
  const session = (await import("uuid")).v7();
  const started = await context.request.post(`${address}/api/start-session`, {
    data: { id: session, place: "field", pilots: [{ pilotId: pilot, stepId: "hang", setupId: null }] },
  });
  if (!started.ok()) throw new PlainFailure(`No session could be started: ${await started.text()}`);
  const places = {
    RUNNING: session,
    OVER: await first("/session", /\/session\/([0-9a-f-]{36})/),
    SITE: await first("/yard", /\/yard\/([0-9a-f-]{36})/),
  };
  const state = await context.storageState();
  await context.close();
  const urlOf = (path) => {
    const url = new URL(
      path.replace(/[A-Z]{4,}/, (place) => places[place]),
      address,
    );
    url.searchParams.set("pilot", pilot);
    return url.href;
  };
  return { state, urlOf };
}

export async function measurePages(names) {
  const strange = names.filter((name) => !(name in PAGES));
  if (strange.length)
    throw new PlainFailure(`Unknown: ${strange.join(", ")}. There are: ${Object.keys(PAGES).join(", ")}.`);
  await prepareMachine(browserPackages);
  const stops = [];
  try {
    const served = await demo(stops);
    const browser = await chromium.launch({
      executablePath: findBrowser(),
      args: ["--use-angle=swiftshader", "--enable-unsafe-swiftshader", "--no-sandbox", "--disable-quic"],
    });
    stops.push(() => browser.close());
    const { state, urlOf } = await lookAround(browser, served);
    say(
      `Limits: ${LIMITS.usableKb} kB, shift ${LIMITS.shift}, ${LIMITS.slowMoves} waits over 50 ms and none over ${LIMITS.moveMs}`,
    );
    row("", ["kB to use", "kB in all", "shift", "sliders", "over 50 ms", "worst ms", "too wide", "moving", "axe"]);
    for (const [name, where] of Object.entries(PAGES)) {
      if (names.length && !names.includes(name)) continue;
      const { path, tab } = typeof where === "string" ? { path: where } : where;
      const { sent, shift, sliders, slow, worst, wide, moving, faults, found } = await measurePage(browser, state, {
        url: urlOf(path),
        tab,
      });
      row(name, [
        over(String(kb(sent.usable)), kb(sent.usable) > LIMITS.usableKb),
        String(kb(sent.all)),
        over(shift.toFixed(3), shift >= LIMITS.shift),
        String(sliders),
        over(String(slow), slow > LIMITS.slowMoves),
        over(String(Math.round(worst)), worst > LIMITS.moveMs),
        wide.join(" ") || "-",
        over(String(moving), moving > 0),
        over(String(faults), faults > 0),
      ]);
      for (const line of found) console.log(`    ${line}`);
    }
  } finally {
    for (const stop of stops.reverse()) await stop();
  }
}
