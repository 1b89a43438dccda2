import { build } from "esbuild";
import { chromium } from "@playwright/test";
import { findCommand } from "../lib/install.mjs";

/**
 * `npm run bench -- practice`: what a second of flight costs of a core, in Node and in Chromium, and how much of a frame that is. The model has to stay under
 * 5 % of a core (section 10 of the design).
 */
const FRAMES_HZ = 60;
const SECONDS = 60;
const LIMIT = 0.05;

/** Flies so many seconds in frames of a 60th and returns how long that took, ms: all of it, and the longest frame. */
const measured = `
  import { airframePresets, CALM_AIR, createPractice, firstSettings, recipes } from "@/core";
  globalThis.timeFlight = (seconds, framesHz) => {
    const { airframe } = airframePresets["five-inch-freestyle"];
    const practice = createPractice(recipes["hang-right"], airframe, firstSettings, { ...CALM_AIR, entryHeightM: 900 });
    const { throttle } = practice.state().sticks;
    let longest = 0;
    const began = performance.now();
    for (let i = 0; i < seconds * framesHz; i++) {
      const frame = performance.now();
      practice.advance(1 / framesHz, { roll: 0.02 * Math.sin(i / 20), pitch: 0.02 * Math.cos(i / 31), yaw: 0, throttle });
      longest = Math.max(longest, performance.now() - frame);
    }
    return { allMs: performance.now() - began, longestMs: longest };
  };
`;
type TimeFlight = (seconds: number, framesHz: number) => { readonly allMs: number; readonly longestMs: number };

const { outputFiles } = await build({
  stdin: { contents: measured, resolveDir: process.cwd(), loader: "ts" },
  ...{ bundle: true, write: false, format: "iife", target: "es2022", tsconfig: "tsconfig.json" },
});
const script = outputFiles[0].text;

function say(where: string, { allMs, longestMs }: ReturnType<TimeFlight>): void {
  const share = allMs / 1000 / SECONDS;
  console.log(
    `${where.padEnd(9)} ${(1000 * share).toFixed(1)} ms of a core for a second of flight (${(100 * share).toFixed(2)} %, limit ${100 * LIMIT} %); a frame ${(allMs / SECONDS / FRAMES_HZ).toFixed(2)} ms, the longest ${longestMs.toFixed(1)} ms`,
  );
  if (share > LIMIT) process.exitCode = 1;
}

new Function(script)();
const here = globalThis as unknown as { timeFlight: TimeFlight };
here.timeFlight(5, FRAMES_HZ);
say("Node", here.timeFlight(SECONDS, FRAMES_HZ));
const browser = await chromium.launch({ executablePath: findCommand("chromium")!, args: ["--no-sandbox"] });
const page = await browser.newPage();
await page.evaluate(script);
const there = async (seconds: number) =>
  page.evaluate(([s, hz]) => (globalThis as unknown as { timeFlight: TimeFlight }).timeFlight(s, hz), [
    seconds,
    FRAMES_HZ,
  ] as const);
await there(5);
say("Chromium", await there(SECONDS));
await browser.close();
